import type { Photo } from '@contract'
import type { Queries } from './db'

const COLUMNS = `id, dog_id as "dogId", visit_id as "visitId", finding_id as "findingId", shows,
  to_char(taken_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "takenAt", note, width, height`

/** Photographs of a dog or a visit (all where neither is given), in the order in which they were taken; without the pictures. */
export async function listPhotos(db: Queries, { dog, visit }: { dog?: string; visit?: string }): Promise<Photo[]> {
  const { rows } = await db.query<Photo>(
    `select ${COLUMNS} from photos
      where ($1::uuid is null or dog_id = $1) and ($2::uuid is null or visit_id = $2) order by taken_at, id limit 1000`,
    [dog ?? null, visit ?? null],
  )
  return rows
}

/** The picture of a photograph, in base64. */
export async function pictureOf(db: Queries, id: string): Promise<string | undefined> {
  const { rows } = await db.query<{ content: string }>('select content from photos where id = $1', [id])
  return rows[0]?.content
}

/** Keeps a photograph; under an id that is there already it is the one that is there. */
export async function addPhoto(
  db: Queries,
  { dogId, visitId, findingId, shows, takenAt, note, width, height }: Omit<Photo, 'id'>,
  content: string,
  id?: string,
): Promise<Photo> {
  const { rows } = await db.query<Photo>(
    `insert into photos (id, dog_id, visit_id, finding_id, shows, taken_at, note, width, height, content)
     values (coalesce($1, gen_random_uuid()), $2, $3, $4, $5, $6, $7, $8, $9, $10)
     on conflict (id) do nothing returning ${COLUMNS}`,
    [id ?? null, dogId, visitId, findingId, shows, takenAt, note, width, height, content],
  )
  if (rows[0]) return rows[0]
  return (await db.query<Photo>(`select ${COLUMNS} from photos where id = $1`, [id])).rows[0]!
}

/** Deletes a photograph for good; false where there is none. */
export async function removePhoto(db: Queries, id: string): Promise<boolean> {
  const { rows } = await db.query<{ id: string }>('delete from photos where id = $1 returning id', [id])
  return rows.length > 0
}
