import { constants, practice } from '../constants'
import { daysBetween, type Dog } from '../dog'
import type { House } from '../house'
import type { ShelvedProduct } from '../mix'
import { addDays, NOTHING_KNOWN, type Memory, type Today } from '../visit'
import { dogOn, heaterLitres, planSeats, tankAtStart, type DayFacts, type SeatPlan } from './assemble'
import type { DayState } from './finding'
import { bookedOf, emptyDay, seatFor, type Booked, type Seat, type WashDay } from './schema'
import { standFrom } from './stand'
import { dueOn, type Standing } from './standing'
import { fitOf, trySeat, type Fit } from './ways'

/** How far a dog that comes again and again may come before or after it is due. */
export const SPREAD = constants({
  share: practice(0.25, 'of the weeks between two visits', [0.1, 0.4]),
  least: practice(2, 'days', [1, 4]),
  most: practice(10, 'days', [5, 14]),
  /** Days ahead among which a dog is moved to another. */
  ahead: practice(28, 'days', [14, 60]),
})

/** Some weeks: the days that are kept of them, with the recipes kept for them, and all that days are reckoned from. */
export interface WeeksFacts {
  from: string
  to: string
  days: { record: WashDay; kept: { dogId: string; today: Today }[] }[]
  dogs: Record<string, { record: Dog; memory: Memory }>
  standings: Standing[]
  shelf: readonly ShelvedProduct[]
  house: House
  /** The date and the minute of the clock that it is, where that is known: what of a day is over takes nothing more of it. */
  now?: { date: string; minute: number }
}

/** The facts of one day of some weeks; one that isn't kept yet has the house's hours and no dogs. */
export function factsOn(
  { days, dogs, shelf, house }: WeeksFacts,
  date: string,
  more: readonly string[] = [],
): DayFacts {
  const kept = days.find((d) => d.record.date === date)
  const day = kept?.record ?? emptyDay(date, house)
  const ids = [...new Set([...day.seats.map((s) => s.dogId), ...more])]
  const found = ids.flatMap((id) => {
    const dog = dogs[id]
    const today = kept?.kept.find((k) => k.dogId === id)?.today
    return dog ? [[id, dogOn(dog.record, date, today, dog.memory ?? NOTHING_KNOWN)] as const] : []
  })
  return { day, dogs: Object.fromEntries(found), shelf, house }
}

/** How full a day is: shares of the hands, of hot water and of the noise a day may have; when it ends if it is arranged; for about how many more dogs there is room. */
export interface DayLoad {
  date: string
  dogs: number
  hands: number
  water: number
  noise: number
  ends: number | null
  room: number
}

const sum = (of: readonly number[]) => of.reduce((all, n) => all + n, 0)

/** Minutes of hands that a day has: from opening to closing, or what is left of that, without pauses, and the helper's. */
function handMinutesOf({ hours, pauses, helper }: WashDay, now = 0): number {
  const from = Math.max(hours.from, now)
  const pair = hours.to - from - sum(pauses.filter((p) => p.latest >= now).map((p) => p.minutes))
  const second = helper ? Math.min(helper.to, hours.to) - Math.max(helper.from, from) : 0
  return Math.max(1, pair + Math.max(0, second))
}

/** The minute of the clock where a date is today. */
const minuteOn = ({ now }: WeeksFacts, date: string) => (now?.date === date ? now.minute : undefined)

/** Of what a day has just so much. */
const SCARCE = ['hands', 'water', 'noise'] as const
type Scarce = (typeof SCARCE)[number]

/** What one dog takes of a day: minutes of hands, litres of hot water, percent of its noise. */
const takes = ({ plan }: SeatPlan): Record<Scarce, number> => ({
  hands: plan.handMinutes.value,
  water: plan.water.hotLitres,
  noise: plan.groomer.dose.value,
})

/** How full a day is. `now`: on the day itself, the minute of the clock from which it counts; `usual`: what a dog of this house takes, by which room for more is reckoned. */
function loadOf(facts: DayFacts, usual: Record<Scarce, number>, now: number | undefined): DayLoad {
  const { day, house } = facts
  const seats = planSeats(facts)
  const run = day.plan ? standFrom(facts, seats).run : undefined
  const over = new Set(run?.seats.filter((s) => now !== undefined && s.ready <= now).map((s) => s.id))
  const own = seats.filter((s) => !over.has(s.seat.id)).map(takes)
  const tankless = house.water.heater === 'tankless'
  const { start } = tankAtStart(facts)
  const has = {
    hands: handMinutesOf(day, now),
    water: tankless
      ? Infinity
      : start + heaterLitres(house) * Math.max(0, day.hours.to - Math.max(day.hours.from, now ?? 0)),
    noise: 100,
  }
  const used = (of: Scarce) => sum(own.map((t) => t[of]))
  const share = (of: Scarce) => used(of) / has[of]
  const left = SCARCE.map((of) => (usual[of] > 0 ? Math.floor(Math.max(0, has[of] - used(of)) / usual[of]) : Infinity))
  return {
    date: day.date,
    dogs: seats.length,
    hands: share('hands'),
    water: share('water'),
    noise: share('noise'),
    ends: run && run.dayEnd > (now ?? 0) ? run.dayEnd : null,
    room: Math.min(...left, MOST_ROOM),
  }
}

