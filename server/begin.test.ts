import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import request from 'supertest'
import type { StoredProduct } from '@contract'
import { METRIC } from '@core/units'
import { DEMO } from '../demo/scenario'
import { buildApp } from './app'
import { verifyBackup } from './backup/backup'
import { Keeper } from './backup/keeper'
import type { Db } from './db/db'
import { PLAIN_BEGINNING, seed, type Beginning } from './seed'
import { MIGRATIONS, openMigrated } from './fixtures/db'

const data = mkdtempSync(join(tmpdir(), 'juvant-backups-'))
const opened: Db[] = []
async function roomWith(beginning: Beginning) {
  const db = await openMigrated()
  opened.push(db)
  await seed(db, beginning, '2026-11-25')
  const backups = new Keeper(db, data, { blank: '', migrations: MIGRATIONS })
  return request(
    buildApp({
      db,
      log: pino({ level: 'silent' }),
      checkAnswers: true,
      backups,
      demonstration: { ...DEMO, past: undefined },
    }),
  )
}
afterAll(async () => {
  for (const db of opened) await db.close()
  rmSync(data, { recursive: true, force: true })
})

describe('beginning with one’s own', () => {
  test('the demonstration goes, a copy of it stays; a second time there is nothing to clear', async () => {
    const app = await roomWith({ ...DEMO, past: undefined })
    expect((await app.get('/api/dogs')).body.length).toBeGreaterThan(5)
    await app.post('/api/begin/own').send({}).expect(422)
    const { body } = await app.post('/api/begin/own').send({ clear: true, units: METRIC }).expect(200)
    expect(existsSync(body.copy)).toBe(true)
    expect((await verifyBackup(body.copy)).counts).toMatchObject({ dogs: DEMO.dogs.length, house: 1 })
    for (const path of ['dogs', 'products', 'visits', 'days', 'standings'])
      expect((await app.get(`/api/${path}`)).body).toEqual([])
    expect((await app.get('/api/house')).body.record).toMatchObject({
      demonstration: false,
      begun: false,
      units: METRIC,
    })
    await app.post('/api/begin/own').send({ clear: true }).expect(409)
  })

  test('the demonstration is put into an empty room, and never over something', async () => {
    const app = await roomWith(PLAIN_BEGINNING)
    await app.post('/api/begin/demonstration').expect(204)
    expect((await app.get('/api/dogs')).body).toHaveLength(DEMO.dogs.length)
    expect((await app.get('/api/house')).body.record.demonstration).toBe(true)
    await app.post('/api/begin/demonstration').expect(409)
  })
})

describe('tables', () => {
  test('products go out and come back into an empty room word for word', async () => {
    const from = await roomWith({ ...DEMO, past: undefined })
    const to = await roomWith(PLAIN_BEGINNING)
    const { text } = await from.get('/api/tables/products').expect(200)
    const preview = (await to.post('/api/tables/products/preview').send({ text }).expect(200)).body
    expect(preview.rows.map((r: { does: string }) => r.does)).toEqual(DEMO.products.map(() => 'adds'))
    expect((await to.get('/api/products')).body).toEqual([])
    expect((await to.post('/api/tables/products/import').send({ text }).expect(200)).body).toEqual({
      added: DEMO.products.length,
      changed: 0,
      same: 0,
    })
    expect((await to.get('/api/tables/products')).text).toBe(text)
    expect((await to.post('/api/tables/products/import').send({ text })).body.same).toBe(DEMO.products.length)
  })

  test('dogs too; one fault and nothing is taken; a change only when asked for', async () => {
    const app = await roomWith(PLAIN_BEGINNING)
    const take = (text: string, over = false) => app.post('/api/tables/dogs/import').send({ text, over })
    await take('name,coat,weightKg\nFig,smooth,8\nMoss,wire,7\n').expect(200)
    const { body } = await take('name,coat,weightKg\nNew,smooth,8\nHuge,smooth,900\nFig,smooth,9\n').expect(422)
    expect(body.detail).toMatch(/^Line 3, weightKg: /)
    expect((await app.get('/api/dogs')).body).toHaveLength(2)
    const weight = async () =>
      (await app.get('/api/dogs')).body.find((d: { record: { name: string } }) => d.record.name === 'Fig').record
        .weightKg
    expect((await take('name,coat,weightKg\nfig,smooth,9\n').expect(200)).body).toEqual({
      added: 0,
      changed: 0,
      same: 1,
    })
    expect(await weight()).toBe(8)
    await take('name,coat,weightKg\nFig,smooth,9\n', true).expect(200)
    expect(await weight()).toBe(9)
    const twice = await app.post('/api/tables/dogs/preview').send({ text: 'name,coat,weightKg\nA,wire,5\na,wire,6\n' })
    expect(twice.body.errors).toEqual([
      { line: 3, column: 'name', message: 'Line 2 has this name already. Give each its own.' },
    ])
    await app.get('/api/tables/cats').expect(404)
  })
})

test('labels for a bottle come as a PDF on every paper, with any name; a code only to an address', async () => {
  const app = await roomWith(PLAIN_BEGINNING)
  const add = async (name: string, more: object = {}) =>
    (await app.post('/api/products').send({ name, kind: 'cleaning', ratio: '1:10', ...more })).body as StoredProduct
  const { id } = await add('Плотный шампунь 🐾 with quite a long name for a small label, really', {
    expires: '2027-02-01',
  })
  for (const paper of ['a4x24', 'a4x14', 'letterx10', 'strip']) {
    const { body, type } = await app
      .get(`/api/products/${id}/label.pdf`)
      .query({ paper, count: 3, begin: 5, made: '2026-11-28', dog: 'Moss', from: 'http://localhost:4870' })
      .expect(200)
    expect(type).toBe('application/pdf')
    expect(body.subarray(0, 5).toString()).toBe('%PDF-')
  }
  await app.get(`/api/products/${id}/label.pdf`).query({ made: '2026-11-28', from: 'javascript:1' }).expect(422)
  await app.get(`/api/products/${id}/label.pdf`).query({ made: '2026-11-28', count: 100 }).expect(422)
})
