import { mkdir, readdir, rm, stat } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import type { BackupFile } from '@contract'
import { ENGINE } from '@core/visit'
import type { Db, Queries } from '../db/db'
import { countRows, eachLine, rowKey, TABLE_NAMES, tablesThere, type TableName, type WholeRow } from '../db/whole'
import { Head, readLine, readLines, UnreadableBackup, writeLines, type Line } from './file'
import { journalOf, madeAt, nameOf } from './names'

/** The backups of a folder, the newest first. */
export async function backupsIn(folder: string): Promise<BackupFile[]> {
  const names = await readdir(folder).catch(() => [] as string[])
  const found: BackupFile[] = []
  for (const name of names) {
    const at = madeAt(name)
    if (at) found.push({ name, at: at.toISOString(), bytes: (await stat(join(folder, name))).size })
  }
  return found.sort((a, b) => b.at.localeCompare(a.at))
}

/** The newest change that is noted; 0 in a database from before there were any. */
export async function newestChange(db: Queries, tables: readonly TableName[]): Promise<number> {
  if (!tables.includes('changes')) return 0
  const { rows } = await db.query<{ id: string }>('select coalesce(max(id), 0)::text as id from changes')
  return Number(rows[0]!.id)
}

/** What was changed after a change, as rows as they are now, and rows that are gone. */
export async function* changedSince(db: Queries, change: number): AsyncGenerator<Line> {
  const { rows } = await db.query<{ what: TableName; key: string }>(
    // a tap that is gone is noted by itself, one that came by its visit
    `select distinct what, case when what = 'visit_events' and op = 'delete' then before ->> 'visit_id' else key end as key
       from changes where id > $1`,
    [change],
  )
  const of = (what: string) => rows.filter((r) => r.what === what).map((r) => r.key)
  const at = async (table: TableName, column: string, keys: string[]) =>
    (
      await db.query<{ row: WholeRow }>(`select to_jsonb(t) as row from ${table} t where ${column}::text = any($1)`, [
        keys,
      ])
    ).rows.map((r) => r.row)
  // taps are noted by their visits, and what is told of visits goes with them
  const visits = [...new Set([...of('visits'), ...of('visit_events')])]
  for (const visit of visits) yield { anew: visit }
  for (const table of TABLE_NAMES) {
    if (table === 'changes') {
      for (const { row } of (
        await db.query<{ row: WholeRow }>('select to_jsonb(t) as row from changes t where id > $1 order by id', [
          change,
        ])
      ).rows)
        yield { table, row }
    } else if (table === 'visit_events' || table === 'outcomes' || table === 'step_minutes') {
      for (const row of await at(table, 'visit_id', visits)) yield { table, row }
    } else if (table === 'movements') {
      for (const row of await at(table, 'id', of(table))) yield { table, row }
      for (const row of await at(table, 'visit_id', visits)) yield { table, row }
    } else for (const row of await at(table, 'id', of(table))) yield { table, row }
  }
  for (const table of TABLE_NAMES) {
    if (table === 'visit_events' || !rows.some((r) => r.what === table)) continue
    const there = new Set((await at(table, 'id', of(table))).map((row) => rowKey(table, row)))
    for (const key of of(table)) if (!there.has(key)) yield { table, gone: key }
  }
}

/** Everything that is kept, line by line: the rows piece by piece while others go on, then what they changed meanwhile. */
async function* everything(db: Db, at: Date): AsyncGenerator<object | string> {
  const tables = await tablesThere(db)
  const { rows } = await db.query<{ name: string }>('select name from migrations order by name')
  yield {
    juvant: 'backup',
    format: 1,
    engine: ENGINE,
    at: at.toISOString(),
    migrations: rows.map((r) => r.name),
  } satisfies Head
  const before = await newestChange(db, tables)
  for (const table of tables) yield* eachLine(db, table)
  // the last bit in one go: nothing is changed between what is read and what is counted
  const last: Line[] = []
  await db.transaction(async (tx) => {
    if (tables.includes('changes')) for await (const line of changedSince(tx, before)) last.push(line)
    last.push({ end: await countRows(tx, tables), change: await newestChange(tx, tables) })
  })
  yield* last
}

