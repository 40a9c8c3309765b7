import type { Annealer } from './anneal'
import type { Bare, Keeper } from './keeper'
import type { DayProblem } from './problem'
import { stagesOfDay } from './stages'
import { makeSweeper, type Near, type Sweeper, type SweepOptions, type Swept } from './sweep'

/** Days kept of each length near a day at first, and at the most. */
const NARROW = 100
const WIDEST = 200_000
/** Sweeps over all days keep this many times more with each one: narrow ones, and those after them. */
const WIDER = { first: 3, then: 81, from: 500 }
/**
 * Sweeps that leave nothing out: up to how many dogs for the best day itself at once; else the first goal, as a share of
 * the way from what is proven to the best day; days begun that any may look at, and how many times those of the one before;
 * how many times as long the next should take; the shortest step, as a share of the one before; the least step, as a share
 * of the best day's points.
 */
const GOAL = { dogs: 8, first: 1 / 32, tries: 100_000, giveUp: 20, longer: 8, shortest: 1 / 4, least: 0.002 }
/**
 * What a search looks at most: a bit of everything; days near good ones, while another one looks at all; or all days, for
 * the proof.
 */
export type Temper = 'even' | 'near' | 'whole'
/** The share of all tries that sweeps over all days may have: at first, and once nothing better is found near the best day. */
const WHOLE_SHARE: Readonly<Record<Temper, { first: number; then: number }>> = {
  even: { first: 0.1, then: 0.85 },
  near: { first: 0, then: 0.1 },
  whole: { first: 0.8, then: 1 },
}
/** Places by which the order may differ near a day. */
const REACHES = [4, 8, 12]
/** The same while some dogs may come whenever they like. */
const REACH_FREE = 3

/** Dogs above which groups stay small: there are too many of them. */
const MANY = 16
/** Tries of a day begun afresh, times the dogs squared; and how many such days are looked near before several dogs are taken out of the best one. */
const FRESH = 10
const AFRESH = 5

/** Groups of dogs in an order by chance. */
function groups({ dogs }: DayProblem, size: number, random: () => number): number[][] {
  const all: number[][] = []
  const grow = (group: number[], from: number) => {
    if (group.length === size) all.push(group)
    else for (let d = from; d < dogs.length; d++) grow([...group, d], d + 1)
  }
  grow([], 0)
  for (let k = all.length - 1; k > 0; k--) {
    const other = Math.floor(random() * (k + 1))
    ;[all[k], all[other]] = [all[other]!, all[k]!]
  }
  return all
}

/** A day from which better ones are looked for nearby, by its points before wishes. */
type Centre = Bare

/** What looks for better days: what is known, the sweeps, and chance. */
interface Hunt {
  kept: Keeper
  sweeper: Sweeper
  random: () => number
}

/** How one sweep goes: as wide, near what; only for a day better than a goal; given up after so many days begun. */
interface Sweep extends Pick<SweepOptions, 'width' | 'wholly'> {
  near?: Omit<Near, 'schedule'>
  goal?: number
  most?: number
}

/** One sweep for a day better than one that is had, `centre`, which then is it; undefined when it was given up. */
function* sweepOnce(
  { kept, sweeper }: Hunt,
  centre: Centre,
  { width, wholly, near, goal = Infinity, most = Infinity }: Sweep,
): Generator<void, Swept | undefined> {
  // with several pairs of hands so many orders come to the same that narrow sweeps would see little else
  const roughly = sweeper.several && width < WIDER.from
  // near a day only what is better than it counts; of all days only what is better than the best, whoever found it
  const best = () => Math.min(goal, centre.cost, (!near && kept.bare()?.cost) || Infinity)
  const sweep = sweeper.sweep({
    width,
    wholly,
    roughly,
    near: near && { ...near, schedule: centre.schedule },
    best,
    found(schedule, cost) {
      centre.schedule = schedule
      centre.cost = cost
      if (cost < (kept.bare()?.cost ?? Infinity)) kept.offer(schedule)
    },
  })
  let looked = 0
  for (;;) {
    const step = sweep.next()
    const now = step.done ? step.value.looked : step.value
    kept.spend(now - looked)
    looked = now
    if (step.done) {
      const ended = step.value.whole || !wholly
      if (ended && !near && !roughly && sweeper.settled) kept.raise(Math.min(step.value.least, best()))
      return step.value
    }
    if (looked > most) return undefined
    yield
  }
}

/** One sweep near a day; whether a better one was found. */
function* once(hunt: Hunt, centre: Centre, sweep: Sweep): Generator<void, boolean> {
  const before = centre.cost
  yield* sweepOnce(hunt, centre, sweep)
  return centre.cost < before
}

const bestOf = (kept: Keeper): Centre => ({ schedule: { tasks: {}, breaks: {} }, cost: Infinity, ...kept.bare() })

/**
 * Sweeps over all beginnings: narrow ones for a better day, wider each time, until nothing had to be left out or there are
 * goals to go for.
 */
function* wholeDay(hunt: Hunt): Generator<void, void> {
  for (let width = NARROW / WIDER.first; ; width *= width < WIDER.from ? WIDER.first : WIDER.then) {
    if (width >= WIDER.from && hunt.sweeper.settled && hunt.kept.bare()) return yield* raiseGoals(hunt)
    yield* sweepOnce(hunt, bestOf(hunt.kept), { width: Math.floor(Math.min(width, WIDEST)) })
    if (width >= WIDEST) return
  }
}

/** What a sweep for a goal took. */
interface Took {
  goal: number
  looked: number
}

