import { makeGround } from './ground'
import type { DayModel } from './model'
import type { DaySchedule } from './problem'
import type { Stages, Step } from './stages'

/** A day begun: what is placed so far, each as early as the order in which it was taken lets it be. */
export interface Begun {
  parent: Begun | undefined
  /** What was placed last: a step of a dog, or else the pause. */
  step: Step | undefined
  pause: number
  /** How far each dog has got, by number, and a bit for every pause that is placed. */
  stage: Uint16Array
  pauses: number
  /** Starts of tasks, then of pauses; −1 for those to come. Let go once everything that can follow has been tried. */
  start: Int16Array
  /** Nothing to come begins before this. */
  floor: number
  /** When hands are free again; with several pairs of hands the floor. */
  handsAt: number
  /** Points of the dogs that are ready, and the end of the work so far. */
  cost: number
  dayEnd: number
  /** Hot water after the last draw, and when that ended. */
  level: number
  levelAt: number
  /** Points that no day begun like this can beat. */
  bound: number
  /** What tells it from others with the same steps done: see `sameness`. */
  hash: number
  since: string
  costBefore: number
  rigid: number
  twin: Begun | undefined
}

/** Work that was placed too late after another: which was, after which, and when that should have begun at the earliest. */
interface Missed {
  by: number
  task: number
  need: number
}

/** Raises of earlier work after which an order is given up. */
const MOST_RAISES = 60

const HERE = {}

/** Places steps and pauses in the order of their starts. */
export interface Placer {
  /** When the tasks stand, while a day is being gone on from. */
  at: Int32Array
  /** The starts with nothing decided yet, or undefined when not even that can be. */
  begin(): Int16Array | undefined
  /** Goes on from a day begun. */
  enter(begun: Begun): void
  /** When a step, by its first task, or a pause could begin; −1: never. `late`: others must then be moved for the step. */
  soonest(step: Step, floor: number): number
  late(): boolean
  /** An order was given up that might have been possible. */
  gaveUp(): boolean
  soonestPause(pause: number, floor: number): number
  /** Places a step more: its starts stand in `at`; `moved`: all starts, where others begin later for it. Undefined when it can't be. */
  withStep(begun: Begun, step: Step): { moved?: Int16Array } | undefined
  schedule(start: Int16Array): DaySchedule
}

