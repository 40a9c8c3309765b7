import { randomUUID } from 'node:crypto'
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { Dog } from '@core/dog'
import { Product } from '@core/mix'
import { METRIC } from '@core/units'
import { TubEvent } from '@core/tubside'
import { pastDays } from '../../demo/past'
import { DEMO } from '../../demo/scenario'
import { projectRoot } from '../config'
import { openDb, type Db } from '../db/db'
import { addDog, dogRecords } from '../db/dogs'
import { addEvents } from '../db/events'
import { productRecords } from '../db/products'
import { addMovement } from '../db/stock'
import { listVisits, removeVisit } from '../db/visits'
import { eachRow, rowKey, tablesThere, type WholeRow } from '../db/whole'
import { seed } from '../seed'
import { beginOwn } from '../usecases/begin'
import { keepOutcome } from '../usecases/outcome'
import { backupsIn, keptOf, makeBackup, verifyBackup } from './backup'
import { checkRecords } from './check'
import { beginJournal, reachedBy, writeJournal } from './journal'
import { Keeper } from './keeper'
import { journalOf } from './names'
import { restoreInto } from './restore'
import { blankFolder, MIGRATIONS, openMigrated } from '../fixtures/db'

let blank: string
let folder: string
let db: Db
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'juvant-backup-'))
  blank = blankFolder()
  db = await openMigrated()
  await seed(
    db,
    { ...DEMO, past: (all, shelf, house, last) => pastDays({ dogs: all, house }, shelf, last, { weeks: 3 }) },
    '2026-11-25',
  )
})
afterAll(async () => {
  await db.close()
  rmSync(folder, { recursive: true, force: true })
})

/** Everything of a database, by table and key. */
async function whole(of: Db) {
  const all: Record<string, Record<string, WholeRow>> = {}
  for (const table of await tablesThere(of)) {
    all[table] = {}
    for await (const row of eachRow(of, table)) all[table][rowKey(table, row)] = row
  }
  return all
}
async function restored(path: string) {
  const data = join(folder, `into-${Math.random().toString(36).slice(2)}`)
  const said = await restoreInto(path, data, { blank, migrations: MIGRATIONS })
  const again = await openDb(join(data, 'db'))
  const rows = await whole(again)
  return { said, again, rows, data }
}
const dog = (name: string) => Dog.parse({ name, weightKg: 9, coat: 'smooth' })

test('a backup comes back record by record, with what was changed while it was made and after it; then life goes on', async () => {
  const into = join(folder, 'one')
  const making = makeBackup(db, into)
  // others write meanwhile
  const meanwhile = await addDog(db, dog('Meanwhile'))
  const made = await making
  expect(made.counts.visits).toBeGreaterThan(5)
  expect((await backupsIn(into)).map((b) => b.name)).toEqual([made.name])
  const path = join(into, made.name)
  // and after it: changed, new, deleted
  await dogRecords.change(db, meanwhile.id, 1, dog('Meanwhile the Second'))
  const product = await productRecords.add(db, Product.parse({ name: 'After', kind: 'cleaning', ratio: '1:9' }))
  await addMovement(db, product.id, { kind: 'counted', mL: 300, at: '2026-11-25T10:00:00Z', note: '' })
  const [visit, told] = await listVisits(db, { limit: 2 })
  // a visit that is told anew: what it used and its minutes come in the place of what was told before
  await db.query("delete from visit_events where visit_id = $1 and event ->> 'step' = 'nails'", [told!.id])
  await keepOutcome(db, told!.id)
  const tap = { id: randomUUID(), at: 1, device: 'tablet', kind: 'step', step: 'look' }
  await addEvents(db, told!.id, [TubEvent.parse(tap)])
  await removeVisit(db, visit!.id)
  const journal = join(into, journalOf(made.name))
  const began = await beginJournal(journal, made.change, new Date('2026-11-25T11:00:00Z'))
  const reached = await writeJournal(db, journal, began, new Date('2026-11-25T12:00:00Z'))
  expect(reached.change).toBeGreaterThan(made.change)
  expect(await writeJournal(db, journal, reached, new Date('2026-11-25T13:00:00Z'))).toEqual(reached)
  const was = await whole(db)
  expect(was.visits![visit!.id]).toBeUndefined()

  const { said, again, rows } = await restored(path)
  expect(rows).toEqual(was)
  expect(said.until).toBe('2026-11-25T12:00:00.000Z')
  expect(said.counts).toEqual(Object.fromEntries(Object.entries(was).map(([t, r]) => [t, Object.keys(r).length])))
  await addDog(again, dog('Life goes on'))
  await productRecords.add(again, Product.parse({ name: 'One more', kind: 'cleaning', ratio: '1:9' }))
  await again.close()
})

