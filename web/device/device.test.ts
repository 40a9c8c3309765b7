import 'fake-indexeddb/auto'
import { closeDevice, device, deviceTrouble, onDevice, openDevice, seen } from './device'

/** Local storage as an earlier version left it. */
let old: Map<string, string>
const VISIT = '00000000-0000-4000-8000-000000000001'

beforeEach(() => {
  old = new Map()
  Object.assign(globalThis, {
    localStorage: {
      get length() {
        return old.size
      },
      key: (i: number) => [...old.keys()][i] ?? null,
      getItem: (k: string) => old.get(k) ?? null,
      removeItem: (k: string) => void old.delete(k),
    },
  })
})
afterEach(async () => {
  for (const { key } of device.all('')) device.drop(key)
  await closedAndOpened()
  closeDevice()
})
/** The window closes and is opened again: what it has begun to write is written before anything is read. */
async function closedAndOpened() {
  closeDevice()
  await openDevice()
}

test('what was written is there at once, and again after the window was closed', async () => {
  await openDevice()
  device.write('juvant.day.2026-11-28', 'towels')
  expect(device.read('juvant.day.2026-11-28')).toBe('towels')
  await closedAndOpened()
  expect(device.read('juvant.day.2026-11-28')).toBe('towels')
  device.drop('juvant.day.2026-11-28')
  await closedAndOpened()
  expect(device.read('juvant.day.2026-11-28')).toBeUndefined()
  expect(device.all('juvant.day.')).toEqual([])
})

test('taps, days and edits of an earlier version are taken over; its settings stay where they are', async () => {
  old.set(`juvant.tub.${VISIT}`, 'taps')
  old.set('juvant.day.2026-11-28', 'day')
  old.set('juvant.house.edits', 'house')
  old.set(`juvant.recipe.${VISIT}.2026-11-28`, 'findings')
  old.set(`juvant.recipe.${VISIT}`, 'shown')
  old.set('juvant.tub.hands', 'Dunja')
  old.set('juvant.scheme', 'dark')
  await openDevice()
  expect(device.all('').map(({ text }) => text)).toEqual(expect.arrayContaining(['taps', 'day', 'house', 'findings']))
  expect(await seen.read(`juvant.recipe.${VISIT}`)).toBe('shown')
  expect([...old.keys()]).toEqual(['juvant.tub.hands', 'juvant.scheme'])
})

test('another window’s writing is there in this one, and told of', async () => {
  await openDevice()
  const told = new Promise<string>((resolve) => onDevice(resolve))
  const other = new BroadcastChannel('juvant.device')
  other.postMessage({ key: 'juvant.day.2026-12-05', kept: { key: 'juvant.day.2026-12-05', text: 'hers', at: 1 } })
  expect(await told).toBe('juvant.day.2026-12-05')
  expect(device.read('juvant.day.2026-12-05')).toBe('hers')
  other.close()
})

test('of what was shown the oldest are forgotten', async () => {
  await openDevice()
  for (let i = 0; i < 62; i++) await seen.write(`shown.${String(i).padStart(2, '0')}`, `${i}`)
  const left = await Promise.all(Array.from({ length: 62 }, (_, i) => seen.read(`shown.${String(i).padStart(2, '0')}`)))
  expect(left.filter((t) => t !== undefined).length).toBe(60)
  expect(left.at(-1)).toBe('61')
})

test('a browser that refuses is told of, and what is done is still there until the window closes', async () => {
  const real = indexedDB.open.bind(indexedDB)
  indexedDB.open = () => {
    throw new Error('no room')
  }
  await openDevice()
  indexedDB.open = real
  expect(deviceTrouble.value).toBe('no room')
  device.write('juvant.day.2026-11-28', 'towels')
  expect(device.read('juvant.day.2026-11-28')).toBe('towels')
  deviceTrouble.value = undefined
})
