import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { Dog } from '../core/dog'
import { Product, ProductKind, SAMPLES } from '../core/mix'
import { planVisit, Today } from '../core/visit'
import { DEMO } from '../demo/scenario'
import { projectRoot } from '../server/config'
import { openInMemory } from '../server/db/db'
import { migrate } from '../server/db/migrate'
import { allProducts, shelf } from '../server/db/products'
import { movementsOf, stockOn } from '../server/db/stock'
import { seed } from '../server/seed'

const median = (times: number[]) => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!
async function timed(work: () => unknown, runs = 9): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < runs; i++) {
    const from = performance.now()
    await work()
    times.push(performance.now() - from)
  }
  return median(times)
}

/** What a large shelf costs on the server, ms: the list, how all of it stands, one bottle's movements, and one recipe with it. */
export interface ShelfTimes {
  movements: number
  list: number
  stock: number
  one: number
  recipe: number
}

/** A shelf of so many bottles with years of movements: a few used on every washing day, counted now and then. */
export async function largeShelf(bottles: number, years: number): Promise<ShelfTimes> {
  const db = await openInMemory()
  await migrate(db, join(projectRoot(), 'server/db/migrations'))
  await seed(db, { ...DEMO, past: undefined, left: {} }, '2026-11-25')
  const kinds = ProductKind.options
  const records = Array.from({ length: bottles - DEMO.products.length }, (_, i) =>
    Product.parse({ ...SAMPLES[kinds[i % kinds.length]!], name: `Bottle ${i}`, sizeMl: 1000, contains: ['oat'] }),
  )
  await db.query('insert into products (record) select r from jsonb_array_elements($1::jsonb) as r', [
    JSON.stringify(records),
  ])
  const { rows } = await db.query<{ id: string }>('select id from dogs limit 1')
  // four visits on each of two washing days a week, three bottles each
  await db.query(
    `insert into visits (id, dog_id, date, engine, inputs, plan)
       select gen_random_uuid(), $1::uuid, date '2026-11-25' - d, 'bench', '{}', '{}'
         from generate_series(0, $2::int, 4) as d, generate_series(1, 4)`,
    [rows[0]!.id, years * 365],
  )
  await db.query(
    `insert into outcomes (visit_id, dog_id, date, coat, record, summary)
       select id, dog_id, date, 'smooth', '{}', '{}' from visits where engine = 'bench'`,
  )
  await db.query(
    `insert into movements (product_id, kind, ml, at, visit_id)
       select p.id, 'used', 20, v.date + time '10:00', v.id
         from (select id, date, row_number() over () as n from visits where engine = 'bench') as v,
              (select id, row_number() over () as n from products) as p
        where p.n % $1::int in ((v.n * 7) % $1::int, (v.n * 11 + 1) % $1::int, (v.n * 13 + 2) % $1::int)`,
    [bottles],
  )
  await db.query(
    `insert into movements (product_id, kind, ml, at)
       select id, case when k % 3 = 0 then 'counted' else 'opened' end, 1000, date '2026-11-25' - k * 60 + time '08:00'
         from products, generate_series(1, $1::int) as k`,
    [years * 6],
  )
  const count = await db.query<{ n: number }>('select count(*)::int as n from movements')
  const planned = await shelf(db)
  const dog = Dog.parse({ name: 'Bench', coat: 'drop', weightKg: 8 })
  const today = Today.parse({ date: '2026-11-25', skin: ['itchy'] })
  const first = (await allProducts(db))[0]!.id
  const times = {
    movements: count.rows[0]!.n,
    list: await timed(() => allProducts(db)),
    stock: await timed(() => stockOn(db, '2026-11-25')),
    one: await timed(() => movementsOf(db, first)),
    recipe: await timed(() => planVisit(dog, today, planned, DEMO.house), 60),
  }
  await db.close()
  return times
}
