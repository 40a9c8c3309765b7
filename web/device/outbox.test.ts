/** @jest-environment jsdom */
import { jest } from '@jest/globals'
import { closeDevice, device } from './device'
import { addSender, followOutbox, holdOutbox, sendWaiting, waiting } from './outbox'

let sent: string[]
let reached: boolean
let asked: number
let refuses: number | undefined
addSender({
  prefix: 'test.day.',
  of: 'days',
  count: (text) => (text === '' ? 0 : 1),
  send(key) {
    asked++
    if (refuses) return Promise.reject(Object.assign(new Error('no'), { status: refuses }))
    if (!reached) return Promise.reject(new Error('no network'))
    sent.push(key)
    device.drop(key)
    return Promise.resolve()
  },
})
followOutbox()

beforeEach(() => {
  jest.useFakeTimers()
  closeDevice()
  sent = []
  reached = true
  asked = 0
  refuses = undefined
})
afterEach(() => jest.useRealTimers())
const settle = async () => {
  for (let i = 0; i < 10; i++) await Promise.resolve()
}

test('what waits is counted as it comes and goes', () => {
  device.write('test.day.a', 'x')
  device.write('test.day.b', 'y')
  device.write('other.c', 'z')
  expect(waiting.value.days).toBe(2)
  device.drop('test.day.a')
  expect(waiting.value).toEqual({ taps: 0, days: 1, checkIns: 0, photos: 0 })
})

test('what was done a moment ago is left to its window; later it is sent, and again until the server has it', async () => {
  reached = false
  device.write('test.day.a', 'x')
  await sendWaiting()
  jest.setSystemTime(Date.now() + 30_000)
  await sendWaiting()
  expect(device.read('test.day.a')).toBe('x')
  reached = true
  await sendWaiting()
  expect([sent, device.read('test.day.a'), waiting.value.days]).toEqual([['test.day.a'], undefined, 0])
})

test('what the server refuses stays, and is asked again only when it has changed; a server in trouble is asked again', async () => {
  device.write('test.day.r', 'x')
  jest.setSystemTime(Date.now() + 60_000)
  refuses = 503
  await sendWaiting()
  await sendWaiting()
  expect(asked).toBe(2)
  refuses = 409
  await sendWaiting()
  await sendWaiting()
  expect([asked, device.read('test.day.r')]).toEqual([3, 'x'])
  refuses = undefined
  device.write('test.day.r', 'y')
  jest.setSystemTime(Date.now() + 60_000)
  await sendWaiting()
  expect([asked, sent]).toEqual([4, ['test.day.r']])
})

test('what an open view takes care of isn’t touched, and is sent when the last such view closes', async () => {
  const [first, second] = [holdOutbox('test.day.a'), holdOutbox('test.day.a')]
  device.write('test.day.a', 'x')
  jest.setSystemTime(Date.now() + 60_000)
  await sendWaiting()
  first()
  first()
  await settle()
  expect(sent).toEqual([])
  second()
  await settle()
  expect(sent).toEqual(['test.day.a'])
})

test('what another window left is sent though a view is open on it that has nothing of its own to send', async () => {
  let busy = true
  const close = holdOutbox('test.day.a', () => busy)
  device.write('test.day.a', 'x')
  jest.setSystemTime(Date.now() + 60_000)
  await sendWaiting()
  expect(sent).toEqual([])
  busy = false
  await sendWaiting()
  expect(sent).toEqual(['test.day.a'])
  close()
})

test('the network back: what waits goes at once', async () => {
  reached = false
  device.write('test.day.a', 'x')
  jest.setSystemTime(Date.now() + 60_000)
  reached = true
  window.dispatchEvent(new Event('online'))
  await settle()
  expect(sent).toEqual(['test.day.a'])
})

test('what a view couldn’t send before it closed goes as soon as the network is back, however lately it was written', async () => {
  reached = false
  const close = holdOutbox('test.day.a')
  device.write('test.day.a', 'x')
  close()
  await settle()
  // written by another window, which has it in hand
  device.write('test.day.b', 'y')
  reached = true
  window.dispatchEvent(new Event('online'))
  await settle()
  expect(sent).toEqual(['test.day.a'])
})
