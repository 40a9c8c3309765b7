import { jest } from '@jest/globals'
import { createPinia, setActivePinia } from 'pinia'
import { effectScope, nextTick, ref } from 'vue'
import { Dog } from '@core/dog'
import { House } from '@core/house'
import { Product } from '@core/mix'
import { planVisit, Today } from '@core/visit'
import { kept } from '../../api/queries'
import { closeDevice, device } from '../../device/device'
import { sendWaiting } from '../../device/outbox'
import { useCheckIn } from './useCheckIn'
import { useRecipe, type RecipeSource } from './useRecipe'

const dog = Dog.parse({ name: 'Moss', weightKg: 7, coat: 'wire', known: { soil: 'light' } })
const house = House.parse({
  name: 'Room',
  dryers: [
    {
      name: 'Hand',
      kind: 'hand',
      airflow: 1.6,
      nozzleMm: 45,
      motorW: 80,
      settings: [{ name: 'low', heatW: 600 }],
      level: 80,
    },
  ],
})
const product = { ...Product.parse({ name: 'Oat', kind: 'cleaning', ratio: '1+10' }), id: 'oat' }
const shelf = [{ id: 'oat', version: 1, changedAt: '', record: Product.parse(product) }]
const storedDog = { id: 'dog-1', version: 1, changedAt: '', record: dog }

function keptVisit(today: Partial<Today>, version = 1) {
  const whole = Today.parse({ date: '2026-11-28', ...today })
  return {
    id: 'visit-1',
    version,
    changedAt: '',
    dogId: 'dog-1',
    date: whole.date,
    engine: planVisit(dog, whole, [product], house).engine,
    inputs: { dog, today: whole, products: [product], house },
    plan: planVisit(dog, whole, [product], house),
  }
}

type Answer = { status?: number; body: unknown }
let answers: Record<string, Answer>
let sent: { method: string; path: string; body: unknown }[]
const realFetch = globalThis.fetch

beforeEach(() => {
  setActivePinia(createPinia())
  closeDevice()
  Object.assign(globalThis, { document: { title: '' } })
  sent = []
  answers = {
    'GET /api/dogs/dog-1': { body: storedDog },
    'GET /api/memory?dogs=dog-1': { body: { memory: {} } },
    'GET /api/house': { body: { id: 'h', version: 1, changedAt: '', record: house } },
    'GET /api/products': { body: shelf },
  }
  globalThis.fetch = ((path: string, init: RequestInit) => {
    sent.push({ method: init.method!, path, body: init.body ? JSON.parse(init.body as string) : undefined })
    const answer = answers[`${init.method} ${path}`] ?? {
      status: 404,
      body: { title: 'Not found', status: 404, detail: 'gone', errors: [] },
    }
    return Promise.resolve(new Response(JSON.stringify(answer.body), { status: answer.status ?? 200 }))
  }) as typeof fetch
})
afterAll(() => {
  globalThis.fetch = realFetch
})

async function opened(source: RecipeSource = { dogId: 'dog-1', date: '2026-11-28' }) {
  const recipe = useRecipe(() => source)
  await recipe.open()
  return recipe
}

test('begins from the record, and says nothing changed', async () => {
  const recipe = await opened()
  expect(recipe.today.value).toMatchObject({ date: '2026-11-28', soil: 'light' })
  expect([recipe.edited.value, recipe.changes.value]).toEqual([false, []])
  expect(recipe.plan.value!.water.target.value).toBe(37.5)
})

test('a finding is reckoned at once, told against the record, kept over a reload, and undone', async () => {
  const recipe = await opened()
  recipe.put({ skin: ['itchy'] })
  await nextTick()
  expect(recipe.plan.value!.water.target.value).toBe(33.5)
  expect(recipe.changes.value.find((c) => c.what === 'water')).toMatchObject({
    from: { value: 37.5 },
    to: { value: 33.5 },
  })
  const again = await opened()
  expect(again.today.value!.skin).toEqual(['itchy'])
  expect(again.edited.value).toBe(true)
  again.reset()
  await nextTick()
  expect((await opened()).edited.value).toBe(false)
})

