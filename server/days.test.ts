import { idAt } from '@core/fixtures'
import { cp, mkdtemp, readdir, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import request from 'supertest'
import type { DaySummary, DogToPlace, StoredDay, StoredDog } from '@contract'
import { House } from '@core/house'
import { visitRecord, type TubEvent } from '@core/tubside'
import { DEMO } from '../demo/scenario'
import { buildApp } from './app'
import type { Db } from './db/db'
import { migrate } from './db/migrate'
import { nextSaturday, seed } from './seed'
import { MIGRATIONS, openMigrated, openPlain } from './fixtures/db'

const SATURDAY = '2026-11-28'
let db: Db
let app: ReturnType<typeof buildApp>
let dogs: StoredDog[]

beforeAll(async () => {
  db = await openMigrated()
  await seed(db, DEMO, '2026-11-25')
  app = buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true })
  dogs = (await request(app).get('/api/dogs')).body
})
afterAll(() => db.close())

const idOf = (name: string) => dogs.find((d) => d.record.name === name)!.id
const dayOf = async (date: string): Promise<StoredDay> => (await request(app).get(`/api/days/${date}`).expect(200)).body

test.each([
  ['2026-11-25', '2026-11-28'],
  ['2026-11-28', '2026-11-28'],
  ['2026-11-29', '2026-12-05'],
])('the Saturday on or after %s is %s', (today, saturday) => expect(nextSaturday(today)).toBe(saturday))

