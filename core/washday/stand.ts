import { findDay, holds, keepOrder, type DayProblem, type DaySchedule } from '../day'
import type { RoomAir } from '../drying'
import { planOfSchedule, planSeats, problemOfDay, scheduleOfPlan, type DayFacts, type SeatPlan } from './assemble'
import type { DayState, LostPin } from './finding'
import { judgeDay } from './judge'
import { problemNow } from './replan'
import { runDay } from './run'
import type { WashDay } from './schema'

/** How many orders are tried for a day in which one pin was let go, or whose own order has become impossible. */
const LOOSE_TRIES = 60

/** The day's problem with what has been done so far. */
export function problemToday({ day }: DayFacts, whole: DayProblem, loose = false): DayProblem {
  return day.progress ? problemNow(whole, day.progress, day.hours.from, loose) : whole
}

/** The starts of a plan that knows not every task or pause of the problem. */
function partial({ day }: DayFacts): DaySchedule | undefined {
  if (!day.plan) return undefined
  const { from } = day.hours
  const back = (starts: Record<string, number>) =>
    Object.fromEntries(Object.entries(starts).map(([id, at]) => [id, Math.max(0, at - from)]))
  return { tasks: back(day.plan.tasks), breaks: back(day.plan.breaks) }
}

/** The schedule of the day's plan under its facts as they are now: as it stands when it holds, else in its order, else without asking the tank; on a day that goes on, else in another order. */
export function scheduleToday(facts: DayFacts, problem: DayProblem): DaySchedule | undefined {
  const planned = scheduleOfPlan(facts.day, problem)
  if (planned && holds(problem, planned)) return planned
  const rough = planned ?? partial(facts)
  const kept = rough && (keepOrder(problem, rough) ?? keepOrder(problem, rough, true))
  if (kept || !rough || !facts.day.progress) return kept
  // hours that have gone by may leave no room for the order of the morning
  return findDay(problem, { tries: LOOSE_TRIES, from: rough })?.schedule
}

/** A day from plans already made: problem, schedule, run and findings. */
export function standFrom(facts: DayFacts, seats: SeatPlan[]): DayState {
  const whole = problemOfDay(facts, seats)
  if (seats.length === 0) return { seats, whole, problem: whole, findings: [] }
  const strict = problemToday(facts, whole)
  const first = scheduleToday(facts, strict)
  const problem = first || !facts.day.progress ? strict : problemToday(facts, whole, true)
  const schedule = first ?? (problem === strict ? undefined : scheduleToday(facts, problem))
  if (!schedule) return { seats, whole, problem, findings: [] }
  const run = runDay(facts, seats, problem, schedule)
  return { seats, whole, problem, schedule, run, findings: judgeDay(facts, { seats, whole, problem, schedule, run }) }
}

type Pin = Pick<LostPin, 'seat' | 'part' | 'at'>

const pinsOf = ({ seats }: WashDay): Pin[] =>
  seats.flatMap(({ id, pins }) => Object.entries(pins).map(([part, at]) => ({ seat: id, part, at })))

/** A day and its plans without some pins. */
function without(facts: DayFacts, plans: readonly SeatPlan[], gone: readonly Pin[]): [DayFacts, SeatPlan[]] {
  const seats = facts.day.seats.map((s) => {
    const kept = Object.entries(s.pins).filter(([part]) => !gone.some((g) => g.seat === s.id && g.part === part))
    return { ...s, pins: Object.fromEntries(kept) }
  })
  const byId = new Map(seats.map((s) => [s.id, s]))
  return [{ ...facts, day: { ...facts.day, seats } }, plans.map((p) => ({ ...p, seat: byId.get(p.seat.id) ?? p.seat }))]
}

/** The day in the order of its plan, or, where that order can't be kept, in the best of a few others. */
export function inSomeOrder(facts: DayFacts, plans: SeatPlan[]): DayState | undefined {
  const kept = standFrom(facts, plans)
  if (kept.schedule) return kept
  const found = findDay(kept.problem, { tries: LOOSE_TRIES, from: partial(facts) })
  if (!found) return undefined
  const plan = planOfSchedule(facts.day, found.schedule, facts.day.plan?.air)
  const state = standFrom({ ...facts, day: { ...facts.day, plan } }, plans)
  return state.schedule && state
}

/**
 * A day as `standFrom` has it; where its pins can't all hold under the facts as they are now (minutes that were
 * learned, another product, another pick-up), the arrangement goes on without as few of them as possible: one
 * alone if that is enough, else those that none of the others need. They are told as `lost`.
 */
export function standLoosely(facts: DayFacts, plans: SeatPlan[]): DayState {
  const strict = standFrom(facts, plans)
  const pins = pinsOf(facts.day)
  if (strict.schedule || !facts.day.plan || pins.length === 0) return strict
  const stands = (gone: readonly Pin[]) => inSomeOrder(...without(facts, plans, gone))
  const all = stands(pins)
  if (!all) return strict
  let [gone, state] = [pins, all]
  for (const pin of pins) {
    const alone = pins.length > 1 ? stands([pin]) : undefined
    if (!alone) continue
    ;[gone, state] = [[pin], alone]
    break
  }
  if (gone.length > 1)
    for (const pin of pins) {
      const fewer = gone.filter((g) => g !== pin)
      const held = fewer.length > 0 ? stands(fewer) : undefined
      if (held) [gone, state] = [fewer, held]
    }
  const { tasks } = state.schedule!
  const { from } = facts.day.hours
  const lost = gone.map((g) => ({ ...g, now: (tasks[`${g.seat}.${g.part}`] ?? 0) + from }))
  return { ...state, seats: plans, lost }
}

/** A day as it was planned, whatever of it is over by now. */
export const asPlanned = (facts: DayFacts, { seats }: DayState): DayState =>
  standFrom({ ...facts, day: { ...facts.day, progress: null } }, seats)

/** A day as it stands, reckoned from its facts. */
export function standDay(facts: DayFacts): DayState {
  return standFrom(facts, planSeats(facts))
}

/** The air in which the run dries each seat, where it moves the drying by half a minute or more. */
export function airOfRun({ run }: DayState): Record<string, RoomAir> {
  const changed = run?.seats.filter((s) => s.air && Math.abs(s.dryLonger) >= HALF_A_MINUTE) ?? []
  return Object.fromEntries(
    changed.map((s) => [s.id, { celsius: roundTo(s.air!.celsius, 0.1), humidity: roundTo(s.air!.humidity, 1) }]),
  )
}

const HALF_A_MINUTE = 0.5
const roundTo = (value: number, step: number) => Math.round(value / step) * step
