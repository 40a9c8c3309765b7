import { z } from 'zod'

/** What can be deleted and brought back. */
export const Deletable = z.enum(['dogs', 'products', 'findings', 'standings', 'visits', 'days'])
export type Deletable = z.infer<typeof Deletable>

/** Something that was deleted: what it is, its id, when, and what it is called. */
export const DeletedThing = z.object({
  what: Deletable,
  id: z.uuid(),
  at: z.string(),
  /** The name of the dog or bottle; of a visit or a day its dog and date. */
  name: z.string(),
  date: z.string().nullable(),
})
export type DeletedThing = z.infer<typeof DeletedThing>

/** A wish to bring something back. */
export const BringBack = z.object({ what: Deletable, id: z.uuid() })
