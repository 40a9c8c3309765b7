import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { pino } from 'pino'
import request from 'supertest'
import { DEMO } from '../demo/scenario'
import type { StoredDog, StoredVisit } from '@contract'
import { ENGINE } from '@core/visit'
import { buildApp } from './app'
import { projectRoot } from './config'
import type { Db } from './db/db'
import { migrate } from './db/migrate'
import { setAside } from './db/stored'
import { seed } from './seed'
import { MIGRATIONS, openMigrated } from './fixtures/db'

const log = pino({ level: 'silent' })
let db: Db
let app: ReturnType<typeof buildApp>
let dogs: StoredDog[]

beforeAll(async () => {
  db = await openMigrated()
  await seed(db, DEMO, '2026-11-25')
  app = buildApp({ db, log, checkAnswers: true })
  dogs = (await request(app).get('/api/dogs')).body
})
afterAll(() => db.close())

const named = (name: string) => dogs.find((d) => d.record.name === name)!
const fig = { name: 'Fig', weightKg: 8, coat: 'smooth' }
const today = { date: '2026-11-28' }

test('the package and the engine have one version', () => {
  const { version } = JSON.parse(readFileSync(join(projectRoot(), 'package.json'), 'utf8'))
  expect(version).toBe(ENGINE)
})

test('migrations run once', async () => {
  expect(await migrate(db, MIGRATIONS)).toEqual([])
})

describe('dogs', () => {
  test('come by name; a search takes name and breed, and wildcards as they are typed', async () => {
    expect(dogs.map((d) => d.record.name)).toEqual([...dogs.map((d) => d.record.name)].sort())
    const search = async (text: string) =>
      (await request(app).get('/api/dogs').query({ text })).body.map((d: StoredDog) => d.record.name)
    expect(await search('newf')).toEqual(['Bosun'])
    expect(await search('PESTO')).toEqual(['Pesto'])
    expect(await search('%')).toEqual([])
    expect(await search("'; drop table dogs; --")).toEqual([])
  })

  test('the first eight are told apart by colour', () => {
    expect(new Set(DEMO.dogs.slice(0, 8).map((d) => named(d.name).record.colour)).size).toBe(8)
  })

  test('are added, changed from a version, and deleted', async () => {
    const added = (await request(app).post('/api/dogs').send(fig).expect(201)).body
    expect(added).toMatchObject({ version: 1, record: { name: 'Fig', density: 'usual' } })
    const changed = (
      await request(app)
        .put(`/api/dogs/${added.id}`)
        .send({ version: 1, record: { ...added.record, weightKg: 9 } })
        .expect(200)
    ).body
    expect(changed).toMatchObject({ version: 2, record: { weightKg: 9 } })
    await request(app).delete(`/api/dogs/${added.id}`).expect(204)
    await request(app).get(`/api/dogs/${added.id}`).expect(404)
    await request(app).delete(`/api/dogs/${added.id}`).expect(404)
  })

  test('what was deleted can be brought back as it was, once', async () => {
    const added = (await request(app).post('/api/dogs').send(fig)).body
    await request(app).post(`/api/dogs/${added.id}/restore`).expect(404)
    await request(app).delete(`/api/dogs/${added.id}`).expect(204)
    const back = (await request(app).post(`/api/dogs/${added.id}/restore`).expect(200)).body
    expect(back).toMatchObject({ id: added.id, record: added.record })
    expect(back.version).toBeGreaterThan(added.version)
    await request(app).post(`/api/dogs/${added.id}/restore`).expect(404)
    await request(app).delete(`/api/dogs/${added.id}`).expect(204)
  })

  test('a deleted dog is off every day, every list and the tub’s next, and back on them when it is brought back', async () => {
    const { id } = (await request(app).post('/api/dogs').send(fig)).body
    const date = '2031-03-01'
    const { record } = (await request(app).get(`/api/days/${date}`)).body
    const seat = { id: 's1', dogId: id, arrive: 540, pickup: 900 }
    await request(app)
      .put(`/api/days/${date}`)
      .send({ version: 0, record: { ...record, seats: [seat] } })
      .expect(200)
    const standing = { dogId: id, from: date, rhythm: { kind: 'weeks', every: 4 }, arrive: 540, pickup: 900 }
    await request(app).post('/api/standings').send(standing).expect(201)
    const seen = async () => {
      const days = (await request(app).get(`/api/days?from=${date}`)).body as { dogs: { dogId: string }[] }[]
      const standings = (await request(app).get('/api/standings')).body as { record: { dogId: string } }[]
      const tub = (await request(app).get(`/api/days/${date}/tub`)).body as { seats: { dogId: string }[] }
      const dogs = [days.flatMap((d) => d.dogs), standings.map((s) => s.record), tub.seats]
      return dogs.map((list) => list.filter((d) => d.dogId === id).length)
    }
    expect(await seen()).toEqual([1, 1, 1])
    await request(app).delete(`/api/dogs/${id}`).expect(204)
    expect(await seen()).toEqual([0, 0, 0])
    await request(app).post(`/api/dogs/${id}/restore`).expect(200)
    expect(await seen()).toEqual([1, 1, 1])
  })

  test('an older version is refused, shown what is stored, and overwrites nothing', async () => {
    const { id, record } = (await request(app).post('/api/dogs').send(fig)).body
    await request(app)
      .put(`/api/dogs/${id}`)
      .send({ version: 1, record: { ...record, notes: 'theirs' } })
      .expect(200)
    const refused = await request(app)
      .put(`/api/dogs/${id}`)
      .send({ version: 1, record: { ...record, notes: 'mine' } })
      .expect(409)
    expect(refused.body.current).toMatchObject({ version: 2, record: { notes: 'theirs' } })
    expect((await request(app).get(`/api/dogs/${id}`)).body.record.notes).toBe('theirs')
  })
})

