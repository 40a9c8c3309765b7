import { randomUUID } from 'node:crypto'
import {
  appendFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
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
import { backupsIn, journalOf, keptOf, makeBackup, verifyBackup } from './backup'
import { checkRecords } from './check'
import { writeJournal } from './journal'
import { Keeper } from './keeper'
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
  const change = await writeJournal(db, journal, made.change)
  expect(change).toBeGreaterThan(made.change)
  expect(await writeJournal(db, journal, change)).toBe(change)
  const was = await whole(db)
  expect(was.visits![visit!.id]).toBeUndefined()

  const { said, again, rows } = await restored(path)
  expect(rows).toEqual(was)
  expect(said.counts).toEqual(Object.fromEntries(Object.entries(was).map(([t, r]) => [t, Object.keys(r).length])))
  await addDog(again, dog('Life goes on'))
  await productRecords.add(again, Product.parse({ name: 'One more', kind: 'cleaning', ratio: '1:9' }))
  await again.close()
})

test('a journal that a power cut broke off counts up to its last whole line', async () => {
  const into = join(folder, 'two')
  const made = await makeBackup(db, into)
  await addDog(db, dog('Last minute'))
  const journal = join(into, journalOf(made.name))
  await writeJournal(db, journal, made.change)
  appendFileSync(journal, '{"table":"dogs","row":{"id":"0')
  const { again, rows } = await restored(join(into, made.name))
  expect(rows.dogs).toEqual((await whole(db)).dogs)
  await again.close()
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
    .filter((l) => !l.includes('"table":"changes"'))
    .map((l) => {
      const line = JSON.parse(l) as { end?: Record<string, number> }
      // what there wasn't then
      for (const table of ['changes', 'photos', 'answers']) if (line.end) delete line.end[table]
      return JSON.stringify(line)
    })
  writeFileSync(path, gzipSync([JSON.stringify(older), ...kept].join('\n')))
  const { again, rows } = await restored(path)
  const was = await whole(db)
  expect({ ...rows, changes: {} }).toEqual({ ...was, changes: {} })
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
    rmSync(stick, { recursive: true })
    writeFileSync(stick, 'pulled out')
    await expect(keeper.make()).rejects.toMatchObject({ status: 507, title: 'No backup could be made' })
    expect((await keeper.state()).problem).not.toBeNull()
    rmSync(stick)
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

test('seven days, four weeks and twelve months are kept, the newest of each', () => {
  const names = Array.from({ length: 800 }, (_, i) => {
    const at = new Date(Date.UTC(2026, 10, 26, 3) - i * 43_200_000).toISOString()
    return `juvant-${at.slice(0, 19).replace(/:/g, '-')}Z.jsonl.gz`
  })
  const kept = [...keptOf([...names, 'letter.odt'])].sort().reverse()
  expect(kept.slice(0, 7)).toEqual(names.filter((_, i) => i === 0 || i % 2 === 1).slice(0, 7))
  expect(kept.length).toBeGreaterThanOrEqual(7 + 12)
  expect(kept.length).toBeLessThanOrEqual(7 + 4 + 12)
  expect(new Set(kept.map((n) => n.slice(7, 14))).size).toBe(12)
  expect(keptOf([])).toEqual(new Set())
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
