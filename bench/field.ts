import { createHash } from 'node:crypto'
import { performance } from 'node:perf_hooks'
import { fileURLToPath } from 'node:url'
import { chance } from '@core/chance'
import { arrangeDay, type Arrangement, type DayProblem } from '@core/day'
import { ENGINE } from '@core/visit'
import { dogOn, emptyDay, planSeats, seatFor, standFrom, type DayFacts } from '@core/washday'
import { faultsOf } from '../checks/day/checker'
import { generatedDay, KINDS, type DayKind } from '../checks/day/generated'
import { DEMO } from '../demo/scenario'
import { arrangeWithin } from '../server/usecases/arranging'
import type { JOBS, ServerWork } from '../server/work/jobs'
import { workInThreads } from '../server/work/work'

/** How long the server has, ms, and with what it is compared: the best of all of these. */
const BUDGETS = [300, 1000, 3000]
const LONG_MS = 10_000
const SIZES = [3, 4, 5, 6, 8, 10, 12]
/** Off the best by more than that isn't as good. */
const AS_GOOD = 0.005
const DATE = '2026-11-28'

/** Days of a release are its own: what a search is shaped on can't be what it is measured on. */
const seedOf = (kind: string, dogs: number, nth: number) =>
  createHash('sha256').update(`${ENGINE} ${kind} ${dogs} ${nth}`).digest().readUInt32LE(0)

/** A day as the application asks for it: dogs of the demonstration, a helper for some hours or none, one table or two. */
export function assembledDay(dogs: number, seed: number): DayProblem {
  const draw = chance(seed)
  const house = { ...DEMO.house, tables: draw() < 0.4 ? 2 : 1 }
  const from = 480 + 30 * Math.floor(draw() * 6)
  const helper = draw() < 0.6 ? { name: 'Dunja', from, to: from + 120 + 60 * Math.floor(draw() * 5) } : null
  const day = { ...emptyDay(DATE, house), helper }
  const able = DEMO.dogs.map((d) => ({ ...d, order: draw() })).sort((a, b) => a.order - b.order)
  const span = (helper ? 360 : 480) / dogs
  const seats = able.slice(0, dogs).map((d, i) => {
    const arrive = 480 + 15 * Math.round((i * span) / 15)
    return seatFor(d.name, day, { arrive, pickup: Math.min(1260, arrive + 180 + 15 * Math.floor(draw() * 13)) })
  })
  const facts: DayFacts = {
    day: { ...day, seats },
    dogs: Object.fromEntries(DEMO.dogs.map((d) => [d.name, dogOn(d, DATE)])),
    shelf: DEMO.products.map((p) => ({ ...p, id: p.name })),
    house,
  }
  return standFrom(facts, planSeats(facts)).problem
}

const quantile = (of: readonly number[], q: number) =>
  [...of].sort((a, b) => a - b)[Math.min(of.length - 1, Math.floor(q * of.length))]!

/** A day arranged as the built server does it, in its threads. */
async function within(work: ServerWork, problem: DayProblem, budgetMs: number): Promise<Arrangement | undefined> {
  const day = await arrangeWithin(work, { problem, seed: 1, budgetMs })
  if (!day.feasible) return undefined
  const faults = faultsOf(problem, day.schedule)
  if (faults.length > 0) throw new Error(`${problem.name} doesn’t hold: ${faults[0]}`)
  return day
}

/** `count` days of each size and kind that nobody picked: how often each budget finds the best known, and minutes late in vain. */
export async function field(count: number, sizes: readonly number[] = SIZES): Promise<void> {
  const work: ServerWork = workInThreads<typeof JOBS>(
    fileURLToPath(new URL('../dist/server/worker.js', import.meta.url)),
  )
  await Promise.all([1, 2].map(() => work.do('warm', undefined, { deadlineMs: 60_000, tooMuch: '' })))
  const kinds = [...(Object.keys(KINDS) as DayKind[]), 'assembled'] as const
  const began = performance.now()
  console.log(`${count} days each of ${ENGINE}; best: of ${LONG_MS / 1000} s or proven`)
  for (const dogs of sizes)
    for (const kind of kinds) {
      const rows = BUDGETS.map(() => ({ good: 0, late: [] as number[], off: [] as number[] }))
      const tally = { days: 0, none: 0, proven: 0, lateBest: [] as number[] }
      for (let nth = 0; nth < count; nth++) {
        const seed = seedOf(kind, dogs, nth)
        const problem = kind === 'assembled' ? assembledDay(dogs, seed) : generatedDay(dogs, kind, seed)
        if (arrangeDay(problem, { tries: 0 }).feasible === false) {
          tally.none++
          continue
        }
        const found: (Arrangement | undefined)[] = []
        for (const budget of BUDGETS) found.push(await within(work, problem, budget))
        const proof = found.find((day) => day?.proven)
        const best = proof ?? (await within(work, problem, LONG_MS))
        const all = [...found, best].filter((day) => day !== undefined)
        const least = all.reduce((a, b) => (b.objective < a.objective ? b : a))
        tally.days++
        tally.lateBest.push(least.late)
        if (all.some((day) => day.proven)) tally.proven++
        rows.forEach((row, i) => {
          const day = found[i]
          const rest = (of: Arrangement) => of.objective - 1000 * of.late
          const off = day ? (rest(day) - rest(least)) / rest(least) : Infinity
          row.late.push(day ? day.late - least.late : Infinity)
          row.off.push(off)
          if (day && day.late <= least.late && off <= AS_GOOD) row.good++
        })
      }
      if (tally.days === 0) continue
      const cells = rows.map(
        ({ good, late, off }, i) =>
          `${BUDGETS[i]! / 1000} s: ${good}/${tally.days} as good, late in vain ${quantile(late, 0.5)} to ${Math.max(...late)}, rest to ${(100 * Math.max(...off)).toFixed(1)} %`,
      )
      console.log(
        `${dogs} ${kind.padEnd(10)} proven ${tally.proven}/${tally.days} | ${cells.join(' | ')}${tally.none > 0 ? ` | ${tally.none} can’t be` : ''}`,
      )
    }
  console.log(`in ${((performance.now() - began) / 60_000).toFixed(1)} min`)
  await work.close()
}