describe('refusals name the field and what is allowed', () => {
  test.each<[string, object, string, RegExp]>([
    ['0 kg', { weightKg: 0 }, 'weightKg', /0.5 kg to 100 kg/],
    ['900 kg', { weightKg: 900 }, 'weightKg', /0.5 kg to 100 kg/],
    ['no name', { name: '' }, 'name', /Give the dog a name/],
    ['10 000 letters', { name: 'x'.repeat(10_000) }, 'name', /80 characters/],
    ['an unknown coat', { coat: 'fluffy' }, 'coat', /smooth/],
    ['a wax of 9', { known: { leftEar: { wax: 9 } } }, 'known.leftEar.wax', /0 to 3/],
  ])('%s', async (_what, more, field, message) => {
    const { body, headers } = await request(app)
      .post('/api/dogs')
      .send({ ...fig, ...more })
      .expect(422)
    expect(headers['content-type']).toContain('application/problem+json')
    expect(body).toMatchObject({ status: 422, type: 'about:blank' })
    expect(body.errors.find((e: { field: string }) => e.field === field)?.message).toMatch(message)
  })

  test('a product with an unreadable ratio', async () => {
    const { body } = await request(app)
      .post('/api/products')
      .send({ name: 'X', kind: 'cleaning', ratio: 'abc' })
      .expect(422)
    expect(body.errors[0]).toMatchObject({ field: 'ratio', message: expect.stringContaining('1:10') })
  })

  test('an own number outside its limits, by its place in the list', async () => {
    const draft = {
      dogId: named('Moss').id,
      today: { ...today, overrides: [{ target: 'water', value: 45, reason: 'x' }] },
    }
    const { body } = await request(app).post('/api/visits').send(draft).expect(422)
    expect(body.errors[0]).toMatchObject({
      field: 'today.overrides[0].value',
      message: 'Give the bath’s temperature from 29 °C to 38.5 °C.',
    })
  })

  test.each<[string, () => request.Test, number]>([
    ['broken JSON', () => request(app).post('/api/dogs').type('json').send('{"name":'), 400],
    ['a form', () => request(app).post('/api/dogs').type('form').send('name=x'), 415],
    [
      'a huge body',
      () =>
        request(app)
          .post('/api/dogs')
          .send({ ...fig, notes: 'x'.repeat(1_100_000) }),
      413,
    ],
    ['an id that is none', () => request(app).get('/api/dogs/nonsense'), 404],
    ['an unknown address', () => request(app).get('/api/nothing'), 404],
  ])('%s', async (_what, send, status) => {
    const { body } = await send().expect(status)
    expect(body).toMatchObject({ status, title: expect.any(String), detail: expect.any(String) })
  })

  test('a fault of the program tells nothing of its inside', async () => {
    const broken = buildApp({ db: { ...db, query: () => Promise.reject(new Error('secret path /etc')) }, log })
    const { body } = await request(broken).get('/api/dogs').expect(500)
    expect(JSON.stringify(body)).not.toContain('secret')
  })

  test('another host’s name is refused when names are known', async () => {
    const guarded = buildApp({ db, log, hosts: ['127.0.0.1'] })
    await request(guarded).get('/api/health').set('Host', 'elsewhere.example:80').expect(421)
    await request(guarded).get('/api/health').set('Host', '127.0.0.1:4870').expect(200)
  })
})