describe('a journal that was broken off', () => {
  /** A journal with two dogs, each written down by itself, and where in the file the second begins. */
  async function journalOfTwo(name: string) {
    const into = join(folder, name)
    const made = await makeBackup(db, into)
    const journal = join(into, journalOf(made.name))
    const at = (minute: number) => new Date(Date.UTC(2026, 10, 25, 12, minute))
    const began = await beginJournal(journal, made.change, at(0))
    const one = await addDog(db, dog(`${name} one`))
    const first = await writeJournal(db, journal, began, at(1))
    const two = await addDog(db, dog(`${name} two`))
    const second = await writeJournal(db, journal, first, at(2))
    return { path: join(into, made.name), journal, first, second, one, two, at }
  }
  const namesIn = async (path: string) => {
    const { again, said, data } = await restored(path)
    const { dogs } = await whole(again)
    await again.close()
    rmSync(data, { recursive: true })
    return { names: Object.values(dogs!).map((d) => d.name as string), until: said.until }
  }

  test('at any byte counts up to its last whole piece, and says up to when', async () => {
    const { path, journal, first, second, at } = await journalOfTwo('cut')
    const text = readFileSync(journal)
    expect(text.length).toBe(second.bytes)
    for (const bytes of [first.bytes + 1, first.bytes + 40, second.bytes - 2]) {
      writeFileSync(journal, text.subarray(0, bytes))
      expect(await reachedBy(journal)).toEqual({ ...first, at: at(1).toISOString() })
    }
    writeFileSync(journal, text.subarray(0, second.bytes - 30))
    const { names, until } = await namesIn(path)
    expect(names).toContain('cut one')
    expect(names).not.toContain('cut two')
    expect(until).toBe(at(1).toISOString())
  })

  test('is gone on with from there: nothing after the tear is lost', async () => {
    for (const [name, kept] of [
      ['half', -25],
      ['newline', -1],
      ['shorter', -2],
    ] as const) {
      const { path, journal, second, at } = await journalOfTwo(name)
      writeFileSync(journal, readFileSync(journal).subarray(0, kept))
      const reached = (await reachedBy(journal))!
      expect(reached.bytes <= second.bytes).toBe(true)
      await addDog(db, dog(`${name} three`))
      await writeJournal(db, journal, reached, at(3))
      const { names, until } = await namesIn(path)
      expect(names).toEqual(expect.arrayContaining([`${name} one`, `${name} two`, `${name} three`]))
      expect(until).toBe(at(3).toISOString())
    }
  })

  test('and written on by an earlier version, right behind the tear, comes back whole', async () => {
    const { path, journal, first, at } = await journalOfTwo('early')
    // pieces without sum and moment; the second was torn and written again behind it
    const plain = (text: string) => text.replace(/,"at":"[^"]*","sum":"[^"]*"(?=})/g, '')
    const text = readFileSync(journal, 'utf8')
    const second = plain(text.slice(first.bytes))
    writeFileSync(journal, plain(text.slice(0, first.bytes)) + second.slice(0, second.length / 3) + second)
    const { names, until } = await namesIn(path)
    expect(names).toEqual(expect.arrayContaining(['early one', 'early two']))
    expect(until).not.toBe(at(2).toISOString())
  })

  test('or changed by another hand ends before the piece that isn’t what was written', async () => {
    const { path, journal, at } = await journalOfTwo('other')
    writeFileSync(journal, readFileSync(journal, 'utf8').replaceAll('other two', 'other 222'))
    const { names, until } = await namesIn(path)
    expect(names).toContain('other one')
    expect(names).not.toContain('other 222')
    expect(until).toBe(at(1).toISOString())
  })
})

test('an older backup goes through the steps that came after it', async () => {
  const into = join(folder, 'old')
  const made = await makeBackup(db, into)
  const path = join(into, made.name)
  const [first, ...lines] = gunzipSync(readFileSync(path)).toString().trim().split('\n')
  const head = JSON.parse(first!) as { migrations: string[] }
  // as it was before changes were noted
  const older = { ...head, migrations: head.migrations.filter((n) => n < '0008_history.sql') }
  const kept = lines
    .filter((l) => !/"table":"(changes|owners|entries|receipts)"/.test(l))
    .map((l) => {
      const line = JSON.parse(l) as { end?: Record<string, number>; row?: Record<string, unknown> }
      // what there wasn't then
      for (const table of ['changes', 'photos', 'answers', 'owners', 'entries', 'receipts'])
        if (line.end) delete line.end[table]
      if (line.row) delete line.row.owner_id
      return JSON.stringify(line)
    })
  writeFileSync(path, gzipSync([JSON.stringify(older), ...kept].join('\n')))
  const { again, rows } = await restored(path)
  const was = await whole(db)
  // owners were made of what dogs said, and so are told apart by that
  const apart = (all: typeof was) => ({
    ...all,
    changes: {},
    entries: {},
    receipts: {},
    owners: Object.values(all.owners ?? {})
      .map((o) => JSON.stringify((o as { record: object }).record))
      .sort(),
    dogs: Object.values(all.dogs ?? {}).map((d) => ({ ...(d as object), owner_id: null })),
  })
  expect(apart(rows)).toEqual(apart(was))
  await addDog(again, dog('Noted now'))
  expect(Object.keys((await whole(again)).changes!)).toHaveLength(1)
  await again.close()
})

