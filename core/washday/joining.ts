import { constants, house, practice } from '../constants'
import { said, type Said } from '../said'
import { planSeats, type DayFacts } from './assemble'
import { OWNER_TIMES } from './ownerTimes'
import { seatFor, type WashDay } from './schema'
import type { DayState, FindingKind, FoundCode } from './finding'
import { fitOf, saidOf, trySeat, type Fit, type TriedSeat } from './ways'

declare module '../said' {
  interface Codes {
    'fit.ready': { at: number; mind: Said<FoundCode> | null }
    'fit.long': { minutes: number }
  }
}

/** When a dog that joins a day may come, and when its owner is told to fetch it. */
export const JOINING = constants({
  /** From ready to fetched: nobody is told the minute at which the last hair is dry. */
  fetched: practice(30, 'min after it is ready', [15, 60]),
  /** A dog is in the house for its visit and so much more at the most: its brush, bath and table aren't hours apart. */
  waits: house(45, 'min of waiting', [15, 90]),
  /** Times that are offered lie so far apart at least. */
  apart: house(60, 'min', [30, 120]),
  most: house(3, 'times offered', [1, 5]),
})

/** A time at which a dog may come, minutes of the clock: when it would be ready and fetched, and the day's plan with it. */
export interface JoinTime {
  arrive: number
  ready: number
  pickup: number
  plan: NonNullable<WashDay['plan']>
  /** What is to be put right by hand on the day then: more towels, muffs. */
  mind?: Said<FoundCode>
}
/** Whether a dog fits, and when it best comes where it does. */
export interface JoinFit extends Fit {
  coming?: JoinTime
}

const STEP = OWNER_TIMES.roundTo.value
const upTo = (minute: number) => STEP * Math.ceil(minute / STEP)

/** What a hand puts right on the day itself: it keeps no dog away. */
const BY_HAND: ReadonlySet<FindingKind> = new Set(['towels', 'noise'])
/** The same try without that. */
const barred = (tried: TriedSeat): TriedSeat => ({ ...tried, wrong: tried.wrong.filter((f) => !BY_HAND.has(f.kind)) })

/** How far apart the times are that are looked at, min; how long each is tried, and how many where hands seem short. */
const GRID = 30
const TRIES = 100
const MOST_SHORT = 2

/** Minutes of hands that a day has given away between two minutes of the clock, its pauses among them. */
function takenBetween({ problem, schedule }: DayState, offset: number, from: number, to: number): number {
  if (!schedule) return 0
  const within = (at: number, minutes: number) =>
    Math.max(0, Math.min(to, at + offset + minutes) - Math.max(from, at + offset))
  const work = problem.dogs.flatMap((d) => d.tasks.filter((t) => t.uses.hands))
  return (
    work.reduce((sum, t) => sum + within(schedule.tasks[t.id] ?? 0, t.dur), 0) +
    problem.breaks.reduce((sum, b) => sum + within(schedule.breaks[b.id] ?? 0, b.dur), 0)
  )
}

/** One more dog on a day, while it is looked for when it may come. */
interface Asked {
  facts: DayFacts
  /** The day without it. */
  before: DayState
  dogId: string
  /** Nobody comes earlier: the opening, or now. */
  from: number
}

/** The dog comes then and is done in one stay: when it best comes and is fetched; undefined where that can't be. */
function tryAt({ facts, before, dogId }: Asked, at: number, stays: number): JoinTime | undefined {
  const { hours } = facts.day
  const seat = seatFor(dogId, facts.day, { arrive: at, pickup: Math.min(hours.to, Math.ceil(at + stays)) })
  const tried = trySeat(facts, before, seat, TRIES)
  const { day, state, wrong } = tried
  const ready = state.run?.seats.find((s) => s.id === seat.id)?.ready
  const starts = Object.entries(state.schedule?.tasks ?? {}).flatMap(([task, start]) =>
    task.startsWith(`${seat.id}.`) ? [start] : [],
  )
  if (barred(tried).wrong.length > 0 || !day.plan || ready === undefined || starts.length === 0 || ready > seat.pickup)
    return undefined
  const first = Math.min(...starts) + hours.from
  const arrive = Math.max(at, STEP * Math.floor((first - OWNER_TIMES.before.value) / STEP))
  const pickup = Math.min(hours.to, upTo(ready + JOINING.fetched.value))
  return { arrive, ready, pickup, plan: day.plan, ...(wrong[0] && { mind: saidOf(wrong[0]) }) }
}

