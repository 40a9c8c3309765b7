import { lowerBound, shortestEnd } from './bound'
import { makeDecoder, type Plan } from './decode'
import { holds, planFrom, planLike } from './keep'
import { buildModel, type DayModel } from './model'
import { copyPlan } from './moves'
import { objectiveOf, type DayProblem, type DaySchedule, type DayScore } from './problem'
import { scoreDay } from './score'

/** The best day found so far, `bare`: its points before wishes, `quickest`: the fewest of these that were found. `proven`: no schedule can be better. */
export interface Arrangement extends DayScore {
  bare: number
  quickest: number
  schedule: DaySchedule
  lowerBound: number
  proven: boolean
  feasible: true
}

/** A day kept, as a plan from which a search may go on. */
interface Kept {
  plan: Plan
  cost: number
  day: Arrangement
}

/** A day by its points before wishes. */
export interface Bare {
  schedule: DaySchedule
  cost: number
}

/** The best day so far with the best bound known, shared by all that search. */
export interface Keeper {
  problem: DayProblem
  model: DayModel
  /** Tries of all kinds so far. */
  spent(): number
  spend(tries: number): void
  bound(): number
  best(): Kept | undefined
  /** The best day before wishes: the same as the best where there are none. */
  bare(): Bare | undefined
  /** Tries since a better day was found. */
  idle(): number
  /** The cost of a plan, Infinity when it can't be placed; kept when it is the best. */
  cost(plan: Plan): number
  /** A plan that can be placed, as a day. */
  placed(plan: Plan): Bare
  /** The plan of a day. */
  like(schedule: DaySchedule): Plan
  /** A whole day from elsewhere, kept when it holds and is the best. */
  offer(schedule: DaySchedule): void
  /** A bound that holds for every day. */
  raise(bound: number): void
  /** Works out the simple bound in full, with pauses. */
  sharpen(): void
}

/** Tries plans and keeps the best day with the bound known so far. `onBetter` hears of every better day. */
export function keeper(
  problem: DayProblem,
  { makespan = false, onBetter }: { makespan?: boolean; onBetter?: (better: Arrangement) => void },
): Keeper {
  const model = buildModel(problem)
  const decoder = makeDecoder(model, { makespan })
  let bound = makespan ? shortestEnd(model, true) : lowerBound(model, true)
  let best: Kept | undefined
  let bare: Bare | undefined
  let spent = 0
  let foundAt = 0
  let sharp = false

  const bareCost = () => bare?.cost ?? Infinity
  function keepBare(schedule: DaySchedule, cost: number) {
    bare = { schedule, cost }
    if (best) best.day = { ...best.day, quickest: cost }
  }

  function take(plan: Plan, cost: number, schedule: DaySchedule) {
    const score = scoreDay(problem, schedule)
    const day: Arrangement = {
      schedule,
      ...score,
      objective: cost,
      bare: makespan ? cost : objectiveOf(score),
      quickest: makespan ? cost : Math.min(bareCost(), objectiveOf(score)),
      lowerBound: Math.min(bound, cost),
      proven: cost <= bound,
      feasible: true,
    }
    best = { plan: copyPlan(plan), cost, day }
    foundAt = spent
    onBetter?.(day)
  }

  function raise(to: number) {
    if (to <= bound) return
    bound = to
    if (best) best.day = { ...best.day, lowerBound: Math.min(bound, best.cost), proven: best.cost <= bound }
  }

  return {
    problem,
    model,
    raise,
    spent: () => spent,
    spend: (tries) => void (spent += tries),
    bound: () => bound,
    best: () => best,
    bare: () => bare,
    idle: () => spent - foundAt,
    cost(plan) {
      spent++
      const cost = decoder.run(plan)
      const better = cost < (best?.cost ?? Infinity)
      const barely = decoder.bare() < bareCost()
      if (!better && !barely) return cost
      const schedule = decoder.schedule()
      if (barely) keepBare(schedule, decoder.bare())
      if (better) take(plan, cost, schedule)
      return cost
    },
    placed(plan) {
      decoder.run(plan)
      return { schedule: decoder.schedule(), cost: decoder.bare() }
    },
    like: (schedule) => planLike(model, decoder, schedule),
    offer(schedule) {
      if (makespan || !holds(problem, schedule)) return
      const score = scoreDay(problem, schedule)
      const cost = objectiveOf(score)
      if (cost < bareCost()) keepBare(schedule, cost)
      if (score.objective < (best?.cost ?? Infinity)) take(planFrom(model, schedule), score.objective, schedule)
    },
    sharpen() {
      if (!sharp) raise(makespan ? shortestEnd(model) : lowerBound(model))
      sharp = true
    },
  }
}