/** The step to the next goal that should make its sweep as many times longer as it may be, by how two before it grew. */
function stepFor(before: Took, now: Took): number {
  const growth = Math.log(now.looked / before.looked) / (now.goal - before.goal)
  return growth > 0 ? Math.log(GOAL.longer) / growth : Infinity
}

/**
 * Sweeps that leave nothing out: for a day better than the best, where there are few dogs; then, or else, for days better
 * than goals below it. What none is better than is a bound. The next goal is nearer to the best day, by as much as should
 * make its sweep some times as long; one that takes far longer, or doesn't find the room, is given up for a lower goal.
 * Ends with the best day as the goal, or when there is no room for any higher one.
 */
function* raiseGoals(hunt: Hunt): Generator<void, void> {
  const { kept } = hunt
  if (kept.problem.dogs.length <= GOAL.dogs) yield* sweepOnce(hunt, bestOf(kept), { width: WIDEST, wholly: true })
  let step = (kept.bare()!.cost - kept.bound()) * GOAL.first
  let most = GOAL.tries
  let took: Took = { goal: 0, looked: 0 }
  for (;;) {
    const centre = bestOf(kept)
    const from = kept.bound()
    if (from >= centre.cost) return
    const goal = Math.min(centre.cost, Math.ceil(from + step))
    const swept = yield* sweepOnce(hunt, centre, { width: WIDEST, wholly: true, goal, most })
    if (!swept?.whole) {
      if (swept?.least === -Infinity) return
      if (goal - from < GOAL.least * centre.cost) {
        if (swept) return
        most *= GOAL.longer
      }
      step = (goal - from) / 2
      continue
    }
    const now = { goal, looked: swept.looked }
    step = took.looked > 0 ? Math.max(step * GOAL.shortest, stepFor(took, now)) : 2 * step
    took = now
    most = Math.max(GOAL.tries, GOAL.giveUp * swept.looked)
  }
}

/** Moves to better days nearby until there are none: a few places to and fro. */
function* slide(hunt: Hunt, centre: Centre, width: number, reaches: readonly number[]): Generator<void, void> {
  for (const reach of reaches) while (yield* once(hunt, centre, { width, near: { reach } }));
}

/** Moves to better days with some dogs taken out and put back wherever they like, `size` of them at a time, until there are none. */
function* regroup(hunt: Hunt, centre: Centre, width: number, size: number): Generator<void, void> {
  for (let better = true; better;) {
    better = false
    for (const free of groups(hunt.kept.problem, size, hunt.random)) {
      if (!(yield* once(hunt, centre, { width, near: { reach: REACH_FREE, free } }))) continue
      better = true
      yield* slide(hunt, centre, width, REACHES.slice(0, 1))
    }
  }
}

/** Moves to better days by a few places, then by single dogs, until there are none. */
function* descend(hunt: Hunt, centre: Centre, width: number): Generator<void, void> {
  yield* slide(hunt, centre, width / 2, REACHES.slice(0, -1))
  yield* slide(hunt, centre, width, REACHES.slice(-1))
  yield* regroup(hunt, centre, width, 1)
}

/**
 * Descends from the best day, then from others begun afresh, turn by turn with looking near the best: several dogs
 * taken out, more of them and wider each time.
 */
function* nearBest(hunt: Hunt, annealer: Annealer, searched: { near: boolean }): Generator<void, void> {
  const { kept } = hunt
  const count = kept.problem.dogs.length
  function* fresh(width: number): Generator<void, void> {
    const { plan, cost } = yield* annealer.fresh(FRESH * count ** 2)
    if (cost < Infinity) yield* descend(hunt, kept.placed(plan), width)
  }
  if (kept.best()) yield* descend(hunt, bestOf(kept), NARROW)
  for (let n = 0; n < AFRESH; n++) yield* fresh(NARROW)
  for (let round = 0; ; round++) {
    const width = NARROW * 2 ** Math.min(round, 6)
    const size = Math.min(count, 2 + (round >> 1), count > MANY ? 3 : 4)
    const centre = bestOf(kept)
    yield* regroup(hunt, centre, width, size)
    yield* slide(hunt, centre, width, REACHES)
    searched.near = true
    yield* fresh(width)
    // where there is nothing to descend from
    yield
  }
}

/**
 * Makes the best day better by sweeps: near it, and over all ways in which the day can begin, turn by turn. Yields now
 * and then; ends when no better day exists, or there is nothing to sweep.
 */
export function* polish(kept: Keeper, annealer: Annealer, random: () => number, temper: Temper): Generator<void, void> {
  const stages = stagesOfDay(kept.model)
  if (!stages) return
  const hunt: Hunt = { kept, sweeper: makeSweeper(kept.model, stages), random }
  const all = wholeDay(hunt)
  const searched = { near: false }
  const near = nearBest(hunt, annealer, searched)
  const began = kept.spent()
  let whole = 0
  let open = true
  while (!kept.best()?.day.proven && (kept.bare()?.cost ?? Infinity) > kept.bound()) {
    const before = kept.spent()
    const share = WHOLE_SHARE[temper][searched.near ? 'then' : 'first']
    const mine = open && (!kept.best() || whole < share * (before - began))
    const { done } = (mine ? all : near).next()
    // what costs nothing counts as well, so that every search ends
    if (kept.spent() === before) kept.spend(1)
    if (mine) whole += kept.spent() - before
    if (mine && done) {
      open = false
      if (!kept.best()) return
    }
    yield
  }
}
