import { scoreDay, searchDay, type DaySchedule } from '../day'
import { planSeats, planOfSchedule, type DayFacts } from './assemble'
import type { ArrangedDay } from './arrangeDay'
import { problemToday, scheduleToday, standFrom } from './stand'

/** What is known of an arranged day: how good it is, what none can beat, and a better one if there is. */
export interface DayProof {
  objective: number
  lowerBound: number
  proven: boolean
  /** A better order of the same day, when one was found. */
  better?: ArrangedDay
}

/** Tries beyond which a day is left as it is. */
const MOST_TRIES = 50_000_000

/**
 * Goes on from a day that is arranged until no better order of it exists, or the driver stops: what is pinned and done
 * stays, the drying minutes are those of its own air. Yields what is known so far. Undefined for a day that isn't
 * arranged.
 */
export function* proveWashDay(facts: DayFacts, seed = 1): Generator<DayProof | undefined, DayProof | undefined> {
  const { day } = facts
  const { whole } = standFrom(facts, planSeats(facts))
  const problem = problemToday(facts, whole)
  const schedule = scheduleToday(facts, problem)
  if (!schedule || !day.plan) return undefined
  const { air } = day.plan
  const { objective } = scoreDay(problem, schedule)
  const plan = (found: DaySchedule) => planOfSchedule(day, found, air)
  const search = searchDay(problem, { seed, tries: MOST_TRIES, from: schedule })
  for (;;) {
    const { done, value } = search.next()
    const proof = value && {
      objective,
      lowerBound: Math.min(objective, value.lowerBound),
      proven: value.proven && value.objective === objective,
      better:
        value.objective < objective
          ? {
              plan: plan(value.schedule),
              objective: value.objective,
              lowerBound: value.lowerBound,
              proven: value.proven,
            }
          : undefined,
    }
    if (done) return proof
    yield proof
  }
}
