import { normals } from '../chance'
import { needsOf, type DayProblem, type DaySchedule, type Need } from '../day'
import { LEARN } from '../learn'
import type { Step } from '../visit'
import type { SeatPlan } from './assemble'
import { partsOf } from './tasks'

/** Chances of a dog or of the day's end: share on time, times at which 1, 5 and 9 in 10 are ready (minutes of the schedule), and the task that most often makes it late. */
export interface Odds {
  onTime: number
  ready: [number, number, number]
  culprit?: string
}

/** Chances for every dog and for the end of the groomer's day. */
export interface DayOdds {
  samples: number
  dogs: Record<string, Odds>
  end: Odds
}

/** What the sampling needs to know beside the plan: when the day should end, and tasks whose minutes are known already. */
export interface OddsSetting {
  closing: number
  done?: ReadonlySet<string>
  seed?: number
  samples?: number
  scatter?: { step: number; dog: number }
  /** What the log says of tasks: their middle, minutes, and how far they scatter with the dog; others scatter around the plan. */
  middles?: Readonly<Record<string, Middle>>
}

/** The middle of a task's likely minutes, and the spread (of its logarithm) that it shares with the dog's other tasks. */
export interface Middle {
  minutes: number
  dog: number
}

/** The middles of tasks in which the log has a say: the plan's minutes are a higher quantile of them. */
export function middlesOf(seats: readonly SeatPlan[]): Record<string, Middle> {
  return Object.fromEntries(
    seats.flatMap(({ seat, plan, liftApart }) =>
      partsOf(plan, liftApart).flatMap(({ key, steps }) => {
        if (!steps.some((s) => s.step.likely)) return []
        const minutes = steps.reduce((sum, s) => sum + s.step.minutes.value, 0)
        const common = (s: Step) =>
          s.likely ? Math.max(0, s.likely.spread ** 2 - LEARN.step.value ** 2) : LEARN.dog.value ** 2
        const variance = steps.reduce((sum, s) => sum + (s.step.minutes.value / minutes) * common(s.step), 0)
        return [[`${seat.id}.${key}`, { minutes, dog: Math.sqrt(variance) }]]
      }),
    ),
  )
}

/** A piece of the day in the plan's order: what it holds, when it may begin, whose it is. */
interface Piece {
  id: string
  dog: number
  dur: number
  release: number
  needs: Need[]
  preds: { index: number; gap: number }[]
  known: boolean
}

/** Tasks, pauses and stretches away as pieces in the order of the schedule. */
function piecesOf(problem: DayProblem, schedule: DaySchedule, done: ReadonlySet<string>) {
  const names = Object.keys(problem.resources)
  interface Draft extends Omit<Piece, 'preds'> {
    at: number
    waits: { task: string; gap: number }[]
  }
  const drafts: Draft[] = problem.dogs.flatMap((dog, d) =>
    dog.tasks.map((t): Draft => ({
      id: t.id,
      dog: d,
      dur: t.dur,
      release: Math.max(dog.arrive, t.earliest ?? 0),
      needs: needsOf(names, t.uses, t.needsDog ? d : undefined),
      known: done.has(t.id),
      at: schedule.tasks[t.id]!,
      waits: t.preds.map((p) => ({ task: p.task, gap: p.minGap })),
    })),
  )
  for (const pause of problem.breaks)
    drafts.push({
      id: pause.id,
      dog: -1,
      dur: pause.dur,
      release: pause.earliest,
      needs: needsOf(names, pause.uses),
      known: true,
      at: schedule.breaks[pause.id]!,
      waits: [],
    })
  ;(problem.away ?? []).forEach(({ uses, from, to }, i) =>
    drafts.push({
      id: `away ${i}`,
      dog: -1,
      dur: to - from,
      release: from,
      needs: needsOf(names, uses),
      known: true,
      at: from,
      waits: [],
    }),
  )
  drafts.sort((a, b) => a.at - b.at || a.dur - b.dur)
  const index = new Map(drafts.map((d, i) => [d.id, i]))
  return drafts.map(({ waits, at: _at, ...piece }): Piece => ({
    ...piece,
    preds: waits.map((w) => ({ index: index.get(w.task)!, gap: w.gap })),
  }))
}

/** When an amount of a resource is free for a piece that comes after others in the order: and after which of them. */
function freeAt(ends: { end: number; amount: number; piece: number }[], capacity: number, amount: number) {
  let used = ends.reduce((sum, e) => sum + e.amount, 0)
  if (used + amount <= capacity) return { at: 0, piece: -1 }
  for (const e of [...ends].sort((a, b) => a.end - b.end)) {
    used -= e.amount
    if (used + amount <= capacity) return { at: e.end, piece: e.piece }
  }
  return { at: Infinity, piece: -1 }
}