/** Dogs for which there is room, told at the most. */
const MOST_ROOM = 9

/** How full each kept day of some weeks is that has dogs; yields after each. */
export function* loadsOf(weeks: WeeksFacts): Generator<DayLoad | undefined, void> {
  const all = factsOn({ ...weeks, days: [] }, weeks.from, Object.keys(weeks.dogs))
  const each: Record<Scarce, number>[] = []
  for (const dogId of Object.keys(all.dogs)) {
    each.push(...planSeats({ ...all, day: { ...all.day, seats: [seatFor(dogId, all.day)] } }).map(takes))
    yield undefined
  }
  const usual = Object.fromEntries(
    SCARCE.map((of) => [of, sum(each.map((t) => t[of])) / Math.max(1, each.length)]),
  ) as Record<Scarce, number>
  for (const { record } of weeks.days)
    if (record.seats.length > 0) yield loadOf(factsOn(weeks, record.date), usual, minuteOn(weeks, record.date))
}

/** Days of some weeks as dogs are put on them. */
function bookOf(weeks: WeeksFacts) {
  const open = new Map<string, { facts: DayFacts; state: DayState }>()
  const at = (date: string, dogId: string) => {
    const known = open.get(date)
    const fresh = factsOn(weeks, date, [dogId])
    const facts = known ? { ...known.facts, dogs: { ...fresh.dogs, ...known.facts.dogs } } : fresh
    const state = known?.state ?? standFrom(facts, planSeats(facts))
    return { facts, state }
  }
  return {
    has: (date: string, dogId: string) => at(date, dogId).facts.day.seats.some((s) => s.dogId === dogId),
    /** Tries a dog on a date; `take` puts it there. */
    try(date: string, dogId: string, booked: Booked): { fit: Fit; take: () => void } {
      const { facts, state } = at(date, dogId)
      const tried = trySeat(facts, state, seatFor(dogId, facts.day, bookedOf(booked)))
      return {
        fit: fitOf(tried, dogId),
        take: () => void open.set(date, { facts: { ...facts, day: tried.day }, state: tried.state }),
      }
    },
    /** The day without a dog again. */
    drop(date: string, dogId: string) {
      const { facts } = at(date, dogId)
      const day = { ...facts.day, seats: facts.day.seats.filter((s) => s.dogId !== dogId) }
      const without = { ...facts, day }
      open.set(date, { facts: without, state: standFrom(without, planSeats(without)) })
    },
  }
}

/** Days by which a dog of a rhythm may come before or after it is due. */
export function bandOf({ rhythm }: Pick<Standing, 'rhythm'>): number {
  const between = rhythm.kind === 'weeks' ? 7 * rhythm.every : 30
  const { share, least, most } = SPREAD
  return Math.round(Math.min(most.value, Math.max(least.value, share.value * between)))
}

/** A dog that comes again and again, put on a day: when it is due, and how it is booked. */
export interface Booking extends Booked {
  dogId: string
  due: string
  date: string
}

/** One that no day within its band takes, with why the day on which it is due doesn't. */
export interface Unplaced {
  dogId: string
  due: string
  band: number
  why: Fit['why']
}

export interface Spread {
  bookings: Booking[]
  unplaced: Unplaced[]
}

/** Dates from one to another, both included. */
function* datesOf(from: string, to: string): Generator<string> {
  for (let date = from; date <= to; date = addDays(date, 1)) yield date
}

interface Due {
  standing: Standing
  due: string
  band: number
  /** Dates on which it may come, the nearest first. */
  dates: string[]
}

/** Who is due in some weeks and isn't on a day near that yet, with the wash days on which it may come. */
function duesOf(weeks: WeeksFacts): Due[] {
  const { from, to, standings, days, dogs } = weeks
  const all = [...datesOf(from, to)]
  const dues = standings.flatMap((standing) =>
    dogs[standing.dogId] ? all.filter((d) => dueOn(standing, d)).map((due) => ({ standing, due })) : [],
  )
  const washDays = new Set([
    ...days.flatMap(({ record: r }) => (r.seats.length > 0 ? [r.date] : [])),
    ...dues.map((d) => d.due),
  ])
  return dues.flatMap(({ standing, due }) => {
    const band = bandOf(standing)
    const near = (date: string) => Math.abs(daysBetween(due, date)) <= band
    const comes = days.some(({ record }) => near(record.date) && record.seats.some((s) => s.dogId === standing.dogId))
    if (comes) return []
    const dates = [...washDays]
      .filter((d) => near(d) && d >= from && d <= to)
      .sort((a, b) => Math.abs(daysBetween(due, a)) - Math.abs(daysBetween(due, b)) || a.localeCompare(b))
    return [{ standing, due, band, dates }]
  })
}

