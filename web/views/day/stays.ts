import type { House } from '@core/house'
import { withDog, type DayState, type WashDay } from '@core/washday'

/** The rails a dog's path runs over, from top to bottom. */
export type Station = 'tub' | 'table' | 'fan' | 'rest'

const STATION: Record<string, Station> = {
  prepare: 'table',
  lift: 'tub',
  bath: 'tub',
  rest: 'rest',
  towel: 'table',
  dry: 'table',
  finish: 'table',
}

/** A stretch that a dog spends in one place, minutes of the clock; `parts` of the visit that it holds, none for a wait. */
export interface Stay {
  seatId: string
  station: Station
  parts: string[]
  from: number
  to: number
  hands: boolean
}

/** A dog's stretches in order: neighbours in one place become one; the waits between them are spent at rest. */
export function staysOf(state: DayState, offset: number, seatId: string, house: House): Stay[] {
  const dog = state.problem.dogs.find((d) => d.id === seatId)
  if (!dog || !state.schedule) return []
  const { schedule } = state
  const byFan = state.seats.find((s) => s.seat.id === seatId)?.plan.drying.choice.fan !== undefined
  const hasFan = house.dryers.some((d) => d.kind === 'fan')
  const tasks = dog.tasks
    .filter((t) => withDog(t.kind))
    .map((t): Stay => ({
      seatId,
      station: t.kind === 'alone' ? (byFan && hasFan ? 'fan' : 'rest') : (STATION[t.kind] ?? 'table'),
      parts: [t.id.slice(seatId.length + 1)],
      from: schedule.tasks[t.id]! + offset,
      to: schedule.tasks[t.id]! + t.dur + offset,
      hands: t.kind !== 'rest' && t.kind !== 'alone',
    }))
    .sort((a, b) => a.from - b.from || a.to - b.to)
  const stays: Stay[] = []
  let at = dog.arrive + offset
  for (const task of tasks) {
    const last = stays.at(-1)
    if (task.from > at + 1) stays.push({ seatId, station: 'rest', parts: [], from: at, to: task.from, hands: false })
    else if (last && last.station === task.station && last.hands === task.hands && last.parts.length > 0) {
      last.parts.push(...task.parts)
      last.to = Math.max(last.to, task.to)
      at = last.to
      continue
    }
    stays.push(task)
    at = Math.max(at, task.to)
  }
  return stays
}

/** Lanes of stretches that share a rail: the first that is free; never more than `most`. */
export function lanesOf(stretches: readonly { from: number; to: number }[], most: number): number[] {
  const ends: number[] = []
  const order = stretches.map((_, i) => i).sort((a, b) => stretches[a]!.from - stretches[b]!.from || a - b)
  const lanes = new Array<number>(stretches.length).fill(0)
  for (const i of order) {
    const { from, to } = stretches[i]!
    let lane = ends.findIndex((end) => end <= from + 1e-6)
    if (lane < 0) lane = ends.length < most ? ends.length : ends.indexOf(Math.min(...ends))
    ends[lane] = to
    lanes[i] = lane
  }
  return lanes
}

/** A stretch that takes a pair of hands. */
interface Work {
  seatId: string
  kind: string
  from: number
  to: number
  /** Not the helper's alone. */
  groomers: boolean
}

/** Every stretch that takes a pair of hands, in order; a dog's parts that follow on one another as one. */
export function handsOf({ problem, schedule }: DayState, offset: number): Work[] {
  if (!schedule) return []
  const alone = new Set(['rest', 'alone'])
  const all = problem.dogs
    .flatMap((d) =>
      d.tasks
        .filter((t) => !alone.has(t.kind))
        .map((t) => ({
          seatId: d.id,
          kind: t.kind,
          from: schedule.tasks[t.id]! + offset,
          to: schedule.tasks[t.id]! + t.dur + offset,
          groomers: (t.uses.groomer ?? 0) > 0,
        })),
    )
    .sort((a, b) => a.from - b.from || a.to - b.to)
  return all.reduce<Work[]>((joined, next) => {
    const last = joined.findLast((w) => w.seatId === next.seatId && withDog(w.kind) === withDog(next.kind))
    if (last && next.from - last.to <= 1 && withDog(next.kind)) last.to = next.to
    else joined.push({ ...next })
    return joined
  }, [])
}

/**
 * Whose hands do what: the groomer's (0) or the helper's (1). What goes on during a pause is the helper's,
 * what lies outside her hours the groomer's, and every dog that may bite; of two things at once one is each one's.
 */
export function handLanesOf(
  work: readonly Work[],
  pauses: readonly { from: number; to: number }[],
  helper: WashDay['helper'],
): number[] {
  if (!helper) return work.map(() => 0)
  const lanes: (number | undefined)[] = work.map(({ from, to, groomers }) => {
    if (groomers) return 0
    if (pauses.some((p) => p.from < to && from < p.to)) return 1
    return from >= helper.from - 1 && to <= helper.to + 1 ? undefined : 0
  })
  const together = (a: Work, b: Work) => a !== b && a.from < b.to && b.from < a.to
  const spreadFrom = (start: number) => {
    const open = [start]
    for (let i = open.pop(); i !== undefined; i = open.pop()) {
      work.forEach((other, k) => {
        if (lanes[k] !== undefined || !together(work[i]!, other)) return
        lanes[k] = 1 - lanes[i]!
        open.push(k)
      })
    }
  }
  work.forEach((_, i) => lanes[i] !== undefined && spreadFrom(i))
  work.forEach((_, i) => {
    if (lanes[i] !== undefined) return
    lanes[i] = 0
    spreadFrom(i)
  })
  return lanes.map((lane) => lane ?? 0)
}
