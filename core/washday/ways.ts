import { constants, house } from '../constants'
import { findDay, objectiveOf, type DaySchedule } from '../day'
import { said, type Code, type Said } from '../said'
import { planOfSchedule, planSeats, type DayFacts } from './assemble'
import type { DayFinding, DayState, FindingKind, FoundCode } from './finding'
import { offersFor, type Remedies, type Way } from './offers'
import type { DayRun } from './run'
import type { Seat, WashDay } from './schema'
import { problemToday, standFrom } from './stand'
import { circuitRemedies } from './subjects/circuit'
import { airRemedies } from './subjects/dampAir'
import { companyRemedies } from './subjects/company'
import { lateRemedies } from './subjects/lateness'
import { noiseRemedies } from './subjects/noise'
import { towelRemedies } from './subjects/towels'
import { waitRemedies } from './subjects/waiting'
import { waterRemedies } from './subjects/water'

declare module '../said' {
  interface Codes {
    'effect.finish': { at: number; before: number | null }
    'effect.late': { minutes: number; before: number }
    'effect.tank': { litres: number; before: number }
    'effect.noise': { dose: number; before: number }
    'effect.humid': { humidity: number; before: number }
    'effect.waits': { minutes: number; before: number }
    'fit.noPlace': None
    'fit.ends': { at: number }
    'fit.no': { finding: Said<FoundCode> }
  }
}

/** What changes in a day. */
export type Effect = Said<Extract<Code, `effect.${string}`>>

/** A way tried out: whether the trouble is gone, and what it costs and brings. */
export interface TriedWay extends Way {
  gone: boolean
  effects: Effect[]
  /** The objective of the day, findings weighed in, to compare ways. */
  cost: number
}

/** What a finding weighs beside the day's objective when ways are compared. */
export const WAY_WEIGHTS = constants({
  stop: house(5000, 'points for a stop', [1000, 20_000]),
  finding: house(50, 'points for a finding', [10, 200]),
})

const REMEDIES: Remedies<FindingKind> = {
  ...lateRemedies,
  ...waterRemedies,
  ...circuitRemedies,
  ...noiseRemedies,
  ...airRemedies,
  ...towelRemedies,
  ...waitRemedies,
  ...companyRemedies,
}

/** Whatever may mend a finding; not yet tried. */
export function waysFor(facts: DayFacts, state: DayState, finding: DayFinding): Way[] {
  const offers = offersFor(facts, state, finding)
  REMEDIES[finding.kind](offers)
  return offers.ways
}

/** How long a way is tried: every try places the whole day once. */
const TRIES = 500
const FIT_TRIES = 250

/** What a day's arrangement comes to after a change: arranged from the order it had, in a fixed number of tries. */
export function tryDay(facts: DayFacts, before?: DaySchedule, tries = TRIES): DayState {
  const seats = planSeats(facts)
  const bare = standFrom({ ...facts, day: { ...facts.day, plan: null } }, seats)
  if (seats.length === 0) return bare
  const strict = problemToday(facts, bare.whole)
  const first = findDay(strict, { tries, from: before })
  const problem = first || !facts.day.progress ? strict : problemToday(facts, bare.whole, true)
  const found = first ?? (problem === strict ? undefined : findDay(problem, { tries, from: before }))
  if (!found) return { ...bare, problem }
  const plan = planOfSchedule(facts.day, found.schedule, facts.day.plan?.air)
  return standFrom({ ...facts, day: { ...facts.day, plan } }, seats)
}

/** What changes from one state of a day to another, with numbers. */
export function effectsOf(before: DayState, after: DayState): Effect[] {
  const [a, b] = [before.run, after.run]
  if (!b) return []
  if (!a) return [said('effect.finish', { at: b.dayEnd, before: null })]
  const late = (run: DayRun) => run.seats.reduce((sum, s) => sum + s.late, 0)
  const wait = (run: DayRun) => run.seats.reduce((sum, s) => sum + s.waiting, 0)
  const dose = (run: DayRun) => run.dose.at(-1) ?? 0
  const humid = (run: DayRun) => Math.max(...run.humidity)
  const apart = (of: (run: DayRun) => number, least: number) => Math.abs(of(b) - of(a)) >= least
  const lowest = (run: DayRun) => run.lowest.litres
  const changes: (Effect | false)[] = [
    b.dayEnd !== a.dayEnd && said('effect.finish', { at: b.dayEnd, before: a.dayEnd }),
    late(a) !== late(b) && said('effect.late', { minutes: late(b), before: late(a) }),
    apart(lowest, 1) && said('effect.tank', { litres: lowest(b), before: lowest(a) }),
    apart(dose, 1) && said('effect.noise', { dose: dose(b), before: dose(a) }),
    apart(humid, 1) && said('effect.humid', { humidity: humid(b), before: humid(a) }),
    apart(wait, 5) && said('effect.waits', { minutes: wait(b), before: wait(a) }),
  ]
  return changes.filter((c) => c !== false)
}

