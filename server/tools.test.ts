import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, truncateSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Dog } from '@core/dog'
import { Keeper } from './backup/keeper'
import { readConfig } from './config'
import { openDb } from './db/db'
import { addDog } from './db/dogs'
import { nameRoom } from './db/room'
import { blankFolder, MIGRATIONS } from './fixtures/db'
import { UnusableFolder } from './folder'
import { checkData } from './tools'

let root: string
/** A room with two dogs, one of them in its backup, the other in the journal of that. */
let room: string
beforeAll(async () => {
  root = mkdtempSync(join(tmpdir(), 'juvant-tools-'))
  room = join(root, 'room')
  mkdirSync(room)
  const db = await openDb(join(room, 'db'), blankFolder())
  await addDog(db, Dog.parse({ name: 'Sorrel', weightKg: 9, coat: 'smooth' }))
  const keeper = new Keeper(db, room, { blank: blankFolder(), migrations: MIGRATIONS })
  await keeper.belongTo(await nameRoom(db), true)
  await keeper.make()
  await addDog(db, Dog.parse({ name: 'Teasel', weightKg: 9, coat: 'smooth' }))
  await keeper.writeDown()
  await db.close()
}, 60_000)
afterAll(() => rmSync(root, { recursive: true, force: true }))

const like = (name: string) => {
  const copy = join(root, name)
  cpSync(room, copy, { recursive: true })
  return copy
}
/** Every file of a folder by its content. */
const filesOf = (folder: string) =>
  Object.fromEntries(
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((name) => statSync(join(folder, name)).isFile())
      .map((name) => [name, readFileSync(join(folder, name)).toString('base64')]),
  )
const check = (data: string) => checkData(readConfig({ JUVANT_DATA: data }, ['--check'], root), '18')

test('a check opens every record, says how far the backup reaches, and leaves every file as it is', async () => {
  const before = filesOf(room)
  const { said, well } = await check(room)
  expect(well).toBe(true)
  expect(said.join()).toMatch(
    /Every record can be read: 2 dogs.*The nearest backup is \S+, of \S+, with what changed up to /,
  )
  expect(filesOf(room)).toEqual(before)
})

test.each([
  ['without the file that says what it is', (db: string) => rmSync(join(db, 'PG_VERSION'))],
  ['without its log', (db: string) => rmSync(join(db, 'pg_wal'), { recursive: true })],
  ['with half a control file', (db: string) => truncateSync(join(db, 'global/pg_control'), 100)],
  ['gone', (db: string) => rmSync(db, { recursive: true })],
])('a database %s is told in one line with the way to its backup; nothing is changed', async (name, spoil) => {
  const data = like(name)
  spoil(join(data, 'db'))
  const before = filesOf(data)
  const problem: unknown = await check(data).catch((error: unknown) => error)
  expect(problem).toBeInstanceOf(UnusableFolder)
  expect((problem as Error).message).toMatch(/^[^\n]*(--restore)[^\n]*$/)
  expect(filesOf(data)).toEqual(before)
})
