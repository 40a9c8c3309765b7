import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import { pino } from 'pino'
import request from 'supertest'
import { buildApp } from './app'
import type { Db } from './db/db'

const script = 'export const tub = "one"\n'.repeat(100)
let folder: string
let app: ReturnType<typeof buildApp>

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'juvant-web-'))
  mkdirSync(join(folder, 'assets'))
  writeFileSync(join(folder, 'index.html'), '<!doctype html><title>Juvant</title>')
  writeFileSync(join(folder, 'assets/a.js'), script)
  writeFileSync(join(folder, 'assets/a.js.br'), brotliCompressSync(script))
  writeFileSync(join(folder, 'assets/a.js.gz'), gzipSync(script))
  app = buildApp({ db: {} as Db, log: pino({ level: 'silent' }), web: folder })
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

test.each([
  ['gzip, deflate, br', 'br'],
  ['gzip', 'gzip'],
  ['identity', undefined],
])('a script asked for with "%s" comes packed as the build left it', async (accepts, packed) => {
  const answer = await request(app)
    .get('/assets/a.js')
    .set('accept-encoding', accepts)
    .buffer()
    .parse((res, done) => {
      const body = res as unknown as NodeJS.ReadableStream
      body.resume()
      body.on('end', () => done(null, ''))
    })
  expect(answer.headers['content-encoding']).toBe(packed)
  expect(answer.headers['content-type']).toMatch('javascript')
  expect(answer.headers['cache-control']).toMatch(/max-age=31536000.*immutable/)
})

test('a script that is not there is none; any other address is the page', async () => {
  expect((await request(app).get('/assets/gone.js')).status).toBe(404)
  const page = await request(app).get('/days/2027-01-02')
  expect(page.text).toMatch('<title>Juvant</title>')
  expect(page.headers['cache-control']).toBe('no-cache')
})
