import { randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Ajv from 'ajv/dist/2020'
import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { pino } from 'pino'
import request from 'supertest'
import type { ArchivePreview, KindCount, OwnerData } from '@contract'
import { Dog } from '@core/dog'
import { pastDays } from '../../demo/past'
import { DEMO } from '../../demo/scenario'
import { buildApp } from '../app'
import { backupsIn } from '../backup/backup'
import { Keeper } from '../backup/keeper'
import { projectRoot } from '../config'
import type { Db } from '../db/db'
import { addDog, dogRecords } from '../db/dogs'
import { listVisits } from '../db/visits'
import { archiveBytes, dataOf, filesOf, type Asks } from '../fixtures/archives'
import { PLAIN_BEGINNING, seed } from '../seed'
import { Archives } from '../usecases/archives'
import { JOBS } from '../work/jobs'
import { workHere } from '../work/work'
import { MIGRATIONS, openMigrated } from '../fixtures/db'

let folder: string
let full: Db
const opened: Db[] = []
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'juvant-archive-'))
  full = await room(true)
})
afterAll(async () => {
  for (const db of opened) await db.close()
  rmSync(folder, { recursive: true, force: true })
})

async function room(demonstration: boolean, weeks = 2): Promise<Db> {
  const db = await openMigrated()
  opened.push(db)
  await seed(
    db,
    demonstration
      ? { ...DEMO, past: (all, shelf, house, last) => pastDays({ dogs: all, house }, shelf, last, { weeks }) }
      : PLAIN_BEGINNING,
    '2026-11-25',
  )
  return db
}
const appOf = (db: Db, backups?: Keeper) =>
  request(
    buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true, backups, incoming: join(folder, 'incoming') }),
  )
const archiveOf = async (app: Asks) => filesOf(await archiveBytes(app))
const pack = (files: Record<string, string>) =>
  Buffer.from(zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)]))))
const send = (app: Asks, files: Record<string, string> | Buffer) =>
  app
    .post('/api/archive/preview')
    .set('content-type', 'application/zip')
    .send(Buffer.isBuffer(files) ? files : pack(files))
const look = async (app: Asks, files: Record<string, string>) =>
  (await send(app, files).expect(200)).body as ArchivePreview
const take = async (app: Asks, token: string, how: object = {}) =>
  (
    await app
      .post('/api/archive/take')
      .send({ token, ...how })
      .expect(200)
  ).body as {
    counts: KindCount[]
    house: boolean
    backup: string | null
  }
const of = (counts: KindCount[], kind: string) => counts.find((c) => c.kind === kind)!

test('an archive comes back in an empty room word for word; taken again it does nothing', async () => {
  await addDog(full, Dog.parse({ name: '🐕 "Bärli", =1+1', weightKg: 9, coat: 'smooth', notes: 'a\nb\u2028c' }))
  const gone = await addDog(full, Dog.parse({ name: 'Gone', weightKg: 9, coat: 'smooth' }))
  await dogRecords.remove(full, gone.id)
  const files = await archiveOf(appOf(full))
  const empty = appOf(await room(false))
  const preview = await look(empty, files)
  expect(preview).toMatchObject({ empty: true, house: 'differs', doubles: [], unreadable: [] })
  expect(of(preview.counts, 'dogs')).toEqual({ kind: 'dogs', adds: DEMO.dogs.length + 2, same: 0, differs: 0, lost: 0 })
  expect(of(preview.counts, 'visits').adds).toBeGreaterThan(5)
  // nothing is kept by looking
  expect((await empty.get('/api/dogs').expect(200)).body).toEqual([])
  await take(empty, preview.token, { house: true })
  expect(dataOf(await archiveOf(empty))).toEqual(dataOf(files))
  // what the log knows is there too
  const [{ body: a }, { body: b }] = [await appOf(full).get('/api/logbook'), await empty.get('/api/logbook')]
  expect([b.count, b.tables]).toEqual([a.count, a.tables])
  const again = await look(empty, files)
  expect(again.house).toBe('same')
  expect(again.counts.map((c) => [c.adds, c.differs, c.lost])).toEqual(again.counts.map(() => [0, 0, 0]))
  // it was taken once, under its token
  await empty.post('/api/archive/take').send({ token: preview.token }).expect(404)
})

