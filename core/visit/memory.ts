import { z } from 'zod'
import { Day } from '../dog'
import { Happening, ladderOf, Settled, Stressor, Went } from '../handling'
import { Lessons } from '../learn'
import type { Notice } from '../caution'
import type { Dog } from '../dog'

/** What the log remembers of a dog when its next visit is planned. Lists from the oldest to the newest. */
export const Memory = z.object({
  lessons: Lessons.default({}),
  borne: z.array(z.object({ date: Day, stressor: Stressor, went: Went, settled: Settled })).default([]),
  happened: z.array(z.object({ date: Day, what: Happening, step: z.string().default('') })).default([]),
  /** What was seen of products used on this dog, in words. */
  suited: z.array(z.string().max(300)).default([]),
  damp: z.array(z.object({ zone: z.string(), visits: z.number().int() })).default([]),
})
export type Memory = z.infer<typeof Memory>

/** A dog of which the log knows nothing yet. */
export const NOTHING_KNOWN: Memory = Memory.parse({})

const dayWords = (date: string) =>
  new Date(`${date}T12:00:00Z`).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', timeZone: 'UTC' })

/** How many past happenings a plan warns of, the newest first. */
const MOST_WARNINGS = 3

/** What to mind because it happened before. */
export function warningsOf({ happened, damp }: Memory): Notice[] {
  const before = [...happened].reverse().slice(0, MOST_WARNINGS)
  const again = damp.filter((d) => d.visits > 1)
  return [
    ...before.map(({ date, what, step }): Notice => ({
      id: `before: ${what} ${date}`,
      level: 'caution',
      scope: 'visit',
      title: `It happened on ${dayWords(date)}: ${what}`,
      next: step === '' ? 'Go slower there; two hands on the dog.' : `It was during “${step}”: go slower there.`,
    })),
    ...again.map(({ zone, visits }): Notice => ({
      id: `damp: ${zone}`,
      level: 'caution',
      scope: 'drying',
      title: `Found damp on ${visits} visits: ${zone}`,
      next: 'Part the hair there to the skin before you go on.',
    })),
  ]
}

/** Where the dog stands with what it fears, and what the next visit may ask. */
export const ladderFor = (dog: Pick<Dog, 'fears'>, { borne }: Memory) => ladderOf(dog.fears, borne)
