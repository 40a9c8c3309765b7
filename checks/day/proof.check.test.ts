import fc from 'fast-check'
import { arrangeDay, scoreDay, type DayProblem, type DaySchedule } from '@core/day'
import { drive } from '@core/turns'
import { buildModel } from '../../core/day/model'
import { stagesOfDay } from '../../core/day/stages'
import { makeSweeper } from '../../core/day/sweep'
import { faultsOf } from './checker'
import { exhaustive } from './exhaustive'
import { tinyDays } from './tiny'

/** The best day by one sweep that leaves nothing out, with no other search to hide what it misses; undefined where that proves nothing. */
function bySweep(problem: DayProblem): { objective: number; schedule?: DaySchedule } | undefined {
  const model = buildModel(problem)
  const stages = stagesOfDay(model)
  if (!stages?.settled) return undefined
  let best: { objective: number; schedule?: DaySchedule } = { objective: Infinity }
  const { whole } = drive(
    makeSweeper(model, stages).sweep({
      width: 1e7,
      best: () => best.objective,
      found: (schedule, objective) => (best = { objective, schedule }),
    }),
  )
  return whole ? best : undefined
}

test.each([
  { dogs: 2, hands: 1, horizon: 16, runs: 2000, seed: 54 },
  { dogs: 3, hands: 1, horizon: 14, runs: 600, seed: 4711 },
  { dogs: 2, hands: 2, horizon: 14, runs: 1000, seed: 12 },
])(
  'very small days of $dogs dogs and $hands pair(s) of hands with all that a day can have: a whole sweep finds what trying everything finds, be it that none can be done',
  ({ dogs, hands, horizon, runs, seed }) => {
    let proven = 0
    fc.assert(
      fc.property(tinyDays({ dogs, horizon }, [hands]), (problem) => {
        const swept = bySweep(problem)
        if (!swept) return
        expect(swept.objective).toBe(exhaustive(problem))
        if (!swept.schedule) return
        proven++
        expect(faultsOf(problem, swept.schedule)).toEqual([])
        expect(scoreDay(problem, swept.schedule).objective).toBe(swept.objective)
      }),
      { numRuns: runs, seed },
    )
    expect(proven).toBeGreaterThan(runs / 10)
  },
)

test('very small days, by one pair of hands or two: what the whole search proves is what trying everything finds', () => {
  let proven = 0
  fc.assert(
    fc.property(tinyDays({ dogs: 2, horizon: 15 }), (problem) => {
      const best = exhaustive(problem)
      const day = arrangeDay(problem, { tries: 6000 })
      if (!day.feasible) return expect(best).toBe(Infinity)
      expect(faultsOf(problem, day.schedule)).toEqual([])
      expect(day.lowerBound).toBeLessThanOrEqual(best)
      if (!day.proven) return expect(day.objective).toBeGreaterThanOrEqual(best)
      proven++
      expect(day.objective).toBe(best)
    }),
    { numRuns: 200, seed: 61 },
  )
  expect(proven).toBeGreaterThan(20)
})
