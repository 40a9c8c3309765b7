import { createServer, get } from 'node:http'
import type { AddressInfo } from 'node:net'
import { pino } from 'pino'
import request from 'supertest'
import { DEMO } from '../demo/scenario'
import { pastDays } from '../demo/past'
import type { DogDue, LogbookAnswer, StoredDog, StoredStanding, StoredVisit, TaughtAnswer, TubDay } from '@contract'
import type { Outcome } from '@core/tubside'
import { buildApp } from './app'
import type { Db } from './db/db'
import { seed } from './seed'
import { openMigrated } from './fixtures/db'
import { JOBS, type ServerWork } from './work/jobs'
import { workHere } from './work/work'

let db: Db
let app: ReturnType<typeof buildApp>
let dogs: StoredDog[]
const WEEKS = 6

beforeAll(async () => {
  db = await openMigrated()
  await seed(
    db,
    { ...DEMO, past: (all, shelf, house, last) => pastDays({ dogs: all, house }, shelf, last, { weeks: WEEKS }) },
    '2026-11-25',
  )
  app = buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true })
  dogs = (await request(app).get('/api/dogs')).body
})
afterAll(() => db.close())

const named = (name: string) => dogs.find((d) => d.record.name === name)!
let count = 0
const event = (what: Record<string, unknown>, minute: number) => ({
  id: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  at: Date.parse('2026-12-05T08:00:00Z') + 60_000 * minute,
  device: 'test',
  ...what,
})
const keep = async (name: string, date: string): Promise<StoredVisit> => {
  const dog = named(name)
  const today = { ...dog.record.known, date }
  return (await request(app).post('/api/visits').send({ dogId: dog.id, today }).expect(201)).body
}
const send = (id: string, events: unknown[]) =>
  request(app).post(`/api/visits/${id}/events`).send({ events }).expect(200)
const outcomeOf = async (id: string): Promise<Outcome | null> =>
  (await request(app).get(`/api/visits/${id}/outcome`).expect(200)).body.outcome
const memoryOf = async (name: string) =>
  (
    await request(app)
      .get('/api/memory')
      .query({ dogs: named(name).id })
      .expect(200)
  ).body.memory[named(name).id]

describe('who is due', () => {
  const duesOn = async (on: string) => {
    const dues = (await request(app).get('/api/dues').query({ on }).expect(200)).body as DogDue[]
    return (name: string) => dues.find((d) => d.dogId === named(name).id)!
  }

  test('the last visit that ended, when it said to come again, and the next day that the dog is on', async () => {
    const due = await duesOn('2026-11-25')
    const log = (
      await request(app)
        .get('/api/logbook')
        .query({ dogId: named('Moss').id })
    ).body as LogbookAnswer
    const [last] = log.visits
    expect(due('Moss')).toEqual({ dogId: named('Moss').id, last: last!.date, due: last!.next, booked: '2026-11-28' })
    expect(due('Clove')).toMatchObject({ last: null, due: null })
    expect((await duesOn('2026-11-29'))('Moss').booked).toBe('2026-12-19')
    expect((await duesOn('2027-01-10'))('Moss').booked).toBeNull()
  })

  test('a recipe that was only kept is no visit; a deleted dog isn’t due; a day that makes no sense is refused', async () => {
    const before = (await duesOn('2027-02-01'))('Tansy')
    await keep('Tansy', '2027-01-30')
    expect((await duesOn('2027-02-01'))('Tansy')).toEqual(before)
    const { id } = (await request(app).post('/api/dogs').send({ name: 'Brief', weightKg: 8, coat: 'wire' })).body
    await request(app).delete(`/api/dogs/${id}`).expect(204)
    const dues = (await request(app).get('/api/dues').query({ on: '2027-02-01' })).body as DogDue[]
    expect(dues.some((d) => d.dogId === id)).toBe(false)
    await request(app).get('/api/dues').query({ on: 'soon' }).expect(422)
  })
})