describe('days', () => {
  test('the demonstration’s Saturday stands there with its dogs; another date is empty, with the house’s hours', async () => {
    const saturday = await dayOf(SATURDAY)
    expect(saturday.version).toBe(1)
    expect(saturday.record.seats.map((s) => s.dogId)).toEqual(DEMO.saturday.map((s) => idOf(s.dog)))
    const empty = await dayOf('2027-03-01')
    expect(empty).toMatchObject({ version: 0, record: { seats: [], hours: DEMO.house.hours }, kept: [] })
    const { body: list } = await request(app).get('/api/days').expect(200)
    // the newest first: the four Saturdays after it have their bookings too
    expect(list.map((d: DaySummary) => d.date)).toEqual([
      '2026-12-26',
      '2026-12-19',
      '2026-12-12',
      '2026-12-05',
      SATURDAY,
    ])
    expect(list.at(-1)).toMatchObject({ arranged: false, dogs: DEMO.saturday.map((s) => ({ name: s.dog })) })
  })

  test('several days are kept at one go: all of them, or none when one has changed meanwhile', async () => {
    const [one, other] = ['2027-05-01', '2027-05-02']
    const seatOn = (day: StoredDay, dogId: string) => ({
      ...day.record,
      seats: [{ id: dogId, dogId, arrive: day.record.hours.from, pickup: day.record.hours.to }],
    })
    const [first, second] = [await dayOf(one), await dayOf(other)]
    const dogId = idOf(DEMO.saturday[0]!.dog)
    const send = (days: object[]) => request(app).put('/api/days').send({ days })
    const made = await send([
      { version: 0, record: seatOn(first, dogId) },
      { version: 0, record: second.record },
    ]).expect(200)
    expect(made.body).toMatchObject([
      { version: 1, record: { date: one, seats: [{ dogId }] } },
      { version: 1, record: { date: other, seats: [] } },
    ])
    // the dog moves on; the day it comes to was changed by somebody else
    const move = [
      { version: 1, record: first.record },
      { version: 0, record: seatOn(second, dogId) },
    ]
    const refused = await send(move).expect(409)
    expect(refused.body.current).toMatchObject({ version: 1, record: { date: other } })
    expect((await dayOf(one)).record.seats).toMatchObject([{ dogId }])
    await send(move.map((m) => ({ ...m, version: 1 }))).expect(200)
    expect((await dayOf(one)).record.seats).toEqual([])
    expect((await dayOf(other)).record.seats).toMatchObject([{ dogId }])
    const twice = await send([move[0]!, move[0]!]).expect(422)
    expect(twice.body.errors).toMatchObject([{ field: 'days', message: 'Each day is named once.' }])
    expect((await send([]).expect(422)).body.errors[0].message).toBe('Name at least one day.')
    for (const date of [one, other]) await request(app).delete(`/api/days/${date}`).expect(204)
  })

  test('weeks come whole, only days with dogs, from the first on; too many at once, or none, are refused in words', async () => {
    const weeks = await request(app).get('/api/weeks?from=2026-11-23&to=2026-12-27').expect(200)
    const saturdays = [SATURDAY, '2026-12-05', '2026-12-12', '2026-12-19', '2026-12-26']
    expect(weeks.body).toEqual(await Promise.all(saturdays.map(dayOf)))
    expect((await request(app).get('/api/weeks?from=2027-01-01&to=2027-01-08').expect(200)).body).toEqual([])
    for (const span of ['from=2026-11-29&to=2026-11-23', 'from=2026-01-01&to=2027-01-01']) {
      const { body } = await request(app).get(`/api/weeks?${span}`).expect(422)
      expect(JSON.stringify(body)).toContain('100 days in all at the most')
    }
  })

  test('a day is kept from a version, never over a newer one, and forgotten', async () => {
    const { record } = await dayOf('2027-01-09')
    const seat = { id: 'moss', dogId: idOf('Moss'), arrive: 540, pickup: 700 }
    const first = await request(app)
      .put('/api/days/2027-01-09')
      .send({ version: 0, record: { ...record, seats: [seat] } })
      .expect(200)
    expect(first.body).toMatchObject({ version: 1, record: { seats: [seat] } })
    await request(app).put('/api/days/2027-01-09').send({ version: 0, record }).expect(409)
    const second = await request(app)
      .put('/api/days/2027-01-09')
      .send({ version: 1, record: { ...record, windowOpen: true, seats: [seat] } })
      .expect(200)
    expect(second.body.version).toBe(2)
    const stale = await request(app).put('/api/days/2027-01-09').send({ version: 1, record }).expect(409)
    expect(stale.body.current.record.windowOpen).toBe(true)
    await request(app).delete('/api/days/2027-01-09').expect(204)
    await request(app).delete('/api/days/2027-01-09').expect(404)
    await request(app).put('/api/days/2027-01-09').send({ version: 2, record }).expect(404)
  })

  test('a dog taken off a day is to be placed until it comes on that day or a later one, isn’t there any more, or months go by', async () => {
    const { record } = await dayOf('2027-02-06')
    const seat = { id: 'rook', dogId: idOf('Rook'), arrive: 540, pickup: 700, note: 'side gate' }
    const off = { ...record, toPlace: [{ seat, why: 'takenOff' }] }
    await request(app).put('/api/days/2027-02-06').send({ version: 0, record: off }).expect(200)
    const listed = async (on = '2027-02-07') => (await request(app).get(`/api/to-place?on=${on}`).expect(200)).body
    expect(await listed()).toMatchObject([{ date: '2027-02-06', name: 'Rook', why: 'takenOff', seat }])
    expect(await listed('2027-07-01')).toEqual([])
    // on an earlier day it is no reason; on a later one it is
    const put = (date: string, seats: object[]) =>
      request(app)
        .put(`/api/days/${date}`)
        .send({ version: 0, record: { ...record, date, seats } })
        .expect(200)
    await put('2027-02-03', [seat])
    expect(await listed()).toHaveLength(1)
    await put('2027-02-13', [seat])
    expect(await listed()).toEqual([])
    await request(app).delete('/api/days/2027-02-13').expect(204)
    // told once, by the newest day
    await request(app)
      .put('/api/days/2027-02-20')
      .send({ version: 0, record: { ...off, date: '2027-02-20', toPlace: [{ seat, why: 'doesNotFit' }] } })
      .expect(200)
    expect((await listed()).map((w: DogToPlace) => [w.date, w.why])).toEqual([['2027-02-20', 'doesNotFit']])
    await request(app).delete(`/api/dogs/${seat.dogId}`).expect(204)
    expect(await listed()).toEqual([])
    await request(app).post(`/api/dogs/${seat.dogId}/restore`).expect(200)
    for (const date of ['2027-02-03', '2027-02-06', '2027-02-20'])
      await request(app).delete(`/api/days/${date}`).expect(204)
  })

  test('what can’t be is refused by its place; a date that isn’t one is not found', async () => {
    const { record } = await dayOf('2027-02-06')
    const seat = { id: 'moss', dogId: idOf('Moss'), arrive: 700, pickup: 600 }
    const { body } = await request(app)
      .put('/api/days/2027-02-06')
      .send({ version: 0, record: { ...record, seats: [seat] } })
      .expect(422)
    expect(body.errors).toContainEqual({
      field: 'record.seats[0].pickup',
      message: 'The pick-up must come after the arrival.',
    })
    await request(app).get('/api/days/2027-02-31').expect(404)
    await request(app).get('/api/days/soon').expect(404)
  })

  test('a recipe kept for the date is the dog’s condition of that day', async () => {
    const today = { date: SATURDAY, skin: ['itchy'] }
    await request(app)
      .post('/api/visits')
      .send({ dogId: idOf('Moss'), today })
      .expect(201)
    const { kept } = await dayOf(SATURDAY)
    expect(kept).toMatchObject([{ dogId: idOf('Moss'), today: { skin: ['itchy'] } }])
  })

  test('the day sheet is a PDF, of an empty day too', async () => {
    for (const date of [SATURDAY, '2027-03-01']) {
      const { body, headers } = await request(app)
        .get(`/api/days/${date}/sheet.pdf`)
        .buffer(true)
        .parse((res, done) => {
          const parts: Buffer[] = []
          res.on('data', (part: Buffer) => parts.push(part))
          res.on('end', () => done(null, Buffer.concat(parts)))
        })
      expect(headers['content-type']).toBe('application/pdf')
      expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-')
    }
  })
})