test('what can’t be restored is refused in words, and nothing is left of the try', async () => {
  const into = join(folder, 'bad')
  const made = await makeBackup(db, into)
  const path = join(into, made.name)
  const packed = readFileSync(path)
  const lines = gunzipSync(packed).toString().trim().split('\n')
  const bad = join(into, 'bad.jsonl.gz')
  const target = join(folder, 'never')
  const at = { blank, migrations: MIGRATIONS }
  const cases: [Buffer, RegExp][] = [
    [packed.subarray(0, packed.length / 2), /can’t be read to its end/],
    [Buffer.from('not packed at all'), /can’t be read to its end/],
    [gzipSync('{"some":"thing"}\n'), /isn’t a backup of this program/],
    [gzipSync(lines.slice(0, -1).join('\n')), /breaks off before its end/],
    [gzipSync(lines.filter((l) => !l.includes('"table":"dogs"')).join('\n')), /holds 0 of \d+ rows of dogs/],
    [
      gzipSync([lines[0]!.replace('0008_history.sql', '0999_future.sql'), ...lines.slice(1)].join('\n')),
      /newer version.*0999/,
    ],
  ]
  for (const [content, says] of cases) {
    writeFileSync(bad, content)
    await expect(restoreInto(bad, target, at)).rejects.toThrow(says)
    expect(existsSync(target)).toBe(false)
  }
  await expect(restoreInto(join(into, 'gone.gz'), target, at)).rejects.toThrow(/There is no file/)
  mkdirSync(join(target, 'something'), { recursive: true })
  await expect(restoreInto(path, target, at)).rejects.toThrow(/isn’t empty/)
  expect((await verifyBackup(path)).counts).toEqual(made.counts)
})

