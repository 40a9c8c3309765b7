import { AHEAD_MS } from '../scripts/clock.mjs'

const DAY_MS = 86_400_000

/** Now by the clock of the run, ms since 1970: the program and its pages go by the same. */
export const now = (): number => Date.now() + AHEAD_MS

/** A date so many days after another, "2027-03-06". */
export const daysAfter = (date: string, days: number): string =>
  new Date(Date.parse(date) + days * DAY_MS).toISOString().slice(0, 10)

/** A moment's date where this computer is. */
function dateOf(ms: number): string {
  const d = new Date(ms)
  return [d.getFullYear(), d.getMonth() + 1, d.getDate()].map((n) => String(n).padStart(2, '0')).join('-')
}

/** Today where this computer is. */
export const today = (): string => dateOf(now())

/** The Monday of a date's week. */
const mondayOf = (date: string) => daysAfter(date, -((new Date(date).getUTCDay() + 6) % 7))

/** The Saturday on which the demonstration's dogs come. */
export const firstSaturday = (): string => daysAfter(mondayOf(daysAfter(today(), 1)), 5)

/** Dates that are given out begin so many weeks from now: after what the demonstration holds. */
const AHEAD_WEEKS = 12
let taken = AHEAD_WEEKS

/**
 * The Monday of so many weeks on which no other test that shares this worker's server puts anything; the week after
 * them stays free as well. Dogs of the demonstration that come again and again are due in them.
 */
export function freshWeeks(weeks: number): string {
  const monday = daysAfter(mondayOf(today()), 7 * taken)
  taken += weeks + 1
  return monday
}

/** A Saturday that no other test has. */
export const freshDay = (): string => daysAfter(freshWeeks(1), 5)

/** The first third Saturday of a month from a date on. */
export function thirdSaturday(from: string): string {
  const saturday = daysAfter(mondayOf(from), 5)
  const day = Number(saturday.slice(8))
  return saturday >= from && day >= 15 && day <= 21 ? saturday : thirdSaturday(daysAfter(mondayOf(from), 7))
}

const written = (date: string, how: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', ...how }).format(new Date(date))

/** A date as pages write it: "Saturday 6 March 2027". */
export const inWords = (date: string): string =>
  written(date, { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }).replace(',', '')

/** The same without weekday and year: "6 March". */
export const dayAndMonth = (date: string): string => written(date, { day: 'numeric', month: 'long' })
