import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { blankFolder } from '../fixtures/db'
import { openDb, type Db } from './db'
import { keepLogShort } from './upkeep'

const MB = 1024 * 1024
let root: string
beforeAll(() => {
  root = mkdtempSync(join(tmpdir(), 'juvant-log-'))
})
afterAll(() => rmSync(root, { recursive: true, force: true }))

/** Writes about so many bytes into the log. */
const write = (db: Db, bytes: number) =>
  db.query(
    'insert into bulk select string_agg(md5(random()::text), $2) from generate_series(1, $1::int / 32) g group by g % 500',
    [bytes, ''],
  )
async function opened(name: string): Promise<Db> {
  const db = await openDb(join(root, name), blankFolder())
  await db.query('create table if not exists bulk (content text)')
  await db.query('alter table bulk alter column content set storage external')
  return db
}

test('the log outgrows its parts again and again, is shortened while others write, and what was answered is there', async () => {
  const db = await opened('long')
  let shortened = 0
  for (let i = 0; i < 4; i++) {
    const [, done] = await Promise.all([write(db, 20 * MB), keepLogShort(db, MB), write(db, MB)])
    if (done) shortened++
  }
  expect(shortened).toBe(4)
  const size = async (of: Db) =>
    (await of.query<{ n: number }>('select sum(length(content))::int as n from bulk')).rows[0]!.n
  const written = await size(db)
  expect(written).toBeGreaterThan(80 * MB)

  // as a kill now would leave it: its log has to be gone through, and is more than one part
  await write(db, 20 * MB)
  cpSync(join(root, 'long'), join(root, 'killed'), { recursive: true })
  await db.close()
  rmSync(join(root, 'killed/postmaster.pid'), { force: true })
  const again = await openDb(join(root, 'killed'))
  expect(await size(again)).toBeGreaterThan(written)
  await write(again, MB)
  await again.close()
}, 120_000)
