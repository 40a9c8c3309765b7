import { sift } from '../learn'
import { say } from '../units'
import { TOWEL_WATER } from '../visit'
import type { Brief } from './brief'
import { kindWords, type Dated } from './evidence'

/** A number of the log that nothing is learned from, since it is far from all others of its kind. Minutes, or grams of water. */
export interface Wild {
  visitId: string
  dog: string
  date: string
  kind: string
  words: string
  why: string
}

/** Numbers so far from the others that they teach nothing, each with why; the newest first. */
export function wildIn(log: Readonly<Record<string, readonly Dated[]>>, briefs: readonly Brief[]): Wild[] {
  const names = new Map(briefs.map((b) => [b.dogId, b.dog]))
  return Object.entries(log)
    .flatMap(([kind, steps]) => sift(steps).aside.flatMap((a) => (a.wild ? [{ kind, ...a }] : [])))
    .map(({ kind, done: { visitId, dog, date, actual, model }, why }) => {
      const unit = kind === TOWEL_WATER ? 'g' : 'min'
      const words = `${kindWords(kind)} took ${say(actual)} ${unit}, expected ${say(model)}`
      return { visitId, dog: names.get(dog) ?? 'A dog', date, kind, words, why }
    })
    .sort((a, b) => b.date.localeCompare(a.date) || a.kind.localeCompare(b.kind))
}
