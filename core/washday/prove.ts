import { OBJECTIVE, objectiveOf, scoreDay, searchDay, type DaySchedule } from '../day'
import { planSeats, planOfSchedule, type DayFacts } from './assemble'
import { worthOf, type ArrangedDay, type Worth } from './arrangeDay'
import { problemToday, scheduleToday, standFrom } from './stand'

/** What is known of an arranged day: how good it is, what none can beat, and a better one if there is. */
export interface DayProof extends Worth {
  /** A better order of the same day, when one was found. */
  better?: ArrangedDay
}

/** Tries beyond which a day is left as it is. */
const MOST_TRIES = 50_000_000

/** Above so many late minutes a bound says too little to be told. */
const TELLING_LATE = 60

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
  const score = scoreDay(problem, schedule)
  const { objective } = score
  const plan = (found: DaySchedule) => planOfSchedule(day, found, air)
  const search = searchDay(problem, { seed, tries: MOST_TRIES, from: schedule, temper: 'whole' })
  for (;;) {
    const { done, value } = search.next()
    const proof = value && {
      objective,
      bare: objectiveOf(score),
      quickest: value.quickest,
      lowerBound: Math.min(objective, value.lowerBound),
      proven: value.proven && value.objective === objective,
      better: value.objective < objective ? { plan: plan(value.schedule), ...worthOf(value) } : undefined,
    }
    if (done) return proof
    yield proof
  }
}

/**
 * What could still be won on an arranged day at the most: minutes late, or minutes of the day. `wishes`: how well these
 * are met; `known`: by an order that is known, and meets them worse.
 */
export interface DayGap {
  late: number
  minutes: number
  wishes: boolean
  known: boolean
}

const gapOver = (points: number, more: Pick<DayGap, 'wishes' | 'known'>): DayGap => {
  const late = Math.max(0, Math.floor(points / OBJECTIVE.late.value))
  return { late, minutes: late > 0 || points <= 0 ? 0 : Math.ceil(points / OBJECTIVE.dayEnd.value), ...more }
}

/**
 * How far a found day may be from the best there can be: nothing when it is proven best; nothing but wishes when no day
 * is better before these; undefined when the bound says too little. A gap is told in late minutes where it holds one,
 * else in minutes of the groomer's day.
 */
export function gapOf({ objective, bare, quickest, lowerBound, proven }: Worth): DayGap | undefined {
  if (proven) return gapOver(0, { wishes: false, known: false })
  const gap = gapOver(bare - lowerBound, { wishes: objective > lowerBound, known: quickest <= lowerBound })
  return gap.late > TELLING_LATE ? undefined : gap
}

/** What a better order wins over another, told the same way; how wishes are met where nothing else is won. */
export const wonBy = (better: Worth, over: Worth): DayGap =>
  gapOver(over.bare - better.bare, { wishes: true, known: true })
