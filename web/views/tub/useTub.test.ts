import { jest } from '@jest/globals'
import { effectScope, nextTick, ref } from 'vue'
import { Dog } from '../../../core/dog'
import { House } from '../../../core/house'
import { Product } from '../../../core/mix'
import type { TubEvent } from '../../../core/tubside'
import { planVisit, Today } from '../../../core/visit'
import { mergeKept, minuteClock, readKept, writeKept } from './kept'

const dog = Dog.parse({ name: 'Moss', weightKg: 7, coat: 'wire' })
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
const shelf = [{ ...Product.parse({ name: 'Oat', kind: 'cleaning', ratio: '1+10' }), id: 'oat' }]
const today = Today.parse({ date: '2026-11-28' })
const plan = planVisit(dog, today, shelf, house)
const visit = {
  id: 'v1',
  version: 1,
  changedAt: '',
  dogId: 'd1',
  date: today.date,
  engine: plan.engine,
  inputs: {
    dog,
    today,
    products: shelf,
    house,
    memory: { lessons: {}, borne: [], happened: [], damp: [], suited: [] },
  },
  plan,
}

const realFetch = globalThis.fetch
let useTub: (typeof import('./useTub'))['useTub']
let useStrip: (typeof import('./useStrip'))['useStrip']

/** Timers of the page run only where there is a window: it must be there before they are first loaded. */
beforeAll(async () => {
  const nothing = { addEventListener: () => undefined, removeEventListener: () => undefined }
  Object.assign(globalThis, { window: Object.assign(Object.create(globalThis), nothing), document: nothing })
  ;({ useTub } = await import('./useTub'))
  ;({ useStrip } = await import('./useStrip'))
})
let kept: Map<string, string>
let server: TubEvent[]
let online: boolean
let sent: number

beforeEach(() => {
  jest.useFakeTimers({ now: Date.parse('2026-11-28T08:00:00Z') })
  kept = new Map()
  server = []
  online = true
  sent = 0
  const storage = {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
    removeItem: (k: string) => void kept.delete(k),
  }
  Object.assign(globalThis, { localStorage: storage })
  globalThis.fetch = (async (url: string, { method, body }: { method: string; body?: string }) => {
    if (!online) throw new TypeError('no network')
    const answer = (of: unknown) => new Response(JSON.stringify(of), { status: 200 })
    if (method === 'POST') {
      const { events } = JSON.parse(body!) as { events: TubEvent[] }
      sent += events.length
      const fresh = events.filter((e) => !server.some((s) => s.id === e.id))
      server.push(...fresh)
      return answer({ kept: fresh.length, known: events.length - fresh.length })
    }
    if (url.endsWith('/events')) return answer({ events: server })
    if (url.endsWith('/tub'))
      return answer({
        date: today.date,
        seats: [
          { dogId: 'd1', name: 'Moss', colour: 1, at: 480 },
          { dogId: 'd2', name: 'Fig', colour: 2, at: 600 },
        ],
        visits: [
          {
            visitId: 'v1',
            dogId: 'd1',
            name: 'Moss',
            colour: 1,
            bath: true,
            steps: plan.steps.map((s) => ({ id: s.id, title: s.title, minutes: s.minutes.value, hands: s.hands })),
            events: server,
          },
        ],
      })
    return answer(visit)
  }) as unknown as typeof fetch
})
afterEach(() => {
  jest.useRealTimers()
  globalThis.fetch = realFetch
})

/** Lets promises settle without any time passing. */
const settle = async () => {
  for (let i = 0; i < 30; i++) await Promise.resolve()
  await nextTick()
}
function opened() {
  const scope = effectScope()
  const tub = scope.run(() => useTub('v1'))!
  return { tub, stop: () => scope.stop() }
}

test('a tap is kept at once, sent, and not sent again', async () => {
  const { tub, stop } = opened()
  await settle()
  expect(tub.step.value!.id).toBe('look')
  tub.tap({ kind: 'step', step: 'look' })
  expect(readKept('v1').events).toHaveLength(1)
  expect(tub.waiting.value).toBe(1)
  await settle()
  expect(tub.waiting.value).toBe(0)
  await jest.advanceTimersByTimeAsync(20_000)
  expect([server.length, sent]).toEqual([1, 1])
  stop()
})

