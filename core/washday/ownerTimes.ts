import { constants, house, practice } from '../constants'
import { sameData } from '../same'
import { arrangeWashDay } from './arrangeDay'
import { planSeats, type DayFacts } from './assemble'
import type { DayState } from './finding'
import { dayOdds, middlesOf } from './odds'
import type { Seat, WashDay } from './schema'
import { standFrom } from './stand'
import { WAIT_LIMITS } from './subjects/waiting'

/** When owners are told to come and to fetch, around what the day needs. */
export const OWNER_TIMES = constants({
  before: practice(10, 'min', [5, 20]),
  after: practice(15, 'min', [5, 30]),
  roundTo: house(5, 'min', [5, 15]),
  worth: practice(45, 'min', [30, 90]),
  /** By how much the work may end later so that dogs come later. */
  longer: practice(10, 'min', [0, 30]),
  /** The same for one that would wait for longer than is borne. */
  longerForLong: practice(30, 'min', [10, 60]),
})

/** Times to tell an owner, minutes of the clock, and how many minutes less the dog is in the house for nothing. */
export interface OwnerTimes {
  seatId: string
  dogId: string
  arrive: number
  pickup: number
  saved: number
}

type Standing = Pick<DayState, 'schedule' | 'run'>

/** When a seat would come around what the day needs, and when it is ready; undefined where the day has no work for it. */
function aroundWork(
  { hours }: Pick<WashDay, 'hours'>,
  { schedule, run }: Standing,
  { id }: Seat,
  likely: number,
): { arrive: number; ready: number } | undefined {
  const starts = Object.entries(schedule?.tasks ?? {}).flatMap(([task, at]) => (task.startsWith(`${id}.`) ? [at] : []))
  const ready = run?.seats.find((s) => s.id === id)?.ready
  if (starts.length === 0 || ready === undefined) return undefined
  const first = Math.min(...starts) + hours.from
  const step = OWNER_TIMES.roundTo.value
  const arrive = Math.max(hours.from, step * Math.floor((first - OWNER_TIMES.before.value) / step))
  return { arrive, ready: Math.max(ready, likely) }
}

/** When a seat would come and be fetched around what the day needs: undefined for one that isn't ready by the closing. */
function timesOf(day: Pick<WashDay, 'hours'>, state: Standing, seat: Seat, likely: number): OwnerTimes | undefined {
  const around = aroundWork(day, state, seat, likely)
  const { hours } = day
  // whoever is told the closing would wait for it: other ways out are offered for that
  if (!around || around.ready > hours.to) return undefined
  const step = OWNER_TIMES.roundTo.value
  const pickup = Math.min(hours.to, step * Math.ceil((around.ready + OWNER_TIMES.after.value) / step))
  const saved = around.arrive - seat.arrive + (seat.pickup - pickup)
  return { seatId: seat.id, dogId: seat.dogId, arrive: around.arrive, pickup, saved }
}

/**
 * Times for the owners of dogs that nothing was agreed for: such a seat is as long as the day is open, and no booking
 * of a calendar. A dog comes shortly before its first work and is fetched shortly after it is ready, `likely` (by seat,
 * minutes of the clock) where that is known better than the plan does. Only what spares a dog enough waiting; none for
 * a dog that isn't ready by the closing, or for a day that isn't arranged or has begun. Taking them never breaks the arrangement they come from.
 */
export function ownerTimes(
  day: Pick<WashDay, 'hours' | 'seats' | 'progress'>,
  state: Standing,
  likely: Readonly<Record<string, number>> = {},
): OwnerTimes[] {
  const { hours, seats, progress } = day
  if (!state.schedule || !state.run || progress) return []
  return seats.flatMap((seat) => {
    if (seat.arrive !== hours.from || seat.pickup !== hours.to || seat.event !== null) return []
    const times = timesOf(day, state, seat, likely[seat.id] ?? 0)
    return times && times.saved >= OWNER_TIMES.worth.value ? [times] : []
  })
}

/** Times that the day itself chose for some owners, with its arrangement; and who would wait for longer than is borne even so, and in one go how long. */
export interface AdvisedTimes {
  times: (OwnerTimes & { waits: number })[]
  plan: NonNullable<WashDay['plan']>
  ends: number
  long: { seatId: string; waits: number }[]
  /** Dogs that aren't ready by the closing: when they come, and when nine days in ten have them ready, minutes of the clock. */
  unready: { seatId: string; arrive: number; ready: number }[]
}

const ADVICE_TRIES = 4000
/** The day as it stands with an arrangement. */
const stood = (facts: DayFacts, plan: NonNullable<WashDay['plan']>) => {
  const now = { ...facts, day: { ...facts.day, plan } }
  return { facts: now, state: standFrom(now, planSeats(now)) }
}

/** Minutes of a dog's work before its bath, or before its last piece when it isn't bathed. */
function workBefore({ problem }: DayState, seatId: string): { before: number; bath: string | undefined } {
  const tasks = problem.dogs.find((d) => d.id === seatId)?.tasks ?? []
  const at = tasks.findIndex((t) => t.kind === 'bath' || t.kind === 'lift')
  return { before: tasks.slice(0, Math.max(0, at)).reduce((all, t) => all + t.dur, 0), bath: tasks[at]?.id }
}

/** When most days have each dog ready, minutes of the clock by seat: nine in ten. */
function likelyReady({ day }: DayFacts, { problem, schedule, seats }: DayState): Record<string, number> {
  const { from, to } = day.hours
  const odds = dayOdds(problem, schedule!, { closing: to - from, middles: middlesOf(seats) })
  return Object.fromEntries(Object.entries(odds.dogs).map(([id, { ready }]) => [id, ready[2] + from]))
}

