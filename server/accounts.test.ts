import fc from 'fast-check'
import { randomUUID } from 'node:crypto'
import { pino } from 'pino'
import request from 'supertest'
import type { Account, OwnerAnswer, OwnerLine, StoredDog } from '@contract'
import { buildApp } from './app'
import { migrate, stepsIn } from './db/migrate'
import type { Db } from './db/db'
import { MIGRATIONS, openMigrated, openPlain } from './fixtures/db'
import { PLAIN_BEGINNING, seed } from './seed'

let db: Db
let app: ReturnType<typeof buildApp>
beforeAll(async () => {
  db = await openMigrated()
  await seed(db, PLAIN_BEGINNING, '2026-12-02')
  app = buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true })
})
afterAll(() => db.close())

const post = (path: string, body: object, status = 200) => request(app).post(`/api${path}`).send(body).expect(status)
const get = async <T>(path: string, status = 200): Promise<T> =>
  (await request(app).get(`/api${path}`).expect(status)).body
const dog = async (name: string, people: object = {}): Promise<StoredDog> =>
  (await post('/dogs', { name, weightKg: 11, coat: 'drop', ...people }, 201)).body
const again = (id: string) => get<StoredDog>(`/dogs/${id}`)
async function change(id: string, people: object) {
  const { version, record } = await again(id)
  return request(app)
    .put(`/api/dogs/${id}`)
    .send({ version, record: { ...record, ...people } })
    .expect(200)
}
const ownerOf = async (id: string) => get<OwnerAnswer>(`/owners/${(await get<Account>(`/account?dog=${id}`)).ownerId}`)
const euro = (cents: number) => ({ cents, currency: 'EUR' })

describe('what stands in dogs’ records of before', () => {
  test('becomes owners, and no word of it is lost', async () => {
    const old = await openPlain()
    const steps = (await stepsIn(MIGRATIONS)).filter((name) => name < '0018')
    await migrate(old, MIGRATIONS, undefined, steps)
    const long = 'a neighbour, '.repeat(14)
    const say = (name: string, owner: string, ownerContact: string, secondContact = '') =>
      old.query('insert into dogs (record) values ($1)', [
        JSON.stringify({ name, weightKg: 9, coat: 'drop', owner, ownerContact, secondContact }),
      ])
    await say('Ash', 'Ida Berg', '0171')
    await say('Birch', 'ida berg', '0171', 'her sister')
    await say('Cedar', 'Ida Berg', '', long)
    await say('Dill', '', '')
    await say('Elm', 'Ida Berg', '0171', long)
    await migrate(old, MIGRATIONS)
    const { rows } = await old.query<{ record: Record<string, string>; dogs: string[] }>(
      `select o.record, array_agg(d.name order by d.name) as dogs from owners o join dogs d on d.owner_id = o.id
        group by o.id order by count(*) desc`,
    )
    expect(rows.map((r) => r.dogs)).toEqual([['Ash', 'Birch', 'Elm'], ['Cedar']])
    expect(rows[0]!.record.name).toMatch(/^ida berg$/i)
    for (const word of ['her sister', long.trim()]) expect(JSON.stringify(rows[0]!.record)).toContain(word)
    expect(rows[1]!.record).toMatchObject({ contact: '', secondContact: long.trim(), notes: '' })
    await old.close()
  })
})

