import { bestStarts, changePlan, copyPlan, moveDog } from './moves'
import type { Keeper } from './keeper'
import type { Plan } from './decode'

/** How often a whole dog is taken out and put back at the best of some places. */
const REINSERT = 0.002
const REINSERT_TRIES = 20
const GROWTH = 1.35
/**
 * Tries of the first round, and how hot rounds begin, one after the other, as shares of the usual: with several pairs of hands late
 * dogs come out of each other's way only in a hot round, and the rest is settled in a cool one; less so where there are wishes, which sweeps settle beside it.
 */
const ROUNDS = {
  one: { tries: 1500, heats: [1, 1 / 2, 1 / 3] },
  several: { tries: 2500, heats: [6, 1, 0.1] },
  severalWishes: { tries: 1500, heats: [2, 0.7, 0.2] },
}
const SLICE = 16
/** The round before which the bound is worked out in full: small days may be over before. */
const SHARPEN_AT = 2
/** On days on which lateness can't be helped the search starts hotter, by this share of the best so far. */
const LATE_HEAT = 0.01
/** Temperatures of annealing: in objective points for a day, in shares of the bound for a makespan. */
const HEAT = { day: { hot: 400, cold: 1.5 }, makespan: { hot: 0.08, cold: 0.004 } }

const scaled = ({ hot, cold }: { hot: number; cold: number }, by: number) => ({ hot: hot * by, cold: cold * by })

/** An order of work with its cost, Infinity when it can't be placed. */
export interface Costed {
  plan: Plan
  cost: number
}

/** Anneals the order in which work is placed. */
export interface Annealer {
  /** Rounds that grow, each from the best day or one of the starts; yields every few tries and never ends by itself. */
  rounds(): Generator<void, void>
  /** One short round from an order by chance, whatever the best day; its best. */
  fresh(tries: number): Generator<void, Costed>
}

/** An annealer. `tries`: how many there will be, for the number of starts. */
export function makeAnnealer(
  kept: Keeper,
  random: () => number,
  { tries, makespan }: { tries: number; makespan: boolean },
): Annealer {
  const { model, problem } = kept
  const { hot, cold } = makespan ? scaled(HEAT.makespan, kept.bound()) : HEAT.day
  const movable = [...model.stretch.keys()].filter((i) => model.stretch[i]! > 0)
  const severally = problem.wishes ? 'severalWishes' : 'several'
  const { tries: first, heats } = ROUNDS[makespan || problem.resources.hands === 1 ? 'one' : severally]
  const hottest = () => Math.max(hot, makespan ? 0 : LATE_HEAT * (kept.best()?.cost ?? 0))

  /** A whole dog taken out and put back at the best of some places. */
  function reinsert(now: Plan): Costed {
    const dog = Math.floor(random() * problem.dogs.length)
    let best: Costed = { plan: now, cost: Infinity }
    for (let k = 0; k < REINSERT_TRIES; k++) {
      const plan = copyPlan(now)
      moveDog(model, plan.order, dog, random)
      const cost = kept.cost(plan)
      if (cost < best.cost) best = { plan, cost }
    }
    return best
  }

  function change(now: Plan): Costed {
    const plan = copyPlan(now)
    changePlan(model, plan, movable, random)
    return { plan, cost: kept.cost(plan) }
  }

  /** Anneals from an order, from `heat` down; the best it came by. */
  function* round(from: Plan, heat: number, length: number): Generator<void, Costed> {
    let now: Costed = { plan: copyPlan(from), cost: kept.cost(from) }
    let best = now
    for (let spent = 0, slice = 0; spent < length; spent++, slice++) {
      if (slice % SLICE === 0) yield
      const temperature = heat * (cold / heat) ** (spent / length)
      const whole = random() < REINSERT
      if (whole) spent += REINSERT_TRIES
      const next = whole ? reinsert(now.plan) : change(now.plan)
      const worse = next.cost - now.cost
      if (worse <= 0 || (next.cost < Infinity && random() < Math.exp(-worse / temperature))) now = next
      if (now.cost < best.cost) best = now
    }
    return best
  }

  return {
    *rounds() {
      const starts = bestStarts(model, tries, random, kept.cost)
      for (let n = 0; ; n++) {
        if (n === SHARPEN_AT) kept.sharpen()
        const top = kept.best()
        const from = top && n % 4 !== 3 ? top.plan : starts[(n >> 2) % starts.length]!
        const heat = hottest() * heats[n % heats.length]!
        yield* round(from, heat, Math.floor(first * GROWTH ** Math.min(n, 12)))
      }
    },
    *fresh(length) {
      const [start] = bestStarts(model, length, random, kept.cost)
      return yield* round(start!, hottest(), length)
    },
  }
}
