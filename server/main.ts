import { randomUUID, X509Certificate } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { createServer as createSafeServer } from 'node:https'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { z } from 'zod'
import { fieldErrors } from '@contract'
import { Devices } from './access/devices'
import { hostsFor, LOOPBACK, reachableAt } from './access/hosts'
import { buildApp } from './app'
import { DEMONSTRATION, madePast } from './beginning'
import { aheadIn, ClockRefused, setAhead } from './clock'
import { COMMAND } from './command'
import { projectRoot, readConfig, type Config } from './config'
import { UnreadableBackup } from './backup/file'
import { Keeper } from './backup/keeper'
import { BLANK, DatabaseAway, openDb } from './db/db'
import { houseRecords } from './db/house'
import { migrate, NewerData, pendingSteps } from './db/migrate'
import { nameRoom } from './db/room'
import { doChores, keepLogShort } from './db/upkeep'
import { tablesThere } from './db/whole'
import { cantBeOpened, freeSpace, markRoom, ownFolder, readyFolder, UnusableFolder } from './folder'
import { FolderInUse, lockFolder } from './lock'
import { openLog } from './log'
import { Refusal } from './problems'
import { warmLog } from './usecases/memory'
import { diagnose } from './diagnose'
import { checkData, restoreBackup } from './tools'
import { nextSaturday, PLAIN_BEGINNING, seed, type Beginning } from './seed'
import { Wellness } from './wellness'
import { JOBS } from './work/jobs'
import { eachPart, workHere, workInThreads, type Work } from './work/work'

/** How long streams that never end by themselves may go on when the server is told to stop, ms. */
const STREAMS_MS = 300
/** How long an idle connection stays open, ms: longer than clients keep one for their next request, so that none is cut as it is used. */
const IDLE_MS = 75_000
/** How often it is looked whether what started the program is still there, ms. */
const STARTER_MS = 1000
/** How often it is looked whether the database's log has grown long, ms. */
const UPKEEP_MS = 60_000

/** How long after a start threads practise a day, and how long they may, ms. */
const WARM_AFTER_MS = 20_000
const WARM_MS = 30_000

type AllJobs = typeof JOBS & { past: typeof madePast }

/** How long the demonstration's past may take to be made, ms. */
const PAST_MS = 120_000

/** How long a backup may take to be read back, ms. */
const VERIFY_MS = 600_000

/** The demonstration, its past being made in a thread while the database opens. */
function demonstrationMeanwhile(work: Work<AllJobs>, today: string): Beginning {
  const { dogs, house } = DEMONSTRATION
  const shelf = DEMONSTRATION.products.map((p) => ({ ...p, id: randomUUID() }))
  const limits = { deadlineMs: PAST_MS, tooMuch: 'Start it again.' }
  const past = eachPart(work, 'past', { dogs, shelf, house, last: nextSaturday(today) }, limits)
  return { ...DEMONSTRATION, products: shelf, past: () => past }
}

/** Where a restored database comes from: one with nothing in it, and the steps that it goes through. */
const placesIn = (root: string) => ({ blank: join(root, BLANK), migrations: join(root, 'server/db/migrations') })

/** The version of the database that this program brings; undefined before it is built. */
function broughtBy(root: string): string | undefined {
  const brought = join(root, BLANK, 'PG_VERSION')
  return existsSync(brought) ? readFileSync(brought, 'utf8').trim() : undefined
}

