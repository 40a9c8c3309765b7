import { pino } from 'pino'
import Papa from 'papaparse'
import request from 'supertest'
import { pastDays } from '../demo/past'
import { DEMO } from '../demo/scenario'
import type { Account, StoredDog } from '@contract'
import type { Books, Closings } from '@core/money'
import { Devices } from './access/devices'
import { buildApp } from './app'
import type { Db } from './db/db'
import { giveReceipt, printReceipt } from './db/receipts'
import { openMigrated } from './fixtures/db'
import { seed } from './seed'

let db: Db
let app: ReturnType<typeof buildApp>
let dogs: StoredDog[]
const WEEKS = 5
const LAST = '2026-11-28'

beforeAll(async () => {
  db = await openMigrated()
  await seed(
    db,
    { ...DEMO, past: (all, shelf, house, last) => pastDays({ dogs: all, house }, shelf, last, { weeks: WEEKS }) },
    LAST,
  )
  app = buildApp({
    db,
    log: pino({ level: 'silent' }),
    checkAnswers: true,
    hosts: ['127.0.0.1', 'localhost', 'wash-room.local'],
    devices: new Devices(db),
    reachable: () => ({
      safe: [],
      plain: ['http://192.168.1.5:4870'],
      fingerprint: 'AB',
      authority: 'its certificate',
    }),
  })
  dogs = (await request(app).get('/api/dogs')).body
})
afterAll(() => db.close())

const idOf = (name: string) => dogs.find((d) => d.record.name === name)!.id
const books = async (query: object = {}): Promise<Books> =>
  (await request(app).get('/api/books').query(query).expect(200)).body
const account = async (name: string): Promise<Account> =>
  (
    await request(app)
      .get('/api/account')
      .query({ dog: idOf(name) })
      .expect(200)
  ).body
const csv = async () => {
  const { text } = await request(app).get('/api/tables/payments').expect(200)
  return Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data
}
let count = 0
const pay = (visitId: string, more: object) =>
  request(app)
    .post(`/api/visits/${visitId}/events`)
    .send({
      events: [
        {
          id: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
          at: Date.parse('2026-12-01T08:00:00Z') + count,
          device: 'test',
          kind: 'paid',
          ...more,
        },
      ],
    })

test('the books, what is owed and the payments as CSV say the same', async () => {
  const { all, months, owed, currency } = await books()
  expect([currency, all.priced > 10, all.owed > 0]).toEqual(['EUR', true, true])
  expect(months.reduce((sum, m) => sum + m.taken, 0)).toBe(all.taken)
  expect(owed.map((o) => o.dog).sort()).toEqual(['Otis', 'Tansy'])
  expect(owed.reduce((sum, o) => sum + o.owed, 0)).toBe(all.owed)
  // visits paid ahead aren’t asked for yet
  const { credit } = await books()
  const { ahead } = (await account('Rook')).stands
  expect(all.asked - all.owed + ahead!.visits * ahead!.cents + credit).toBe(all.taken)
  const rows = await csv()
  expect(Object.keys(rows[0]!)).toEqual([
    'date',
    'visit',
    'visitDate',
    'dog',
    'owner',
    'service',
    'price',
    'paid',
    'tip',
    'how',
    'owed',
    'currency',
  ])
  const cents = (field: string) => rows.reduce((sum, r) => sum + Math.round(100 * Number(r[field])), 0)
  const { text } = await request(app).get('/api/tables/accounts').expect(200)
  const entries = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data
  expect(Object.keys(entries[0]!)).toEqual([
    'date',
    'entry',
    'owner',
    'kind',
    'dog',
    'visitDate',
    'owes',
    'handed',
    'how',
    'visits',
    'hours',
    'note',
    'takesBack',
    'currency',
  ])
  const handed = entries.reduce((sum, e) => sum + Math.round(100 * Number(e.handed)), 0)
  expect([cents('paid') + handed, cents('tip')]).toEqual([all.taken, all.tips])
  const one = await request(app).get('/api/tables/accounts').query({ from: '2026-10-01', to: '2026-10-31' }).expect(200)
  expect(one.text).toContain('calledOff')
  expect(one.text).not.toMatch(/noShow|package/)
})

