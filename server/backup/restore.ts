import { existsSync } from 'node:fs'
import { mkdir, readdir, rm, stat } from 'node:fs/promises'
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
import { verifyBackup } from './backup'
import { Head, readLine, readLines, UnreadableBackup } from './file'
import { readJournal } from './journal'
import { journalOf } from './names'

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
  /** When the backup was made, and up to when what came back reaches, by its journal. */
  at: string
  until: string
  counts: Record<string, number>
}

/** Puts what the journal of a backup has into a database; answers up to when it reaches, undefined where it has nothing. */
async function putJournal(tx: Queries, path: string): Promise<string | undefined> {
  let until: string | undefined
  const written = (await stat(path)).mtime.toISOString()
  const lines = async function* () {
    for await (const piece of readJournal(path)) {
      yield* piece.lines
      until = piece.at ?? written
    }
  }
  await putLines(tx, lines())
  return until
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
      let until = head.at
      await db.transaction(async (tx) => {
        await inSilence(tx, await tablesThere(tx), async () => {
          await putLines(tx, readLines(path))
          if (existsSync(journal)) until = (await putJournal(tx, journal)) ?? until
        })
      })
      await migrate(db, migrations)
      return { at: head.at, until, counts: await countRows(db, await tablesThere(db)) }
    } finally {
      await db.close()
    }
  } catch (error) {
    await rm(data, { recursive: true, force: true })
    throw error
  }
}
