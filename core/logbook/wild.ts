import { sift, type AsideWhy } from '../learn'
import type { Brief } from './brief'
import type { Dated } from './evidence'

/** A number of the log that nothing is learned from, since it is far from all others of its kind. Minutes, or grams of water. */
export interface Wild {
  visitId: string
  dog: string
  date: string
  kind: string
  actual: number
  model: number
  why: AsideWhy
}

/** Numbers so far from the others that they teach nothing, each with why; the newest first. */
export function wildIn(log: Readonly<Record<string, readonly Dated[]>>, briefs: readonly Brief[]): Wild[] {
  const names = new Map(briefs.map((b) => [b.dogId, b.dog]))
  return Object.entries(log)
    .flatMap(([kind, steps]) => sift(steps).aside.flatMap((a) => (a.wild ? [{ kind, ...a }] : [])))
    .map(({ kind, done: { visitId, dog, date, actual, model }, why }) => ({
      visitId,
      dog: names.get(dog) ?? '',
      date,
      kind,
      actual,
      model,
      why,
    }))
    .sort((a, b) => b.date.localeCompare(a.date) || a.kind.localeCompare(b.kind))
}
