import { z } from 'zod'
import { Day, Service, Way } from '../dog'
import { RoomAir, Technique } from '../drying'
import { Protector } from '../groomer'
import { ClockMinute, Helper, Hours, type House } from '../house'
import { Price } from '../price'
import type { Today } from '../visit'

/** The parts of a visit that are placed in a day as one. */
export const PARTS = ['prepare', 'lift', 'bath', 'rest', 'towel', 'alone', 'dry', 'finish', 'clean', 'away'] as const
export type Part = (typeof PARTS)[number]

/** Whether the dog is in a part of its visit; it isn't when the tub is cleaned or the groomer does something else for it. */
export const withDog = (kind: string): boolean => kind !== 'clean' && kind !== 'away'

const SeatId = z.string().regex(/^[a-z0-9-]{1,60}$/, 'A seat’s id has small letters, digits and hyphens.')

/** What is agreed about a visit and goes with the dog wherever it is booked. */
export const AGREED = {
  /** What it comes for, where that isn't what its recipe says. */
  service: Service.nullable().default(null),
  /** The length that is to be left where it comes to be cut, cm; null: as its recipe says. */
  clipCm: Way.shape.clipCm,
  /** The price of this visit; null: the dog's usual one. */
  price: Price.nullable().default(null),
  /** What was said when it was booked. */
  note: z.string().trim().max(400, 'Keep the note to 400 characters.').default(''),
}
/** What is agreed about a visit. */
export type Agreed = Pick<Seat, keyof typeof AGREED>
/** A visit as it is booked: when the dog comes and is fetched, minutes of the clock, and what is agreed. */
export type Booked = Pick<Seat, 'arrive' | 'pickup'> & Agreed
/** How a visit is booked, of what has more. */
export const bookedOf = ({ arrive, pickup, service, clipCm, price, note }: Booked): Booked => ({
  arrive,
  pickup,
  service,
  clipCm,
  price,
  note,
})

/** A dog's place in a day: when it comes and is fetched, what is pinned (part of the visit to minute of the clock). */
export const Seat = z
  .object({
    id: SeatId,
    dogId: z.string().min(1).max(80),
    arrive: ClockMinute,
    pickup: ClockMinute,
    pins: z.record(z.string().max(20), ClockMinute).default({}),
    technique: Technique.nullable().default(null),
    ...AGREED,
    event: z.string().max(400).nullable().default(null),
  })
  .refine(({ arrive, pickup }) => pickup > arrive, {
    path: ['pickup'],
    error: 'The pick-up must come after the arrival.',
  })
export type Seat = z.infer<typeof Seat>

/** A seat as it is carried to another day: with what the dog comes for, however that was said, and without what was pinned there. */
export const carried = (seat: Seat, today: Pick<Today, 'service' | 'clipCm'>): Seat => ({
  ...seat,
  service: today.service,
  clipCm: today.clipCm,
})

/** Why a dog that was to come on a day is on none: somebody took it off, or the day doesn't take it. */
export const WhyToPlace = z.enum(['takenOff', 'doesNotFit'])
export type WhyToPlace = z.infer<typeof WhyToPlace>

/** A dog that is to be placed on another day: how it was booked, and why it doesn't come on this one. */
export const ToPlace = z.object({ seat: Seat, why: WhyToPlace })
export type ToPlace = z.infer<typeof ToPlace>

/** A pause of one day. Minutes of the clock; `pin` holds it to one. */
export const DayPause = z
  .object({
    id: SeatId,
    name: z.string().trim().min(1).max(30),
    minutes: z.number().int().min(5, 'A pause is 5 to 180 min.').max(180, 'A pause is 5 to 180 min.'),
    earliest: ClockMinute,
    latest: ClockMinute,
  })
  .refine(({ earliest, latest }) => latest >= earliest, {
    path: ['latest'],
    error: 'The pause must be able to begin: its last minute comes before its first.',
  })

/** Dogs of one day that wait for another at the most; the newest stay. */
const MOST_TO_PLACE = 20

