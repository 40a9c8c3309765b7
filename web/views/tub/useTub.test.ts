import { jest } from '@jest/globals'
import { effectScope, nextTick, ref } from 'vue'
import type { Change } from '@contract'
import { Dog } from '@core/dog'
import { idAt, oatShelf, roomWith } from '@core/fixtures'
import { HANDS_AWAY, type TubEvent } from '@core/tubside'
import { planVisit, Today } from '@core/visit'
import { minuteClock } from './minuteClock'

const dog = Dog.parse({ name: 'Moss', weightKg: 7, coat: 'wire' })
const house = roomWith()
const shelf = oatShelf()
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

const onStrip = (visitId: string, events: TubEvent[]) => ({
  visitId,
  dogId: visitId.replace('v', 'd'),
  name: visitId === 'v1' ? 'Moss' : 'Fig',
  colour: 1,
  bath: true,
  steps: plan.steps.map(({ kind, role, ...s }) => ({ id: s.id, kind, role, minutes: s.minutes.value, hands: s.hands })),
  events,
})

const realFetch = globalThis.fetch
let useTub: (typeof import('./useTub'))['useTub']
let useStrip: (typeof import('./useStrip'))['useStrip']
let mergeKept: (typeof import('../../api/taps'))['mergeKept']
let readKept: (typeof import('../../api/taps'))['readKept']
let writeKept: (typeof import('../../api/taps'))['writeKept']
let device: (typeof import('../../device/device'))['device']
let closeDevice: (typeof import('../../device/device'))['closeDevice']

/** Timers of the page run only where there is a window: it must be there before they are first loaded. */
beforeAll(async () => {
  const nothing = {
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
    dispatchEvent: () => true,
  }
  Object.assign(globalThis, {
    Storage: class {},
    window: Object.assign(Object.create(globalThis), nothing),
    document: { ...nothing, visibilityState: 'visible' },
    EventSource: class {
      constructor() {
        stream = this as unknown as EventSource
      }
      close = () => undefined
      addEventListener = () => undefined
    },
  })
  const { followServer } = await import('../../api/live')
  followServer()
  ;({ useTub } = await import('./useTub'))
  ;({ useStrip } = await import('./useStrip'))
  ;({ mergeKept, readKept, writeKept } = await import('../../api/taps'))
  ;({ device, closeDevice } = await import('../../device/device'))
})
/** The stream of changes that the page follows. */
let stream: EventSource
const tell = (change: Change) => stream.onmessage!({ data: JSON.stringify(change) } as MessageEvent)
const tellTaps = (id: string, taps?: string[]) => tell({ what: 'taps', id, date: today.date, taps })
let kept: Map<string, string>
let server: TubEvent[]
let helper: { from: number; to: number } | null
/** Taps of the other visit, v2. */
let beside: TubEvent[]
let online: boolean
let inTrouble: boolean
let sent: number