/** How long a dog is in the house when its work isn't parted, min: its visit, and what it may wait. */
function staysOf({ facts, dogId }: Asked): { visit: number; most: number } {
  const seat = seatFor(dogId, facts.day)
  const [planned] = planSeats({ ...facts, day: { ...facts.day, seats: [seat], plan: null } })
  const visit = planned!.plan.minutes.value
  return { visit, most: visit + JOINING.waits.value }
}

/** When the dog may come, from a minute of the clock on; undefined where no time does. Where hands are free is tried first, the earliest of it first. */
function joinFrom(asked: Asked, from: number): JoinTime | undefined {
  const { facts, before } = asked
  const { hours, helper } = facts.day
  const { visit, most } = staysOf(asked)
  const pairs = helper ? 2 : 1
  const ats = Array.from(
    { length: Math.max(0, Math.ceil((hours.to - visit - from) / GRID)) + 1 },
    (_, i) => from + GRID * i,
  )
  const short = (at: number) => Math.max(0, takenBetween(before, hours.from, at, at + most) + visit - pairs * most)
  const order = ats
    .filter((at) => at + visit <= hours.to)
    .map((at) => ({ at, short: short(at) }))
    .sort((a, b) => a.short - b.short || a.at - b.at)
  const free = order.filter((o) => o.short === 0)
  for (const { at } of order.slice(0, free.length + MOST_SHORT)) {
    const coming = tryAt(asked, at, most)
    if (coming) return coming
  }
  return undefined
}

const asking = (facts: DayFacts, before: DayState, dogId: string, now: number | undefined): Asked => ({
  facts,
  before,
  dogId,
  from: Math.max(facts.day.hours.from, upTo(now ?? 0)),
})

/**
 * Whether a day takes one more dog, and when it comes so that its work isn't parted and nobody is late: as early as
 * hands are free. Where it only fits with a long stay it doesn't, and that is the reason. `before`: the day without it;
 * `now`: the minute of the clock on the day itself, before which nobody comes.
 */
export function firstJoinTime(facts: DayFacts, before: DayState, dogId: string, now?: number): JoinFit {
  const asked = asking(facts, before, dogId, now)
  const coming = joinFrom(asked, asked.from)
  if (coming)
    return { dogId, fits: true, why: said('fit.ready', { at: coming.ready, mind: coming.mind ?? null }), coming }
  if (asked.from >= facts.day.hours.to) return { dogId, fits: false, why: said('fit.noPlace') }
  const seat = seatFor(dogId, facts.day, { arrive: asked.from })
  const tried = barred(trySeat(facts, before, seat))
  const fit = fitOf(tried, dogId)
  if (!fit.fits) return fit
  const ready = tried.state.run?.seats.find((s) => s.id === seat.id)?.ready ?? facts.day.hours.to
  return { dogId, fits: false, why: said('fit.long', { minutes: ready - seat.arrive }) }
}

/** Times at which a dog may come, apart from each other and in turn; found one after the other, each yielded. */
export function* joinTimes(facts: DayFacts, before: DayState, dogId: string, now?: number): Generator<JoinTime> {
  const asked = asking(facts, before, dogId, now)
  let { from } = asked
  for (let found = 0; found < JOINING.most.value; found++) {
    const coming = joinFrom(asked, from)
    if (!coming) return
    yield coming
    from = Math.max(from, coming.arrive) + JOINING.apart.value
  }
}
