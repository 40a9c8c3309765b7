import type { StoredHouse } from '@contract'
import { House } from '@core/house'
import type { Queries } from './db'
import { recordQueries } from './stored'

export const houseRecords = recordQueries('house', House)

/** The house, with its version. Present since the first start. */
export async function theHouse(db: Queries): Promise<StoredHouse> {
  const { rows } = await db.query<Parameters<typeof houseRecords.read>[0]>(
    'select id, version, record, changed_at from house',
  )
  return houseRecords.read(rows[0]!)
}