describe('an owner', () => {
  test('is one for all dogs of a name and contact; a second dog that gives the name alone is its too', async () => {
    const fig = await dog('Fig', { owner: 'Ana Ruiz', ownerContact: '0711 22' })
    const plum = await dog('Plum', { owner: 'ana ruiz' })
    expect(plum.record).toMatchObject({ owner: 'Ana Ruiz', ownerContact: '0711 22' })
    expect((await ownerOf(fig.id)).dogs.map((d) => d.name)).toEqual(['Fig', 'Plum'])
    // another person of that name
    const sloe = await dog('Sloe', { owner: 'Ana Ruiz', ownerContact: '0999' })
    const other = await ownerOf(sloe.id)
    expect([other.dogs.length, other.twins]).toMatchObject([1, [{ name: 'Ana Ruiz', dogs: ['Fig', 'Plum'] }]])
    expect((await get<OwnerLine[]>('/owners?text=plum')).map((o) => o.contact)).toEqual(['0711 22'])
  })

  test('reached by another number is so in all its dogs, whichever record says it', async () => {
    const [a, b] = [await dog('Rye', { owner: 'Bo Lind', ownerContact: '1' }), await dog('Oat', { owner: 'Bo Lind' })]
    await change(b.id, { ownerContact: '2', secondContact: 'Kim 3' })
    expect((await again(a.id)).record).toMatchObject({ ownerContact: '2', secondContact: 'Kim 3' })
    const { id, version, record } = await ownerOf(a.id)
    await request(app)
      .put(`/api/owners/${id}`)
      .send({ version, record: { ...record, contact: '4', notes: 'Rings twice.' } })
      .expect(200)
    expect((await again(b.id)).record.ownerContact).toBe('4')
    await request(app).put(`/api/owners/${id}`).send({ version, record }).expect(409)
    const empty = { ...record, name: '', contact: '' }
    await request(app)
      .put(`/api/owners/${id}`)
      .send({ version: version + 1, record: empty })
      .expect(422)
  })

  test('whose dog goes to somebody else keeps the others; an only dog’s owner is renamed', async () => {
    const [a, b] = [await dog('Teal', { owner: 'Cy Ode', ownerContact: '5' }), await dog('Wren', { owner: 'Cy Ode' })]
    const before = await ownerOf(a.id)
    await change(a.id, { owner: 'Dora Ode', ownerContact: '6' })
    expect((await ownerOf(a.id)).id).not.toBe(before.id)
    expect((await again(b.id)).record.owner).toBe('Cy Ode')
    await change(b.id, { owner: 'Cyrus Ode' })
    expect(await ownerOf(b.id)).toMatchObject({ id: before.id, record: { name: 'Cyrus Ode', contact: '5' } })
    await change(b.id, { owner: '', ownerContact: '' })
    expect((await get<Account>(`/account?dog=${b.id}`)).ownerId).toBeNull()
  })

  test('asked twice with one key is one dog, though its record was completed', async () => {
    await dog('Lark', { owner: 'Eve Holm', ownerContact: '7' })
    const [key, body] = [randomUUID(), { name: 'Kite', weightKg: 8, coat: 'drop', owner: 'Eve Holm' }]
    const ask = () => request(app).post('/api/dogs').set('idempotency-key', key).send(body).expect(201)
    expect((await ask()).body.id).toBe((await ask()).body.id)
  })

  test('and another of its name become one: dogs, words and accounts of both', async () => {
    const [a, b] = [
      await dog('Moss', { owner: 'Flo Bar', ownerContact: '8', secondContact: 'Al' }),
      await dog('Fern', { owner: 'Flo Bar', ownerContact: 'flo@example.org', secondContact: 'Bea' }),
    ]
    const [one, other] = [await ownerOf(a.id), await ownerOf(b.id)]
    const record = { ...other.record, notes: 'Side gate.' }
    await request(app).put(`/api/owners/${other.id}`).send({ version: other.version, record }).expect(200)
    await post(`/owners/${other.id}/entries`, { kind: 'correction', cents: 5_00, currency: 'EUR', note: 'towel' }, 201)
    await post(`/owners/${one.id}/join`, { other: one.id }, 422)
    await post(`/owners/${one.id}/join`, { other: other.id })
    expect(await ownerOf(b.id)).toMatchObject({
      id: one.id,
      record: { contact: '8, flo@example.org', secondContact: 'Al; Bea', notes: 'Side gate.' },
      dogs: [{ name: 'Fern' }, { name: 'Moss' }],
      stands: { beside: 5_00 },
      twins: [],
    })
    expect((await again(a.id)).record.ownerContact).toBe('8, flo@example.org')
    await get(`/owners/${other.id}`, 404)
  })

  test('says the same as all its dogs, whatever is written in whatever order', async () => {
    const people = fc.record({
      owner: fc.constantFrom('', 'Gil', 'GIL', 'Hal'),
      ownerContact: fc.constantFrom('', '1', '2'),
      secondContact: fc.constantFrom('', 'x', 'y'),
    })
    const ids = await Promise.all(['Ant', 'Bee', 'Cod'].map(async (name) => (await dog(name)).id))
    const wrong: unknown[] = []
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(fc.nat(2), people), { minLength: 1, maxLength: 6 }), async (writes) => {
        for (const [i, said] of writes) await change(ids[i]!, said)
        const { rows } = await db.query(
          `select d.record from dogs d left join owners o on o.id = d.owner_id and o.deleted_at is null
            where d.id = any($1) and not (
              coalesce(d.record ->> 'owner', '') = coalesce(o.record ->> 'name', '')
              and coalesce(d.record ->> 'ownerContact', '') = coalesce(o.record ->> 'contact', '')
              and (o.id is null or d.record ->> 'secondContact' = o.record ->> 'secondContact'))`,
          [ids],
        )
        if (rows.length > 0) wrong.push({ writes, rows })
      }),
      { numRuns: 25 },
    )
    expect(wrong).toEqual([])
  })
})