test('accounts, receipts and closed days come along: the books are the same', async () => {
  const from = appOf(await room(true))
  const [owner] = (await from.get('/api/owners').expect(200)).body as { id: string }[]
  const payment = { kind: 'payment', price: { cents: 12_34, currency: 'EUR' }, how: 'cash' }
  const { body: paid } = await from.post(`/api/owners/${owner!.id}/entries`).send(payment).expect(201)
  await from.post(`/api/entries/${paid.id as string}/receipt`).expect(200)
  await from.post('/api/closings').send({ until: '2026-11-28' }).expect(201)
  const files = await archiveOf(from)
  const empty = appOf(await room(false))
  const preview = await look(empty, files)
  await take(empty, preview.token, { house: true })
  for (const kind of ['entries', 'receipts', 'closings'])
    expect([kind, of(preview.counts, kind).adds > 0]).toEqual([kind, true])
  const books = (app: Asks) =>
    Promise.all(['/api/books', '/api/closings'].map(async (p) => (await app.get(p).expect(200)).body))
  expect(await books(empty)).toEqual(await books(from))
})

test('taps that go by the same ids as those of other visits here stay with theirs, and come in as well', async () => {
  const db = await room(true)
  const own = appOf(db)
  const tapsOf = async (app: Asks, ids: string[]) => {
    const counts: number[] = []
    for (const id of ids) counts.push((await app.get(`/api/visits/${id}/events`).expect(200)).body.events.length)
    return counts
  }
  const mine = (await listVisits(db, { limit: 100 })).map((v) => v.id)
  const theirs = (await listVisits(full, { limit: 100 })).map((v) => v.id)
  const [before, there] = [await tapsOf(own, mine), await tapsOf(appOf(full), theirs)]
  expect(Math.min(...before, ...there)).toBeGreaterThan(0)
  const files = await archiveOf(appOf(full))
  await take(own, (await look(own, files)).token)
  expect(await tapsOf(own, mine)).toEqual(before)
  expect(await tapsOf(own, theirs)).toEqual(there)
  const again = await look(own, files)
  expect(of(again.counts, 'visits')).toMatchObject({ adds: 0, differs: 0 })
})

test('an archive is taken whole or not at all; what others couldn’t show is named and left', async () => {
  const files = await archiveOf(appOf(full))
  const year = Object.keys(files).find((name) => name.startsWith('visits/'))!
  const changed = (change: (visit: { changedAt: string; outcome: { record: object } | null }) => void) => {
    const visits = JSON.parse(files[year]!) as Parameters<typeof change>[0][]
    change(visits.findLast((v) => v.outcome)!)
    return { ...files, [year]: JSON.stringify(visits) }
  }
  const app = appOf(await room(false))
  // a moment that no calendar has: only the database knows
  const { token } = await look(
    app,
    changed((visit) => (visit.changedAt = '2026-99-01T00:00:00Z')),
  )
  const refused = await app.post('/api/archive/take').send({ token }).expect(422)
  expect(refused.body.detail).toContain('Nothing was stored')
  for (const path of ['/api/dogs', '/api/products', '/api/visits'])
    expect((await app.get(path).expect(200)).body).toEqual([])

  const preview = await look(
    app,
    changed((visit) => (visit.outcome!.record = {})),
  )
  expect(preview.unreadable).toEqual([
    { kind: 'visits', place: expect.any(Number), why: expect.stringMatching(/^outcome\.record\.began: /) },
  ])
  await take(app, preview.token)
  await app.get('/api/logbook').expect(200)
})

test('taking an archive tells how far it is, and is stopped: nothing of it is kept', async () => {
  const db = await room(false)
  const archives = new Archives(db, workHere(JOBS), join(folder, 'stopped'))
  const sent = join(folder, 'sent.zip')
  writeFileSync(sent, await archiveBytes(appOf(full)))
  const { token, counts } = await archives.look(sent)
  expect(archives.progress()).toBeNull()
  expect(() => archives.stop(token)).toThrow('There is no such archive')
  const taken = archives.take({ token, over: false, house: false })
  expect(archives.progress()).toEqual({ done: 0, of: counts.reduce((sum, c) => sum + c.adds, 0) })
  await expect(archives.take({ token, over: false, house: false })).rejects.toThrow('Another archive is being taken')
  archives.stop(token)
  await expect(taken).rejects.toThrow('Nothing of it was kept')
  const app = appOf(db)
  for (const path of ['/api/dogs', '/api/products', '/api/visits', '/api/photos?kind=dog'])
    expect([path, (await app.get(path)).body?.length ?? 0]).toEqual([path, 0])
  // it waits to be taken all the same
  const { counts: came } = await archives.take({ token, over: false, house: false })
  expect(came).toEqual(counts)
})

