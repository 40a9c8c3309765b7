import { randomUUID } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { pino } from 'pino'
import { z } from 'zod'
import { fieldErrors } from '@contract'
import { buildApp } from './app'
import { DEMONSTRATION, madePast } from './beginning'
import { projectRoot, readConfig, type Config } from './config'
import { BLANK, openDb } from './db/db'
import { houseRecords } from './db/house'
import { migrate, NewerData } from './db/migrate'
import { keepLogShort } from './db/upkeep'
import { freeSpace, readyFolder, UnusableFolder } from './folder'
import { FolderInUse, lockFolder } from './lock'
import { warmLog } from './usecases/memory'
import { nextSaturday, PLAIN_BEGINNING, seed, type Beginning } from './seed'
import { JOBS } from './work/jobs'
import { eachPart, workHere, workInThreads, type Work } from './work/work'

/** How long streams that never end by themselves may go on when the server is told to stop, ms. */
const STREAMS_MS = 300
/** How long an idle connection stays open, ms: longer than clients keep one for their next request, so that none is cut as it is used. */
const IDLE_MS = 75_000
/** How often it is looked whether the database's log has grown long, ms. */
const UPKEEP_MS = 60_000
const LOOPBACK = ['127.0.0.1', 'localhost', '::1']

type AllJobs = typeof JOBS & { past: typeof madePast }

/** How long the demonstration's past may take to be made, ms. */
const PAST_MS = 120_000

/** The demonstration, its past being made in a thread while the database opens. */
function demonstrationMeanwhile(work: Work<AllJobs>, today: string): Beginning {
  const { dogs, house } = DEMONSTRATION
  const shelf = DEMONSTRATION.products.map((p) => ({ ...p, id: randomUUID() }))
  const limits = { deadlineMs: PAST_MS, tooMuch: 'Start it again.' }
  const past = eachPart(work, 'past', { dogs, shelf, house, last: nextSaturday(today) }, limits)
  return { ...DEMONSTRATION, products: shelf, past: () => past }
}

async function openData({ data, empty }: Config, root: string, work: Work<AllJobs>) {
  const brought = join(root, BLANK, 'PG_VERSION')
  readyFolder(data, existsSync(brought) ? readFileSync(brought, 'utf8').trim() : undefined)
  const unlock = await lockFolder(data)
  const today = new Date().toISOString().slice(0, 10)
  const anew = !existsSync(join(data, 'db'))
  const beginning = empty ? PLAIN_BEGINNING : anew ? demonstrationMeanwhile(work, today) : DEMONSTRATION
  const db = await openDb(join(data, 'db'), join(root, BLANK))
  const applied = await migrate(db, join(root, 'server/db/migrations'))
  const { rows } = await db.query<{ house: boolean; kept: boolean }>(
    `select exists (select 1 from house) as house, exists (select 1 from dogs) or exists (select 1 from products)
       or exists (select 1 from visits) or exists (select 1 from days) as kept`,
  )
  const { house, kept } = rows[0]!
  // a house that was lost is made anew; what else is kept stays as it is
  if (!house) await (kept ? houseRecords.add(db, PLAIN_BEGINNING.house) : seed(db, beginning, today))
  return { db, unlock, fresh: applied.length > 0 }
}

async function main() {
  const root = projectRoot()
  const config = readConfig(process.env, process.argv.slice(2), root)
  const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' })
  // what it writes is its user's alone
  process.umask(0o077)
  const threads = join(import.meta.dirname, 'worker.js')
  const work = existsSync(threads) ? workInThreads<AllJobs>(threads) : workHere<AllJobs>({ ...JOBS, past: madePast })
  const { db, unlock } = await openData(config, root, work)
  const web = join(root, 'dist/web')
  const app = buildApp({
    db,
    log,
    work,
    free: () => freeSpace(config.data),
    demonstration: DEMONSTRATION,
    copies: join(config.data, 'copies'),
    hosts: LOOPBACK.includes(config.host) ? LOOPBACK : undefined,
    web: existsSync(web) ? web : undefined,
  })
  const server = app.listen(config.port, config.host)
  server.keepAliveTimeout = IDLE_MS
  server.headersTimeout = IDLE_MS + 5000
  server.once('error', (error: NodeJS.ErrnoException) => {
    const taken = error.code === 'EADDRINUSE'
    console.error(taken ? `Port ${config.port} is taken. Choose another with PORT.` : error.message)
    process.exit(1)
  })
  server.once('listening', () => {
    const { port } = server.address() as AddressInfo
    const name = config.host.includes(':') ? `[${config.host}]` : config.host
    console.log(`Juvant is ready at http://${name}:${port}/`)
    warmLog(db).catch((err: unknown) => log.error({ err }, 'the log could not be read'))
  })

  const upkeep = setInterval(() => {
    keepLogShort(db).catch((err: unknown) => log.error({ err }, 'the log of the database could not be shortened'))
  }, UPKEEP_MS)
  let leaving = false
  const leave = () => {
    if (leaving) return
    leaving = true
    clearInterval(upkeep)
    server.close(async () => {
      await work.close()
      await db.close()
      await unlock()
      process.exit(0)
    })
    server.closeIdleConnections()
    setTimeout(() => server.closeAllConnections(), STREAMS_MS).unref()
  }
  process.on('SIGINT', leave)
  process.on('SIGTERM', leave)
}

main().catch((error: unknown) => {
  if (error instanceof FolderInUse || error instanceof UnusableFolder || error instanceof NewerData)
    console.error(error.message)
  else if (error instanceof z.ZodError)
    console.error(
      fieldErrors(error)
        .map((e) => `${e.field}: ${e.message}`)
        .join('\n'),
    )
  else console.error(error)
  process.exit(1)
})
