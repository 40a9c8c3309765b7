import { lowerBound, shortestEnd } from './bound'
import { makeDecoder, type Plan } from './decode'
import { holds, planFrom } from './keep'
import { buildModel, type DayModel } from './model'
import { copyPlan } from './moves'
import { scoreDay, type DayProblem, type DaySchedule, type DayScore } from './problem'

/** The best day found so far. `proven`: no schedule can be better. */
export interface Arrangement extends DayScore {
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

/** The best day so far with the best bound known, shared by all that search. */
export interface Keeper {
  problem: DayProblem
  model: DayModel
  /** Tries of all kinds so far. */
  spent(): number
  spend(tries: number): void
  bound(): number
  best(): Kept | undefined
  /** The cost of a plan, Infinity when it can't be placed; kept when it is the best. */
  cost(plan: Plan): number
  /** A plan that can be placed, as a schedule. */
  placed(plan: Plan): DaySchedule
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
  let spent = 0
  let sharp = false

  function take(plan: Plan, cost: number, schedule: DaySchedule) {
    const day: Arrangement = {
      schedule,
      ...scoreDay(problem, schedule),
      objective: cost,
      lowerBound: Math.min(bound, cost),
      proven: cost <= bound,
      feasible: true,
    }
    best = { plan: copyPlan(plan), cost, day }
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
    cost(plan) {
      spent++
      const cost = decoder.run(plan)
      if (cost < (best?.cost ?? Infinity)) take(plan, cost, decoder.schedule())
      return cost
    },
    placed(plan) {
      decoder.run(plan)
      return decoder.schedule()
    },
    offer(schedule) {
      const cost = makespan || !holds(problem, schedule) ? Infinity : scoreDay(problem, schedule).objective
      if (cost < (best?.cost ?? Infinity)) take(planFrom(model, schedule), cost, schedule)
    },
    sharpen() {
      if (!sharp) raise(makespan ? shortestEnd(model) : lowerBound(model))
      sharp = true
    },
  }
}
