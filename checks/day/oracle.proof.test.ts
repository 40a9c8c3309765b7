import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import loadHighs from 'highs'
import { arrangeDay, DayProblem, type Arrangement } from '@core/day'
import { faultsOf } from './checker'
import { linearProgram } from './linear'
import { byConstraints } from './minizinc'

/** A repeatable stream of numbers from 0 to 1. */
function stream(seed: number) {
  let state = seed >>> 0
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 4294967296
  }
}

/** A small day of two or three dogs with one of everything, a pause, a tank that may run short and, sometimes, fleas. */
function smallDay(seed: number): DayProblem {
  const random = stream(seed * 7919 + 13)
  const pick = (least: number, most: number) => least + Math.floor(random() * (most - least + 1))
  const count = pick(2, 3)
  return DayProblem.parse({
    name: `small ${seed}`,
    horizon: 400,
    resources: { hands: 1, tub: 1, table: 1, fan: 1 },
    tank: { capacityDl: 500, initialDl: pick(200, 500), recoveryDlPerMin: pick(3, 9) },
    breaks: random() < 0.6 ? [{ id: 'lunch', dur: 20, earliest: 40, latest: 90, uses: { hands: 1 } }] : [],
    dogs: Array.from({ length: count }, (_, d) => {
      const id = `d${d}`
      const byFan = random() < 0.3
      return {
        id,
        arrive: pick(0, 4) * 10,
        pickup: pick(60, 200),
        lastInTub: d === 0 && random() < 0.3,
        readyTask: `${id}.dry`,
        tasks: [
          { id: `${id}.look`, kind: 'prepare', dur: pick(4, 12), uses: { hands: 1, table: 1 } },
          {
            id: `${id}.bath`,
            kind: 'bath',
            dur: pick(12, 25),
            uses: { hands: 1, tub: 1 },
            hotDl: pick(150, 400),
            preds: [{ task: `${id}.look` }],
          },
          {
            id: `${id}.dry`,
            kind: byFan ? 'alone' : 'dry',
            dur: pick(10, 40),
            uses: byFan ? { fan: 1 } : { hands: 1, table: 1 },
            preds: [{ task: `${id}.bath`, maxGap: pick(2, 15) }],
          },
          {
            id: `${id}.clean`,
            kind: 'clean',
            dur: 4,
            uses: { hands: 1, tub: 1 },
            needsDog: false,
            preds: [{ task: `${id}.bath`, maxGap: 40 }],
          },
        ],
      }
    }),
  })
}

/** The same with two pairs of hands and two fans, on one circuit. */
function sharedDay(seed: number): DayProblem {
  const day = smallDay(seed)
  const watts: Record<string, number> = { dry: 1200, alone: 100 }
  return DayProblem.parse({
    ...day,
    resources: { ...day.resources, hands: 2, fan: 2, circuit: 1800 },
    dogs: day.dogs.map((dog) => ({
      ...dog,
      tasks: dog.tasks.map((t) => (watts[t.kind] ? { ...t, uses: { ...t.uses, circuit: watts[t.kind] } } : t)),
    })),
  })
}

const folder = fileURLToPath(new URL('instances', import.meta.url))
const instance = (name: string) => DayProblem.parse(JSON.parse(readFileSync(`${folder}/${name}.json`, 'utf8')))
const ENGINE_MS = 60_000

const DAYS: [string, DayProblem][] = [
  ['a day of three dogs', instance('n03-s1')],
  ...[1, 2, 3].map((seed): [string, DayProblem] => [`small day ${seed}`, smallDay(seed)]),
  ...[4, 5].map((seed): [string, DayProblem] => [`small day ${seed} of two pairs of hands`, sharedDay(seed)]),
]
test.each(DAYS)(
  '%s: the search agrees with a general constraint engine (Chuffed)',
  async (_name, problem) => {
    const answer = await byConstraints(problem, ENGINE_MS)
    expect(answer.proven).toBe(true)
    const day = arrangeDay(problem, { tries: 200_000 })
    if (!day.feasible) return expect(answer.objective).toBeUndefined()
    expect(faultsOf(problem, day.schedule)).toEqual([])
    expect(day.objective).toBe(answer.objective)
    expect(day).toMatchObject({ lowerBound: answer.objective, proven: true })
  },
  240_000,
)

test('asked for a day with fewer points than the best one, the engine says that there is none', async () => {
  const problem = smallDay(1)
  const { objective } = arrangeDay(problem, { tries: 200_000 }) as Arrangement
  const below = await byConstraints(problem, ENGINE_MS, objective)
  expect([below.objective, below.proven]).toEqual([undefined, true])
}, 240_000)

const SEEDS = Array.from({ length: 14 }, (_, i) => i + 1)

test('small days: the search agrees with a general solver for mixed-integer programs (HiGHS)', async () => {
  const highs = await loadHighs()
  let solved = 0
  for (const seed of SEEDS) {
    const problem = smallDay(seed)
    const answer = highs.solve(linearProgram(problem), { output_flag: false, mip_rel_gap: 0 })
    const day = arrangeDay(problem, { tries: 25_000 })
    if (answer.Status !== 'Optimal') {
      expect([seed, answer.Status, day.feasible]).toEqual([seed, 'Infeasible', false])
      continue
    }
    solved++
    expect(faultsOf(problem, (day as Arrangement).schedule)).toEqual([])
    expect([seed, (day as Arrangement).objective]).toEqual([seed, Math.round(answer.ObjectiveValue)])
    expect((day as Arrangement).lowerBound).toBeLessThanOrEqual(answer.ObjectiveValue + 1e-6)
    expect([seed, (day as Arrangement).proven]).toEqual([seed, true])
  }
  expect(solved).toBeGreaterThan(10)
}, 240_000)
