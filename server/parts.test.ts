import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { readConfig } from './config'
import { migrate } from './db/migrate'
import { markRoom, readyFolder, UnusableFolder } from './folder'
import { FolderInUse, LOCK, lockFolder } from './lock'
import { parseInput, Refusal } from './problems'
import { PLAIN_BEGINNING, seed } from './seed'
import { planVisit, Today } from '@core/visit'
import { Dog } from '@core/dog'
import { theHouse } from './db/house'
import { z } from 'zod'
import { openMigrated, openPlain } from './fixtures/db'

const folder = () => mkdtempSync(join(tmpdir(), 'juvant-parts-'))

describe('the lock of a data folder', () => {
  test('is held by one, free again after, and held apart for other folders', async () => {
    const [a, b] = [folder(), folder()]
    const unlock = await lockFolder(a)
    await expect(lockFolder(a)).rejects.toBeInstanceOf(FolderInUse)
    await expect(lockFolder(a)).rejects.toThrow('JUVANT_DATA')
    const unlockB = await lockFolder(b)
    await unlock()
    const again = await lockFolder(a)
    await again()
    await unlockB()
    rmSync(a, { recursive: true })
    rmSync(b, { recursive: true })
  })
  test('is made again when whoever tidies folders takes it away', async () => {
    const data = folder()
    const unlock = await lockFolder(data, undefined, 5)
    rmSync(join(data, LOCK))
    while (!readdirSync(data).includes(LOCK)) await new Promise(setImmediate)
    await expect(lockFolder(data)).rejects.toBeInstanceOf(FolderInUse)
    await unlock()
    expect(readdirSync(data)).toEqual([])
    rmSync(data, { recursive: true })
  })
  test('lies in the folder itself: also one with a long name, and whatever the place for temporary files is', async () => {
    const short = folder()
    const long = join(short, 'n'.repeat(120))
    mkdirSync(long)
    for (const data of [short, long]) {
      const unlock = await lockFolder(data)
      expect(readdirSync(data)).toContain(LOCK)
      const elsewhere = process.env.TMPDIR
      process.env.TMPDIR = long
      await expect(lockFolder(data)).rejects.toBeInstanceOf(FolderInUse)
      process.env.TMPDIR = elsewhere
      if (elsewhere === undefined) delete process.env.TMPDIR
      await unlock()
      expect(readdirSync(data)).not.toContain(LOCK)
    }
    rmSync(short, { recursive: true })
  })
})

describe('a data folder', () => {
  const inside = (make: (data: string) => void) => {
    const data = folder()
    make(data)
    return data
  }
  const db = (data: string, version: string) => {
    mkdirSync(join(data, 'db'))
    writeFileSync(join(data, 'db', 'PG_VERSION'), version)
  }
  test('that is new, empty, begun or of this version is used', () => {
    const above = folder()
    for (const data of [
      join(above, 'new', 'er'),
      inside(() => undefined),
      inside((d) => mkdirSync(join(d, 'db'))),
      inside((d) => mkdirSync(join(d, 'db.begun'))),
      inside((d) => mkdirSync(join(d, 'lost+found'))),
      inside((d) => db(d, '18\n')),
    ]) {
      expect(() => readyFolder(data, '18')).not.toThrow()
      rmSync(data, { recursive: true })
    }
    rmSync(above, { recursive: true })
  })
  test.each([
    [
      'holds another’s things',
      (d: string) => writeFileSync(join(d, 'letter.odt'), ''),
      'holds other things (letter.odt)',
    ],
    [
      'lost its database’s heart',
      (d: string) => mkdirSync(join(d, 'db', 'base'), { recursive: true }),
      'no database that can be opened',
    ],
    [
      'lost its database beside its backups',
      (d: string) => {
        mkdirSync(join(d, 'backups'))
        writeFileSync(join(d, 'backups', 'juvant-2026-11-20T02-00-00Z.jsonl.gz'), '')
      },
      'restore the newest backup',
    ],
    [
      'lost it beside settings that can’t be read',
      (d: string) => writeFileSync(join(d, 'backups.json'), '{"fol'),
      'There is no backup in',
    ],
    [
      'has an empty one where a room was',
      (d: string) => {
        markRoom(d, 'a room')
        mkdirSync(join(d, 'db'))
      },
      'There is no backup in',
    ],
    ['was made by another version', (d: string) => db(d, '16'), 'made with version 16'],
  ])('that %s is refused in one line that names a way out, and left as it is', (_, make, says) => {
    const data = inside(make)
    const before = readdirSync(data, { recursive: true })
    const refused = () => readyFolder(data, '18')
    expect(refused).toThrow(UnusableFolder)
    expect(refused).toThrow(says)
    expect(refused).toThrow(/^[^\n]*JUVANT_DATA[^\n]*$/)
    expect(readdirSync(data, { recursive: true })).toEqual(before)
    rmSync(data, { recursive: true })
  })
})

