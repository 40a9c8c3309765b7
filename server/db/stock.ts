import type { StockLine, StoredMovement } from '@contract'
import { STOCK, washDaysLeft, whyBuy, type Movement } from '@core/stock'
import { addDays } from '@core/visit'
import type { Queries } from './db'
import { allProducts } from './products'
import { MadeBefore } from './stored'

const COLUMNS = 'id, product_id as "productId", kind, ml as "mL", at, note, visit_id as "visitId"'
type Row = Omit<StoredMovement, 'at'> & { at: Date }
const toMovement = (row: Row): StoredMovement => ({ ...row, at: new Date(row.at).toISOString() })

/** What happened to a product, newest first. */
export async function movementsOf(db: Queries, productId: string, limit = 200): Promise<StoredMovement[]> {
  const { rows } = await db.query<Row>(
    `select ${COLUMNS} from movements where product_id = $1 order by at desc, id limit $2`,
    [productId, limit],
  )
  return rows.map(toMovement)
}

/** Writes down that something happened to a product. */
export async function addMovement(db: Queries, productId: string, movement: Movement, id?: string) {
  const { kind, mL, at, note } = movement
  const { rows } = await db.query<Row>(
    `insert into movements (id, product_id, kind, ml, at, note) values (coalesce($6, gen_random_uuid()), $1, $2, $3, $4, $5)
      on conflict (id) do nothing returning ${COLUMNS}`,
    [productId, kind, mL, at, note, id ?? null],
  )
  if (rows[0]) return toMovement(rows[0])
  const there = await db.query<Row>(`select ${COLUMNS} from movements where id = $1`, [id])
  const made = toMovement(there.rows[0]!)
  if (made.productId !== productId || made.kind !== kind || made.mL !== mL) throw new MadeBefore()
  return made
}

/** Takes back what was written down by hand; what a visit used goes only with the visit. False when there is no such. */
export async function removeMovement(db: Queries, id: string): Promise<boolean> {
  const { rows } = await db.query('delete from movements where id = $1 and visit_id is null returning id', [id])
  return rows.length > 0
}

/** Puts what a visit used in place of what was written down of it before; products that are gone are passed over. */
export async function replaceUse(
  db: Queries,
  visitId: string,
  at: number,
  used: readonly { id: string; mL: number }[],
): Promise<void> {
  await db.query('delete from movements where visit_id = $1', [visitId])
  if (used.length === 0) return
  await db.query(
    `insert into movements (product_id, kind, ml, at, visit_id)
       select p.id, 'used', (u ->> 'mL')::float8, $2, $1
         from jsonb_array_elements($3::jsonb) as u join products p on p.id::text = u ->> 'id'`,
    [visitId, new Date(at).toISOString(), JSON.stringify(used)],
  )
}

/**
 * How every product of the shelf stands on a day: what is left (as `levelOf` reckons it, summed by the database), what
 * the last wash days took of it, for how many it will do, and why it is to be bought.
 */
export async function stockOn(db: Queries, on: string): Promise<StockLine[]> {
  const { rows } = await db.query<{ id: string; level: number | null; used: number }>(
    `with told as (
       select product_id,
              max(at) filter (where kind = 'counted') as counted,
              (array_agg(ml order by at desc, id desc) filter (where kind = 'counted'))[1] as found,
              min(at) filter (where kind = 'opened') as opened,
              sum(ml) filter (where kind = 'used' and at >= $1::date and at < $2::date + 1) as used
         from movements group by product_id
     ), since as (
       select m.product_id, sum(case m.kind when 'opened' then m.ml when 'counted' then 0 else -m.ml end) as ml
         from movements m join told t on t.product_id = m.product_id
        where m.at > coalesce(t.counted, t.opened - interval '1 millisecond') group by m.product_id
     )
     select p.id, coalesce(t.used, 0) as used,
            case when t.counted is null and t.opened is null then null
                 else greatest(0, coalesce(t.found, 0) + coalesce(s.ml, 0)) end as level
       from products p left join told t on t.product_id = p.id left join since s on s.product_id = p.id
      where p.deleted_at is null`,
    [addDays(on, -STOCK.window.value), on],
  )
  const { rows: days } = await db.query<{ count: number }>(
    'select count(distinct date)::int as count from outcomes where date >= $1 and date <= $2',
    [addDays(on, -STOCK.window.value), on],
  )
  const washDays = days[0]!.count
  const of = new Map(rows.map((r) => [r.id, r]))
  return (await allProducts(db)).map(({ id, record }) => {
    const { level, used } = of.get(id)!
    const use = { mL: used, washDays }
    return {
      productId: id,
      level,
      perWashDay: washDays > 0 ? used / washDays : null,
      washDaysLeft: washDaysLeft(level, use),
      buy: whyBuy(record, level, use, on) ?? null,
    }
  })
}