test('what is made to harm is refused before it is opened', async () => {
  const files = await archiveOf(appOf(full))
  const app = appOf(await room(false))
  const many = JSON.stringify(Array.from({ length: 20_001 }, () => ({})))
  const tight = `[${' '.repeat(6_000_000)}]`
  for (const [sent, says] of [
    [{ ...files, 'dogs.json': many }, /more than 20000 of dogs/],
    [{ ...files, 'findings.json': tight }, /findings\.json in it is packed tighter than records can be/],
  ] as const) {
    const { status, body } = await send(app, sent)
    expect([status, body.detail]).toEqual([422, expect.stringMatching(says)])
  }
})

test('every file is as the published schema says', async () => {
  const app = appOf(full)
  const schema = (await app.get('/api/archive.schema.json').expect(200)).body as {
    properties: Record<string, object>
    $defs?: object
  }
  const files = await archiveOf(app)
  const ajv = new Ajv({ strict: false, validateFormats: false })
  expect(JSON.parse(files['archive.schema.json']!)).toEqual(schema)
  expect(JSON.parse(readFileSync(join(projectRoot(), 'docs/archive.schema.json'), 'utf8'))).toEqual(schema)
  const names = Object.keys(files).filter((name) => name !== 'archive.schema.json')
  expect(names).toEqual(expect.arrayContaining(['archive.json', 'dogs.json', 'visits/2026.json', 'house.json']))
  for (const name of names) {
    const one = schema.properties[name.replace(/\d{4}/, '{year}')]!
    const valid = ajv.compile({ ...one, $defs: schema.$defs })
    expect([name, valid(JSON.parse(files[name]!)), valid.errors]).toEqual([name, true, null])
  }
  // and what isn't so is found
  const dogs = ajv.compile({ ...schema.properties['dogs.json'], $defs: schema.$defs })
  expect(dogs([{ id: randomUUID(), record: { name: 3 } }])).toBe(false)
})

test('beside what is here it adds what is missing, changes what differs only when asked, and keeps taps of both', async () => {
  const files = await archiveOf(appOf(full))
  const db = await room(false)
  const app = appOf(db)
  await take(app, (await look(app, files)).token)
  const before = (await app.get('/api/house')).body
  // here: a dog of one's own, one renamed, a visit gone and one with a tap more
  const own = await addDog(db, Dog.parse({ name: 'Own', weightKg: 9, coat: 'smooth' }))
  const [renamed] = (await app.get('/api/dogs')).body
  await dogRecords.change(db, renamed.id, renamed.version, { ...renamed.record, name: 'Renamed' })
  const [gone, tapped] = await listVisits(db, { limit: 2 })
  await app.delete(`/api/visits/${gone!.id}`).expect(204)
  const tap = { id: randomUUID(), at: 5, device: 'tablet', kind: 'note', text: 'mine' }
  await app
    .post(`/api/visits/${tapped!.id}/events`)
    .send({ events: [tap] })
    .expect(200)
  const preview = await look(app, files)
  expect(of(preview.counts, 'dogs')).toMatchObject({ adds: 0, differs: 1 })
  expect(of(preview.counts, 'visits')).toMatchObject({ adds: 1, differs: 1 })
  await take(app, preview.token)
  expect((await app.get(`/api/dogs/${renamed.id}`)).body.record.name).toBe('Renamed')
  expect((await app.get(`/api/visits/${gone!.id}`)).status).toBe(200)
  expect((await app.get('/api/house')).body).toEqual(before)
  await take(app, (await look(app, files)).token, { over: true })
  const { body: now } = await app.get(`/api/dogs/${renamed.id}`)
  expect([now.record.name, now.version]).toEqual([renamed.record.name, renamed.version + 2])
  const { body: taps } = await app.get(`/api/visits/${tapped!.id}/events`)
  expect(taps.events.map((e: { id: string }) => e.id)).toContain(tap.id)
  expect((await app.get(`/api/dogs/${own.id}`)).status).toBe(200)
})

/** The same with owners told by what they are called: one that was here before, from its dogs, keeps its own id. */
function ownersByName(data: Record<string, string>) {
  const owners = JSON.parse(data['owners.json']!) as { id: string; record: { name: string; contact: string } }[]
  const named = (text: string, { id, record }: (typeof owners)[number]) =>
    text.replaceAll(id, `${record.name} ${record.contact}`)
  return {
    ...data,
    'owners.json': owners.map(({ record }) => JSON.stringify(record)).sort(),
    'entries.json': owners.reduce(named, data['entries.json']!),
  }
}

