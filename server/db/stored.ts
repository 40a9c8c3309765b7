import { randomUUID } from 'node:crypto'
import { ZodError, type z } from 'zod'
import { sameData } from '@core/same'
import type { Queries } from './db'

/** Something else was made under the same key. */
export class MadeBefore extends Error {}

/** The outcome of a change made from a version: the new row, a newer row already there, or nothing there. */
export type Changed<T> = { state: 'changed'; row: T } | { state: 'conflict'; row: T } | { state: 'missing' }

interface Row {
  id: string
  version: number
  record: unknown
  changed_at: Date
}

/** Tables that hold one record in each row. */
export type RecordTable = 'dogs' | 'owners' | 'products' | 'house' | 'findings' | 'standings'

/** A row as a stored record; parsed, so that a field added later takes its default. */
function toStored<T>(schema: z.ZodType<T>, row: Row) {
  return {
    id: row.id,
    version: row.version,
    changedAt: new Date(row.changed_at).toISOString(),
    record: schema.parse(row.record),
  }
}

/** A record that can't be read, and so was set aside: its table, id, the name it goes by, and why. */
export interface SetAside {
  table: RecordTable
  id: string
  name: string
  why: string
}
/** The records that were set aside when lists were read, until they can be read again. */
const aside = new Map<string, SetAside>()
export const setAside = (): SetAside[] => [...aside.values()]

function noteAside(table: RecordTable, row: Row, error: z.ZodError) {
  const { name } = (row.record ?? {}) as { name?: unknown }
  const [issue] = error.issues
  const why = `${issue?.path.join('.') || 'all of it'}: ${issue?.message ?? 'it can’t be read'}`
  aside.set(`${table} ${row.id}`, { table, id: row.id, name: typeof name === 'string' ? name : '', why })
}

/**
 * Queries that every table of records shares: find, add, change from a version, delete softly and take that back.
 * `table` is one of a fixed set, never user input. `completed`: fields that the database may complete from what it knows, so that
 * what was asked with once is told apart without them.
 */
export function recordQueries<T>(table: RecordTable, schema: z.ZodType<T>, completed: readonly string[] = []) {
  const alive = table === 'house' ? 'true' : 'deleted_at is null'
  const columns = 'id, version, record, changed_at'
  const read = (row: Row) => toStored(schema, row)
  const asked = (record: unknown) =>
    Object.fromEntries(Object.entries(record as object).filter(([field]) => !completed.includes(field)))

  async function find(db: Queries, id: string) {
    const { rows } = await db.query<Row>(`select ${columns} from ${table} where id = $1 and ${alive}`, [id])
    return rows[0] && read(rows[0])
  }

  /** Rows of a list as stored records; one that can't be read is set aside and named, and doesn't break the list. */
  function readAll(rows: readonly Row[]) {
    return rows.flatMap((row) => {
      try {
        const stored = read(row)
        aside.delete(`${table} ${row.id}`)
        return [stored]
      } catch (error) {
        if (!(error instanceof ZodError)) throw error
        noteAside(table, row, error)
        return []
      }
    })
  }

  /** Those of some ids that are there and can be read, by their id. */
  async function findAll(db: Queries, ids: readonly string[]) {
    const { rows } = await db.query<Row>(`select ${columns} from ${table} where id = any($1::uuid[]) and ${alive}`, [
      ids,
    ])
    return new Map(readAll(rows).map((stored) => [stored.id, stored]))
  }

  return {
    read,
    readAll,
    find,
    findAll,
    /** Adds a record; under an id that was asked with once already it answers what that made, and refuses another record. */
    async add(db: Queries, record: T, id: string = randomUUID(), more: Record<string, string> = {}) {
      const names = ['id', 'record', ...Object.keys(more)]
      const { rows } = await db.query<Row>(
        `insert into ${table} (${names.join(', ')}) values (${names.map((_, i) => `$${i + 1}`).join(', ')})
          on conflict (id) do nothing returning ${columns}`,
        [id, JSON.stringify(record), ...Object.values(more)],
      )
      if (rows[0]) return read(rows[0])
      const there = await db.query<Row>(`select ${columns} from ${table} where id = $1`, [id])
      if (!sameData(asked(there.rows[0]!.record), asked(record))) throw new MadeBefore()
      return read(there.rows[0]!)
    },
    async change(db: Queries, id: string, version: number, record: T): Promise<Changed<ReturnType<typeof read>>> {
      const { rows } = await db.query<Row>(
        `update ${table} set record = $3, version = version + 1, changed_at = now()
          where id = $1 and version = $2 and ${alive} returning ${columns}`,
        [id, version, JSON.stringify(record)],
      )
      if (rows[0]) return { state: 'changed', row: read(rows[0]) }
      const now = await find(db, id)
      return now ? { state: 'conflict', row: now } : { state: 'missing' }
    },
    async remove(db: Queries, id: string): Promise<boolean> {
      const { rows } = await db.query(
        `update ${table} set deleted_at = now() where id = $1 and ${alive} returning id`,
        [id],
      )
      return rows.length > 0
    },
    /** What was deleted, back as it was; undefined where nothing deleted has the id. */
    async restore(db: Queries, id: string) {
      if (table === 'house') return undefined
      const { rows } = await db.query<Row>(
        `update ${table} set deleted_at = null, version = version + 1, changed_at = now()
          where id = $1 and deleted_at is not null returning ${columns}`,
        [id],
      )
      return rows[0] && read(rows[0])
    },
  }
}

/** Tables whose records have parts that are asked for by their id. */
export const PARENTS = ['dogs', 'products', 'visits', 'owners', 'entries'] as const
export type ParentTable = (typeof PARENTS)[number]

/** Whether there is such a record, deleted ones too: what was kept of them stays. */
export async function stands(db: Queries, table: ParentTable, id: string): Promise<boolean> {
  const { rows } = await db.query<{ there: boolean }>(
    `select exists (select 1 from ${table} where id::text = $1) as there`,
    [id],
  )
  return rows[0]!.there
}
