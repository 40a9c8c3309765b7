import { Router } from 'express'
import { LogQuery, MemoryQuery, type LogbookAnswer, type MemoryAnswer, type TaughtAnswer } from '../../contract'
import { logTables } from '../../core/logbook'
import type { Db } from '../db/db'
import { dogRecords } from '../db/dogs'
import { theHouse } from '../db/house'
import { loggedVisits, memoryOf, taught, wildNumbers } from '../memory'
import { parseInput } from '../problems'

/** How many visits a list shows at most; the charts are over all that were asked for. */
const MOST_LISTED = 200

/** The logbook: ended visits, the numbers of their charts, what they taught. */
export function logbookRoutes(db: Db): Router {
  const router = Router()
  router.get('/', async (req, res) => {
    const query = parseInput(LogQuery, req.query)
    const { all, asked: found } = await loggedVisits(db, query)
    const { record: house } = await theHouse(db)
    const dogs = new Map(all.map((b) => [b.dogId, b.dog]))
    const products = new Set(all.flatMap((b) => b.used.map((u) => u.name)))
    const answer: LogbookAnswer = {
      visits: found.slice(0, MOST_LISTED),
      count: found.length,
      dogs: [...dogs].map(([id, name]) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name)),
      products: [...products].sort(),
      tables: logTables(found, house.prices.currency),
    }
    res.json(answer)
  })
  router.get('/taught', async (_req, res) => {
    const wild = await wildNumbers(db)
    const answer: TaughtAnswer = {
      taught: await taught(db),
      wild: wild.slice(0, MOST_LISTED),
      wildCount: wild.length,
    }
    res.json(answer)
  })
  return router
}

/** What the log knows of dogs, as their plans use it. */
export function memoryRoutes(db: Db): Router {
  const router = Router()
  router.get('/', async (req, res) => {
    const { dogs } = parseInput(MemoryQuery, req.query)
    const answer: MemoryAnswer = { memory: {} }
    for (const id of dogs) {
      const dog = await dogRecords.find(db, id)
      if (dog) answer.memory[id] = await memoryOf(db, id, dog.record)
    }
    res.json(answer)
  })
  return router
}
