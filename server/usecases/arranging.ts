import { noDay, searchDay, type DayProblem } from '@core/day'
import { inTurns, until } from '@core/turns'

const TURN_MS = 15

/** Arranges a day within its budget, in short turns, so that other requests are answered in between. */
export async function arrangeInTurns(problem: DayProblem, seed: number, budgetMs: number) {
  const end = Date.now() + budgetMs
  const search = until(searchDay(problem, { seed, tries: 5_000_000 }), () => Date.now() >= end)
  const pause = () => new Promise<boolean>((resolve) => setImmediate(() => resolve(true)))
  return (await inTurns(search, { now: Date.now, turnMs: TURN_MS, pause })) ?? noDay(problem, seed)
}
