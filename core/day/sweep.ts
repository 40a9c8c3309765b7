import { chance } from '../chance'
import { makeAhead } from './ahead'
import { makePlacer, type Begun } from './begun'
import type { DayModel } from './model'
import { OBJECTIVE, type DaySchedule } from './problem'
import { makeSameness } from './sameness'
import type { Stage, Stages, Step } from './stages'

/** What one sweep came to. */
export interface Swept {
  /** Days begun that were looked at. */
  looked: number
  /** Nothing was left out for want of room: there is no better day than the best, within reach. */
  whole: boolean
  /** The least bound of what was left out for want of room; Infinity when nothing was, −Infinity when nothing is known of it. */
  least: number
}

/**
 * Stays near a day: what stands `reach` places later in its order than something isn't done before that. Dogs that are
 * `free` may come whenever they like.
 */
export interface Near {
  schedule: DaySchedule
  reach: number
  free?: readonly number[]
}

/** How a sweep goes. */
export interface SweepOptions {
  /** Days begun that are kept of each length, the most promising ones. */
  width: number
  /** Ends when something would have to be left out. */
  wholly?: boolean
  near?: Near
  /** Takes days that differ in the order of what was done for alike, so that more kinds of day are kept; it proves nothing then. */
  roughly?: boolean
  /** The points of the best day so far: only better ones are looked for. */
  best: () => number
  found: (schedule: DaySchedule, objective: number) => void
}

/** Sweeps over the ways in which a day can begin, all of a length at a time. */
export interface Sweeper {
  /** Yields the days looked at so far, now and then. */
  sweep(options: SweepOptions): Generator<number, Swept>
  /** Whether a sweep that leaves nothing out, near nothing and not roughly, proves the best day. */
  settled: boolean
  /** There is more than one pair of hands. */
  several: boolean
  /** Steps and pauses of the whole day. */
  length: number
}

const NONE = new Int16Array(0)
const NOWHERE = new Uint16Array(0)

/** A copy, in an array of a pool when there is one. */
function copyOf<A extends Int16Array | Uint16Array>(array: A, pool: A[]): A {
  const copy = pool.pop()
  if (!copy) return array.slice() as A
  for (let i = 0; i < array.length; i++) copy[i] = array[i]!
  return copy
}

/** The place of a step of a free dog. */
const ANYWHERE = -1
/** Days begun after which a sweep lets others speak. */
const EVERY = 16