describe('visits', () => {
  const keep = async (name: string, more: object = {}) =>
    (
      await request(app)
        .post('/api/visits')
        .send({ dogId: named(name).id, today: { ...today, ...more } })
        .expect(201)
    ).body as StoredVisit

  test('are reckoned by the server and kept with inputs, plan and engine', async () => {
    const visit = await keep('Saffron', { skin: ['itchy'] })
    expect(visit).toMatchObject({
      version: 1,
      date: '2026-11-28',
      engine: ENGINE,
      inputs: { dog: { name: 'Saffron' }, house: { name: 'Gull Loft Wash Room' } },
    })
    expect(visit.plan.water.target.value).toBe(33.5)
    const again = (await request(app).get(`/api/visits/${visit.id}`).expect(200)).body
    expect(again).toEqual(visit)
  })

  test('a change re-reckons; an old version is refused', async () => {
    const visit = await keep('Moss')
    const record = { dogId: visit.dogId, today: { ...today, skin: ['itchy'] } }
    const changed = (await request(app).put(`/api/visits/${visit.id}`).send({ version: 1, record }).expect(200)).body
    expect(changed.plan.water.target.value).toBeLessThan(visit.plan.water.target.value)
    await request(app).put(`/api/visits/${visit.id}`).send({ version: 1, record }).expect(409)
  })

  test('are listed by dog, day and newest first, and deleted', async () => {
    const old = await keep('Quill', { date: '2026-10-03' })
    await keep('Quill', { date: '2026-11-07' })
    const list = async (query: object) => (await request(app).get('/api/visits').query(query)).body
    const quills = await list({ dogId: named('Quill').id })
    expect(quills.map((v: { date: string }) => v.date)).toEqual(['2026-11-07', '2026-10-03'])
    expect(quills[0]).toMatchObject({
      dogName: 'Quill',
      stops: 0,
      minutes: expect.any(Number),
      skin: [],
      products: ['Oat Plain'],
    })
    expect(await list({ date: '2026-10-03' })).toHaveLength(1)
    await request(app).delete(`/api/visits/${old.id}`).expect(204)
    expect(await list({ date: '2026-10-03' })).toHaveLength(0)
  })

  test('sent twice under an id of the sender’s own, it is kept once; something else under that id is refused', async () => {
    const { id: dogId } = (await request(app).post('/api/dogs').send({ name: 'Once', weightKg: 9, coat: 'wire' })).body
    const id = '3f0f2f0e-6d0c-4a35-9d6c-0c1d6a1b7a01'
    const draft = { id, dogId, today: { date: '2026-12-12', skin: ['dry'] } }
    const first = (await request(app).post('/api/visits').send(draft).expect(201)).body
    const second = (await request(app).post('/api/visits').send(draft).expect(201)).body
    expect([first.id, second.id, second.version]).toEqual([id, id, 1])
    expect((await request(app).get('/api/visits').query({ dogId })).body).toHaveLength(1)
    const other = { ...draft, today: { ...draft.today, skin: ['itchy'] } }
    const refused = (await request(app).post('/api/visits').send(other).expect(409)).body
    expect(refused.current.inputs.today.skin).toEqual(['dry'])
  })

  test('a deleted dog can’t be planned, its kept visits stay', async () => {
    const { id } = (await request(app).post('/api/dogs').send(fig)).body
    const visit = (await request(app).post('/api/visits').send({ dogId: id, today }).expect(201)).body
    await request(app).delete(`/api/dogs/${id}`)
    await request(app).post('/api/visits').send({ dogId: id, today }).expect(404)
    await request(app).get(`/api/visits/${visit.id}`).expect(200)
  })
})

