import { noDay, searchDay, type DayProblem } from '../core/day'

const TURN_MS = 15

/** Arranges a day within its budget, in short turns, so that other requests are answered in between. */
export async function arrangeInTurns(problem: DayProblem, seed: number, budgetMs: number) {
  const search = searchDay(problem, { seed, tries: 5_000_000 })
  const until = Date.now() + budgetMs
  for (;;) {
    const turn = Date.now() + TURN_MS
    let step = search.next()
    while (!step.done && Date.now() < Math.min(turn, until)) step = search.next()
    if (step.done || Date.now() >= until) return step.value ?? noDay(problem, seed)
    await new Promise((resolve) => setImmediate(resolve))
  }
}
