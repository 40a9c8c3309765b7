import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { pino } from 'pino'
import request from 'supertest'
import type { z } from 'zod'
import { ENDPOINTS, type Endpoint } from '@contract'
import { DEMO } from '../../demo/scenario'
import { buildApp } from '../app'
import type { Db } from '../db/db'
import { seed } from '../seed'
import { openMigrated } from '../fixtures/db'

let db: Db
let folder: string
let app: ReturnType<typeof request>
/** Ids of what is there. */
let ids: string[]
const failed: string[] = []
beforeAll(async () => {
  db = await openMigrated()
  await seed(db, DEMO, '2026-11-25')
  folder = mkdtempSync(join(tmpdir(), 'juvant-fuzz-'))
  const log = pino({ level: 'error' }, { write: (line: string) => void failed.push(line) })
  app = request(buildApp({ db, log, incoming: folder }).listen(0, '127.0.0.1'))
  const { rows } = await db.query<{ id: string }>('select id from dogs union all select id from products')
  ids = rows.map((r) => r.id)
})
afterAll(async () => {
  await db.close()
  rmSync(folder, { recursive: true, force: true })
})

/** Text that breaks things: signs that are none, other alphabets, statements, paths, numbers at their ends. */
const odd = fc.oneof(
  fc.constantFrom(
    '\u0000',
    '\ud800',
    '%E0%A4%A',
    '../../etc/passwd',
    "'; drop table dogs; --",
    '0000-00-00',
    '0000-01-01',
    '9999-12-31',
    '-1',
    '2147483648',
    '1e999',
    'NaN',
    '__proto__',
    '{"$gt":0}',
    '\u202e\u200b',
    '🐕'.repeat(300),
    'x'.repeat(20_000),
  ),
  fc.string({ unit: 'binary', maxLength: 30 }),
)
const anything = fc.oneof(
  odd,
  fc.jsonValue({ maxDepth: 3 }),
  fc.constantFrom(-1, 0, 1e21, 2147483648, Number.MAX_SAFE_INTEGER, -0.1, 1e-300, null, true, [], {}),
)

/** A value that a schema might take, as far as its JSON Schema tells, with something odd here and there. */
function like(schema: object, depth = 0): fc.Arbitrary<unknown> {
  const of = schema as {
    type?: string
    enum?: unknown[]
    const?: unknown
    anyOf?: object[]
    oneOf?: object[]
    properties?: Record<string, object>
    items?: object
    format?: string
    pattern?: string
    minimum?: number
    maximum?: number
  }
  const strange = { arbitrary: anything, weight: 1 }
  const fitting = (): fc.Arbitrary<unknown> => {
    if (depth > 6) return fc.constant(null)
    if (of.const !== undefined) return fc.constant(of.const)
    if (of.enum) return fc.constantFrom(...of.enum)
    const some = of.anyOf ?? of.oneOf
    if (some) return fc.oneof(...some.map((s) => like(s, depth + 1)))
    if (of.type === 'object')
      return fc.record(
        Object.fromEntries(Object.entries(of.properties ?? {}).map(([key, s]) => [key, like(s, depth + 1)])),
        { requiredKeys: [] },
      )
    if (of.type === 'array') return fc.array(like(of.items ?? {}, depth + 1), { maxLength: 4 })
    if (of.type === 'integer' || of.type === 'number')
      return fc
        .double({ min: of.minimum ?? -10, max: of.maximum ?? 1000, noNaN: true })
        .map((n) => (of.type === 'integer' ? Math.round(n) : n))
    if (of.type === 'boolean') return fc.boolean()
    if (of.format === 'uuid') return fc.constantFrom(...ids)
    if (of.pattern?.includes('d{4}')) return fc.constantFrom('2027-02-03', '2028-02-29', '2027-02-30')
    return fc.string({ maxLength: 20 })
  }
  return fc.oneof({ arbitrary: fitting(), weight: 12 }, strange)
}

/** Text that can stand in an address: half signs can't. */
const wellFormed = (text: string) => text.replace(/[\ud800-\udfff]/g, '-').slice(0, 4000)

const schemaOf = (schema: z.ZodType): object => {
  try {
    return schema.toJSONSchema({ io: 'input', unrepresentable: 'any', reused: 'inline' })
  } catch {
    return {}
  }
}

/** Requests of a whole run, spread over the table; more with JUVANT_REQUESTS. */
const REQUESTS = Number(process.env.JUVANT_REQUESTS ?? 3000)
const rows = Object.entries<Endpoint>(ENDPOINTS).filter(([, row]) => !row.stream)
const EACH = Math.ceil(REQUESTS / rows.length)
/** The same in every run; another with JUVANT_SEED. */
const SEED = Number(process.env.JUVANT_SEED ?? 1)
/** What a server without backups, or without another device, can't do. */
const CANT = [501]

test.each(rows)('%s answers whatever is asked of it, without breaking', async (address, row) => {
  const [method, path] = address.split(' ') as [string, string]
  const part = fc.oneof(fc.constantFrom(...ids), fc.constantFrom('2027-02-03', 'products', 'scale'), odd)
  const parts = [...path.matchAll(/\{\w+\}/g)].length
  const body = row.body ? like(schemaOf(row.body)) : fc.constant(undefined)
  const query = row.query ? like(schemaOf(row.query)) : fc.constant({})
  const asked = fc.record({
    parts: fc.array(part, { minLength: parts, maxLength: parts }),
    body,
    query,
    key: fc.option(odd),
  })
  await fc.assert(
    fc.asyncProperty(asked, async ({ parts: names, body: sent, query: questions, key }) => {
      let n = 0
      const raw = /^%E0/
      const at = path.replace(/\{\w+\}/g, () => {
        const name = String(names[n++])
        return raw.test(name) ? name : encodeURIComponent(wellFormed(name)) || '-'
      })
      const asks = app[method.toLowerCase() as 'get'](`/api${at}`)
      if (typeof questions === 'object' && questions !== null)
        void asks.query(
          Object.fromEntries(
            Object.entries(questions).map(([k, v]) => [k, typeof v === 'string' ? wellFormed(v) : String(v)]),
          ),
        )
      if (key !== null && /^[\x20-\x7e]{1,200}$/.test(key)) void asks.set('idempotency-key', key)
      if (row.upload) void asks.set('content-type', 'application/zip').send(Buffer.from(JSON.stringify(names)))
      else if (sent !== undefined) void asks.set('content-type', 'application/json').send(JSON.stringify(sent))
      const { status, type } = await asks.then(
        (answer) => answer,
        (error: Error) => {
          throw new Error(`${error.message} at ${address}: ${failed.at(-1)?.slice(0, 600)}`)
        },
      )
      if (status >= 500 && !CANT.includes(status))
        throw new Error(
          `${status} to ${address} ${at} ${JSON.stringify({ sent, questions })}: ${failed.at(-1)?.slice(0, 400)}`,
        )
      if (status >= 400) expect([address, type]).toEqual([address, 'application/problem+json'])
    }),
    { numRuns: EACH, endOnFailure: true, seed: SEED },
  )
})
