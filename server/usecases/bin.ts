import type { Deletable, DeletedThing } from '@contract'
import type { Db, Queries } from '../db/db'
import { dogRecords } from '../db/dogs'
import { findingRecords } from '../db/findings'
import { standingRecords } from '../db/days'
import { productRecords } from '../db/products'
import { putRows, type WholeRow } from '../db/whole'
import { notFound, Refusal } from '../problems'
import { keepOutcome } from './outcome'

/** How long what was deleted can be brought back, days. */
const DAYS = 30

interface Row {
  what: Deletable
  id: string
  at: Date
  name: string | null
  date: string | null
}

/** What was deleted in the last 30 days and isn't back, the last first. */
export async function deletedThings(db: Queries): Promise<DeletedThing[]> {
  const { rows } = await db.query<Row>(
    `select * from (
       select 'dogs' as what, id, deleted_at as at, record ->> 'name' as name, null as date from dogs
       union all select 'products', id, deleted_at, record ->> 'name', null from products
       union all select 'findings', f.id, f.deleted_at, d.record ->> 'name', null from findings f join dogs d on d.id = f.dog_id
       union all select 'standings', s.id, s.deleted_at, d.record ->> 'name', null from standings s join dogs d on d.id::text = s.record ->> 'dogId'
       union all select distinct on (c.key) 'visits', c.key::uuid, c.at, c.before -> 'inputs' -> 'dog' ->> 'name', c.before ->> 'date'
         from changes c where c.what = 'visits' and c.op = 'delete' and c.before is not null and not exists (select 1 from visits v where v.id::text = c.key)
       union all select distinct on (c.key) 'days', c.key::uuid, c.at, '', c.before ->> 'date'
         from changes c where c.what = 'days' and c.op = 'delete' and c.before is not null and not exists (select 1 from days d where d.date = (c.before ->> 'date')::date)
     ) gone where at > now() - make_interval(days => $1) order by at desc, id limit 200`,
    [DAYS],
  )
  return rows.map(({ what, id, at, name, date }) => ({
    what,
    id,
    at: new Date(at).toISOString(),
    name: name ?? '',
    date,
  }))
}

/** What a row was when it was deleted last, with the transaction that did it. */
async function deleted(tx: Queries, what: 'visits' | 'days', id: string) {
  const { rows } = await tx.query<{ before: WholeRow; tx: string }>(
    `select before, tx::text as tx from changes where what = $1 and key = $2 and op = 'delete' and before is not null order by id desc limit 1`,
    [what, id],
  )
  return rows[0]
}

const back = { dogs: dogRecords, products: productRecords, findings: findingRecords, standings: standingRecords }

/** Brings something that was deleted back as it was: a visit with its taps, and what they tell. */
export async function bringBack(db: Db, what: Deletable, id: string): Promise<void> {
  await db.transaction(async (tx) => {
    if (what !== 'visits' && what !== 'days') {
      if (!(await back[what].restore(tx, id))) throw notFound('deleted thing')
      return
    }
    const gone = await deleted(tx, what, id)
    if (!gone) throw notFound('deleted thing')
    const taken =
      what === 'visits'
        ? await tx.query('select 1 from visits where id = $1', [id])
        : await tx.query('select 1 from days where date = $1', [gone.before.date])
    if (taken.rows.length > 0)
      throw new Refusal(409, 'Something is there', 'There is one in its place by now. Delete that first, or leave it.')
    await putRows(tx, what, [gone.before])
    if (what === 'days') return
    const { rows } = await tx.query<{ before: WholeRow }>(
      `select before from changes where tx = $1 and what = 'visit_events' and op = 'delete' and before ->> 'visit_id' = $2`,
      [gone.tx, id],
    )
    await putRows(
      tx,
      'visit_events',
      rows.map((r) => r.before),
    )
    await keepOutcome(tx, id)
  })
}
