import type { StoredFinding } from '@contract'
import { Finding } from '@core/dog'
import type { Queries } from './db'
import { recordQueries } from './stored'

export const findingRecords = recordQueries('findings', Finding)

type Row = Parameters<typeof findingRecords.read>[0]

/** Everything found on a dog, in the order in which it was first pinned. */
export async function findingsOf(db: Queries, dogId: string): Promise<StoredFinding[]> {
  const { rows } = await db.query<Row>(
    'select id, version, record, changed_at from findings where dog_id = $1 and deleted_at is null order by position',
    [dogId],
  )
  return findingRecords.readAll(rows)
}

/** Pins a finding on a dog. */
export const addFinding = (db: Queries, dogId: string, finding: Finding, id?: string): Promise<StoredFinding> =>
  findingRecords.add(db, finding, id, { dog_id: dogId })

/** Pins a finding under an id; once, however often it is said. */
export async function addFindingOnce(db: Queries, dogId: string, finding: Finding, id: string): Promise<void> {
  await db.query('insert into findings (id, dog_id, record) values ($1, $2, $3) on conflict (id) do nothing', [
    id,
    dogId,
    JSON.stringify(finding),
  ])
}
