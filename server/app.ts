import { tmpdir } from 'node:os'
import { join } from 'node:path'
import compression from 'compression'
import express, { type Express, type RequestHandler } from 'express'
import expressStaticGzip, { type ExpressStaticGzipOptions } from 'express-static-gzip'
import helmet from 'helmet'
import type { Logger } from 'pino'
import type { Db } from './db/db'
import { theHouse } from './db/house'
import { stands } from './db/stored'
import { handlersFor } from './http/handlers'
import type { Reached } from './http/handlers/devices'
import { Devices } from './access/devices'
import { knownHosts, paired } from './access/guard'
import type { Keeper } from './backup/keeper'
import { LEAST_FREE } from './folder'
import type { Beginning } from './seed'
import { register } from './http/register'
import { JOBS, type ServerWork } from './work/jobs'
import { workHere } from './work/work'
import { Archives } from './usecases/archives'
import { tellAsks } from './log'
import { noSuchRoute, problemHandler, Refusal } from './problems'
import { Wellness } from './wellness'

/** What the app is built from. `hosts`: names it answers to, undefined for any. `devices`: who lets in others than the machine itself, undefined: nobody is kept out. `reachable`: where others reach it. `web`: folder of the built interface. `checkAnswers`: fail where an answer isn't what the table of endpoints says (tests). */
export interface AppParts {
  db: Db
  log: Logger
  hosts?: readonly string[]
  devices?: Devices
  reachable?: () => Reached
  web?: string
  checkAnswers?: boolean
  /** What an empty room may be shown with. */
  demonstration?: Beginning
  /** Where long jobs are done; on the spot without. */
  work?: ServerWork
  /** Free space where the data lies, bytes; unknown without. */
  free?: () => number
  /** Who makes backups; none: there are none. */
  backups?: Keeper
  /** Who looks at how well it is kept; one of its own without. */
  wellness?: Wellness
  /** Where files that are sent lie until they are taken; the system's place for what doesn't last without. */
  incoming?: string
}

const NOWHERE: Reached = { safe: [], plain: [], fingerprint: null }
const CHANGING = ['POST', 'PUT', 'PATCH', 'DELETE']

/** Asks that change something are refused while the disk is nearly full: what is kept stays whole. */
const roomToWrite =
  (free: () => number): RequestHandler =>
  (req, _res, next) => {
    if (CHANGING.includes(req.method) && !req.path.startsWith('/reckon/') && free() < LEAST_FREE)
      throw new Refusal(
        507,
        'The disk is nearly full',
        'Nothing more is written until there is room: make some on the disk where the data lies. What is kept is safe, and what you typed stays here.',
      )
    next()
  }

/** Devices go by this clock, so that what they tell has one order. */
const tellTime: RequestHandler = (_req, res, next) => {
  res.set('X-Juvant-Now', String(Date.now()))
  next()
}

/** Bodies are JSON, an archive or nothing: a form from a foreign page is refused. */
const jsonOnly: RequestHandler = (req, _res, next) => {
  const hasBody = Number(req.headers['content-length'] ?? 0) > 0 || req.headers['transfer-encoding'] !== undefined
  if (hasBody && !req.is(['application/json', 'application/zip']))
    throw new Refusal(415, 'Not JSON', 'Send application/json in UTF-8.')
  next()
}

function api({ db, checkAnswers = false, work = workHere(JOBS), free, demonstration, backups, ...parts }: AppParts) {
  const router = express.Router()
  const devices = parts.devices ?? new Devices(db)
  const incoming = parts.incoming ?? join(tmpdir(), `juvant-incoming-${process.pid}`)
  const archives = new Archives(db, work, incoming, backups)
  router.use(tellTime)
  if (parts.devices) router.use(paired(devices))
  router.use(jsonOnly)
  if (free) router.use(roomToWrite(free))
  router.use(
    register(
      handlersFor(
        db,
        work,
        { demonstration, backups, free },
        {
          devices,
          archives,
          reachable: parts.reachable ?? (() => NOWHERE),
          wellness: parts.wellness ?? new Wellness({ db, backups, free, work }),
        },
      ),
      {
        checkAnswers,
        incoming,
        stands: (table, id) => stands(db, table, id),
        tellsMoney: async () => (await theHouse(db)).record.priceList.atTub,
      },
    ),
  )
  router.use(noSuchRoute)
  return router
}

/** The interface's files: hashed assets for a year, every other address the one page. The build has packed them already. */
function webFiles(folder: string) {
  const router = express.Router()
  const packed: ExpressStaticGzipOptions = { enableBrotli: true, orderPreference: ['br', 'gz'], index: false }
  router.use(
    '/assets',
    expressStaticGzip(join(folder, 'assets'), {
      ...packed,
      serveStatic: { immutable: true, maxAge: '1y' },
    }),
    noSuchRoute,
  )
  router.use(expressStaticGzip(folder, packed))
  router.get(/.*/, (_req, res) => {
    res.set('Cache-Control', 'no-cache').sendFile('index.html', { root: folder })
  })
  return router
}

/** Builds the app from its parts; testable without a port. */
export function buildApp(parts: AppParts): Express {
  const { log, hosts, web } = parts
  const app = express()
  app.disable('x-powered-by')
  if (hosts) app.use(knownHosts(hosts))
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'", 'data:'],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  )
  app.use(compression())
  app.use('/api', tellAsks(log), api(parts))
  if (web) app.use(webFiles(web))
  app.use(problemHandler(log))
  return app
}
