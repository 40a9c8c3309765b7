import { addDays } from '@core/visit'
import { HIDDEN } from '../demo/past'
import { logPast, truthBefore } from './loggedPast'

const [FIRST, SATURDAYS] = ['2026-11-28', 105]

test('on whichever Saturday of two years the demonstration is made, the log finds what is hidden, and nothing else', () => {
  const wrong: string[] = []
  for (let i = 0; i < SATURDAYS; i++) {
    const last = addDays(FIRST, 7 * i)
    const found = logPast(last, 1, HIDDEN).taught.map((t) => t.id)
    if (found.sort().join() !== Object.keys(truthBefore(last)).sort().join()) wrong.push(`${last}: ${found.join(', ')}`)
  }
  expect(wrong).toEqual([])
})
