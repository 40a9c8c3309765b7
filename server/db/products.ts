import type { StoredProduct } from '@contract'
import { Product, type ShelvedProduct } from '@core/mix'
import type { Queries } from './db'
import { recordQueries } from './stored'

export const productRecords = recordQueries('products', Product)

/** All products, in the order in which they were put on the shelf. */
export async function allProducts(db: Queries): Promise<StoredProduct[]> {
  const { rows } = await db.query<Parameters<typeof productRecords.read>[0]>(
    'select id, version, record, changed_at from products where deleted_at is null order by position',
  )
  return rows.map(productRecords.read)
}

/** The shelf as the reckoning takes it. */
export async function shelf(db: Queries): Promise<ShelvedProduct[]> {
  return (await allProducts(db)).map(({ id, record }) => ({ ...record, id }))
}
