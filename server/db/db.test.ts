import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openDb } from './db'

let root: string
beforeAll(async () => {
  root = mkdtempSync(join(tmpdir(), 'juvant-blank-'))
  const blank = await openDb(join(root, 'blank'))
  await blank.query('create table mark (word text)')
  await blank.close()
}, 60_000)
afterAll(() => rmSync(root, { recursive: true, force: true }))

test('a new folder is a whole copy of the blank one, also after a copy that was cut off', async () => {
  const folder = join(root, 'cut')
  mkdirSync(`${folder}.begun`)
  writeFileSync(join(`${folder}.begun`, 'PG_VERSION'), 'half of a copy')
  const db = await openDb(folder, join(root, 'blank'))
  await db.query("insert into mark values ('kept')")
  await db.close()
  expect(existsSync(`${folder}.begun`)).toBe(false)

  const again = await openDb(folder, join(root, 'blank'))
  expect((await again.query('select word from mark')).rows).toEqual([{ word: 'kept' }])
  await again.close()
}, 60_000)

test('without a blank one the database makes its own', async () => {
  const db = await openDb(join(root, 'own'), join(root, 'nowhere'))
  expect((await db.query('select 1 as one')).rows).toEqual([{ one: 1 }])
  await db.close()
}, 60_000)
