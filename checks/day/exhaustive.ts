import type { DayProblem, DaySchedule } from '@core/day'
import { scoreDay } from '@core/day'
import { faultsOf } from './checker'

/**
 * The best objective of a very small day by trying every start of every task and pause; Infinity when none holds. Slow
 * and plain on purpose: apart from leaving what is already worse than the best, it knows nothing.
 */
export function exhaustive(problem: DayProblem): number {
  const { horizon, resources, breaks, dogs, away = [] } = problem
  const length = Math.max(horizon, ...breaks.map((b) => b.latest + b.dur)) + 1
  const used: Record<string, Int32Array> = {}
  for (const r of [...Object.keys(resources), ...dogs.map((d) => d.id)]) used[r] = new Int32Array(length)
  /** What something holds: the minutes of each resource, how much of it there is, and how much it takes. */
  const held = (uses: Readonly<Record<string, number>>) =>
    Object.entries(uses).map(([r, amount]) => ({ of: used[r]!, most: resources[r] ?? 1, amount }))
  type Held = ReturnType<typeof held>
  const tasks = dogs.flatMap((dog) =>
    dog.tasks.map((task) => ({
      task,
      dog,
      holds: held({ ...task.uses, ...(task.needsDog ? { [dog.id]: 1 } : {}) }),
      byHand: (task.uses.hands ?? 0) > 0,
      after: task.preds.map((p) => ({ ...p, dur: dog.tasks.find((t) => t.id === p.task)!.dur })),
    })),
  )
  const pauses = breaks.map((one) => ({ ...one, holds: held(one.uses) }))
  const schedule: DaySchedule = { tasks: {}, breaks: {} }
  let best = Infinity

  const fits = (holds: Held, from: number, dur: number) => {
    for (const { of, most, amount } of holds)
      for (let t = from; t < from + dur; t++) if (of[t]! + amount > most) return false
    return true
  }
  const hold = (holds: Held, from: number, dur: number, sign: number) => {
    for (const { of, amount } of holds)
      for (let t = from; t < Math.min(length, from + dur); t++) of[t]! += sign * amount
  }

  function pause(b: number) {
    const one = pauses[b]
    if (!one) {
      const { objective } = scoreDay(problem, schedule)
      if (objective < best && faultsOf(problem, schedule).length === 0) best = objective
      return
    }
    for (let at = one.earliest; at <= one.latest; at++) {
      if (!fits(one.holds, at, one.dur)) continue
      hold(one.holds, at, one.dur, 1)
      schedule.breaks[one.id] = at
      pause(b + 1)
      hold(one.holds, at, one.dur, -1)
    }
  }

  /** Places the tasks from the i-th on; so far they come to `late` minutes, the hands end at `end`, and dogs stay so long. */
  function place(i: number, late: number, end: number, stays: number) {
    if (1000 * late + 10 * end + stays >= best) return
    const next = tasks[i]
    if (!next) return pause(0)
    const { task, dog, holds, byHand, after } = next
    let from = Math.max(dog.arrive, task.earliest ?? 0)
    let to = Math.min(horizon - task.dur, task.latest ?? Infinity)
    for (const p of after) {
      const ends = schedule.tasks[p.task]! + p.dur
      from = Math.max(from, ends + p.minGap)
      if (p.maxGap !== null) to = Math.min(to, ends + p.maxGap)
    }
    const readies = task.id === dog.readyTask
    for (let at = from; at <= to; at++) {
      if (!fits(holds, at, task.dur)) continue
      const ends = at + task.dur
      hold(holds, at, task.dur, 1)
      schedule.tasks[task.id] = at
      place(
        i + 1,
        readies ? late + Math.max(0, ends - dog.pickup) : late,
        byHand ? Math.max(end, ends) : end,
        readies ? stays + ends - dog.arrive : stays,
      )
      hold(holds, at, task.dur, -1)
    }
  }
  for (const a of away) hold(held(a.uses), a.from, a.to - a.from, 1)
  place(0, 0, 0, 0)
  return best
}
