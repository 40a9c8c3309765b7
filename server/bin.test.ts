import { pino } from 'pino'
import request from 'supertest'
import type { DeletedThing, HistoryLine } from '@contract'
import { pastDays } from '../demo/past'
import { DEMO } from '../demo/scenario'
import { buildApp } from './app'
import type { Db } from './db/db'
import { seed } from './seed'
import { openMigrated } from './fixtures/db'

let db: Db
let app: ReturnType<typeof buildApp>
beforeAll(async () => {
  db = await openMigrated()
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

describe('the history of a record', () => {
  const history = (what: string, id: string) => get<HistoryLine[]>(`/history?what=${what}&id=${id}`)
  const goBack = (change: number) => request(app).post('/api/history/back').send({ change })

  test('tells what changed where, and one goes back a step; what it was stays', async () => {
    const { body: dog } = await request(app)
      .post('/api/dogs')
      .send({ name: 'Heather', weightKg: 9, coat: 'smooth' })
      .expect(201)
    const put = (version: number, more: object) =>
      request(app)
        .put(`/api/dogs/${dog.id}`)
        .send({ version, record: { ...dog.record, ...more } })
        .expect(200)
    await put(1, { weightKg: 12 })
    await put(2, { weightKg: 12, notes: 'shy' })
    // saved once more as it is: nothing to tell
    await put(3, { weightKg: 12, notes: 'shy' })
    await request(app).delete(`/api/dogs/${dog.id}`).expect(204)
    await request(app).post(`/api/dogs/${dog.id}/restore`).expect(200)
    const lines = await history('dogs', dog.id)
    expect(lines.map((l) => l.did)).toEqual(['brought back', 'deleted', 'changed', 'changed', 'made'])
    expect(lines.map((l) => [l.device, l.back])).toEqual([true, true, true, true, false].map((back) => [null, back]))
    expect(lines[2]!.places).toEqual([{ path: 'notes', was: '', is: 'shy' }])
    expect(lines[3]!.places).toEqual([{ path: 'weightKg', was: 9, is: 12 }])
    await goBack(lines[3]!.change).expect(204)
    const now = await get<{ version: number; record: { weightKg: number; notes: string } }>(`/dogs/${dog.id}`)
    expect(now).toMatchObject({ record: { weightKg: 9, notes: '' } })
    // a version that somebody still has is an old one
    expect(now.version).toBeGreaterThan(4)
    await put(now.version, { weightKg: 10 })
    expect((await history('dogs', dog.id)).slice(0, 2).map((l) => l.places.find((p) => p.path === 'weightKg'))).toEqual(
      [
        { path: 'weightKg', was: 9, is: 10 },
        { path: 'weightKg', was: 12, is: 9 },
      ],
    )
    await goBack(lines[4]!.change).expect(404)
    await goBack(999_999_999).expect(404)
  })

  test('of the house and of a day that was deleted', async () => {
    const house = await get<{ id: string; version: number; record: { name: string } }>('/house')
    const named = { ...house.record, name: 'Other room' }
    await request(app).put('/api/house').send({ version: house.version, record: named }).expect(200)
    const [line] = await history('house', house.id)
    expect(line!.places).toEqual([{ path: 'name', was: house.record.name, is: 'Other room' }])
    await goBack(line!.change).expect(204)
    expect((await get<typeof house>('/house')).record).toEqual(house.record)

    const day = await get<{ record: object }>('/days/2033-05-05')
    await request(app).put('/api/days/2033-05-05').send({ version: 0, record: day.record }).expect(200)
    const { rows } = await db.query<{ id: string }>("select id from days where date = '2033-05-05'")
    await request(app).delete('/api/days/2033-05-05').expect(204)
    const [gone] = await history('days', rows[0]!.id)
    expect(gone!.did).toBe('deleted')
    await goBack(gone!.change).expect(204)
    expect((await get<{ version: number }>('/days/2033-05-05')).version).toBeGreaterThan(1)
    await request(app).delete('/api/days/2033-05-05').expect(204)
    await request(app).put('/api/days/2033-05-05').send({ version: 0, record: day.record }).expect(200)
    await goBack(gone!.change).expect(409)
  })
})