test('whatever part of an archive comes in whatever pieces: in the end it is all there', async () => {
  const files = await archiveOf(appOf(full))
  const lists = Object.keys(files).filter((name) => name.endsWith('s.json') || name.startsWith('visits/'))
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 8, maxLength: 8 }),
      async (shares) => {
        const app = appOf(await room(false))
        // dogs and bottles first as a whole or not at all, the rest cut somewhere
        const part = Object.fromEntries(
          lists.map((name, i) => {
            const all = JSON.parse(files[name]!) as unknown[]
            return [name, JSON.stringify(all.slice(0, Math.round(all.length * shares[i % shares.length]!)))]
          }),
        )
        const first = await look(app, { ...files, ...part })
        const took = await take(app, first.token, { house: true })
        expect(took.counts).toEqual(first.counts)
        await take(app, (await look(app, files)).token, { over: true, house: true })
        expect(ownersByName(dataOf(await archiveOf(app)))).toEqual(ownersByName(dataOf(files)))
      },
    ),
    // the one that failed before owners were told so; none is made smaller: each takes a room
    { numRuns: 3, endOnFailure: true, examples: [[[0, 0, 1, 0, 0, 0, 0, 1]]] },
  )
})

test('what can’t be read is named and left; what isn’t an archive is refused in plain words', async () => {
  const files = await archiveOf(appOf(full))
  const app = appOf(await room(false))
  const dogs = JSON.parse(files['dogs.json']!)
  dogs[1].record.weightKg = 'heavy'
  const { unreadable, counts } = await look(app, { ...files, 'dogs.json': JSON.stringify(dogs) })
  expect(unreadable).toEqual([{ kind: 'dogs', place: 2, why: expect.stringMatching(/^record\.weightKg: ./) }])
  // its visits have nobody to belong to
  expect(of(counts, 'dogs').adds).toBe(dogs.length - 1)
  expect(of(counts, 'visits').lost + of(counts, 'findings').lost).toBeGreaterThanOrEqual(0)
  const head = JSON.parse(files['archive.json']!)
  const newer = JSON.stringify({ ...head, migrations: [...head.migrations, '9999_later'] })
  for (const [sent, says] of [
    [Buffer.from('no zip'), /isn’t a zip/],
    [pack(files).subarray(0, 2000), /isn’t a zip, or is damaged/],
    [{ 'dogs.json': '[]' }, /There is no archive\.json/],
    [{ ...files, 'archive.json': '{"juvant":"other"}' }, /isn’t an archive that this version knows/],
    [{ ...files, 'archive.json': newer }, /written by a newer version \(9999_later\)/],
    [{ ...files, 'products.json': '[{' }, /products\.json in it isn’t whole/],
    [{ ...files, 'products.json': '{}' }, /products\.json in it isn’t a list/],
    [{ ...files, 'house.json': '{}' }, /Its house can’t be read/],
  ] as const) {
    const { status, body } = await send(app, sent as never)
    expect([status, body.detail]).toEqual([422, expect.stringMatching(says)])
  }
  await app.post('/api/archive/preview').send({}).expect(415)
})