describe('migrations', () => {
  test('run in order, each once, and one that fails leaves nothing behind', async () => {
    const files = folder()
    writeFileSync(join(files, '0002_b.sql'), 'insert into t values (2);')
    writeFileSync(join(files, '0001_a.sql'), 'create table t (n int); insert into t values (1);')
    const db = await openPlain()
    expect(await migrate(db, files, [])).toEqual(['0001_a.sql', '0002_b.sql'])
    expect(await migrate(db, files, [])).toEqual([])
    writeFileSync(join(files, '0003_c.sql'), 'insert into t values (3); insert into nowhere values (1);')
    await expect(migrate(db, files, [])).rejects.toThrow('nowhere')
    expect((await db.query<{ n: number }>('select n from t order by n')).rows.map((r) => r.n)).toEqual([1, 2])
    writeFileSync(join(files, '0003_c.sql'), 'insert into t values (3);')
    expect(await migrate(db, files, [])).toEqual(['0003_c.sql'])
    rmSync(join(files, '0003_c.sql'))
    await expect(migrate(db, files, [])).rejects.toThrow('newer version (0003_c.sql)')
    await db.close()
    rmSync(files, { recursive: true })
  })
})

describe('settings', () => {
  test('stand on loopback unless told otherwise', () => {
    expect(readConfig({}, [], '/app')).toEqual({
      port: 4870,
      httpsPort: 4871,
      host: '127.0.0.1',
      hosts: '',
      data: '/app/data',
      empty: false,
      check: false,
      diagnose: false,
    })
    expect(readConfig({ PORT: '0', HOST: '0.0.0.0', JUVANT_DATA: '/else' }, ['--empty'], '/app')).toEqual({
      port: 0,
      httpsPort: 0,
      host: '0.0.0.0',
      hosts: '',
      data: '/else',
      empty: true,
      check: false,
      diagnose: false,
    })
    const { restore } = readConfig({}, ['--restore', '/stick/a.gz'], '/app')
    expect(restore).toEqual({ file: '/stick/a.gz', into: expect.stringMatching(/^\/app\/data-restored-\d{8}T\d{6}$/) })
    expect(readConfig({}, ['--restore', '/a.gz', '--into', '/b', '--check'], '/app')).toMatchObject({
      restore: { file: '/a.gz', into: '/b' },
      check: true,
    })
  })
  test('name a room of a database server, by an address and a name that can be one', () => {
    const url = 'postgres://groomer@127.0.0.1/wash'
    expect(readConfig({ DATABASE_URL: url }, [], '/app').database).toEqual({ url, room: 'juvant' })
    expect(readConfig({ DATABASE_URL: url, JUVANT_ROOM: 'north' }, [], '/app').database?.room).toBe('north')
    for (const env of [{ DATABASE_URL: 'mysql://x' }, { DATABASE_URL: url, JUVANT_ROOM: 'a; drop' }])
      expect(() => readConfig(env, [], '/app')).toThrow(z.ZodError)
  })
  test.each(['abc', '-1', '70000', '80.5'])('refuse the port %s', (PORT) => {
    expect(() => readConfig({ PORT }, [], '/app')).toThrow(z.ZodError)
  })
})

test('input is refused with every field named, and passes as parsed', () => {
  const schema = z.object({ kg: z.number().min(1, 'at least 1'), name: z.string().default('x') })
  expect(parseInput(schema, { kg: 2 })).toEqual({ kg: 2, name: 'x' })
  expect(() => parseInput(schema, { kg: 0 })).toThrow(Refusal)
  try {
    parseInput(schema, { kg: 0, name: 3 })
  } catch (error) {
    expect((error as Refusal).errors.map((e) => e.field)).toEqual(['kg', 'name'])
    expect((error as Refusal).status).toBe(422)
  }
})

test('a house to begin with, without a demonstration, can plan a dog', async () => {
  const db = await openMigrated()
  await seed(db, PLAIN_BEGINNING, '2026-11-25')
  const { record } = await theHouse(db)
  const plan = planVisit(
    Dog.parse({ name: 'x', weightKg: 8, coat: 'wire' }),
    Today.parse({ date: '2026-11-28' }),
    [],
    record,
  )
  expect(plan.minutes.value).toBeGreaterThan(20)
  expect(plan.cautions.map((c) => c.id)).toContain('caution.noShampoo')
  await expect(seed(db, PLAIN_BEGINNING, '2026-11-25')).rejects.toThrow()
  await db.close()
})