describe('findings', () => {
  const lump = { kind: 'lump', view: 'left', zone: 'back', x: 0.4, y: 0.3, seen: [{ date: '2026-05-03', sizeMm: 8 }] }
  test('are pinned on a dog, followed, and taken off', async () => {
    const path = `/api/dogs/${named('Moss').id}/findings`
    const pinned = (await request(app).post(path).send(lump).expect(201)).body
    const seen = [...pinned.record.seen, { date: '2026-11-24', sizeMm: 11 }]
    await request(app)
      .put(`/api/findings/${pinned.id}`)
      .send({ version: 1, record: { ...pinned.record, seen } })
      .expect(200)
    expect((await request(app).get(path)).body[0].record.seen).toHaveLength(2)
    await request(app)
      .post(path)
      .send({ ...lump, x: 3 })
      .expect(422)
    await request(app).post('/api/dogs/7f0c3f5e-6f0a-4b60-9a53-3d1f4f7c3b11/findings').send(lump).expect(404)
    await request(app).delete(`/api/findings/${pinned.id}`).expect(204)
    expect((await request(app).get(path)).body).toEqual([])
  })
})

describe('papers', () => {
  const pdfOf = async (path: string) =>
    (await request(app).get(path).responseType('blob').expect(200).expect('content-type', /pdf/)).body as Buffer

  test.each(['letter', 'slip'])('the %s is a PDF, whatever the name and notes hold', async (paper) => {
    const name = 'Žofka Ἀργώ Пёс 🐾 ' + 'W'.repeat(42)
    const odd = {
      ...fig,
      name,
      notes: 'Loves 🦴 & 漢字, <b>no</b> muzzle 👩‍🦰',
      owner: 'Zoë',
      vet: 'Dr. Ω',
      allergies: ['oat'],
    }
    const { id } = (await request(app).post('/api/dogs').send(odd).expect(201)).body
    const ear = { signs: ['bad smell'] }
    const visit = (
      await request(app)
        .post('/api/visits')
        .send({ dogId: id, today: { ...today, leftEar: ear, skin: ['itchy'] } })
        .expect(201)
    ).body
    await request(app)
      .post(`/api/dogs/${id}/findings`)
      .send({
        kind: 'lump',
        view: 'left',
        zone: 'back',
        x: 0.4,
        y: 0.3,
        seen: [{ date: '2026-05-03', sizeMm: 8, note: '🐞' }],
      })
    const pdf = await pdfOf(`/api/visits/${visit.id}/${paper}.pdf`)
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
    expect(pdf.length).toBeGreaterThan(5000)
  })

  test('there is none for a visit that is not there', async () => {
    await request(app).get('/api/visits/7f0c3f5e-6f0a-4b60-9a53-3d1f4f7c3b11/letter.pdf').expect(404)
  })
})

