import type { DaySchedule, DayProblem } from './problem'
import { makeDecoder, type Decoder, type Plan } from './decode'
import { buildModel, type DayModel } from './model'

/** By which of an item's tasks a schedule's order is read: its first or its last. */
type OrderBy = 'begin' | 'end'

/** The plan that places a schedule's items in its order, each put off as the schedule has it. */
export function planFrom(model: DayModel, schedule: DaySchedule, by: OrderBy = 'begin'): Plan {
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
    if (at === undefined || model.stretch[i] === 0 || model.heads.includes(i)) return
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

/** The same with work that a schedule begins later than it could, for a wish, put off by as much. */
export function planLike(model: DayModel, decoder: Decoder, schedule: DaySchedule, by: OrderBy = 'begin'): Plan {
  const plan = planFrom(model, schedule, by)
  if (!model.problem.wishes) return plan
  const startOf = (i: number) => schedule.tasks[model.tasks[i]!.id] ?? 0
  for (const head of [...model.heads].sort((a, b) => startOf(a) - startOf(b))) {
    if (decoder.run(plan) === Infinity) break
    const later = startOf(head) - decoder.startOf(head)
    if (later <= 0 || later > model.stretch[head]!) continue
    plan.delay[head] = later
    // under the facts as they are now there may be no room for that any more
    if (decoder.run(plan) === Infinity) plan.delay[head] = 0
  }
  return plan
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
 * changed since. Two placings, of which the one that moves least is taken, so that it can follow a hand; where neither holds, two with nothing put off. Undefined when the order can't be kept. `dry`
 * doesn't ask the tank, to show a day whose water won't hold.
 */
export function keepOrder(problem: DayProblem, schedule: DaySchedule, dry = false): DaySchedule | undefined {
  const model = buildModel(problem)
  const decoder = makeDecoder(model, { dry })
  const moved = (found: DaySchedule) =>
    Object.entries(found.tasks).reduce((sum, [id, at]) => sum + Math.abs(at - (schedule.tasks[id] ?? at)), 0)
  const placed = (plan: Plan) => (decoder.run(plan) < Infinity ? [decoder.schedule()] : [])
  const inOrder = (like: (by: OrderBy) => Plan) => (['begin', 'end'] as const).flatMap((by) => placed(like(by)))
  let found = inOrder((by) => planLike(model, decoder, schedule, by))
  // nothing put off: what was may be in the way now
  if (found.length === 0)
    found = inOrder((by) => ({ ...planFrom(model, schedule, by), delay: new Int32Array(model.stretch.length) }))
  return found.sort((a, b) => moved(a) - moved(b))[0]
}
