import { needsOf, type Need } from './needs'
import type { DayProblem } from './problem'

/** A task as numbers: indices into the model, minutes and amounts. */
export interface ModelTask {
  id: string
  dog: number
  dur: number
  release: number
  /** The last minute at which it may begin; Infinity when nothing says so. */
  latest: number
  /** Pinned to its release: what it holds is kept free for it. */
  pinned: boolean
  needs: Need[]
  hot: number
  bath: boolean
  hands: boolean
  preds: { task: number; min: number; max: number }[]
}

/** What is placed in one go: tasks tied together by a longest gap, in order; or a break. */
export interface Item {
  dog: number
  tasks: number[]
  breakIndex: number
  before: number[]
  /** By how much the end of what each task waits for may move apart from the head of the group, min: how far a failed placing may safely be shifted. */
  slack: number[]
}

/** A problem in the form in which it is searched. */
export interface DayModel {
  problem: DayProblem
  tasks: ModelTask[]
  items: Item[]
  capacity: number[]
  ready: number[]
  /** Minutes by which each task, then each break, may be put off from its earliest. */
  stretch: Int32Array
  /** The first task of each item; it is put off from when it could begin, the others from what they follow. */
  heads: number[]
  length: number
}

/** Pairs of hands that a task takes. */
export function handsOf({ problem, tasks }: Pick<DayModel, 'problem' | 'tasks'>, i: number): number {
  const hands = Object.keys(problem.resources).indexOf('hands')
  return tasks[i]!.needs.find((n) => n.resource === hands)?.amount ?? 0
}

/** Tasks joined by finite gaps, each set in an order that respects its waits. */
function tied(tasks: readonly ModelTask[]): number[][] {
  const parent = tasks.map((_, i) => i)
  const root = (i: number): number => (parent[i] === i ? i : (parent[i] = root(parent[i]!)))
  tasks.forEach((t, i) => t.preds.forEach((p) => p.max < Infinity && (parent[root(i)] = root(p.task))))
  const groups = new Map<number, number[]>()
  tasks.forEach((_, i) => groups.set(root(i), [...(groups.get(root(i)) ?? []), i]))
  return [...groups.values()].map((group) => topological(group, tasks))
}

/** Minutes by which a task may be put off after what it waits for. */
function stretchOf(task: ModelTask): number {
  return Math.min(Infinity, ...task.preds.filter((p) => p.max < Infinity).map((p) => p.max - p.min))
}

/** An order that respects the waits; of what could come next, what can wait least. */
function topological(group: readonly number[], tasks: readonly ModelTask[]): number[] {
  const left = new Set(group)
  const order: number[] = []
  while (left.size > 0) {
    const open = [...left].filter((i) => tasks[i]!.preds.every((p) => !left.has(p.task)))
    const [next] = open.sort((a, b) => stretchOf(tasks[a]!) - stretchOf(tasks[b]!) || a - b)
    if (next === undefined) throw new RangeError('tasks wait for each other in a circle')
    left.delete(next)
    order.push(next)
  }
  return order
}

/** The items that must be placed before an item: those its tasks wait for, and for a dog last in the tub every other bath. */
function itemsBefore(
  group: readonly number[],
  tasks: readonly ModelTask[],
  itemOf: readonly number[],
  own: number,
  last: readonly boolean[],
): number[] {
  const before = new Set<number>()
  for (const i of group) {
    const task = tasks[i]!
    for (const p of task.preds) before.add(itemOf[p.task]!)
    if (task.bath && last[task.dog])
      tasks.forEach((other, j) => other.bath && !last[other.dog] && before.add(itemOf[j]!))
  }
  before.delete(own)
  return [...before]
}

/** Minutes by which work that is tied to nothing before it may be put off for a wish: a breather, a quiet while, no scrap. */
const WISHED_LATER = 15

/** Turns a problem into arrays and items. Throws a RangeError when tasks wait for each other in a circle. */
export function buildModel(problem: DayProblem): DayModel {
  const names = Object.keys(problem.resources)
  const capacity = [...names.map((n) => problem.resources[n]!), ...problem.dogs.map(() => 1)]
  const index = new Map<string, number>()
  problem.dogs.forEach((dog) => dog.tasks.forEach((t) => index.set(t.id, index.size)))
  const tasks = problem.dogs.flatMap((dog, d) =>
    dog.tasks.map((t): ModelTask => {
      return {
        id: t.id,
        dog: d,
        dur: t.dur,
        release: Math.max(dog.arrive, t.earliest ?? 0),
        latest: t.latest ?? Infinity,
        pinned: t.latest !== undefined && t.latest === Math.max(dog.arrive, t.earliest ?? 0),
        needs: needsOf(names, t.uses, t.needsDog ? d : undefined),
        hot: t.hotDl,
        bath: t.kind === 'bath',
        hands: (t.uses.hands ?? 0) > 0,
        preds: t.preds.map((p) => ({ task: index.get(p.task)!, min: p.minGap, max: p.maxGap ?? Infinity })),
      }
    }),
  )
  const groups = tied(tasks)
  const itemOf = new Array<number>(tasks.length)
  groups.forEach((group, g) => group.forEach((i) => (itemOf[i] = g)))
  const last = problem.dogs.map((d) => d.lastInTub)
  const stretch = new Int32Array(tasks.length + problem.breaks.length)
  const items = groups.map((group, g): Item => {
    group.forEach((i) => {
      const most = stretchOf(tasks[i]!)
      stretch[i] = Number.isFinite(most) ? most : 0
    })
    const away = new Map<number, number>()
    const slack = group.map((i) => {
      const before = Math.max(0, ...tasks[i]!.preds.filter((p) => p.max < Infinity).map((p) => away.get(p.task) ?? 0))
      away.set(i, before + stretch[i]!)
      return before
    })
    return {
      dog: tasks[group[0]!]!.dog,
      tasks: group,
      breakIndex: -1,
      before: itemsBefore(group, tasks, itemOf, g, last),
      slack,
    }
  })
  problem.breaks.forEach((pause, b) => {
    stretch[tasks.length + b] = pause.latest - pause.earliest
    items.push({ dog: -1, tasks: [], breakIndex: b, before: [], slack: [] })
  })
  const heads = items.flatMap(({ tasks: [head] }) => (head === undefined ? [] : [head]))
  if (problem.wishes) for (const head of heads) stretch[head] = WISHED_LATER
  const longest = Math.max(
    ...tasks.map((t) => t.dur + (t.pinned ? t.latest : 0)),
    ...problem.breaks.map((b) => b.dur + b.latest),
    ...(problem.away ?? []).map((a) => a.to),
    0,
  )
  return {
    problem,
    tasks,
    items,
    capacity,
    ready: problem.dogs.map((dog) => index.get(dog.readyTask)!),
    stretch,
    heads,
    length: problem.horizon + longest + 1,
  }
}