/** A sweeper for a day's model. */
export function makeSweeper(model: DayModel, stages: Stages): Sweeper {
  const { problem, tasks, ready } = model
  const { dogs, breaks } = problem
  const n = tasks.length
  const pairs = problem.resources.hands ?? 0
  const placer = makePlacer(model, stages)
  const ahead = makeAhead(model, stages)
  const sameness = makeSameness(model, stages, letGo)
  const [perLate, perEnd, perStay] = [OBJECTIVE.late.value, OBJECTIVE.dayEnd.value, OBJECTIVE.stays.value]
  const last = dogs.map((d) => d.lastInTub)
  const anyLast = last.some(Boolean)
  const recovery = problem.tank.recoveryDlPerMin
  const { capacityDl, initialDl } = problem.tank
  const baths = tasks.flatMap((t, i) => (t.hot > 0 ? [i] : []))
  const byHand = tasks.flatMap((t, i) => (t.hands ? [i] : []))
  const pinned = tasks.flatMap((t, i) => (t.pinned ? [i] : []))
  const pauseHands = breaks.map((b) => ((b.uses.hands ?? 0) > 0 ? b.dur : 0))
  const length = stages.moves + breaks.length
  const stageOf = (begun: Begun, d: number): Stage => stages.dogs[d]![begun.stage[d]!]!

  // numbers drawn once, of which every set of steps done has a sum of its own
  const random = chance(20_261_127)
  const draw = () => Math.floor(random() * 2 ** 32) | 0
  const stageHash = stages.dogs.map((list) => Int32Array.from(list, draw))
  const pauseHash = breaks.map(draw)

  /** The level after one more draw that begins at `s`. */
  function afterDraw(level: number, levelAt: number, task: number, s: number): number {
    const { dur, hot } = tasks[task]!
    const before = Math.min(capacityDl, level + recovery * Math.max(0, s - levelAt))
    return Math.min(capacityDl, before + recovery * dur - hot)
  }

  /** Reckons what the starts come to anew: they are others than those of the day it goes on from. */
  function reckon(begun: Begun) {
    const { start } = begun
    begun.cost = 0
    for (let d = 0; d < dogs.length; d++) {
      const r = ready[d]!
      if (start[r]! < 0) continue
      const end = start[r]! + tasks[r]!.dur
      begun.cost += perStay * (end - dogs[d]!.arrive) + perLate * Math.max(0, end - dogs[d]!.pickup)
    }
    for (const i of byHand) if (start[i]! >= 0) handsUntil(begun, start[i]! + tasks[i]!.dur)
    begun.level = initialDl
    begun.levelAt = 0
    const drawn = baths.filter((i) => start[i]! >= 0).sort((a, b) => start[a]! - start[b]!)
    for (const i of drawn) bathe(begun, i)
  }

  function handsUntil(begun: Begun, end: number) {
    if (end > begun.dayEnd) begun.dayEnd = end
    if (end > begun.handsAt) begun.handsAt = end
  }

  function bathe(begun: Begun, task: number) {
    const s = begun.start[task]!
    begun.level = afterDraw(begun.level, begun.levelAt, task, s)
    begun.levelAt = s + tasks[task]!.dur
  }

  function blank(): Begun {
    return {
      parent: undefined,
      step: undefined,
      pause: -1,
      stage: new Uint16Array(dogs.length),
      pauses: 0,
      start: NONE,
      floor: 0,
      handsAt: 0,
      cost: 0,
      dayEnd: 0,
      level: initialDl,
      levelAt: 0,
      bound: 0,
      hash: 0,
      since: '',
      costBefore: 0,
      rigid: 0,
      twin: undefined,
    }
  }

  // arrays of days that are looked through, for the next ones: making them anew costs more than filling them
  const startPool: Int16Array[] = []
  const stagePool: Uint16Array[] = []
  function letGo(begun: Begun) {
    startPool.push(begun.start)
    stagePool.push(begun.stage)
    begun.start = NONE
    begun.stage = NOWHERE
  }

  /** A day with one thing more, to be looked at: it borrows what it can of the day it goes on from. */
  const tried = blank()

  /** A day begun with one thing more, whose starts stand in `start`; undefined when it can't become better than `best`. */
  function grown(
    from: Begun,
    step: Step | undefined,
    pause: number,
    start: Int16Array,
    moved: boolean,
    best: number,
  ): Begun | undefined {
    const { stage } = from
    tried.parent = from
    tried.step = step
    tried.pause = pause
    tried.stage = stage
    tried.pauses = step ? from.pauses : from.pauses | (1 << pause)
    tried.start = start
    tried.floor = start[step ? step.tasks[0]! : n + pause]!
    tried.handsAt = from.handsAt
    tried.cost = from.cost
    tried.dayEnd = from.dayEnd
    tried.level = from.level
    tried.levelAt = from.levelAt
    tried.hash = from.hash
    const dog = step ? step.dog : 0
    const before = stage[dog]!
    if (step) {
      tried.hash ^= stageHash[dog]![before]! ^ stageHash[dog]![step.stage]!
      stage[dog] = step.stage
    } else {
      tried.hash ^= pauseHash[pause]!
      if (pauseHands[pause]! > 0) tried.handsAt = Math.max(tried.handsAt, tried.floor + pauseHands[pause]!)
    }
    if (moved) reckon(tried)
    else if (step) {
      for (const i of step.tasks) {
        const t = tasks[i]!
        const end = start[i]! + t.dur
        if (t.hands) handsUntil(tried, end)
        if (t.hot > 0) bathe(tried, i)
        if (i === ready[t.dog])
          tried.cost += perStay * (end - dogs[t.dog]!.arrive) + perLate * Math.max(0, end - dogs[t.dog]!.pickup)
      }
    }
    const bound = Math.max(from.bound, ahead(tried, best))
    const made: Begun | undefined =
      bound < best
        ? {
            parent: from,
            step,
            pause,
            stage: copyOf(stage, stagePool),
            pauses: tried.pauses,
            start: moved ? start : copyOf(start, startPool),
            floor: tried.floor,
            handsAt: tried.handsAt,
            cost: tried.cost,
            dayEnd: tried.dayEnd,
            level: tried.level,
            levelAt: tried.levelAt,
            bound,
            hash: tried.hash,
            since: '',
            costBefore: 0,
            rigid: 0,
            twin: undefined,
          }
        : undefined
    stage[dog] = before
    return made
  }

  function root(): Begun | undefined {
    const start = placer.begin()
    if (!start) return undefined
    const made = { ...blank(), start }
    made.bound = ahead(made, Infinity)
    return made
  }

  /** What must still begin in time after work that is done, and how many minutes of hands may come before it. */
  const due: number[] = []
  const spare: number[] = []
  let waits = 0

  function lookAtWaits({ start, stage }: Begun) {
    due.length = spare.length = waits = 0
    for (let d = 0; d < dogs.length; d++) {
      const { windows } = stages.dogs[d]![stage[d]!]!
      waits += windows.length
      for (let k = 0; k < windows.length; k++) {
        const { from, to, most } = windows[k]!
        if (pairs !== 1 || !tasks[from]!.hands || !tasks[to]!.hands) continue
        const end = start[from]! + tasks[from]!.dur
        let used = 0
        for (let j = 0; j < byHand.length; j++) {
          const i = byHand[j]!
          if (start[i]! >= end) used += tasks[i]!.dur
        }
        due.push(to)
        spare.push(most - used)
      }
    }
  }

  /** Whether all of that can still begin in time after so many more minutes of hands. `except`: what comes now. */
  function inTime(hands: number, except: number): boolean {
    for (let k = 0; k < due.length; k++) if (hands > spare[k]! && due[k] !== except) return false
    return true
  }

  /** The place of every step and pause in the order of a schedule's starts. */
  function placesIn({ schedule, free = [] }: Near): { step: Int32Array; pause: Int32Array } {
    const begins = breaks.map((b, k) => ({ at: schedule.breaks[b.id]!, step: -1, pause: k, dog: -1 }))
    const seen = new Set<number>()
    for (const list of stages.dogs) {
      for (const { next } of list) {
        for (const { move, dog, tasks: own } of next) {
          if (!seen.has(move)) begins.push({ at: schedule.tasks[tasks[own[0]!]!.id]!, step: move, pause: -1, dog })
          seen.add(move)
        }
      }
    }
    begins.sort((a, b) => a.at - b.at || a.step - b.step)
    const step = new Int32Array(stages.moves)
    const pause = new Int32Array(breaks.length)
    const bound = begins.filter((x) => x.dog < 0 || !free.includes(x.dog))
    step.fill(ANYWHERE)
    bound.forEach((x, place) => (x.step >= 0 ? (step[x.step] = place) : (pause[x.pause] = place)))
    return { step, pause }
  }

  /** What can come next, and when at the earliest. */
  const nextStep: (Step | undefined)[] = []
  const nextPause: number[] = []
  const nextAt: number[] = []
  /** Whether it may begin then with nothing else to be moved. */
  const nextEasy: boolean[] = []

  /** Collects what can come next; false when something can't be done in time any more. */
  function collect(begun: Begun): boolean {
    nextStep.length = 0
    nextPause.length = 0
    nextAt.length = 0
    // What isn't begun by then need not be begun now: something else fits before it. Not where what is done may still
    // have to begin later: the gap it would fit into may then be gone.
    let fits = Infinity
    const still = waits === 0
    for (const i of pinned) if (begun.start[i]! < 0) fits = Math.min(fits, tasks[i]!.latest + 1)
    for (let b = 0; b < breaks.length; b++) {
      if (begun.pauses & (1 << b)) continue
      const s = placer.soonestPause(b, begun.floor)
      if (s < 0) return false
      if (still) fits = Math.min(fits, s + breaks[b]!.dur)
      nextStep.push(undefined)
      nextPause.push(b)
      nextAt.push(s)
    }
    let bathed = true
    if (anyLast) for (let d = 0; d < dogs.length; d++) bathed &&= last[d]! || stageOf(begun, d).bathed
    for (let d = 0; d < dogs.length; d++) {
      const { next } = stageOf(begun, d)
      for (let k = 0; k < next.length; k++) {
        const step = next[k]!
        if (step.bath && last[d] && !bathed) continue
        const s = placer.soonest(step, begun.floor)
        if (s < 0) continue
        nextEasy[nextAt.length] = !placer.late()
        nextStep.push(step)
        nextPause.push(-1)
        nextAt.push(s)
        if (still && step.loose && !placer.late()) fits = Math.min(fits, s + tasks[step.tasks[0]!]!.dur)
      }
    }
    let kept = 0
    for (let c = 0; c < nextAt.length; c++) {
      if (nextAt[c]! >= fits) continue
      nextStep[kept] = nextStep[c]
      nextPause[kept] = nextPause[c]!
      nextEasy[kept] = nextEasy[c]!
      nextAt[kept++] = nextAt[c]!
    }
    nextAt.length = kept
    return true
  }

  /** The day begun with the c-th of what can come next; undefined when that can't be, or not become better than `best`. */
  function goOn(from: Begun, c: number, best: number): Begun | undefined {
    const step = nextStep[c]
    const { start } = from
    if (!step) {
      const b = nextPause[c]!
      if (!inTime(pauseHands[b]!, -1)) return undefined
      start[n + b] = nextAt[c]!
      const made = grown(from, undefined, b, start, false, best)
      start[n + b] = -1
      return made
    }
    const [first] = step.tasks as [number]
    if (!inTime(step.hands, first)) return undefined
    if (step.tasks.length === 1 && nextEasy[c]) {
      start[first] = nextAt[c]!
      const made = grown(from, step, -1, start, false, best)
      start[first] = -1
      return made
    }
    const placed = placer.withStep(from, step)
    if (!placed) return undefined
    if (placed.moved) return grown(from, step, -1, placed.moved, true, best)
    for (const i of step.tasks) start[i] = placer.at[i]!
    const made = grown(from, step, -1, start, false, best)
    for (const i of step.tasks) start[i] = -1
    return made
  }

  function* sweep({
    width,
    wholly = false,
    near,
    roughly = false,
    best,
    found,
  }: SweepOptions): Generator<number, Swept> {
    const swept: Swept = { looked: 0, whole: true, least: Infinity }
    const place = near && placesIn(near)
    const begin = root()
    let level = begin ? [begin] : []
    let turn = 0
    for (let k = 0; k < length && level.length > 0; k++) {
      const next = new Map<number, Begun>()
      for (const from of level) {
        if (from.bound >= best()) {
          letGo(from)
          continue
        }
        if (++turn % EVERY === 0) yield swept.looked
        let within = Infinity
        if (place) {
          for (let d = 0; d < dogs.length; d++)
            for (const { move } of stageOf(from, d).next)
              if (place.step[move] !== ANYWHERE) within = Math.min(within, place.step[move]!)
          for (let b = 0; b < breaks.length; b++)
            if (!(from.pauses & (1 << b))) within = Math.min(within, place.pause[b]!)
          within += near.reach
        }
        lookAtWaits(from)
        placer.enter(from)
        if (!collect(from)) {
          letGo(from)
          continue
        }
        for (let c = 0; c < nextAt.length; c++) {
          const step = nextStep[c]
          if (place && (step ? place.step[step.move]! : place.pause[nextPause[c]!]!) >= within) continue
          swept.looked++
          const made = goOn(from, c, best())
          if (!made) continue
          if (k === length - 1) found(placer.schedule(made.start), made.cost + perEnd * made.dayEnd)
          else sameness.keep(next, made, place !== undefined || roughly || !stages.settled)
        }
        letGo(from)
        from.twin = undefined
      }
      level = []
      for (const first of next.values()) for (let b: Begun | undefined = first; b; b = b.twin) level.push(b)
      if (level.length > width) {
        level.sort((a, b) => a.bound - b.bound)
        swept.least = Math.min(swept.least, level[width]!.bound)
        for (let k = width; k < level.length; k++) letGo(level[k]!)
        level.length = width
        swept.whole = false
        if (wholly) return swept
      }
    }
    if (placer.gaveUp()) {
      swept.whole = false
      swept.least = -Infinity
    }
    return swept
  }

  return { sweep, settled: stages.settled, several: stages.several, length }
}
