import { join } from 'node:path'
import { pino } from 'pino'
import request from 'supertest'
import type { DeletedThing } from '@contract'
import { pastDays } from '../demo/past'
import { DEMO } from '../demo/scenario'
import { buildApp } from './app'
import { projectRoot } from './config'
import { openDb, type Db } from './db/db'
import { migrate } from './db/migrate'
import { seed } from './seed'

let db: Db
let app: ReturnType<typeof buildApp>
beforeAll(async () => {
  db = await openDb()
  await migrate(db, join(projectRoot(), 'server/db/migrations'))
  await seed(
    db,
    { ...DEMO, past: (all, shelf, house, last) => pastDays({ dogs: all, house }, shelf, last, { weeks: 2 }) },
    '2026-11-25',
  )
  app = buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true })
})
afterAll(() => db.close())

const get = async <T = never>(path: string) => (await request(app).get(`/api${path}`).expect(200)).body as T
const bin = () => get<DeletedThing[]>('/bin')
const back = (what: string, id: string) => request(app).post('/api/bin/restore').send({ what, id })

test('a visit comes back with its taps, what they told, and what it used', async () => {
  const [{ id, date, dogName }] = await get<[{ id: string; date: string; dogName: string }]>('/visits?limit=1')
  const whole = async () => [
    await get(`/visits/${id}`),
    await get(`/visits/${id}/events`),
    await get(`/visits/${id}/outcome`),
    (await get<{ level: number | null }[]>('/stock?on=2026-11-28')).map((l) => l.level),
    (await get<{ count: number }>('/logbook')).count,
  ]
  const before = await whole()
  await request(app).delete(`/api/visits/${id}`).expect(204)
  await request(app).get(`/api/visits/${id}`).expect(404)
  expect((await bin())[0]).toMatchObject({ what: 'visits', id, date, name: dogName })
  await back('visits', id).expect(204)
  expect(await whole()).toEqual(before)
  expect(await bin()).toEqual([])
  await back('visits', id).expect(409)
})

test('a dog, a bottle and a day come back; a day isn’t put over another', async () => {
  const { body: dog } = await request(app).post('/api/dogs').send({ name: 'Gone', weightKg: 9, coat: 'smooth' })
  const { body: bottle } = await request(app)
    .post('/api/products')
    .send({ name: 'Gone too', kind: 'mask', ratio: 'ready to use' })
  const day = await get<{ id?: string; date: string; version: number; record: { seats: unknown[] } }>(
    '/days/2026-11-28',
  )
  expect(day.record.seats.length).toBeGreaterThan(0)
  await request(app).delete(`/api/dogs/${dog.id}`).expect(204)
  await request(app).delete(`/api/products/${bottle.id}`).expect(204)
  await request(app).delete('/api/days/2026-11-28').expect(204)
  const things = await bin()
  expect(things.map((t) => [t.what, t.name, t.date]).sort()).toEqual([
    ['days', '', '2026-11-28'],
    ['dogs', 'Gone', null],
    ['products', 'Gone too', null],
  ])
  const gone = things.find((t) => t.what === 'days')!
  const { version } = await get<{ version: number }>('/days/2026-11-28')
  await request(app)
    .put('/api/days/2026-11-28')
    .send({ version, record: { ...day.record, seats: [] } })
    .expect(200)
  await back('days', gone.id).expect(409)
  await request(app).delete('/api/days/2026-11-28').expect(204)
  await back('days', gone.id).expect(204)
  expect((await get<typeof day>('/days/2026-11-28')).record).toEqual(day.record)
  await back('dogs', dog.id).expect(204)
  await back('products', bottle.id).expect(204)
  expect((await get<{ record: { name: string } }>(`/dogs/${dog.id}`)).record.name).toBe('Gone')
  await back('dogs', '00000000-0000-4000-8000-000000000000').expect(404)
})

test('what was deleted longer ago than 30 days isn’t offered', async () => {
  const { body: dog } = await request(app).post('/api/dogs').send({ name: 'Long gone', weightKg: 9, coat: 'smooth' })
  await request(app).delete(`/api/dogs/${dog.id}`).expect(204)
  expect((await bin()).map((t) => t.name)).toContain('Long gone')
  await db.query("update dogs set deleted_at = now() - interval '31 days' where id = $1", [dog.id])
  expect((await bin()).map((t) => t.name)).not.toContain('Long gone')
})
