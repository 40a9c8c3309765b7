import { randomUUID } from 'node:crypto'
import type { StoredVisit } from '@contract'
import type { Dog, Finding } from '@core/dog'
import { USUAL_DRYERS } from '@core/drying'
import { House } from '@core/house'
import type { Product, ShelvedProduct } from '@core/mix'
import type { Entry } from '@core/money'
import type { TubEvent } from '@core/tubside'
import { addDays, type Memory, type Plan, type Today } from '@core/visit'
import { emptyDay, partsOf, seatFor, Standing, WashDay, type Rhythm } from '@core/washday'
import { keepDay, standingRecords } from './db/days'
import type { Db, Queries } from './db/db'
import { addDog } from './db/dogs'
import { addEvents } from './db/events'
import { addFinding } from './db/findings'
import { houseRecords } from './db/house'
import { addEntry, ownerOf } from './db/owners'
import { keepOutcomeOf } from './usecases/outcome'
import { productRecords } from './db/products'
import { addMovement } from './db/stock'
import { addVisit } from './db/visits'

/** Records to begin with. */
export interface Beginning {
  dogs: readonly Dog[]
  /** With ids of their own where the past was made with them. */
  products: readonly (Product & { id?: string })[]
  house: House
  /** What is pinned on bodies before the first Saturday, by the dog's name. */
  findings: (saturday: string) => Readonly<Record<string, readonly Finding[]>>
  /** Who comes on the next Saturday, who so many weeks after it, and who again and again from then on; by the dog's name, minutes of the clock. */
  saturday: readonly { dog: string; arrive: number; pickup: number }[]
  ahead?: readonly { weeks: number; dog: string; arrive: number; pickup: number }[]
  standings: readonly { dog: string; rhythm: Rhythm; arrive: number; pickup: number }[]
  /** What a count a week ago found in the bottles, mL by their names. */
  left?: Readonly<Record<string, number>>
  /** What was written into owners’ accounts beside visits, by a dog of the owner and the day; `ids`: of a dog by its name. */
  accounts?: (saturday: string, ids: (dog: string) => string) => readonly { dog: string; on: string; entry: Entry }[]
  /** Wash days that went before a date, made from the dogs and the shelf as they are stored. */
  past?: (
    dogs: readonly Dog[],
    shelf: readonly ShelvedProduct[],
    house: House,
    last: string,
  ) => Iterable<PastDay> | AsyncIterable<PastDay>
}

/** A wash day of the past: its visits in turn, with their taps; planned starts as minutes of the clock. */
export interface PastDay {
  date: string
  visits: readonly { dog: string; today: Today; memory: Memory; plan: Plan; events: readonly TubEvent[] }[]
  starts: readonly number[]
}

/** A house to begin with when there is no demonstration: one hand dryer and sound defaults. */
export const PLAIN_BEGINNING: Beginning = {
  dogs: [],
  products: [],
  findings: () => ({}),
  saturday: [],
  standings: [],
  house: House.parse({ name: 'My wash room', dryers: [USUAL_DRYERS.hand], begun: false }),
}

/** The Saturday of this week, or today when it is one. `today` as year-month-day. */
export function nextSaturday(today: string): string {
  const weekday = new Date(`${today}T12:00:00Z`).getUTCDay()
  return addDays(today, 6 - weekday)
}

/** A visit's parts one after another from a minute of the clock, as tasks of a seat. */
function inTurn(seatId: string, plan: Plan, from: number): Record<string, number> {
  let at = from
  return Object.fromEntries(
    partsOf(plan).map(({ key, minutes }) => {
      const start = at
      at += minutes
      return [`${seatId}.${key}`, start]
    }),
  )
}

/** Keeps one wash day of the past: its recipes, its arrangement, its taps and what they tell. */
async function keepPastDay(
  db: Queries,
  { date, visits, starts }: PastDay,
  ids: ReadonlyMap<string, string>,
  { dogs, shelf, house }: { dogs: readonly Dog[]; shelf: ShelvedProduct[]; house: House },
) {
  const day = { ...emptyDay(date, house), pauses: [] }
  const tasks: Record<string, number> = {}
  const kept: { visit: StoredVisit; events: readonly TubEvent[] }[] = []
  for (const [i, { dog: name, today, memory, plan, events }] of visits.entries()) {
    const [dogId, dog] = [ids.get(name)!, dogs.find((d) => d.name === name)!]
    const from = starts[i]!
    const pickup = Math.min(1439, from + Math.ceil(plan.minutes.value) + 45)
    const seat = seatFor(dogId, day, { arrive: Math.max(0, from - 15), pickup })
    day.seats.push(seat)
    Object.assign(tasks, inTurn(seat.id, plan, from))
    const visit = (await addVisit(db, { dogId, inputs: { dog, today, products: shelf, house, memory }, plan }))!
    await addEvents(db, visit.id, events)
    kept.push({ visit, events })
  }
  const arranged = WashDay.parse({ ...day, plan: { tasks, breaks: {}, air: {} } })
  await keepDay(db, 0, arranged)
  for (const { visit, events } of kept) await keepOutcomeOf(db, visit, events, arranged)
}

/** Fills a new database in one transaction. `today`: the date from which the demonstration's Saturday is the next. */
export async function seed(
  db: Db,
  { dogs, products, house, findings, saturday, ahead = [], standings, left = {}, accounts, past }: Beginning,
  today: string,
): Promise<void> {
  await db.transaction(async (tx) => {
    const ids = new Map<string, string>()
    const from = nextSaturday(today)
    const found = findings(from)
    await houseRecords.add(tx, house)
    const shelf: ShelvedProduct[] = []
    for (const { id, ...product } of products)
      shelf.push({ ...product, id: (await productRecords.add(tx, product, id)).id })
    for (const dog of dogs) {
      const { id } = await addDog(tx, dog)
      ids.set(dog.name, id)
      for (const finding of found[dog.name] ?? []) await addFinding(tx, id, finding)
    }
    for (const { id, name } of shelf)
      if (left[name] !== undefined)
        await addMovement(tx, id, { kind: 'counted', mL: left[name], at: `${addDays(today, -7)}T18:00:00Z`, note: '' })
    for await (const day of past?.(dogs, shelf, house, from) ?? [])
      await keepPastDay(tx, day, ids, { dogs, shelf, house })
    for (const { dog, on, entry } of accounts?.(from, (name) => ids.get(name)!) ?? []) {
      const owner = await ownerOf(tx, ids.get(dog)!)
      if (owner) await addEntry(tx, owner, entry, randomUUID(), new Date(`${on}T12:00:00Z`))
    }
    if (saturday.length > 0) {
      const empty = emptyDay(from, house)
      const seats = saturday.map(({ dog, arrive, pickup }) => seatFor(ids.get(dog)!, empty, { arrive, pickup }))
      await keepDay(tx, 0, WashDay.parse({ ...empty, helper: house.helper, seats }))
    }
    for (const weeks of new Set(ahead.map((a) => a.weeks))) {
      const empty = emptyDay(addDays(from, 7 * weeks), house)
      const own = ahead.filter((a) => a.weeks === weeks)
      const seats = own.map(({ dog, arrive, pickup }) => seatFor(ids.get(dog)!, empty, { arrive, pickup }))
      await keepDay(tx, 0, WashDay.parse({ ...empty, seats }))
    }
    for (const { dog, ...times } of standings)
      await standingRecords.add(tx, Standing.parse({ ...times, from, dogId: ids.get(dog)! }))
  })
}
