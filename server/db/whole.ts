import type { Queries } from './db'

/** A row as plain data, by its columns. */
export type WholeRow = Record<string, unknown>

/** All tables with what is kept, each after those that it refers to, with the columns that tell its rows apart. */
export const TABLES = {
  house: ['id'],
  owners: ['id'],
  dogs: ['id'],
  products: ['id'],
  findings: ['id'],
  standings: ['id'],
  days: ['id'],
  visits: ['id'],
  photos: ['id'],
  answers: ['id'],
  visit_events: ['id'],
  outcomes: ['visit_id'],
  step_minutes: ['visit_id', 'kind'],
  movements: ['id'],
  receipts: ['id'],
  entries: ['id'],
  closings: ['id'],
  changes: ['id'],
} as const
export type TableName = keyof typeof TABLES
export const TABLE_NAMES = Object.keys(TABLES) as TableName[]

const keyOf = (table: TableName) => TABLES[table].join(', ')

/** What tells a row of a table apart, as text. */
export const rowKey = (table: TableName, row: WholeRow): string => TABLES[table].map((c) => String(row[c])).join(' ')

/** The tables that there are already: an older database has fewer. */
export async function tablesThere(db: Queries): Promise<TableName[]> {
  const { rows } = await db.query<{ name: TableName }>(
    'select table_name as name from information_schema.tables where table_schema = current_schema() and table_name = any($1)',
    [TABLE_NAMES],
  )
  const there = new Set(rows.map((r) => r.name))
  return TABLE_NAMES.filter((t) => there.has(t))
}

/** How many rows each table has. */
export async function countRows(db: Queries, tables: readonly TableName[]): Promise<Record<string, number>> {
  const counts: Record<string, number> = {}
  for (const table of tables)
    counts[table] = (await db.query<{ n: number }>(`select count(*)::int as n from ${table}`)).rows[0]!.n
  return counts
}

/** Rows of a table in pieces, by their keys: each piece is asked for by itself, so that others get a word in between. */
export async function* eachRow(db: Queries, table: TableName, piece = 100): AsyncGenerator<WholeRow> {
  const key = keyOf(table)
  const columns = TABLES[table]
  let last: unknown[] | undefined
  for (;;) {
    const after = last ? `where (${key}) > (${columns.map((_, i) => `$${i + 1}`).join(', ')})` : ''
    const { rows } = await db.query<{ row: WholeRow }>(
      `select to_jsonb(t) as row from (select * from ${table} ${after} order by ${key} limit ${piece}) t`,
      last,
    )
    for (const { row } of rows) yield row
    if (rows.length < piece) return
    last = columns.map((c) => rows[rows.length - 1]!.row[c])
  }
}

/** Tables whose rows are large: fewer of them are read and written at once, so that nobody waits long in between. */
const LARGE: readonly TableName[] = ['visits', 'outcomes', 'photos']
/** How many rows of a table are read or written at once. */
export const pieceOf = (table: TableName): number => (LARGE.includes(table) ? 20 : 500)

/** Rows of a table as lines of JSON, `{"table": …, "row": …}`, in pieces of several lines: as the database writes them, unread. */
export async function* eachLine(db: Queries, table: TableName): AsyncGenerator<string> {
  const columns = TABLES[table]
  const key = keyOf(table)
  const down = columns.map((c) => `${c} desc`).join(', ')
  let last: unknown[] | undefined
  for (;;) {
    const after = last ? `where (${key}) > (${columns.map((_, i) => `$${i + 1}`).join(', ')})` : ''
    const { rows } = await db.query<{ n: number; lines: string | null; last: unknown[] | null }>(
      `with piece as materialized (select * from ${table} ${after} order by ${key} limit ${pieceOf(table)})
       select count(*)::int as n, string_agg('{"table":"${table}","row":' || row_to_json(p)::text || '}', E'\n') as lines,
              (select json_build_array(${key}) from piece order by ${down} limit 1) as last
         from piece p`,
      last,
    )
    const { n, lines, last: end } = rows[0]!
    if (lines !== null) yield lines
    if (n < pieceOf(table)) return
    last = end!
  }
}

/** The columns of a table that can be written. */
async function columnsOf(db: Queries, table: TableName): Promise<string[]> {
  const { rows } = await db.query<{ name: string }>(
    `select column_name as name from information_schema.columns
      where table_schema = current_schema() and table_name = $1 and is_generated = 'NEVER' order by ordinal_position`,
    [table],
  )
  return rows.map((r) => r.name)
}

/** Puts rows into a table as they are, in place of those with the same keys; columns that they haven't take their default. */
export async function putRows(db: Queries, table: TableName, rows: readonly WholeRow[]): Promise<void> {
  if (rows.length === 0) return
  const columns = (await columnsOf(db, table)).filter((c) => c in rows[0]!)
  const names = columns.map((c) => `"${c}"`).join(', ')
  const fixed: readonly string[] = [...TABLES[table], 'position']
  const set = columns.filter((c) => !fixed.includes(c)).map((c) => `"${c}" = excluded."${c}"`)
  await db.query(
    `insert into ${table} (${names}) overriding system value
       select ${names} from jsonb_populate_recordset(null::${table}, $1::jsonb)
     on conflict (${keyOf(table)}) do update set ${set.join(', ')}`,
    [JSON.stringify(rows)],
  )
}

/** Takes a row away, and with it what hangs on it. */
export async function dropRow(db: Queries, table: TableName, key: string): Promise<void> {
  const where = TABLES[table].map((c, i) => `${c}::text = $${i + 1}`).join(' and ')
  await db.query(`delete from ${table} where ${where}`, key.split(' '))
}

/** Takes away the taps of a visit and what they told: how it went, its minutes, what it used. */
export async function dropTold(db: Queries, visit: string): Promise<void> {
  await db.query('delete from visit_events where visit_id = $1', [visit])
  await db.query('delete from outcomes where visit_id = $1', [visit])
  await db.query('delete from movements where visit_id = $1', [visit])
}

/** Counters go on after what was put in; what notes and tells of changes is silent while `work` goes on. */
export async function inSilence(tx: Queries, tables: readonly TableName[], work: () => Promise<void>): Promise<void> {
  for (const table of tables) await tx.query(`alter table ${table} disable trigger user`)
  await work()
  for (const table of tables) await tx.query(`alter table ${table} enable trigger user`)
  await tx.query("select setval('outcome_stamp', greatest(1, (select coalesce(max(stamp), 0) from outcomes)))")
  for (const table of ['products', 'findings', 'standings', 'changes'] as const) {
    if (!tables.includes(table)) continue
    const column = table === 'changes' ? 'id' : 'position'
    await tx.query(
      `select setval(pg_get_serial_sequence('${table}', '${column}'), greatest(1, (select coalesce(max(${column}), 0) from ${table})))`,
    )
  }
}
