import { randomUUID } from 'node:crypto'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import request from 'supertest'
import type { Photo, StoredVisit } from '@contract'
import { buildApp } from './app'
import type { Db } from './db/db'
import { archiveBytes, filesOf } from './fixtures/archives'
import { jpegOf } from './fixtures/jpeg'
import { PLAIN_BEGINNING, seed } from './seed'
import { openMigrated } from './fixtures/db'

async function room() {
  const db = await openMigrated()
  await seed(db, PLAIN_BEGINNING, '2026-11-25')
  const incoming = join(mkdtempSync(join(tmpdir(), 'juvant-photos-')), 'incoming')
  return { db, app: request(buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true, incoming })) }
}
let db: Db
let app: Awaited<ReturnType<typeof room>>['app']
let dogId: string
let visit: StoredVisit

beforeAll(async () => {
  ;({ db, app } = await room())
  const dog = { name: 'Moss', weightKg: 7, coat: 'wire', owner: 'Ivo Lind', ownerContact: '555' }
  dogId = (await app.post('/api/dogs').send(dog).expect(201)).body.id
  visit = (
    await app
      .post('/api/visits')
      .send({ dogId, today: { date: '2026-11-28' } })
      .expect(201)
  ).body
})
afterAll(() => db.close())

const photo = (more: object = {}, jpeg = jpegOf()) => ({
  dogId,
  shows: 'before',
  takenAt: '2026-11-28T08:00:00.000Z',
  content: jpeg.toString('base64'),
  ...more,
})
const list = async (query: object): Promise<Photo[]> => (await app.get('/api/photos').query(query).expect(200)).body
const picture = (id: string) => app.get(`/api/photos/${id}/picture.jpg`)

test('a photograph is kept with its dog and visit, without place and time, and comes back as a JPEG', async () => {
  const made = (
    await app
      .post('/api/photos')
      .send(photo({ visitId: visit.id, note: 'left flank' }))
      .expect(201)
  ).body
  expect(made).toMatchObject({ dogId, visitId: visit.id, shows: 'before', width: 40, height: 30, note: 'left flank' })
  expect(await list({ dog: dogId })).toEqual([made])
  expect(await list({ visit: visit.id })).toEqual([made])
  expect(await list({ dog: randomUUID() })).toEqual([])
  const { body, type } = await picture(made.id).expect(200)
  expect(type).toBe('image/jpeg')
  expect((body as Buffer).toString('latin1')).toContain('pixels')
  expect((body as Buffer).toString('latin1')).not.toContain('place and time')
})

test('sent twice it is kept once', async () => {
  const id = randomUUID()
  const before = (await list({ dog: dogId })).length
  for (let i = 0; i < 2; i++) await app.post('/api/photos').send(photo({ id })).expect(201)
  expect((await list({ dog: dogId })).length).toBe(before + 1)
})

test.each([
  ['no picture', { content: Buffer.from('not a picture').toString('base64') }, /whole JPEG/],
  ['too many pixels', { content: jpegOf({ width: 9000 }).toString('base64') }, /Scale it down/],
  ['too large', { content: 'A'.repeat(4_100_000) }, /larger than 3 MB/],
  ['not base64', { content: '%%%' }, /base64/],
  ['a long note', { note: 'x'.repeat(121) }, /120/],
])('%s is refused with what to do, and nothing is kept', async (_, more, why) => {
  const before = await list({ dog: dogId })
  const { body } = await app.post('/api/photos').send(photo(more)).expect(422)
  expect(JSON.stringify(body)).toMatch(why)
  expect(await list({ dog: dogId })).toEqual(before)
})

test('a disk that is nearly full says so, and a photograph is kept once there is room', async () => {
  let free = 50 * 1024 * 1024
  const tight = request(buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true, free: () => free }))
  const id = randomUUID()
  const { body } = await tight.post('/api/photos').send(photo({ id })).expect(507)
  expect(body.title).toBe('The disk is nearly full')
  expect((await list({ dog: dogId })).some((p) => p.id === id)).toBe(false)
  free *= 10
  await tight.post('/api/photos').send(photo({ id })).expect(201)
})

test('a dog that isn’t there has none, nor has a visit of another dog', async () => {
  await app
    .post('/api/photos')
    .send(photo({ dogId: randomUUID() }))
    .expect(404)
  const other = (await app.post('/api/dogs').send({ name: 'Fig', weightKg: 8, coat: 'smooth' }).expect(201)).body.id
  await app
    .post('/api/photos')
    .send(photo({ dogId: other, visitId: visit.id }))
    .expect(404)
})

test('deleted it is gone: no picture, no trace of what it showed', async () => {
  const { id } = (
    await app
      .post('/api/photos')
      .send(photo({}, jpegOf({ scan: 'a secret' })))
      .expect(201)
  ).body
  await app.delete(`/api/photos/${id}`).expect(204)
  await picture(id).expect(404)
  await app.delete(`/api/photos/${id}`).expect(404)
  const { rows } = await db.query<{ n: number }>(
    `select count(*)::int as n from changes where before::text like '%' || $1 || '%'`,
    [Buffer.from('a secret').toString('base64').slice(0, 8)],
  )
  expect(rows[0]!.n).toBe(0)
})

test('an archive takes photographs along; one whose visit isn’t there stays with its dog', async () => {
  const there = await room()
  const bytes = await archiveBytes(app)
  expect(JSON.parse(filesOf(bytes)['photos/2026.json']!)).toHaveLength((await list({ dog: dogId })).length)
  const look = await there.app.post('/api/archive/preview').set('content-type', 'application/zip').send(bytes)
  expect(look.status).toBe(200)
  await there.app.post('/api/archive/take').send({ token: look.body.token, over: true, house: true }).expect(200)
  const taken = (await there.app.get('/api/photos').query({ dog: dogId }).expect(200)).body as Photo[]
  expect(taken).toEqual(await list({ dog: dogId }))
  const { body } = await there.app.get(`/api/photos/${taken[0]!.id}/picture.jpg`).expect(200)
  expect((body as Buffer).toString('latin1')).toContain('pixels')
  expect(filesOf(await archiveBytes(there.app))['photos/2026.json']).toBe(filesOf(bytes)['photos/2026.json'])
  await there.db.close()
})

test('an owner gets them with the record; they go with the dogs when the owner’s data goes', async () => {
  const { body } = await app.get(`/api/dogs/${dogId}/record.json`).expect(200)
  expect(body.photos[0].content).toBe((await picture(body.photos[0].id)).body.toString('base64'))
  const data = (await app.get(`/api/dogs/${dogId}/owner`).expect(200)).body
  expect(data.photos).toBe(body.photos.length)
  await app.post(`/api/dogs/${dogId}/owner/erase`).send({ what: 'dogs' }).expect(200)
  expect(await list({ dog: dogId })).toEqual([])
  const { rows } = await db.query<{ n: number }>('select count(*)::int as n from photos')
  expect(rows[0]!.n).toBe(0)
})
