import { waitingIn } from './waiting'

function storageOf(kept: Record<string, string>) {
  const keys = Object.keys(kept)
  return { length: keys.length, key: (i: number) => keys[i] ?? null, getItem: (key: string) => kept[key] ?? null }
}

test('counts unsent taps of every visit and days whose change isn’t kept; nothing else waits', () => {
  const taps = (n: number) => JSON.stringify({ events: [], unsent: Array.from({ length: n }, (_, i) => `${i}`) })
  const kept = {
    'juvant.tub.a': taps(2),
    'juvant.tub.b': taps(1),
    'juvant.tub.c': taps(0),
    'juvant.tub.hands': 'Dunja',
    'juvant.day.2026-11-28': '{"version":1}',
    'juvant.house.edits': '{}',
    'juvant.dog.1.edits': '{}',
  }
  expect(waitingIn(storageOf(kept))).toEqual({ taps: 3, days: 1 })
  expect(waitingIn(storageOf({}))).toEqual({ taps: 0, days: 0 })
})