describe('the house and the shelf', () => {
  test('the house changes from a version, and may be without a dryer', async () => {
    const house = (await request(app).get('/api/house').expect(200)).body
    const changed = await request(app)
      .put('/api/house')
      .send({ version: house.version, record: { ...house.record, towels: 20 } })
      .expect(200)
    expect(changed.body.record.towels).toBe(20)
    await request(app).put('/api/house').send({ version: house.version, record: house.record }).expect(409)
    const bare = await request(app)
      .put('/api/house')
      .send({ version: house.version + 1, record: { ...house.record, dryers: [] } })
      .expect(200)
    // it is planned by towels, a warm room and the dog's own warmth
    const dog = { name: 'Bare', weightKg: 9, coat: 'smooth' }
    const reckoned = await request(app)
      .post('/api/reckon/visit')
      .send({ dog, today: { date: '2026-11-28' }, products: [], house: bare.body.record })
      .expect(200)
    expect(reckoned.body.drying.choice.technique).toBe('air')
    expect(reckoned.body.drying.minutes.value).toBeGreaterThan(15)
    const again = await request(app)
      .put('/api/house')
      .send({ version: house.version + 2, record: { ...house.record, towels: 1000 } })
      .expect(422)
    expect(again.body.errors[0].field).toBe('record.towels')
    await request(app)
      .put('/api/house')
      .send({ version: house.version + 2, record: house.record })
      .expect(200)
  })

  test('a product that a kept visit was planned with can’t be deleted; retired, nothing is planned with it', async () => {
    const add = async (name: string, more: object) =>
      (
        await request(app)
          .post('/api/products')
          .send({ name, kind: 'cleaning', ratio: '1:10', ...more })
          .expect(201)
      ).body
    const [used, unused] = [await add('Comes first', { rank: -5 }), await add('Comes last', { rank: 5 })]
    const planned = async () => {
      const { body } = await request(app)
        .post('/api/visits')
        .send({ dogId: named('Moss').id, today })
        .expect(201)
      return {
        id: body.id as string,
        names: body.plan.mix.bottles.map((b: { product: { name: string } }) => b.product.name),
      }
    }
    const visit = await planned()
    expect(visit.names).toContain('Comes first')
    const { body } = await request(app).delete(`/api/products/${used.id}`).expect(409)
    expect(body.detail).toMatch(/^One kept visit was planned with this product. Retire it/)
    await request(app).delete(`/api/products/${unused.id}`).expect(204)
    await request(app)
      .put(`/api/products/${used.id}`)
      .send({ version: 1, record: { ...used.record, retired: true } })
      .expect(200)
    const after = await planned()
    expect(after.names).not.toContain('Comes first')
    // what the ears were planned with stands in the plan by its name
    const cleaner = (await request(app).get('/api/products')).body.find(
      (p: { record: { kind: string } }) => p.record.kind === 'ear cleaner',
    )
    const waxy = { ...today, leftEar: { wax: 2 }, rightEar: { wax: 2 } }
    const ears = (
      await request(app)
        .post('/api/visits')
        .send({ dogId: named('Moss').id, today: waxy })
        .expect(201)
    ).body
    expect(JSON.stringify(ears.plan.ears)).toContain(cleaner.record.name)
    await request(app).delete(`/api/products/${cleaner.id}`).expect(409)
    await request(app).delete(`/api/visits/${ears.id}`).expect(204)
    for (const { id } of [visit, after]) await request(app).delete(`/api/visits/${id}`).expect(204)
    await request(app).delete(`/api/products/${used.id}`).expect(204)
    await request(app).delete(`/api/products/${used.id}`).expect(404)
  })

  test('products keep the order in which they were put there', async () => {
    const { body } = await request(app).get('/api/products').expect(200)
    expect(body.map((p: { record: { name: string } }) => p.record.name)).toEqual(DEMO.products.map((p) => p.name))
  })
})

