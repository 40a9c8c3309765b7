import type { DayModel, Item } from './model'
import type { DaySchedule } from './problem'

/** An order of items to place, and by how many minutes each task, then each break, puts off its earliest start. */
export interface Plan {
  order: number[]
  delay: Int32Array
}

/** Places items of a plan one after the other at their earliest; reusable, so that a search allocates nothing. */
export interface Decoder {
  /** The objective of a plan, Infinity when it can't be placed. Starts stand in `start` and `breakStart` after. */
  run(plan: Plan): number
  schedule(): DaySchedule
}

const TINY = 1e-7

interface Need {
  resource: number
  amount: number
}

/** What a task holds: bits of what there is only one of, and amounts of the rest. */
interface Needs {
  mask: number
  counted: Need[]
}

/** A bit for each resource of which there is one, 0 for the others and where the bits run out. */
function singleBits(capacity: readonly number[]): number[] {
  let bit = 1
  return capacity.map((c) => {
    if (c !== 1 || bit >= 2 ** 30) return 0
    const own = bit
    bit *= 2
    return own
  })
}

function splitNeeds(needs: readonly Need[], single: readonly number[]): Needs {
  const mask = needs.reduce((all, n) => all | (n.amount === 1 ? single[n.resource]! : 0), 0)
  return { mask, counted: needs.filter((n) => single[n.resource] === 0) }
}

/** What is held before anything is placed: by what is away, and by pinned tasks. `clash`: two of them want the same. */
function standing({ problem, tasks, capacity, length }: DayModel, single: readonly number[]) {
  const names = Object.keys(problem.resources)
  const busy = new Int32Array(length)
  const used = capacity.map(() => new Int32Array(length))
  const held = (problem.away ?? []).map(({ uses, from, to }) => ({
    needs: names.flatMap((n, r) => (uses[n] ? [{ resource: r, amount: uses[n]! }] : [])),
    from,
    to: Math.min(to, length),
  }))
  const pins = tasks
    .filter((t) => t.pinned)
    .map((t) => ({ needs: t.needs, from: t.release, to: Math.min(t.release + t.dur, length) }))
  for (const { needs, from, to } of [...held, ...pins]) {
    for (const { resource, amount } of needs) {
      for (let t = from; t < to; t++) {
        used[resource]![t] = used[resource]![t]! + amount
        busy[t] = busy[t]! | single[resource]!
      }
    }
  }
  const clash = used.some((line, r) => line.some((n) => n > capacity[r]!))
  return { busy, used, clash: clash && pins.length > 0 }
}

/** How a decoder works: by the end of the work alone, and without asking the tank (to show what doesn't hold). */
export interface DecoderOptions {
  makespan?: boolean
  dry?: boolean
}

