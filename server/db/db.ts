import { PGlite } from '@electric-sql/pglite'
import { AsyncLocalStorage } from 'node:async_hooks'
import { spawn } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { copyFile, mkdir, open, readdir, rename, rm } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { DURABLE_START, DurableFiles } from './durable'

/** Runs one parameterised statement. */
export interface Queries {
  query<Row>(sql: string, params?: unknown[]): Promise<{ rows: Row[] }>
}

/** The database as the queries see it; transactions roll back when the work throws. */
export interface Db extends Queries {
  /**
   * Gets every message of a channel, once what it tells of is kept; answers how to stop. `missed`: some may not have
   * been told, as whoever tells was away.
   */
  listen(channel: string, heard: Heard, missed: () => void): Promise<() => Promise<void>>
  transaction<T>(work: (tx: Queries & { exec(sql: string): Promise<unknown> }) => Promise<T>): Promise<T>
  /** Does something while no other program does such a thing in the same room. */
  alone<T>(work: () => Promise<T>): Promise<T>
  close(): Promise<void>
}

/** Gets a message. */
export type Heard = (message: string) => void

/** The database doesn't answer now. */
export class DatabaseAway extends Error {}

const asking = new AsyncLocalStorage<string>()
/** What `work` changes is noted as asked for by a device; by the machine itself without one. */
export const onBehalfOf = <T>(device: string | undefined, work: () => T): T => asking.run(device ?? '', work)
/** The device on whose behalf something is done; empty for the machine itself. */
export const askedBy = () => asking.getStore() ?? ''
/** Statements that change something. */
export const CHANGING = /^\s*(insert|update|delete|with)/i

/** Where the build leaves a database with nothing in it, from the project's root. */
export const BLANK = 'dist/server/blank'

/** The file beside a blank that lists its empty folders. */
export const emptyList = (blank: string): string => `${blank}.empty.json`
const emptyIn = (blank: string) =>
  existsSync(emptyList(blank)) ? (JSON.parse(readFileSync(emptyList(blank), 'utf8')) as string[]) : []

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

/** Answers once all of a folder is on disk: by one call of the system where it has it, file by file elsewhere. */
export async function syncFolder(folder: string): Promise<void> {
  const whole = await new Promise<boolean>((resolve) => {
    const child = spawn('sync', ['-f', folder], { stdio: 'ignore' })
    child.once('error', () => resolve(false))
    child.once('exit', (code) => resolve(code === 0))
  })
  if (whole) return
  for (const entry of await readdir(folder, { withFileTypes: true, recursive: true })) {
    if (!entry.isFile()) continue
    const file = await open(join(entry.parentPath, entry.name), 'r')
    await file.sync().finally(() => file.close())
  }
}

/**
 * Makes a database where there is none yet: from a copy of `blank`, a database with nothing in it, or, where that isn't
 * there either, by the database itself, which takes seconds. It is on disk whole, or not at all.
 */
async function beginFolder(folder: string, blank?: string): Promise<void> {
  if (existsSync(folder)) return
  const begun = `${folder}.begun`
  await rm(begun, { recursive: true, force: true })
  if (blank && existsSync(blank)) {
    await copyTree(blank, begun)
    // archives leave out what stands empty, and the database wants it
    for (const empty of emptyIn(blank)) await mkdir(join(begun, empty), { recursive: true, mode: 0o700 })
  } else await (await PGlite.create(begun)).close()
  await rm(join(begun, 'postmaster.pid'), { force: true })
  await syncFolder(begun)
  await rename(begun, folder)
  await syncFolder(dirname(folder))
}

/** Opens the embedded database in `folder`, made from `blank` where there is none. What it answers is on disk. */
export async function openDb(folder: string, blank?: string): Promise<Db> {
  await beginFolder(folder, blank)
  const files = new DurableFiles(folder)
  return dbOver(await PGlite.create({ fs: files, startParams: DURABLE_START }), () => files.flush())
}

/** Opens the embedded database in memory: as a dump of one (`dumpDataDir`), or with nothing in it, which takes seconds. */
export const openInMemory = async (dump?: Blob): Promise<Db> => dbOver(await PGlite.create({ loadDataDir: dump }))

/** The database as the queries see it; `flush`: what is answered is on disk, and so is everything that it may have seen. */
function dbOver(pglite: PGlite, flush?: () => Promise<void>): Db {
  const kept = async <T>(done: Promise<T>): Promise<T> => {
    const result = await done
    await flush?.()
    return result
  }
  let last = ''
  /** Statements are done in the order in which they are asked: who asks is said just before. */
  const sayWho = (sql: string) => {
    const who = askedBy()
    if (who === last || !CHANGING.test(sql)) return
    last = who
    pglite.query("select set_config('juvant.device', $1, false)", [who]).catch(() => (last = '?'))
  }
  return {
    query(sql, params) {
      sayWho(sql)
      return kept(pglite.query(sql, params))
    },
    listen: (channel, heard) => pglite.listen(channel, heard),
    transaction: (work) => {
      const who = askedBy()
      return kept(
        pglite.transaction(async (tx) => {
          await tx.query("select set_config('juvant.device', $1, true)", [who])
          return work(tx)
        }),
      )
    },
    // its folder is one program's
    alone: (work) => work(),
    close: () => pglite.close(),
  }
}
