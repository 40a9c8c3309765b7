import { findDay, type Clash, type DaySchedule } from '../day'
import { minutesText, say } from '../units'
import { planOfSchedule, planSeats, type DayFacts } from './assemble'
import { HABITS, USUAL_MUFFS } from './habits'
import type { DayFinding } from './judge'
import { clockText, seatFor, type Seat, type WashDay } from './schema'
import { problemToday, standFrom, type DayState } from './stand'

/** A change of a day that may mend something: what to do, in words, and the day with it done. */
export interface Way {
  id: string
  words: string
  day: WashDay
}

/** A way tried out: whether the trouble is gone, and what it costs and brings, in words. */
export interface TriedWay extends Way {
  gone: boolean
  effects: string[]
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
  const offer = (id: string, words: string, changed: WashDay) => ways.push({ id, words, day: changed })
  const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id)?.dog.name ?? id
  const own = state.seats.find((s) => s.seat.id === finding.seat)
  const run = state.run?.seats.find((s) => s.id === finding.seat)

  const earlier = (by: number) => {
    const from = day.hours.from - by
    if (from < 0 || day.progress) return
    const seats = day.seats.map((s) => (s.arrive === day.hours.from ? { ...s, arrive: from } : s))
    offer(`start-${by}`, `Start ${minutesText(by)} earlier, at ${clockText(from)}`, {
      ...day,
      hours: { ...day.hours, from },
      seats,
    })
  }
  const helper = () => {
    if (day.helper || day.progress) return
    const from = Math.max(day.hours.from, house.helper.from)
    if (from >= house.helper.to) return
    offer('helper', `${house.helper.name || 'A helper'} from ${clockText(from)} to ${clockText(house.helper.to)}`, {
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
      offer(`come-${seat.id}`, `${nameOf(seat.id)} comes at ${clockText(arrive)}`, withSeat(day, seat.id, { arrive }))
  }
  /** Every dog that has to wait for its first step comes when its turn is near. */
  const allInTurn = () => {
    if (day.progress) return
    const seats = day.seats.map((s) => ({ ...s, arrive: turnOf(s) ?? s.arrive }))
    const moved = seats.filter((s, i) => s.arrive !== day.seats[i]!.arrive).length
    if (moved > 1) offer('in-turn', `Ask ${moved} dogs to come when it is their turn`, { ...day, seats })
  }
  const comeEarlier = () => {
    if (own && own.seat.arrive > day.hours.from)
      offer(
        `early-${own.seat.id}`,
        `${own.dog.name} comes at ${clockText(day.hours.from)}`,
        withSeat(day, own.seat.id, { arrive: day.hours.from }),
      )
  }
  const fetchLater = () => {
    if (!own || !run) return
    const pickup = Math.min(1439, roundUp(run.ready))
    offer(
      `fetch-${own.seat.id}`,
      `Ask for ${own.dog.name} to be fetched at ${clockText(pickup)}`,
      withSeat(day, own.seat.id, { pickup }),
    )
  }
  const unpin = () => {
    if (!day.seats.some((s) => Object.keys(s.pins).length > 0)) return
    offer('unpin', 'Take the pins out', { ...day, seats: day.seats.map((s) => ({ ...s, pins: {} })) })
  }
  const arrangeAgain = () => offer('again', 'Arrange the day again', day)
  const leaveOut = () => {
    if (day.seats.length < 2) return
    for (const { seat, plan } of [...state.seats]
      .sort((a, b) => b.plan.handMinutes.value - a.plan.handMinutes.value)
      .slice(0, 2))
      offer(
        `out-${seat.id}`,
        `Leave ${nameOf(seat.id)} for another day: ${minutesText(plan.handMinutes.value)} of hands`,
        {
          ...day,
          seats: day.seats.filter((s) => s.id !== seat.id),
        },
      )
  }
  const byFan = (quiet: boolean) => {
    const loud = [...state.seats]
      .filter((s) => !s.plan.drying.choice.technique.startsWith('fan') && s.plan.drying.choice.technique !== 'air')
      .sort((a, b) => b.plan.groomer.dose.value - a.plan.groomer.dose.value)
    for (const { seat, dog } of (own && !quiet ? loud.filter((s) => s.seat.id === own.seat.id) : loud).slice(0, 2))
      offer(
        `fan-${seat.id}`,
        `${dog.name} on the fan first, then the brush`,
        withSeat(day, seat.id, { technique: 'fan, then brush' }),
      )
  }
  const window = () => {
    if (!day.windowOpen) offer('window', 'Open a window', { ...day, windowOpen: true })
  }
  const heater = () => {
    if (house.water.heater !== 'tank' || day.heaterFrom === null || day.progress) return
    const on = Math.max(0, day.heaterFrom - HABITS.earlierHeater.value)
    if (on < day.heaterFrom)
      offer('heater', `Heater on at ${clockText(on)}, an hour earlier`, { ...day, heaterFrom: on })
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
        offer('muffs', `Earmuffs on (labelled ${USUAL_MUFFS.nrr} dB)`, { ...day, protector: USUAL_MUFFS })
      byFan(true)
      break
    case 'humid':
    case 'dry longer':
      window()
      byFan(false)
      break
    case 'towels':
      offer('towels', `${finding.amount} towels more`, {
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

/** What changes from one state of a day to another, in words with numbers. */
export function effectsOf(before: DayState, after: DayState): string[] {
  const [a, b] = [before.run, after.run]
  if (!b) return []
  if (!a) return [`you finish at ${clockText(b.dayEnd)}`]
  const late = (run: typeof a) => run.seats.reduce((sum, s) => sum + s.late, 0)
  const wait = (run: typeof a) => run.seats.reduce((sum, s) => sum + s.waiting, 0)
  const changes: (string | false)[] = [
    b.dayEnd !== a.dayEnd && `you finish at ${clockText(b.dayEnd)} instead of ${clockText(a.dayEnd)}`,
    late(a) !== late(b) &&
      (late(b) === 0 ? 'nobody is late' : `${minutesText(late(b))} late in all instead of ${minutesText(late(a))}`),
    Math.abs(b.lowest.litres - a.lowest.litres) >= 1 &&
      `the tank stays at ${say(b.lowest.litres, 0)} L or more, before ${say(a.lowest.litres, 0)} L`,
    Math.abs((b.dose.at(-1) ?? 0) - (a.dose.at(-1) ?? 0)) >= 1 &&
      `noise ${say(b.dose.at(-1) ?? 0, 0)} % instead of ${say(a.dose.at(-1) ?? 0, 0)} %`,
    Math.abs(Math.max(...b.humidity) - Math.max(...a.humidity)) >= 1 &&
      `the air is ${say(Math.max(...b.humidity), 0)} % humid at most instead of ${say(Math.max(...a.humidity), 0)} %`,
    Math.abs(wait(b) - wait(a)) >= 5 &&
      `the dogs wait ${minutesText(wait(b))} in all instead of ${minutesText(wait(a))}`,
  ]
  return changes.filter((c): c is string => c !== false)
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
    words: way.words,
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
  words: string
}

/** Tries a dog on a day: it comes when the house opens and is fetched by closing. `before`: the day without it. */
export function tryDog(facts: DayFacts, before: DayState, dogId: string): Fit {
  const { day } = facts
  const seats = [...day.seats, seatFor(dogId, day)]
  const after = tryDay({ ...facts, day: { ...day, seats } }, before.schedule, 250)
  if (!after.run) return { dogId, fits: false, words: 'no: it can’t be placed' }
  const had = new Map(before.findings.map((f) => [f.id, f.amount]))
  const reason = after.findings.find(
    (f) => (f.level === 'stop' || f.kind === 'hours') && f.amount > (had.get(f.id) ?? 0),
  )
  if (!reason) return { dogId, fits: true, words: `fits, ends ${clockText(after.run.dayEnd)}` }
  return { dogId, fits: false, words: `no: ${shortReason(reason)}` }
}

function shortReason(finding: DayFinding): string {
  switch (finding.kind) {
    case 'late':
      return finding.title.replace(' is ', ' ')
    case 'water':
      return 'hot water'
    case 'circuit':
      return 'the circuit'
    case 'towels':
      return `${finding.amount} towels short`
    case 'noise':
      return 'noise'
    case 'hours':
      return finding.title.replace('You finish', 'ends')
    default:
      return finding.title
  }
}

/** What stands in the way of a day for which there is no arrangement, in the house's words. */
export function clashWords(facts: DayFacts, state: DayState, clash: Clash): string {
  const { day } = facts
  const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id.split('.')[0])?.dog.name ?? id
  switch (clash.kind) {
    case 'pause':
      return `the pause ${day.pauses.find((p) => p.id === clash.id)?.name ?? clash.id}`
    case 'pin': {
      const [seat, part] = clash.id.split('.')
      const at = day.seats.find((s) => s.id === seat)?.pins[part ?? '']
      return `the pin of ${nameOf(clash.id)}${at === undefined ? '' : ` at ${clockText(at)}`}`
    }
    case 'dog':
      return nameOf(clash.id)
    case 'away':
      return 'the hours of the helper'
    case 'horizon':
      return 'midnight: the work is longer than the day'
    default:
      return clash.words
  }
}
