import { existsSync } from 'node:fs'
import { mkdir, readdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { openDb, type Queries } from '../db/db'
import { migrate, stepsIn } from '../db/migrate'
import {
  countRows,
  dropRow,
  dropTold,
  inSilence,
  pieceOf,
  putRows,
  tablesThere,
  type TableName,
  type WholeRow,
} from '../db/whole'
import { journalOf, verifyBackup } from './backup'
import { Head, readLine, readLines, UnreadableBackup } from './file'

/** Puts lines into a database, in pieces of one table. */
async function putLines(tx: Queries, lines: AsyncIterable<unknown>): Promise<void> {
  let table: TableName | undefined
  let rows: WholeRow[] = []
  const flush = async () => {
    if (table) await putRows(tx, table, rows)
    rows = []
  }
  for await (const value of lines) {
    if (Head.safeParse(value).success) continue
    const line = readLine(value)
    if (!line) throw new UnreadableBackup('It has a line that this version can’t read.')
    if ('anew' in line) {
      await flush()
      await dropTold(tx, line.anew)
    }
    if (!('table' in line)) continue
    if (line.table !== table || rows.length >= pieceOf(line.table) || 'gone' in line) await flush()
    table = line.table
    if ('gone' in line) await dropRow(tx, line.table, line.gone)
    else rows.push(line.row)
  }
  await flush()
}

/** What came back. */
export interface Restored {
  /** When the backup was made. */
  at: string
  counts: Record<string, number>
}

/**
 * Restores a backup, and what its journal has of the time after it, into a data folder that isn't there yet, and brings
 * it up to date. Throws UnreadableBackup, and leaves nothing then.
 */
export async function restoreInto(
  path: string,
  data: string,
  { blank, migrations }: { blank: string; migrations: string },
): Promise<Restored> {
  if (!existsSync(path)) throw new UnreadableBackup(`There is no file ${path}.`)
  if (existsSync(data) && (await readdir(data)).length > 0)
    throw new UnreadableBackup(`${data} isn’t empty. A backup is restored into a new folder only.`)
  const { head } = await verifyBackup(path)
  const steps = await stepsIn(migrations)
  const newer = head.migrations.filter((name) => !steps.includes(name))
  if (newer.length > 0)
    throw new UnreadableBackup(`${path} was made by a newer version of the program (${newer.join(', ')}).`)
  await mkdir(data, { recursive: true, mode: 0o700 })
  // an older backup goes through the steps after it: into a database that hasn't been through them
  const same = head.migrations.length === steps.length
  try {
    const db = await openDb(join(data, 'db'), same ? blank : undefined)
    try {
      await migrate(db, migrations, undefined, head.migrations)
      const journal = journalOf(path)
      await db.transaction(async (tx) => {
        await inSilence(tx, await tablesThere(tx), async () => {
          await putLines(tx, readLines(path))
          if (existsSync(journal)) await putLines(tx, readLines(journal, false))
        })
      })
      await migrate(db, migrations)
      return { at: head.at, counts: await countRows(db, await tablesThere(db)) }
    } finally {
      await db.close()
    }
  } catch (error) {
    await rm(data, { recursive: true, force: true })
    throw error
  }
}
