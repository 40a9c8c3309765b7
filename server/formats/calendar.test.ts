import { idAt } from '@core/fixtures'
import { StoredDog } from '@contract'
import { arrangeDay } from '@core/day'
import { Dog } from '@core/dog'
import { House } from '@core/house'
import { METRIC, US_CUSTOMARY } from '@core/units'
import { dogOn, emptyDay, planOfSchedule, seatFor, standDay, WashDay } from '@core/washday'
import { DEMO } from '../../demo/scenario'
import { dogIn, readCalendar, UnreadableCalendar, writeCalendar } from './calendar'
import { instantOf, wallAt } from './zones'
const dogs = ['Pesto', 'Moss', 'Fig', 'Fig Two', 'Élan'].map((name, i) =>
  StoredDog.parse({ id: idAt(i), version: 1, changedAt: '', record: Dog.parse({ name, coat: 'wire', weightKg: 8 }) }),
)
const house = House.parse({ ...DEMO.house, timeZone: 'Europe/Lisbon' })
const setting = { dogs, house, from: '2026-03-01', to: '2027-03-31' }

const calendar = (...events: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//test//EN', ...events, 'END:VCALENDAR', ''].join('\r\n')
const event = (...lines: string[]) => ['BEGIN:VEVENT', `UID:${lines.join()}`, ...lines, 'END:VEVENT'].join('\r\n')
const read = (...events: string[]) => readCalendar(calendar(...events), setting)

test('times in UTC, in a zone the file describes, in a named zone, and floating all become the house’s clock', async () => {
  const zone = [
    'BEGIN:VTIMEZONE',
    'TZID:Own',
    'BEGIN:STANDARD',
    'DTSTART:19700101T000000',
    'TZOFFSETFROM:+0300',
    'TZOFFSETTO:+0300',
    'END:STANDARD',
    'END:VTIMEZONE',
  ].join('\r\n')
  const { bookings, timeZone } = await read(
    zone,
    event('DTSTART:20260715T080000Z', 'DTEND:20260715T100000Z', 'SUMMARY:Pesto utc'),
    event('DTSTART;TZID=Own:20260715T120000', 'DTEND;TZID=Own:20260715T130000', 'SUMMARY:Moss own'),
    event(
      'DTSTART;TZID=America/New_York:20260715T050000',
      'DTEND;TZID=America/New_York:20260715T060000',
      'SUMMARY:Moss ny',
    ),
    event('DTSTART:20260715T093000', 'DURATION:PT45M', 'SUMMARY:Fig floating'),
  )
  expect(timeZone).toBe('Europe/Lisbon')
  const times = Object.fromEntries(bookings.map((b) => [b.summary, [b.date, b.arrive, b.pickup]]))
  expect(times).toEqual({
    'Pesto utc': ['2026-07-15', 540, 660],
    'Moss own': ['2026-07-15', 600, 660],
    'Moss ny': ['2026-07-15', 600, 660],
    'Fig floating': ['2026-07-15', 570, 615],
  })
})

test('summer and winter time move with the house', async () => {
  const { bookings } = await read(
    event('DTSTART:20260715T080000Z', 'DTEND:20260715T090000Z', 'SUMMARY:Moss'),
    event('DTSTART:20261215T080000Z', 'DTEND:20261215T090000Z', 'SUMMARY:Moss'),
  )
  expect(bookings.map((b) => b.arrive)).toEqual([540, 480])
})

test('a repeating booking comes on each of its dates; one is moved, one left out, one cancelled', async () => {
  const series = [
    'BEGIN:VEVENT',
    'UID:series',
    'DTSTART;TZID=Europe/Lisbon:20261107T090000',
    'DTEND;TZID=Europe/Lisbon:20261107T110000',
    'RRULE:FREQ=WEEKLY;INTERVAL=3;COUNT=5',
    'EXDATE;TZID=Europe/Lisbon:20261219T090000',
    'SUMMARY:Pesto\\, every third Saturday',
    'END:VEVENT',
  ].join('\r\n')
  const moved = event(
    'RECURRENCE-ID;TZID=Europe/Lisbon:20261128T090000',
    'DTSTART;TZID=Europe/Lisbon:20261129T140000',
    'DTEND;TZID=Europe/Lisbon:20261129T150000',
    'SUMMARY:Pesto later',
  ).replace(/UID:.*/, 'UID:series')
  const gone = event('DTSTART:20261201T090000', 'STATUS:CANCELLED', 'SUMMARY:Moss')
  const { bookings, refused } = await read(series, moved, gone)
  expect(bookings.map((b) => [b.date, b.arrive])).toEqual([
    ['2026-11-07', 540],
    ['2026-11-29', 840],
    ['2027-01-09', 540],
    ['2027-01-30', 540],
  ])
  expect(bookings[0]!.summary).toBe('Pesto, every third Saturday')
  expect(refused).toEqual([{ summary: 'Moss', why: 'cancelled' }])
  expect(new Set(bookings.map((b) => b.event)).size).toBe(4)
})

test('an all-day booking takes the house’s hours; one over midnight and one without an end say so', async () => {
  const { bookings } = await read(
    event('DTSTART;VALUE=DATE:20261128', 'SUMMARY:Moss all day'),
    event('DTSTART:20261129T200000', 'DTEND:20261130T080000', 'SUMMARY:Moss overnight'),
    event('DTSTART:20261130T100000', 'SUMMARY:Moss open'),
  )
  expect(bookings.map((b) => [b.allDay, b.arrive, b.pickup, b.odd])).toEqual([
    [true, house.hours.from, house.hours.to, ''],
    [false, 1200, 1439, 'ends on another day'],
    [false, 600, house.hours.to, 'has no end'],
  ])
})

test('folded lines are read as one, letters of two bytes included', async () => {
  const { bookings } = await read(
    event('DTSTART:20261128T090000', 'SUMMARY:Wash and brush for Mo', ' ss\\; bring the green towel, É', ' lan waits'),
  )
  expect(bookings[0]!.summary).toBe('Wash and brush for Moss; bring the green towel, Élan waits')
  expect(bookings[0]!.odd).toContain('could be')
})

test.each([
  ['wash MOSS please', 'Moss'],
  ['Mossy the cat', null],
  ['fig two, nails', 'Fig Two'],
  ['elan', 'Élan'],
  ['Moss & Pesto', null],
  ['', null],
])('“%s” means %s', (words, name) => {
  expect(dogIn(words, dogs).dogId).toBe(name === null ? null : dogs.find((d) => d.record.name === name)!.id)
})

test.each([
  ['an empty file', ' \n', 'The file is empty.'],
  ['another text', 'Dear all', 'It begins with “Dear all”, and a calendar begins with BEGIN:VCALENDAR.'],
  ['half a calendar', 'BEGIN:VCALENDAR\r\nVERSION', 'It breaks off or is damaged somewhere'],
  ['another kind of file', 'BEGIN:VCARD\r\nVERSION:3.0\r\nFN:x\r\nEND:VCARD\r\n', 'It begins with “BEGIN:VCARD”'],
])('%s is refused in words that say what is wrong', async (_what, text, why) => {
  const refused = readCalendar(text, setting)
  await expect(refused).rejects.toThrow(UnreadableCalendar)
  await expect(refused).rejects.toThrow(why)
})

test('an event whose time can’t be read is left out and named; the others are taken', async () => {
  const broken = event('DTSTART:noon', 'SUMMARY:Moss')
  const { bookings, refused } = await readCalendar(
    calendar(broken, event('DTSTART:20261128T090000', 'DURATION:PT1H', 'SUMMARY:Moss')),
    setting,
  )
  expect(bookings).toHaveLength(1)
  expect(refused).toEqual([{ summary: 'Moss', why: 'its time can’t be read' }])
})

test('five thousand events are read, and a rule that never ends is stopped', async () => {
  const day = (n: number) => new Date(Date.UTC(2026, 3, 1 + (n % 300))).toISOString().slice(0, 10).replace(/-/g, '')
  const many = Array.from({ length: 5000 }, (_, n) =>
    event(`DTSTART:${day(n)}T090000`, 'DURATION:PT1H', `SUMMARY:Moss ${n}`),
  )
  const { bookings } = await readCalendar(calendar(...many), setting)
  expect(bookings).toHaveLength(5000)
  const endless = event('DTSTART:19000101T000000', 'RRULE:FREQ=MINUTELY', 'SUMMARY:Moss')
  await expect(readCalendar(calendar(endless), setting)).rejects.toThrow('goes on too often')
}, 60_000)

test('an exported day reads back as the same bookings', async () => {
  const day = emptyDay('2026-11-28', house)
  const seats = dogs.slice(0, 3).map((d, i) => seatFor(d.id, day, { arrive: 500 + 37 * i, pickup: 700 + 61 * i }))
  const whole = WashDay.parse({ ...day, seats })
  const facts = {
    day: whole,
    dogs: Object.fromEntries(dogs.map((d) => [d.id, dogOn(d.record, day.date)])),
    shelf: [],
    house,
  }
  const text = writeCalendar(whole, standDay(facts), house, new Date('2026-11-20T10:00:00Z'))
  expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true)
  const { bookings } = await readCalendar(text, setting)
  expect(bookings.map(({ date, dogId, arrive, pickup }) => ({ date, dogId, arrive, pickup }))).toEqual(
    seats.map(({ dogId, arrive, pickup }) => ({ date: '2026-11-28', dogId, arrive, pickup })),
  )
  expect(writeCalendar(whole, standDay(facts), house, new Date('2026-11-20T10:00:00Z'))).toBe(text)
})

