import { arrangeDay, type Arrangement } from '@core/day'
import { faultsOf } from './checker'
import { generatedDay } from './generated'

/** Tries of a third of a second, and of one. */
const [SOON, LATER] = [8000, 24_000]

/** Made-up days, none of them picked but for its size. */
const DAYS = [4, 5, 6].flatMap((dogs) => [1, 2, 3].map((nth) => generatedDay(dogs, 'twoPairs', 100 * dogs + nth)))
/** Minutes late, over all of them, that a long search may save a short one; sweeps alone leave most of an hour. */
const IN_VAIN = 5

test('by two pairs of hands a short search leaves hardly a dog late that a long one gets in time', () => {
  let inVain = 0
  for (const problem of DAYS) {
    const [soon, later] = [SOON, LATER].map((tries) => arrangeDay(problem, { tries }) as Arrangement)
    for (const day of [soon!, later!]) expect(faultsOf(problem, day.schedule)).toEqual([])
    inVain += Math.max(0, soon!.late - later!.late)
  }
  expect(inVain).toBeLessThanOrEqual(IN_VAIN)
})

test('a made-up day is the same for its seed, another for another, and can be done', () => {
  const day = () => generatedDay(5, 'mixed', 11)
  expect(day()).toEqual(day())
  expect(generatedDay(5, 'mixed', 12)).not.toEqual(day())
  expect(arrangeDay(day(), { tries: 200 }).feasible).toBe(true)
})
