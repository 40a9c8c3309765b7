import type { DayProblem } from './problem'

/** One fact of a day and the day without it. */
interface Fact {
  words: string
  without: DayProblem
}

/** The facts that may stand in a day's way, each with the day as it would be without. */
function factsOf(problem: DayProblem): Fact[] {
  const { breaks, dogs, tank, horizon } = problem
  const facts: Fact[] = breaks.map((pause) => ({
    words: `the pause ${pause.id} between ${pause.earliest} and ${pause.latest} min`,
    without: { ...problem, breaks: breaks.filter((b) => b.id !== pause.id) },
  }))
  if (dogs.some((d) => d.tasks.some((t) => t.hotDl > 0))) {
    const dry = dogs.map((d) => ({ ...d, tasks: d.tasks.map((t) => ({ ...t, hotDl: 0 })) }))
    facts.push({
      words: `hot water: ${tank.initialDl / 10} L at the start, ${tank.recoveryDlPerMin / 10} L a minute`,
      without: { ...problem, dogs: dry },
    })
  }
  if (dogs.some((d) => d.tasks.some((t) => t.preds.some((p) => p.maxGap !== null)))) {
    const loose = dogs.map((d) => ({
      ...d,
      tasks: d.tasks.map((t) => ({ ...t, preds: t.preds.map((p) => ({ ...p, maxGap: null })) })),
    }))
    facts.push({ words: 'how long a wet dog may wait', without: { ...problem, dogs: loose } })
  }
  for (const [name, amount] of Object.entries(problem.resources)) {
    const most = Math.max(0, ...dogs.flatMap((d) => d.tasks.map((t) => t.uses[name] ?? 0)))
    if (most > amount)
      facts.push({
        words: `${name}: ${amount}, and one step takes ${most}`,
        without: { ...problem, resources: { ...problem.resources, [name]: most } },
      })
  }
  if (dogs.length > 1) {
    for (const dog of dogs)
      facts.push({ words: `the dog ${dog.id}`, without: { ...problem, dogs: dogs.filter((d) => d.id !== dog.id) } })
  }
  const longer = Math.min(5000, horizon * 2)
  if (longer > horizon)
    facts.push({ words: `the end of the day at ${horizon} min`, without: { ...problem, horizon: longer } })
  return facts
}

/**
 * The facts of which any one taken away makes an impossible day possible, in words; empty when it takes
 * more than one. `possible` tells whether a day can be arranged.
 */
export function explainClash(problem: DayProblem, possible: (variant: DayProblem) => boolean): string[] {
  return factsOf(problem)
    .filter((fact) => possible(fact.without))
    .map((fact) => fact.words)
}
