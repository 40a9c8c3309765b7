import type { StoredProduct } from '@contract'
import { inUse, Product, type ShelvedProduct } from '@core/mix'
import type { Queries } from './db'
import { recordQueries } from './stored'

export const productRecords = recordQueries('products', Product)

/** All products, in the order in which they were put on the shelf. */
export async function allProducts(db: Queries): Promise<StoredProduct[]> {
  const { rows } = await db.query<Parameters<typeof productRecords.read>[0]>(
    'select id, version, record, changed_at from products where deleted_at is null order by position',
  )
  return productRecords.readAll(rows)
}

/** The shelf as the reckoning takes it: what is in use, what comes first first. */
export async function shelf(db: Queries): Promise<ShelvedProduct[]> {
  return inUse((await allProducts(db)).map(({ id, record }) => ({ ...record, id })))
}

/** How many kept visits were planned with a product, in the wash or (named as it was called then) for the ears. */
export async function visitsWith(db: Queries, id: string): Promise<number> {
  const { rows } = await db.query<{ count: number }>(
    `select count(*)::int as count from visits v
      where jsonb_path_exists(v.plan, '$.**.product ? (@.id == $id)', jsonb_build_object('id', $1::text))
         or exists (select 1 from jsonb_array_elements(v.inputs -> 'products') p
              where p ->> 'id' = $1
                and jsonb_path_exists(v.plan, '$.ears.**.product ? (@ == $name)', jsonb_build_object('name', p -> 'name')))`,
    [id],
  )
  return rows[0]!.count
}