const quantile = (sorted: readonly number[], share: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!

function oddsOf(times: readonly number[], limit: number, culprits: ReadonlyMap<string, number>): Odds {
  const sorted = [...times].sort((a, b) => a - b)
  const most = [...culprits].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))[0]
  return {
    onTime: times.filter((t) => t <= limit).length / times.length,
    ready: [quantile(sorted, 0.1), quantile(sorted, 0.5), quantile(sorted, 0.9)],
    ...(most ? { culprit: most[0] } : {}),
  }
}

/**
 * Chances that each dog is ready by its pick-up and the groomer done by closing, by drawing the minutes of
 * every task many times over (log-normal around the plan's, a share common to each dog) and letting the day
 * run with the plan's order kept: nothing begins before what the plan puts before it on the same hands, tub,
 * table, crate, dryer or circuit. Water is not asked again. Deterministic for a seed.
 */
export function dayOdds(
  problem: DayProblem,
  schedule: DaySchedule,
  { closing, done = new Set(), seed = 1, samples = 600, scatter, middles = {} }: OddsSetting,
): DayOdds {
  const spread = scatter ?? { step: LEARN.step.value, dog: LEARN.dog.value }
  const names = Object.keys(problem.resources)
  const capacity = [...names.map((n) => problem.resources[n]!), ...problem.dogs.map(() => 1)]
  const pieces = piecesOf(problem, schedule, done)
  const middle = pieces.map((p) => middles[p.id] ?? { minutes: p.dur, dog: spread.dog })
  const normal = normals(seed)
  const ready = problem.dogs.map((d) => pieces.findIndex((p) => p.id === d.readyTask))
  const hands = names.indexOf('hands')
  const working = pieces.map((p) => p.dog >= 0 && p.needs.some((n) => n.resource === hands))
  const dogTimes = problem.dogs.map(() => [] as number[])
  const dogCulprits = problem.dogs.map(() => new Map<string, number>())
  const ends: number[] = []
  const endCulprits = new Map<string, number>()
  const end = new Float64Array(pieces.length)
  const over = new Float64Array(pieces.length)
  const why = new Int32Array(pieces.length)

  /** The task with the largest overrun on the way that led to a late piece. */
  const blame = (piece: number, tally: Map<string, number>) => {
    let [worst, most] = [-1, 0]
    for (let i = piece; i >= 0; i = why[i]!) if (over[i]! > most) [worst, most] = [i, over[i]!]
    if (worst >= 0) tally.set(pieces[worst]!.id, (tally.get(pieces[worst]!.id) ?? 0) + 1)
  }

  for (let n = 0; n < samples; n++) {
    const mood = problem.dogs.map(() => normal())
    const held: { end: number; amount: number; piece: number }[][] = capacity.map(() => [])
    pieces.forEach((piece, i) => {
      const { minutes, dog } = middle[i]!
      const dur = piece.known ? piece.dur : minutes * Math.exp(dog * mood[piece.dog]! + spread.step * normal())
      let [at, because] = [piece.release, -1]
      for (const { index, gap } of piece.preds) if (end[index]! + gap > at) [at, because] = [end[index]! + gap, index]
      for (const { resource, amount } of piece.needs) {
        const free = freeAt(held[resource]!, capacity[resource]!, amount)
        if (free.at > at && free.at < Infinity) [at, because] = [free.at, free.piece]
      }
      end[i] = at + dur
      over[i] = dur - piece.dur
      why[i] = because
      for (const { resource, amount } of piece.needs) {
        const line = held[resource]!.filter((e) => e.end > at)
        line.push({ end: end[i]!, amount, piece: i })
        held[resource] = line
      }
    })
    problem.dogs.forEach((dog, d) => {
      const at = end[ready[d]!]!
      dogTimes[d]!.push(at)
      if (at > dog.pickup) blame(ready[d]!, dogCulprits[d]!)
    })
    let last = -1
    pieces.forEach((_, i) => working[i] && (last < 0 || end[i]! > end[last]!) && (last = i))
    ends.push(last < 0 ? 0 : end[last]!)
    if (last >= 0 && end[last]! > closing) blame(last, endCulprits)
  }
  return {
    samples,
    dogs: Object.fromEntries(problem.dogs.map((dog, d) => [dog.id, oddsOf(dogTimes[d]!, dog.pickup, dogCulprits[d]!)])),
    end: oddsOf(ends, closing, endCulprits),
  }
}
