import { chance } from '../chance'
import { drive, until } from '../turns'
import { lowerBound, shortestEnd } from './bound'
import { explainClash, type Clash } from './clash'
import { makeDecoder, type Plan } from './decode'
import { holds, planFrom } from './keep'
import { buildModel } from './model'
import { bestStarts, changePlan, copyPlan, moveDog, thumbPlans } from './moves'
import { scoreDay, type DayProblem, type DaySchedule, type DayScore } from './problem'

/** The best day found so far. `proven`: no schedule can be better. */
export interface Arrangement extends DayScore {
  schedule: DaySchedule
  lowerBound: number
  proven: boolean
  feasible: true
}

/** No schedule was found; `clash`: the facts of which any one taken away makes the day possible, the most helpful first. */
export interface NoArrangement {
  feasible: false
  lowerBound: number
  clash: Clash[]
}

/** How a search is steered: a seed for repeatable chance, tries at the most, and who hears of better days. */
export interface SearchOptions {
  seed?: number
  onBetter?: (better: Arrangement) => void
  tries?: number
  /** Searches the shortest makespan alone instead of the day's objective; `objective` is then that makespan. */
  makespan?: boolean
  /** A day to begin with; its order is tried first and improved. */
  from?: DaySchedule
  /** Ends with the first day that can be done. */
  firstOnly?: boolean
}

interface ArrangeOptions extends SearchOptions {
  shouldStop?: () => boolean
}
/** How often a whole dog is taken out and put back at the best of some places. */
const REINSERT = 0.002
const REINSERT_TRIES = 20
const ROUND = 1500
const SLICE = 16
/** The round before which the bound is worked out in full: small days may be over before. */
const SHARPEN_AT = 2
const EXPLAIN_TRIES = 3000
/** On days on which lateness can't be helped the search starts hotter, by this share of the best so far. */
const LATE_HEAT = 0.01
/** Temperatures of annealing: in objective points for a day, in shares of the bound for a makespan. */
const HEAT = { day: { hot: 400, cold: 1.5 }, makespan: { hot: 0.08, cold: 0.004 } }

/** Tries plans and keeps the best day with the bound known so far. */
function keeper(problem: DayProblem, { makespan = false, onBetter }: SearchOptions) {
  const model = buildModel(problem)
  const decoder = makeDecoder(model, { makespan })
  let bound = makespan ? shortestEnd(model, true) : lowerBound(model, true)
  let best: { plan: Plan; cost: number; day: Arrangement } | undefined

  function take(plan: Plan, cost: number, schedule: DaySchedule) {
    const day: Arrangement = {
      schedule,
      ...scoreDay(problem, schedule),
      objective: cost,
      lowerBound: bound,
      proven: cost <= bound,
      feasible: true,
    }
    best = { plan: copyPlan(plan), cost, day }
    onBetter?.(day)
  }
  return {
    model,
    bound: () => bound,
    best: () => best,
    /** The cost of a plan; kept when it is the best. */
    cost(plan: Plan): number {
      const cost = decoder.run(plan)
      if (cost < (best?.cost ?? Infinity)) take(plan, cost, decoder.schedule())
      return cost
    },
    /** A whole day from elsewhere, kept when it holds and is the best. */
    offer(schedule: DaySchedule, plan: Plan) {
      const cost = makespan || !holds(problem, schedule) ? Infinity : scoreDay(problem, schedule).objective
      if (cost < (best?.cost ?? Infinity)) take(plan, cost, schedule)
    },
    /** Works out the bound in full. */
    sharpen() {
      bound = makespan ? shortestEnd(model) : lowerBound(model)
      if (best) best.day = { ...best.day, lowerBound: bound, proven: best.cost <= bound }
    },
  }
}

/**
 * Searches a day step by step: starts from a day given, the rules of thumb and shaken orders of them, then
 * anneals the order in which work is placed, in rounds that grow, each from the best day or one of the
 * starts. Hands back the best day so far every few tries, so that whoever drives it can stop or let others
 * run. Deterministic for a seed.
 */
