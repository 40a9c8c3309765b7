import type { StoredDay } from '@contract'
import { dogOn, type DayFacts } from '@core/washday'
import type { Db } from '../db/db'
import { dogRecords } from '../db/dogs'
import { theHouse } from '../db/house'
import { shelf } from '../db/products'
import { memoryOf } from './memory'

/** Everything a day is reckoned from: its dogs as kept recipes or records have them, what the log knows of them, the shelf and the house. */
export async function factsOfDay(db: Db, { record: day, kept }: StoredDay): Promise<DayFacts> {
  const dogs: DayFacts['dogs'] = {}
  for (const { dogId } of day.seats) {
    const dog = await dogRecords.find(db, dogId)
    if (dog)
      dogs[dogId] = dogOn(
        dog.record,
        day.date,
        kept.find((k) => k.dogId === dogId)?.today,
        await memoryOf(db, dogId, dog.record),
      )
  }
  return { day, dogs, shelf: await shelf(db), house: (await theHouse(db)).record }
}