/** A decoder for a model, by the day's objective unless told otherwise. */
export function makeDecoder(model: DayModel, { makespan = false, dry = false }: DecoderOptions = {}): Decoder {
  const { problem, tasks, items, capacity, ready, length } = model
  const { tank, horizon } = problem
  const used = capacity.map(() => new Int32Array(length))
  const busy = new Int32Array(length)
  const single = singleBits(capacity)
  const counting = capacity.map((_, r) => r).filter((r) => single[r] === 0)
  const start = new Int32Array(tasks.length)
  const breakStart = new Int32Array(problem.breaks.length)
  const names = Object.keys(problem.resources)
  const needsOf = tasks.map((t) => splitNeeds(t.needs, single))
  const breakNeeds = problem.breaks.map((b) =>
    splitNeeds(
      names.flatMap((n, r) => (b.uses[n] ? [{ resource: r, amount: b.uses[n]! }] : [])),
      single,
    ),
  )
  const last = problem.dogs.map((d) => d.lastInTub)
  const { busy: baseBusy, used: baseUsed, clash } = standing(model, single)
  const pinned = tasks.map((_, i) => i).filter((i) => tasks[i]!.pinned)
  const pinnedDraws = pinned.filter((i) => tasks[i]!.hot > 0).sort((a, b) => tasks[a]!.latest - tasks[b]!.latest)
  const tubResource = capacity[names.indexOf('tub')] === 1 ? names.indexOf('tub') : -1
  const impossible = clash || tasks.some((t) => t.needs.some((n) => n.amount > capacity[n.resource]!))
  let draws: number[] = []
  let lastBathEnd = 0

  const from = new Float64Array(tasks.length + 1)
  const to = new Float64Array(tasks.length + 1)
  const rate = new Float64Array(tasks.length + 1)
  const moments = new Float64Array(2 * tasks.length + 2)

  /** With one tub no two draws overlap, and the tank can be followed from one to the next. */
  const oneByOne = tasks.every((t) => t.hot === 0 || t.needs.some((n) => n.resource === tubResource && n.amount > 0))

  /** The level after `minutes` of a draw of `hot` dl at an even rate, from `level`; negative where it fell short. */
  function afterDraw(level: number, hot: number, minutes: number): number {
    const end = level + tank.recoveryDlPerMin * minutes - hot
    return Math.min(tank.capacityDl, end)
  }

  /** As `tankLacks`, for draws that follow one another; `draws` stand in order of their starts. */
  function lacksInTurn(task: number, at: number): number {
    let level = tank.initialDl
    let now = 0
    let own = false
    for (let k = 0; k <= draws.length; k++) {
      const next = k < draws.length ? draws[k]! : -1
      const mine = !own && (next < 0 || start[next]! > at)
      if (next < 0 && !mine) break
      const d = mine ? task : next
      const begin = mine ? at : start[d]!
      if (mine) {
        own = true
        k--
      }
      level = Math.min(tank.capacityDl, level + tank.recoveryDlPerMin * Math.max(0, begin - now))
      level = afterDraw(level, tasks[d]!.hot, tasks[d]!.dur)
      if (level < -TINY) return -level
      now = begin + tasks[d]!.dur
    }
    return 0
  }

  /** Decilitres by which the tank would first fall short with one more draw; 0 when it holds. */
  function tankLacks(task: number, at: number): number {
    if (oneByOne) return lacksInTurn(task, at)
    const count = draws.length + 1
    for (let k = 0; k < count; k++) {
      const d = k < draws.length ? draws[k]! : task
      const begin = k < draws.length ? start[d]! : at
      const { dur, hot } = tasks[d]!
      from[k] = begin
      to[k] = begin + dur
      rate[k] = hot / dur
      moments[2 * k] = begin
      moments[2 * k + 1] = begin + dur
    }
    const sorted = moments.subarray(0, 2 * count).sort()
    let level = Math.min(tank.capacityDl, tank.initialDl + tank.recoveryDlPerMin * sorted[0]!)
    for (let i = 0; i + 1 < sorted.length; i++) {
      const [a, b] = [sorted[i]!, sorted[i + 1]!]
      if (a === b) continue
      let net = tank.recoveryDlPerMin
      for (let k = 0; k < count; k++) if (from[k]! <= a && to[k]! >= b) net -= rate[k]!
      level = Math.min(tank.capacityDl, level + net * (b - a))
      if (level < -TINY) return -level
    }
    return 0
  }

  /** Whether the pinned draws by themselves leave the tank short. */
  function pinsDrain(): boolean {
    const [first, ...rest] = pinnedDraws
    if (first === undefined || dry) return false
    draws = rest
    for (const i of pinned) start[i] = tasks[i]!.latest
    return tankLacks(first, tasks[first]!.latest) > 0
  }

  /** The earliest start from `from` to `to` at which the needs are free all along, or −1. */
  function free({ mask, counted }: Needs, dur: number, from: number, to: number): number {
    let s = from
    search: while (s <= to) {
      for (let t = s + dur - 1; t >= s; t--) {
        if (busy[t]! & mask) {
          s = t + 1
          continue search
        }
      }
      for (let k = 0; k < counted.length; k++) {
        const { resource, amount } = counted[k]!
        const line = used[resource]!
        const room = capacity[resource]! - amount
        for (let t = s + dur - 1; t >= s; t--) {
          if (line[t]! > room) {
            s = t + 1
            continue search
          }
        }
      }
      return s
    }
    return -1
  }

  function earliest(task: number, from: number, to: number): number {
    const { dur, hot, pinned, latest } = tasks[task]!
    if (pinned) return from <= latest && latest <= to ? latest : -1
    const needs = needsOf[task]!
    let s = free(needs, dur, from, to)
    if (hot === 0 || dry) return s
    // A minute's wait mends at most a minute's recovery and a minute of this draw.
    const mends = tank.recoveryDlPerMin + hot / dur
    while (s >= 0) {
      const lacks = tankLacks(task, s)
      if (lacks === 0) return s
      s = free(needs, dur, s + Math.max(1, Math.floor(lacks / mends)), to)
    }
    return s
  }

  function hold({ mask, counted }: Needs, from: number, dur: number, sign: 1 | -1) {
    for (let t = from; t < from + dur; t++) busy[t] = busy[t]! ^ mask
    for (const { resource, amount } of counted) {
      const line = used[resource]!
      for (let t = from; t < from + dur; t++) line[t] = line[t]! + sign * amount
    }
  }

  function put(task: number, at: number) {
    start[task] = at
    if (tasks[task]!.pinned) return
    hold(needsOf[task]!, at, tasks[task]!.dur, 1)
    if (tasks[task]!.hot === 0) return
    let k = draws.length
    while (k > 0 && start[draws[k - 1]!]! > at) k--
    draws.splice(k, 0, task)
  }

  function takeOut(task: number) {
    if (tasks[task]!.pinned) return
    hold(needsOf[task]!, start[task]!, tasks[task]!.dur, -1)
    if (tasks[task]!.hot > 0) draws = draws.filter((d) => d !== task)
  }

  /** Puts a task within its gaps, its delay first; the minutes by which it missed, or 0. */
  function putWithin(task: number, delay: number): number {
    const t = tasks[task]!
    const most = Math.min(horizon - t.dur, t.latest)
    let low = t.release
    let gap = Infinity
    for (const p of t.preds) {
      const end = start[p.task]! + tasks[p.task]!.dur
      low = Math.max(low, end + p.min)
      gap = Math.min(gap, end + p.max)
    }
    if (t.bath && last[t.dog]) low = Math.max(low, lastBathEnd)
    if (low > gap) return low - gap
    const high = Math.min(most, gap)
    const wanted = delay > 0 ? earliest(task, Math.min(low + delay, high), high) : -1
    const at = wanted >= 0 ? wanted : earliest(task, low, high)
    if (at >= 0) {
      put(task, at)
      return 0
    }
    if (gap >= most) return Infinity
    const later = earliest(task, gap + 1, most)
    return later < 0 ? Infinity : Math.max(1, later - gap)
  }

  function placeGroup(item: Item, delay: Int32Array): boolean {
    const [first, ...rest] = item.tasks as [number, ...number[]]
    const head = tasks[first]!
    let from = head.release
    for (const p of head.preds) from = Math.max(from, start[p.task]! + tasks[p.task]!.dur + p.min)
    if (head.bath && last[head.dog]) from = Math.max(from, lastBathEnd)
    for (;;) {
      const at = earliest(first, from, Math.min(horizon - head.dur, head.latest))
      if (at < 0) return false
      put(first, at)
      let missed = 0
      let placed = 0
      for (const task of rest) {
        missed = putWithin(task, delay[task]!)
        if (missed > 0) break
        placed++
      }
      if (missed === 0) break
      takeOut(first)
      for (let i = 0; i < placed; i++) takeOut(rest[i]!)
      if (missed === Infinity) return false
      from = at + Math.max(1, missed - item.slack[placed + 1]!)
    }
    for (const task of item.tasks) {
      const t = tasks[task]!
      if (t.bath && !last[t.dog]) lastBathEnd = Math.max(lastBathEnd, start[task]! + t.dur)
    }
    return true
  }

  function placeBreak(b: number, delay: number): boolean {
    const pause = problem.breaks[b]!
    const put = free(breakNeeds[b]!, pause.dur, Math.min(pause.earliest + delay, pause.latest), pause.latest)
    const at = put >= 0 || delay === 0 ? put : free(breakNeeds[b]!, pause.dur, pause.earliest, pause.latest)
    if (at < 0) return false
    breakStart[b] = at
    hold(breakNeeds[b]!, at, pause.dur, 1)
    return true
  }

  const drained = pinsDrain()
  const blocked = new Int32Array(items.length)
  /** How many forerunners of each item are still to be placed, and who waits for it. */
  const missing = new Int32Array(items.length)
  const followers = items.map((_, i) => items.flatMap((other, k) => (other.before.includes(i) ? [k] : [])))
  const forerunners = Int32Array.from(items, (item) => item.before.length)

  function place(i: number, delay: Int32Array): boolean {
    const item = items[i]!
    const next = followers[i]!
    for (let k = 0; k < next.length; k++) missing[next[k]!] = missing[next[k]!]! - 1
    return item.breakIndex >= 0
      ? placeBreak(item.breakIndex, delay[tasks.length + item.breakIndex]!)
      : placeGroup(item, delay)
  }

  /** Always the first item of the order whose forerunners are placed. */
  function placeAll({ order, delay }: Plan): boolean {
    missing.set(forerunners)
    let held = 0
    for (let n = 0; n < order.length; n++) {
      const i = order[n]!
      if (missing[i]! > 0) {
        blocked[held++] = i
        continue
      }
      if (!place(i, delay)) return false
      for (let k = 0; k < held; k++) {
        const waiting = blocked[k]!
        if (missing[waiting]! > 0) continue
        if (!place(waiting, delay)) return false
        blocked.copyWithin(k, k + 1, held--)
        k = -1
      }
    }
    return held === 0
  }

  function score(): number {
    let [late, dayEnd, stays] = [0, 0, 0]
    problem.dogs.forEach((dog, d) => {
      const end = start[ready[d]!]! + tasks[ready[d]!]!.dur
      late += Math.max(0, end - dog.pickup)
      stays += end - dog.arrive
    })
    tasks.forEach((t, i) => t.hands && (dayEnd = Math.max(dayEnd, start[i]! + t.dur)))
    return makespan ? dayEnd : 1000 * late + 10 * dayEnd + stays
  }

  return {
    run(plan) {
      if (impossible || drained) return Infinity
      busy.set(baseBusy)
      for (const r of counting) used[r]!.set(baseUsed[r]!)
      draws = [...pinnedDraws]
      for (const i of pinned) start[i] = tasks[i]!.latest
      lastBathEnd = 0
      return placeAll(plan) ? score() : Infinity
    },
    schedule: () => ({
      tasks: Object.fromEntries(tasks.map((t, i) => [t.id, start[i]!])),
      breaks: Object.fromEntries(problem.breaks.map((b, i) => [b.id, breakStart[i]!])),
    }),
  }
}
