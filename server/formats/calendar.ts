import { setImmediate as nextTurn } from 'node:timers/promises'
import ICAL from 'ical.js'
import type { Booking, CalendarPreview, StoredDog } from '@contract'
import { serviceIn } from '@core/dog'
import { unitsOf, type House } from '@core/house'
import type { DayState, WashDay } from '@core/washday'
import { noticeTitle, sayIn, SERVICE_NAMES } from '@words'
import { instantOf, isZone, wallAt, zoneOf, type Wall } from './zones'

/** A calendar file that can't be read at all, with what is wrong. */
export class UnreadableCalendar extends Error {}

/** Occurrences looked at in one file at the most, so that no rule keeps the server busy for long. */
const MOST_STEPS = 300_000
/** Occurrences answered at the most. */
const MOST_BOOKINGS = 5000

/** What matching and clocks need: the dogs of the house, its zone, and when a day without times begins and ends. */
export interface CalendarSetting {
  dogs: readonly StoredDog[]
  house: House
  from: string
  to: string
}

const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

/** The dog a booking's words mean: its name as whole words, the longest name first; none when two are meant. */
export function dogIn(words: string, dogs: readonly StoredDog[]): { dogId: string | null; odd: string } {
  const text = ` ${plain(words)} `
  const found = dogs
    .filter((d) => plain(d.record.name) !== '' && text.includes(` ${plain(d.record.name)} `))
    .sort((a, b) => plain(b.record.name).length - plain(a.record.name).length)
  const [first] = found
  if (!first) return { dogId: null, odd: 'no dog of this name' }
  const longest = plain(first.record.name)
  const rivals = found.filter(
    (d) => plain(d.record.name) === longest || !` ${longest} `.includes(` ${plain(d.record.name)} `),
  )
  if (rivals.length > 1) return { dogId: null, odd: `could be ${rivals.map((d) => d.record.name).join(' or ')}` }
  return { dogId: first.id, odd: '' }
}

const SHOWN = 40
/** What is wrong with a file that no calendar can be made of, in plain words. */
function whyUnreadable(text: string): string {
  const first = text.trim().split(/\r?\n/, 1)[0]!
  if (first === '') return 'The file is empty.'
  if (/^BEGIN:VCALENDAR$/i.test(first))
    return 'It breaks off or is damaged somewhere: export it again from the calendar.'
  return `It begins with “${first.slice(0, SHOWN)}”, and a calendar begins with BEGIN:VCALENDAR.`
}

function componentsOf(text: string): ICAL.Component[] {
  let parsed: unknown
  try {
    parsed = ICAL.parse(text)
  } catch {
    throw new UnreadableCalendar(whyUnreadable(text))
  }
  const roots = Array.isArray(parsed) && Array.isArray(parsed[0]) ? (parsed as unknown[][]) : [parsed as unknown[]]
  const calendars = roots.map((r) => new ICAL.Component(r as never)).filter((c) => c.name === 'vcalendar')
  if (calendars.length === 0) throw new UnreadableCalendar(whyUnreadable(text))
  return calendars
}

/** The name of the zone a time was written in, when the file doesn't describe that zone itself. */
const zoneNamed = (component: ICAL.Component, property: string) =>
  component.getFirstProperty(property)?.getFirstParameter('tzid') as string | undefined

/** What the house's clocks show at a calendar time: floating times as they stand, others by their zone. */
function wallOf(time: ICAL.Time, named: string | undefined, house: string): Wall {
  const pad = (n: number) => String(n).padStart(2, '0')
  const asWritten = {
    date: `${String(time.year).padStart(4, '0')}-${pad(time.month)}-${pad(time.day)}`,
    minute: 60 * time.hour + time.minute,
  }
  if (time.isDate) return { ...asWritten, minute: 0 }
  if (time.zone && time.zone !== ICAL.Timezone.localTimezone) return wallAt(new Date(time.toUnixTime() * 1000), house)
  if (named && isZone(named)) return wallAt(instantOf(asWritten, named), house)
  return asWritten
}

