import type { CalendarImport, StoredDay } from '@contract'
import { sameData } from '@core/same'
import { emptyDay, placedAgain, seatFor, WashDay, type Seat, type Standing } from '@core/washday'
import { deviceZone } from '../deviceUnits'
import { device } from '../device/device'
import { addSender } from '../device/outbox'
import { ask, asProblem } from './client'
import { askKept } from './queries'

/** A day as it would be with some dogs more, at the hours they had, and who those are that weren't there yet, by their ids. */
async function withDogs(date: string, seats: readonly Seat[], like: WashDay): Promise<DayDraft & { more: string[] }> {
  const [{ version, record: there }, house] = await Promise.all([days.get(date), askKept('GET /house')])
  const base = version > 0 ? there : { ...emptyDay(date, house.record), helper: like.helper, hours: like.hours }
  const known = new Set(base.seats.map((s) => s.dogId))
  const more = seats.filter((s) => !known.has(s.dogId)).map((s) => ({ ...s, pins: {}, event: null }))
  const record = placedAgain({ ...base, seats: [...base.seats, ...more] })
  return { version, record, more: more.map((s) => s.dogId) }
}

/** A day as it would be without some dogs, on it or to be placed from it; undefined when it has none of them. */
async function withoutDogs(date: string, dogIds: readonly string[]): Promise<DayDraft | undefined> {
  const { version, record } = await days.get(date)
  const seats = record.seats.filter((s) => !dogIds.includes(s.dogId))
  const toPlace = record.toPlace.filter((t) => !dogIds.includes(t.seat.dogId))
  const same = seats.length === record.seats.length && toPlace.length === record.toPlace.length
  return same ? undefined : { version, record: { ...record, seats, toPlace } }
}

/** Puts dogs of a day on another, beside those that are there, at the same hours; answers who wasn't there yet, by their ids. Throws an ApiProblem. */
export async function putOn(date: string, seats: readonly Seat[], like: WashDay): Promise<string[]> {
  const { version, record, more } = await withDogs(date, seats, like)
  if (more.length > 0) await days.keep(version, record)
  return more
}

/** Dogs that are to come on a day, as they would be on one like another. */
export interface Coming {
  date: string
  seats: readonly Seat[]
  like: WashDay
}
/** Dogs that are no more to come on a day. */
export interface Leaving {
  date: string
  dogIds: readonly string[]
}

/** Puts dogs on days and takes others off, all or none; answers who was put where that wasn't there yet. Throws an ApiProblem. */
export async function rebook(coming: readonly Coming[], leaving: readonly Leaving[]): Promise<Leaving[]> {
  const come = await Promise.all(coming.map((c) => withDogs(c.date, c.seats, c.like)))
  const left = await Promise.all(leaving.map((l) => withoutDogs(l.date, l.dogIds)))
  const changes = [...come.filter((c) => c.more.length > 0), ...left.filter((l) => l !== undefined)]
  const drafts = changes.map(({ version, record }) => ({ version, record }))
  if (drafts.length > 0) await ask('PUT /days', { body: { days: drafts } })
  return come.filter((c) => c.more.length > 0).map((c) => ({ date: c.record.date, dogIds: c.more }))
}

/** Puts dogs on a day that aren't on it yet, for as long as it is open; answers how many those were. Throws an ApiProblem. */
export async function putDogsOn(date: string, dogIds: readonly string[]): Promise<number> {
  const { version, record } = await days.get(date)
  const there = new Set(record.seats.map((s) => s.dogId))
  const more = dogIds.filter((id) => !there.has(id)).map((id) => seatFor(id, record))
  if (more.length > 0) await days.keep(version, { ...record, seats: [...record.seats, ...more] })
  return more.length
}

/** How often a change is made anew in a day that somebody else changed meanwhile. */
const TRIES = 4
/** The changes of seats that are under way here, each behind the one before. */
let turn: Promise<unknown> = Promise.resolve()

async function changeSeatIn(day: StoredDay, dogId: string, change: Partial<Seat>, tries: number): Promise<void> {
  const { version, record } = day
  const seats = record.seats.map((s) => (s.dogId === dogId ? { ...s, ...change } : s))
  try {
    await keep(version, { ...record, seats })
  } catch (error) {
    const { status, body } = asProblem(error)
    const { current } = (body ?? {}) as { current?: StoredDay }
    if (status !== 409 || !current || tries <= 1) throw error
    await changeSeatIn({ ...current, record: WashDay.parse(current.record) }, dogId, change, tries - 1)
  }
}

/**
 * Changes what is agreed of a dog's visit on a day that it is on, whatever else is changed there meanwhile: one change after
 * the other, each in the day as it was found by the last. Throws an ApiProblem.
 */
export function changeSeat(date: string, dogId: string, change: Partial<Seat>): Promise<void> {
  const mine = turn.then(async () => changeSeatIn(await days.get(date), dogId, change, TRIES))
  turn = mine.catch(() => undefined)
  return mine
}

/** Takes a dog off a day that it is on; throws an ApiProblem. */
export async function takeOff(date: string, dogId: string): Promise<void> {
  const draft = await withoutDogs(date, [dogId])
  if (draft) await days.keep(draft.version, draft.record)
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
  preview: (text: string, from: string, to: string) =>
    ask('POST /calendar/preview', { body: { text, from, to, zone: deviceZone() } }),
  takeOver: (bookings: CalendarImport['bookings']) => ask('POST /calendar/import', { body: { bookings } }),
}