test('between two dates there are those visits alone', async () => {
  const whole = await books()
  const first = await books({ to: '2026-11-14' })
  const rest = await books({ from: '2026-11-15' })
  expect(first.all.visits + rest.all.visits).toBe(whole.all.visits)
  expect(first.all.visits).toBeGreaterThan(0)
  await request(app).get('/api/books').query({ from: 'soon' }).expect(422)
})

test('an owner’s account is of all its dogs; a payment takes off what it pays, an undo brings it back', async () => {
  const before = await account('Quill')
  expect(before.owner).toBe('Ida Moreau')
  expect(before.owed).toMatchObject([{ dog: 'Tansy' }])
  const [{ visitId, price, owed, paid }] = before.owed as [Account['owed'][number]]
  expect(owed + paid).toBe(price)
  const asked = { price: { cents: price, currency: 'EUR' }, how: 'cash' }
  await pay(visitId, { ...asked, cents: owed - 5_00, tip: 1_00 }).expect(200)
  expect((await account('Tansy')).owed).toMatchObject([{ visitId, owed: 5_00, paid: price - 5_00 }])
  await pay(visitId, { ...asked, cents: 5_00 }).expect(200)
  expect((await account('Tansy')).owed).toEqual([])
  const rows = (await csv()).filter((r) => r.visit === visitId)
  expect(rows.map((r) => [r.date, r.paid, r.owed]).slice(1)).toEqual([
    ['2026-12-01', ((owed - 5_00) / 100).toFixed(2), '0.00'],
    ['2026-12-01', '5.00', '0.00'],
  ])
  const events = (await request(app).get(`/api/visits/${visitId}/events`)).body.events as {
    id: string
    cents?: number
  }[]
  const last = events.find((e) => e.cents === 5_00)!
  await pay(visitId, { kind: 'undo', event: last.id }).expect(200)
  expect((await account('Tansy')).owed).toMatchObject([{ visitId, owed: 5_00 }])
})

test('an amount that isn’t one is refused, and nothing of it is written down', async () => {
  const [{ visitId, owed }] = (await account('Otis')).owed as [Account['owed'][number]]
  for (const cents of [-1, 0.5, 10_000_001, '5'])
    await pay(visitId, { price: { cents: 1000, currency: 'EUR' }, how: 'cash', cents }).expect(422)
  expect((await account('Otis')).owed).toMatchObject([{ visitId, owed }])
  await request(app).get('/api/account').query({ dog: crypto.randomUUID() }).expect(404)
})

