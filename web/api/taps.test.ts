import { jest } from '@jest/globals'
import { setImmediate } from 'node:timers/promises'
import 'fake-indexeddb/auto'
import { idAt } from '@core/fixtures'
import type { TubEvent } from '@core/tubside'
import { hearClock, timeNow } from '../device/clock'
import { closeDevice, device, deviceTrouble, openDevice } from '../device/device'
import { forgetSent, readKept, sendKept, tapsKey, withTap, writeKept } from './taps'

const old = new Map<string, string>()
Object.assign(globalThis, {
  localStorage: {
    length: 0,
    key: () => null,
    getItem: (k: string) => old.get(k) ?? null,
    setItem: (k: string, v: string) => void old.set(k, v),
    removeItem: (k: string) => void old.delete(k),
  },
})
const realFetch = globalThis.fetch
let asked: { events: TubEvent[]; sentAt: number }[]
/** What the server answers to taps. */
let answer: (events: TubEvent[]) => Response
beforeEach(async () => {
  asked = []
  globalThis.fetch = ((_url: string, { body }: { body: string }) => {
    asked.push(JSON.parse(body))
    return Promise.resolve(answer(asked.at(-1)!.events))
  }) as never
  answer = (events) => Response.json({ kept: events.length, known: 0 })
  await openDevice()
})
afterEach(() => {
  for (const { key } of device.all('')) device.drop(key)
  closeDevice()
  globalThis.fetch = realFetch
})
const tapOf = (n: number): TubEvent => ({ id: idAt(n), at: n, device: 'a', kind: 'towel' })
const keptOf = (n: number) => {
  const events = Array.from({ length: n }, (_, i) => tapOf(i + 1))
  return { events, unsent: events.map((e) => e.id) }
}

test('a tap that the server doesn’t take is set aside with its words, and doesn’t hold the rest', async () => {
  answer = (events) =>
    events.some((e) => e.id === idAt(5))
      ? Response.json({ title: 'Some of it can’t be taken', detail: 'at: too early' }, { status: 422 })
      : Response.json({ kept: events.length, known: 0 })
  writeKept('v1', keptOf(9))
  await sendKept('v1')
  const { events, unsent, refused } = readKept('v1')
  expect([events.length, unsent, refused]).toEqual([9, [], [{ id: idAt(5), why: 'at: too early' }]])
  const taken = asked.filter(({ events: sent }) => !sent.some((e) => e.id === idAt(5))).flatMap((a) => a.events)
  expect(taken.map((e) => e.at).sort()).toEqual([1, 2, 3, 4, 6, 7, 8, 9])
  // and isn't sent again
  const before = asked.length
  await sendKept('v1')
  expect(asked).toHaveLength(before)
})

test('while the server can’t, or may not, be asked everything waits', async () => {
  for (const status of [500, 401, 429, 507]) {
    answer = () => Response.json({ title: 'No', detail: 'Not now.' }, { status })
    writeKept('v1', keptOf(2))
    await expect(sendKept('v1')).rejects.toThrow('Not now.')
    expect(readKept('v1')).toEqual(keptOf(2))
  }
})

test('two windows that tap at the same moment lose neither tap, and don’t send again what one has sent', async () => {
  const other = new BroadcastChannel('juvant.device')
  const back = new Promise<{ kept: { text: string } }>((resolve) => {
    other.onmessage = ({ data }) => JSON.parse(data.kept.text).events.length === 3 && resolve(data)
  })
  const both = [tapOf(1)]
  writeKept('v1', { events: both, unsent: [idAt(1)] })
  // here the first was sent and the second made, there the third
  writeKept('v1', { events: [...both, tapOf(2)], unsent: [idAt(2)] })
  const theirs = { events: [...both, tapOf(3)], unsent: [idAt(1), idAt(3)] }
  const key = tapsKey('v1')
  other.postMessage({ key, kept: { key, text: JSON.stringify(theirs), at: Date.now() } })
  // the other window is told of what both make, so that it has it too
  expect(JSON.parse((await back).kept.text)).toEqual(readKept('v1'))
  expect(readKept('v1')).toEqual({ events: [tapOf(1), tapOf(2), tapOf(3)], unsent: [idAt(2), idAt(3)] })
  other.close()
})

test('what the server has leaves the device: of other days, and of many visits the oldest; what waits stays', () => {
  const sent = (id: string) => writeKept(id, { events: [tapOf(1)], unsent: [] })
  writeKept('waits', keptOf(1))
  for (let i = 0; i < 50; i++) sent(`v${i}`)
  forgetSent()
  expect(device.all('juvant.tub.')).toHaveLength(41)
  expect(readKept('waits')).toEqual(keptOf(1))
  forgetSent(Date.now() + 13 * 3_600_000)
  expect(device.all('juvant.tub.').map((k) => k.key)).toEqual([tapsKey('waits')])
})

test('taps bear the server’s time; those that wait are put right when it is learned', async () => {
  writeKept('v1', { events: [tapOf(1)], unsent: [] })
  // no time goes by meanwhile
  const clock = jest.spyOn(Date, 'now').mockReturnValue(Date.now())
  writeKept('v1', withTap(readKept('v1'), { kind: 'towel' }))
  const [, made] = readKept('v1').events
  hearClock(Date.now() - 600_000, Date.now())
  const [first, moved] = readKept('v1').events
  expect([first!.at, moved!.at]).toEqual([1, made!.at - 600_000])
  clock.mockRestore()
  await sendKept('v1')
  expect(Math.abs(asked[0]!.sentAt - (Date.now() - 600_000))).toBeLessThan(5000)
  // sent, they stay
  hearClock(Date.now(), Date.now())
  expect(readKept('v1').events[1]!.at).toBe(moved!.at)
  expect(Math.abs(timeNow() - Date.now())).toBeLessThan(100)
})

test('a full store makes room by forgetting what was only shown; one that stays full is told of', async () => {
  const real = IDBObjectStore.prototype.put
  let full = 1
  IDBObjectStore.prototype.put = function (...given) {
    if (this.name === 'kept' && full-- > 0) throw new Error('no room')
    return real.apply(this, given)
  }
  const settled = () => setImmediate()
  writeKept('v1', keptOf(1))
  for (let i = 0; i < 20; i++) await settled()
  expect(deviceTrouble.value).toBeUndefined()
  full = 5
  writeKept('v1', keptOf(2))
  for (let i = 0; i < 20; i++) await settled()
  expect(deviceTrouble.value).toBe('no room')
  expect(readKept('v1')).toEqual(keptOf(2))
  full = 0
  IDBObjectStore.prototype.put = real
  writeKept('v1', keptOf(3))
  for (let i = 0; i < 20; i++) await settled()
  expect(deviceTrouble.value).toBeUndefined()
  closeDevice()
  await openDevice()
  expect(readKept('v1')).toEqual(keptOf(3))
})
