import { lowerBound, shortestEnd } from './bound'
import { explainClash, type Clash } from './clash'
import { makeDecoder, type Plan } from './decode'
import { buildModel, type DayModel } from './model'
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

/** A repeatable stream of numbers from 0 to 1 (mulberry32). */
function chance(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

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

const copy = (plan: Plan): Plan => ({ order: [...plan.order], delay: plan.delay.slice() })

function moveItem(order: number[], from: number, to: number) {
  const [item] = order.splice(from, 1)
  order.splice(to, 0, item!)
}

/** Takes a whole dog out and puts its items back from one place on, a few places apart. */
function moveDog(model: DayModel, order: number[], dog: number, random: () => number) {
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
function change(model: DayModel, plan: Plan, movable: readonly number[], random: () => number) {
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
    delay[task] = random() < 0.4 ? 0 : Math.floor(random() * (model.stretch[task]! + 1))
  } else {
    moveDog(model, order, Math.floor(random() * model.problem.dogs.length), random)
  }
}

const ROUND = 1500
const SLICE = 16
const EXPLAIN_TRIES = 3000
/** Temperatures of annealing: in objective points for a day, in shares of the bound for a makespan. */
const HEAT = { day: { hot: 400, cold: 1.5 }, makespan: { hot: 0.08, cold: 0.004 } }

/**
 * Searches a day step by step: starts from the rules of thumb, then anneals the order in which work is
 * placed, in rounds that grow, each from the best day or a fresh mix of it. Hands back the best day so far
 * every few tries, so that whoever drives it can stop or let others run. Deterministic for a seed.
 */
export function* searchDay(
  problem: DayProblem,
  { seed = 1, onBetter, tries = 200_000, firstOnly = false, makespan = false, from }: SearchOptions = {},
): Generator<Arrangement | undefined, Arrangement | undefined> {
  const model = buildModel(problem)
  const decoder = makeDecoder(model, { makespan })
  const bound = makespan ? shortestEnd(model) : lowerBound(model)
  const { hot, cold } = makespan ? { hot: HEAT.makespan.hot * bound, cold: HEAT.makespan.cold * bound } : HEAT.day
  const random = chance(seed * 2654435761 + problem.dogs.length)
  const movable = [...model.stretch.keys()].filter((i) => model.stretch[i]! > 0)
  let best: { plan: Plan; cost: number; day: Arrangement } | undefined

  const tryPlan = (plan: Plan): number => {
    const cost = decoder.run(plan)
    if (cost < (best?.cost ?? Infinity)) {
      const schedule = decoder.schedule()
      const score = { ...scoreDay(problem, schedule), objective: cost }
      const day: Arrangement = { schedule, ...score, lowerBound: bound, proven: cost <= bound, feasible: true }
      best = { plan: copy(plan), cost, day }
      onBetter?.(day)
    }
    return cost
  }

  const delay = () => new Int32Array(model.stretch.length)
  const begin = handRules(problem).map((dogs): Plan => ({ order: byDogs(model, dogs), delay: delay() }))
  if (from) {
    tryPlan(planFrom(model, from))
    tryPlan(planFrom(model, from, 'end'))
    const score = holds(problem, from) ? scoreDay(problem, from) : undefined
    if (best && score && !makespan && score.objective < (best as { cost: number }).cost) {
      const day: Arrangement = {
        schedule: from,
        ...score,
        lowerBound: bound,
        proven: score.objective <= bound,
        feasible: true,
      }
      best = { plan: (best as { plan: Plan }).plan, cost: score.objective, day }
      onBetter?.(day)
    }
  }
  begin.forEach(tryPlan)

  let spent = 0
  for (let round = 0; spent < tries; round++) {
    let now = copy(best && round % 4 !== 3 ? best.plan : begin[round % begin.length]!)
    const length = Math.min(tries - spent, Math.floor(ROUND * 1.35 ** Math.min(round, 12)))
    const heat = hot / (1 + (round % 3))
    let cost = decoder.run(now)
    for (let i = 0; i < length; i++, spent++) {
      if (best?.day.proven || (best && firstOnly)) return best.day
      if (i % SLICE === 0) yield best?.day
      const temperature = heat * (cold / heat) ** (i / length)
      const next = copy(now)
      change(model, next, movable, random)
      const nextCost = tryPlan(next)
      if (nextCost <= cost || (nextCost < Infinity && random() < Math.exp((cost - nextCost) / temperature))) {
        now = next
        cost = nextCost
      }
    }
  }
  return best?.day
}

/** By which of an item's tasks a schedule's order is read: its first or its last. */
type OrderBy = 'begin' | 'end'

/** The plan that places a schedule's items in its order, each put off as the schedule has it. */
function planFrom(model: DayModel, schedule: DaySchedule, by: OrderBy = 'begin'): Plan {
  const startOf = (i: number) => {
    const { breakIndex, tasks } = model.items[i]!
    if (breakIndex >= 0) {
      const pause = model.problem.breaks[breakIndex]!
      return schedule.breaks[pause.id] ?? pause.earliest
    }
    const task = model.tasks[by === 'begin' ? tasks[0]! : tasks[tasks.length - 1]!]!
    return task.pinned ? task.release : (schedule.tasks[task.id] ?? Infinity)
  }
  const order = model.items.map((_, i) => i).sort((a, b) => startOf(a) - startOf(b) || a - b)
  const delay = new Int32Array(model.stretch.length)
  model.tasks.forEach((task, i) => {
    const at = schedule.tasks[task.id]
    if (at === undefined || model.stretch[i] === 0) return
    const ends = task.preds.map((p) => {
      const before = model.tasks[p.task]!
      return (schedule.tasks[before.id] ?? 0) + before.dur + p.min
    })
    delay[i] = Math.max(0, Math.min(model.stretch[i]!, at - Math.max(task.release, ...ends)))
  })
  model.problem.breaks.forEach((pause, b) => {
    const at = schedule.breaks[pause.id] ?? pause.earliest
    delay[model.tasks.length + b] = Math.max(0, Math.min(pause.latest, at) - pause.earliest)
  })
  return { order, delay }
}

/** Whether a schedule keeps every rule of a day. */
export function holds(problem: DayProblem, schedule: DaySchedule): boolean {
  const at = (id: string) => schedule.tasks[id] ?? -1
  const inside = problem.dogs.every((d) =>
    d.tasks.every((t) => at(t.id) >= Math.max(d.arrive, t.earliest ?? 0) && at(t.id) <= (t.latest ?? Infinity)),
  )
  const pauses = problem.breaks.every((b) => {
    const start = schedule.breaks[b.id] ?? -1
    return start >= b.earliest && start <= b.latest
  })
  if (!inside || !pauses) return false
  const held: DayProblem = {
    ...problem,
    breaks: problem.breaks.map((b) => ({ ...b, earliest: schedule.breaks[b.id]!, latest: schedule.breaks[b.id]! })),
    dogs: problem.dogs.map((d) => ({
      ...d,
      tasks: d.tasks.map((t) => ({ ...t, earliest: at(t.id), latest: at(t.id) })),
    })),
  }
  return keepOrder(held, schedule) !== undefined
}

/**
 * The day as a schedule orders it, placed anew under the problem as it is now: pins and other facts may have
 * changed since. Two placings, of which the one that moves least is taken, so that it can follow a hand. Undefined when the order can't be kept. `dry`
 * doesn't ask the tank, to show a day whose water won't hold.
 */
export function keepOrder(problem: DayProblem, schedule: DaySchedule, dry = false): DaySchedule | undefined {
  const model = buildModel(problem)
  const decoder = makeDecoder(model, { dry })
  const moved = (found: DaySchedule) =>
    Object.entries(found.tasks).reduce((sum, [id, at]) => sum + Math.abs(at - (schedule.tasks[id] ?? at)), 0)
  const found = (['begin', 'end'] as const).flatMap((by) =>
    decoder.run(planFrom(model, schedule, by)) < Infinity ? [decoder.schedule()] : [],
  )
  return found.sort((a, b) => moved(a) - moved(b))[0]
}

/** What stands in the way of a day for which no schedule was found. */
export function noDay(problem: DayProblem, seed = 1): NoArrangement {
  const best = (variant: DayProblem) =>
    drive(searchDay(variant, { seed, tries: EXPLAIN_TRIES, firstOnly: true }), () => false)?.objective
  return { feasible: false, lowerBound: lowerBound(buildModel(problem)), clash: explainClash(problem, best) }
}

function drive(search: ReturnType<typeof searchDay>, shouldStop: () => boolean): Arrangement | undefined {
  for (;;) {
    const step = search.next()
    if (step.done || shouldStop()) return step.value
  }
}

/** The best day found in a number of tries, undefined when none was; nothing is said of what stands in the way. */
export function findDay(problem: DayProblem, options: SearchOptions = {}): Arrangement | undefined {
  return drive(searchDay(problem, options), () => false)
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
  return drive(searchDay(problem, options), shouldStop) ?? noDay(problem, options.seed)
}
