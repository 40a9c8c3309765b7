import type { Plan } from './decode'
import type { Keeper } from './keeper'
import { copyPlan } from './moves'

/** Plans tried before others may speak. */
const SLICE = 16

/**
 * Puts single works and pauses of a plan off by some minutes, one after the other, wherever that meets the wishes
 * better, until nothing does. What it finds is kept. Yields now and then.
 */
export function* settleWishes(kept: Keeper, from: Plan): Generator<void, void> {
  const { stretch } = kept.model
  const movable = [...stretch.keys()].filter((i) => stretch[i]! > 0)
  let plan = copyPlan(from)
  let cost = kept.cost(plan)
  let tried = 0
  for (let better = cost < Infinity; better;) {
    better = false
    for (const i of movable) {
      const now = plan.delay[i]!
      let best = now
      for (let delay = 0; delay <= stretch[i]!; delay++) {
        if (delay === now) continue
        if (++tried % SLICE === 0) yield
        plan.delay[i] = delay
        const next = kept.cost(plan)
        if (next < cost) [cost, best, better] = [next, delay, true]
      }
      plan.delay[i] = best
    }
    plan = copyPlan(plan)
  }
}
