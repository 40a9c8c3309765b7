import { randomUUID } from 'node:crypto'
import { existsSync, mkdirSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { pino } from 'pino'
import { z } from 'zod'
import { fieldErrors } from '@contract'
import { buildApp } from './app'
import { DEMONSTRATION, type madePast } from './beginning'
import { projectRoot, readConfig, type Config } from './config'
import { BLANK, openDb } from './db/db'
import { migrate } from './db/migrate'
import { FolderInUse, lockFolder } from './lock'
import { warmLog } from './usecases/memory'
import { nextSaturday, PLAIN_BEGINNING, seed, type Beginning } from './seed'
import { type JOBS } from './work/jobs'
import { eachPart, workInThreads, type Work } from './work/work'

/** How long streams that never end by themselves may go on when the server is told to stop, ms. */
const STREAMS_MS = 300
/** How long an idle connection stays open, ms: longer than clients keep one for their next request, so that none is cut as it is used. */
const IDLE_MS = 75_000
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
  mkdirSync(data, { recursive: true })
  const unlock = await lockFolder(data)
  const today = new Date().toISOString().slice(0, 10)
  const anew = !existsSync(join(data, 'db'))
  const beginning = empty ? PLAIN_BEGINNING : anew ? demonstrationMeanwhile(work, today) : DEMONSTRATION
  const db = await openDb(join(data, 'db'), join(root, BLANK))
  const applied = await migrate(db, join(root, 'server/db/migrations'))
  const { rows } = await db.query('select 1 from house')
  if (rows.length === 0) await seed(db, beginning, today)
  return { db, unlock, fresh: applied.length > 0 }
}

async function main() {
  const root = projectRoot()
  const config = readConfig(process.env, process.argv.slice(2), root)
  const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' })
  const work = workInThreads<AllJobs>(join(import.meta.dirname, 'worker.js'))
  const { db, unlock } = await openData(config, root, work)
  const web = join(root, 'dist/web')
  const app = buildApp({
    db,
    log,
    work,
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

  let leaving = false
  const leave = () => {
    if (leaving) return
    leaving = true
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
  if (error instanceof FolderInUse) console.error(error.message)
  else if (error instanceof z.ZodError)
    console.error(
      fieldErrors(error)
        .map((e) => `${e.field}: ${e.message}`)
        .join('\n'),
    )
  else console.error(error)
  process.exit(1)
})
