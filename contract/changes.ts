import { z } from 'zod'
import { Day } from '@core/dog'

/** What a change can be about. */
export const ChangeOf = z.enum([
  'dogs',
  'owners',
  'closings',
  'products',
  'stock',
  'house',
  'findings',
  'photos',
  'answers',
  'standings',
  'days',
  'visits',
  'taps',
  'outcomes',
])
export type ChangeOf = z.infer<typeof ChangeOf>

/**
 * Something that is kept has changed: what kind of thing, and, where it has them, its id (a visit's for taps and
 * outcomes), its date, its dog; the ids of new taps, null when they are many.
 */
export const Change = z.object({
  what: ChangeOf,
  id: z.string().optional(),
  date: Day.optional(),
  dog: z.string().optional(),
  taps: z.array(z.string()).nullish(),
})
export type Change = z.infer<typeof Change>
