import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  arrangeDay,
  DayProblem,
  objectiveOf,
  scoreDay,
  weigh,
  WISHED,
  type Arrangement,
  type DayWishes,
} from '@core/day'
import { chance } from '@core/chance'
import { faultsOf } from './checker'
import { weighedByMinutes } from './weighing'

const instance = (name: string): DayProblem => {
  const problem = DayProblem.parse(
    JSON.parse(readFileSync(join(import.meta.dirname, 'instances', `${name}.json`), 'utf8')),
  )
  const dogs = problem.dogs.map((dog, d) => ({
    ...dog,
    tender: d % 3 === 0,
    tasks: dog.tasks.map((t) => ({
      ...t,
      kind: t.kind === 'blowdry' ? 'dry' : t.kind,
      loud: 'velocityDryer' in t.uses,
    })),
  }))
  return { ...problem, dogs }
}
const WISHES: DayWishes = { longWaits: 2, apart: 4, tender: 2, close: 20, breather: 15, loud: 4, scraps: 3 }
const found = (problem: DayProblem, tries = 4000) => arrangeDay(problem, { tries }) as Arrangement

test.each(['n03-s1', 'n06-s1', 'n12-s1'])(
  '%s: what a day is weighed by is what counting minutes comes to, in good orders and in poor ones',
  (name) => {
    const problem = instance(name)
    const random = chance(7)
    for (const tries of [1, 300, 3000]) {
      const { schedule } = found({ ...problem, wishes: WISHES }, tries)
      expect(weigh(problem, schedule)).toEqual(weighedByMinutes(problem, schedule))
      // any starts whatever are weighed alike
      const tasks = Object.fromEntries(
        Object.entries(schedule.tasks).map(([id, at]) => [id, at + Math.floor(40 * random())]),
      )
      expect(weigh(problem, { ...schedule, tasks })).toEqual(weighedByMinutes(problem, { ...schedule, tasks }))
    }
  },
)

test('wishes are points on top of lateness, the end and the stays, and the bound holds for what is left without them', () => {
  const problem = { ...instance('n05-s2'), wishes: { ...WISHES, end: 20, stays: 1 } }
  const day = found(problem)
  const minutes = weighedByMinutes(problem, day.schedule)
  const points = WISHED.reduce(
    (sum, w) => sum + (problem.wishes[w as keyof typeof problem.wishes] ?? 0) * minutes[w],
    0,
  )
  const bare = objectiveOf(scoreDay(problem, day.schedule))
  expect(day.bare).toBe(bare)
  expect(day.objective).toBe(bare + points)
  expect(day.lowerBound).toBeLessThanOrEqual(day.bare)
  expect(faultsOf(problem, day.schedule)).toEqual([])
})

/** How many times as much; of hours that works of a visit lie apart as much as a house can ask at the most: more would be worth a minute late. */
const MUCH = { longWaits: 10, apart: 3, tender: 10, breather: 10, scraps: 10 }

test('a wish that counts for more is met no worse, and nobody is later for it', () => {
  const problem = instance('n05-s2')
  const usual = found({ ...problem, wishes: WISHES }, 8000)
  for (const wish of ['longWaits', 'apart', 'tender', 'breather', 'scraps'] as const) {
    const much = found({ ...problem, wishes: { ...WISHES, [wish]: MUCH[wish] * WISHES[wish]! } }, 8000)
    expect(faultsOf(problem, much.schedule)).toEqual([])
    expect(much.late).toBeLessThanOrEqual(usual.late)
    expect(weighedByMinutes(problem, much.schedule)[wish]).toBeLessThanOrEqual(
      weighedByMinutes(problem, usual.schedule)[wish],
    )
  }
})

test('a breather: dried by hand for three quarters of an hour, the hands rest before what comes next', () => {
  const task = (id: string, kind: string, dur: number, after?: string) => ({
    id,
    kind,
    dur,
    uses: { hands: 1 },
    preds: after ? [{ task: after }] : [],
  })
  const problem = DayProblem.parse({
    horizon: 400,
    resources: { hands: 1 },
    tank: { capacityDl: 0, initialDl: 0, recoveryDlPerMin: 0 },
    dogs: [
      {
        id: 'a',
        arrive: 0,
        pickup: 400,
        readyTask: 'a.finish',
        tasks: [task('a.dry', 'dry', 50), task('a.finish', 'finish', 10, 'a.dry')],
      },
    ],
  })
  const gap = (wishes: DayWishes) => {
    const { tasks } = found({ ...problem, wishes }).schedule
    return tasks['a.finish']! - (tasks['a.dry']! + 50)
  }
  // ten minutes of the day and of the stay are 110 points, ten of the breather 150
  expect(gap({ breather: 15 })).toBe(10)
  expect(gap({ breather: 5 })).toBe(0)
})
