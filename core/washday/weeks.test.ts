import { arrangeDay, type Arrangement } from '../day'
import { dayHouse as house } from '../fixtures'
import { Dog } from '../dog'
import { House } from '../house'
import { Product } from '../mix'
import { drive } from '../turns'
import { addDays, NOTHING_KNOWN } from '../visit'
import {
  bandOf,
  dogOn,
  emptyDay,
  homesFor,
  loadsOf,
  planOfSchedule,
  seatFor,
  spreadDogs,
  standDay,
  Standing,
  WashDay,
  type DayLoad,
  type Spread,
  type WeeksFacts,
} from '.'

const MONDAY = '2026-11-30'
const SATURDAY = '2026-12-05'
const COATS = { Ash: 'smooth', Birch: 'wire', Cedar: 'curly', Dell: 'long double', Elm: 'short double' } as const
type Name = keyof typeof COATS

const shelf = [
  Product.parse({ name: 'Plain', kind: 'cleaning', ratio: '1+10', pumpMl: 8 }),
  Product.parse({ name: 'Soft', kind: 'conditioner', ratio: '1+5' }),
].map((p) => ({ ...p, id: p.name }))
const dogs = Object.fromEntries(
  Object.entries(COATS).map(([name, coat]) => [
    name,
    {
      record: Dog.parse({ name, coat, weightKg: 12, ...(coat === 'curly' ? { coatLengthCm: 4 } : {}) }),
      memory: NOTHING_KNOWN,
    },
  ]),
)
const day = (date: string, names: readonly Name[], more: Partial<WashDay> = {}) => {
  const empty = { ...emptyDay(date, house), pauses: [], ...more }
  return { record: WashDay.parse({ ...empty, seats: names.map((n) => seatFor(n, empty)) }), kept: [] }
}
const weekly = (dogId: Name, from: string, every = 4, more: Partial<Standing> = {}) =>
  Standing.parse({ dogId, from, rhythm: { kind: 'weeks', every }, arrive: 540, pickup: 1020, ...more })
const weeksOf = (more: Partial<WeeksFacts> = {}): WeeksFacts => ({
  from: MONDAY,
  to: addDays(MONDAY, 34),
  days: [],
  dogs,
  standings: [],
  shelf,
  house,
  ...more,
})
const spread = (more: Partial<WeeksFacts>): Spread => drive(spreadDogs(weeksOf(more)))
const short = House.parse({ ...house, hours: { from: 540, to: 640 } })

describe('dogs that come again and again are put on wash days', () => {
  test('on the day on which they are due where that takes them, at their hours', () => {
    const { bookings, unplaced } = spread({ standings: [weekly('Ash', SATURDAY), weekly('Birch', SATURDAY)] })
    expect(unplaced).toEqual([])
    const due = [SATURDAY, addDays(SATURDAY, 28)]
    expect(bookings.filter((b) => b.dogId === 'Ash').map((b) => [b.due, b.date])).toEqual(due.map((d) => [d, d]))
    expect(bookings[0]).toMatchObject({ arrive: 540, pickup: 1020 })
  })

  test('near it where another wash day takes them, never outside their band; who nowhere fits is named with why', () => {
    // open for little more than one dog: the second must go to the other wash day, the third finds none
    const standings = [weekly('Cedar', SATURDAY), weekly('Dell', SATURDAY), weekly('Elm', SATURDAY)]
    const days = [day(addDays(SATURDAY, 4), ['Ash'], { hours: { from: 540, to: 715 } })]
    const found = spread({
      standings,
      house: House.parse({ ...house, hours: { from: 540, to: 680 } }),
      days,
      to: addDays(SATURDAY, 7),
    })
    const placed = found.bookings.map((b) => b.dogId)
    expect([...placed, ...found.unplaced.map((u) => u.dogId)].sort()).toEqual(['Cedar', 'Dell', 'Elm'])
    expect(found.bookings.map((b) => b.date)).toContain(addDays(SATURDAY, 4))
    for (const b of found.bookings) {
      const away = Math.abs(Date.parse(b.date) - Date.parse(b.due)) / 86_400_000
      expect(away).toBeLessThanOrEqual(bandOf(standings[0]!))
    }
    for (const u of found.unplaced) expect(['fit.no', 'fit.noPlace']).toContain(u.why.code)
    expect(found.unplaced.length).toBeGreaterThan(0)
  })

  test('one that is on a day near its date already isn’t put down again', () => {
    const days = [day(addDays(SATURDAY, 2), ['Ash'])]
    expect(spread({ standings: [weekly('Ash', SATURDAY)], days, to: addDays(SATURDAY, 10) }).bookings).toEqual([])
  })

  test('everyone that is put on a day can be arranged there, all together', () => {
    const names = ['Ash', 'Birch', 'Cedar', 'Dell', 'Elm'] as const
    const { bookings } = spread({ standings: names.map((n, i) => weekly(n, addDays(SATURDAY, i % 2), 2)) })
    for (const date of new Set(bookings.map((b) => b.date))) {
      const own = bookings.filter((b) => b.date === date)
      const weeks = weeksOf({
        days: [
          day(
            date,
            own.map((b) => b.dogId as Name),
          ),
        ],
      })
      const [load] = [...loadsOf(weeks)].filter((l): l is DayLoad => l !== undefined)
      expect(load!.hands).toBeLessThanOrEqual(1)
    }
    expect(bookings.length).toBeGreaterThanOrEqual(10)
  })

  test('a band is a quarter of the time between two visits, two to ten days', () => {
    const band = (every: number) => bandOf(weekly('Ash', SATURDAY, every))
    expect([1, 2, 4, 8].map(band)).toEqual([2, 4, 7, 10])
  })
})

