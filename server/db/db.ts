import { PGlite } from '@electric-sql/pglite'
import { existsSync } from 'node:fs'
import { copyFile, mkdir, readdir, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'

/** Runs one parameterised statement. */
export interface Queries {
  query<Row>(sql: string, params?: unknown[]): Promise<{ rows: Row[] }>
}

/** The database as the queries see it; transactions roll back when the work throws. */
export interface Db extends Queries {
  /** Gets every message of a channel, once what it tells of is kept; answers how to stop. */
  listen(channel: string, heard: (message: string) => void): Promise<() => Promise<void>>
  transaction<T>(work: (tx: Queries & { exec(sql: string): Promise<unknown> }) => Promise<T>): Promise<T>
  /** The whole database as a compressed archive of its folder. */
  archive(): Promise<Blob>
  close(): Promise<void>
}

/** Where the build leaves a database with nothing in it, from the project's root. */
export const BLANK = 'dist/server/blank'

/** Copies a folder of plain files, many at once: there are a thousand. For the owner alone. */
async function copyTree(from: string, to: string): Promise<void> {
  await mkdir(to, { mode: 0o700 })
  const entries = await readdir(from, { withFileTypes: true })
  const copied = entries.map((entry) => {
    const [a, b] = [join(from, entry.name), join(to, entry.name)]
    return entry.isDirectory() ? copyTree(a, b) : copyFile(a, b)
  })
  await Promise.all(copied)
}

/** Puts a copy of a database with nothing in it where there is none yet; it is there whole or not at all. */
async function startFrom(blank: string, folder: string): Promise<void> {
  if (existsSync(folder) || !existsSync(blank)) return
  const begun = `${folder}.begun`
  await rm(begun, { recursive: true, force: true })
  await copyTree(blank, begun)
  await rename(begun, folder)
}

/**
 * Opens the embedded database in `folder`, or in memory without one. A new folder is copied from `blank`, a
 * database with nothing in it; where there is no such folder either, the database makes its own, which takes seconds.
 */
export async function openDb(folder?: string, blank?: string): Promise<Db> {
  if (folder && blank) await startFrom(blank, folder)
  const pglite = await PGlite.create(folder ?? 'memory://')
  return {
    query: (sql, params) => pglite.query(sql, params),
    listen: (channel, heard) => pglite.listen(channel, heard),
    transaction: (work) => pglite.transaction((tx) => work(tx)),
    archive: () => pglite.dumpDataDir('gzip'),
    close: () => pglite.close(),
  }
}
