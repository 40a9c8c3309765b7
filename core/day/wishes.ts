import { constants, house, practice } from '../constants'
import { WISHED, type DayProblem, type DaySchedule, type Wished } from './problem'

/** From when on something is a wish, in minutes. */
export const WISH_LIMITS = constants({
  longWait: practice(30, 'min of waiting at one time', [15, 60]),
  apart: practice(15, 'min between works of one visit', [5, 30]),
  reserve: practice(10, 'min before a pick-up', [5, 20]),
  dried: practice(45, 'min of drying by hand', [30, 90]),
  breather: practice(10, 'min', [5, 15]),
  loud: practice(60, 'min of loud work at one time', [30, 120]),
  quiet: practice(10, 'min', [5, 20]),
  scrap: practice(4, 'min', [2, 8]),
})

/** Points for a minute of each wish where a house says nothing else. */
export const WISH_POINTS = constants({
  longWaits: house(2, 'points for a minute', [1, 10]),
  apart: house(4, 'points for a minute', [1, 20]),
  tender: house(2, 'points for a minute', [1, 10]),
  close: house(20, 'points for a minute', [5, 100]),
  breather: house(15, 'points for a minute', [5, 50]),
  loud: house(4, 'points for a minute', [1, 20]),
  scraps: house(3, 'points for a minute', [1, 10]),
})

/** Minutes of everything a day is weighed by. */
export type Weighed = Record<Wished, number>

/** Weighs starts by the numbers of tasks and pauses; reusable, so that a search allocates nothing. */
export interface Weigher {
  /** Minutes of each wish; the same object each time. */
  minutes(start: ArrayLike<number>, pauseStart: ArrayLike<number>): Weighed
  /** Points of the problem's wishes. */
  points(start: ArrayLike<number>, pauseStart: ArrayLike<number>): number
}

const none = (): Weighed => ({
  end: 0,
  stays: 0,
  longWaits: 0,
  apart: 0,
  tender: 0,
  close: 0,
  breather: 0,
  loud: 0,
  scraps: 0,
})

/**
 * Weighs the days of a problem. Minutes, whole ones:
 * `end`, the end of the work by hand; `stays`, from arrival to ready, all dogs; `longWaits`, by which the longest wait of
 * each dog is longer than half an hour; `apart`, by which each dog's waits in the middle of its visit are longer than a quarter
 * of an hour each; `tender`, the stays of tender dogs; `close`, that each dog lacks of ten minutes in
 * reserve before its pick-up; `breather`, that the hands lack of ten minutes' rest once three quarters of an hour were
 * dried by hand; `loud`, by which stretches of loud work with no ten quiet minutes in them are longer than an hour;
 * `scraps`, between works when no hand does anything, for too short to be of use.
 */