describe('the keeper', () => {
  let now = new Date('2026-11-26T14:00:00')
  const keeperIn = async (name: string) => {
    const data = join(folder, name)
    mkdirSync(data, { recursive: true })
    const keeper = new Keeper(db, data, { blank, migrations: MIGRATIONS }, () => now)
    await keeper.open()
    return keeper
  }
  const later = (hours: number) => (now = new Date(now.getTime() + hours * 3_600_000))

  test('makes one where there is none, then one a day, and writes down what changes after it, over a restart', async () => {
    const keeper = await keeperIn('kept')
    expect(await keeper.state()).toMatchObject({ files: [], journalAt: null, problem: null, making: false })
    await keeper.tend()
    const [first] = (await keeper.state()).files
    expect(first!.at.slice(0, 16)).toBe(now.toISOString().slice(0, 16))
    later(5)
    await addDog(db, dog('Noted'))
    await keeper.tend()
    expect((await keeper.state()).files).toHaveLength(1)
    expect((await keeper.state()).journalAt).toBe(now.toISOString())
    const again = await keeperIn('kept')
    await addDog(db, dog('Noted after a restart'))
    await again.tend()
    const { into } = await again.restore(first!.name)
    const back = await openDb(join(into, 'db'))
    expect((await whole(back)).dogs).toEqual((await whole(db)).dogs)
    await back.close()
    later(22)
    await again.tend()
    expect((await again.state()).files).toHaveLength(2)
    later(1)
    await again.make()
    expect((await again.state()).files).toHaveLength(3)
  })

  test('what changed by the thousand is a new backup, not written down in one go', async () => {
    const many = await openMigrated()
    const data = join(folder, 'many')
    const keeper = new Keeper(many, data, { blank, migrations: MIGRATIONS }, () => now)
    await keeper.make()
    later(1)
    const record = JSON.stringify(dog('One of many'))
    await many.query('insert into dogs (record) select $1::jsonb from generate_series(1, 990)', [record])
    await keeper.writeDown()
    expect((await keeper.state()).files).toHaveLength(1)
    later(1)
    await many.query('insert into dogs (record) select $1::jsonb from generate_series(1, 1010)', [record])
    await keeper.writeDown()
    const { files, journalAt } = await keeper.state()
    expect([files.length, files[0]!.at, journalAt]).toEqual([2, now.toISOString(), null])
    const { counts } = await restored(join(data, 'backups', files[0]!.name)).then(
      ({ said, again }) => (again.close(), said),
    )
    expect(counts.dogs).toBe(2000)
    await many.close()
  })

  test('clearing everything leaves a copy that no later backup takes away, and backups begin anew', async () => {
    const other = await openMigrated()
    await seed(other, { ...DEMO, past: undefined }, '2026-11-25')
    const data = join(folder, 'cleared')
    const keeper = new Keeper(other, data, { blank, migrations: MIGRATIONS }, () => now)
    await keeper.make()
    const copy = await keeper.across(async () => {
      await beginOwn(other, METRIC)
    })
    await addDog(other, dog('First of my own'))
    await keeper.writeDown()
    const { files } = await keeper.state()
    const { into } = await keeper.restore(files[0]!.name)
    const back = await openDb(join(into, 'db'))
    expect(Object.values((await whole(back)).dogs!).map((r) => r.name)).toEqual(['First of my own'])
    await back.close()
    expect(Object.keys((await restored(copy)).rows.dogs!)).toHaveLength(DEMO.dogs.length)
    await other.close()
  })

  test('goes to another folder when told, refuses one that can’t be written, says what failed until it succeeds', async () => {
    const keeper = await keeperIn('moved')
    const stick = join(folder, 'stick')
    await keeper.moveTo(stick)
    expect(await keeper.state()).toMatchObject({ folder: stick, problem: null })
    expect((await keeper.state()).files).toHaveLength(1)
    await expect(keeper.moveTo('here')).rejects.toMatchObject({ status: 422 })
    writeFileSync(join(folder, 'file'), '')
    await expect(keeper.moveTo(join(folder, 'file', 'in it'))).rejects.toThrow(/Is the stick in/)
    expect(await keeperIn('moved').then((k) => k.state())).toMatchObject({ folder: stick })
    const out = join(folder, 'pulled out')
    renameSync(stick, out)
    writeFileSync(stick, 'another thing')
    await expect(keeper.make()).rejects.toMatchObject({ status: 507, title: 'No backup could be made' })
    expect((await keeper.state()).problem).not.toBeNull()
    rmSync(stick)
    renameSync(out, stick)
    await keeper.make()
    expect((await keeper.state()).problem).toBeNull()
  })
})

test('every record is opened: one that can’t be read is named with its place', async () => {
  expect((await checkRecords(db)).unreadable).toEqual([])
  const { id } = await addDog(db, dog('Bent'))
  await db.query(`update dogs set record = jsonb_set(record, '{weightKg}', '"heavy"') where id = $1`, [id])
  const { unreadable, counts } = await checkRecords(db)
  expect(unreadable).toEqual([
    { table: 'dogs', what: 'dog', id, name: 'Bent', why: expect.stringMatching(/^weightKg: /) },
  ])
  expect(counts.dogs).toBeGreaterThan(DEMO.dogs.length)
  await db.query('delete from dogs where id = $1', [id])
})

test('all of two days, seven days, four weeks and twelve months are kept, the newest of each', () => {
  const newest = Date.UTC(2026, 10, 26, 3)
  const made = (hours: number) => {
    const at = new Date(newest - hours * 3_600_000).toISOString()
    return `juvant-${at.slice(0, 19).replace(/:/g, '-')}Z.jsonl.gz`
  }
  const names = Array.from({ length: 800 }, (_, i) => made(12 * i))
  const kept = [...keptOf([...names, 'letter.odt'])].sort().reverse()
  // the four of two days, then of each day the later one
  expect(kept.slice(0, 8)).toEqual([0, 12, 24, 36, 60, 84, 108, 132].map(made))
  expect(kept.length).toBeGreaterThanOrEqual(4 + 5 + 12)
  expect(kept.length).toBeLessThanOrEqual(4 + 7 + 4 + 12)
  expect(new Set(kept.map((n) => n.slice(7, 14))).size).toBe(12)
  expect(keptOf([])).toEqual(new Set())
  // made one after the other all day long: not without end
  expect(keptOf(Array.from({ length: 47 }, (_, i) => made(i))).size).toBeLessThanOrEqual(12 + 3)
})

/** Backups as versions before wrote them. */
const samples = join(projectRoot(), 'server/backup/samples')
test.each(readdirSync(samples))('a backup of %s comes back, every record of it can be read', async (name) => {
  const { again, said, data } = await restored(join(samples, name))
  expect(said.counts.visits).toBeGreaterThan(2)
  expect((await checkRecords(again)).unreadable).toEqual([])
  await again.close()
  rmSync(data, { recursive: true })
})
