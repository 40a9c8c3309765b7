import type { DayProblem } from './problem'

/** What kind of fact stands in a day's way; `id` names the pause, resource, dog or task. */
export type ClashKind = 'pause' | 'water' | 'waits' | 'resource' | 'pin' | 'away' | 'dog' | 'horizon'

/** A fact without which a day that can't be done could be, and the objective of that day. */
export interface Clash {
  kind: ClashKind
  id: string
  /** The amount it holds to: litres at the start, an amount of a resource, or minutes of a pin or of the day's end. */
  amount?: number
  /** The other fact that must go too, when it takes two. */
  with?: Pick<Clash, 'kind' | 'id'>
  objective: number
}

interface Fact {
  kind: ClashKind
  id: string
  amount?: number
  without: (problem: DayProblem) => DayProblem
}

const withTasks = (problem: DayProblem, change: (task: DayProblem['dogs'][number]['tasks'][number]) => object) => ({
  ...problem,
  dogs: problem.dogs.map((d) => ({ ...d, tasks: d.tasks.map((t) => ({ ...t, ...change(t) })) })),
})

/** The facts that may stand in a day's way, each with how the day looks without it. */
function factsOf(problem: DayProblem): Fact[] {
  const { breaks, dogs, tank, horizon, away = [] } = problem
  const tasks = dogs.flatMap((d) => d.tasks)
  const facts: Fact[] = breaks.map((pause) => ({
    kind: 'pause',
    id: pause.id,
    without: (p) => ({ ...p, breaks: p.breaks.filter((b) => b.id !== pause.id) }),
  }))
  if (tasks.some((t) => t.hotDl > 0)) {
    facts.push({
      kind: 'water',
      id: 'hot water',
      amount: tank.initialDl / 10,
      without: (p) => withTasks(p, () => ({ hotDl: 0 })),
    })
  }
  if (tasks.some((t) => t.preds.some((p) => p.maxGap !== null))) {
    facts.push({
      kind: 'waits',
      id: 'waits',
      without: (p) => withTasks(p, (t) => ({ preds: t.preds.map((w) => ({ ...w, maxGap: null })) })),
    })
  }
  for (const task of tasks.filter((t) => t.latest !== undefined)) {
    facts.push({
      kind: 'pin',
      id: task.id,
      amount: task.latest,
      without: (p) => withTasks(p, (t) => (t.id === task.id ? { earliest: undefined, latest: undefined } : {})),
    })
  }
  for (const [name, amount] of Object.entries(problem.resources)) {
    const most = Math.max(0, ...tasks.map((t) => t.uses[name] ?? 0))
    if (most > amount)
      facts.push({
        kind: 'resource',
        id: name,
        amount,
        without: (p) => ({ ...p, resources: { ...p.resources, [name]: most } }),
      })
  }
  if (away.length > 0)
    facts.push({
      kind: 'away',
      id: 'away',
      without: (p) => ({ ...p, away: [] }),
    })
  if (dogs.length > 1) {
    for (const dog of dogs)
      facts.push({
        kind: 'dog',
        id: dog.id,
        without: (p) => ({ ...p, dogs: p.dogs.filter((d) => d.id !== dog.id) }),
      })
  }
  const longer = Math.min(5000, horizon * 2)
  if (longer > horizon)
    facts.push({
      kind: 'horizon',
      id: 'end',
      amount: horizon,
      without: (p) => ({ ...p, horizon: longer }),
    })
  return facts
}

const MOST_PAIRS = 24

/**
 * The facts of which any one taken away makes an impossible day possible, the one that helps most first
 * (a dog left out counts as the last resort); pairs of facts when it takes two; empty when it takes more.
 * `best` answers the objective of a day that can be arranged, undefined for one that can't.
 */
export function explainClash(problem: DayProblem, best: (variant: DayProblem) => number | undefined): Clash[] {
  const facts = factsOf(problem)
  const alone = facts.flatMap(({ without, ...fact }): Clash[] => {
    const objective = best(without(problem))
    return objective === undefined ? [] : [{ ...fact, objective }]
  })
  if (alone.length > 0)
    return alone.sort((a, b) => Number(a.kind === 'dog') - Number(b.kind === 'dog') || a.objective - b.objective)
  const pairs = facts.flatMap((a, i) => facts.slice(i + 1).map((b) => [a, b] as const)).slice(0, MOST_PAIRS)
  for (const [a, b] of pairs) {
    const objective = best(b.without(a.without(problem)))
    if (objective !== undefined)
      return [{ kind: a.kind, id: a.id, amount: a.amount, with: { kind: b.kind, id: b.id }, objective }]
  }
  return []
}
