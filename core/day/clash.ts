import type { DayProblem } from './problem'

/** What kind of fact stands in a day's way; `id` names the pause, resource, dog or task. */
export type ClashKind = 'pause' | 'water' | 'waits' | 'resource' | 'pin' | 'away' | 'dog' | 'horizon'

/** A fact without which a day that can't be done could be, and the objective of that day. */
export interface Clash {
  kind: ClashKind
  id: string
  words: string
  objective: number
}

interface Fact {
  kind: ClashKind
  id: string
  words: string
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
    words: `the pause ${pause.id} between ${pause.earliest} and ${pause.latest} min`,
    without: (p) => ({ ...p, breaks: p.breaks.filter((b) => b.id !== pause.id) }),
  }))
  if (tasks.some((t) => t.hotDl > 0)) {
    facts.push({
      kind: 'water',
      id: 'hot water',
      words: `hot water: ${tank.initialDl / 10} L at the start, ${tank.recoveryDlPerMin / 10} L a minute`,
      without: (p) => withTasks(p, () => ({ hotDl: 0 })),
    })
  }
  if (tasks.some((t) => t.preds.some((p) => p.maxGap !== null))) {
    facts.push({
      kind: 'waits',
      id: 'waits',
      words: 'how long a wet dog may wait',
      without: (p) => withTasks(p, (t) => ({ preds: t.preds.map((w) => ({ ...w, maxGap: null })) })),
    })
  }
  for (const task of tasks.filter((t) => t.latest !== undefined)) {
    facts.push({
      kind: 'pin',
      id: task.id,
      words: `${task.id} held to ${task.latest} min`,
      without: (p) => withTasks(p, (t) => (t.id === task.id ? { earliest: undefined, latest: undefined } : {})),
    })
  }
  for (const [name, amount] of Object.entries(problem.resources)) {
    const most = Math.max(0, ...tasks.map((t) => t.uses[name] ?? 0))
    if (most > amount)
      facts.push({
        kind: 'resource',
        id: name,
        words: `${name}: ${amount}, and one step takes ${most}`,
        without: (p) => ({ ...p, resources: { ...p.resources, [name]: most } }),
      })
  }
  if (away.length > 0)
    facts.push({
      kind: 'away',
      id: 'away',
      words: 'what is away for part of the day',
      without: (p) => ({ ...p, away: [] }),
    })
  if (dogs.length > 1) {
    for (const dog of dogs)
      facts.push({
        kind: 'dog',
        id: dog.id,
        words: `the dog ${dog.id}`,
        without: (p) => ({ ...p, dogs: p.dogs.filter((d) => d.id !== dog.id) }),
      })
  }
  const longer = Math.min(5000, horizon * 2)
  if (longer > horizon)
    facts.push({
      kind: 'horizon',
      id: 'end',
      words: `the end of the day at ${horizon} min`,
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
      return [{ kind: a.kind, id: a.id, words: `${a.words}, together with ${b.words}`, objective }]
  }
  return []
}
