import type { Photo, StoredDog, StoredFinding } from '@contract'
import type { Dog } from '@core/dog'
import { ENGINE, type Plan } from '@core/visit'
import type { Outcome, TubEvent } from '@core/tubside'
import type { House } from '@core/house'
import type { Queries } from '../db/db'
import { dogRecords } from '../db/dogs'
import { findingsOf } from '../db/findings'
import { theHouse } from '../db/house'
import { listPhotos, pictureOf } from '../db/photos'
import { notFound } from '../problems'

/** A visit as the dog's owner may have it: without the house's prices and shelf. */
export interface OwnersVisit {
  date: string
  engine: string
  checkIn: unknown
  plan: Plan
  taps: TubEvent[]
  outcome: Outcome | null
}

/** All of a dog that its owner may have. */
export interface DogsRecord {
  dog: StoredDog
  findings: StoredFinding[]
  visits: OwnersVisit[]
  /** Photographs with their pictures, JPEG in base64. */
  photos: (Photo & { content: string })[]
  house: House
}

/** All of a dog, its visits the newest first. */
export async function dogsRecord(db: Queries, id: string): Promise<DogsRecord> {
  const dog = await dogRecords.find(db, id)
  if (!dog) throw notFound('dog')
  const { rows } = await db.query<OwnersVisit>(
    `select to_char(v.date, 'YYYY-MM-DD') as date, v.engine, v.inputs -> 'today' as "checkIn", v.plan, o.record as outcome,
            (select coalesce(jsonb_agg(e.event order by e.at, e.id), '[]') from visit_events e where e.visit_id = v.id) as taps
       from visits v left join outcomes o on o.visit_id = v.id where v.dog_id = $1 order by v.date desc, v.id`,
    [id],
  )
  const photos: DogsRecord['photos'] = []
  for (const photo of await listPhotos(db, { dog: id })) {
    const content = await pictureOf(db, photo.id)
    if (content !== undefined) photos.push({ ...photo, content })
  }
  return { dog, findings: await findingsOf(db, id), visits: rows, photos, house: (await theHouse(db)).record }
}

/** The same as JSON. */
export function dogsRecordJson({ dog, findings, visits, photos }: DogsRecord, at: Date): string {
  const record: Dog = dog.record
  const all = { juvant: 'dog', format: 1, engine: ENGINE, at: at.toISOString(), dog: record, findings, visits, photos }
  return JSON.stringify(all, null, 2)
}