/** What a backup says of itself once it was read through. */
export interface ReadBackup {
  head: Head
  counts: Record<string, number>
  /** The last change that is in it. */
  change: number
}

/** Reads a backup through: every line whole, as many rows of each table as it says. Throws UnreadableBackup. */
export async function verifyBackup(path: string): Promise<ReadBackup> {
  const keys = new Map<TableName, Set<string>>()
  let head: Head | undefined
  let end: { end: Record<string, number>; change: number } | undefined
  for await (const value of readLines(path)) {
    if (!head) {
      const read = Head.safeParse(value)
      if (!read.success) throw new UnreadableBackup(`${path} isn’t a backup of this program.`)
      head = read.data
      continue
    }
    const line = readLine(value)
    if (!line) throw new UnreadableBackup(`${path} has a line that this version can’t read.`)
    if ('end' in line) end = line
    if (!('table' in line)) continue
    const of = keys.get(line.table) ?? new Set()
    keys.set(line.table, of)
    if ('gone' in line) of.delete(line.gone)
    else of.add(rowKey(line.table, line.row))
  }
  if (!head || !end) throw new UnreadableBackup(`${path} breaks off before its end.`)
  for (const [table, count] of Object.entries(end.end)) {
    // what hangs on a row goes with it, and isn't told of
    const found = keys.get(table as TableName)?.size ?? 0
    if (found < count) throw new UnreadableBackup(`${path} holds ${found} of ${count} rows of ${table}.`)
  }
  return { head, counts: end.end, change: end.change }
}

/** How long before the newest backup every other is kept, ms, and at most how many. */
const ALL_KEPT = { ms: 48 * 3_600_000, most: 12 }

/** Which backups are kept: all of two days, and the newest of each of the last 7 days, 4 weeks and 12 months that have one. */
export function keptOf(names: readonly string[]): Set<string> {
  const dated = names
    .flatMap((name) => {
      const at = madeAt(name)
      return at ? [{ name, at }] : []
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime())
  const kept = new Set(
    dated
      .filter(({ at }) => dated[0]!.at.getTime() - at.getTime() < ALL_KEPT.ms)
      .slice(0, ALL_KEPT.most)
      .map(({ name }) => name),
  )
  const spans: [number, (at: Date) => string][] = [
    [7, (at) => at.toISOString().slice(0, 10)],
    [4, (at) => String(Math.floor((at.getTime() / 86_400_000 + 3) / 7))],
    [12, (at) => at.toISOString().slice(0, 7)],
  ]
  for (const [most, of] of spans) {
    const seen = new Set<string>()
    for (const { name, at } of dated) {
      if (seen.has(of(at)) || seen.size === most) continue
      seen.add(of(at))
      kept.add(name)
    }
  }
  return kept
}

/** Writes everything that is kept into a file and reads it back. Throws where it can't. */
export async function writeBackup(db: Db, path: string, at: Date, verify: Verify = verifyBackup): Promise<ReadBackup> {
  await mkdir(dirname(path), { recursive: true, mode: 0o700 })
  await writeLines(path, everything(db, at))
  return verify(path)
}

/** Reads a backup through; where it is large, elsewhere than between two requests. */
export type Verify = (path: string) => Promise<ReadBackup>

/** Makes a backup in a folder, and drops those that aren't kept any more. Throws where it can't. */
export async function makeBackup(
  db: Db,
  folder: string,
  at = new Date(),
  verify?: Verify,
): Promise<BackupFile & ReadBackup> {
  const name = nameOf(at)
  const path = join(folder, name)
  const read = await writeBackup(db, path, at, verify)
  const names = (await readdir(folder)).filter((n) => madeAt(n))
  const kept = keptOf(names)
  for (const old of names)
    if (!kept.has(old)) {
      await rm(join(folder, old))
      await rm(join(folder, journalOf(old)), { force: true })
    }
  return { name, at: at.toISOString(), bytes: (await stat(path)).size, ...read }
}
