import type { HistoryLine, Remembered } from '@contract'
import { Dog, Finding } from '@core/dog'
import { House } from '@core/house'
import { Product } from '@core/mix'
import { differences } from '@core/same'
import { Standing, WashDay } from '@core/washday'
import type { z } from 'zod'
import type { Db, Queries } from '../db/db'
import { putRows, type WholeRow } from '../db/whole'
import { notFound, Refusal } from '../problems'

/** How many changes of a record are told, and how many places of one. */
const MOST = { changes: 100, places: 30 }

const SCHEMAS: Record<Remembered, z.ZodType> = {
  dogs: Dog,
  products: Product,
  house: House,
  findings: Finding,
  standings: Standing,
  days: WashDay,
}

interface Row {
  id: string
  at: Date
  device: string | null
  op: 'insert' | 'update' | 'delete'
  before: WholeRow | null
}

/** The row as it is now; undefined where there is none. */
async function rowNow(db: Queries, what: Remembered, id: string): Promise<WholeRow | undefined> {
  const { rows } = await db.query<{ row: WholeRow }>(`select to_jsonb(t) as row from ${what} t where id = $1`, [id])
  return rows[0]?.row
}

const isGone = (row: WholeRow | null | undefined) =>
  row === undefined || row === null || (row.deleted_at !== undefined && row.deleted_at !== null)

function didOf({ op, before }: Row, after: WholeRow | null | undefined): HistoryLine['did'] {
  if (op === 'insert') return 'made'
  if (op === 'delete' || (!isGone(before) && isGone(after))) return 'deleted'
  return before && isGone(before) && !isGone(after) ? 'brought back' : 'changed'
}

/** The changes of a record, the last first. */
export async function historyOf(db: Queries, what: Remembered, id: string): Promise<HistoryLine[]> {
  const { rows } = await db.query<Row>(
    `select c.id::text as id, c.at, d.name as device, c.op, c.before
       from changes c left join devices d on d.id::text = c.device
      where c.what = $1 and c.key = $2 order by c.id desc limit ${MOST.changes}`,
    [what, id],
  )
  let after: WholeRow | null | undefined = await rowNow(db, what, id)
  const lines = rows.map((row) => {
    const known = row.before !== null && after !== null && after !== undefined
    const line: HistoryLine = {
      change: Number(row.id),
      at: new Date(row.at).toISOString(),
      device: row.device,
      did: didOf(row, after),
      places: known ? differences(row.before!.record, after!.record).slice(0, MOST.places) : [],
      back: row.before !== null && row.op !== 'insert',
    }
    after = row.before
    return line
  })
  // saved as it was
  return lines.filter(({ did, places, back }) => did !== 'changed' || places.length > 0 || !back)
}

/** Puts a record back to what it was before a change; what it is now stays in the history. */
export async function goBack(db: Db, change: number): Promise<void> {
  await db.transaction(async (tx) => {
    const { rows } = await tx.query<{ what: string; key: string; before: WholeRow | null }>(
      'select what, key, before from changes where id = $1',
      [change],
    )
    const [found] = rows
    if (!found?.before || !(found.what in SCHEMAS)) throw notFound('change to go back before')
    const what = found.what as Remembered
    if (!SCHEMAS[what].safeParse(found.before.record).success)
      throw new Refusal(409, 'It can’t be read any more', 'What it was then isn’t a record that this version knows.')
    const now = await rowNow(tx, what, found.key)
    if (!now && what === 'days') {
      const taken = await tx.query('select 1 from days where date = $1', [found.before.date])
      if (taken.rows.length > 0)
        throw new Refusal(409, 'Something is there', 'There is another plan of that day by now. Delete that first.')
    }
    const version = Number(now?.version ?? found.before.version) + 1
    await putRows(tx, what, [{ ...found.before, version, changed_at: new Date().toISOString() }])
  })
}
