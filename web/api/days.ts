import type { CalendarImport } from '../../contract'
import type { Standing, WashDay } from '../../core/washday'
import { ask } from './client'
import { askKept } from './queries'

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
