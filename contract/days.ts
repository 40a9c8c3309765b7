import { z } from 'zod'
import { Day, Service } from '@core/dog'
import { ClockMinute } from '@core/house'
import { Today } from '@core/visit'
import { Seat, Standing, ToPlace, WashDay } from '@core/washday'
import { stored } from './records'

/** A day by its date: what is kept of it (version 0 when nothing is yet), and the recipes kept for its date. */
export const StoredDay = z.object({
  version: z.number().int().min(0),
  changedAt: z.string().nullable(),
  record: WashDay,
  kept: z.array(z.object({ dogId: z.uuid(), visitId: z.uuid(), today: Today })),
})
export type StoredDay = z.infer<typeof StoredDay>

/** A change of a day from a version; 0 for a day that isn't kept yet. */
export const DayChange = z.object({
  version: z.number({ error: 'Say which version this changes.' }).int().min(0),
  record: WashDay,
})

/** Days that may be kept at one go: a month or two. */
const MOST_AT_ONCE = 62
/** Changes of several days, all kept or none. */
export const DaysChange = z.object({
  days: z
    .array(DayChange)
    .min(1, 'Name at least one day.')
    .max(MOST_AT_ONCE, `At most ${MOST_AT_ONCE} days at one go.`)
    .refine((all) => new Set(all.map((d) => d.record.date)).size === all.length, 'Each day is named once.'),
})
export type DaysChange = z.infer<typeof DaysChange>

/** A kept day in a list: how many dogs, whether it is arranged, when the last dog is ready (minutes of the clock). */
export const DaySummary = z.object({
  date: Day,
  dogs: z.array(z.object({ dogId: z.string(), name: z.string(), colour: z.number().int().nullable() })),
  arranged: z.boolean(),
})
export type DaySummary = z.infer<typeof DaySummary>

/** Which days to list: from one date to another, both included; all without. */
export const DayQuery = z.object({
  from: Day.optional(),
  to: Day.optional(),
  limit: z.coerce.number().int().min(1).max(400).default(60),
})
export type DayQuery = z.infer<typeof DayQuery>

/** A dog that was taken off a day, or didn't fit, and is on none since: how it was booked. */
export const DogToPlace = ToPlace.extend({ date: Day, name: z.string() })
export type DogToPlace = z.infer<typeof DogToPlace>

/** Which weeks are wanted: from one date to another, both included, 100 days at the most. */
const MOST_DAYS = 100
const DAY_MS = 86_400_000
export const WeeksQuery = z
  .object({ from: Day, to: Day })
  .refine(({ from, to }) => from <= to && Date.parse(to) - Date.parse(from) < MOST_DAYS * DAY_MS, {
    path: ['to'],
    error: `Give a last date from the first on, ${MOST_DAYS} days in all at the most.`,
  })

export const StoredStanding = stored(Standing)
export type StoredStanding = z.infer<typeof StoredStanding>

const MOST_TEXT = 6_000_000

/** A calendar file to look at: its text, and the dates between which bookings are wanted. */
export const CalendarFile = z.object({
  text: z
    .string()
    .min(1, 'The file is empty. Choose an iCalendar file (.ics).')
    .max(MOST_TEXT, 'The file is larger than 6 MB. Export fewer months.'),
  from: Day,
  to: Day,
  /** The zone of whoever asks, for a house that hasn't said its own. */
  zone: z.string().max(60).default(''),
})

/** A booking as a calendar tells it: date and minutes of the clock in the house's time zone, and the dog it seems to mean. */
export const Booking = z.object({
  event: z.string().max(400),
  summary: z.string(),
  date: Day,
  allDay: z.boolean(),
  arrive: ClockMinute,
  pickup: ClockMinute,
  dogId: z.uuid().nullable(),
  /** What the dog comes for, as far as the words of the booking say. */
  service: Service.nullable().default(null),
  /** What is odd about it, in words; empty where nothing is. */
  odd: z.string().default(''),
})
export type Booking = z.infer<typeof Booking>

/** What a calendar file holds: its bookings, and events that can't be taken with why. */
export const CalendarPreview = z.object({
  bookings: z.array(Booking),
  refused: z.array(z.object({ summary: z.string(), why: z.string() })),
  timeZone: z.string(),
})
export type CalendarPreview = z.infer<typeof CalendarPreview>

/** Bookings to put on their days. */
export const CalendarImport = z.object({
  bookings: z
    .array(
      z
        .object({
          event: z.string().max(400),
          date: Day,
          dogId: z.uuid(),
          arrive: ClockMinute,
          pickup: ClockMinute,
          service: Seat.shape.service,
          note: Seat.shape.note,
        })
        .refine(({ arrive, pickup }) => pickup > arrive, {
          path: ['pickup'],
          error: 'The pick-up must come after the arrival.',
        }),
    )
    .min(1, 'Choose at least one booking.')
    .max(5000, 'Choose at most 5000 bookings.'),
})
export type CalendarImport = z.infer<typeof CalendarImport>

/** What an import did: bookings added, changed (the same event at another time), and there already. */
export const CalendarResult = z.object({
  added: z.number(),
  changed: z.number(),
  already: z.number(),
  days: z.array(Day),
})
export type CalendarResult = z.infer<typeof CalendarResult>
