import fc from 'fast-check'
import { arrangeDay, DayProblem, OBJECTIVE, scoreDay, type Arrangement, type DaySchedule, type Peer } from '@core/day'
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

/** The best order of works on one pair of hands, over every set of works that can be done first (Held and Karp 1962; from memory). */
function overSets(dogs: readonly { arrive: number; pickup: number; dur: number }[]): number {
  const { late, dayEnd, stays } = OBJECTIVE
  // for every set: the points of those done, by when the last of them ends; what ends later and costs more is left out
  const sets: Map<number, number>[] = Array.from({ length: 2 ** dogs.length }, () => new Map())
  sets[0]!.set(0, 0)
  sets.forEach((ends, set) =>
    ends.forEach((points, now) => {
      for (const [end, other] of ends) if (end < now && other <= points) return
      dogs.forEach(({ arrive, pickup, dur }, d) => {
        if (set & (1 << d)) return
        const end = Math.max(now, arrive) + dur
        const all = points + late.value * Math.max(0, end - pickup) + stays.value * (end - arrive)
        const then = sets[set | (1 << d)]!
        then.set(end, Math.min(all, then.get(end) ?? Infinity))
      })
    }),
  )
  return Math.min(...[...sets.at(-1)!].map(([end, points]) => points + dayEnd.value * end))
}

test('days of many dogs that come late: every bound told on the way is one, and what is proven is the best order', () => {
  const many = { minLength: 16, maxLength: 16 }
  const dog = fc.record({
    arrive: fc.integer({ min: 0, max: 40 }),
    stay: fc.integer({ min: 10, max: 130 }),
    dur: fc.integer({ min: 4, max: 19 }),
  })
  let [told, proven] = [0, 0]
  fc.assert(
    fc.property(fc.array(dog, many), (drawn) => {
      const dogs = drawn.map(({ arrive, stay, dur }) => ({ arrive, pickup: arrive + stay, dur }))
      const problem = DayProblem.parse({
        horizon: 300,
        resources: { hands: 1 },
        tank: { capacityDl: 1, initialDl: 1, recoveryDlPerMin: 0 },
        dogs: dogs.map(({ arrive, pickup, dur }, d) => ({
          id: `d${d}`,
          arrive,
          pickup,
          readyTask: `d${d}.brush`,
          tasks: [{ id: `d${d}.brush`, kind: 'finish', dur, uses: { hands: 1 } }],
        })),
      })
      const best = overSets(dogs)
      const bounds: number[] = []
      const peer: Peer = { tell: ({ bound }) => void bounds.push(bound), told: () => undefined }
      const day = arrangeDay(problem, { tries: 400_000, temper: 'whole', peer }) as Arrangement
      expect(Math.max(...bounds)).toBeLessThanOrEqual(best)
      expect(day.lowerBound).toBe(Math.max(...bounds))
      expect(day.objective).toBeGreaterThanOrEqual(best)
      if (day.proven) expect(day.objective).toBe(best)
      told += new Set(bounds).size
      if (day.proven) proven++
    }),
    { numRuns: 2, seed: 8, endOnFailure: true },
  )
  expect(told).toBeGreaterThan(6)
  expect(proven).toBeGreaterThan(0)
})