describe('reckoning without storing', () => {
  const reckon = async (what: string, body: object, status = 200) =>
    (await request(app).post(`/api/reckon/${what}`).send(body).expect(status)).body
  const coat = { coat: 'drop' }

  test('a mix', async () => {
    expect(await reckon('mix', { label: '1 in 11', volumeMl: 220 })).toMatchObject({
      label: { water: 10 },
      product: 20,
      water: 200,
    })
    expect((await reckon('mix', { label: 'abc', volumeMl: 220 }, 422)).errors[0].field).toBe('label')
  })
  test('water', async () => {
    const body = await reckon('water', { coat: 'drop', weightKg: 11, skin: ['itchy'] })
    expect(body).toMatchObject({
      target: { value: 33.5 },
      low: 31.5,
      high: 35.5,
      tap: { ok: true },
      scald: { text: '5 s' },
    })
  })
  test('a rinse', async () => {
    const body = await reckon('rinse', { weightKg: 11, coat, volumeMl: 250, ratio: 12, labelRatio: 12 })
    expect(body.last.end).toBeLessThanOrEqual(10.001)
  })
  test('drying', async () => {
    const body = await reckon('drying', { weightKg: 11, coat, dryers: DEMO.house.dryers })
    expect(body.zones).toHaveLength(9)
    await reckon('drying', { weightKg: 11, coat, dryers: [] }, 422)
  })
  test('an ear', async () => {
    const stop = await reckon('ears', { look: { signs: ['bad smell'] }, weightKg: 7, carriage: 'erect' })
    expect(stop.action).toBe('stop')
  })
  test('a whole visit', async () => {
    const body = await reckon('visit', { dog: fig, today, products: [], house: DEMO.house })
    expect(body).toMatchObject({ engine: ENGINE, go: true })
  })
})

test('a wash day is arranged, or told what stands in its way', async () => {
  const file = join(projectRoot(), 'checks/day/instances/n05-s1.json')
  const instance = JSON.parse(readFileSync(file, 'utf8'))
  const { body } = await request(app).post('/api/reckon/day').send({ instance, seed: 3, budgetMs: 50 }).expect(200)
  expect(body).toMatchObject({ feasible: true, late: 0, proven: expect.any(Boolean), lowerBound: expect.any(Number) })
  expect(Object.keys(body.schedule.tasks)).toHaveLength(49)
  const short = await request(app)
    .post('/api/reckon/day')
    .send({ instance: { ...instance, horizon: 100 }, budgetMs: 50 })
    .expect(200)
  expect(short.body).toMatchObject({ feasible: false, clash: expect.any(Array) })
  const bad = await request(app)
    .post('/api/reckon/day')
    .send({ instance: { ...instance, dogs: [] } })
    .expect(422)
  expect(bad.body.errors[0].field).toBe('instance.dogs')
})

test('a day too large or a budget too long is refused at once, with the limit named', async () => {
  const file = join(projectRoot(), 'checks/day/instances/n03-s1.json')
  const instance = JSON.parse(readFileSync(file, 'utf8'))
  const refused = async (body: object) =>
    (await request(app).post('/api/reckon/day').send(body).expect(422)).body.errors as {
      field: string
      message: string
    }[]
  expect(await refused({ instance, budgetMs: 600_000 })).toEqual([
    { field: 'budgetMs', message: 'A search takes 1 to 10 000 ms.' },
  ])
  const [dog] = instance.dogs
  const copies = Array.from({ length: 40 }, (_, d) => ({
    ...dog,
    id: `c${d}`,
    readyTask: `c${d}.0`,
    tasks: Array.from({ length: 11 }, (_, t) => ({ ...dog.tasks[0], id: `c${d}.${t}`, preds: [] })),
  }))
  const large = await refused({ instance: { ...instance, dogs: copies } })
  expect(large[0]).toEqual({ field: 'instance.dogs', message: 'A day has at most 400 tasks; this one has 440.' })
  const many = Object.fromEntries(Array.from({ length: 60 }, (_, r) => [`more ${r}`, 1]))
  const wide = await refused({ instance: { ...instance, resources: { ...instance.resources, ...many } } })
  expect(wide[0]).toMatchObject({
    field: 'instance.resources',
    message: expect.stringContaining('at most 60 resources'),
  })
})

