import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { fileURLToPath } from 'node:url'
import loadHighs from 'highs'
import { arrangeDay, DayProblem, keepOrder, type Arrangement } from '@core/day'
import { dayOdds } from '@core/washday'
import { faultsOf } from '../checks/day/checker'
import { linearProgram } from '../checks/day/linear'

/**
 * Best objectives known of the days in checks/day/instances: those of up to eight dogs proven by a constraint solver when
 * they were made (values from memory), the others the best that any search has found, this one or another.
 */
const BEST_KNOWN: Record<string, { late: number; rest: number }> = {
  'n03-s1': { late: 0, rest: 2181 },
  'n03-s2': { late: 0, rest: 4392 },
  'n05-s1': { late: 0, rest: 4190 },
  'n05-s2': { late: 0, rest: 6446 },
  'n06-s1': { late: 109, rest: 6344 },
  'n06-s2': { late: 11, rest: 6668 },
  'n08-s1': { late: 35, rest: 7484 },
  'n08-s2': { late: 0, rest: 8049 },
  'n10-s1': { late: 248, rest: 9005 },
  'n10-s2': { late: 0, rest: 11_120 },
  'n12-s1': { late: 276, rest: 10_869 },
  'n12-s2': { late: 0, rest: 12_298 },
}
const BUDGETS = [100, 300, 1000, 3000, 10_000]
const SEEDS = [1, 2, 3, 4, 5]
const WARM_MS = 1500
const SOLVER_S = 10

const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b)
const median = (values: readonly number[]) => sorted(values)[Math.floor(values.length / 2)]!

interface Run {
  day: Arrangement
  firstMs: number
  ms: number
}

function run(problem: DayProblem, budget: number, seed: number): Run {
  const began = performance.now()
  let firstMs = Infinity
  const day = arrangeDay(problem, {
    seed,
    tries: 1e9,
    shouldStop: () => performance.now() - began > budget,
    onBetter: () => (firstMs = Math.min(firstMs, performance.now() - began)),
  })
  if (!day.feasible || faultsOf(problem, day.schedule).length > 0) throw new Error(`${problem.name} doesn't hold`)
  return { day, firstMs, ms: performance.now() - began }
}

/** Late minutes above the best known day, and percent of the rest. */
const above = ({ late, objective }: Arrangement, best: { late: number; rest: number }) => ({
  late: late - best.late,
  rest: (100 * (objective - 1000 * late - best.rest)) / best.rest,
})
const told = ({ late, rest }: { late: number; rest: number }) =>
  `${late === 0 ? '' : `${late > 0 ? '+' : ''}${late} min `}${rest.toFixed(1)} %`

/** What a general solver for mixed-integer programs reaches on the same machine, where its form of the day allows. */
async function byGeneralSolver(problem: DayProblem): Promise<string> {
  if (problem.dogs.length > 6 || problem.resources.hands !== 1) return '-'
  const highs = await loadHighs()
  const answer = highs.solve(linearProgram(problem), { output_flag: false, time_limit: SOLVER_S })
  return Number.isFinite(answer.ObjectiveValue) && answer.ObjectiveValue > 0
    ? String(Math.round(answer.ObjectiveValue))
    : 'none'
}

const DRAWS = 15

/** How long the chances of the largest days take to be drawn, against placing one of them once. */
function chances(problems: readonly DayProblem[]) {
  const most = Math.max(...problems.map((p) => p.dogs.length))
  for (const problem of problems.filter((p) => p.dogs.length === most)) {
    const { schedule } = arrangeDay(problem, { tries: 2000 }) as Arrangement
    const took = (of: () => unknown) => {
      const began = performance.now()
      of()
      return performance.now() - began
    }
    const all = Array.from({ length: DRAWS }, () =>
      took(() => dayOdds(problem, schedule, { closing: problem.horizon })),
    )
    const once = Array.from({ length: DRAWS }, () => took(() => keepOrder(problem, schedule)))
    console.log(
      `chances of ${problem.name} (${most} dogs, 600 days drawn): median ${median(all).toFixed(0)} ms, ` +
        `${(median(all) / median(once)).toFixed(0)} × keeping its order once`,
    )
  }
}

/** The best order of each day within every budget, median and worst of five seeds, beside rules of thumb and a general solver. */
export async function washDays(only: readonly string[] = []): Promise<void> {
  const folder = fileURLToPath(new URL('../checks/day/instances', import.meta.url))
  const problems = readdirSync(folder)
    .map((file) => DayProblem.parse(JSON.parse(readFileSync(join(folder, file), 'utf8'))))
    .filter(({ name }) => only.length === 0 || only.some((part) => name.includes(part)))
  // as in a worker that has arranged something before
  run(problems[0]!, WARM_MS, 99)
  const cell = (text: string) => text.padStart(36)
  const heads = [
    ...BUDGETS.map((b) => `${b / 1000} s: median, worst`),
    'first',
    'proven, median',
    'thumb',
    'HiGHS 10 s',
  ]
  console.log(`\n${'above best'.padEnd(10)}${heads.map(cell).join('')}`)
  for (const problem of problems) {
    const best = BEST_KNOWN[problem.name]!
    const firsts: number[] = []
    const proofs: number[] = []
    const cells = BUDGETS.map((budget) => {
      const runs = SEEDS.map((seed) => run(problem, budget, seed))
      firsts.push(...runs.map((r) => r.firstMs))
      if (budget === BUDGETS.at(-1)) proofs.push(...runs.filter((r) => r.day.proven).map((r) => r.ms))
      const days = runs.map((r) => r.day).sort((a, b) => a.objective - b.objective)
      return `${told(above(days[Math.floor(days.length / 2)]!, best))}, ${told(above(days.at(-1)!, best))}`
    })
    const thumb = arrangeDay(problem, { tries: 0 })
    if (!thumb.feasible) throw new Error(`${problem.name} was not arranged`)
    const proven = proofs.length > 0 ? `${proofs.length}/${SEEDS.length}, ${(median(proofs) / 1000).toFixed(1)} s` : '-'
    const more = [`${median(firsts).toFixed(1)} ms`, proven, told(above(thumb, best)), await byGeneralSolver(problem)]
    console.log(problem.name.padEnd(10) + [...cells, ...more].map(cell).join(''))
  }
  chances(problems)
}