describe('an account', () => {
  const write = (id: string, entry: object, status = 201) => post(`/owners/${id}/entries`, entry, status)

  test('has what was asked beside visits, what was paid ahead, and who didn’t come; what was wrong is taken back', async () => {
    const moth = await dog('Moth', { owner: 'Jo Vale' })
    const { id } = await ownerOf(moth.id)
    const missed = { dogId: moth.id, dog: 'Moth', date: '2026-12-05' }
    await write(id, { kind: 'noShow', ...missed, fee: euro(20_00) })
    const wrong = await write(id, { kind: 'calledOff', ...missed, hours: 3, fee: euro(10_00) })
    expect((await ownerOf(moth.id)).stands).toMatchObject({ beside: 30_00, noShow: 1, calledOff: 1, credit: 0 })
    await write(id, { kind: 'takenBack', entry: wrong.body.id, note: '' })
    await write(id, { kind: 'takenBack', entry: randomUUID(), note: '' }, 404)
    await write(id, { kind: 'payment', price: euro(50_00), how: 'cash' })
    const after = await ownerOf(moth.id)
    expect(after.stands).toMatchObject({ beside: 0, noShow: 1, calledOff: 0, credit: 30_00 })
    expect(after.entries.map((e) => e.entry.kind)).toEqual(['payment', 'takenBack', 'calledOff', 'noShow'])
    await write(id, { kind: 'package', visits: 10, price: euro(400_00), how: 'later' })
    expect((await get<Account>(`/account?dog=${moth.id}`)).stands).toMatchObject({
      ahead: { visits: 10, cents: 40_00 },
      beside: 370_00,
    })
    await write(id, { kind: 'package', visits: 1, price: euro(400_00), how: 'card' }, 422)
    await write(id, { kind: 'correction', cents: 0, currency: 'EUR', note: 'x' }, 422)
    await write(id, { kind: 'correction', cents: 100, currency: 'EUR', note: ' ' }, 422)
  })

  test('’s payments are in the books, and have receipts by the same numbers', async () => {
    const newt = await dog('Newt', { owner: 'Kai Lund' })
    const { id } = await ownerOf(newt.id)
    const before = (await get<{ all: { taken: number } }>('/books')).all.taken
    const paid = await write(id, { kind: 'payment', price: euro(30_00), how: 'card' })
    const { all, credit } = await get<{ all: { taken: number }; credit: number }>('/books')
    expect([all.taken - before, credit >= 30_00]).toEqual([30_00, true])
    const receipt = await post(`/entries/${paid.body.id}/receipt`, {})
    expect((await post(`/entries/${paid.body.id}/receipt`, {})).body).toEqual(receipt.body)
    await request(app).get(`/api/entries/${paid.body.id}/receipt.pdf`).expect(200)
    const fee = await write(id, { kind: 'noShow', dogId: newt.id, dog: 'Newt', date: '2026-12-05', fee: euro(5_00) })
    await post(`/entries/${fee.body.id}/receipt`, {}, 422)
  })

  test('of an owner that is deleted for good stays as sums, without a name anywhere', async () => {
    const crab = await dog('Crabapple', { owner: 'Lina Quist', ownerContact: 'lina@example.org' })
    const { id } = await ownerOf(crab.id)
    await write(id, { kind: 'noShow', dogId: crab.id, dog: 'Crabapple', date: '2026-12-05', fee: euro(11_00) })
    const before = (await get<{ all: { owed: number } }>('/books')).all.owed
    await post(`/dogs/${crab.id}/owner/erase`, { what: 'dogs', backups: false })
    expect((await get<{ all: { owed: number } }>('/books')).all.owed).toBe(before)
    for (const table of ['owners', 'entries', 'changes', 'dogs']) {
      const { rows } = await db.query<{ all: string }>(
        `select coalesce(string_agg(t::text, ' '), '') as all from ${table} t`,
      )
      expect([table, /Lina|lina@|Crabapple/.test(rows[0]!.all)]).toEqual([table, false])
    }
  })
})