test('nails alone put the next bath off by nothing', async () => {
  const dog = (await request(app).post('/api/dogs').send({ name: 'Nailed', weightKg: 8, coat: 'wire' }))
    .body as StoredDog
  const visitOn = async (date: string, today: object = {}) => {
    const made = await request(app)
      .post('/api/visits')
      .send({ dogId: dog.id, today: { date, ...today } })
    await send(made.body.id, [event({ kind: 'step', step: 'look' }, 0), event({ kind: 'finish' }, 5)])
  }
  const due = async () => {
    const { body } = await request(app).get('/api/dues').query({ on: '2029-02-01' })
    return (body as DogDue[]).find((d) => d.dogId === dog.id)!
  }
  await visitOn('2029-01-06', { service: 'nailsAndEars' })
  expect(await due()).toMatchObject({ last: '2029-01-06', due: null })
  await visitOn('2029-01-08')
  const bath = (await due()).due
  expect(bath! > '2029-01-08').toBe(true)
  await visitOn('2029-01-20', { service: 'nailsAndEars' })
  expect(await due()).toMatchObject({ last: '2029-01-20', due: bath })
})

describe('a visit that ends', () => {
  let visit: StoredVisit
  test('has no outcome before, one after, and none again when the end is undone', async () => {
    visit = await keep('Moss', '2026-12-05')
    const taps = [
      event({ kind: 'step', step: 'look' }, 0),
      event({ kind: 'step', step: 'wet' }, 4),
      event({ kind: 'found', what: 'tick', view: 'left', zone: 'neck', x: 0.3, y: 0.4 }, 5),
      event({ kind: 'happened', what: 'slip or jump' }, 6),
    ]
    await send(visit.id, taps)
    expect(await outcomeOf(visit.id)).toBeNull()
    const finish = event({ kind: 'finish' }, 10)
    await send(visit.id, [finish])
    await send(visit.id, [...taps, finish])
    const outcome = (await outcomeOf(visit.id))!
    expect(outcome.steps.find((s) => s.id === 'wet')).toMatchObject({
      actual: 6,
      disturbed: { code: 'aside.happened', facts: { what: 'slip or jump' } },
    })
    const undo = event({ kind: 'undo', event: finish.id }, 11)
    await send(visit.id, [undo])
    expect(await outcomeOf(visit.id)).toBeNull()
    await send(visit.id, [event({ kind: 'undo', event: undo.id }, 12)])
    expect((await outcomeOf(visit.id))!.happened).toHaveLength(1)
  })

  test('puts what was found on the dog’s body map, once', async () => {
    const found = (await request(app).get(`/api/dogs/${named('Moss').id}/findings`)).body
    expect(found).toHaveLength(1)
    expect(found[0].record).toMatchObject({ kind: 'tick', zone: 'neck', seen: [{ date: '2026-12-05' }] })
  })

  test('is remembered: the next plan warns of what happened', async () => {
    expect((await memoryOf('Moss')).happened.at(-1)).toEqual({
      date: '2026-12-05',
      what: 'slip or jump',
      step: { kind: 'wet' },
    })
    const next = await keep('Moss', '2027-01-09')
    expect(next.plan.cautions.find((c) => c.code === 'caution.before')!.facts).toMatchObject({ date: '2026-12-05' })
    expect(next.inputs.memory.happened).toHaveLength((await memoryOf('Moss')).happened.length)
  })

  test('is corrected with the change kept, and left out with a reason', async () => {
    const likely = Math.round(visit.plan.steps.find((s) => s.id === 'wet')!.minutes.value)
    await send(visit.id, [event({ kind: 'correct', field: 'minutes: wet', value: likely, why: 'late tap' }, 60)])
    expect((await outcomeOf(visit.id))!.steps.find((s) => s.id === 'wet')).toMatchObject({
      actual: likely,
      corrected: { was: 6, why: 'late tap' },
    })
    const before = (await memoryOf('Moss')).lessons.wet.own
    await send(visit.id, [event({ kind: 'leave out', why: 'trial' }, 61)])
    expect((await memoryOf('Moss')).lessons.wet.own).toBe(before - 1)
    const bad = event({ kind: 'correct', field: 'colour', value: 1, why: 'x' }, 62)
    const refused = await request(app)
      .post(`/api/visits/${visit.id}/events`)
      .send({ events: [bad] })
      .expect(422)
    expect(refused.body.errors[0].field).toContain('field')
  })
})