test('a draft of another day or a broken one is left alone', async () => {
  const recipe = await opened()
  recipe.put({ skin: ['itchy'] })
  await nextTick()
  expect((await opened({ dogId: 'dog-1', date: '2026-12-05' })).edited.value).toBe(false)
  device.write('juvant.recipe.dog-1.2026-12-06', '{"skin":["no such skin"]}')
  expect((await opened({ dogId: 'dog-1', date: '2026-12-06' })).today.value!.skin).toEqual([])
})

test('one own number for each target, and putting it back', async () => {
  const recipe = await opened()
  recipe.setOverride({ target: 'ratio', value: 15, reason: 'a' })
  recipe.setOverride({ target: 'ratio', value: 20, reason: 'b' })
  expect(recipe.today.value!.overrides).toEqual([{ target: 'ratio', value: 20, reason: 'b' }])
  recipe.putBack('ratio')
  expect(recipe.today.value!.overrides).toEqual([])
  const oat = { pass: 'treat' as const, productId: 'oat', zones: [], ratio: null, reason: 'c' }
  recipe.take({ key: 'products treat ', in: 'products', value: oat })
  expect(recipe.today.value!.products).toHaveLength(1)
  recipe.dropChoice('products treat ')
  expect(recipe.edited.value).toBe(false)
})

test('keeping sends today alone, clears the draft, and goes on from what was kept', async () => {
  const recipe = await opened()
  recipe.put({ skin: ['itchy'] })
  answers['POST /api/visits'] = { status: 201, body: keptVisit({ soil: 'light', skin: ['itchy'] }) }
  const kept = await recipe.keep()
  expect(kept!.id).toBe('visit-1')
  expect(sent.at(-1)).toMatchObject({ method: 'POST', body: { dogId: 'dog-1', today: { skin: ['itchy'] } } })
  expect(recipe.edited.value).toBe(false)
  await nextTick()
  expect((await opened()).edited.value).toBe(false)
})

test('a conflict keeps the draft, and either side can be taken', async () => {
  answers['GET /api/visits/visit-1'] = { body: keptVisit({}) }
  const recipe = await opened({ visitId: 'visit-1' })
  recipe.put({ skin: ['dry'] })
  const theirs = keptVisit({ soil: 'filthy' }, 2)
  answers['PUT /api/visits/visit-1'] = {
    status: 409,
    body: { title: 'Changed meanwhile', status: 409, detail: 'x', errors: [], current: theirs },
  }
  expect(await recipe.keep()).toBeUndefined()
  expect(recipe.saveProblem.value!.status).toBe(409)
  expect(recipe.today.value!.skin).toEqual(['dry'])
  recipe.takeNewer()
  expect(recipe.today.value).toMatchObject({ soil: 'filthy', skin: [] })
  expect(recipe.visit.value!.version).toBe(2)
})

test('without the server nothing is lost', async () => {
  const recipe = await opened()
  recipe.put({ skin: ['itchy'] })
  globalThis.fetch = () => Promise.reject(new TypeError('failed'))
  expect(await recipe.keep()).toBeUndefined()
  expect(recipe.saveProblem.value!.title).toBe('No connection')
  expect(recipe.today.value!.skin).toEqual(['itchy'])
})

test('a kept plan is shown as it was kept; one of an older engine is reckoned anew', async () => {
  const kept = keptVisit({})
  const marked = { ...kept, plan: { ...kept.plan, go: false } }
  answers['GET /api/visits/visit-1'] = { body: marked }
  expect((await opened({ visitId: 'visit-1' })).plan.value!.go).toBe(false)
  answers['GET /api/visits/visit-1'] = { body: { ...marked, engine: '0.1.0' } }
  expect((await opened({ visitId: 'visit-1' })).plan.value!.go).toBe(true)
})

test('the kept recipe of a deleted dog can be read, and nothing else', async () => {
  delete answers['GET /api/dogs/dog-1']
  answers['GET /api/visits/visit-1'] = { body: keptVisit({}) }
  const recipe = await opened({ visitId: 'visit-1' })
  expect([recipe.gone.value, recipe.stored.value!.record.name, recipe.problem.value]).toEqual([true, 'Moss', undefined])
})

