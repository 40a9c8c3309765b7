import { defineStore } from 'pinia'
import type {
  CalendarImport,
  CalendarPreview,
  CalendarResult,
  DaySummary,
  StoredDay,
  StoredStanding,
} from '../../contract'
import type { Standing, WashDay } from '../../core/washday'
import { api } from '../api'

/** Wash days and standing dogs as the server holds them. */
export const useDays = defineStore('days', () => ({
  list: (from?: string) => api<DaySummary[]>('GET', from ? `/days?from=${from}` : '/days'),
  get: (date: string) => api<StoredDay>('GET', `/days/${date}`),
  keep: (version: number, record: WashDay) => api<StoredDay>('PUT', `/days/${record.date}`, { version, record }),
  remove: (date: string) => api<void>('DELETE', `/days/${date}`),
  standings: () => api<StoredStanding[]>('GET', '/standings'),
  addStanding: (standing: Standing) => api<StoredStanding>('POST', '/standings', standing),
  removeStanding: (id: string) => api<void>('DELETE', `/standings/${id}`),
  preview: (text: string, from: string, to: string) =>
    api<CalendarPreview>('POST', '/calendar/preview', { text, from, to }),
  takeOver: (bookings: CalendarImport['bookings']) => api<CalendarResult>('POST', '/calendar/import', { bookings }),
}))
