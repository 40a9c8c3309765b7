import type { Dog, Finding } from '../core/dog'
import { House } from '../core/house'
import type { Product } from '../core/mix'
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
}

/** A house to begin with when there is no demonstration: one hand dryer and sound defaults. */
export const PLAIN_BEGINNING: Beginning = {
  dogs: [],
  products: [],
  findings: {},
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

/** Fills a new database in one transaction. */
export async function seed(db: Db, { dogs, products, house, findings }: Beginning): Promise<void> {
  await db.transaction(async (tx) => {
    await houseRecords.add(tx, house)
    for (const product of products) await productRecords.add(tx, product)
    for (const dog of dogs) {
      const { id } = await addDog(tx, dog)
      for (const finding of findings[dog.name] ?? []) await addFinding(tx, id, finding)
    }
  })
}
