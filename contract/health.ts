import { z } from 'zod'

/** What may be wrong with how a room is kept. */
export const TroubleKind = z.enum(['backup', 'disk', 'clock', 'certificate', 'records', 'practise'])
/** Something that isn't as it should be, and what to do about it, in words. `practise` is a reminder alone. */
export const Trouble = z.object({ what: TroubleKind, says: z.string() })
export type Trouble = z.infer<typeof Trouble>

/** How well a room is kept, for whoever may do everything. */
export const Wellness = z.object({
  /** Which room it is; null: it has no name. */
  room: z.string().nullable(),
  /** Where it is kept: a folder of this program, or a database server. */
  keptBy: z.enum(['folder', 'server']),
  startedAt: z.string(),
  /** The newest backup and how old it is, minutes; up to when changes since are written down. Null: none. */
  backup: z.object({ at: z.string(), ageMin: z.number(), journalAt: z.string().nullable() }).nullable(),
  /** Jobs that wait for a thread. */
  waiting: z.number().int(),
  /** How long asks waited for the program's own loop over the last minute, ms: the middle, 99 of 100, the longest. */
  loopMs: z.object({ p50: z.number(), p99: z.number(), most: z.number() }),
  troubles: z.array(Trouble),
})
export type Wellness = z.infer<typeof Wellness>

/** Whether the program and its database answer; room to write, and how much, MB (null: unknown). */
export const Health = z.object({
  ready: z.boolean(),
  engine: z.string(),
  writable: z.boolean(),
  freeMb: z.number().nullable(),
  /** Null: whoever asks wasn't let in, or is for the tub alone. */
  well: Wellness.nullable(),
})
export type Health = z.infer<typeof Health>