test('kept recipes are arranged as a day', async () => {
  const visits: { visitId: string; arrive: number; pickup: number }[] = []
  for (const [i, name] of ['Moss', 'Rook', 'Fig'].entries()) {
    const today = { date: '2026-12-05', fleas: name === 'Rook' }
    const { id } = (
      await request(app)
        .post('/api/visits')
        .send({ dogId: named(name).id, today })
        .expect(201)
    ).body
    visits.push({ visitId: id, arrive: 20 * i, pickup: 420 })
  }
  const { body } = await request(app).post('/api/days/arrange').send({ visits, budgetMs: 100 }).expect(200)
  expect(body.day).toMatchObject({ feasible: true, late: 0 })
  const start = (i: number) => body.day.schedule.tasks[`${visits[i]!.visitId}.bath`]
  expect(start(1)).toBeGreaterThan(Math.max(start(0), start(2)))
  await request(app).post('/api/days/arrange').send({ visits: [] }).expect(422)
  await request(app)
    .post('/api/days/arrange')
    .send({ visits: [{ visitId: named('Moss').id, pickup: 100 }] })
    .expect(404)
})

test('the interface is described, every address of it', async () => {
  const { body } = await request(app).get('/api/openapi.json').expect(200)
  expect(body.openapi).toMatch(/^3\.1/)
  expect(Object.keys(body.paths)).toEqual(
    expect.arrayContaining([
      '/api/dogs',
      '/api/dogs/{id}',
      '/api/products',
      '/api/house',
      '/api/visits/{id}',
      '/api/days/{date}',
      '/api/standings',
      '/api/calendar/preview',
      ...['visit', 'mix', 'water', 'rinse', 'drying', 'ears', 'day'].map((r) => `/api/reckon/${r}`),
    ]),
  )
  expect((await request(app).get('/api/health')).body).toEqual({
    ready: true,
    engine: ENGINE,
    writable: true,
    freeMb: null,
    well: expect.objectContaining({ keptBy: 'server', backup: null, waiting: 0, troubles: [] }),
  })
})

test.each(['55P03', '57P01'])('a database’s server that says %s is one to ask again', async (code) => {
  const query = () => Promise.reject(Object.assign(new Error('canceling statement'), { code, severity: 'ERROR' }))
  const busy = request(buildApp({ db: { ...db, query }, log: pino({ level: 'silent' }) }))
  expect((await busy.get('/api/dogs')).status).toBe(503)
})

test('a database that can’t keep anything any more isn’t called ready', async () => {
  const gone: Db = { ...db, query: () => Promise.reject(new Error('EIO: i/o error, fdatasync')) }
  const { status, body } = await request(buildApp({ db: gone, log: pino({ level: 'silent' }) })).get('/api/health')
  expect([status, body.title]).toEqual([503, 'The database doesn’t answer'])
  expect(body.detail).toContain('EIO')
})

test('a disk that is nearly full is read and reckoned on, and not written; there is room again when there is', async () => {
  let free = 99 * 1024 * 1024
  const tight = buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true, free: () => free })
  const dog = { name: 'Tight', weightKg: 9, coat: 'smooth' }
  const refused = await request(tight).post('/api/dogs').send(dog)
  expect([refused.status, refused.body.title]).toEqual([507, 'The disk is nearly full'])
  await request(tight).get('/api/dogs').expect(200)
  await request(tight).post('/api/reckon/mix').send({ label: '1:10', volumeMl: 500 }).expect(200)
  expect((await request(tight).get('/api/health')).body).toMatchObject({ writable: false, freeMb: 103 })
  free *= 2
  await request(tight).post('/api/dogs').send(dog).expect(201)
})

test.each([
  ['a sign that is no text', { name: 'a\u0000b', weightKg: 9, coat: 'smooth' }],
  ['half a sign', { name: 'a\ud800b', weightKg: 9, coat: 'smooth' }],
])('%s in a record is refused, not broken on', async (_, dog) => {
  const { status, body } = await request(app)
    .post('/api/dogs')
    .set('content-type', 'application/json')
    .send(JSON.stringify(dog))
  expect([status, body.title]).toEqual([422, 'Some of it can’t be taken'])
})