test('clocks: a skipped hour and one that comes twice still have an instant', () => {
  expect(wallAt(instantOf({ date: '2026-03-29', minute: 630 }, 'Europe/Lisbon'), 'Europe/Lisbon')).toEqual({
    date: '2026-03-29',
    minute: 630,
  })
  expect(instantOf({ date: '2026-10-25', minute: 90 }, 'Europe/Lisbon').toISOString()).toBe('2026-10-25T00:30:00.000Z')
  expect(instantOf({ date: '2026-03-29', minute: 90 }, 'Europe/Lisbon').toISOString()).toBe('2026-03-29T01:30:00.000Z')
})

test.each([
  [METRIC, /DESCRIPTION:Ready at \d+:\d\d\./],
  [US_CUSTOMARY, /DESCRIPTION:Ready at \d+:\d\d [ap]m\./],
])('an exported day says its times by the house’s clock', (units, said) => {
  const own = House.parse({ ...house, units })
  const day = { ...emptyDay('2026-11-28', own), pauses: [] }
  const seats = [seatFor(dogs[0]!.id, day, { arrive: 500, pickup: 900 })]
  const facts = {
    day: WashDay.parse({ ...day, seats }),
    dogs: { [dogs[0]!.id]: dogOn(dogs[0]!.record, day.date) },
    shelf: [],
    house: own,
  }
  const found = arrangeDay(standDay(facts).problem, { tries: 50 })
  if (!found.feasible) throw new Error('not arranged')
  const whole = { ...facts.day, plan: planOfSchedule(facts.day, found.schedule) }
  const text = writeCalendar(whole, standDay({ ...facts, day: whole }), own, new Date('2026-11-20T10:00:00Z'))
  expect(text).toMatch(said)
})