test('a device at the tub is told of no money: no list, no price, no payment, no books', async () => {
  const { code } = (await request(app).post('/api/devices/code').send({ role: 'tub' }).expect(201)).body
  const from = (method: 'get' | 'post', path: string, cookie = '') =>
    request(app)[method](`/api${path}`).set('host', 'wash-room.local').set('cookie', cookie)
  const paired = await from('post', '/pair').send({ code, name: 'tablet' }).expect(204)
  const cookie = (paired.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!
  const house = (await from('get', '/house', cookie).expect(200)).body.record
  expect(house.priceList.services).toEqual({})
  for (const path of ['/books', `/account?dog=${idOf('Otis')}`, '/tables/payments'])
    expect([path, (await from('get', path, cookie)).status]).toEqual([path, 403])
  const today = new Date().toISOString().slice(0, 10)
  const made = await request(app)
    .post('/api/visits')
    .send({ dogId: idOf('Fig'), today: { date: today } })
    .expect(201)
  const { id } = made.body
  await pay(id, { price: { cents: 43_21, currency: 'EUR' }, how: 'cash', cents: 43_21, tip: 1_79 }).expect(200)
  expect((await request(app).get(`/api/visits/${id}/events`)).text).toMatch(/4321.*179/)
  const { text } = await from('get', `/visits/${id}/events`, cookie).expect(200)
  expect(text).not.toMatch(/4321|"(cents|tip)"/)

  // where the house says so it is told what a visit costs and what was paid; never the books
  const { version, record } = (await request(app).get('/api/house').expect(200)).body
  const tell = { ...record, priceList: { ...record.priceList, atTub: true } }
  await request(app).put('/api/house').send({ version, record: tell }).expect(200)
  expect((await from('get', '/house', cookie).expect(200)).body.record.priceList.services).toEqual(
    record.priceList.services,
  )
  expect((await from('get', `/visits/${id}/events`, cookie).expect(200)).text).toMatch(/4321.*179/)
  for (const path of ['/books', '/closings', '/tables/payments', '/owners'])
    expect([path, (await from('get', path, cookie)).status]).toEqual([path, 403])
  await request(app)
    .put('/api/house')
    .send({ version: version + 1, record })
    .expect(200)
})

test('deleted for good, an owner is nobody in the books, and the sums stay', async () => {
  const before = await books()
  await request(app)
    .post(`/api/dogs/${idOf('Otis')}/owner/erase`)
    .send({ what: 'people', backups: false })
    .expect(200)
  const after = await books()
  expect(JSON.stringify(after)).not.toContain('Ben Hathaway')
  expect(after.all).toEqual(before.all)
})

describe('closing days', () => {
  const closings = async (): Promise<Closings> => (await request(app).get('/api/closings').expect(200)).body
  const close = (until: string, status: number, key = crypto.randomUUID() as string) =>
    request(app).post('/api/closings').set('idempotency-key', key).send({ until }).expect(status)
  const price = { cents: 40_00, currency: 'EUR' }

  test('counts what changed hands; what was said of it stays, what comes later comes beside it', async () => {
    const before = await closings()
    expect(before).toMatchObject({ closedTo: null, late: 0, closed: [] })
    const all = (await books()).all
    expect(before.open.cash + before.open.card + before.open.transfer).toBe(all.taken + all.tips)
    const made = await request(app)
      .post('/api/visits')
      .send({ dogId: idOf('Fig'), today: { date: '2026-11-21' } })
      .expect(201)
    const visitId: string = made.body.id
    const end = { id: crypto.randomUUID(), at: Date.parse('2026-11-21T12:00:00Z'), device: 'test', kind: 'finish' }
    await request(app)
      .post(`/api/visits/${visitId}/events`)
      .send({ events: [end] })
      .expect(200)
    const at = Date.parse('2026-11-21T12:01:00Z')
    await pay(visitId, { at, price, how: 'cash', cents: 30_00 }).expect(200)
    const tomorrow = new Date(Date.now() + 2 * 86_400_000).toISOString().slice(0, 10)
    expect((await close(tomorrow, 422)).body.errors).toMatchObject([{ field: 'until' }])
    const key = crypto.randomUUID()
    const done: Closings = (await close('2026-11-28', 201, key)).body
    expect(done).toMatchObject({ closedTo: '2026-11-28', late: 0, closed: [{ until: '2026-11-28' }] })
    expect((await close('2026-11-28', 201, key)).body.closed).toHaveLength(1)
    expect((await close('2026-11-28', 422)).body.detail).toMatch(/closed already/)
    expect(done.closed[0]!.till.cash + done.open.cash).toBe(before.open.cash + 30_00)

    // another price, or as a whole in place of the part: refused, and nothing of it is there
    const refused = await pay(visitId, { price: { ...price, cents: 35_00 }, how: 'cash', cents: 5_00 }).expect(422)
    expect(refused.body.detail).toMatch(/up to 28 November stays as it is. Put it right in the owner’s account/)
    await pay(visitId, { price, how: 'card' }).expect(422)
    expect((await request(app).get(`/api/visits/${visitId}/events`)).body.events).toHaveLength(2)
    await request(app).delete(`/api/visits/${visitId}`).expect(422)
    // the rest, paid since; and a tap of a closed day that comes late
    await pay(visitId, { price, how: 'card', cents: 6_00 }).expect(200)
    await pay(visitId, { at: at + 1, price, how: 'cash', cents: 4_00 }).expect(200)
    const after = await closings()
    expect([after.open.card - done.open.card, after.late]).toEqual([6_00, 4_00])
    expect(after.closed).toEqual(done.closed)
  })

  test('two who close at once close them once', async () => {
    const until = new Date(Date.now() - 86_400_000).toISOString().slice(0, 10)
    const both = await Promise.all([1, 2, 3].map(() => request(app).post('/api/closings').send({ until })))
    expect(both.map((r) => r.status).sort()).toEqual([201, 422, 422])
    expect((await closings()).closed.map((c) => c.until)).toEqual([until, '2026-11-28'])
  })
})

describe('receipts', () => {
  const price = { cents: 119_00, currency: 'EUR' }
  const give = (id: string) => request(app).post(`/api/visits/${id}/receipt`)
  /** A visit that has ended; with `more` said of its money. */
  async function ended(more?: object): Promise<string> {
    const { body } = await request(app)
      .post('/api/visits')
      .send({ dogId: idOf('Moss'), today: { date: '2026-12-01' } })
      .expect(201)
    await pay(body.id, { kind: 'step', step: body.plan.steps[0].id }).expect(200)
    await pay(body.id, { kind: 'finish' }).expect(200)
    if (more) await pay(body.id, { price, ...more }).expect(200)
    return body.id
  }

  test('there is one once something is paid, the same while nothing else is, another after the next payment', async () => {
    const id = await ended({ how: 'later' })
    expect((await give(id).expect(422)).body.title).toBe('Nothing was paid yet')
    await request(app).get(`/api/visits/${id}/receipt.pdf`).expect(404)
    await pay(id, { price, how: 'cash', cents: 50_00, tip: 2_00 }).expect(200)
    const first = (await give(id).expect(200)).body.number as number
    expect((await give(id).expect(200)).body.number).toBe(first)
    const pdf = await request(app).get(`/api/visits/${id}/receipt.pdf`).expect(200)
    expect([pdf.type, pdf.headers['content-disposition']]).toEqual([
      'application/pdf',
      expect.stringContaining(`receipt-${first}.pdf`),
    ])
    await pay(id, { price, how: 'card', cents: 69_00 }).expect(200)
    expect((await give(id).expect(200)).body.number).toBe(first + 1)
    await give(crypto.randomUUID()).expect(404)
  })

  test('two hundred asked for at once are numbered without a gap or a double, and a refused one takes no number', async () => {
    const ids = [await ended({ how: 'later' })]
    for (let i = 0; i < 40; i++) ids.push(await ended({ how: 'cash' }))
    const answers = await Promise.all(ids.map((id) => give(id)))
    expect(answers[0]!.status).toBe(422)
    const numbers = answers.slice(1).map((a) => a.body.number as number)
    const record = { ...(await printReceipt(db, ids[1]!))!.record, dog: '' }
    const more = await Promise.all(Array.from({ length: 160 }, () => giveReceipt(db, crypto.randomUUID(), record)))
    expect(new Set([...numbers, ...more.map((r) => r.number)]).size).toBe(200)
    const { rows } = await db.query<{ number: number }>('select number from receipts order by number')
    expect(rows.map((r) => r.number)).toEqual(rows.map((_, i) => i + 1))
    expect(new Set(numbers).size).toBe(40)
  })

  test('of two visits paid together is one, which the other visit answers with too, until more is paid', async () => {
    const [a, b] = [await ended({ how: 'card' }), await ended({ how: 'card' })]
    const { body } = await give(a)
      .send({ with: [b] })
      .expect(200)
    expect([(await give(b).expect(200)).body, (await give(a).send({ with: [b] })).body]).toEqual([body, body])
    const { record } = (await printReceipt(db, a))!
    expect(record).toMatchObject({ also: [{ visitId: b, cents: 119_00 }], paid: [{ cents: 238_00, how: 'card' }] })
    const part = await ended({ how: 'cash', cents: 20_00 })
    const { number } = (
      await give(a)
        .send({ with: [part] })
        .expect(200)
    ).body
    await pay(part, { price, how: 'cash', cents: 99_00 }).expect(200)
    expect((await give(part).expect(200)).body.number).toBe(number + 1)
    await give(a)
      .send({ with: [crypto.randomUUID()] })
      .expect(404)
  })

  test('printed again it says copy; deleted for good, a dog is on none and the numbers stay', async () => {
    const id = await ended({ how: 'card' })
    const { number } = (await give(id).expect(200)).body
    expect((await printReceipt(db, id))!.copy).toBe(false)
    expect((await printReceipt(db, id))!.copy).toBe(true)
    const count = async () => (await db.query<{ n: number }>('select count(*)::int as n from receipts')).rows[0]!.n
    const before = await count()
    await request(app)
      .post(`/api/dogs/${idOf('Moss')}/owner/erase`)
      .send({ what: 'dogs', backups: false })
      .expect(200)
    expect(await count()).toBe(before)
    const kept = await printReceipt(db, id)
    expect(kept).toMatchObject({ number, record: { dog: '', price } })
    expect((await db.query("select 1 from receipts where record ->> 'dog' = 'Moss'")).rows).toEqual([])
    expect((await db.query('select 1 from changes where before::text like \'%"Moss"%\'')).rows).toEqual([])
    expect((await db.query(`select 1 from receipts where record::text like '%"Moss"%'`)).rows).toEqual([])
  })
})