export function makeWeigher(problem: DayProblem): Weigher {
  const { dogs, breaks, wishes = {} } = problem
  const tasks = dogs.flatMap((dog, d) =>
    dog.tasks.map((t) => ({ ...t, dog: d, byHand: (t.uses.hands ?? 0) > 0, ready: t.id === dog.readyTask })),
  )
  const n = tasks.length
  const which = (of: (t: (typeof tasks)[number]) => boolean) => tasks.flatMap((t, i) => (of(t) ? [i] : []))
  const ready = which((t) => t.ready)
  const own = dogs.map((_, d) => which((t) => t.dog === d && t.needsDog))
  const hands = which((t) => t.byHand)
  const loud = which((t) => t.loud ?? false)
  const busy = [...hands, ...breaks.flatMap((b, k) => ((b.uses.hands ?? 0) > 0 ? [n + k] : []))]
  const dur = [...tasks.map((t) => t.dur), ...breaks.map((b) => b.dur)]
  const dries = tasks.map((t) => t.byHand && t.kind === 'dry')
  const { longWait, apart, reserve, dried, breather, loud: loudest, quiet, scrap } = WISH_LIMITS
  const weighs = WISHED.filter((w) => (wishes[w] ?? 0) > 0)
  const sum = none()
  let at: ArrayLike<number> = []
  let pauseAt: ArrayLike<number> = []
  const startOf = (i: number) => (i < n ? at[i]! : pauseAt[i - n]!)

  /** Numbers in the order of their starts; they hardly change from one day to the next. */
  function sorted(order: number[]): number[] {
    for (let k = 1; k < order.length; k++) {
      const i = order[k]!
      const s = startOf(i)
      let j = k - 1
      for (; j >= 0 && (startOf(order[j]!) > s || (startOf(order[j]!) === s && order[j]! > i)); j--)
        order[j + 1] = order[j]!
      order[j + 1] = i
    }
    return order
  }

  function ofDogs() {
    for (let d = 0; d < dogs.length; d++) {
      const { arrive, pickup, tender } = dogs[d]!
      const end = at[ready[d]!]! + dur[ready[d]!]!
      const stay = end - arrive
      sum.stays += stay
      if (tender) sum.tender += stay
      sum.close += Math.min(reserve.value, Math.max(0, reserve.value - (pickup - end)))
      let [free, longest, begun] = [arrive, 0, false]
      for (const i of sorted(own[d]!)) {
        if (at[i]! >= end) break
        longest = Math.max(longest, at[i]! - free)
        if (begun) sum.apart += Math.max(0, at[i]! - free - apart.value)
        begun = true
        free = Math.max(free, at[i]! + dur[i]!)
      }
      sum.longWaits += Math.max(0, longest - longWait.value)
    }
  }

  function ofHands() {
    let [last, since] = [-Infinity, 0]
    for (const i of sorted(hands)) {
      const rest = at[i]! - last
      if (rest >= breather.value) since = 0
      else if (since >= dried.value) {
        sum.breather += breather.value - Math.max(0, rest)
        since = 0
      }
      if (dries[i]) since += dur[i]!
      last = Math.max(last, at[i]! + dur[i]!)
    }
    sum.end = Math.max(0, last)
    let [until, scraps] = [-1, 0]
    for (const i of sorted(busy)) {
      const gap = startOf(i) - until
      if (until >= 0 && gap > 0 && gap <= scrap.value) scraps += gap
      // what lies before a pause counts only where work comes after it
      if (i < n) [sum.scraps, scraps] = [sum.scraps + scraps, 0]
      until = Math.max(until, startOf(i) + dur[i]!)
    }
  }

  function ofNoise() {
    let [last, stretch] = [-Infinity, 0]
    const end = () => (sum.loud += Math.max(0, stretch - loudest.value))
    for (const i of sorted(loud)) {
      if (at[i]! - last >= quiet.value) {
        end()
        stretch = 0
      }
      stretch += dur[i]!
      last = Math.max(last, at[i]! + dur[i]!)
    }
    end()
  }

  function minutes(start: ArrayLike<number>, pauseStart: ArrayLike<number>): Weighed {
    at = start
    pauseAt = pauseStart
    for (const w of WISHED) sum[w] = 0
    ofDogs()
    ofHands()
    ofNoise()
    return sum
  }

  return {
    minutes,
    points(start, pauseStart) {
      if (weighs.length === 0) return 0
      minutes(start, pauseStart)
      return weighs.reduce((all, w) => all + wishes[w]! * sum[w], 0)
    },
  }
}

/** A schedule by the numbers of its tasks and pauses. */
const startsOf = ({ dogs, breaks }: DayProblem, schedule: DaySchedule) => ({
  start: dogs.flatMap((dog) => dog.tasks.map((t) => schedule.tasks[t.id]!)),
  pauseStart: breaks.map((b) => schedule.breaks[b.id]!),
})

/** Minutes of everything a schedule is weighed by, whatever the problem's wishes. */
export function weigh(problem: DayProblem, schedule: DaySchedule): Weighed {
  const { start, pauseStart } = startsOf(problem, schedule)
  return { ...makeWeigher(problem).minutes(start, pauseStart) }
}

/** Points of a problem's wishes in a schedule. */
export function wishPoints(problem: DayProblem, schedule: DaySchedule): number {
  if (!problem.wishes) return 0
  const { start, pauseStart } = startsOf(problem, schedule)
  return makeWeigher(problem).points(start, pauseStart)
}