test('without network taps wait on the device, survive a closed page, and go out once when it is back', async () => {
  const first = opened()
  await settle()
  online = false
  first.tub.tap({ kind: 'step', step: 'look' })
  first.tub.tap({ kind: 'step', step: 'wet' })
  await settle()
  expect(first.tub.offline.value).toBe(true)
  first.stop()
  const second = opened()
  await settle()
  expect(second.tub.visit.value?.id).toBe('v1')
  expect(second.tub.record.value.current).toBe('wet')
  expect(second.tub.waiting.value).toBe(2)
  online = true
  await jest.advanceTimersByTimeAsync(5000)
  expect(server.map((e) => e.kind)).toEqual(['step', 'step'])
  expect(second.tub.waiting.value).toBe(0)
  second.stop()
})

test('what another device taps comes in; an undo takes back the last standing tap, whoever made it', async () => {
  const { tub, stop } = opened()
  await settle()
  tub.tap({ kind: 'step', step: 'look' })
  await settle()
  server.push({
    id: '00000000-0000-4000-8000-000000000001',
    at: Date.now() + 1000,
    device: 'other',
    kind: 'step',
    step: 'wet',
  })
  await jest.advanceTimersByTimeAsync(5000)
  expect(tub.step.value!.id).toBe('wet')
  tub.undo()
  expect(tub.step.value!.id).toBe('look')
  stop()
})

test('the clock counts the step down by the wall, a pause holds it', async () => {
  const { tub, stop } = opened()
  await settle()
  tub.tap({ kind: 'step', step: 'look' })
  const planned = tub.step.value!.minutes.value
  await jest.advanceTimersByTimeAsync(60_000)
  expect(tub.rest.value).toBeCloseTo(planned - 1, 1)
  tub.tap({ kind: 'pause' })
  await jest.advanceTimersByTimeAsync(120_000)
  expect(tub.rest.value).toBeCloseTo(planned - 1, 1)
  stop()
})

test('the strip shows who is under way and who comes next by the plan', async () => {
  const { tub, stop } = opened()
  const scope = effectScope()
  const strip = scope.run(() => useStrip(() => today.date, tub.now))!
  await settle()
  expect(strip.beside.value).toEqual([])
  expect(strip.next.value).toMatchObject({ dogId: 'd1', visitId: 'v1', at: 480 })
  tub.tap({ kind: 'step', step: 'look' })
  await jest.advanceTimersByTimeAsync(5000)
  expect(strip.beside.value).toMatchObject([{ name: 'Moss', step: 'Look over', hands: true, paused: false }])
  expect(strip.beside.value[0]!.rest).toBeCloseTo(plan.steps[0]!.minutes.value - 5 / 60, 1)
  expect(strip.next.value).toEqual({ dogId: 'd2', name: 'Fig', at: 600, visitId: null })
  online = false
  await jest.advanceTimersByTimeAsync(10_000)
  expect(strip.next.value?.name).toBe('Fig')
  scope.stop()
  stop()
})

describe('what is kept on a device', () => {
  const event = (n: number): TubEvent => ({
    id: `00000000-0000-4000-8000-00000000000${n}`,
    at: n,
    device: '',
    kind: 'towel',
  })
  test('two windows’ taps are put together, once each, and what either hasn’t sent is still to send', () => {
    const a = { events: [event(1), event(2)], unsent: [event(2).id] }
    const b = { events: [event(1), event(3)], unsent: [event(3).id] }
    expect(mergeKept(a, b).events.map((e) => e.at)).toEqual([1, 2, 3])
    expect(mergeKept(a, b).unsent).toEqual([event(2).id, event(3).id])
  })
  test('is read back as it was written; what can’t be read counts as nothing', () => {
    writeKept('v9', { events: [event(1)], unsent: [] })
    expect(readKept('v9').events).toEqual([event(1)])
    kept.set('juvant.tub.v9', '{"events":[{"kind":"dance"}],"unsent":[]}')
    expect(readKept('v9')).toEqual({ events: [], unsent: [] })
    expect(readKept('never')).toEqual({ events: [], unsent: [] })
  })
  test('minutes are shown as a clock shows them', () => {
    expect([4.12, 0, -1.5, 61].map(minuteClock)).toEqual(['4:07', '0:00', '1:30', '61:00'])
  })
})

test('another visit may be opened in the same place', async () => {
  const id = ref('v1')
  const scope = effectScope()
  const tub = scope.run(() => useTub(id))!
  await settle()
  tub.tap({ kind: 'step', step: 'look' })
  await settle()
  server = []
  id.value = 'v2'
  await settle()
  expect(tub.started.value).toBe(false)
  expect(readKept('v1').events).toHaveLength(1)
  scope.stop()
})
