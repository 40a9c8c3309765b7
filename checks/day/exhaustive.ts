import type { DayProblem, DaySchedule } from '@core/day'
import { scoreDay } from '@core/day'
import { faultsOf } from './checker'

/**
 * The best objective of a very small day by trying every start of every task and pause; Infinity when none holds. Slow
 * and plain on purpose: apart from leaving what is already worse than the best, it knows nothing.
 */
export function exhaustive(problem: DayProblem): number {
  const { horizon, resources, breaks, dogs, away = [] } = problem
  const names = Object.keys(resources)
  const length = Math.max(horizon, ...breaks.map((b) => b.latest + b.dur)) + 1
  const used = Object.fromEntries(names.map((r) => [r, new Int32Array(length)]))
  const tasks = dogs.flatMap((dog) => dog.tasks.map((task) => ({ task, dog })))
  const schedule: DaySchedule = { tasks: {}, breaks: {} }
  let best = Infinity

  const fits = (uses: Readonly<Record<string, number>>, from: number, dur: number) =>
    Object.entries(uses).every(([r, amount]) => {
      for (let t = from; t < from + dur; t++) if (used[r]![t]! + amount > resources[r]!) return false
      return true
    })
  const hold = (uses: Readonly<Record<string, number>>, from: number, dur: number, sign: number) => {
    for (const [r, amount] of Object.entries(uses))
      for (let t = from; t < Math.min(length, from + dur); t++) used[r]![t]! += sign * amount
  }
  /** The least that the tasks placed so far come to. */
  const soFar = () => {
    let [late, end, stays] = [0, 0, 0]
    for (const { task, dog } of tasks) {
      const at = schedule.tasks[task.id]
      if (at === undefined) continue
      if ((task.uses.hands ?? 0) > 0) end = Math.max(end, at + task.dur)
      if (task.id !== dog.readyTask) continue
      late += Math.max(0, at + task.dur - dog.pickup)
      stays += at + task.dur - dog.arrive
    }
    return 1000 * late + 10 * end + stays
  }

  function pause(b: number) {
    const one = breaks[b]
    if (!one) {
      const { objective } = scoreDay(problem, schedule)
      if (objective < best && faultsOf(problem, schedule).length === 0) best = objective
      return
    }
    for (let at = one.earliest; at <= one.latest; at++) {
      if (!fits(one.uses, at, one.dur)) continue
      hold(one.uses, at, one.dur, 1)
      schedule.breaks[one.id] = at
      pause(b + 1)
      hold(one.uses, at, one.dur, -1)
    }
  }

  function place(i: number) {
    if (soFar() >= best) return
    const next = tasks[i]
    if (!next) return pause(0)
    const { task, dog } = next
    let from = Math.max(dog.arrive, task.earliest ?? 0)
    let to = Math.min(horizon - task.dur, task.latest ?? Infinity)
    for (const p of task.preds) {
      const end = schedule.tasks[p.task]! + dog.tasks.find((t) => t.id === p.task)!.dur
      from = Math.max(from, end + p.minGap)
      if (p.maxGap !== null) to = Math.min(to, end + p.maxGap)
    }
    const uses = { ...task.uses, ...(task.needsDog ? { [dog.id]: 1 } : {}) }
    for (let at = from; at <= to; at++) {
      if (!fits(uses, at, task.dur)) continue
      hold(uses, at, task.dur, 1)
      schedule.tasks[task.id] = at
      place(i + 1)
      hold(uses, at, task.dur, -1)
      delete schedule.tasks[task.id]
    }
  }
  for (const dog of dogs) {
    resources[dog.id] = 1
    used[dog.id] = new Int32Array(length)
  }
  for (const a of away) hold(a.uses, a.from, a.to - a.from, 1)
  place(0)
  for (const dog of dogs) delete resources[dog.id]
  return best
}