interface Found {
  uid: string
  summary: string
  start: ICAL.Time
  end: ICAL.Time | null
  source: ICAL.Component
}

/** Every event of a calendar with its changed occurrences tied to it. */
function eventsOf(calendar: ICAL.Component): ICAL.Event[] {
  const all = calendar.getAllSubcomponents('vevent')
  const whole = all.filter((c) => !c.getFirstProperty('recurrence-id'))
  const changed = all.filter((c) => c.getFirstProperty('recurrence-id'))
  const exceptions = new Map<string, ICAL.Component[]>()
  for (const c of changed) {
    const uid = String(c.getFirstPropertyValue('uid') ?? '')
    exceptions.set(uid, [...(exceptions.get(uid) ?? []), c])
  }
  const events = whole.map(
    (c) =>
      new ICAL.Event(c, {
        strictExceptions: false,
        exceptions: exceptions.get(String(c.getFirstPropertyValue('uid') ?? '')) ?? [],
      } as never),
  )
  const known = new Set(events.map((e) => e.uid))
  const alone = changed.filter((c) => !known.has(String(c.getFirstPropertyValue('uid') ?? '')))
  return [...events, ...alone.map((c) => new ICAL.Event(c))]
}

const cancelled = (c: ICAL.Component) => String(c.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED'

/** The occurrences of one event between two dates. */
function* occurrences(event: ICAL.Event, { from, to }: CalendarSetting, steps: { left: number }): Generator<Found> {
  const single = (start: ICAL.Time, end: ICAL.Time | null, item: ICAL.Event): Found => ({
    uid: event.uid ?? '',
    summary: item.summary ?? event.summary ?? '',
    start,
    end,
    source: item.component,
  })
  const dateOf = (t: ICAL.Time) => t.toJSDate().toISOString().slice(0, 10)
  if (!event.isRecurring()) {
    yield single(event.startDate, endOf(event), event)
    return
  }
  const last = new Date(Date.parse(`${to}T00:00:00Z`) + 2 * 86_400_000).toISOString().slice(0, 10)
  const first = new Date(Date.parse(`${from}T00:00:00Z`) - 2 * 86_400_000).toISOString().slice(0, 10)
  const iterator = event.iterator()
  for (let next = iterator.next(); next && steps.left-- > 0; next = iterator.next()) {
    const date = dateOf(next)
    if (date > last) return
    if (date < first) continue
    const details = event.getOccurrenceDetails(next)
    if (cancelled(details.item.component)) continue
    yield single(details.startDate, details.endDate, details.item)
  }
}

function endOf(event: ICAL.Event): ICAL.Time | null {
  const { component } = event
  return component.getFirstProperty('dtend') || component.getFirstProperty('duration') ? event.endDate : null
}

function bookingOf(found: Found, setting: CalendarSetting, zone: string): Booking {
  const { house, dogs } = setting
  const start = wallOf(found.start, zoneNamed(found.source, 'dtstart'), zone)
  const end =
    found.end && wallOf(found.end, zoneNamed(found.source, 'dtend') ?? zoneNamed(found.source, 'dtstart'), zone)
  const allDay = found.start.isDate
  const arrive = allDay ? house.hours.from : start.minute
  const sameDay = end && end.date === start.date && end.minute > start.minute
  const open = Math.min(1439, Math.max(house.hours.to, arrive + 1))
  const pickup = allDay || !end ? open : sameDay ? end.minute : 1439
  const { dogId, odd } = dogIn(`${found.summary}`, dogs)
  const odds = [
    odd,
    !allDay && end && !sameDay && pickup === 1439 ? 'ends on another day' : '',
    !allDay && !end ? 'has no end' : '',
  ]
  return {
    event: `${found.uid}@${start.date}`.slice(0, 400),
    summary: found.summary.slice(0, 300),
    date: start.date,
    allDay,
    arrive: Math.min(arrive, pickup - 1),
    pickup,
    dogId,
    service: serviceIn(found.summary),
    odd: odds.filter(Boolean).join(', '),
  }
}

/**
 * The bookings of an iCalendar text (RFC 5545) between two dates, both included: recurring ones by each
 * occurrence, changed and left-out ones as the file says, times as the house's clocks show them, each with
 * the dog its words name. Other requests are answered in between. Throws an UnreadableCalendar.
 */
export async function readCalendar(text: string, setting: CalendarSetting): Promise<CalendarPreview> {
  const zone = zoneOf(setting.house.timeZone)
  const bookings: Booking[] = []
  const refused: CalendarPreview['refused'] = []
  const steps = { left: MOST_STEPS }
  let count = 0
  for (const calendar of componentsOf(text)) {
    for (const event of eventsOf(calendar)) {
      if (++count % 200 === 0) await nextTurn()
      const summary = (event.summary ?? '').slice(0, 300)
      if (cancelled(event.component)) {
        refused.push({ summary, why: 'cancelled' })
        continue
      }
      try {
        for (const found of occurrences(event, setting, steps)) {
          const booking = bookingOf(found, setting, zone)
          if (booking.date < setting.from || booking.date > setting.to) continue
          bookings.push(booking)
        }
      } catch {
        refused.push({ summary, why: 'its time can’t be read' })
      }
      if (bookings.length > MOST_BOOKINGS)
        throw new UnreadableCalendar(`There are more than ${MOST_BOOKINGS} bookings between these dates. Choose fewer.`)
      if (steps.left <= 0) throw new UnreadableCalendar('A repeating event goes on too often to be read.')
    }
  }
  bookings.sort((a, b) => a.date.localeCompare(b.date) || a.arrive - b.arrive)
  return { bookings, refused, timeZone: zone }
}

/** Minutes of a clock as a UTC calendar time. */
function utcTime(date: string, minute: number, zone: string): ICAL.Time {
  return ICAL.Time.fromJSDate(instantOf({ date, minute }, zone), true)
}

/** A day's plan as an iCalendar text: an event for every dog from its arrival to its pick-up, times in UTC. Reads back as the same bookings. */
export function writeCalendar(day: WashDay, state: DayState, house: House, changedAt: Date): string {
  const zone = zoneOf(house.timeZone)
  const say = sayIn(unitsOf(house))
  const calendar = new ICAL.Component('vcalendar')
  calendar.addPropertyWithValue('prodid', '-//Juvant//Wash day//EN')
  calendar.addPropertyWithValue('version', '2.0')
  for (const { seat, dog, plan } of state.seats) {
    const event = new ICAL.Component('vevent')
    const run = state.run?.seats.find((s) => s.id === seat.id)
    const lines = [
      run && `Ready at ${say.clock(run.ready)}.`,
      ...plan.stops.map((s) => `Stop: ${noticeTitle(s, say)}.`),
      `${say.minutes(plan.minutes.value)} in all.`,
    ]
    event.addPropertyWithValue('uid', `${day.date}-${seat.dogId}@juvant`)
    event.addPropertyWithValue('dtstamp', ICAL.Time.fromJSDate(changedAt, true))
    event.addPropertyWithValue('dtstart', utcTime(day.date, seat.arrive, zone))
    event.addPropertyWithValue('dtend', utcTime(day.date, seat.pickup, zone))
    event.addPropertyWithValue('summary', seat.service ? `${dog.name}, ${SERVICE_NAMES[seat.service]}` : dog.name)
    event.addPropertyWithValue('location', house.name)
    event.addPropertyWithValue('description', lines.filter(Boolean).join('\n'))
    calendar.addSubcomponent(event)
  }
  return `${calendar.toString()}\r\n`
}
