import { logTables } from '@core/logbook'
import type { MemoryAnswer } from '@contract'
import type { Db } from '../../db/db'
import { dogRecords } from '../../db/dogs'
import { theHouse } from '../../db/house'
import { loggedVisits, memoryOf, taught, wildNumbers } from '../../usecases/memory'
import type { ServerWork } from '../../work/jobs'
import type { Handlers } from '../register'

/** How many rows a table has at most: what it says is over all that were asked for. */
const MOST_ROWS = 400
/** How many numbers that are set aside are told. */
const MOST_WILD = 200

/** The logbook: ended visits, the numbers of their charts, what they taught, what the log knows of dogs. */
export const logbookHandlers = (db: Db, work: ServerWork) =>
  ({
    'GET /logbook': async ({ query }) => {
      const { all, asked: found } = await loggedVisits(db, query)
      const { record: house } = await theHouse(db)
      const dogs = new Map(all.map((b) => [b.dogId, b.dog]))
      const products = new Set(all.flatMap((b) => b.used.map((u) => u.name)))
      return {
        visits: found.slice(0, query.most),
        count: found.length,
        dogs: [...dogs].map(([id, name]) => ({ id, name })).sort((a, b) => a.name.localeCompare(b.name)),
        products: [...products].sort(),
        tables: query.figures === 'yes' ? logTables(found, house.prices.currency, MOST_ROWS) : [],
      }
    },
    'GET /logbook/taught': async () => {
      const [{ made: wild, older }, found] = await Promise.all([wildNumbers(db, work), taught(db, work)])
      return {
        taught: found.made,
        wild: wild.slice(0, MOST_WILD),
        wildCount: wild.length,
        older: older || found.older,
      }
    },
    'GET /memory': async ({ query }) => {
      const memory: MemoryAnswer['memory'] = {}
      for (const id of query.dogs) {
        const dog = await dogRecords.find(db, id)
        if (dog) memory[id] = await memoryOf(db, id, dog.record)
      }
      return { memory }
    },
  }) satisfies Partial<Handlers>
