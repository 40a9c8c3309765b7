import { join } from 'node:path'
import compression from 'compression'
import express, { type Express, type RequestHandler } from 'express'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { change, DogQuery } from '../contract'
import { Dog, Finding } from '../core/dog'
import { House } from '../core/house'
import { Product } from '../core/mix'
import { ENGINE } from '../core/visit'
import { Standing } from '../core/washday'
import type { Db } from './db/db'
import { allStandings, standingRecords } from './db/days'
import { addDog, dogRecords, findDogs } from './db/dogs'
import { addFinding, findingRecords, findingsOf } from './db/findings'
import { houseRecords, theHouse } from './db/house'
import { allProducts, productRecords } from './db/products'
import { practiceInstruments } from './devices/instruments'
import { openApiDocument } from './openapi'
import { conflict, noSuchRoute, notFound, parseInput, problemHandler, Refusal } from './problems'
import { calendarRoutes } from './routes/calendar'
import { dayRoutes } from './routes/days'
import { instrumentRoutes } from './routes/instruments'
import { logbookRoutes, memoryRoutes } from './routes/logbook'
import { idOf, recordRoutes } from './routes/records'
import { reckonRoutes } from './routes/reckon'
import { visitRoutes } from './routes/visits'

/** What the app is built from. `hosts`: names it answers to, undefined for any. `web`: folder of the built interface. */
export interface AppParts {
  db: Db
  log: Logger
  hosts?: readonly string[]
  web?: string
}

/** Answers only to the names it is known by, so that a foreign page can't reach it through a name of its own. */
function knownHosts(hosts: readonly string[]): RequestHandler {
  return (req, _res, next) => {
    const name = (req.headers.host ?? '').replace(/:\d+$/, '').replace(/^\[|\]$/g, '')
    if (!hosts.includes(name)) throw new Refusal(421, 'Unknown host', `This server answers to ${hosts.join(', ')}.`)
    next()
  }
}

/** Bodies are JSON or nothing: a form from a foreign page is refused. */
const jsonOnly: RequestHandler = (req, _res, next) => {
  const hasBody = Number(req.headers['content-length'] ?? 0) > 0 || req.headers['transfer-encoding'] !== undefined
  if (hasBody && !req.is('application/json')) throw new Refusal(415, 'Not JSON', 'Send application/json in UTF-8.')
  next()
}

function houseRoutes(db: Db) {
  const router = express.Router()
  router.get('/', async (_req, res) => {
    res.json(await theHouse(db))
  })
  router.put('/', async (req, res) => {
    const { version, record } = parseInput(change(House), req.body)
    const changed = await houseRecords.change(db, (await theHouse(db)).id, version, record)
    if (changed.state === 'missing') throw notFound('house')
    if (changed.state === 'conflict') throw conflict(changed.row)
    res.json(changed.row)
  })
  return router
}

function api(db: Db) {
  const router = express.Router()
  const document = openApiDocument()
  router.use(jsonOnly)
  router.use('/calendar', express.json({ limit: '16mb' }), calendarRoutes(db))
  router.use(express.json({ limit: '1mb' }))
  router.get('/health', (_req, res) => {
    res.json({ ready: true, engine: ENGINE })
  })
  router.get('/openapi.json', (_req, res) => {
    res.json(document)
  })
  router.get('/dogs', async (req, res) => {
    res.json(await findDogs(db, parseInput(DogQuery, req.query)))
  })
  router.get('/dogs/:id/findings', async (req, res) => {
    res.json(await findingsOf(db, idOf('dog', req.params.id)))
  })
  router.post('/dogs/:id/findings', async (req, res) => {
    const dog = await dogRecords.find(db, idOf('dog', req.params.id))
    if (!dog) throw notFound('dog')
    res.status(201).json(await addFinding(db, dog.id, parseInput(Finding, req.body)))
  })
  router.use('/findings', recordRoutes(db, 'finding', Finding, { ...findingRecords, add: undefined }))
  router.use('/dogs', recordRoutes(db, 'dog', Dog, { ...dogRecords, add: addDog }))
  router.get('/products', async (_req, res) => {
    res.json(await allProducts(db))
  })
  router.use('/products', recordRoutes(db, 'product', Product, productRecords))
  router.use('/house', houseRoutes(db))
  router.use('/visits', visitRoutes(db))
  router.use('/instruments', instrumentRoutes(db, practiceInstruments()))
  router.use('/logbook', logbookRoutes(db))
  router.use('/memory', memoryRoutes(db))
  router.use('/days', dayRoutes(db))
  router.get('/standings', async (_req, res) => {
    res.json(await allStandings(db))
  })
  router.use('/standings', recordRoutes(db, 'standing dog', Standing, standingRecords))
  router.use('/reckon', reckonRoutes())
  router.use(noSuchRoute)
  return router
}

/** The interface's files: hashed assets for a year, every other address the one page. */
function webFiles(folder: string) {
  const router = express.Router()
  router.use('/assets', express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }))
  router.use(express.static(folder, { index: false }))
  router.get(/.*/, (_req, res) => {
    res.set('Cache-Control', 'no-cache').sendFile('index.html', { root: folder })
  })
  return router
}

/** Builds the app from its parts; testable without a port. */
export function buildApp({ db, log, hosts, web }: AppParts): Express {
  const app = express()
  app.disable('x-powered-by')
  if (hosts) app.use(knownHosts(hosts))
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  )
  app.use(compression())
  app.use('/api', api(db))
  if (web) app.use(webFiles(web))
  app.use(problemHandler(log))
  return app
}