function costOf({ run, findings }: DayState): number {
  if (!run) return Infinity
  const late = run.seats.reduce((sum, s) => sum + s.late, 0)
  const stays = run.seats.reduce((sum, s) => sum + s.ready - s.arrive, 0)
  const stops = findings.filter((f) => f.level === 'stop').length
  const { stop, finding } = WAY_WEIGHTS
  return objectiveOf({ late, dayEnd: run.dayEnd, stays }) + stops * stop.value + findings.length * finding.value
}

/** How bad a finding is in a state: 0 when it isn't there. */
const amountIn = (state: DayState, id: string) => state.findings.find((f) => f.id === id)?.amount ?? 0

const lateIn = (state: DayState) => state.run?.seats.reduce((sum, s) => sum + s.late, 0) ?? 0

/** Whether a day has a stop that it had not before; dogs late are weighed together, whoever they are. */
function newStop(before: DayState, after: DayState): boolean {
  const had = new Set(before.findings.filter((f) => f.level === 'stop').map((f) => f.id))
  const others = after.findings.some((f) => f.level === 'stop' && f.kind !== 'late' && !had.has(f.id))
  return others || lateIn(after) > lateIn(before)
}

/**
 * Tries a way out: first in the order the day has, then arranged anew; runs it through, and keeps it only if
 * it mends the finding (or makes it less) and brings no new stop. Answers undefined for a way that is no help.
 */
export function tryWay(facts: DayFacts, before: DayState, finding: DayFinding, way: Way): TriedWay | undefined {
  const changed = { ...facts, day: way.day }
  const kept = way.id === 'again' ? undefined : standFrom(changed, planSeats(changed))
  const mends = (state: DayState | undefined): state is DayState =>
    state?.schedule !== undefined && amountIn(state, finding.id) < finding.amount && !newStop(before, state)
  const after = mends(kept) && amountIn(kept, finding.id) === 0 ? kept : tryDay(changed, before.schedule)
  if (!mends(after)) return undefined
  return {
    id: way.id,
    what: way.what,
    day: { ...way.day, plan: planOfSchedule(way.day, after.schedule!, way.day.plan?.air) },
    gone: amountIn(after, finding.id) === 0,
    effects: effectsOf(before, after),
    cost: costOf(after),
  }
}

/** The better of ways first: those after which the trouble is gone, then the cheapest. */
export const byWorth = (a: TriedWay, b: TriedWay) => Number(b.gone) - Number(a.gone) || a.cost - b.cost

/** Whether one more dog fits: when the day then ends, or what stands in the way. */
export interface Fit {
  dogId: string
  fits: boolean
  why: Said<Extract<Code, `fit.${string}`>>
}

/** A seat tried on a day: how the day then stands, and what is newly wrong with it, worst first. */
export interface TriedSeat {
  day: WashDay
  state: DayState
  wrong: DayFinding[]
}

/** Tries a seat on a day. `before`: the day without it. */
export function trySeat(facts: DayFacts, before: DayState, seat: Seat, tries = FIT_TRIES): TriedSeat {
  const day = { ...facts.day, seats: [...facts.day.seats, seat] }
  const state = tryDay({ ...facts, day }, before.schedule, tries)
  const plan = state.schedule ? planOfSchedule(day, state.schedule, day.plan?.air) : day.plan
  const had = new Map(before.findings.map((f) => [f.id, f.amount]))
  const wrong = state.findings.filter(
    (f) => (f.level === 'stop' || f.kind === 'hours') && f.amount > (had.get(f.id) ?? 0),
  )
  return { day: { ...day, plan }, state, wrong }
}

/** A finding as it is said. */
export const saidOf = ({ code, facts }: DayFinding) => ({ code, facts }) as Said<FoundCode>

/** Whether a seat that was tried fits, with the day as it then is. */
export function fitOf({ state, wrong: [reason] }: TriedSeat, dogId: string): Fit {
  if (!state.run) return { dogId, fits: false, why: said('fit.noPlace') }
  if (!reason) return { dogId, fits: true, why: said('fit.ends', { at: state.run.dayEnd }) }
  return { dogId, fits: false, why: said('fit.no', { finding: saidOf(reason) }) }
}
