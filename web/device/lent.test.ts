import 'fake-indexeddb/auto'
import { closeDevice, device, openDevice, seen } from './device'
import { forgetIfLost, forgetRoom, forgotten, heardFromRoom } from './lent'

const [NOW, DAY] = [Date.parse('2026-11-28T10:00:00Z'), 86_400_000]
let stored: Map<string, string>
beforeEach(async () => {
  stored = new Map([['elsewhere', 'of another program']])
  Object.assign(globalThis, {
    localStorage: {
      get length() {
        return stored.size
      },
      key: (i: number) => [...stored.keys()][i] ?? null,
      getItem: (k: string) => stored.get(k) ?? null,
      setItem: (k: string, v: string) => void stored.set(k, v),
      removeItem: (k: string) => void stored.delete(k),
    },
  })
  await openDevice()
  device.write('juvant.tub.1', 'taps')
  await seen.write('juvant.recipe.1', 'a recipe')
})
afterEach(async () => {
  heardFromRoom(true, NOW)
  await forgetRoom()
  closeDevice()
})
const kept = async () => [device.read('juvant.tub.1'), await seen.read('juvant.recipe.1')]
/** The window closes, and is opened again so many days later. */
async function openedAfter(days: number) {
  closeDevice()
  await openDevice()
  await forgetIfLost(NOW + days * DAY)
}

test('a device that was let in forgets what it kept seven days after it last heard from its room', async () => {
  heardFromRoom(true, NOW)
  await openedAfter(6.9)
  expect(await kept()).toEqual(['taps', 'a recipe'])
  heardFromRoom(false, NOW + 6 * DAY)
  await openedAfter(12)
  expect([await kept(), forgotten.value]).toEqual([['taps', 'a recipe'], false])
  await openedAfter(13.1)
  expect([await kept(), forgotten.value]).toEqual([[undefined, undefined], true])
  // also after the window was closed once more
  await openedAfter(13.2)
  expect(await kept()).toEqual([undefined, undefined])
  expect([...stored.keys()]).toEqual(['elsewhere'])
})

test('one that was put out forgets at once; the machine itself never does', async () => {
  heardFromRoom(false, NOW)
  await forgetRoom()
  await openedAfter(400)
  expect(await kept()).toEqual(['taps', 'a recipe'])
  heardFromRoom(true, NOW)
  await forgetRoom()
  expect(await kept()).toEqual([undefined, undefined])
})
