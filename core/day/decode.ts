import { makeGround } from './ground'
import type { DayModel, Item } from './model'
import { objectiveOf, type DaySchedule } from './problem'
import { makeWeigher } from './wishes'

/** An order of items to place, and by how many minutes each task, then each break, puts off its earliest start. */
export interface Plan {
  order: number[]
  delay: Int32Array
}

/**
 * Places items of a plan one after the other at their earliest; reusable, so that a search allocates nothing. What the plan
 * before began with alike stays placed, and only what comes after is placed again.
 */
export interface Decoder {
  /** The objective of a plan, Infinity when it can't be placed. Starts stand in `start` and `breakStart` after. */
  run(plan: Plan): number
  /** The same without the points of wishes, of the plan placed last. */
  bare(): number
  schedule(): DaySchedule
  /** Where that put a task. */
  startOf(task: number): number
}

/** How a decoder works: by the end of the work alone, and without asking the tank (to show what doesn't hold). */
export interface DecoderOptions {
  makespan?: boolean
  dry?: boolean
}

/** A decoder for a model, by the day's objective unless told otherwise. */
export function makeDecoder(model: DayModel, { makespan = false, dry = false }: DecoderOptions = {}): Decoder {
  const { problem, tasks, items, capacity, ready } = model
  const { horizon } = problem
  const start = new Int32Array(tasks.length)
  const breakStart = new Int32Array(problem.breaks.length)
  const ground = makeGround(model, start, { dry })
  const { calendar, earliest, put, takeOut, pauses } = ground
  const last = problem.dogs.map((d) => d.lastInTub)
  const pinned = tasks.map((_, i) => i).filter((i) => tasks[i]!.pinned)
  const impossible = ground.hopeless || tasks.some((t) => t.needs.some((n) => n.amount > capacity[n.resource]!))
  const weigher = problem.wishes && !makespan ? makeWeigher(problem) : undefined
  for (const i of pinned) start[i] = tasks[i]!.latest
  let lastBathEnd = 0
  let bare = Infinity

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
    const latest = Math.min(horizon - head.dur, head.latest)
    let later = delay[first]!
    for (;;) {
      const soonest = earliest(first, from, latest)
      if (soonest < 0) return false
      const wanted = later > 0 ? earliest(first, Math.min(soonest + later, latest), latest) : soonest
      later = 0
      const at = wanted < 0 ? soonest : wanted
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
    const { free, hold } = calendar
    const put = free(pauses[b]!, pause.dur, Math.min(pause.earliest + delay, pause.latest), pause.latest)
    const at = put >= 0 || delay === 0 ? put : free(pauses[b]!, pause.dur, pause.earliest, pause.latest)
    if (at < 0) return false
    breakStart[b] = at
    hold(pauses[b]!, at, pause.dur, 1)
    return true
  }

  /** The items in the turn in which they are placed, and how many of them are; with what each was put off by. */
  const turn = new Int32Array(items.length)
  let placed = 0
  const putOff = new Int32Array(tasks.length + problem.breaks.length)
  /** The end of the last bath before each turn. */
  const bathEnd = new Int32Array(items.length + 1)
  const next = new Int32Array(items.length)

  const blocked = new Int32Array(items.length)
  /** How many forerunners of each item are still to come, and who waits for it. */
  const missing = new Int32Array(items.length)
  const followers = items.map((_, i) => items.flatMap((other, k) => (other.before.includes(i) ? [k] : [])))
  const forerunners = Int32Array.from(items, (item) => item.before.length)

  /** Fills in the turns, always the first item of the order whose forerunners have had theirs; whether all come by one. */
  function takeTurns(order: readonly number[]): boolean {
    missing.set(forerunners)
    let waits = 0
    let count = 0
    /** Whether somebody waits no longer. */
    let freed = false
    const take = (i: number) => {
      next[count++] = i
      const after = followers[i]!
      for (let k = 0; k < after.length; k++) {
        missing[after[k]!] = missing[after[k]!]! - 1
        if (missing[after[k]!] === 0) freed = true
      }
    }
    for (let n = 0; n < order.length; n++) {
      const i = order[n]!
      if (missing[i]! > 0) {
        blocked[waits++] = i
        continue
      }
      take(i)
      while (freed && waits > 0) {
        freed = false
        for (let k = 0; k < waits; k++) {
          const waiting = blocked[k]!
          if (missing[waiting]! > 0) continue
          take(waiting)
          blocked.copyWithin(k, k + 1, waits--)
          freed = true
          break
        }
      }
      freed = false
    }
    return waits === 0
  }

  /** Whether an item is put off as it was when it was placed. */
  function asBefore({ tasks: own, breakIndex }: Item, delay: Int32Array): boolean {
    if (breakIndex >= 0) return putOff[tasks.length + breakIndex] === delay[tasks.length + breakIndex]
    for (let k = 0; k < own.length; k++) if (putOff[own[k]!] !== delay[own[k]!]) return false
    return true
  }

  function remember({ tasks: own, breakIndex }: Item, delay: Int32Array) {
    if (breakIndex >= 0) putOff[tasks.length + breakIndex] = delay[tasks.length + breakIndex]!
    for (let k = 0; k < own.length; k++) putOff[own[k]!] = delay[own[k]!]!
  }

  /** Takes back what was placed from a turn on. */
  function undo(from: number) {
    if (from === 0) ground.reset()
    else
      while (placed > from) {
        const { tasks: own, breakIndex } = items[turn[--placed]!]!
        if (breakIndex >= 0)
          calendar.hold(pauses[breakIndex]!, breakStart[breakIndex]!, problem.breaks[breakIndex]!.dur, -1)
        for (let k = 0; k < own.length; k++) takeOut(own[k]!)
      }
    placed = from
    lastBathEnd = bathEnd[from]!
  }

  function placeAll({ order, delay }: Plan): boolean {
    if (!takeTurns(order)) return false
    let alike = 0
    while (alike < placed && turn[alike] === next[alike] && asBefore(items[next[alike]!]!, delay)) alike++
    undo(alike)
    for (; placed < items.length; placed++) {
      const item = items[next[placed]!]!
      const { breakIndex } = item
      const done = breakIndex >= 0 ? placeBreak(breakIndex, delay[tasks.length + breakIndex]!) : placeGroup(item, delay)
      if (!done) return false
      remember(item, delay)
      turn[placed] = next[placed]!
      bathEnd[placed + 1] = lastBathEnd
    }
    return true
  }

  function score(): number {
    let [late, dayEnd, stays] = [0, 0, 0]
    for (let d = 0; d < ready.length; d++) {
      const { pickup, arrive } = problem.dogs[d]!
      const end = start[ready[d]!]! + tasks[ready[d]!]!.dur
      late += Math.max(0, end - pickup)
      stays += end - arrive
    }
    for (let i = 0; i < tasks.length; i++) if (tasks[i]!.hands) dayEnd = Math.max(dayEnd, start[i]! + tasks[i]!.dur)
    bare = makespan ? dayEnd : objectiveOf({ late, dayEnd, stays })
    return weigher ? bare + weigher.points(start, breakStart) : bare
  }

  return {
    run(plan) {
      bare = Infinity
      if (impossible) return Infinity
      return placeAll(plan) ? score() : Infinity
    },
    bare: () => bare,
    startOf: (task) => start[task]!,
    schedule: () => ({
      tasks: Object.fromEntries(tasks.map((t, i) => [t.id, start[i]!])),
      breaks: Object.fromEntries(problem.breaks.map((b, i) => [b.id, breakStart[i]!])),
    }),
  }
}
