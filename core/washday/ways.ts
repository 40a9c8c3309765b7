import { findDay, type Clash, type DaySchedule } from '../day'
import { said, type Code, type Said } from '../said'
import { planOfSchedule, planSeats, type DayFacts } from './assemble'
import { HABITS, USUAL_MUFFS } from './habits'
import type { DayFinding, FoundCode } from './judge'
import { seatFor, type Seat, type WashDay } from './schema'
import type { DayRun } from './run'
import { problemToday, standFrom, type DayState } from './stand'

declare module '../said' {
  interface Codes {
    'do.startEarlier': { minutes: number; at: number }
    'do.helper': { name: string; from: number; to: number }
    'do.comesAt': { name: string; at: number }
    'do.inTurn': { dogs: number }
    'do.fetchedAt': { name: string; at: number }
    'do.unpin': None
    'do.again': None
    'do.leaveOut': { name: string; minutes: number }
    'do.fan': { name: string }
    'do.window': None
    'do.heater': { at: number }
    'do.muffs': { nrr: number }
    'do.towels': { count: number }
    'effect.finish': { at: number; before: number | null }
    'effect.late': { minutes: number; before: number }
    'effect.tank': { litres: number; before: number }
    'effect.noise': { dose: number; before: number }
    'effect.humid': { humidity: number; before: number }
    'effect.waits': { minutes: number; before: number }
    'fit.noPlace': None
    'fit.ends': { at: number }
    'fit.no': { finding: Said<FoundCode> }
    'clash.pause': { name: string }
    'clash.pin': { name: string; at: number | null }
    'clash.dog': { name: string }
    'clash.away': None
    'clash.midnight': None
    'clash.water': None
    'clash.waits': None
    'clash.resource': { resource: string }
  }
}

/** What stands in the way of a day. */
export type ClashSaid = Said<Extract<Code, `clash.${string}`>>

/** A change of a day that may mend something: what to do, and the day with it done. */
export interface Way {
  id: string
  what: Said<Extract<Code, `do.${string}`>>
  day: WashDay
}

/** What changes in a day. */
export type Effect = Said<Extract<Code, `effect.${string}`>>

/** A way tried out: whether the trouble is gone, and what it costs and brings. */
export interface TriedWay extends Way {
  gone: boolean
  effects: Effect[]
  /** The objective of the day, to compare ways. */
  cost: number
}

const withSeat = (day: WashDay, id: string, change: Partial<Seat>): WashDay => ({
  ...day,
  seats: day.seats.map((s) => (s.id === id ? { ...s, ...change } : s)),
})

const STEP = HABITS.askInSteps.value
const roundUp = (minute: number) => Math.ceil(minute / STEP) * STEP
const roundDown = (minute: number) => Math.floor(minute / STEP) * STEP

