import { noDay, searchDay, type Arrangement, type DayProblem, type NoArrangement } from '../core/day'

const TURN_MS = 15

/** A found day as the interface answers it; what stands in the way of an impossible one, in words. */
function answer(day: Arrangement | NoArrangement) {
  return day.feasible ? day : { ...day, clash: day.clash.map((c) => c.words) }
}

/** Arranges a day within its budget, in short turns, so that other requests are answered in between. */
export async function arrangeInTurns(problem: DayProblem, seed: number, budgetMs: number) {
  const search = searchDay(problem, { seed, tries: 5_000_000 })
  const until = Date.now() + budgetMs
  for (;;) {
    const turn = Date.now() + TURN_MS
    let step = search.next()
    while (!step.done && Date.now() < Math.min(turn, until)) step = search.next()
    if (step.done || Date.now() >= until) return answer(step.value ?? noDay(problem, seed))
    await new Promise((resolve) => setImmediate(resolve))
  }
}
