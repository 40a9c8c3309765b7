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

/** What holds a resource while a day runs: until when, how much, and which piece; reused, so that a draw allocates nothing. */
interface Line {
  ends: Float64Array
  amounts: Int32Array
  pieces: Int32Array
  count: number
}

const NOBODY = -1

/** The piece after which an amount of a resource is free for one that comes after all in a line; nobody when it is at once, undefined when it never is. */
function freeAfter({ ends, amounts, count }: Line, capacity: number, amount: number): number | undefined {
  let used = amount
  for (let k = 0; k < count; k++) used += amounts[k]!
  if (used <= capacity) return NOBODY
  let [at, last] = [-Infinity, NOBODY]
  for (let freed = 0; freed < count; freed++) {
    // the next to end; of those that end at once, the first in line
    let next = NOBODY
    for (let k = 0; k < count; k++)
      if (
        (ends[k]! > at || (ends[k] === at && k > last)) &&
        (next < 0 || ends[k]! < ends[next]! || (ends[k] === ends[next] && k < next))
      )
        next = k
    if (next < 0) return undefined
    ;[at, last] = [ends[next]!, next]
    used -= amounts[next]!
    if (used <= capacity) return next
  }
  return undefined
}

/** A piece joins a line; those that are over by then leave it. */
function join(line: Line, at: number, end: number, amount: number, piece: number) {
  let count = 0
  for (let k = 0; k < line.count; k++) {
    if (line.ends[k]! <= at) continue
    line.ends[count] = line.ends[k]!
    line.amounts[count] = line.amounts[k]!
    line.pieces[count++] = line.pieces[k]!
  }
  line.ends[count] = end
  line.amounts[count] = amount
  line.pieces[count++] = piece
  line.count = count
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

  // what there is one of goes from one to the next; what there is enough of for all is never waited for
  const demand = capacity.map((_, r) =>
    pieces.reduce((all, p) => all + (p.needs.find((n) => n.resource === r)?.amount ?? 0), 0),
  )
  const scarce = pieces.map((p) => p.needs.filter((n) => demand[n.resource]! > capacity[n.resource]!))
  const wants = scarce.map((needs) => {
    const one = (n: Need) => capacity[n.resource] === 1
    return [needs.filter(one).map((n) => n.resource), needs.filter((n) => !one(n))] as const
  })
  const lastEnd = new Float64Array(capacity.length)
  const lastPiece = new Int32Array(capacity.length)
  const held = capacity.map((): Line => ({
    ends: new Float64Array(pieces.length),
    amounts: new Int32Array(pieces.length),
    pieces: new Int32Array(pieces.length),
    count: 0,
  }))

  /** The task with the largest overrun on the way that led to a late piece. */
  const blame = (piece: number, tally: Map<string, number>) => {
    let [worst, most] = [-1, 0]
    for (let i = piece; i >= 0; i = why[i]!) if (over[i]! > most) [worst, most] = [i, over[i]!]
    if (worst >= 0) tally.set(pieces[worst]!.id, (tally.get(pieces[worst]!.id) ?? 0) + 1)
  }

  for (let n = 0; n < samples; n++) {
    const mood = problem.dogs.map(() => normal())
    lastEnd.fill(0)
    for (const line of held) line.count = 0
    pieces.forEach((piece, i) => {
      const { minutes, dog } = middle[i]!
      const dur = piece.known ? piece.dur : minutes * Math.exp(dog * mood[piece.dog]! + spread.step * normal())
      let [at, because] = [piece.release, -1]
      for (const { index, gap } of piece.preds) if (end[index]! + gap > at) [at, because] = [end[index]! + gap, index]
      const [alone, counted] = wants[i]!
      for (const resource of alone) {
        if (lastEnd[resource]! <= at) continue
        at = lastEnd[resource]!
        because = lastPiece[resource]!
      }
      for (const { resource, amount } of counted) {
        const line = held[resource]!
        const after = freeAfter(line, capacity[resource]!, amount)
        if (after === undefined || after < 0 || line.ends[after]! <= at) continue
        at = line.ends[after]!
        because = line.pieces[after]!
      }
      end[i] = at + dur
      over[i] = dur - piece.dur
      why[i] = because
      for (const resource of alone) {
        lastEnd[resource] = end[i]!
        lastPiece[resource] = i
      }
      for (const { resource, amount } of counted) join(held[resource]!, at, end[i]!, amount, i)
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
