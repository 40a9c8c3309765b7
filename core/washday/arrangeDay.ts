import { noDay, searchDay, type Arrangement, type DaySchedule, type Peer, type Temper } from '../day'
import { until } from '../turns'
import { clashSaid, type ClashSaid } from './clash'
import { planOfSchedule, planSeats, type DayFacts } from './assemble'
import type { WashDay } from './schema'
import { airOfRun, problemToday, scheduleToday, standFrom } from './stand'

/** How good a day's order is: its points, the same before wishes, the fewest of these that any order was found to have, and what none can beat. */
export interface Worth {
  objective: number
  bare: number
  quickest: number
  lowerBound: number
  proven: boolean
}

/** A day arranged so far, or at the end: its plan with what the search knows of it. */
export interface ArrangedDay extends Worth {
  plan: NonNullable<WashDay['plan']>
}

export const worthOf = ({ objective, bare, quickest, lowerBound, proven }: Worth): Worth => ({
  objective,
  bare,
  quickest,
  lowerBound,
  proven,
})

/** How an arrangement ended: with a plan, or with what stands in its way. */
export type ArrangeOutcome = { ok: true; day: ArrangedDay } | { ok: false; clash: ClashSaid[] }

/** Tries of the second search, after the room's air has been reckoned in. */
const SECOND_TRIES = 3000

/**
 * Arranges a wash day step by step: searches the order of its work, runs the best day through to learn the
 * air each dog is dried in, reckons the drying minutes anew with that air, and searches once more from
 * there. Pins and what is done stay. Yields the best day so far every few tries, so that whoever drives it
 * can show it, stop, or let others run; `stopFirst` tells the first search to end (its time is up). `peer`: another such
 * arranging of the same facts, which shares what the first search finds; `temper`: what that looks at most.
 */
export function* arrangeWashDay(
  facts: DayFacts,
  {
    seed = 1,
    tries = 200_000,
    stopFirst = () => false,
    ...shared
  }: { seed?: number; tries?: number; stopFirst?: () => boolean; peer?: Peer; temper?: Temper } = {},
): Generator<ArrangedDay | undefined, ArrangeOutcome> {
  const { day } = facts
  const arranged = (found: Arrangement, air: NonNullable<WashDay['plan']>['air']): ArrangedDay => ({
    plan: planOfSchedule(day, found.schedule, air),
    ...worthOf(found),
  })
  const bare = { ...facts, day: { ...day, plan: null } }
  const seats = planSeats(bare)
  const { whole } = standFrom(bare, seats)
  let problem = problemToday(facts, whole)
  let before: DaySchedule | undefined = day.plan ? scheduleToday(facts, problem) : undefined

  const search = function* (
    from: DaySchedule | undefined,
    most: number,
    air: Parameters<typeof arranged>[1],
    ends: () => boolean,
    more: { peer?: Peer; temper?: Temper } = {},
  ) {
    const steps = until(searchDay(problem, { seed, tries: most, from, ...more }), ends)
    let step = steps.next()
    for (; !step.done; step = steps.next()) yield step.value && arranged(step.value, air)
    return step.value
  }

  let found = yield* search(before, tries, {}, stopFirst, shared)
  if (!found && day.progress) {
    problem = problemToday(facts, whole, true)
    found = yield* search(before, tries, {}, stopFirst)
  }
  if (!found) {
    const { clash } = noDay(problem, seed)
    return {
      ok: false,
      clash: clash.flatMap((c) =>
        [c, ...(c.with ? [c.with] : [])].map((k) => clashSaid(facts, { seats, whole, problem, findings: [] }, k)),
      ),
    }
  }
  const first = arranged(found, {})
  const air = airOfRun(standFrom({ ...facts, day: { ...day, plan: first.plan } }, seats))
  if (Object.keys(air).length === 0) return { ok: true, day: first }

  const aired = planSeats(facts, air)
  problem = problemToday(facts, standFrom(bare, aired).whole)
  before = found.schedule
  const better = yield* search(before, SECOND_TRIES, air, () => false)
  return { ok: true, day: better ? arranged(better, air) : first }
}
