import { holds, keepOrder, type DayProblem, type DaySchedule } from '../day'
import type { RoomAir } from '../drying'
import { planSeats, problemOfDay, scheduleOfPlan, type DayFacts, type SeatPlan } from './assemble'
import type { DayState } from './finding'
import { judgeDay } from './judge'
import { problemNow } from './replan'
import { runDay } from './run'

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

/** The schedule of the day's plan under its facts as they are now: as it stands when it holds, else in its order, else without asking the tank. */
export function scheduleToday(facts: DayFacts, problem: DayProblem): DaySchedule | undefined {
  const planned = scheduleOfPlan(facts.day, problem)
  if (planned && holds(problem, planned)) return planned
  const rough = planned ?? partial(facts)
  return rough && (keepOrder(problem, rough) ?? keepOrder(problem, rough, true))
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
