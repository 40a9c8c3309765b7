import { randomUUID } from 'node:crypto'
import { pino } from 'pino'
import request from 'supertest'
import type { StoredAnswers } from '@contract'
import { buildApp } from './app'
import type { Db } from './db/db'
import { PLAIN_BEGINNING, seed } from './seed'
import { openMigrated } from './fixtures/db'

let db: Db
let app: ReturnType<typeof request>
beforeAll(async () => {
  db = await openMigrated()
  await seed(db, PLAIN_BEGINNING, '2026-11-25')
  app = request(buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true }))
})
afterAll(() => db.close())

const addDog = async (name: string): Promise<string> =>
  (await app.post('/api/dogs').send({ name, weightKg: 11, coat: 'drop' }).expect(201)).body.id
const answersOf = async (id: string): Promise<StoredAnswers[]> =>
  (await app.get(`/api/dogs/${id}/answers`).expect(200)).body
/** A visit of a date that was worked through and has ended. */
async function visited(dogId: string, date: string): Promise<string> {
  const { id } = (await app.post('/api/visits').send({ dogId, today: { date } }).expect(201)).body
  const at = Date.parse(`${date}T08:00:00Z`)
  const events = [
    { kind: 'step', step: 'wet', at },
    { kind: 'finish', at: at + 600_000 },
  ].map((e) => ({ id: randomUUID(), device: '', ...e }))
  await app.post(`/api/visits/${id}/events`).send({ events }).expect(200)
  return id
}
const after = (date: string, more: object = {}) => ({
  said: { kind: 'after', date, answers: { scratching: 'much', earShaking: true, dampSmell: false, ...more } },
})

test('answers before a visit are kept once under an id, listed and deleted', async () => {
  const dog = await addDog('Saffron')
  const id = randomUUID()
  const said = { kind: 'before', date: '2026-12-05', answers: { mats: 'few', matsAt: ['tail'], fleas: 'maybe' } }
  for (let i = 0; i < 2; i++) await app.post(`/api/dogs/${dog}/answers`).send({ id, said }).expect(201)
  const [kept, ...none] = await answersOf(dog)
  expect(none).toEqual([])
  expect(kept).toMatchObject({ id, dogId: dog, kind: 'before', date: '2026-12-05' })
  expect(kept!.answers).toMatchObject({ mats: 'few', matsAt: ['tail'], fleas: 'maybe', ears: 'fine' })
  await app.delete(`/api/answers/${id}`).expect(204)
  expect(await answersOf(dog)).toEqual([])
  await app.delete(`/api/answers/${id}`).expect(404)
})

test.each([
  ['weeks out of range', { kind: 'before', date: '2026-12-05', answers: { lastBathWeeks: 999 } }],
  ['a zone that isn’t', { kind: 'before', date: '2026-12-05', answers: { matsAt: ['wing'] } }],
  ['no such date', { kind: 'before', date: '2026-13-41', answers: {} }],
  ['half an answer', { kind: 'after', date: '2026-12-05', answers: { scratching: 'no' } }],
])('%s is refused', async (_, said) => {
  const dog = await addDog('Quill')
  await app.post(`/api/dogs/${dog}/answers`).send({ said }).expect(422)
  expect(await answersOf(dog)).toEqual([])
})

test('two days after a visit its owner is to be asked, until there is an answer; the next plan is told', async () => {
  const dog = await addDog('Juniper')
  const visitId = await visited(dog, '2026-11-20')
  const asked = async (on: string) =>
    ((await app.get('/api/followups').query({ on }).expect(200)).body as { dogId: string }[]).filter(
      (f) => f.dogId === dog,
    )
  expect(await asked('2026-11-21')).toEqual([])
  expect(await asked('2026-11-22')).toEqual([{ dogId: dog, name: 'Juniper', date: '2026-11-20', visitId }])
  expect(await asked('2026-12-20')).toEqual([])
  const plan = async () =>
    (
      await app
        .post('/api/visits')
        .send({ dogId: dog, today: { date: '2026-12-05' } })
        .expect(201)
    ).body.plan
  const before = await plan()
  await app.post(`/api/dogs/${dog}/answers`).send(after('2026-11-20')).expect(201)
  expect(await asked('2026-11-22')).toEqual([])
  const told = await plan()
  expect(told.rinse.last.minutes.value).toBeGreaterThan(before.rinse.last.minutes.value)
  expect(JSON.stringify(told.cautions)).toContain('caution.earsShaken')
  const { memory } = (await app.get('/api/memory').query({ dogs: dog }).expect(200)).body
  const worse = (memory[dog].suited as { product: string; worse: number }[]).filter((s) => s.worse > 0)
  expect(worse.length).toBe(memory[dog].suited.length)
})

test('the card is one page that needs no network; what a dog is called can’t break it', async () => {
  const dog = await addDog('</script><b>Puck & "Pip"')
  const { text, headers } = await app
    .get(`/api/dogs/${dog}/card.html`)
    .query({ date: '2026-12-05', kind: 'before' })
    .expect('content-type', /text\/html/)
    .expect(200)
  expect(headers['content-disposition']).toContain('attachment')
  expect(text).toContain('&lt;/script&gt;&lt;b&gt;Puck &amp; &quot;Pip&quot;')
  expect(text).not.toMatch(/<b>Puck|<script src|<link/)
  expect(text.match(/<script>/g)).toHaveLength(2)
  await app.get(`/api/dogs/${randomUUID()}/card.html`).query({ date: '2026-12-05' }).expect(404)
})

test('a dog that waits to be placed goes with its owner’s data, and what was noted of it', async () => {
  const [gone, stays] = [await addDog('Juniper'), await addDog('Rook')]
  const seat = (dogId: string) => ({ id: dogId, dogId, arrive: 540, pickup: 700, note: `secret of ${dogId}` })
  const { record } = (await app.get('/api/days/2026-12-12').expect(200)).body
  const waiting = [gone, stays].map((id) => ({ seat: seat(id), why: 'takenOff' }))
  await app
    .put('/api/days/2026-12-12')
    .send({ version: 0, record: { ...record, toPlace: waiting } })
    .expect(200)
  // what the day was before stands in its history
  await app
    .put('/api/days/2026-12-12')
    .send({ version: 1, record: { ...record, windowOpen: true, toPlace: waiting } })
    .expect(200)
  expect((await app.get(`/api/dogs/${gone}/owner`).expect(200)).body.days).toBe(1)
  await app.post(`/api/dogs/${gone}/owner/erase`).send({ what: 'dogs' }).expect(200)
  const day = (await app.get('/api/days/2026-12-12').expect(200)).body
  expect(day.record.toPlace).toMatchObject([{ seat: { dogId: stays } }])
  const { rows } = await db.query<{ text: string }>(
    'select (select coalesce(string_agg(record::text, $1), $1) from days) || (select coalesce(string_agg(before::text, $1), $1) from changes) as text',
    [' '],
  )
  expect(rows[0]!.text).not.toContain(`secret of ${gone}`)
})
