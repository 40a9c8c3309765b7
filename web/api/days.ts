import type { CalendarImport } from '@contract'
import { emptyDay, type Seat, type Standing, type WashDay } from '@core/washday'
import { ask } from './client'
import { askKept } from './queries'

/** Puts dogs of a day on another, beside those that are there, at the same hours; throws an ApiProblem. */
export async function putOn(date: string, seats: readonly Seat[], like: WashDay): Promise<void> {
  const [there, house] = await Promise.all([days.get(date), askKept('GET /house')])
  const fresh = { ...emptyDay(date, house.record), helper: like.helper, hours: like.hours }
  const base = there.version > 0 ? there.record : fresh
  const known = new Set(base.seats.map((s) => s.dogId))
  const more = seats.filter((s) => !known.has(s.dogId)).map((s) => ({ ...s, pins: {}, event: null }))
  await days.keep(there.version, { ...base, seats: [...base.seats, ...more] })
}

/** Wash days and standing dogs that the server keeps. */
export const days = {
  list: (from?: string) => askKept('GET /days', { query: { from } }),
  get: (date: string) => askKept('GET /days/{date}', { params: { date } }),
  keep: (version: number, record: WashDay) =>
    ask('PUT /days/{date}', { params: { date: record.date }, body: { version, record } }),
  standings: () => askKept('GET /standings'),
  addStanding: (standing: Standing) => ask('POST /standings', { body: standing }),
  removeStanding: (id: string) => ask('DELETE /standings/{id}', { params: { id } }),
  preview: (text: string, from: string, to: string) => ask('POST /calendar/preview', { body: { text, from, to } }),
  takeOver: (bookings: CalendarImport['bookings']) => ask('POST /calendar/import', { body: { bookings } }),
}