beforeEach(() => {
  jest.useFakeTimers({ now: Date.parse('2026-11-28T08:00:00Z') })
  kept = new Map()
  closeDevice()
  server = []
  beside = []
  helper = null
  online = true
  inTrouble = false
  sent = 0
  const storage = {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
    removeItem: (k: string) => void kept.delete(k),
  }
  Object.assign(globalThis, { localStorage: storage })
  globalThis.fetch = (async (url: string, { method, body }: { method: string; body?: string }) => {
    if (!online) throw new TypeError('no network')
    if (inTrouble) return new Response(JSON.stringify({ title: 'Something broke here' }), { status: 500 })
    const answer = (of: unknown) => new Response(JSON.stringify(of), { status: 200 })
    const taps = url.includes('/v2/') ? beside : server
    if (method === 'POST') {
      const { events } = JSON.parse(body!) as { events: TubEvent[] }
      sent += events.length
      const fresh = events.filter((e) => !taps.some((s) => s.id === e.id))
      taps.push(...fresh)
      return answer({ kept: fresh.length, known: events.length - fresh.length })
    }
    if (url.endsWith('/events')) return answer({ events: taps })
    if (url.endsWith('/tub'))
      return answer({
        date: today.date,
        seats: [
          { dogId: 'd1', name: 'Moss', colour: 1, at: 480 },
          { dogId: 'd2', name: 'Fig', colour: 2, at: 600 },
        ],
        helper,
        visits: [onStrip('v1', server), ...(beside.length > 0 ? [onStrip('v2', beside)] : [])],
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

test('on a device that looks on a tap does nothing, and says so', async () => {
  const { me } = await import('../../api/access')
  me.value = { role: 'look', here: false, reachable: { safe: [], plain: [], fingerprint: null }, lock: null }
  const { tub, stop } = opened()
  await settle()
  tub.tap({ kind: 'step', step: 'look' })
  await settle()
  expect([readKept('v1').events, server, sent]).toEqual([[], [], 0])
  expect(tub.problem.value!.title).toBe('Looking on')
  me.value = undefined
  stop()
})

test('a tap is one request of its own taps; what is known already isn’t fetched again when it is told', async () => {
  const { tub, stop } = opened()
  await settle()
  const asked: string[] = []
  const fetchBefore = globalThis.fetch
  globalThis.fetch = ((url: string, init: { method: string; body: string }) => {
    asked.push(`${init.method} ${url}`)
    return fetchBefore(url, init)
  }) as typeof fetch
  tub.tap({ kind: 'step', step: 'look' })
  await settle()
  tellTaps('v1', [server[0]!.id])
  await settle()
  expect(asked).toEqual(['POST /api/visits/v1/events'])
  stop()
})

test('when the stream comes back after it was cut, what other devices tapped meanwhile comes in', async () => {
  stream.onopen!({} as Event)
  const { tub, stop } = opened()
  await settle()
  server.push({ id: idAt(5), at: Date.now(), device: 'other', kind: 'step', step: 'look' })
  stream.onopen!({} as Event)
  await settle()
  expect(tub.started.value).toBe(true)
  stop()
})

test('whose hands work stands with every step, when they aren’t the usual ones', async () => {
  const { tub, stop } = opened()
  await settle()
  tub.tap({ kind: 'step', step: 'look' })
  tub.handTo('Dunja')
  tub.tap({ kind: 'step', step: 'brush' })
  expect(tub.record.value.hands).toEqual({ '': 1, Dunja: 2 })
  tub.handTo('')
  stop()
})

test('without network taps wait on the device, survive a closed page, and go out once when it is back', async () => {
  const first = opened()
  await settle()
  online = false
  first.tub.tap({ kind: 'step', step: 'look' })
  first.tub.tap({ kind: 'step', step: 'wet' })
  await settle()
  expect(first.tub.away.value).toBe('network')
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

test('a server in trouble gets taps again by itself; until then they wait, and no fault of theirs is told', async () => {
  const { tub, stop } = opened()
  await settle()
  inTrouble = true
  tub.tap({ kind: 'step', step: 'look' })
  await settle()
  expect([tub.away.value, tub.problem.value, tub.waiting.value]).toEqual(['server', undefined, 1])
  inTrouble = false
  await jest.advanceTimersByTimeAsync(5000)
  expect([tub.away.value, tub.waiting.value, server.map((e) => e.kind)]).toEqual(['', 0, ['step']])
  stop()
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
  tellTaps('v1', [server.at(-1)!.id])
  await settle()
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

describe('one pair of hands', () => {
  const startBeside = (step: string) => (beside = [{ ...tapAt(7), kind: 'step', step }])
  const tapAt = (n: number) => ({ id: idAt(n), at: Date.now(), device: 'other' })
  function both() {
    const scope = effectScope()
    const [tub, strip] = scope.run(() => {
      const tub = useTub('v1', () => strip.holdOthers())
      const strip = useStrip(
        () => today.date,
        tub.now,
        () => 'v1',
      )
      return [tub, strip] as const
    })!
    return { tub, strip, stop: () => scope.stop() }
  }

  test('taking a dog in hand lets another one that had them wait, and its minutes stand', async () => {
    startBeside('brush')
    const { tub, strip, stop } = both()
    await settle()
    await jest.advanceTimersByTimeAsync(60_000)
    const before = strip.beside.value[0]!.rest
    tub.tap({ kind: 'step', step: 'look' })
    await settle()
    expect(beside.at(-1)).toMatchObject({ kind: 'pause', why: HANDS_AWAY })
    await jest.advanceTimersByTimeAsync(120_000)
    const fig = strip.beside.value.find((b) => b.name === 'Fig')!
    expect(fig).toMatchObject({ handsAway: true, working: false })
    expect(fig.rest).toBeCloseTo(before, 1)
    expect(tub.record.value.paused).toBe(false)
    stop()
  })

  test('also within the same second as the other dog was taken up', async () => {
    startBeside('brush')
    beside.push({ ...tapAt(8), at: Date.now() + 1, kind: 'pause' })
    const { tub, strip, stop } = both()
    await settle()
    expect(strip.beside.value[0]).toMatchObject({ working: false })
    writeKept('v2', { events: [...beside, { ...tapAt(9), at: Date.now() + 2, kind: 'resume' }], unsent: [] })
    tub.tap({ kind: 'step', step: 'look' })
    await settle()
    expect(readKept('v2').events.at(-1)).toMatchObject({ kind: 'pause', why: HANDS_AWAY })
    stop()
  })

  test('also when the other dogs of the day aren’t known yet at that moment', async () => {
    startBeside('brush')
    const { tub, strip, stop } = both()
    await settle()
    strip.day.value = undefined
    tub.tap({ kind: 'step', step: 'look' })
    await settle()
    expect(beside.at(-1)).toMatchObject({ kind: 'pause', why: HANDS_AWAY })
    stop()
  })

  test('a dog that another device takes up after it keeps the hands', async () => {
    const { tub, stop } = both()
    await settle()
    tub.tap({ kind: 'step', step: 'look' })
    startBeside('brush')
    beside[0]!.at = Date.now() + 500
    await settle()
    expect(beside.map((e) => e.kind)).toEqual(['step'])
    stop()
  })

  test('a dog that had the hands before it, but is heard of late, is held then', async () => {
    const { tub, stop } = both()
    await settle()
    tub.tap({ kind: 'step', step: 'look' })
    await settle()
    startBeside('brush')
    tellTaps('v2')
    await jest.advanceTimersByTimeAsync(1000)
    expect(beside.at(-1)).toMatchObject({ kind: 'pause', why: HANDS_AWAY })
    stop()
  })

  test('while a helper is there, two dogs may be in hand at once', async () => {
    startBeside('brush')
    helper = { from: 0, to: 1439 }
    const { tub, stop } = both()
    await settle()
    tub.tap({ kind: 'step', step: 'look' })
    await settle()
    expect(beside.map((e) => e.kind)).toEqual(['step'])
    helper = { from: 0, to: 1 }
    tell({ what: 'days', date: today.date })
    await jest.advanceTimersByTimeAsync(5000)
    tub.tap({ kind: 'step', step: 'brush' })
    await settle()
    expect(beside.map((e) => e.kind)).toEqual(['step', 'pause'])
    stop()
  })

  test('a dog that rests by itself goes on resting; without network the wait is kept and sent later', async () => {
    startBeside('shake')
    const resting = both()
    await settle()
    resting.tub.tap({ kind: 'step', step: 'look' })
    await settle()
    expect(beside.map((e) => e.kind)).toEqual(['step'])
    startBeside('brush')
    beside[0]!.at = Date.now() + 500
    tellTaps('v2')
    await jest.advanceTimersByTimeAsync(1000)
    online = false
    resting.tub.tap({ kind: 'step', step: 'brush' })
    await settle()
    expect(readKept('v2').unsent).toHaveLength(1)
    expect(beside).toHaveLength(1)
    online = true
    await jest.advanceTimersByTimeAsync(5000)
    expect(beside.map((e) => e.kind)).toEqual(['step', 'pause'])
    expect(readKept('v2').unsent).toEqual([])
    resting.stop()
  })

  test('work on a dog that waited for hands takes it up again', async () => {
    const { tub, stop } = opened()
    await settle()
    tub.tap({ kind: 'step', step: 'dry' })
    server.push({ ...tapAt(8), at: Date.now() + 2000, kind: 'pause', why: HANDS_AWAY })
    tellTaps('v1', [idAt(8)])
    await jest.advanceTimersByTimeAsync(3000)
    expect(tub.record.value.handsAway).toBe(true)
    tub.tap({ kind: 'damp', zone: 'belly' })
    expect(tub.record.value).toMatchObject({ paused: false, handsAway: false, damp: ['belly'] })
    stop()
  })
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
    device.write('juvant.tub.v9', '{"events":[{"kind":"dance"}],"unsent":[]}')
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