test('addresses, dates and versions beyond what can be are refused in words', async () => {
  const { body: dog } = await request(app).post('/api/dogs').send({ name: 'Edge', weightKg: 9, coat: 'smooth' })
  const asks: [string, Promise<{ status: number }>][] = [
    ['a broken address', request(app).get('/api/dogs/%E0%A4%A')],
    ['the year 0', request(app).get('/api/days/0000-01-01')],
    ['a version too large', request(app).put(`/api/dogs/${dog.id}`).send({ version: 2147483648, record: dog.record })],
    [
      'an encoding nobody knows',
      request(app).post('/api/dogs').set('content-type', 'application/json; charset=klingon').send('{}'),
    ],
    [
      'a packed body that isn’t',
      request(app).post('/api/dogs').set({ 'content-type': 'application/json', 'content-encoding': 'gzip' }).send('{}'),
    ],
  ]
  for (const [what, asked] of asks) {
    const { status } = await asked
    expect([what, Math.floor(status / 100)]).toEqual([what, 4])
  }
})

test('a record that can’t be read is set aside and named; the others are there, and it is again when it can be read', async () => {
  const { body: dog } = await request(app).post('/api/dogs').send({ name: 'Bent', weightKg: 9, coat: 'smooth' })
  const names = async () => (await request(app).get('/api/dogs').expect(200)).body.map((d: StoredDog) => d.record.name)
  const all = await names()
  const put = (weight: string) =>
    db.query("update dogs set record = jsonb_set(record, '{weightKg}', $2::jsonb) where id = $1", [dog.id, weight])
  await put('"heavy"')
  expect(await names()).toEqual(all.filter((n: string) => n !== 'Bent'))
  expect(setAside()).toEqual([{ table: 'dogs', id: dog.id, name: 'Bent', why: expect.stringMatching(/^weightKg: /) }])
  await put('9')
  expect(await names()).toEqual(all)
  expect(setAside()).toEqual([])
})

describe('what is made is made once, however often it is asked under a key', () => {
  const key = '11111111-2222-4333-8444-555555555555'
  const ask = (path: string, body: object, under = key) =>
    request(app).post(`/api${path}`).set('idempotency-key', under).send(body)
  test('a dog, and what hangs on it', async () => {
    const dog = { name: 'Onlyonce', weightKg: 9, coat: 'smooth' }
    const first = await ask('/dogs', dog).expect(201)
    const again = await ask('/dogs', dog).expect(201)
    expect(again.body).toEqual(first.body)
    const { body: all } = await request(app).get('/api/dogs?text=Onlyonce').expect(200)
    expect(all.map((d: { id: string }) => d.id)).toEqual([key])
    // another under the same key is refused, and so is a key that is none
    const other = await ask('/dogs', { ...dog, weightKg: 10 }).expect(409)
    expect(other.body.title).toBe('Made already')
    const { body } = await ask('/dogs', dog, 'again').expect(422)
    expect(body.errors[0].field).toBe('Idempotency-Key')
    const [product] = (await request(app).get('/api/products').expect(200)).body
    const counted = { kind: 'counted', mL: 20, at: '2026-11-25T10:00:00.000Z', note: '' }
    const path = `/products/${product.id}/movements`
    const one = await ask(path, counted).expect(201)
    expect((await ask(path, counted).expect(201)).body).toEqual(one.body)
    await ask(path, { ...counted, mL: 21 }).expect(409)
    await request(app).delete(`/api/movements/${one.body.id}`).expect(204)
    await request(app).delete(`/api/dogs/${first.body.id}`).expect(204)
  })
})

test('a page may run and load only what comes from here', async () => {
  const { headers } = await request(app).get('/api/health').expect(200)
  const policy = Object.fromEntries(
    headers['content-security-policy']!.split(';').map((line) => [line.split(' ')[0], line.split(' ').slice(1)]),
  )
  expect(policy).toMatchObject({ 'default-src': ["'self'"], 'script-src': ["'self'"], 'font-src': ["'self'", 'data:'] })
  expect(policy['frame-ancestors']).toEqual(["'self'"])
  expect(headers['x-content-type-options']).toBe('nosniff')
  expect(headers['x-powered-by']).toBeUndefined()
})