describe('of one dog and its owner', () => {
  async function shared() {
    const db = await room(true, 1)
    const backups = new Keeper(db, join(folder, randomUUID()), { blank: '', migrations: MIGRATIONS })
    await backups.make()
    const app = appOf(db, backups)
    const came = new Set((await listVisits(db, { limit: 100 })).map((v) => v.dogId))
    const [first, second, other] = (await app.get('/api/dogs')).body.filter((d: { id: string }) => came.has(d.id))
    const people = { owner: 'Ola Erased', ownerContact: '0999 111222', consent: 'by Ola Erased' }
    for (const dog of [first, second])
      await app
        .put(`/api/dogs/${dog.id}`)
        .send({ version: dog.version, record: { ...dog.record, ...people } })
        .expect(200)
    const text = async () => {
      const { rows } = await db.query<{ all: string }>(
        `select concat((select json_agg(t)::text from dogs t), (select json_agg(t)::text from visits t), (select json_agg(t)::text from changes t),
                (select json_agg(t)::text from days t), (select json_agg(t)::text from findings t), (select json_agg(t)::text from outcomes t),
                (select json_agg(t)::text from visit_events t), (select json_agg(t)::text from standings t)) as all`,
      )
      return rows[0]!.all
    }
    return { app, backups, first, second, other, text }
  }

  test('its record leaves as JSON and PDF, without the house’s shelf and prices', async () => {
    const { app, first } = await shared()
    const { body } = await app.get(`/api/dogs/${first.id}/record.json`).expect(200)
    expect(body).toMatchObject({ juvant: 'dog', dog: { name: first.record.name, owner: 'Ola Erased' } })
    expect(body.visits.length).toBeGreaterThan(0)
    expect(JSON.stringify(body.visits)).not.toMatch(/pricePerLitre":\d|"prices"/)
    const pdf = await app.get(`/api/dogs/${first.id}/record.pdf`).buffer(true).expect(200)
    expect(String(pdf.body.subarray?.(0, 5) ?? pdf.text)).toMatch(/^%PDF/)
  })

  test('people’s names go everywhere, also from what was before; the dogs stay', async () => {
    const { app, first, text } = await shared()
    const said = {
      kind: 'before',
      date: '2026-11-28',
      answers: { consent: 'Ola Erased', note: 'Call me: 0999 111222' },
    }
    const answers = { said }
    await app.post(`/api/dogs/${first.id}/answers`).send(answers).expect(201)
    const what = (await app.get(`/api/dogs/${first.id}/owner`).expect(200)).body as OwnerData
    expect([what.owner, what.dogs.length, what.backups]).toEqual(['Ola Erased', 2, 1])
    expect(await text()).toContain('Ola Erased')
    const { body } = await app.post(`/api/dogs/${first.id}/owner/erase`).send({ what: 'people' }).expect(200)
    expect(body).toEqual({ ...what, backups: 0 })
    expect(await text()).not.toMatch(/Ola Erased|0999 111222/)
    expect((await app.get(`/api/dogs/${first.id}`)).body.record.name).toBe(first.record.name)
  })

  test('dogs go with everything, also from backups; others, and what the bottles gave, stay', async () => {
    const { app, backups, first, second, other, text } = await shared()
    await app.delete(`/api/visits/${(await app.get(`/api/visits?dogId=${first.id}`)).body[0].id}`).expect(204)
    const stock = async () => (await app.get('/api/stock?on=2026-11-28')).body.map((l: { level: number }) => l.level)
    const before = [await stock(), (await app.get(`/api/visits?dogId=${other.id}`)).body.length]
    await app.post(`/api/dogs/${first.id}/owner/erase`).send({ what: 'dogs', backups: true }).expect(200)
    const left = await text()
    expect(left).not.toContain('Ola Erased')
    expect(left).not.toMatch(new RegExp(`"(dogId|dog_id)": ?"(${first.id}|${second.id})"`))
    await app.get(`/api/dogs/${first.id}`).expect(404)
    expect((await app.get(`/api/visits?dogId=${second.id}`)).body).toEqual([])
    expect((await app.get('/api/bin')).body).toEqual([])
    expect([await stock(), (await app.get(`/api/visits?dogId=${other.id}`)).body.length]).toEqual(before)
    expect(await backupsIn((await backups.state()).folder)).toHaveLength(1)
    // days go on without them
    for (const { date } of (await app.get('/api/days?from=2026-11-01&to=2026-12-31')).body)
      expect(JSON.stringify((await app.get(`/api/days/${date}`).expect(200)).body)).not.toContain(second.id)
  })
})

test('visits and their steps leave as CSV', async () => {
  const app = appOf(full)
  const visits = (await app.get('/api/tables/visits').expect(200)).text.split('\r\n')
  expect(visits[0]).toBe(
    'visit,date,dog,dogName,coat,minutes,planned,by,litres,towels,products,damp,happened,skipped,next',
  )
  expect(visits).toHaveLength(1 + (await app.get('/api/logbook')).body.count)
  const steps = (await app.get('/api/tables/steps').expect(200)).text.split('\r\n')
  expect(steps[0]).toBe('visit,date,dog,coat,kind,model,actual,aside')
  expect(steps.length).toBeGreaterThan(visits.length)
  await app.post('/api/tables/visits/import').send({ text: 'name\nx' }).expect(404)
})

/** Archives as versions before wrote them. */
const samples = join(projectRoot(), 'server/archive/samples')
test.each(readdirSync(samples))('an archive of %s is taken whole, and reckons on', async (name) => {
  const app = appOf(await room(false))
  const { body: preview } = await send(app, readFileSync(join(samples, name))).expect(200)
  expect(preview.unreadable).toEqual([])
  const counts = preview.counts as KindCount[]
  expect(counts.map((c) => [c.kind, c.lost])).toEqual(counts.map((c) => [c.kind, 0]))
  await take(app, preview.token, { house: true })
  const { body: log } = await app.get('/api/logbook').expect(200)
  expect([log.count > 0, log.count]).toEqual([true, of(counts, 'visits').adds])
  const { body: dogs } = await app.get('/api/dogs').expect(200)
  expect(dogs.length).toBeGreaterThan(10)
  for (const dog of dogs) {
    const draft = { dogId: dog.id, today: { date: '2033-01-08' } }
    await app.post('/api/visits').send(draft).expect(201)
  }
})
