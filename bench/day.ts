import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { fileURLToPath } from 'node:url'
import loadHighs from 'highs'
import { arrangeDay, DayProblem, keepOrder, type Arrangement } from '@core/day'
import { dayOdds } from '@core/washday'
import { faultsOf } from '../checks/day/checker'
import { linearProgram } from '../checks/day/linear'
import { byConstraints } from '../checks/day/minizinc'
import { arrangeWithin } from '../server/usecases/arranging'
import type { JOBS, ServerWork } from '../server/work/jobs'
import { workInThreads } from '../server/work/work'
import { begin } from './begin'

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
const FIRST_MS = 50
const ENGINE_S = 10
/** Days of practice, as those that a server has arranged before. */
const PRACTICE = [300, 300, 1000]

const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b)
const median = (values: readonly number[]) => sorted(values)[Math.floor(values.length / 2)]!

interface Run {
  day: Arrangement
  ms: number
}

/** A day arranged as the built server does it, in its threads. */
async function run(work: ServerWork, problem: DayProblem, budgetMs: number, seed: number): Promise<Run> {
  const began = performance.now()
  const day = await arrangeWithin(work, { problem, seed, budgetMs })
  if (!day.feasible || faultsOf(problem, day.schedule).length > 0) throw new Error(`${problem.name} doesn't hold`)
  return { day, ms: performance.now() - began }
}

/** Until the first day is there, ms. */
function firstDay(problem: DayProblem, seed: number): number {
  const began = performance.now()
  let first = Infinity
  arrangeDay(problem, {
    seed,
    tries: 1e9,
    shouldStop: () => performance.now() - began > FIRST_MS,
    onBetter: () => (first = Math.min(first, performance.now() - began)),
  })
  return first
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
  const answer = highs.solve(linearProgram(problem), { output_flag: false, time_limit: ENGINE_S })
  return Number.isFinite(answer.ObjectiveValue) && answer.ObjectiveValue > 0
    ? String(Math.round(answer.ObjectiveValue))
    : 'none'
}

/** What a general constraint engine reaches on the same machine. */
async function byGeneralEngine(problem: DayProblem, best: { late: number; rest: number }): Promise<string> {
  const { objective, proven, ms } = await byConstraints(problem, 1000 * ENGINE_S)
  if (objective === undefined) return 'none'
  const points = objective - 1000 * best.late - best.rest
  return proven ? `proven in ${(ms / 1000).toFixed(1)} s, ${points} above` : `${points} points above`
}

const ASK_EVERY_MS = 20
const ARRANGE_MS = 4000

/** How long the server takes to say that it is well, while it arranges a large day and while it is idle. */
async function wellMeanwhile(instance: object): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'juvant-bench-'))
  const server = await begin(data)
  const ask = async () => {
    const began = performance.now()
    await (await fetch(`${server.address}/api/health`)).text()
    return performance.now() - began
  }
  const times = async (until: () => boolean) => {
    const taken: number[] = []
    while (!until()) {
      taken.push(await ask())
      await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS))
    }
    return sorted(taken)
  }
  try {
    const end = performance.now() + ARRANGE_MS
    const idle = await times(() => performance.now() > end)
    let over = false
    const body = JSON.stringify({ instance, seed: 1, budgetMs: ARRANGE_MS })
    const headers = { 'content-type': 'application/json' }
    const arranged = fetch(`${server.address}/api/reckon/day`, { method: 'POST', headers, body }).then(
      () => (over = true),
    )
    const busy = await times(() => over)
    await arranged
    const say = (taken: number[]) =>
      `median ${median(taken).toFixed(1)}, p95 ${taken[Math.floor(0.95 * taken.length)]!.toFixed(1)}, worst ${taken.at(-1)!.toFixed(1)} ms of ${taken.length}`
    console.log(`health while a day is arranged: ${say(busy)}; idle: ${say(idle)}`)
  } finally {
    await server.stop()
    rmSync(data, { recursive: true, force: true })
  }
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

/**
 * The best order of each day within every budget by the built server's threads, median and worst of five seeds, beside
 * rules of thumb, a general solver and a general constraint engine.
 */
export async function washDays(only: readonly string[] = []): Promise<void> {
  const folder = fileURLToPath(new URL('../checks/day/instances', import.meta.url))
  const problems = readdirSync(folder)
    .map((file) => DayProblem.parse(JSON.parse(readFileSync(join(folder, file), 'utf8'))))
    .filter(({ name }) => only.length === 0 || only.some((part) => name.includes(part)))
  const work: ServerWork = workInThreads<typeof JOBS>(
    fileURLToPath(new URL('../dist/server/worker.js', import.meta.url)),
  )
  await Promise.all([1, 2].map(() => work.do('warm', undefined, { deadlineMs: 60_000, tooMuch: '' })))
  for (const budget of PRACTICE) await run(work, problems[0]!, budget, 99)
  firstDay(problems[0]!, 99)
  const cell = (text: string) => text.padStart(36)
  const heads = [
    ...BUDGETS.map((b) => `${b / 1000} s: median, worst`),
    'first',
    'proven, median',
    'thumb',
    `HiGHS ${ENGINE_S} s`,
    `Chuffed ${ENGINE_S} s`,
  ]
  console.log(`\n${'above best'.padEnd(10)}${heads.map(cell).join('')}`)
  for (const problem of problems) {
    const best = BEST_KNOWN[problem.name]!
    const proofs: number[] = []
    const cells: string[] = []
    for (const budget of BUDGETS) {
      const runs: Run[] = []
      for (const seed of SEEDS) runs.push(await run(work, problem, budget, seed))
      if (budget === BUDGETS.at(-1)) proofs.push(...runs.filter((r) => r.day.proven).map((r) => r.ms))
      const days = runs.map((r) => r.day).sort((a, b) => a.objective - b.objective)
      cells.push(`${told(above(days[Math.floor(days.length / 2)]!, best))}, ${told(above(days.at(-1)!, best))}`)
    }
    const thumb = arrangeDay(problem, { tries: 0 })
    if (!thumb.feasible) throw new Error(`${problem.name} was not arranged`)
    const proven = proofs.length > 0 ? `${proofs.length}/${SEEDS.length}, ${(median(proofs) / 1000).toFixed(1)} s` : '-'
    const firsts = SEEDS.map((seed) => firstDay(problem, seed))
    const others = [await byGeneralSolver(problem), await byGeneralEngine(problem, best)]
    const more = [`${median(firsts).toFixed(1)} ms`, proven, told(above(thumb, best)), ...others]
    console.log(problem.name.padEnd(10) + [...cells, ...more].map(cell).join(''))
  }
  await work.close()
  chances(problems)
  await wellMeanwhile(problems.at(-1)!)
}