test('a visit kept before there were prices, instruments and a log still ends', async () => {
  const { id } = await keep('Quill', '2026-12-12')
  await db.query(
    "update visits set inputs = (inputs - 'memory') #- '{house,prices}' #- '{house,instruments}' where id = $1",
    [id],
  )
  await send(id, [event({ kind: 'step', step: 'look' }, 0), event({ kind: 'finish' }, 5)])
  expect((await outcomeOf(id))!.minutes).toBe(5)
})

describe('the log', () => {
  test('says of a dog what its plans then use', async () => {
    const { lessons } = await memoryOf('Pesto')
    expect(lessons.dry.own).toBeGreaterThan(0)
    const { plan } = await keep('Pesto', '2027-01-09')
    const dry = plan.steps.find((s) => s.id === 'dry')!
    expect(dry.model).toBeDefined()
    expect(plan.likely!.most[1]).toBeGreaterThan(plan.minutes.value)
    expect((await request(app).get('/api/memory').query({ dogs: 'pesto' })).status).toBe(422)
  })

  test('begins anew from a date that the house sets, and comes back', async () => {
    const { body: house } = await request(app).get('/api/house')
    const set = async (version: number, learnFrom: string | null) =>
      (
        await request(app)
          .put('/api/house')
          .send({ version, record: { ...house.record, learnFrom } })
          .expect(200)
      ).body.version
    const next = await set(house.version, '2030-01-01')
    expect((await memoryOf('Pesto')).lessons).toEqual({})
    await set(next, null)
    expect((await memoryOf('Pesto')).lessons.dry.own).toBeGreaterThan(0)
  })

  test('lists visits by dog, dates and product, with the numbers of every chart', async () => {
    const ask = async (query: object): Promise<LogbookAnswer> =>
      (await request(app).get('/api/logbook').query(query).expect(200)).body
    const all = await ask({})
    expect(all.count).toBeGreaterThan(10)
    expect(all.tables.map((t) => t.id)).toEqual(['predicted', 'drying', 'cost', 'findings', 'interval', 'days'])
    const pesto = await ask({ dogId: named('Pesto').id })
    expect(new Set(pesto.visits.map((v) => v.dog))).toEqual(new Set(['Pesto']))
    expect(pesto.count).toBeLessThan(all.count)
    const [last] = all.visits
    const day = await ask({ from: last!.date, to: last!.date })
    expect(new Set(day.visits.map((v) => v.date))).toEqual(new Set([last!.date]))
    const calm = await ask({ product: 'Calm Skin' })
    expect(calm.count).toBeGreaterThan(0)
    expect(calm.visits.every((v) => v.used.some((u) => u.name === 'Calm Skin'))).toBe(true)
    expect((await ask({ product: "'; drop table visits; --" })).count).toBe(0)
    expect((await request(app).get('/api/logbook').query({ from: 'May' })).status).toBe(422)
  })

  test('knows how long its days were planned, and tells what it taught', async () => {
    const { tables } = (await request(app).get('/api/logbook')).body as LogbookAnswer
    const days = tables.find((t) => t.id === 'days')!.rows.filter((r) => r[2] !== null)
    expect(days.length).toBeGreaterThanOrEqual(WEEKS - 1)
    for (const [, , planned, taken] of days) expect(Number(taken) / Number(planned)).toBeGreaterThan(0.7)
    const answer: TaughtAnswer = (await request(app).get('/api/logbook/taught').expect(200)).body
    expect(answer.taught).toBeInstanceOf(Array)
    expect(answer.wild.length).toBe(answer.wildCount)
  })

  test('so many visits are listed as are asked for, the newest; what charts say is over all', async () => {
    const ask = async (query: object) =>
      (await request(app).get('/api/logbook').query(query).expect(200)).body as LogbookAnswer
    const [few, all] = [await ask({ most: 3 }), await ask({ most: 1000 })]
    expect(few.visits).toEqual(all.visits.slice(0, 3))
    expect([few.count, few.tables]).toEqual([all.visits.length, all.tables])
    const charted = all.tables.find((t) => t.id === 'predicted')!
    expect([charted.rows.length, charted.of]).toEqual([charted.of, charted.rows.length])
    await request(app).get('/api/logbook').query({ most: 0 }).expect(422)
    const bare = await ask({ most: 3, figures: 'no' })
    expect([bare.tables, bare.visits, bare.count]).toEqual([[], few.visits, few.count])
  })

  test('what the log taught is kept over a start, and an earlier state is shown while it is worked out anew', async () => {
    const before: TaughtAnswer = (await request(app).get('/api/logbook/taught').expect(200)).body
    /** A program that was just started on the same log, whose threads answer when they are let. */
    const started = () => {
      let free = () => {}
      const held = new Promise<void>((resolve) => (free = resolve))
      const asked: string[] = []
      const work: ServerWork = {
        ...workHere(JOBS),
        do: async (job, input, limits) => {
          asked.push(job)
          await held
          return workHere(JOBS).do(job, input, limits)
        },
      }
      return { free, asked, app: buildApp({ db: { ...db }, log: pino({ level: 'silent' }), checkAnswers: true, work }) }
    }
    const again = started()
    expect((await request(again.app).get('/api/logbook/taught').expect(200)).body).toEqual(before)
    expect(again.asked).toEqual([])
    // one more visit: what was told before comes until it is worked out
    const visit = await keep('Pesto', '2026-12-12')
    await send(visit.id, [event({ kind: 'step', step: 'look' }, 0), event({ kind: 'finish' }, 4)])
    const later = started()
    const meanwhile = await request(later.app).get('/api/logbook/taught').expect(200)
    expect(meanwhile.body).toEqual({ ...before, older: true })
    expect(later.asked.sort()).toEqual(['taught', 'wild'])
    later.free()
    const { body } = await request(later.app).get('/api/logbook/taught').expect(200)
    expect(body.older).toBe(false)
  })

  test('keeps whose hands did most of it, and learns from them apart', async () => {
    const visit = await keep('Fig', '2027-02-20')
    const before = (await memoryOf('Fig')).lessons.look
    const taps = [event({ kind: 'step', step: 'look', by: 'Dunja' }, 0), event({ kind: 'step', step: 'shake' }, 4)]
    await send(visit.id, [
      ...taps,
      event({ kind: 'step', step: 'brush', by: 'Dunja' }, 5),
      event({ kind: 'finish' }, 9),
    ])
    expect((await outcomeOf(visit.id))!.by).toBe('Dunja')
    const { body } = await request(app)
      .get('/api/logbook')
      .query({ dogId: named('Fig').id })
    expect(body.visits[0]).toMatchObject({ date: '2027-02-20', by: 'Dunja' })
    expect((await memoryOf('Fig')).lessons.look.own).toBe(before.own + 1)
  })

  test('sets a number aside that is far from the others, and says so with the visit', async () => {
    const visit = await keep('Moss', '2027-02-06')
    const taps = [event({ kind: 'step', step: 'look' }, 0), event({ kind: 'step', step: 'shake' }, 300)]
    await send(visit.id, [...taps, event({ kind: 'finish' }, 301)])
    const { body } = await request(app).get(`/api/visits/${visit.id}/outcome`).expect(200)
    expect(body.wild).toMatchObject([{ kind: 'look', why: { code: 'aside.wild' } }])
    const { wild }: TaughtAnswer = (await request(app).get('/api/logbook/taught')).body
    expect(wild).toContainEqual(expect.objectContaining({ visitId: visit.id, dog: 'Moss', date: '2027-02-06' }))
  })

  test('a visit told before fingers and ears were kept is still shown', async () => {
    const visit = await keep('Quill', '2027-02-13')
    await send(visit.id, [event({ kind: 'step', step: 'look' }, 0), event({ kind: 'finish' }, 5)])
    await db.query("update outcomes set record = record - 'rinse' - 'ears' where visit_id = $1", [visit.id])
    expect((await outcomeOf(visit.id))!.ears.left).toEqual({ rounds: 0, clean: false })
  })
})

