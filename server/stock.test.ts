import { randomUUID } from 'node:crypto'
import { pino } from 'pino'
import request from 'supertest'
import type { StockLine, StoredMovement, StoredProduct, StoredVisit } from '@contract'
import { levelOf } from '@core/stock'
import { pastDays } from '../demo/past'
import { DEMO } from '../demo/scenario'
import { buildApp } from './app'
import type { Db } from './db/db'
import { migrate } from './db/migrate'
import { seed, type Beginning } from './seed'
import { MIGRATIONS, openMigrated, openPlain } from './fixtures/db'

let db: Db
let app: ReturnType<typeof buildApp>
beforeAll(async () => {
  db = await openMigrated()
  await seed(db, { ...DEMO, past: undefined }, '2026-11-25')
  app = buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true })
})
afterAll(() => db.close())

const on = '2026-11-28'
const add = async (record: object) =>
  (await request(app).post('/api/products').send(record).expect(201)).body as StoredProduct
const move = (id: string, kind: string, mL: number, at = `${on}T08:00:00Z`) =>
  request(app).post(`/api/products/${id}/movements`).send({ kind, mL, at })
const stockOf = async (id: string) =>
  ((await request(app).get('/api/stock').query({ on }).expect(200)).body as StockLine[]).find(
    (l) => l.productId === id,
  )!
const movements = async (id: string) =>
  (await request(app).get(`/api/products/${id}/movements`).expect(200)).body as StoredMovement[]

test('a bottle is opened, counted and thrown away; a count puts the level right and rewrites nothing', async () => {
  const { id } = await add({ name: 'Plain', kind: 'cleaning', ratio: '1:10' })
  expect(await stockOf(id)).toMatchObject({ level: null, buy: null })
  await move(id, 'opened', 1000, '2026-11-01T08:00:00Z').expect(201)
  await move(id, 'counted', 400, '2026-11-10T08:00:00Z').expect(201)
  const { body: lost } = await move(id, 'lost', 50, '2026-11-12T08:00:00Z').expect(201)
  expect(await stockOf(id)).toMatchObject({ level: 350 })
  expect((await movements(id)).map((m) => m.kind)).toEqual(['lost', 'counted', 'opened'])
  await request(app).delete(`/api/movements/${lost.id}`).expect(204)
  expect(await stockOf(id)).toMatchObject({ level: 400 })
  await move(id, 'thrown', 400, '2026-11-20T08:00:00Z').expect(201)
  expect(await stockOf(id)).toMatchObject({ level: 0, buy: { code: 'stock.empty' } })
})

test.each([
  [{ kind: 'opened', mL: -1, at: `${on}T08:00:00Z` }, 'mL'],
  [{ kind: 'used', mL: 10, at: `${on}T08:00:00Z` }, 'kind'],
  [{ kind: 'lost', mL: 10, at: 'yesterday' }, 'at'],
  [{ kind: 'lost', mL: 10, at: `${on}T08:00:00Z`, note: 'x'.repeat(201) }, 'note'],
])('%j is refused and says where', async (body, field) => {
  const { id } = await add({ name: 'Bad', kind: 'cleaning', ratio: '1:10' })
  const { body: problem } = await request(app).post(`/api/products/${id}/movements`).send(body).expect(422)
  expect(problem.errors.map((e: { field: string }) => e.field)).toContain(field)
  expect(await movements(id)).toEqual([])
})

test('a product deleted elsewhere: what is written down of it is refused with what is so', async () => {
  const { id } = await add({ name: 'Gone', kind: 'cleaning', ratio: '1:10' })
  await request(app).delete(`/api/products/${id}`).expect(204)
  expect((await move(id, 'opened', 1000).expect(404)).body.detail).toMatch(/product/i)
  await request(app).delete(`/api/movements/${randomUUID()}`).expect(404)
})

describe('a visit', () => {
  let visit: StoredVisit
  const events = (ids: string[], end = true) => {
    let minute = 0
    const at = () => Date.UTC(2026, 10, 28, 9, minute++)
    const event = (kind: string, more: object = {}) => ({ id: randomUUID(), at: at(), device: 'test', kind, ...more })
    return [
      ...ids.flatMap((step) => [event('step', { step }), event('done', { step })]),
      ...(end ? [event('finish')] : []),
    ]
  }
  const tap = (list: object[]) => request(app).post(`/api/visits/${visit.id}/events`).send({ events: list })

  test('uses what was done, no more; its bottle goes down by that, and up again when the visit is deleted', async () => {
    const dogs = (await request(app).get('/api/dogs')).body as { id: string; record: { name: string } }[]
    const dogId = dogs.find((d) => d.record.name === 'Moss')!.id
    visit = (
      await request(app)
        .post('/api/visits')
        .send({ dogId, today: { date: on } })
        .expect(201)
    ).body
    const [first, second] = visit.plan.mix.passes
    const product = first!.mixes[0]!.product.id
    await move(product, 'counted', 500, '2026-11-27T08:00:00Z').expect(201)
    await tap(events(['look', 'lift-in', 'wet', 'lather-1'])).expect(200)
    const used = first!.mixes.filter((m) => m.product.id === product).reduce((sum, m) => sum + m.productMl, 0)
    const more = second!.mixes.filter((m) => m.product.id === product).reduce((sum, m) => sum + m.productMl, 0)
    expect(used).toBeGreaterThan(1)
    expect(more).toBeGreaterThan(1)
    const left = await stockOf(product)
    expect(left.level).toBeCloseTo(500 - used, 6)
    expect(left.perWashDay).toBeCloseTo(used, 6)
    expect(left.washDaysLeft).toBeCloseTo((500 - used) / used, 6)
    const list = await movements(product)
    expect(left.level).toBeCloseTo(levelOf(list)!, 6)
    expect(list[0]).toMatchObject({ kind: 'used', visitId: visit.id })
    await request(app).delete(`/api/movements/${list[0]!.id}`).expect(404)
    await request(app).delete(`/api/visits/${visit.id}`).expect(204)
    expect(await stockOf(product)).toMatchObject({ level: 500, perWashDay: null })
  })
})

test('what visits used before there was a stock is told from their outcomes, once', async () => {
  const old = await openPlain()
  const folder = MIGRATIONS
  await migrate(old, folder)
  const past: Beginning['past'] = (all, shelf, house, last) => pastDays({ dogs: all, house }, shelf, last, { weeks: 6 })
  await seed(old, { ...DEMO, past }, '2026-11-25')
  const { rows: before } = await old.query<{ mL: number; count: number }>(
    `select sum(ml) as "mL", count(*)::int as count from movements m join products p on p.id = m.product_id
      where m.kind = 'used' and p.record ->> 'kind' not like 'ear%'`,
  )
  // as it was before the stock: the table gone, and the outcomes without the ids of their products
  await old.query('drop table movements cascade')
  await old.query('drop function tell_stock cascade')
  await old.query("delete from migrations where name = '0007_stock.sql'")
  await old.query(
    `update outcomes set record = jsonb_set(record, '{used}', (select coalesce(jsonb_agg(u - 'id'), '[]') from jsonb_array_elements(record -> 'used') u))`,
  )
  expect(await migrate(old, folder)).toEqual(['0007_stock.sql'])
  const { rows: after } = await old.query<{ mL: number; count: number }>(
    'select sum(ml) as "mL", count(*)::int as count from movements',
  )
  expect(before[0]!.count).toBeGreaterThan(20)
  expect(after[0]!.count).toBe(before[0]!.count)
  expect(after[0]!.mL).toBeCloseTo(before[0]!.mL, 3)
  await old.close()
})