export function* searchDay(
  problem: DayProblem,
  options: SearchOptions = {},
): Generator<Arrangement | undefined, Arrangement | undefined> {
  const { seed = 1, tries = 200_000, firstOnly = false, makespan = false, from } = options
  const kept = keeper(problem, options)
  const { model } = kept
  const { hot, cold } = makespan ? scaled(HEAT.makespan, kept.bound()) : HEAT.day
  const random = chance(seed * 2654435761 + problem.dogs.length)
  const movable = [...model.stretch.keys()].filter((i) => model.stretch[i]! > 0)
  if (from) {
    for (const by of ['begin', 'end'] as const) kept.cost(planFrom(model, from, by))
    kept.offer(from, planFrom(model, from))
  }
  thumbPlans(model).forEach(kept.cost)
  yield kept.best()?.day
  const starts = bestStarts(model, tries, random, kept.cost)

  let spent = 0
  /** A whole dog taken out and put back at the best of some places. */
  const reinsert = (now: Plan): [Plan, number] => {
    const dog = Math.floor(random() * problem.dogs.length)
    let [best, least] = [now, Infinity]
    for (let k = 0; k < REINSERT_TRIES; k++, spent++) {
      const other = copyPlan(now)
      moveDog(model, other.order, dog, random)
      const cost = kept.cost(other)
      if (cost < least) [best, least] = [other, cost]
    }
    return [best, least]
  }
  for (let round = 0; spent < tries; round++) {
    if (round === SHARPEN_AT) kept.sharpen()
    const top = kept.best()
    let now = copyPlan(top && round % 4 !== 3 ? top.plan : starts[(round >> 2) % starts.length]!)
    let cost = kept.cost(now)
    const heat = Math.max(hot, makespan || !top ? 0 : LATE_HEAT * top.cost) / (1 + (round % 3))
    const began = spent
    const length = Math.min(tries - spent, Math.floor(ROUND * 1.35 ** Math.min(round, 12)))
    for (let i = 0; spent - began < length; i++, spent++) {
      const best = kept.best()
      if (best?.day.proven || (best && firstOnly)) return best.day
      if (i % SLICE === 0) yield best?.day
      const temperature = heat * (cold / heat) ** ((spent - began) / length)
      let next = copyPlan(now)
      let nextCost: number
      if (random() < REINSERT) [next, nextCost] = reinsert(now)
      else {
        changePlan(model, next, movable, random)
        nextCost = kept.cost(next)
      }
      if (nextCost <= cost || (nextCost < Infinity && random() < Math.exp((cost - nextCost) / temperature))) {
        now = next
        cost = nextCost
      }
    }
  }
  kept.sharpen()
  return kept.best()?.day
}

const scaled = ({ hot, cold }: { hot: number; cold: number }, by: number) => ({ hot: hot * by, cold: cold * by })

/** What stands in the way of a day for which no schedule was found. */
export function noDay(problem: DayProblem, seed = 1): NoArrangement {
  const best = (variant: DayProblem) =>
    drive(searchDay(variant, { seed, tries: EXPLAIN_TRIES, firstOnly: true }))?.objective
  return { feasible: false, lowerBound: lowerBound(buildModel(problem)), clash: explainClash(problem, best) }
}

/** The best day found in a number of tries, undefined when none was; nothing is said of what stands in the way. */
export function findDay(problem: DayProblem, options: SearchOptions = {}): Arrangement | undefined {
  return drive(searchDay(problem, options))
}

/**
 * Arranges a day as well as the time allows, and says what stands in the way when it can't be done.
 * Deterministic for a seed and a number of tries; any-time: `shouldStop` is asked every few tries and the
 * best day so far is answered, with an objective that none can beat.
 */
export function arrangeDay(
  problem: DayProblem,
  { shouldStop = () => false, ...options }: ArrangeOptions = {},
): Arrangement | NoArrangement {
  return drive(until(searchDay(problem, options), shouldStop)) ?? noDay(problem, options.seed)
}