/**
 * Chooses when the owners of some dogs come and fetch them: as if the dogs were there all day, the day is arranged; then
 * each comes only shortly before its work, the day arranged anew from there as long as nobody else is later for it and
 * the work ends no later than by some minutes; and each is fetched when nine days in ten have it ready. Undefined for a
 * day that has begun or can't be arranged. Yields now and then.
 */
export function* adviseTimes(
  facts: DayFacts,
  seatIds: readonly string[],
): Generator<undefined, AdvisedTimes | undefined> {
  const { day } = facts
  if (day.progress) return undefined
  const { from, to } = day.hours
  const free = (id: string) => seatIds.includes(id)
  const withSeats = (change: (seat: Seat) => Seat, plan: WashDay['plan']): DayFacts => ({
    ...facts,
    day: { ...day, plan, seats: day.seats.map((s) => (free(s.id) ? change(s) : s)) },
  })
  const arrange = function* (of: DayFacts) {
    const search = arrangeWashDay(of, { tries: ADVICE_TRIES })
    let step = search.next()
    for (; !step.done; step = search.next()) yield undefined
    return step.value.ok ? stood(of, step.value.day.plan) : undefined
  }
  let now = yield* arrange(withSeats((s) => ({ ...s, arrive: from, pickup: to }), day.plan))
  if (!now?.state.run) return undefined
  const lateIn = ({ run }: DayState) => run!.seats.reduce((all, s) => all + s.late, 0)
  const waitOf = ({ run }: DayState, id: string) => run!.seats.find((s) => s.id === id)?.longestWait ?? 0
  const step = OWNER_TIMES.roundTo.value
  const ended = now.state.run.dayEnd
  /** Some dogs come only shortly before the work that leads to their bath, if the day takes that. */
  const comeLater = function* (
    ids: readonly string[],
    from: ReturnType<typeof stood>,
    longer: number = OWNER_TIMES.longer.value,
  ) {
    const { state } = from
    const seats = from.facts.day.seats.map((seat): Seat => {
      if (!ids.includes(seat.id)) return seat
      const { before, bath } = workBefore(state, seat.id)
      if (bath === undefined) return seat
      const begins = state.schedule!.tasks[bath]! + day.hours.from - before
      const arrive = step * Math.floor((begins - OWNER_TIMES.before.value) / step)
      return { ...seat, arrive: Math.min(Math.max(seat.arrive, arrive), to - step) }
    })
    if (sameData(seats, from.facts.day.seats)) return from
    const next = yield* arrange({ ...from.facts, day: { ...from.facts.day, seats } })
    const run = next?.state.run
    return next && run && lateIn(next.state) <= lateIn(state) && run.dayEnd <= ended + longer ? next : from
  }
  now = yield* comeLater(seatIds, now)
  const longest = [...seatIds].sort((a, b) => waitOf(now!.state, b) - waitOf(now!.state, a))
  for (const id of longest) {
    const long: boolean = waitOf(now.state, id) > WAIT_LIMITS.wait.value
    now = yield* comeLater([id], now, (long ? OWNER_TIMES.longerForLong : OWNER_TIMES.longer).value)
  }
  const { state } = now
  const likely = likelyReady(now.facts, state)
  const before = new Map(day.seats.map((s) => [s.id, s]))
  const chosen = day.seats.filter((s) => free(s.id))
  const times = chosen.flatMap((s) => timesOf(day, state, before.get(s.id)!, likely[s.id] ?? 0) ?? [])
  const timed = new Set(times.map((t) => t.seatId))
  const unready = chosen.flatMap((s) => {
    const around = timed.has(s.id) ? undefined : aroundWork(day, state, s, likely[s.id] ?? 0)
    return around ? [{ seatId: s.id, ...around }] : []
  })
  const plan = now.facts.day.plan!
  const { state: then } = stood({ ...now.facts, day: withAdvice(day, { times, unready, plan }) }, plan)
  const waits = (id: string) => then.run?.seats.find((s) => s.id === id)?.longestWait ?? 0
  return {
    times: times.map((t) => ({ ...t, waits: waits(t.seatId) })),
    plan,
    ends: state.run!.dayEnd,
    long: then.seats.flatMap(({ seat, young }) => {
      const most = young ? WAIT_LIMITS.waitYoung.value : WAIT_LIMITS.wait.value
      return waits(seat.id) > most ? [{ seatId: seat.id, waits: waits(seat.id) }] : []
    }),
    unready,
  }
}

/** The day with times that were chosen for it, and the arrangement that goes with them: who isn't ready by the closing comes later, and is fetched as before. */
export function withAdvice(
  day: WashDay,
  { times, unready, plan }: { times: readonly OwnerTimes[] } & Pick<AdvisedTimes, 'unready' | 'plan'>,
): WashDay {
  const later = new Map(unready.map((u) => [u.seatId, u.arrive]))
  const { seats } = withOwnerTimes(day, times)
  return { ...day, plan, seats: seats.map((s) => ({ ...s, arrive: later.get(s.id) ?? s.arrive })) }
}

/** The day with those times agreed. */
export function withOwnerTimes(day: WashDay, times: readonly OwnerTimes[]): WashDay {
  const of = new Map(times.map((t) => [t.seatId, t]))
  return {
    ...day,
    seats: day.seats.map((seat) => {
      const agreed = of.get(seat.id)
      return agreed ? { ...seat, arrive: agreed.arrive, pickup: agreed.pickup } : seat
    }),
  }
}