describe('standing dogs', () => {
  test('are listed, added, refused with a reason, and taken off', async () => {
    const { body: before } = await request(app).get('/api/standings').expect(200)
    expect(before.map((s: { record: { dogId: string } }) => s.record.dogId)).toEqual(['Tansy', 'Wren'].map(idOf))
    const standing = { dogId: idOf('Fig'), from: SATURDAY, rhythm: { kind: 'month', nth: 4 }, arrive: 540, pickup: 660 }
    const { body } = await request(app).post('/api/standings').send(standing).expect(201)
    await request(app)
      .post('/api/standings')
      .send({ ...standing, rhythm: { kind: 'month', nth: 6 } })
      .expect(422)
    await request(app).delete(`/api/standings/${body.id}`).expect(204)
    expect((await request(app).get('/api/standings')).body).toHaveLength(2)
  })
})

describe('calendar files', () => {
  const range = { from: '2026-11-01', to: '2027-02-28' }
  const preview = (text: string, status = 200) =>
    request(app)
      .post('/api/calendar/preview')
      .send({ text, ...range })
      .expect(status)

  test('an exported day is read back, dog for dog; taken over again it changes nothing', async () => {
    const { text } = await request(app).get(`/api/days/${SATURDAY}/plan.ics`).expect(200)
    const { body } = await preview(text)
    const { record } = await dayOf(SATURDAY)
    expect(
      body.bookings.map((b: { dogId: string; arrive: number; pickup: number }) => [b.dogId, b.arrive, b.pickup]),
    ).toEqual(record.seats.map((s) => [s.dogId, s.arrive, s.pickup]))
    const result = await request(app).post('/api/calendar/import').send({ bookings: body.bookings }).expect(200)
    expect(result.body).toEqual({ added: 0, changed: 0, already: record.seats.length, days: [] })
  })

  test('bookings go on their days, all or none; the same event at another time moves its dog', async () => {
    const booking = (name: string, date: string, arrive: number) => ({
      event: `e-${name}`,
      date,
      dogId: idOf(name),
      arrive,
      pickup: arrive + 120,
    })
    const send = (bookings: object[]) => request(app).post('/api/calendar/import').send({ bookings })
    const first = await send([booking('Otis', '2027-02-13', 540), booking('Pixel', '2027-02-14', 600)]).expect(200)
    expect(first.body).toEqual({ added: 2, changed: 0, already: 0, days: ['2027-02-13', '2027-02-14'] })
    const agreed = { service: 'fullClip', note: 'Fig, full clip, side gate' }
    await send([{ ...booking('Fig', '2027-02-15', 540), ...agreed }]).expect(200)
    // Fig is a Pug: a coat that isn't clipped is tidied
    expect((await dayOf('2027-02-15')).record.seats).toMatchObject([{ ...agreed, service: 'bathAndTidy' }])
    await send([{ ...booking('Pesto', '2027-02-15', 700), service: 'fullClip', note: '' }]).expect(200)
    expect((await dayOf('2027-02-15')).record.seats[1]).toMatchObject({ service: 'fullClip' })
    const moved = await send([booking('Otis', '2027-02-13', 630)]).expect(200)
    expect(moved.body).toMatchObject({ added: 0, changed: 1 })
    expect((await dayOf('2027-02-13')).record.seats).toMatchObject([{ arrive: 630, pickup: 750 }])
    const ghost = { ...booking('Otis', '2027-02-21', 540), dogId: '00000000-0000-4000-8000-000000000000' }
    await send([booking('Fig', '2027-02-21', 540), ghost]).expect(404)
    expect((await dayOf('2027-02-21')).record.seats).toEqual([])
    await send([{ ...booking('Fig', '2027-02-21', 540), pickup: 500 }]).expect(422)
  })

  test('a file that isn’t a calendar is refused in words, dates the wrong way round too', async () => {
    const { body } = await preview('hello', 422)
    expect(body.title).toBe('The calendar can’t be read')
    await request(app)
      .post('/api/calendar/preview')
      .send({ text: 'x', from: '2027-01-01', to: '2026-01-01' })
      .expect(422)
  })
})

