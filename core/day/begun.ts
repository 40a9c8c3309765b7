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
const MOST_RAISES = 1000

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
  /** Waits that end in time: more of them can't take turns in one order. */
  const mostWaits = tasks.reduce((sum, t) => sum + t.preds.filter((p) => p.max < Infinity).length, 1)
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

  const dogFree = new Float64Array(problem.dogs.length)
  const names = Object.keys(problem.resources).length
  const wanted = tasks.map((t) => t.needs.some((r) => r.resource >= names))
  const shortest = problem.dogs.map((_, d) =>
    Math.min(...tasks.map((t, i) => (t.dog === d && wanted[i] ? t.dur : Infinity))),
  )
  /** What keeps a dog until it is over from all that comes later in an order: nothing of the dog's fits in before it. */
  const keepsDog = tasks.map(
    ({ hands, preds, dog }, i) => wanted[i]! && (hands || (preds.length === 1 && preds[0]!.max < shortest[dog]!)),
  )
  /** What takes the one pair of hands; with several pairs works may overlap in more ways than are looked at here. */
  const byHand = tasks.map((t) => t.hands && pairs === 1)
  const pauseByHand = breaks.map((b) => (b.uses.hands ?? 0) > 0 && pairs === 1)

  /** One turn of `relax`; −1: too late, else how many must still begin later for what follows them in time. */
  function relaxOnce(order: readonly Begun[], step: Step): number {
    dogFree.fill(0)
    let handsFree = 0
    let floor = 0
    let open = 0
    for (let k = 0; k <= order.length; k++) {
      const own = k < order.length ? order[k]!.step : step
      if (!own) {
        const b = order[k]!.pause
        const { earliest, latest, dur } = breaks[b]!
        const s = Math.max(floor, earliest, pauseByHand[b] ? handsFree : 0)
        if (s > latest) return -1
        if (pauseByHand[b]) handsFree = s + dur
        floor = s
        continue
      }
      for (let j = 0; j < own.tasks.length; j++) {
        const i = own.tasks[j]!
        const t = tasks[i]!
        let s = Math.max(raised[i]!, t.release, j === 0 ? floor : 0)
        for (let q = 0; q < t.preds.length; q++) {
          const p = t.preds[q]!
          const after = raised[p.task]! + tasks[p.task]!.dur + p.min
          if (after > s) s = after
        }
        if (j === 0 && wanted[i]) s = Math.max(s, dogFree[t.dog]!)
        if (byHand[i]) {
          s = Math.max(s, handsFree)
          handsFree = s + t.dur
        }
        if (keepsDog[i]) dogFree[t.dog] = Math.max(dogFree[t.dog]!, s + t.dur)
        if (s > t.latest || s + t.dur > horizon) return -1
        raised[i] = s
        if (j === 0) floor = s
        for (let q = 0; q < t.preds.length; q++) {
          const p = t.preds[q]!
          const need = s - p.max - tasks[p.task]!.dur
          if (need <= raised[p.task]!) continue
          if (tasks[p.task]!.pinned) return -1
          raised[p.task] = need
          open++
        }
      }
    }
    return open
  }

  /**
   * Raises the starts in an order to what the hands, the dogs and the waits between their works ask for at the least;
   * false when they ask for ever more. Each wait has to be seen to once at the most, as in a longest path (Bellman 1958;
   * value from memory), so that with one pair of hands an order that still isn't at rest then never is.
   */
  function relax(order: readonly Begun[], step: Step): boolean {
    for (let turn = 0; turn <= mostWaits; turn++) {
      const open = relaxOnce(order, step)
      if (open <= 0) return open === 0
    }
    return pairs !== 1
  }

  /** The whole order anew, with work begun later so that what follows it isn't too late: the earliest starts that keep every wait. */
  function again(begun: Begun, step: Step): Int16Array | undefined {
    const order: Begun[] = []
    for (let b: Begun | undefined = begun; b?.parent; b = b.parent) order.push(b)
    order.reverse()
    for (let i = 0; i < n; i++) raised[i] = Math.max(0, begun.start[i]!)
    const start = new Int16Array(n + breaks.length)
    raised[missed.task] = missed.need
    for (let turn = 0; turn < MOST_RAISES; turn++) {
      if (!relax(order, step)) return undefined
      const end = replay(order, step, start)
      if (end === -1) return start
      if (end === 0) return undefined
      raised[missed.task] = missed.need
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
