import { z } from 'zod'

/** What has a history that can be read, and gone back in. */
export const Remembered = z.enum(['dogs', 'products', 'house', 'findings', 'standings', 'days'])
export type Remembered = z.infer<typeof Remembered>

/** Of what the history is asked. */
export const HistoryQuery = z.object({ what: Remembered, id: z.uuid() })

/** A change as it stands in the history: by which device (null: the machine itself), and what was where. */
export const HistoryLine = z.object({
  change: z.number().int(),
  at: z.string(),
  device: z.string().nullable(),
  did: z.enum(['made', 'changed', 'deleted', 'brought back']),
  /** What differs, as many places as are told; values as they stand in the record. */
  places: z.array(z.object({ path: z.string(), was: z.unknown(), is: z.unknown() })),
  /** Whether one can go back to before it. */
  back: z.boolean(),
})
export type HistoryLine = z.infer<typeof HistoryLine>

/** Going back to before a change. */
export const HistoryBack = z.object({ change: z.number().int().min(1).max(Number.MAX_SAFE_INTEGER) })
