import type { Plan } from './decode'
import type { DayModel } from './model'
import type { DayProblem } from './problem'

/** Dogs in some order, each dog's items together, breaks first: the rules of thumb a groomer works by. */
function byDogs(model: DayModel, dogs: readonly number[]): number[] {
  const breaks = model.items.map((_, i) => i).filter((i) => model.items[i]!.breakIndex >= 0)
  return [...breaks, ...dogs.flatMap((d) => model.items.map((_, i) => i).filter((i) => model.items[i]!.dog === d))]
}

/** Orders of thumb: earliest pick-up, arrival, longest work first, least time to spare. */
export function handRules(problem: DayProblem): number[][] {
  const dogs = problem.dogs.map((_, d) => d)
  const work = problem.dogs.map((dog) => dog.tasks.reduce((sum, t) => sum + t.dur, 0))
  const sorted = (of: (d: number) => number) => [...dogs].sort((a, b) => of(a) - of(b) || a - b)
  return [
    sorted((d) => problem.dogs[d]!.pickup),
    sorted((d) => problem.dogs[d]!.arrive),
    sorted((d) => -work[d]!),
    sorted((d) => problem.dogs[d]!.pickup - work[d]!),
  ]
}

/** A plan of its own, to be changed. */
export const copyPlan = (plan: Plan): Plan => ({ order: [...plan.order], delay: plan.delay.slice() })

/** The plans of the rules of thumb. */
export function thumbPlans(model: DayModel): Plan[] {
  return handRules(model.problem).map((dogs) => ({
    order: byDogs(model, dogs),
    delay: new Int32Array(model.stretch.length),
  }))
}

/** Random dog orders tried for each dog before the search begins, and how many of the best are kept to begin from. */
const SAMPLES_PER_DOG = 40
const KEPT_STARTS = 6

/**
 * Orders of dogs by pick-up or time to spare, shaken: the best of them, to begin from; the rules of thumb
 * alone when there are few tries. `cost` tries a plan.
 */
export function bestStarts(model: DayModel, tries: number, random: () => number, cost: (plan: Plan) => number): Plan[] {
  const { dogs } = model.problem
  const count = Math.min(SAMPLES_PER_DOG * dogs.length, Math.floor(tries / 10))
  const work = dogs.map((dog) => dog.tasks.reduce((sum, t) => sum + t.dur, 0))
  const begin = thumbPlans(model)
  const found = begin.map((plan) => ({ plan, cost: cost(plan) }))
  for (let n = 0; n < count; n++) {
    const spare = random() < 0.5 ? 1 : 0
    const shake = 30 + 270 * random()
    const key = dogs.map((dog, d) => dog.pickup - spare * work[d]! + shake * (random() - 0.5))
    const order = [...key.keys()].sort((a, b) => key[a]! - key[b]!)
    const plan = { order: byDogs(model, order), delay: new Int32Array(model.stretch.length) }
    found.push({ plan, cost: cost(plan) })
  }
  const kept = found.filter((f) => f.cost < Infinity).sort((a, b) => a.cost - b.cost)
  return kept.length > 0 ? kept.slice(0, KEPT_STARTS).map((f) => f.plan) : begin
}

function moveItem(order: number[], from: number, to: number) {
  const [item] = order.splice(from, 1)
  order.splice(to, 0, item!)
}

/** Takes a whole dog out and puts its items back from one place on, a few places apart. */
export function moveDog(model: DayModel, order: number[], dog: number, random: () => number) {
  const own = order.filter((i) => model.items[i]!.dog === dog)
  const others = order.filter((i) => model.items[i]!.dog !== dog)
  let at = Math.floor(random() * (others.length + 1))
  for (const item of own) {
    others.splice(at, 0, item)
    at = Math.min(others.length, at + 1 + Math.floor(random() * random() * 8))
  }
  others.forEach((item, i) => (order[i] = item))
}

/** One small change of a plan, in place. */
export function changePlan(model: DayModel, plan: Plan, movable: readonly number[], random: () => number) {
  const { order, delay } = plan
  const n = order.length
  const dice = random()
  const any = () => Math.floor(random() * n)
  if (dice < 0.45) {
    const from = any()
    const near = from + Math.round((random() - 0.5) * 12)
    moveItem(order, from, random() < 0.7 ? Math.min(n - 1, Math.max(0, near)) : any())
  } else if (dice < 0.6) {
    const [a, b] = [any(), any()]
    ;[order[a], order[b]] = [order[b]!, order[a]!]
  } else if (dice < 0.8 && movable.length > 0) {
    const task = movable[Math.floor(random() * movable.length)]!
    const most = model.stretch[task]!
    const kind = random()
    delay[task] = kind < 0.4 ? 0 : kind < 0.45 ? most : Math.floor(random() * (most + 1))
  } else {
    moveDog(model, order, Math.floor(random() * model.problem.dogs.length), random)
  }
}
