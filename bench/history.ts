import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { pino } from 'pino'
import { pastDays } from '../demo/past'
import { DEMO } from '../demo/scenario'
import { buildApp } from '../server/app'
import { projectRoot } from '../server/config'
import { openInMemory, type Db } from '../server/db/db'
import { migrate } from '../server/db/migrate'
import { seed } from '../server/seed'

/** What asking costs on the server's side with a long history, ms: first since a visit ended, and after that. */
export interface HistoryTimes {
  visits: number
  events: number
  logbook: number
  recipeFirst: number
  recipe: number
  /** A recipe right after a visit has ended. */
  recipeNext: number
  taught: number
}

const YEARS_BACK = 5

/** The demonstration's half year over and over until there are at least so many visits and events, with dates going back. */
export async function multiply(db: Db, visits: number, events: number, years = YEARS_BACK) {
  const count = async (table: string) =>
    Number((await db.query<{ n: string }>(`select count(*) as n from ${table}`)).rows[0]!.n)
  const [had, taps] = [await count('outcomes'), await count('visit_events')]
  const times = Math.ceil(Math.max(visits / had, events / taps)) - 1
  await db.query(
    'create table copies as select visit_id as old, gen_random_uuid() as new, k from outcomes, generate_series(1, $1::int) as k',
    [times],
  )
  const days = Math.floor((years * 365) / (times + 1))
  await db.query(
    `insert into visits (id, dog_id, date, engine, inputs, plan)
       select c.new, v.dog_id, v.date - c.k * $1::int, v.engine, v.inputs, v.plan from copies c join visits v on v.id = c.old`,
    [days],
  )
  await db.query(
    `insert into visit_events (id, visit_id, at, event)
       select gen_random_uuid(), c.new, e.at - c.k * $1::bigint * 86400000, e.event from copies c join visit_events e on e.visit_id = c.old`,
    [days],
  )
  await db.query(
    `insert into outcomes (visit_id, dog_id, date, coat, record, summary)
       select c.new, o.dog_id, o.date - c.k * $1::int, o.coat, o.record,
              o.summary || jsonb_build_object('visitId', c.new, 'date', to_char(o.date - c.k * $1::int, 'YYYY-MM-DD'))
         from copies c join outcomes o on o.visit_id = c.old`,
    [days],
  )
  await db.query(
    `insert into step_minutes (visit_id, kind, dog_id, coat, date, model, actual, aside)
       select c.new, m.kind, m.dog_id, m.coat, m.date - c.k * $1::int, m.model, m.actual, m.aside
         from copies c join step_minutes m on m.visit_id = c.old`,
    [days],
  )
  await db.query('drop table copies')
  await db.query('analyze')
  return { visits: await count('outcomes'), events: await count('visit_events') }
}

/** Five years of wash days, and how long the Logbook and a Recipe take to be answered. */
export async function longHistory(visits: number, events: number): Promise<HistoryTimes> {
  const db = await openInMemory()
  try {
    await migrate(db, join(projectRoot(), 'server/db/migrations'))
    const past = (
      dogs: typeof DEMO.dogs,
      shelf: Parameters<typeof pastDays>[1],
      house: typeof DEMO.house,
      last: string,
    ) => pastDays({ dogs, house }, shelf, last)
    await seed(db, { ...DEMO, past: (d, s, h, l) => past([...d], s, h, l) }, '2026-11-25')
    const made = await multiply(db, visits, events)
    const server = buildApp({ db, log: pino({ level: 'silent' }) }).listen(0, '127.0.0.1')
    await new Promise((resolve) => server.once('listening', resolve))
    const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
    const ask = async (...paths: string[]) => {
      const began = performance.now()
      const answers = await Promise.all(paths.map((p) => fetch(`${address}${p}`).then((r) => r.json())))
      return { ms: performance.now() - began, answers }
    }
    const [dogs] = (await ask('/dogs')).answers as [{ id: string; record: { name: string } }[]]
    const pesto = dogs.find((d) => d.record.name === 'Pesto')!.id
    const recipe = () => ask(`/dogs/${pesto}`, '/house', '/products', `/memory?dogs=${pesto}`)
    const middle = async (work: () => Promise<{ ms: number }>) => {
      const times: number[] = []
      for (let i = 0; i < 7; i++) times.push((await work()).ms)
      return times.sort((a, b) => a - b)[3]!
    }
    const recipeFirst = (await recipe()).ms
    const next = async () => {
      await db.query(
        "update outcomes set stamp = nextval('outcome_stamp') where visit_id = (select visit_id from outcomes limit 1)",
      )
      return recipe()
    }
    const times = {
      ...made,
      recipeFirst,
      recipe: await middle(recipe),
      recipeNext: await middle(next),
      logbook: await middle(() => ask('/logbook')),
      taught: (await ask('/logbook/taught')).ms,
    }
    server.closeAllConnections()
    server.close()
    return times
  } finally {
    await db.close()
  }
}