describe('taps at the tub', () => {
  test('are kept once each, from two devices, in the order of their times; a visit that isn’t there is not found', async () => {
    const { body: visit } = await request(app)
      .post('/api/visits')
      .send({ dogId: idOf('Quill'), today: { date: '2027-05-05' } })
      .expect(201)
    const path = `/api/visits/${visit.id}/events`
    const tap = (n: number, at: number, more: object) => ({ id: idAt(n), at, device: `tablet ${n % 2}`, ...more })
    const first = [tap(1, 1000, { kind: 'step', step: 'wet' }), tap(3, 3000, { kind: 'towel' })]
    expect((await request(app).post(path).send({ events: first }).expect(200)).body).toEqual({ kept: 2, known: 0 })
    const again = [...first, tap(2, 2000, { kind: 'plug', side: 'left', way: 'in', set: 'water' })]
    expect((await request(app).post(path).send({ events: again }).expect(200)).body).toEqual({ kept: 1, known: 2 })
    const { body } = await request(app).get(path).expect(200)
    expect(body.events.map((e: { id: string }) => e.id)).toEqual([1, 2, 3].map(idAt))
    await request(app)
      .post(path)
      .send({ events: [{ ...first[0], kind: 'dance' }] })
      .expect(422)
    await request(app)
      .post(`/api/visits/${idAt(9)}/events`)
      .send({ events: first })
      .expect(404)
  })
})

