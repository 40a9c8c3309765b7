/** @jest-environment jsdom */
import { jest } from '@jest/globals'
import { effectScope } from 'vue'
import { emptyDay, type WashDay } from '@core/washday'
import { roomWith } from '@core/fixtures'
import { kept } from '../../api/queries'
import { closeDevice, device } from '../../device/device'
import { useKeeping } from './useKeeping'

const DATE = '2026-11-28'
const empty = emptyDay(DATE, roomWith())
const storedDay = (version: number, record: WashDay = empty) => ({ version, changedAt: null, record, kept: [] })

/** The server: what it has of the day, and whether it can be reached. */
let server: ReturnType<typeof storedDay>
let reached: boolean
let scope: ReturnType<typeof effectScope>

beforeEach(() => {
  jest.useFakeTimers()
  closeDevice()
  kept.clear()
  server = storedDay(1)
  reached = true
  scope = effectScope()
  Object.assign(globalThis, {
    fetch: (_url: string, { method, body }: { method: string; body?: string }) => {
      if (!reached) return Promise.reject(new TypeError('failed'))
      const sent = body ? (JSON.parse(body) as { version: number; record: WashDay }) : undefined
      const stale = method === 'PUT' && sent!.version !== server.version
      if (method === 'PUT' && !stale) server = storedDay(server.version + 1, sent!.record)
      const answer = stale
        ? { title: 'Changed meanwhile', status: 409, detail: 'older', errors: [], current: server }
        : server
      return Promise.resolve({
        status: stale ? 409 : 200,
        ok: !stale,
        headers: new Headers(),
        json: () => Promise.resolve(answer),
      })
    },
  })
})
afterEach(() => {
  scope.stop()
  jest.useRealTimers()
})

const opened = () => {
  const keeping = scope.run(() => useKeeping())!
  keeping.begin(server)
  return keeping
}
const towels = (n: number): WashDay => ({ ...empty, extraTowels: n })
const after = (ms = 1000) => jest.advanceTimersByTimeAsync(ms)

test('a change is kept a moment later, and stays on the device until it is', async () => {
  const keeping = opened()
  keeping.put(towels(4))
  expect(device.all('juvant.day.')).toHaveLength(1)
  await after()
  expect([server.version, server.record.extraTowels, device.all('').length]).toEqual([2, 4, 0])
})

test('what another window kept is taken up when nothing waits here', async () => {
  const keeping = opened()
  server = storedDay(2, towels(8))
  await keeping.catchUp()
  expect(keeping.day.value!.extraTowels).toBe(8)
  keeping.put(towels(9))
  await after()
  expect([server.version, server.record.extraTowels]).toEqual([3, 9])
})

test('while something waits here both stand until one is chosen', async () => {
  const keeping = opened()
  reached = false
  keeping.put(towels(4))
  await after()
  expect(keeping.problem.value!.status).toBe(0)
  reached = true
  server = storedDay(2, { ...empty, windowOpen: true })
  await keeping.catchUp()
  expect([keeping.problem.value!.status, keeping.day.value!.extraTowels]).toEqual([409, 4])
  keeping.takeTheirs()
  expect(keeping.day.value).toMatchObject({ windowOpen: true, extraTowels: empty.extraTowels })
})

test('a look that can’t be had stops nothing: what is changed afterwards is told as kept here, and sent later', async () => {
  const keeping = opened()
  reached = false
  await keeping.catchUp()
  keeping.put(towels(4))
  await after()
  expect(keeping.problem.value!.status).toBe(0)
  reached = true
  await after(6000)
  expect([server.record.extraTowels, keeping.problem.value]).toEqual([4, undefined])
})
