import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { pino } from 'pino'
import request from 'supertest'
import type { LogbookAnswer, StoredVisit } from '@contract'
import { Dog } from '@core/dog'
import { House } from '@core/house'
import { Memory, planVisit, Today } from '@core/visit'
import { METRIC_SAY } from '@words'
import { buildApp } from './app'
import { projectRoot } from './config'
import type { Db } from './db/db'
import { migrate } from './db/migrate'
import { MIGRATIONS, openPlain } from './fixtures/db'

/** Records as they were stored while sentences were data and rules had numbers. */
interface Sample {
  house: Record<string, unknown>
  dog: Record<string, unknown>
  inputs: { memory: object; products: object[] }
  plan: { minutes: { value: number }; steps: { title: string }[]; stops: { title: string }[] }
  outcome: { minutes: number }
  brief: object
}
const VISIT = '00000000-0000-4000-8000-000000000001'
const DOG = '00000000-0000-4000-8000-000000000002'

let db: Db
let app: ReturnType<typeof buildApp>
let old: Sample

beforeAll(async () => {
  old = JSON.parse(await readFile(join(projectRoot(), 'server/db/upgrades/before-codes.json'), 'utf8')) as Sample
  db = await openPlain()
  await migrate(db, MIGRATIONS, [])
  const json = JSON.stringify
  await db.query('insert into house (record) values ($1)', [json(old.house)])
  await db.query('insert into dogs (id, record) values ($1, $2)', [DOG, json(old.dog)])
  await db.query('insert into visits (id, dog_id, date, engine, inputs, plan) values ($1, $2, $3, $4, $5, $6)', [
    VISIT,
    DOG,
    '2026-10-17',
    '2.0.0',
    json(old.inputs),
    json(old.plan),
  ])
  await db.query(
    'insert into outcomes (visit_id, dog_id, date, coat, record, summary) values ($1, $2, $3, $4, $5, $6)',
    [VISIT, DOG, '2026-10-17', 'drop', json(old.outcome), json({ ...old.brief, visitId: VISIT, dogId: DOG })],
  )
  await db.query(
    'insert into step_minutes (visit_id, kind, dog_id, coat, date, model, actual, aside) values ($1, $2, $3, $4, $5, $6, $7, $8)',
    [VISIT, 'dry', DOG, 'drop', '2026-10-17', 30, 34, 'a long pause'],
  )
  expect(await migrate(db, MIGRATIONS)).toContain('0006_codes')
  app = buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true })
})
afterAll(() => db.close())

test('rules keep their choices under their names, and the house reads in the units it had', async () => {
  const { record: house } = (await request(app).get('/api/house').expect(200)).body
  expect(House.parse(house).rules).toEqual({ waterWarmth: 'neutral', smallMats: 'after', earsWhen: 'between' })
  expect(house.units).toMatchObject({ weight: 'kg', temperature: 'C', clock: '24' })
  const [dog] = (await request(app).get('/api/dogs').expect(200)).body
  expect(Dog.parse(dog.record).rules).toEqual({ washCount: 'one' })
})

test('a kept visit keeps its numbers and its sentences, and can still be read', async () => {
  const visit: StoredVisit = (await request(app).get(`/api/visits/${VISIT}`).expect(200)).body
  expect(visit.plan.minutes.value).toBe(old.plan.minutes.value)
  const reasons = visit.plan.water.target.because.map((r) => METRIC_SAY.said(r))
  expect(reasons).toContain('You: she likes it cool')
  expect(reasons.join()).not.toMatch(/undefined|kept[.]/)
  expect(visit.plan.stops.map((s) => METRIC_SAY.said(s))).toEqual(old.plan.stops.map((s) => s.title))
  expect(visit.plan.steps.map((s) => s.kind)).not.toContain('own')
  expect(visit.plan.steps.find((s) => s.kind === 'rinse' && s.role === 'last')).toBeDefined()
  for (const step of visit.plan.steps) for (const d of step.detail) expect(METRIC_SAY.said(d).length).toBeGreaterThan(3)
})

test('what it was reckoned from is taken as it is: the same facts make a plan today', () => {
  return request(app)
    .get(`/api/visits/${VISIT}`)
    .expect(200)
    .then(({ body }: { body: StoredVisit }) => {
      const { dog, today, products, house, memory } = body.inputs
      const plan = planVisit(Dog.parse(dog), Today.parse(today), products, House.parse(house), Memory.parse(memory))
      expect(plan.water.target.value).toBe(34)
      expect(Today.parse(today).skinAt).toEqual([])
    })
})

test('a visit that ended keeps its minutes and why some don’t count, and stands in the logbook', async () => {
  const { outcome } = (await request(app).get(`/api/visits/${VISIT}/outcome`).expect(200)).body
  expect(outcome.minutes).toBeCloseTo(old.outcome.minutes, 9)
  const aside = outcome.steps.flatMap((s: { disturbed?: never }) => (s.disturbed ? [METRIC_SAY.said(s.disturbed)] : []))
  expect(aside).toContain('a long pause')
  const log: LogbookAnswer = (await request(app).get('/api/logbook').expect(200)).body
  expect(log.count).toBe(1)
  expect(log.visits[0]!.visitId).toBe(VISIT)
  const { rows } = await db.query<{ aside: string }>('select aside from step_minutes')
  expect(METRIC_SAY.said(JSON.parse(rows[0]!.aside))).toBe('a long pause')
})

test('papers of a kept visit can still be made, and upgrading twice changes nothing', async () => {
  for (const paper of ['slip', 'letter'])
    await request(app).get(`/api/visits/${VISIT}/${paper}.pdf`).buffer(true).expect(200)
  expect(await migrate(db, MIGRATIONS)).toEqual([])
})
