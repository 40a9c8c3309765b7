import { z } from 'zod'
import { notice, type Notice } from '../caution'
import { Cared } from './careEvery'
import { Day, EarSign, Zone, type Dog } from '../dog'
import { Happening, ladderOf, Settled, Stressor, Went } from '../handling'
import { Lessons } from '../learn'
import { said } from '../said'
import { StepName } from './stepName'

declare module '../said' {
  interface Codes {
    'caution.before': { date: string; what: Happening; step: StepName | null }
    'caution.dampBefore': { zone: Zone; visits: number }
    'caution.earSigns': { date: string; side: 'left' | 'right'; signs: EarSign[] }
    'caution.earsShaken': { date: string }
    'caution.dampSmell': { date: string }
  }
}

/** How skin was on the next visit after a product was used on a dog: how often, and how often better, alike or worse. */
export const Suited = z.object({
  product: z.string().max(80),
  times: z.number().int(),
  better: z.number().int(),
  same: z.number().int(),
  worse: z.number().int(),
})
export type Suited = z.infer<typeof Suited>

/** What the log remembers of a dog when its next visit is planned. Lists from the oldest to the newest. */
export const Memory = z.object({
  lessons: Lessons.default({}),
  borne: z.array(z.object({ date: Day, stressor: Stressor, went: Went, settled: Settled })).default([]),
  happened: z.array(z.object({ date: Day, what: Happening, step: StepName.nullable().default(null) })).default([]),
  /** What was seen of products used on this dog. */
  suited: z.array(Suited).default([]),
  damp: z.array(z.object({ zone: Zone, visits: z.number().int() })).default([]),
  /** What the owner said two days after the last visit that was asked about. */
  after: z
    .object({
      date: Day,
      scratching: z.enum(['no', 'little', 'much']),
      earShaking: z.boolean(),
      dampSmell: z.boolean(),
    })
    .nullable()
    .default(null),
  /** Stop signs that were found in an ear at the table, at the last visits. */
  earSigns: z
    .array(z.object({ date: Day, side: z.enum(['left', 'right']), signs: z.array(EarSign).max(10) }))
    .default([]),
  /** When nails, ear hair, teeth and glands were last done. */
  cared: Cared.default({}),
  /** With what each zone was cut when it was last cut. */
  cut: z
    .object({ date: Day, zones: z.partialRecord(Zone, z.string().max(30)) })
    .nullable()
    .default(null),
  /** Days between visits as it is agreed to come again and again. */
  agreed: z.number().int().min(1).nullable().default(null),
  /** The days of its last visits. */
  came: z.array(Day).default([]),
  /** Notes of the last visits that are about a step or a zone. */
  noted: z
    .array(
      z.object({
        date: Day,
        text: z.string().max(300),
        step: StepName.nullable().default(null),
        zone: Zone.nullable().default(null),
      }),
    )
    .default([]),
})
export type Memory = z.infer<typeof Memory>

/** A dog of which the log knows nothing yet. */
export const NOTHING_KNOWN: Memory = Memory.parse({})

/** How many past happenings a plan warns of, the newest first. */
const MOST_WARNINGS = 3

/** What to mind because it happened before. */
export function warningsOf({ happened, damp, after, earSigns }: Memory): Notice[] {
  const before = [...happened].reverse().slice(0, MOST_WARNINGS)
  const again = damp.filter((d) => d.visits > 1)
  return [
    ...before.map(({ date, what, step }) =>
      notice('visit', said('caution.before', { date, what, step }), `${what} ${date}`),
    ),
    ...earSigns.map((e) => notice(`${e.side} ear`, said('caution.earSigns', e), `${e.side} ${e.date}`)),
    ...(after?.earShaking ? [notice('left ear', said('caution.earsShaken', { date: after.date }))] : []),
    ...(after?.dampSmell ? [notice('drying', said('caution.dampSmell', { date: after.date }))] : []),
    ...again.map(({ zone, visits }) => notice('drying', said('caution.dampBefore', { zone, visits }), zone)),
  ]
}

/** Where the dog stands with what it fears, and what the next visit may ask. */
export const ladderFor = (dog: Pick<Dog, 'fears'>, { borne }: Memory) => ladderOf(dog.fears, borne)