test('a house kept before crates had sizes is carried over, and so are the recipes made in it', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'juvant-migrate-'))
  const old = await openPlain()
  try {
    for (const name of (await readdir(MIGRATIONS)).filter((n) => n < '0003'))
      await cp(join(MIGRATIONS, name), join(folder, name))
    await migrate(old, folder, [])
    const { crates: _crates, circuits: _circuits, ...rest } = DEMO.house
    const before = { ...rest, crates: 2, crateMaxKg: 30, circuit: { volts: 230, amps: 10 } }
    await old.query('insert into house (record) values ($1)', [JSON.stringify(before)])
    const { rows: dog } = await old.query<{ id: string }>('insert into dogs (record) values ($1) returning id', [
      JSON.stringify(DEMO.dogs[0]),
    ])
    await old.query('insert into visits (dog_id, date, engine, inputs, plan) values ($1, $2, $3, $4, $5)', [
      dog[0]!.id,
      SATURDAY,
      'x',
      JSON.stringify({ house: before }),
      '{}',
    ])
    await cp(join(MIGRATIONS, '0003_days.sql'), join(folder, '0003_days.sql'))
    expect(await migrate(old, folder, [])).toEqual(['0003_days.sql'])
    const { rows } = await old.query<{ record: unknown }>('select record from house')
    const house = House.parse(rows[0]!.record)
    expect(house.crates).toEqual([{ maxKg: 30, count: 2 }])
    expect(house.circuits).toEqual([{ name: 'Sockets', volts: 230, amps: 10, otherW: 0 }])
    const { rows: visits } = await old.query<{ crates: unknown }>(
      `select inputs -> 'house' -> 'crates' as crates from visits`,
    )
    expect(visits[0]!.crates).toEqual([{ maxKg: 30, count: 2 }])
  } finally {
    await old.close()
    await rm(folder, { recursive: true })
  }
})

test('devices whose clocks are ten minutes apart tell one order and the same minutes', async () => {
  const made = async () => {
    const [dog] = (await request(app).get('/api/dogs').expect(200)).body
    const draft = { dogId: dog.id, today: { date: '2031-03-04' } }
    return (await request(app).post('/api/visits').send(draft).expect(201)).body as {
      id: string
      plan: { steps: { id: string }[] }
    }
  }
  const now = Date.now()
  const MIN = 60_000
  /** Two hands by turns, a minute each; each device's clock is so far from the server's. */
  const told = async (clocks: [number, number], prefix: number) => {
    const { id, plan } = await made()
    const [first, second, third] = plan.steps.map((s) => s.id)
    const taps = [
      { by: 0, at: now - 5 * MIN, kind: 'step', step: first },
      { by: 1, at: now - 4 * MIN, kind: 'done', step: first },
      { by: 1, at: now - 4 * MIN + 1, kind: 'step', step: second },
      { by: 0, at: now - 2 * MIN, kind: 'done', step: second },
      { by: 1, at: now - MIN, kind: 'step', step: third },
    ]
    for (const device of [1, 0]) {
      const events = taps.flatMap(({ by, at, ...tap }, i) =>
        by === device ? [{ ...tap, id: idAt(prefix + i), at: at + clocks[by]!, device: `tablet ${by}` }] : [],
      )
      await request(app)
        .post(`/api/visits/${id}/events`)
        .send({ events, sentAt: Date.now() + clocks[device]! })
        .expect(200)
    }
    const { events } = (await request(app).get(`/api/visits/${id}/events`).expect(200)).body as { events: TubEvent[] }
    const { current, steps } = visitRecord(events, now)
    const minutes = [first!, second!].map((s) => Math.round(steps[s]!.minutes))
    return [events.map((e) => `${e.kind} ${e.device}`), minutes, current === third]
  }
  const right = await told([0, 0], 200)
  expect(right.slice(1)).toEqual([[1, 2], true])
  expect(await told([10 * MIN, 0], 210)).toEqual(right)
  expect(await told([-3 * MIN, 7 * MIN], 220)).toEqual(right)
})
