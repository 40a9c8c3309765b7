import type { Dog, Finding } from '../core/dog'
import { House } from '../core/house'
import type { Product } from '../core/mix'
import { addDays } from '../core/visit'
import { emptyDay, seatFor, Standing, WashDay, type Rhythm } from '../core/washday'
import { keepDay, standingRecords } from './db/days'
import type { Db } from './db/db'
import { addDog } from './db/dogs'
import { addFinding } from './db/findings'
import { houseRecords } from './db/house'
import { productRecords } from './db/products'

/** Records to begin with. */
export interface Beginning {
  dogs: readonly Dog[]
  products: readonly Product[]
  house: House
  findings: Readonly<Record<string, readonly Finding[]>>
  /** Who comes on the next Saturday, and who again and again from then on; by the dog's name, minutes of the clock. */
  saturday: readonly { dog: string; arrive: number; pickup: number }[]
  standings: readonly { dog: string; rhythm: Rhythm; arrive: number; pickup: number }[]
}

/** A house to begin with when there is no demonstration: one hand dryer and sound defaults. */
export const PLAIN_BEGINNING: Beginning = {
  dogs: [],
  products: [],
  findings: {},
  saturday: [],
  standings: [],
  house: House.parse({
    name: 'My wash room',
    dryers: [
      {
        name: 'Hand dryer',
        kind: 'hand',
        airflow: 1.6,
        nozzleMm: 45,
        motorW: 80,
        settings: [
          { name: 'heat off', heatW: 0 },
          { name: 'low', heatW: 600 },
          { name: 'warm', heatW: 1500 },
        ],
        level: 82,
      },
    ],
  }),
}

/** The Saturday of this week, or today when it is one. `today` as year-month-day. */
export function nextSaturday(today: string): string {
  const weekday = new Date(`${today}T12:00:00Z`).getUTCDay()
  return addDays(today, 6 - weekday)
}

/** Fills a new database in one transaction. `today`: the date from which the demonstration's Saturday is the next. */
export async function seed(
  db: Db,
  { dogs, products, house, findings, saturday, standings }: Beginning,
  today: string,
): Promise<void> {
  await db.transaction(async (tx) => {
    const ids = new Map<string, string>()
    await houseRecords.add(tx, house)
    for (const product of products) await productRecords.add(tx, product)
    for (const dog of dogs) {
      const { id } = await addDog(tx, dog)
      ids.set(dog.name, id)
      for (const finding of findings[dog.name] ?? []) await addFinding(tx, id, finding)
    }
    const from = nextSaturday(today)
    if (saturday.length > 0) {
      const empty = emptyDay(from, house)
      const seats = saturday.map(({ dog, arrive, pickup }) => seatFor(ids.get(dog)!, empty, { arrive, pickup }))
      await keepDay(tx, 0, WashDay.parse({ ...empty, helper: house.helper, seats }))
    }
    for (const { dog, ...times } of standings)
      await standingRecords.add(tx, Standing.parse({ ...times, from, dogId: ids.get(dog)! }))
  })
}