test('what was done at intervals of its own, and what a coat was cut with, is known the next time; and how often it is agreed to come', async () => {
  const dog = named('Juniper')
  const cut = { back: '13 mm comb' }
  const today = { ...dog.record.known, date: '2027-03-06', service: 'fullClip', cut }
  const { id } = (await request(app).post('/api/visits').send({ dogId: dog.id, today }).expect(201)).body as StoredVisit
  await send(id, [
    event({ kind: 'step', step: 'nails' }, 0),
    event({ kind: 'step', step: 'ears' }, 4),
    event({ kind: 'earDid', side: 'left', did: 'thinned' }, 5),
    event({ kind: 'step', step: 'clip' }, 8),
    event({ kind: 'finish' }, 40),
  ])
  expect(await memoryOf('Juniper')).toMatchObject({
    cared: { nails: '2027-03-06', earHair: '2027-03-06' },
    cut: { date: '2027-03-06', zones: cut },
    agreed: null,
  })
  expect((await memoryOf('Tansy')).agreed).toBe(21)
  const next = (await keep('Tansy', '2027-03-13')).plan.next.days
  expect(next.because[0]).toMatchObject({ code: 'again.agreed', effect: 21 })
  const { body: standings } = await request(app).get('/api/standings').expect(200)
  const agreed = (standings as StoredStanding[]).find((s) => s.record.dogId === named('Tansy').id)!
  await request(app).delete(`/api/standings/${agreed.id}`).expect(204)
  expect((await memoryOf('Tansy')).agreed).toBeNull()
})