/** A placer for a day's model and its stages. */
export function makePlacer(model: DayModel, stages: Stages): Placer {
  const { problem, tasks } = model
  const { horizon, breaks } = problem
  const n = tasks.length
  const pairs = problem.resources.hands ?? 0
  const at = new Int32Array(n)
  const ground = makeGround(model, at)
  const { calendar, earliest, put, takeOut, pauses } = ground
  const draws = tasks.flatMap((t, i) => (t.hot > 0 && !t.pinned ? [i] : []))
  const last = problem.dogs.map((d) => d.lastInTub)
  const firstBaths = last.some(Boolean) ? tasks.flatMap((t, i) => (t.bath && !last[t.dog] ? [i] : [])) : []
  /** Nothing but what is placed takes hands: what moves along with other work always does. */
  const unbroken = pairs === 1 && !tasks.some((t) => t.pinned) && (problem.away ?? []).length === 0
  const raised = new Int32Array(n)
  const missed: Missed = { by: 0, task: 0, need: 0 }
  let late = false
  let gaveUp = false

  /** The earliest start of a task from `from` on; −1: never, −2: too late for something, see `missed`. */
  function placeTask(task: number, from: number): number {
    const t = tasks[task]!
    let low = Math.max(from, t.release, raised[task]!)
    let gap = Infinity
    let tight = -1
    let tightMax = 0
    for (let k = 0; k < t.preds.length; k++) {
      const p = t.preds[k]!
      const end = at[p.task]! + tasks[p.task]!.dur
      if (end + p.min > low) low = end + p.min
      if (end + p.max < gap) {
        gap = end + p.max
        tight = p.task
        tightMax = p.max
      }
    }
    if (t.bath && last[t.dog]) for (const b of firstBaths) low = Math.max(low, at[b]! + tasks[b]!.dur)
    const high = Math.min(horizon - t.dur, t.latest)
    if (low > high) return -1
    const s = earliest(task, low, high)
    if (s < 0) return -1
    if (s <= gap) return s
    if (tasks[tight]!.pinned) return -1
    missed.by = task
    missed.task = tight
    missed.need = s - tightMax - tasks[tight]!.dur
    return -2
  }

  /** Places a step, its own tasks later where those after them need it; as `placeTask`. What it placed stays held. */
  function placeStep({ tasks: own }: Step, floor: number): number {
    for (let turn = 0; turn < MOST_RAISES; turn++) {
      let s = 0
      let k = 0
      for (; k < own.length; k++) {
        s = placeTask(own[k]!, k === 0 ? floor : 0)
        if (s < 0) break
        put(own[k]!, s)
      }
      if (s >= 0) return at[own[0]!]!
      for (let i = 0; i < k; i++) takeOut(own[i]!)
      if (s === -1 || missed.need <= raised[missed.task]!) return -1
      if (!own.includes(missed.task)) return -2
      raised[missed.task] = missed.need
    }
    gaveUp = true
    return -1
  }

  function soonestPause(b: number, floor: number): number {
    const { dur, earliest, latest } = breaks[b]!
    return calendar.free(pauses[b]!, dur, Math.max(earliest, floor), latest)
  }

  function placeFirst(start: Int16Array): boolean {
    for (const i of stages.first) {
      const s = placeTask(i, 0)
      if (s < 0) return false
      put(i, s)
      start[i] = s
    }
    return true
  }

  /** One turn of `again`: the order placed anew with what is raised; −1: done, −2: missed, and else given up. */
  function replay(order: readonly Begun[], step: Step, start: Int16Array): -1 | -2 | 0 {
    ground.reset()
    start.fill(-1)
    if (!placeFirst(start)) return 0
    let floor = 0
    for (let k = 0; k <= order.length; k++) {
      const own = k < order.length ? order[k]!.step : step
      if (own) {
        floor = placeStep(own, floor)
        if (floor === -2) return -2
        if (floor < 0) return 0
        for (const i of own.tasks) start[i] = at[i]!
      } else {
        const { pause } = order[k]!
        floor = soonestPause(pause, floor)
        if (floor < 0) return 0
        calendar.hold(pauses[pause]!, floor, breaks[pause]!.dur, 1)
        start[n + pause] = floor
      }
    }
    return -1
  }

  const freeAt = new Float64Array(Math.max(1, pairs))
  const dogFree = new Float64Array(problem.dogs.length)
  const names = Object.keys(problem.resources).length
  const wanted = tasks.map((t) => t.needs.some((r) => r.resource >= names))
  const rel = new Map<number, number>()

  /**
   * The least minutes from the end of a task to the start of another in an order, were there nothing but the hands, the
   * dogs and the waits of what begins from that task on.
   */
  function leastGap(order: readonly Begun[], step: Step, from: number, to: number): number {
    let k = order.length - 1
    while (k >= 0 && !order[k]!.step?.tasks.includes(from)) k--
    if (k < 0) return 0
    freeAt.fill(-Infinity)
    dogFree.fill(-Infinity)
    rel.clear()
    let floor = -Infinity
    for (; k <= order.length && !rel.has(to); k++) {
      const own = k < order.length ? order[k]!.step : step
      if (!own) continue
      for (let j = 0; j < own.tasks.length; j++) {
        const i = own.tasks[j]!
        const t = tasks[i]!
        let s = rel.size === 0 ? 0 : j === 0 ? floor : -Infinity
        for (const p of t.preds) {
          const before = rel.get(p.task)
          if (before !== undefined) s = Math.max(s, before + tasks[p.task]!.dur + p.min)
        }
        if (wanted[i]) s = Math.max(s, dogFree[t.dog]!)
        if (t.hands) {
          let first = 0
          for (let h = 1; h < pairs; h++) if (freeAt[h]! < freeAt[first]!) first = h
          s = Math.max(s, freeAt[first]!)
          freeAt[first] = s + t.dur
        }
        if (wanted[i]) dogFree[t.dog] = s + t.dur
        rel.set(i, s)
        if (j === 0) floor = s
      }
    }
    return rel.has(to) ? rel.get(to)! - rel.get(from)! - tasks[from]!.dur : 0
  }

  /**
   * Whether work comes too late after another, or after what that must follow in time, however late those begin: more
   * than may be lies between them. Seen from work by hand alone, after which everything by hand in the order comes.
   */
  function tooLong(order: readonly Begun[], step: Step): boolean {
    const { by } = missed
    const longer = (i: number, most: number): boolean =>
      tasks[i]!.preds.some((p) => {
        if (p.max === Infinity) return false
        const all = most + p.max
        if (tasks[p.task]!.hands && leastGap(order, step, p.task, by) > all) return true
        return longer(p.task, all + tasks[p.task]!.dur)
      })
    return longer(by, 0)
  }

  /** The whole order anew, with work begun later so that what follows it isn't too late: the earliest starts that keep every wait. */
  function again(begun: Begun, step: Step): Int16Array | undefined {
    const order: Begun[] = []
    for (let b: Begun | undefined = begun; b?.parent; b = b.parent) order.push(b)
    order.reverse()
    for (let i = 0; i < n; i++) raised[i] = Math.max(0, begun.start[i]!)
    const start = new Int16Array(n + breaks.length)
    if (tooLong(order, step)) return undefined
    let [task, by] = [missed.task, missed.need - at[missed.task]!]
    raised[task] = missed.need
    for (let turn = 0; turn < MOST_RAISES; turn++) {
      const end = replay(order, step, start)
      if (end === -1) return start
      if (end === 0) return undefined
      if (tooLong(order, step)) return undefined
      const more = missed.need - at[missed.task]!
      // missed by as much as before although begun that much later: what lies between moves along with it
      if (unbroken && missed.task === task && more >= by) return undefined
      task = missed.task
      by = more
      raised[task] = missed.need
    }
    gaveUp = true
    return undefined
  }

  return {
    at,
    soonestPause,
    begin() {
      const start = new Int16Array(n + breaks.length).fill(-1)
      raised.fill(0)
      ground.reset()
      return !ground.hopeless && placeFirst(start) ? start : undefined
    },
    enter({ start, floor }) {
      ground.reset()
      for (let i = 0; i < n; i++) {
        const s = start[i]!
        if (s < 0) continue
        at[i] = s
        const t = tasks[i]!
        if (s + t.dur > floor && !t.pinned) ground.hold(i)
      }
      for (const i of draws) if (start[i]! >= 0) ground.draw(i)
      for (let b = 0; b < breaks.length; b++) {
        const s = start[n + b]!
        if (s >= 0 && s + breaks[b]!.dur > floor) calendar.hold(pauses[b]!, s, breaks[b]!.dur, 1)
      }
      raised.fill(0)
    },
    soonest(step, floor) {
      const s = placeTask(step.tasks[0]!, floor)
      late = s === -2
      return late ? missed.need + tasks[missed.task]!.dur : s
    },
    late: () => late,
    gaveUp: () => gaveUp,
    withStep(begun, step) {
      raised.fill(0)
      const s = placeStep(step, begun.floor)
      if (s === -1) return undefined
      if (s === -2) {
        const moved = again(begun, step)
        this.enter(begun)
        return moved && { moved }
      }
      for (const i of step.tasks) takeOut(i)
      return HERE
    },
    schedule: (start) => ({
      tasks: Object.fromEntries(tasks.map((t, i) => [t.id, start[i]!])),
      breaks: Object.fromEntries(breaks.map((b, i) => [b.id, start[n + i]!])),
    }),
  }
}