/** The embedded database in the data folder, with who makes its backups. */
async function openEmbedded({ data }: Config, root: string, work: Work<AllJobs>) {
  const { blank, migrations } = placesIn(root)
  const anew = !existsSync(join(data, 'db'))
  const db = await openDb(join(data, 'db'), blank).catch((error: Error) => {
    throw anew ? error : new UnusableFolder(cantBeOpened(data, error))
  })
  const verify = async (path: string) => {
    const read = await work.do('verify', path, { deadlineMs: VERIFY_MS, tooMuch: 'The backup wasn’t read back.' })
    if (!read.ok) throw new UnreadableBackup(read.why)
    return read.read
  }
  const backups = new Keeper(db, data, { blank, migrations }, undefined, verify)
  const away = await backups.open()
  if (away !== undefined) console.error(away)
  // what is there is put aside before it is brought up to date; a start that was killed at its beginning left nothing
  const keptSince = !anew && (await tablesThere(db)).length > 0
  if (keptSince && (await pendingSteps(db, migrations)).length > 0) await backups.make()
  return { db, backups }
}

/** A room of a database server, whose backups are the server's. */
async function openRoom({ url, room }: NonNullable<Config['database']>) {
  // read only where it is needed
  const { openServer } = await import('./db/postgres')
  return { db: await openServer(url, room), backups: undefined }
}

async function openData(config: Config, root: string, work: Work<AllJobs>) {
  const { data, database, empty } = config
  if (database) ownFolder(data)
  else readyFolder(data, broughtBy(root))
  const unlock = await lockFolder(data, () => {
    console.error(`Another Juvant has taken the data folder ${data}. This one ends.`)
    process.exit(1)
  })
  const today = new Date().toISOString().slice(0, 10)
  const meanwhile = !database && !existsSync(join(data, 'db'))
  const beginning = empty ? PLAIN_BEGINNING : meanwhile ? demonstrationMeanwhile(work, today) : DEMONSTRATION
  const { db, backups } = await (database ? openRoom(database) : openEmbedded(config, root, work))
  const steps = await db.alone(async () => {
    const steps = await migrate(db, placesIn(root).migrations)
    const { rows } = await db.query<{ house: boolean; kept: boolean }>(
      `select exists (select 1 from house) as house, exists (select 1 from dogs) or exists (select 1 from products)
         or exists (select 1 from visits) or exists (select 1 from days) as kept`,
    )
    const { house, kept } = rows[0]!
    // a house that was lost is made anew; what else is kept stays as it is
    if (!house) await (kept ? houseRecords.add(db, PLAIN_BEGINNING.house) : seed(db, beginning, today))
    return steps
  })
  if (backups) {
    const room = await nameRoom(db)
    await backups.belongTo(room, steps.length > 0)
    markRoom(data, room)
  }
  return { db, unlock, backups }
}