/** Whatever may mend a finding; not yet tried. */
export function waysFor(facts: DayFacts, state: DayState, finding: DayFinding): Way[] {
  const { day, house } = facts
  const ways: Way[] = []
  const offer = (id: string, what: Way['what'], changed: WashDay) => ways.push({ id, what, day: changed })
  const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id)?.dog.name ?? id
  const own = state.seats.find((s) => s.seat.id === finding.seat)
  const run = state.run?.seats.find((s) => s.id === finding.seat)

  const earlier = (by: number) => {
    const from = day.hours.from - by
    if (from < 0 || day.progress) return
    const seats = day.seats.map((s) => (s.arrive === day.hours.from ? { ...s, arrive: from } : s))
    offer(`start-${by}`, said('do.startEarlier', { minutes: by, at: from }), {
      ...day,
      hours: { ...day.hours, from },
      seats,
    })
  }
  const helper = () => {
    if (day.helper || day.progress) return
    const from = Math.max(day.hours.from, house.helper.from)
    if (from >= house.helper.to) return
    offer('helper', said('do.helper', { name: house.helper.name, from, to: house.helper.to }), {
      ...day,
      helper: { ...house.helper, from },
    })
  }
  /** When a dog need not be there earlier: shortly before its first step. Undefined when it hardly waits for that. */
  const turnOf = (seat: Seat): number | undefined => {
    const tasks = state.problem.dogs.find((d) => d.id === seat.id)?.tasks ?? []
    const begins = day.hours.from + Math.min(...tasks.map((t) => state.schedule?.tasks[t.id] ?? Infinity))
    const arrive = roundDown(begins)
    const worth = begins - seat.arrive >= HABITS.worthComingLater.value
    return worth && Number.isFinite(arrive) && arrive > seat.arrive && arrive < seat.pickup ? arrive : undefined
  }
  const comeLater = (seat: Seat) => {
    const arrive = turnOf(seat)
    if (arrive !== undefined)
      offer(
        `come-${seat.id}`,
        said('do.comesAt', { name: nameOf(seat.id), at: arrive }),
        withSeat(day, seat.id, { arrive }),
      )
  }
  /** Every dog that has to wait for its first step comes when its turn is near. */
  const allInTurn = () => {
    if (day.progress) return
    const seats = day.seats.map((s) => ({ ...s, arrive: turnOf(s) ?? s.arrive }))
    const moved = seats.filter((s, i) => s.arrive !== day.seats[i]!.arrive).length
    if (moved > 1) offer('in-turn', said('do.inTurn', { dogs: moved }), { ...day, seats })
  }
  const comeEarlier = () => {
    if (own && own.seat.arrive > day.hours.from)
      offer(
        `early-${own.seat.id}`,
        said('do.comesAt', { name: own.dog.name, at: day.hours.from }),
        withSeat(day, own.seat.id, { arrive: day.hours.from }),
      )
  }
  const fetchLater = () => {
    if (!own || !run) return
    const pickup = Math.min(1439, roundUp(run.ready))
    offer(
      `fetch-${own.seat.id}`,
      said('do.fetchedAt', { name: own.dog.name, at: pickup }),
      withSeat(day, own.seat.id, { pickup }),
    )
  }
  const unpin = () => {
    if (!day.seats.some((s) => Object.keys(s.pins).length > 0)) return
    offer('unpin', said('do.unpin'), { ...day, seats: day.seats.map((s) => ({ ...s, pins: {} })) })
  }
  const arrangeAgain = () => offer('again', said('do.again'), day)
  const leaveOut = () => {
    if (day.seats.length < 2) return
    for (const { seat, plan } of [...state.seats]
      .sort((a, b) => b.plan.handMinutes.value - a.plan.handMinutes.value)
      .slice(0, 2))
      offer(`out-${seat.id}`, said('do.leaveOut', { name: nameOf(seat.id), minutes: plan.handMinutes.value }), {
        ...day,
        seats: day.seats.filter((s) => s.id !== seat.id),
      })
  }
  const byFan = (quiet: boolean) => {
    const loud = [...state.seats]
      .filter((s) => s.plan.drying.aloneMinutes === 0 && s.plan.drying.handMinutes > 0)
      .sort((a, b) => b.plan.groomer.dose.value - a.plan.groomer.dose.value)
    for (const { seat, dog } of (own && !quiet ? loud.filter((s) => s.seat.id === own.seat.id) : loud).slice(0, 2))
      offer(
        `fan-${seat.id}`,
        said('do.fan', { name: dog.name }),
        withSeat(day, seat.id, { technique: 'fan, then brush' }),
      )
  }
  const window = () => {
    if (!day.windowOpen) offer('window', said('do.window'), { ...day, windowOpen: true })
  }
  const heater = () => {
    if (house.water.heater !== 'tank' || day.heaterFrom === null || day.progress) return
    const on = Math.max(0, day.heaterFrom - HABITS.earlierHeater.value)
    if (on < day.heaterFrom) offer('heater', said('do.heater', { at: on }), { ...day, heaterFrom: on })
  }

  switch (finding.kind) {
    case 'late':
      arrangeAgain()
      unpin()
      comeEarlier()
      helper()
      earlier(30)
      earlier(60)
      fetchLater()
      leaveOut()
      break
    case 'hours':
      arrangeAgain()
      helper()
      earlier(30)
      earlier(60)
      leaveOut()
      break
    case 'water':
    case 'low water':
      heater()
      arrangeAgain()
      unpin()
      earlier(30)
      leaveOut()
      break
    case 'circuit':
    case 'load':
      byFan(false)
      arrangeAgain()
      break
    case 'noise':
      if ((day.protector ?? house.protector).kind === 'none')
        offer('muffs', said('do.muffs', { nrr: USUAL_MUFFS.nrr }), { ...day, protector: USUAL_MUFFS })
      byFan(true)
      break
    case 'humid':
    case 'dry longer':
      window()
      byFan(false)
      break
    case 'towels':
      offer('towels', said('do.towels', { count: finding.amount }), {
        ...day,
        extraTowels: Math.min(100, day.extraTowels + finding.amount),
      })
      break
    case 'crates':
    case 'wait':
      allInTurn()
      for (const seat of own ? [own.seat] : day.seats) comeLater(seat)
      arrangeAgain()
      break
    case 'wet wait':
      arrangeAgain()
      helper()
      byFan(false)
      break
  }
  return ways
}

