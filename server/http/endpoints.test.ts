import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import request from 'supertest'
import { ENDPOINTS, type Endpoint } from '@contract'
import { DEMO } from '../../demo/scenario'
import { buildApp } from '../app'
import { Keeper } from '../backup/keeper'
import type { Db } from '../db/db'
import { seed } from '../seed'
import { openMigrated } from '../fixtures/db'

let db: Db
let folder: string
let app: ReturnType<typeof buildApp>

beforeAll(async () => {
  db = await openMigrated()
  await seed(db, DEMO, '2026-11-25')
  folder = mkdtempSync(join(tmpdir(), 'juvant-endpoints-'))
  const reachable = () => ({ safe: [], plain: [], fingerprint: null, authority: 'a certificate' })
  const backups = new Keeper(db, folder, { blank: '', migrations: '' })
  app = buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true, backups, reachable })
})
afterAll(async () => {
  await db.close()
  rmSync(folder, { recursive: true, force: true })
})

const rows = Object.entries<Endpoint>(ENDPOINTS).map(([address, row]) => {
  const [method, path] = address.split(' ') as ['GET', string]
  return { address, row, method: method.toLowerCase() as 'get' | 'post' | 'put' | 'delete', path: `/api${path}` }
})
const NOBODY = '00000000-0000-4000-8000-000000000000'
const fill = (path: string) =>
  path
    .replace('{id}', NOBODY)
    .replace('{date}', '2031-01-01')
    .replace('{kind}', 'scale')
    .replace(/\{table\}|\{written\}/, 'products')

describe.each(rows.filter((r) => r.path.includes('{')))('$address', ({ method, path, row }) => {
  test('refuses a name that can’t be one', async () => {
    const { status, body, type } = await request(app)
      [method](path.replace(/\{\w+\}/, 'not-a-name'))
      .send(row.body ? {} : undefined)
    expect([status, type, body.detail]).toEqual([
      404,
      'application/problem+json',
      `There is no such ${row.of}. It may have been deleted; go back to the list.`,
    ])
  })
})

test('what is asked of something that isn’t there isn’t there either, whichever part of it is asked', async () => {
  const asked = rows.filter((r) => r.method === 'get' && r.path.includes('{id}') && !r.row.stream)
  expect(asked.length).toBeGreaterThan(10)
  for (const { address, path, row } of asked) {
    const { status } = await request(app).get(fill(path))
    // what must be asked with more than a name is refused for that first
    expect([address, row.query && status === 422 ? 404 : status]).toEqual([address, 404])
  }
})

describe.each(rows.filter((r) => r.row.body))('$address', ({ method, path }) => {
  test('refuses a body that is something else, in problem details that say where', async () => {
    const { status, body, type } = await request(app)[method](fill(path)).send([])
    expect([status, type]).toEqual([422, 'application/problem+json'])
    expect(body.errors.length).toBeGreaterThan(0)
    expect(body.errors[0].message).toEqual(expect.stringMatching(/./))
  })
})

describe.each(rows.filter((r) => r.row.query))('$address', ({ method, path, row }) => {
  test('refuses a question that can’t be asked', async () => {
    const asked = Object.keys(row.query!.shape).map((name) => [name, 'x'.repeat(200)])
    const { status, body } = await request(app)
      [method](fill(path))
      .query(Object.fromEntries(asked.slice(0, 1)))
    expect([status, body.errors?.[0]?.field]).toEqual([422, expect.stringContaining(asked[0]![0]!)])
  })
})

test('every list, document and file can be had as the table says', async () => {
  const dog = (await request(app).get('/api/dogs')).body[0].id
  for (const { address, row, path } of rows.filter(
    (r) => r.address.startsWith('GET') && !/\{(id|kind)\}/.test(r.path),
  )) {
    if (row.stream) continue
    const { status, type } = await request(app)
      .get(fill(path))
      .query({
        ...(row.query?.shape.dogs && { dogs: '' }),
        ...(row.query?.shape.on && { on: '2026-11-28' }),
        ...(row.query?.shape.what && { what: 'dogs', id: NOBODY }),
        ...(address === 'GET /account' && { dog }),
        ...(address === 'GET /weeks' && { from: '2026-11-23', to: '2026-12-27' }),
      })
    expect([address, status, type]).toEqual([address, 200, row.file ?? 'application/json'])
  }
})

test('the description names every endpoint, with its refusals', async () => {
  const { paths } = (await request(app).get('/api/openapi.json').expect(200)).body
  for (const { method, path } of rows) expect(paths[path]?.[method]?.summary).toEqual(expect.any(String))
  expect(Object.keys(paths['/api/dogs/{id}'].put.responses).sort()).toEqual(['200', '404', '409', '422', 'default'])
})