async function main() {
  const ahead = aheadIn(process.env)
  if (ahead !== 0) setAhead(ahead)
  const root = projectRoot()
  const config = readConfig(process.env, process.argv.slice(2), root)
  if (config.database && (config.restore || config.check))
    throw new UnusableFolder(
      'With DATABASE_URL the server keeps and restores what is kept. Leave it out to restore or check a data folder.',
    )
  if (config.restore) {
    console.log(await restoreBackup(config.restore, placesIn(root)))
    return
  }
  if (config.diagnose) {
    console.log(await diagnose(config, root))
    return
  }
  if (config.check) {
    const { said, well } = await checkData(config, broughtBy(root))
    console.log(said.join('\n'))
    process.exitCode = well ? 0 : 1
    return
  }
  // what it writes is its user's alone
  process.umask(0o077)
  const threads = join(import.meta.dirname, 'worker.js')
  const work = existsSync(threads) ? workInThreads<AllJobs>(threads) : workHere<AllJobs>({ ...JOBS, past: madePast })
  const { db, unlock, backups } = await openData(config, root, work)
  const { log, tend } = openLog(config.data, process.env.LOG_LEVEL)
  const web = join(root, 'dist/web')
  const hosts = hostsFor(config.host, config.hosts)
  const beyond = !LOOPBACK.includes(config.host)
  // read only where it is needed: a start on loopback doesn't wait for it
  const certificates =
    beyond && (await import('./access/certificate')).readyCertificates(join(config.data, 'certificates'), hosts)
  const wellness = new Wellness({
    db,
    backups,
    work,
    free: () => freeSpace(config.data),
    certificateEnds: () => (certificates ? new Date(new X509Certificate(certificates.cert).validTo) : undefined),
  })
  const app = buildApp({
    db,
    log,
    work,
    wellness,
    free: () => freeSpace(config.data),
    demonstration: DEMONSTRATION,
    backups,
    incoming: join(config.data, 'incoming'),
    hosts,
    devices: new Devices(db),
    reachable: () => ({
      safe: safe ? reachableAt(config.host, safe.address(), 'https') : [],
      plain: reachableAt(config.host, server.address()),
      fingerprint: certificates ? certificates.fingerprint : null,
      start: COMMAND,
      authority: certificates ? certificates.authority : undefined,
    }),
    web: existsSync(web) ? web : undefined,
  })
  const server = createServer(app)
  const safe = certificates && createSafeServer({ key: certificates.key, cert: certificates.cert }, app)
  const name = config.host.includes(':') ? `[${config.host}]` : config.host
  const listen = async (to: Server, port: number, setting: string) => {
    to.keepAliveTimeout = IDLE_MS
    to.headersTimeout = IDLE_MS + 5000
    to.once('error', (error: NodeJS.ErrnoException) => {
      const taken = error.code === 'EADDRINUSE'
      console.error(taken ? `Port ${port} is taken. Choose another with ${setting}.` : error.message)
      process.exit(1)
    })
    await new Promise((resolve) => to.listen(port, config.host, () => resolve(undefined)))
    return (to.address() as AddressInfo).port
  }
  const safePort = safe && (await listen(safe, config.httpsPort, 'HTTPS_PORT'))
  const port = await listen(server, config.port, 'PORT')
  if (existsSync(threads)) {
    // the two that search a day together; what is asked first at a start doesn't wait for them
    const warm = () => work.do('warm', undefined, { deadlineMs: WARM_MS, tooMuch: '' })
    const practise = () =>
      Promise.all([warm(), warm()]).catch((err: unknown) => log.error({ err }, 'no day could be practised'))
    setTimeout(() => void practise(), WARM_AFTER_MS).unref()
  }
  warmLog(db).catch((err: unknown) => log.error({ err }, 'the log could not be read'))

  const upkeep = setInterval(() => {
    tend()
    if (!backups) {
      doChores(db, new Date().toISOString().slice(0, 10)).catch((err: unknown) =>
        log.error({ err }, 'the day’s chores weren’t done'),
      )
      return
    }
    keepLogShort(db).catch((err: unknown) => log.error({ err }, 'the log of the database could not be shortened'))
    backups.tend().catch((err: unknown) => log.error({ err }, 'no backup could be made'))
  }, UPKEEP_MS)
  let leaving = false
  const leave = () => {
    if (leaving) return
    leaving = true
    clearInterval(upkeep)
    if (safe) safe.close()
    server.close(async () => {
      await work.close()
      await backups?.writeDown()
      await db.close()
      await unlock()
      process.exit(0)
    })
    for (const one of safe ? [server, safe] : [server]) {
      one.closeIdleConnections()
      setTimeout(() => one.closeAllConnections(), STREAMS_MS).unref()
    }
  }
  const starter = Number(process.env.JUVANT_STARTER)
  if (starter > 0) setInterval(() => process.ppid !== starter && leave(), STARTER_MS).unref()
  process.on('SIGINT', leave)
  process.on('SIGTERM', leave)
  // told last: whoever hears it may end the program at once
  if (safe) console.log(`Other devices reach it safely at https://${name}:${safePort}/`)
  console.log(`Juvant is ready at http://${name}:${port}/`)
}

main().catch((error: unknown) => {
  if (
    error instanceof ClockRefused ||
    error instanceof FolderInUse ||
    error instanceof UnusableFolder ||
    error instanceof NewerData ||
    error instanceof UnreadableBackup ||
    error instanceof DatabaseAway ||
    error instanceof Refusal
  )
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