test('the tub’s day: dogs in the order of the plan, visits with their taps', async () => {
  const { body } = (await request(app).get('/api/days/2026-12-05/tub').expect(200)) as { body: TubDay }
  expect(body.visits.map((v) => v.name)).toEqual(['Moss'])
  expect(body.visits[0]!.events.length).toBeGreaterThan(5)
  expect(body.visits[0]!.steps[0]).toMatchObject({ id: 'look', hands: true })
  const saturday = (await request(app).get('/api/days/2026-11-28/tub')).body as TubDay
  expect(saturday.seats.map((s) => s.name).sort()).toEqual(['Fig', 'Juniper', 'Moss', 'Pesto', 'Quill', 'Rook'])
})

describe('instruments', () => {
  /** The first messages of the stream of readings. */
  function readings(query: string, messages: number): Promise<{ kind: string; value: number }[][]> {
    const server = createServer(app).listen(0, '127.0.0.1')
    return new Promise((resolve, reject) => {
      server.once('listening', () => {
        const { port } = server.address() as AddressInfo
        const asked = get(`http://127.0.0.1:${port}/api/instruments/readings?${query}`, (res) => {
          let text = ''
          res.on('data', (chunk: Buffer) => {
            text += chunk.toString()
            const got = text.split('\n\n').slice(0, -1)
            if (got.length < messages) return
            asked.destroy()
            server.closeAllConnections()
            server.close()
            resolve(got.map((m) => (m.startsWith('data: ') ? JSON.parse(m.slice(6)) : [])))
          })
        })
        asked.on('error', reject)
      })
    })
  }

  test('send their readings as they come; a silent one sends none', async () => {
    const [first] = await readings('target=37', 1)
    expect(first!.map((r) => r.kind)).toEqual(['thermometer', 'scale', 'hygrometer', 'power', 'sound'])
    await request(app).put('/api/instruments/thermometer').send({ fault: 'silent' }).expect(200)
    expect((await readings('target=37', 1))[0]!.map((r) => r.kind)).not.toContain('thermometer')
    await request(app).put('/api/instruments/thermometer').send({ fault: 'hot spike' }).expect(200)
    const spike = (await readings('target=37', 1))[0]!.find((r) => r.kind === 'thermometer')!
    expect(spike.value).toBe(45)
    await request(app).put('/api/instruments/thermometer').send({ fault: 'none' }).expect(200)
  })

  test('weigh what is laid on; unknown ones and loads are refused in words', async () => {
    await request(app).put('/api/instruments/scale/load').send({ grams: 1500 }).expect(200)
    const scale = (await readings('', 1))[0]!.find((r) => r.kind === 'scale')!
    expect(Math.abs(scale.value - 1500)).toBeLessThan(10)
    expect((await request(app).put('/api/instruments/scale/load').send({ grams: -1 })).status).toBe(422)
    expect((await request(app).put('/api/instruments/barometer').send({ fault: 'none' })).status).toBe(404)
    expect((await request(app).put('/api/instruments/scale').send({ fault: 'angry' })).status).toBe(422)
    expect((await request(app).get('/api/instruments/readings').query({ target: 'hot' })).status).toBe(422)
  })
})