/** How long a way is tried: every try places the whole day once. */
const TRIES = 500

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

const costOf = (state: DayState) =>
  (state.run?.seats.reduce((sum, s) => sum + 1000 * s.late + s.ready - s.arrive, 0) ?? Infinity) +
  10 * (state.run?.dayEnd ?? 0) +
  state.findings.filter((f) => f.level === 'stop').length * 5000 +
  state.findings.length * 50

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

/** Tries a dog on a day: it comes when the house opens and is fetched by closing. `before`: the day without it. */
export function tryDog(facts: DayFacts, before: DayState, dogId: string): Fit {
  const { day } = facts
  const seats = [...day.seats, seatFor(dogId, day)]
  const after = tryDay({ ...facts, day: { ...day, seats } }, before.schedule, 250)
  if (!after.run) return { dogId, fits: false, why: said('fit.noPlace') }
  const had = new Map(before.findings.map((f) => [f.id, f.amount]))
  const reason = after.findings.find(
    (f) => (f.level === 'stop' || f.kind === 'hours') && f.amount > (had.get(f.id) ?? 0),
  )
  if (!reason) return { dogId, fits: true, why: said('fit.ends', { at: after.run.dayEnd }) }
  return {
    dogId,
    fits: false,
    why: said('fit.no', { finding: { code: reason.code, facts: reason.facts } as Said<FoundCode> }),
  }
}

/** What stands in the way of a day for which there is no arrangement, as the house knows it. */
export function clashSaid({ day }: DayFacts, state: DayState, clash: Pick<Clash, 'kind' | 'id'>): ClashSaid {
  const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id.split('.')[0])?.dog.name ?? id
  switch (clash.kind) {
    case 'pause':
      return said('clash.pause', { name: day.pauses.find((p) => p.id === clash.id)?.name ?? clash.id })
    case 'pin': {
      const [seat, part] = clash.id.split('.')
      const at = day.seats.find((s) => s.id === seat)?.pins[part ?? '']
      return said('clash.pin', { name: nameOf(clash.id), at: at ?? null })
    }
    case 'dog':
      return said('clash.dog', { name: nameOf(clash.id) })
    case 'away':
      return said('clash.away')
    case 'horizon':
      return said('clash.midnight')
    case 'water':
      return said('clash.water')
    case 'waits':
      return said('clash.waits')
    case 'resource':
      return said('clash.resource', { resource: clash.id })
  }
}
