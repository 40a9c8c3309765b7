import type { CalendarImport, StoredDay } from '@contract'
import { sameData } from '@core/same'
import { emptyDay, seatFor, WashDay, type Seat, type Standing } from '@core/washday'
import { device } from '../device/device'
import { addSender } from '../device/outbox'
import { ask, asProblem } from './client'
import { askKept } from './queries'

/** Puts dogs of a day on another, beside those that are there, at the same hours; answers who wasn't there yet, by their ids. Throws an ApiProblem. */
export async function putOn(date: string, seats: readonly Seat[], like: WashDay): Promise<string[]> {
  const [there, house] = await Promise.all([days.get(date), askKept('GET /house')])
  const fresh = { ...emptyDay(date, house.record), helper: like.helper, hours: like.hours }
  const base = there.version > 0 ? there.record : fresh
  const known = new Set(base.seats.map((s) => s.dogId))
  const more = seats.filter((s) => !known.has(s.dogId)).map((s) => ({ ...s, pins: {}, event: null }))
  if (more.length > 0) await days.keep(there.version, { ...base, seats: [...base.seats, ...more] })
  return more.map((s) => s.dogId)
}

/** Puts dogs on a day that aren't on it yet, for as long as it is open; answers how many those were. Throws an ApiProblem. */
export async function putDogsOn(date: string, dogIds: readonly string[]): Promise<number> {
  const { version, record } = await days.get(date)
  const there = new Set(record.seats.map((s) => s.dogId))
  const more = dogIds.filter((id) => !there.has(id)).map((id) => seatFor(id, record))
  if (more.length > 0) await days.keep(version, { ...record, seats: [...record.seats, ...more] })
  return more.length
}

/** Takes a dog off a day that it is on; throws an ApiProblem. */
export async function takeOff(date: string, dogId: string): Promise<void> {
  const { version, record } = await days.get(date)
  const seats = record.seats.filter((s) => s.dogId !== dogId)
  if (seats.length < record.seats.length) await days.keep(version, { ...record, seats })
}

/** A day as it was changed here, and the version that it was changed from. */
export interface DayDraft {
  version: number
  record: WashDay
}
const DRAFT = 'juvant.day.'
/** The key of what was changed of a day on this device and isn't kept yet. */
export const dayDraftKey = (date: string) => DRAFT + date

/** What was changed of a day on this device and isn't kept yet; undefined where nothing was, or it can't be read. */
export function readDayDraft(date: string): DayDraft | undefined {
  try {
    const { version, record } = JSON.parse(device.read(dayDraftKey(date)) ?? '') as DayDraft
    return { version, record: WashDay.parse(record) }
  } catch {
    return undefined
  }
}

/** Keeps a day from a version. The very same day being there already counts: its answer was lost. Throws an ApiProblem. */
async function keep(version: number, record: WashDay): Promise<StoredDay> {
  try {
    return await ask('PUT /days/{date}', { params: { date: record.date }, body: { version, record } })
  } catch (error) {
    const { current } = (asProblem(error).body ?? {}) as { current?: StoredDay }
    if (current && sameData(WashDay.parse(current.record), record)) return current
    throw error
  }
}

addSender({
  prefix: DRAFT,
  of: 'days',
  count: () => 1,
  async send(key) {
    const draft = readDayDraft(key.slice(DRAFT.length))
    if (!draft) return
    const text = device.read(key)
    await keep(draft.version, draft.record)
    if (device.read(key) === text) device.drop(key)
  },
})

/** Wash days and standing dogs that the server keeps. */
/** The date of the next day that has dogs, or today's. Throws an ApiProblem. */
export async function nextDay(today: string): Promise<string> {
  const coming = await days.list(today)
  return coming.at(-1)?.date ?? today
}

/** Days from a date on, as a question: the list is the newest first, so that a short one would lack the next ones. */
export const daysFrom = (from: string) => ({ query: { from, limit: 400 } })

export const days = {
  list: (from: string) => askKept('GET /days', daysFrom(from)),
  get: (date: string) => askKept('GET /days/{date}', { params: { date } }),
  keep,
  standings: () => askKept('GET /standings'),
  addStanding: (standing: Standing) => ask('POST /standings', { body: standing }),
  removeStanding: (id: string) => ask('DELETE /standings/{id}', { params: { id } }),
  preview: (text: string, from: string, to: string) => ask('POST /calendar/preview', { body: { text, from, to } }),
  takeOver: (bookings: CalendarImport['bookings']) => ask('POST /calendar/import', { body: { bookings } }),
}