const Starts = z.record(z.string().max(90), z.number().int().min(0).max(5000))

/** What has been done: the day stood at minute `now`; each begun task's start and its end, null while it goes on. */
export const Progress = z.object({
  now: ClockMinute,
  tasks: z.record(z.string().max(90), z.object({ start: ClockMinute, end: z.number().int().max(2000).nullable() })),
})
export type Progress = z.infer<typeof Progress>

/** One wash day: hours, pauses, helper, what is done to make it hold, the dogs, and the arrangement. All times are minutes of the clock. */
export const WashDay = z
  .object({
    date: Day,
    hours: Hours,
    pauses: z.array(DayPause).max(5, 'Keep at most 5 pauses.').default([]),
    helper: Helper.nullable().default(null),
    heaterFrom: ClockMinute.nullable().default(null),
    windowOpen: z.boolean().default(false),
    extraTowels: z.number().int().min(0, 'Give 0 to 100 towels.').max(100, 'Give 0 to 100 towels.').default(0),
    protector: Protector.nullable().default(null),
    seats: z.array(Seat).max(20, 'A day takes at most 20 dogs.').default([]),
    /** Starts as clock minutes by task and pause, and the room's air in which each seat is dried. */
    plan: z
      .object({ tasks: Starts, breaks: Starts, air: z.record(SeatId, RoomAir).default({}) })
      .nullable()
      .default(null),
    progress: Progress.nullable().default(null),
    ticks: z.array(z.string().max(120)).max(200).default([]),
    /** Dogs that were to come and are to be placed on another day. */
    toPlace: z.array(ToPlace).max(MOST_TO_PLACE).default([]),
  })
  .superRefine(({ seats }, context) => {
    const seen = new Set<string>()
    seats.forEach(({ id, dogId }, i) => {
      if (seen.has(id))
        context.addIssue({ code: 'custom', path: ['seats', i, 'id'], message: 'Two seats share an id.' })
      if (seen.has(`dog ${dogId}`))
        context.addIssue({ code: 'custom', path: ['seats', i, 'dogId'], message: 'This dog is on the day already.' })
      seen.add(id).add(`dog ${dogId}`)
    })
  })
export type WashDay = z.infer<typeof WashDay>

/** The same day with some dogs on the list of those that are to be placed, off its seats: each once, the newest last. */
export function withToPlace(day: WashDay, seats: readonly Seat[], why: WhyToPlace): WashDay {
  const ids = new Set(seats.map((s) => s.dogId))
  const waiting = day.toPlace.filter((t) => !ids.has(t.seat.dogId))
  return {
    ...day,
    seats: day.seats.filter((s) => !ids.has(s.dogId)),
    toPlace: [...waiting, ...seats.map((seat) => ({ seat: { ...seat, pins: {} }, why }))].slice(-MOST_TO_PLACE),
  }
}

/** The same day without the dogs of its list that are on it again. */
export function placedAgain(day: WashDay): WashDay {
  const on = new Set(day.seats.map((s) => s.dogId))
  const toPlace = day.toPlace.filter((t) => !on.has(t.seat.dogId))
  return toPlace.length === day.toPlace.length ? day : { ...day, toPlace }
}

/** A day without dogs, with the house's hours and pauses. */
export function emptyDay(date: string, house: House): WashDay {
  return WashDay.parse({
    date,
    hours: house.hours,
    pauses: house.pauses.map((p, i) => ({ ...p, id: `pause-${i + 1}` })),
    heaterFrom: house.heaterFrom,
  })
}

/** A dog's seat in a day; it comes at the opening and is fetched by the closing unless told otherwise. */
export function seatFor(
  dogId: string,
  day: Pick<WashDay, 'hours'>,
  more: Partial<Omit<Seat, 'id' | 'dogId'>> = {},
): Seat {
  const id = dogId
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 60)
  return Seat.parse({ id, dogId, arrive: day.hours.from, pickup: day.hours.to, ...more })
}
