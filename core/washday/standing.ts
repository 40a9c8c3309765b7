import { z } from 'zod'
import { constants, published } from '../constants'
import { Day } from '../dog'
import { ClockMinute } from '../house'
import { AGREED } from './schema'

/** How often a dog comes: every so many weeks from a first date, or on a numbered weekday of each month (5: the last). */
export const Rhythm = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('weeks'),
    every: z.number().int().min(1, 'Give 1 to 52 weeks.').max(52, 'Give 1 to 52 weeks.'),
  }),
  z.object({
    kind: z.literal('month'),
    nth: z.number().int().min(1, 'Give the first to the fifth week.').max(5, 'Give the first to the fifth week.'),
  }),
])
export type Rhythm = z.infer<typeof Rhythm>

/** A dog that comes again and again: since when, how often, and its usual times. */
export const Standing = z
  .object({
    dogId: z.string().min(1).max(80),
    from: Day,
    until: Day.nullable().default(null),
    rhythm: Rhythm,
    arrive: ClockMinute,
    pickup: ClockMinute,
    ...AGREED,
  })
  .refine(({ arrive, pickup }) => pickup > arrive, {
    path: ['pickup'],
    error: 'The pick-up must come after the arrival.',
  })
export type Standing = z.infer<typeof Standing>

const DAY_MS = 86_400_000
const utc = (day: string) => new Date(`${day}T00:00:00Z`)

/** Days between visits of a rhythm. */
export const RHYTHM = constants({
  week: published(7, 'days', 'the calendar'),
  month: published(30, 'days', 'the calendar: a month of 30 to 31 days, to the day it isn’t told'),
})
/** About how many days lie between two visits of a rhythm. */
export const daysOf = (rhythm: Rhythm): number =>
  rhythm.kind === 'weeks' ? RHYTHM.week.value * rhythm.every : RHYTHM.month.value

/** Whether a standing dog comes on a date. */
export function dueOn({ from, until, rhythm }: Standing, date: string): boolean {
  if (date < from || (until !== null && date > until)) return false
  const [first, then] = [utc(from), utc(date)]
  if (first.getUTCDay() !== then.getUTCDay()) return false
  if (rhythm.kind === 'weeks') return Math.round((then.getTime() - first.getTime()) / DAY_MS) % (7 * rhythm.every) === 0
  const nth = Math.ceil(then.getUTCDate() / 7)
  const nextWeek = new Date(then.getTime() + 7 * DAY_MS)
  return nth === rhythm.nth || (rhythm.nth === 5 && nextWeek.getUTCMonth() !== then.getUTCMonth())
}