test('a dog that isn’t there is told', async () => {
  delete answers['GET /api/dogs/dog-1']
  expect((await opened()).problem.value).toMatchObject({ status: 404, title: 'Not found' })
})

describe('a check-in', () => {
  const noDay = { version: 0, changedAt: null, record: { seats: [] }, kept: [] }
  const scopes: ReturnType<typeof effectScope>[] = []
  afterEach(() => scopes.splice(0).forEach((scope) => scope.stop()))
  async function checkedIn() {
    const scope = effectScope()
    scopes.push(scope)
    const checkIn = scope.run(() => useCheckIn(() => ({ dogId: 'dog-1', date: '2026-11-28' })))!
    await checkIn.open()
    return checkIn
  }
  /** The view is left, and what it and the outbox then try is over. */
  async function left() {
    scopes.splice(0).forEach((scope) => scope.stop())
    for (let i = 0; i < 5; i++) await new Promise((resolve) => setImmediate(resolve))
  }
  const posted = () => sent.filter((s) => s.method !== 'GET' && s.path.startsWith('/api/visits'))

  test('nothing is kept of a check-in in which nothing was tapped', async () => {
    answers['GET /api/days/2026-11-28'] = { body: noDay }
    const checkIn = await checkedIn()
    await checkIn.flush()
    expect([checkIn.state.value, posted()]).toEqual(['nothing', []])
  })

  test('what is tapped is kept as the recipe of that day, then changed, and told against what stood at first', async () => {
    answers['GET /api/days/2026-11-28'] = { body: noDay }
    answers['POST /api/visits'] = { status: 201, body: keptVisit({ soil: 'light', skin: ['itchy'] }) }
    answers['PUT /api/visits/visit-1'] = { body: keptVisit({ soil: 'filthy', skin: ['itchy'] }, 2) }
    const checkIn = await checkedIn()
    checkIn.put({ skin: ['itchy'] })
    await checkIn.flush()
    expect(checkIn.state.value).toBe('kept')
    checkIn.put({ soil: 'filthy' })
    await checkIn.flush()
    expect(posted()).toMatchObject([
      { path: '/api/visits', body: { dogId: 'dog-1', today: { skin: ['itchy'] } } },
      { path: '/api/visits/visit-1', body: { version: 1, record: { today: { skin: ['itchy'], soil: 'filthy' } } } },
    ])
    expect(checkIn.changes.value.map((c) => c.what)).toContain('water')
    expect(checkIn.today.value).toMatchObject({ skin: ['itchy'], soil: 'filthy' })
  })

  test('opened again it goes on with the recipe of the day, and makes no second one', async () => {
    answers['GET /api/days/2026-11-28'] = {
      body: { ...noDay, kept: [{ visitId: 'visit-1', dogId: 'dog-1', today: {} }] },
    }
    answers['GET /api/visits/visit-1'] = { body: keptVisit({ skin: ['itchy'] }) }
    answers['PUT /api/visits/visit-1'] = { body: keptVisit({ skin: ['itchy', 'dry'] }, 2) }
    const checkIn = await checkedIn()
    expect([checkIn.state.value, checkIn.today.value!.skin]).toEqual(['kept', ['itchy']])
    checkIn.put({ skin: ['itchy', 'dry'] })
    await checkIn.flush()
    expect(posted().map((s) => s.method)).toEqual(['PUT'])
  })

  test('without the server it stays on this device, over a reload too, and is sent when it can be', async () => {
    answers['GET /api/days/2026-11-28'] = { body: noDay }
    answers['POST /api/visits'] = { status: 503, body: {} }
    const checkIn = await checkedIn()
    checkIn.put({ skin: ['itchy'] })
    await checkIn.flush()
    expect(checkIn.state.value).toBe('here')
    answers['POST /api/visits'] = { status: 201, body: keptVisit({ soil: 'light', skin: ['itchy'] }) }
    const again = await checkedIn()
    expect(again.today.value!.skin).toEqual(['itchy'])
    await again.flush()
    expect(again.state.value).toBe('kept')
  })

  test('changed on another device meanwhile: both can be had, and nothing is sent until somebody chose', async () => {
    answers['GET /api/days/2026-11-28'] = {
      body: { ...noDay, kept: [{ visitId: 'visit-1', dogId: 'dog-1', today: {} }] },
    }
    answers['GET /api/visits/visit-1'] = { body: keptVisit({}) }
    const theirs = keptVisit({ soil: 'filthy' }, 2)
    answers['PUT /api/visits/visit-1'] = {
      status: 409,
      body: { title: 'Changed meanwhile', status: 409, detail: 'x', errors: [], current: theirs },
    }
    const checkIn = await checkedIn()
    checkIn.put({ skin: ['dry'] })
    await checkIn.flush()
    expect(checkIn.state.value).toBe('refused')
    expect(checkIn.today.value!.skin).toEqual(['dry'])
    answers['PUT /api/visits/visit-1'] = { body: keptVisit({ skin: ['dry'] }, 3) }
    await checkIn.mineOverIt()
    expect(sent.at(-1)).toMatchObject({ body: { version: 2, record: { today: { skin: ['dry'] } } } })
    expect(checkIn.state.value).toBe('kept')
  })

  test('left while the server can’t be reached it is sent later, with no view open, and makes one visit', async () => {
    answers['GET /api/days/2026-11-28'] = { body: noDay }
    answers['POST /api/visits'] = { status: 503, body: {} }
    const checkIn = await checkedIn()
    checkIn.put({ skin: ['itchy'] })
    await checkIn.flush()
    await left()
    answers['POST /api/visits'] = { status: 201, body: keptVisit({ soil: 'light', skin: ['itchy'] }) }
    jest.spyOn(Date, 'now').mockReturnValue(Date.now() + 60_000)
    await sendWaiting()
    jest.restoreAllMocks()
    const ids = new Set(posted().map((s) => (s.body as { id: string }).id))
    expect([posted().length > 1, ids.size, device.all('')]).toEqual([true, 1, []])
  })

  test('another day in the same place makes another visit', async () => {
    answers['GET /api/days/2026-11-28'] = { body: noDay }
    answers['GET /api/days/2026-12-05'] = { body: noDay }
    answers['POST /api/visits'] = { status: 201, body: keptVisit({ soil: 'light', skin: ['itchy'] }) }
    const date = ref('2026-11-28')
    const scope = effectScope()
    scopes.push(scope)
    const checkIn = scope.run(() => useCheckIn(() => ({ dogId: 'dog-1', date: date.value })))!
    for (const day of ['2026-11-28', '2026-12-05']) {
      date.value = day
      await checkIn.open()
      checkIn.put({ skin: ['itchy'] })
      await checkIn.flush()
    }
    const ids = posted().flatMap((s) => (s.method === 'POST' ? [(s.body as { id: string }).id] : []))
    expect([ids.length, new Set(ids).size]).toEqual([2, 2])
  })

  test('another device checked the dog in meanwhile: what waited here isn’t lost, nor sent over it', async () => {
    answers['GET /api/days/2026-11-28'] = { body: noDay }
    answers['POST /api/visits'] = { status: 503, body: {} }
    const first = await checkedIn()
    first.put({ skin: ['itchy'] })
    await first.flush()
    await left()
    answers['GET /api/days/2026-11-28'] = {
      body: { ...noDay, kept: [{ visitId: 'visit-1', dogId: 'dog-1', today: {} }] },
    }
    answers['GET /api/visits/visit-1'] = { body: keptVisit({ soil: 'filthy' }) }
    kept.clear()
    const before = posted().length
    jest.spyOn(Date, 'now').mockReturnValue(Date.now() + 60_000)
    await sendWaiting()
    jest.restoreAllMocks()
    const again = await checkedIn()
    await again.flush()
    expect([again.state.value, again.refusal.value?.status, posted().length]).toEqual(['refused', 409, before])
    expect(again.today.value!.skin).toEqual(['itchy'])
    again.takeTheirs()
    expect([again.state.value, again.today.value!.soil, device.all('')]).toEqual(['kept', 'filthy', []])
  })
})