describe('days for dogs that can’t come on another', () => {
  const seat = (name: Name) => seatFor(name, emptyDay(MONDAY, house))
  const homes = (more: Partial<WeeksFacts>, names: readonly Name[]) =>
    drive(homesFor(weeksOf(more), MONDAY, names.map(seat)))

  test('the next wash day that takes them, several together; else the same weekday of a week to come', () => {
    const days = [day(SATURDAY, ['Ash'])]
    expect(homes({ days }, ['Birch']).map((h) => h.date)).toEqual([SATURDAY])
    expect(homes({}, ['Birch', 'Cedar']).map((h) => h.date)).toEqual([addDays(MONDAY, 7), addDays(MONDAY, 7)])
    expect(homes({ days }, ['Birch'])[0]!.why).toMatchObject({ code: 'fit.ends' })
  })

  test('two that a day takes one of: the second goes to the next', () => {
    const days = [SATURDAY, addDays(SATURDAY, 7)].map((d) => day(d, ['Ash'], { hours: { from: 540, to: 745 } }))
    const found = homes({ days }, ['Cedar', 'Dell'])
    expect(new Set(found.map((h) => h.date)).size).toBe(2)
  })

  test('no day of the next four weeks: none, and why the next one doesn’t', () => {
    const [home] = homes({ house: House.parse({ ...house, hours: { from: 540, to: 560 } }) }, ['Dell'])
    expect(home).toMatchObject({ dogId: 'Dell', date: null })
    expect(home!.why).not.toBeNull()
  })
})

describe('how full a day is', () => {
  const load = (names: readonly Name[], more: Partial<WashDay> = {}, room = house): DayLoad =>
    [...loadsOf(weeksOf({ days: [day(SATURDAY, names, more)], house: room }))].find((l) => l !== undefined)!

  test('as the hands of its dogs take of its hours; a helper makes it emptier, each dog fuller', () => {
    const one = load(['Ash'])
    const two = load(['Ash', 'Cedar'])
    expect(two.hands).toBeGreaterThan(one.hands)
    expect(two.room).toBeLessThan(one.room)
    const minutes = standDay({
      day: day(SATURDAY, ['Ash']).record,
      dogs: { Ash: dogOn(dogs.Ash!.record, SATURDAY) },
      shelf,
      house,
    }).seats[0]!.plan.handMinutes.value
    const { from, to } = house.hours
    expect(one.hands).toBeCloseTo(minutes / (to - from), 6)
    expect(load(['Ash', 'Cedar'], { helper: house.helper }).hands).toBeLessThan(two.hands)
    expect(one).toMatchObject({ dogs: 1, ends: null })
  })

  test('on the day itself, of what is left of it: nothing ends before now, and there is less room', () => {
    const names: Name[] = ['Ash', 'Birch']
    const kept = day(SATURDAY, names)
    const facts = {
      day: kept.record,
      dogs: Object.fromEntries(names.map((n) => [n, dogOn(dogs[n]!.record, SATURDAY)])),
    }
    const { problem } = standDay({ ...facts, shelf, house })
    const found = arrangeDay(problem, { tries: 200 }) as Arrangement
    const arranged = { ...kept, record: { ...kept.record, plan: planOfSchedule(kept.record, found.schedule) } }
    const at = (minute?: number): DayLoad => {
      const loads: DayLoad[] = []
      const weeks = weeksOf({ days: [arranged], ...(minute && { now: { date: SATURDAY, minute } }) })
      for (const load of loadsOf(weeks)) if (load) loads.push(load)
      return loads[0]!
    }
    const [ahead, early, late] = [at(), at(kept.record.hours.from + 5), at(kept.record.hours.to - 30)]
    expect(ahead.ends).not.toBeNull()
    expect(early.ends).toBe(ahead.ends)
    expect(late.ends).toBeNull()
    expect(late.room).toBe(0)
    expect(ahead.room).toBeGreaterThan(0)
    // it says nothing of another day
    const other = weeksOf({ days: [arranged], now: { date: MONDAY, minute: kept.record.hours.to } })
    expect([...loadsOf(other)].find(Boolean)).toEqual(ahead)
  })

  test('over one and without room where the dogs need more than the day has', () => {
    const over = load(['Cedar', 'Dell', 'Elm'], { hours: short.hours }, short)
    expect(over.hands).toBeGreaterThan(1)
    expect(over.room).toBe(0)
  })
})
