import { VisitInputs, type StoredVisit, type VisitQuery, type VisitSummary } from '@contract'
import type { Plan } from '@core/visit'
import type { Queries } from './db'
import type { Changed } from './stored'

interface Row {
  id: string
  version: number
  dog_id: string
  day: string
  engine: string
  inputs: VisitInputs
  plan: Plan
  changed_at: Date
}

const COLUMNS = `id, version, dog_id, to_char(date, 'YYYY-MM-DD') as day, engine, inputs, plan, changed_at`

/** A row as a kept visit. */
const toVisit = (row: Row): StoredVisit => ({
  id: row.id,
  version: row.version,
  dogId: row.dog_id,
  date: row.day,
  engine: row.engine,
  inputs: VisitInputs.parse(row.inputs),
  plan: row.plan,
  changedAt: new Date(row.changed_at).toISOString(),
})

/** What a kept visit holds before it has an id. */
export interface VisitContent {
  dogId: string
  inputs: VisitInputs
  plan: Plan
}

const params = ({ dogId, inputs, plan }: VisitContent) => [
  dogId,
  inputs.today.date,
  plan.engine,
  JSON.stringify(inputs),
  JSON.stringify(plan),
]

/** Keeps a visit, under an id of the sender's own where there is one; undefined when a visit has that id already. */
export async function addVisit(db: Queries, content: VisitContent, id?: string): Promise<StoredVisit | undefined> {
  const { rows } = await db.query<Pick<Row, 'id' | 'version' | 'changed_at'>>(
    `insert into visits (id, dog_id, date, engine, inputs, plan) values (coalesce($6, gen_random_uuid()), $1, $2, $3, $4, $5)
      on conflict (id) do nothing returning id, version, changed_at`,
    [...params(content), id ?? null],
  )
  const { dogId, inputs, plan } = content
  return (
    rows[0] && {
      id: rows[0].id,
      version: rows[0].version,
      dogId,
      date: inputs.today.date,
      engine: plan.engine,
      inputs,
      plan,
      changedAt: new Date(rows[0].changed_at).toISOString(),
    }
  )
}

/** Replaces a kept visit, if it is still at that version. */
export async function changeVisit(
  db: Queries,
  id: string,
  version: number,
  content: VisitContent,
): Promise<Changed<StoredVisit>> {
  const { rows } = await db.query<Row>(
    `update visits set dog_id = $1, date = $2, engine = $3, inputs = $4, plan = $5, version = version + 1, changed_at = now()
      where id = $6 and version = $7 returning ${COLUMNS}`,
    [...params(content), id, version],
  )
  if (rows[0]) return { state: 'changed', row: toVisit(rows[0]) }
  const now = await findVisit(db, id)
  return now ? { state: 'conflict', row: now } : { state: 'missing' }
}

/** One kept visit, whole. */
export async function findVisit(db: Queries, id: string): Promise<StoredVisit | undefined> {
  const { rows } = await db.query<Row>(`select ${COLUMNS} from visits where id = $1`, [id])
  return rows[0] && toVisit(rows[0])
}

/** The day of a kept visit; undefined where there is none. */
export async function dateOfVisit(db: Queries, id: string): Promise<string | undefined> {
  const { rows } = await db.query<{ date: string }>(
    `select to_char(date, 'YYYY-MM-DD') as date from visits where id = $1`,
    [id],
  )
  return rows[0]?.date
}

/** Deletes a kept visit; false when it wasn't there. */
export async function removeVisit(db: Queries, id: string): Promise<boolean> {
  const { rows } = await db.query('delete from visits where id = $1 returning id', [id])
  return rows.length > 0
}

/** Kept visits, newest day first. */
export async function listVisits(
  db: Queries,
  { dogId, date, limit, since }: VisitQuery & { since?: string },
): Promise<VisitSummary[]> {
  const { rows } = await db.query<VisitSummary & { changed: Date }>(
    `select v.id, v.dog_id as "dogId", v.inputs -> 'dog' ->> 'name' as "dogName", (d.record ->> 'colour')::int as colour, to_char(v.date, 'YYYY-MM-DD') as date,
            (v.plan -> 'minutes' ->> 'value')::float8 as minutes, jsonb_array_length(v.plan -> 'stops') as stops,
            v.inputs -> 'today' -> 'skin' as skin,
            jsonb_path_query_array(v.plan, '$.mix.bottles[*].product.name') as products, v.changed_at as changed
       from visits v join dogs d on d.id = v.dog_id
      where ($1::uuid is null or v.dog_id = $1) and ($2::date is null or v.date = $2) and ($4::date is null or v.date >= $4)
      order by v.date desc, v.changed_at desc limit $3`,
    [dogId ?? null, date ?? null, limit, since ?? null],
  )
  return rows.map(({ changed, ...row }) => ({ ...row, changedAt: new Date(changed).toISOString() }))
}
