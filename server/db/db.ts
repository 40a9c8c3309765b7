import { PGlite } from '@electric-sql/pglite'
import { existsSync } from 'node:fs'
import { cp, rename, rm } from 'node:fs/promises'

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

/** Puts a copy of a database with nothing in it where there is none yet; it is there whole or not at all. */
async function startFrom(blank: string, folder: string): Promise<void> {
  if (existsSync(folder) || !existsSync(blank)) return
  const begun = `${folder}.begun`
  await rm(begun, { recursive: true, force: true })
  await cp(blank, begun, { recursive: true })
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
