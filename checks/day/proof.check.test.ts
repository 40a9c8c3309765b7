import fc from 'fast-check'
import { arrangeDay } from '@core/day'
import { faultsOf } from './checker'
import { exhaustive } from './exhaustive'
import { tinyDays } from './tiny'

test.each([
  { dogs: 2, horizon: 16, runs: 400, seed: 61 },
  { dogs: 3, horizon: 14, runs: 30, seed: 4711 },
])(
  'very small days of up to $dogs dogs with all that a day can have: what is proven best is what trying everything finds',
  ({ dogs, horizon, runs, seed }) => {
    let proven = 0
    fc.assert(
      fc.property(tinyDays({ dogs, horizon }), (problem) => {
        const best = exhaustive(problem)
        const day = arrangeDay(problem, { tries: 6000 })
        if (!day.feasible) return expect(best).toBe(Infinity)
        expect(faultsOf(problem, day.schedule)).toEqual([])
        expect(day.lowerBound).toBeLessThanOrEqual(best)
        if (!day.proven) return expect(day.objective).toBeGreaterThanOrEqual(best)
        proven++
        expect(day.objective).toBe(best)
      }),
      { numRuns: runs, seed },
    )
    expect(proven).toBeGreaterThan(runs / 10)
  },
)
