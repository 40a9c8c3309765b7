import { constants, house as estimate } from '../constants'
import {
  findDay,
  scoreDay,
  searchDay,
  weigh,
  WISHED,
  type Arrangement,
  type DayProblem,
  type DaySchedule,
  type Wished,
} from '../day'
import { planOfSchedule, type DayFacts } from './assemble'
import type { DayState } from './finding'
import type { WashDay } from './schema'
import { usualPoints } from './wishes'

/** How what an order gives up for what is found out. */
export const TRADES = constants({
  heavy: estimate(10, 'times the usual points', [5, 30]),
  worth: estimate(5, 'min', [2, 15]),
})

/** What a day is weighed by: late pick-ups, always first, and the wishes. */
export const TERMS = ['late', ...WISHED] as const
export type Term = (typeof TERMS)[number]

/** Minutes by which one thing is more elsewhere than it is now. */
export interface Cost {
  term: Term
  minutes: number
}

/** A wish that another order meets better: minutes of it now and there, what is worse there, and that order. */
export interface Trade {
  wish: Wished
  now: number
  could: number
  costs: Cost[]
  /** All in all it is the better order, as the house weighs days. */
  better: boolean
  plan: NonNullable<WashDay['plan']>
}

const TRIES = 20_000

/** A day's minutes of everything it is weighed by. */
type Minutes = Record<Term, number>

const minutesOf = (problem: DayProblem, schedule: DaySchedule): Minutes => ({
  late: scoreDay(problem, schedule).late,
  ...weigh(problem, schedule),
})

/** What is more in one day than in another, the most first. */
const more = (there: Minutes, now: Minutes): Cost[] =>
  TERMS.flatMap((term) => (there[term] > now[term] ? [{ term, minutes: there[term] - now[term] }] : [])).sort(
    (a, b) => Number(b.term === 'late') - Number(a.term === 'late') || b.minutes - a.minutes,
  )

const asPlan = ({ day }: DayFacts, { schedule }: Arrangement) => planOfSchedule(day, schedule, day.plan?.air)

/**
 * What an arranged day gave up: for each wish, whether an order in which it counts heavily meets it better by some
 * minutes, and what that order costs. Nothing for a day that isn't arranged, nor for a wish that no order met better.
 * Yields now and then, each trade once when it is found.
 */
export function* tradesOf(facts: DayFacts, state: DayState): Generator<Trade | undefined, Trade[]> {
  const { problem, schedule } = state
  if (!schedule) return []
  const now = minutesOf(problem, schedule)
  const { objective } = scoreDay(problem, schedule)
  const found: Trade[] = []
  for (const wish of WISHED) {
    if (now[wish] === 0) continue
    const wishes = { ...problem.wishes, [wish]: Math.round(TRADES.heavy.value * usualPoints(wish)) }
    const search = searchDay({ ...problem, wishes }, { from: schedule, tries: TRIES })
    let step = search.next()
    for (; !step.done; step = search.next()) yield undefined
    if (!step.value) continue
    const there = minutesOf(problem, step.value.schedule)
    if (there.late > now.late || now[wish] - there[wish] < TRADES.worth.value) continue
    const { schedule: other } = step.value
    const trade = {
      wish,
      now: now[wish],
      could: there[wish],
      costs: more(there, now),
      better: scoreDay(problem, other).objective < objective,
      plan: asPlan(facts, step.value),
    }
    found.push(trade)
    yield trade
  }
  return found
}

/** That a dog, or every dog (null), is ready by a minute of the clock. */
export interface Wish {
  seatId: string | null
  by: number
}

/** What a wish costs: an order in which it holds, what is more and less in it; or who isn't ready in time, at which minute of the clock. */
export type WishPrice =
  | { granted: true; costs: Cost[]; saves: Cost[]; plan: NonNullable<WashDay['plan']> }
  | { granted: false; late: { seatId: string; ready: number }[] }

const WISH_TRIES = 15_000

/** What it costs that some are ready by a time, against the day as it is arranged; undefined for a day that isn't. */
export function priceOf(facts: DayFacts, { problem, schedule }: DayState, { seatId, by }: Wish): WishPrice | undefined {
  if (!schedule) return undefined
  const { from } = facts.day.hours
  const wanted = (id: string) => seatId === null || seatId === id
  const dogs = problem.dogs.map((d) =>
    wanted(d.id) ? { ...d, pickup: Math.max(0, Math.min(d.pickup, by - from)) } : d,
  )
  const found = findDay({ ...problem, dogs }, { from: schedule, tries: WISH_TRIES })
  if (!found) return undefined
  const ends = new Map(problem.dogs.map((d) => [d.id, readyIn(problem, found.schedule, d.id)]))
  const late = dogs.filter((d) => wanted(d.id) && ends.get(d.id)! > by - from)
  if (late.length > 0)
    return { granted: false, late: late.map((d) => ({ seatId: d.id, ready: ends.get(d.id)! + from })) }
  const [now, there] = [minutesOf(problem, schedule), minutesOf(problem, found.schedule)]
  return { granted: true, costs: more(there, now), saves: more(now, there), plan: asPlan(facts, found) }
}

/** When a dog is ready in a schedule. */
function readyIn({ dogs }: DayProblem, { tasks }: DaySchedule, id: string): number {
  const dog = dogs.find((d) => d.id === id)!
  return tasks[dog.readyTask]! + dog.tasks.find((t) => t.id === dog.readyTask)!.dur
}