/**
 * Puts the dogs that come again and again on wash days of some weeks: each as near to when it is due as a day takes it,
 * with hands, hot water, noise and its circuit, never outside its band; one that nowhere fits may have another that was
 * put down give way within its own band. Days that are kept stay as they are but for those who come. Yields what is
 * done so far, after each try.
 */
export function* spreadDogs(weeks: WeeksFacts): Generator<{ done: number; of: number }, Spread> {
  const dues = duesOf(weeks)
  const book = bookOf(weeks)
  const placed: (Due & { date: string })[] = []
  const left: (Due & { why: Fit['why'] })[] = []
  const order = [...dues].sort((a, b) => a.dates.length - b.dates.length || a.due.localeCompare(b.due))
  let done = 0
  const progress = () => ({ done, of: dues.length })
  /** Days between this and the dog's other visits put down must not be outside the band of its rhythm. */
  const spaced = ({ standing, due, band }: Due, date: string) =>
    placed.every(
      (p) =>
        p.standing.dogId !== standing.dogId ||
        Math.abs(Math.abs(daysBetween(p.date, date)) - Math.abs(daysBetween(p.due, due))) <= band,
    )
  for (const due of order) {
    const { dogId } = due.standing
    let why: Fit['why'] | undefined
    let on: string | undefined
    for (const date of due.dates) {
      if (book.has(date, dogId) || !spaced(due, date)) continue
      const { fit, take } = book.try(date, dogId, due.standing)
      yield progress()
      if (!fit.fits) {
        why ??= fit.why
        continue
      }
      take()
      on = date
      break
    }
    on ??= yield* makeRoom(due)
    done++
    if (on) placed.push({ ...due, date: on })
    else left.push({ ...due, why: why ?? { code: 'fit.noPlace', facts: {} } })
    yield progress()
  }

  /** Has one that was put down go elsewhere within its band, if that lets this one come; the date, or nothing. */
  function* makeRoom(due: Due): Generator<{ done: number; of: number }, string | undefined> {
    for (const date of due.dates) {
      for (const other of placed.filter((p) => p.date === date && p.standing.dogId !== due.standing.dogId)) {
        for (const elsewhere of other.dates) {
          if (elsewhere === date || !spaced(other, elsewhere) || !spaced(due, date)) continue
          const moved = book.try(elsewhere, other.standing.dogId, other.standing)
          yield progress()
          if (!moved.fit.fits) continue
          book.drop(date, other.standing.dogId)
          const here = book.try(date, due.standing.dogId, due.standing)
          yield progress()
          if (here.fit.fits) {
            here.take()
            moved.take()
            other.date = elsewhere
            return date
          }
          book.try(date, other.standing.dogId, other.standing).take()
        }
      }
    }
    return undefined
  }

  return {
    bookings: placed
      .map(({ standing, due, date }) => ({ dogId: standing.dogId, due, date, ...bookedOf(standing) }))
      .sort((a, b) => a.date.localeCompare(b.date) || a.arrive - b.arrive),
    unplaced: left
      .map(({ standing: { dogId }, due, band, why }) => ({ dogId, due, band, why }))
      .sort((a, b) => a.due.localeCompare(b.due)),
  }
}

/** Another day for a dog: on which date it fits, and why, or why the next wash day doesn't take it (null: there is none). */
export interface Home {
  dogId: string
  date: string | null
  why: Fit['why'] | null
}

/**
 * The next days that take dogs who can't come on a date, several at once arranged together: days that have dogs, or on
 * which some are due, else the same weekday of a week to come. Those whose pick-up is the earliest are placed first.
 * Yields each as it is found.
 */
export function* homesFor(
  weeks: WeeksFacts,
  date: string,
  seats: readonly Seat[],
): Generator<Home | undefined, Home[]> {
  const book = bookOf(weeks)
  const { days, standings } = weeks
  const until = addDays(date, SPREAD.ahead.value)
  const ahead = [...datesOf(addDays(date, 1), until)].filter((d) => d >= weeks.from)
  const busy = ahead.filter(
    (d) =>
      days.some(({ record }) => record.date === d && record.seats.length > 0) || standings.some((s) => dueOn(s, d)),
  )
  const weekday = ahead.filter((d) => daysBetween(date, d) % 7 === 0 && !busy.includes(d))
  const homes: Home[] = []
  for (const seat of [...seats].sort((a, b) => a.pickup - b.pickup)) {
    const { dogId } = seat
    const home: Home = { dogId, date: null, why: null }
    for (const d of [...busy, ...weekday]) {
      if (book.has(d, dogId)) continue
      const { fit, take } = book.try(d, dogId, seat)
      home.why ??= fit.why
      yield undefined
      if (!fit.fits) continue
      take()
      home.date = d
      home.why = fit.why
      break
    }
    homes.push(home)
    yield home
  }
  return homes
}
