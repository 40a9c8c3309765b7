import { handsOf, type DayModel, type ModelTask } from './model'

/** What may come next for a dog: which tasks are placed by it, in an order that respects the waits, and how far the dog is then. */
export interface Step {
  /** A number of its own over the whole day. */
  move: number
  dog: number
  tasks: number[]
  stage: number
  /** The tied tasks it belongs to, and whether it is the first of them: −1 for work tied to nothing. */
  group: number
  head: boolean
  /** Nothing waits for it but what can wait as long as it likes: it may always be done earlier. */
  loose: boolean
  /** It bathes the dog. */
  bath: boolean
  /** Minutes of hands it takes from its start on. */
  hands: number
  /** Minutes of the longest chain from its start to ready; −1 when it leads to nothing of that. */
  chain: number
}

/** A wait that is under way: from a task that is done to the start of one that is still to come, at the most. */
export interface Window {
  from: number
  to: number
  most: number
}

/** What is left for a dog on something scarce until it is ready, as one job. */
export interface Left {
  /** Minutes before it can begin, from when the dog can go on; minutes of it; and minutes from its end to ready. */
  head: number
  work: number
  tail: number
}

/** How far one dog has got, and what is left for it. */
export interface Stage {
  next: Step[]
  /** Minutes of work, times hands, that are left in all. */
  work: number
  /** Minutes for which the dog itself is still wanted until it is ready, one thing after the other. */
  wanted: number
  /** What is left on hands as one job; and only of what comes before the longest stretch alone. */
  hands: Left
  early: Left
  /** What is left of each thing in `Stages.scarce`. */
  alone: (Left | undefined)[]
  windows: Window[]
  ready: boolean
  bathed: boolean
  /** Minutes of work, times hands, up to the end of its baths; and minutes of the longest chain from one of them to ready. */
  toBath: number
  fromBath: number
}

/** A day as steps of its dogs. */
export interface Stages {
  dogs: Stage[][]
  /** Tasks that begin by themselves, before anything is decided. */
  first: number[]
  moves: number
  /** Resources that are held for long without hands, and that not all can have at once. */
  scarce: number[]
  /** Whether a search over all orders of the starts proves the best day: with one tub, water drawn by hand alone, and no work for two. */
  settled: boolean
  /** There is more than one pair of hands. */
  several: boolean
}

/** Stages of one dog above which a day isn't searched this way. */
const MOST_STAGES = 3000

interface Facts {
  model: DayModel
  /** Tasks that are decided: they take hands, or what they hold may be wanted by others at the same time. */
  decided: boolean[]
  /** The decided task each task is placed with: itself, or the one that it must follow at once. */
  lead: number[]
  group: number[]
  scarce: number[]
}

/** Earliest and latest start of work that takes no hands, in minutes from the end of the work it follows; undefined when it follows more than one thing. */
function following(model: DayModel, i: number): { lead: number; least: number; most: number } | undefined {
  const [pred, ...more] = model.tasks[i]!.preds
  if (!pred || more.length > 0) return undefined
  if (model.tasks[pred.task]!.hands) return { lead: pred.task, least: pred.min, most: pred.max }
  const before = following(model, pred.task)
  const { dur } = model.tasks[pred.task]!
  return before && { lead: before.lead, least: before.least + dur + pred.min, most: before.most + dur + pred.max }
}

/** Minutes that must lie between the ends of two such works when there is one pair of hands: the later one's own. */
const ownMinutes = (model: DayModel, i: number): number => {
  const { dur, preds } = model.tasks[i]!
  const tight = preds.find((p) => p.max === 0 && model.tasks[p.task]!.hands)
  return dur + (tight ? ownMinutes(model, tight.task) : 0)
}

/** How work that takes no hands comes by a resource: there is always enough; each in the turn of its bath; or as it is decided. */
type Had = 'always' | 'in turn' | 'decided'

/** How work that takes no hands comes by a resource: it may simply begin as soon as it can, unless that is decided. */
function howHad(model: DayModel, resource: number): Had {
  const { tasks, capacity, problem } = model
  const hands = problem.resources.hands ?? 0
  const names = Object.keys(problem.resources).length
  const users = tasks.flatMap((t, k) => (t.needs.some((n) => n.resource === resource) ? [k] : []))
  const amount = (k: number) => tasks[k]!.needs.find((n) => n.resource === resource)!.amount
  if (users.reduce((sum, k) => sum + amount(k), 0) <= capacity[resource]!) return 'always'
  if ((problem.away ?? []).some((a) => Object.keys(problem.resources)[resource]! in a.uses)) return 'decided'
  const alone = users.filter((k) => !tasks[k]!.hands)
  // a dog that could hold it twice at once
  if (!alone.every((k) => tasks[k]!.needs.some((n) => n.resource >= names))) return 'decided'
  const byHand = hands * Math.max(0, ...users.filter((k) => tasks[k]!.hands).map(amount))
  const most = Math.max(...alone.map(amount))
  // as many at once as another thing they all hold lets them
  const common = (of: readonly number[]) =>
    capacity.flatMap((c, r) =>
      r !== resource && r < names && of.every((k) => tasks[k]!.needs.some((n) => n.resource === r)) ? [c] : [],
    )
  if (Math.min(...common(alone), alone.length) * most + byHand <= capacity[resource]!) return 'always'
  // as many at once as their baths, one after the other, let them
  const after = alone.map((k) => following(model, k))
  if (after.some((a) => !a)) return 'decided'
  const leads = after.map((a) => a!.lead)
  if (!common(leads).includes(1)) return 'decided'
  const own = (lead: number) => (hands === 1 ? ownMinutes(model, lead) : tasks[lead]!.dur)
  const apart = Math.min(...leads.map(own))
  const span = Math.max(...alone.map((k, n) => tasks[k]!.dur + after[n]!.most - after[n]!.least))
  if ((1 + Math.ceil(span / apart)) * most + byHand <= capacity[resource]!) return 'always'
  if (byHand > 0) return 'decided'
  const inTurn = alone.every((first, n) =>
    alone.every((k, m) => tasks[k]!.dog === tasks[first]!.dog || after[n]!.most < own(leads[m]!) + after[m]!.least),
  )
  return inTurn ? 'in turn' : 'decided'
}

/**
 * Whether other work of a dog may come before or after a task and fits in before it: then it isn't settled that the task
 * begins when it could.
 */
function beside(model: DayModel): (i: number) => boolean {
  const { tasks, problem } = model
  const names = Object.keys(problem.resources).length
  const before = tasks.map(() => new Set<number>())
  const visit = (i: number, seen: Set<number>): void =>
    tasks[i]!.preds.forEach((p) => !seen.has(p.task) && (seen.add(p.task), visit(p.task, seen)))
  tasks.forEach((_, i) => visit(i, before[i]!))
  const dogOf = (i: number) => tasks[i]!.needs.find((n) => n.resource >= names)?.resource
  return (i) => {
    const dog = dogOf(i)
    if (dog === undefined) return false
    const after = following(model, i)
    const spare = after ? after.most - after.least : Infinity
    return tasks.some(
      (t, k) => k !== i && dogOf(k) === dog && t.dur <= spare && !before[i]!.has(k) && !before[k]!.has(i),
    )
  }
}

/** Tasks tied together by longest gaps, by number. */
function groupsOf(tasks: readonly ModelTask[]): number[] {
  const parent = tasks.map((_, i) => i)
  const root = (i: number): number => (parent[i] === i ? i : (parent[i] = root(parent[i]!)))
  tasks.forEach((t, i) => t.preds.forEach((p) => p.max < Infinity && (parent[root(i)] = root(p.task))))
  return tasks.map((_, i) => root(i))
}

/**
 * The decided task that each task is placed with: work by hand with the work by hand that it must follow at once,
 * unless it holds what others may want without hands; or, where there are more hands than one pair, what that doesn't
 * hold already: others may want it in between.
 */
function leadsOf({ tasks, problem }: DayModel, had: readonly Had[]): number[] {
  const several = problem.resources.hands !== 1
  const within = (i: number, of: number) =>
    tasks[i]!.needs.every((n) => tasks[of]!.needs.some((o) => o.resource === n.resource && o.amount >= n.amount))
  const contested = had.map(
    (how, r) => how === 'decided' && tasks.some((t) => !t.hands && t.needs.some((n) => n.resource === r)),
  )
  const lead: number[] = []
  const visit = (i: number): number => {
    if (lead[i] !== undefined) return lead[i]
    const { hands, pinned, preds, needs } = tasks[i]!
    const tight = preds.find((p) => p.max === 0 && p.min === 0 && tasks[p.task]!.hands)
    lead[i] = i
    if (!hands || !tight || pinned || needs.some((n) => contested[n.resource])) return i
    return (lead[i] = several && !within(i, tight.task) ? i : visit(tight.task))
  }
  tasks.forEach((_, i) => visit(i))
  return lead
}

/** Longest chains from the start of each task to the end of the dog's ready task; −1 where it doesn't lead there. */
function chainsOf(model: DayModel, ready: number, own: readonly number[]): Map<number, number> {
  const { tasks } = model
  const chain = new Map<number, number>([[ready, tasks[ready]!.dur]])
  const visit = (i: number): number => {
    const known = chain.get(i)
    if (known !== undefined) return known
    chain.set(i, -1)
    let most = -1
    for (const k of own) {
      const wait = tasks[k]!.preds.find((p) => p.task === i)
      if (wait && visit(k) >= 0) most = Math.max(most, tasks[i]!.dur + wait.min + visit(k))
    }
    chain.set(i, most)
    return most
  }
  own.forEach(visit)
  return chain
}

/** What must be had for this share of the minutes of all hands' work, one after the other, may hold up a day. */
const SCARCE = 0.3

/** What is held without hands, for so long that waiting for it may hold up a day. */
function scarceOf({ tasks, capacity, problem }: DayModel): number[] {
  const byHand = tasks.reduce((sum, t) => sum + (t.hands ? t.dur : 0), 0)
  return Object.keys(problem.resources).flatMap((_, r) => {
    const minutes = tasks.reduce((sum, t) => {
      const amount = t.hands ? 0 : (t.needs.find((n) => n.resource === r)?.amount ?? 0)
      return sum + amount * t.dur
    }, 0)
    return capacity[r]! > 0 && minutes > SCARCE * byHand * capacity[r]! ? [r] : []
  })
}

/** The tasks that begin by themselves once some are done, in order. */
function closure(facts: Facts, own: readonly number[], done: ReadonlySet<number>): number[] {
  const all = new Set(done)
  const more: number[] = []
  for (let grown = true; grown;) {
    grown = false
    for (const i of own) {
      if (all.has(i) || facts.decided[i] || !facts.model.tasks[i]!.preds.every((p) => all.has(p.task))) continue
      all.add(i)
      more.push(i)
      grown = true
    }
  }
  return more
}

/** The stages of one dog, the first one first; undefined when there are too many. */
function stagesOf(facts: Facts, dog: number, moveOf: (lead: number) => number): Stage[] | undefined {
  const { model, decided, lead, group, scarce } = facts
  const { tasks } = model
  const own = tasks.flatMap((t, i) => (t.dog === dog ? [i] : []))
  const ready = model.ready[dog]!
  const chain = chainsOf(model, ready, own)
  const stages: Stage[] = []
  const numbers = new Map<string, number>()
  const dogResource = Object.keys(model.problem.resources).length + dog
  const wants = (i: number) => tasks[i]!.needs.some((n) => n.resource === dogResource)
  const tied = (i: number) => own.some((k) => tasks[k]!.preds.some((p) => p.task === i && p.max < Infinity))

  function number(done: ReadonlySet<number>): number {
    const key = own.map((i) => (done.has(i) ? 1 : 0)).join('')
    const known = numbers.get(key)
    if (known !== undefined) return known
    const at = stages.length
    numbers.set(key, at)
    stages.push(undefined as never)
    if (stages.length > MOST_STAGES) return at
    stages[at] = stage(done)
    return at
  }

  const chainOf = (i: number) => chain.get(i)!
  /** Leads to ready, or must follow something that does so soon that it is over by then. */
  const overByReady = (i: number) =>
    chainOf(i) >= 0 || tasks[i]!.preds.some((p) => chainOf(p.task) - tasks[p.task]!.dur >= p.max + tasks[i]!.dur)
  const minutes = (of: readonly number[]) => of.reduce((sum, i) => sum + handsOf(model, i) * tasks[i]!.dur, 0)

  /** What must be done before one of some tasks, of what isn't done. */
  function ahead(of: readonly number[], done: ReadonlySet<number>): number[] {
    const found = new Set<number>()
    const collect = (i: number): void =>
      tasks[i]!.preds.forEach((p) => {
        if (done.has(p.task) || found.has(p.task)) return
        found.add(p.task)
        collect(p.task)
      })
    of.forEach(collect)
    return [...found].filter((i) => !of.includes(i))
  }

  /** What is left of a resource: the uses of it one after the other. */
  function leftOf(resource: number, before: readonly number[], done: ReadonlySet<number>): Left | undefined {
    const uses = before.filter((i) => tasks[i]!.needs.some((n) => n.resource === resource))
    if (uses.length === 0) return undefined
    const heads = uses.map((i) =>
      ahead([i], done)
        .filter(wants)
        .reduce((sum, k) => sum + tasks[k]!.dur, 0),
    )
    const amount = (i: number) => tasks[i]!.needs.find((n) => n.resource === resource)!.amount
    return {
      head: Math.min(...heads),
      work: uses.reduce((sum, i) => sum + (amount(i) * tasks[i]!.dur) / model.capacity[resource]!, 0),
      tail: Math.min(...uses.map((i) => chainOf(i) - tasks[i]!.dur)),
    }
  }

  function stage(done: ReadonlySet<number>): Stage {
    const left = own.filter((i) => !done.has(i))
    const before = left.filter((i) => chainOf(i) >= 0)
    const alone = before.filter((i) => !tasks[i]!.hands).sort((a, b) => tasks[b]!.dur - tasks[a]!.dur)[0]
    const next: Step[] = []
    for (const i of left) {
      if (!decided[i] || lead[i] !== i) continue
      const led = inOrder(
        left.filter((k) => lead[k] === i),
        tasks,
      )
      const inside = new Set([...done, ...led])
      if (!led.every((k) => tasks[k]!.preds.every((p) => inside.has(p.task)))) continue
      const more = closure(facts, own, inside)
      const inGroup = own.filter((k) => group[k] === group[i])
      next.push({
        move: moveOf(i),
        dog,
        tasks: [...led, ...more],
        stage: number(new Set([...inside, ...more])),
        group: inGroup.some((k) => decided[k] && lead[k] !== i) ? group[i]! : -1,
        head: !inGroup.some((k) => done.has(k)),
        loose: more.length === 0 && led.length === 1 && !tied(i),
        bath: led.some((k) => tasks[k]!.bath),
        hands: led.reduce((sum, k) => sum + (tasks[k]!.hands ? tasks[k]!.dur : 0), 0),
        chain: chainOf(i),
      })
    }
    const toReady = minutes(left.filter(overByReady))
    const baths = left.filter((i) => tasks[i]!.bath)
    return {
      next,
      work: minutes(left),
      wanted: before.filter(wants).reduce((sum, i) => sum + tasks[i]!.dur, 0),
      hands: { head: 0, work: toReady, tail: 0 },
      early:
        alone === undefined
          ? { head: 0, work: toReady, tail: 0 }
          : { head: 0, work: minutes(ahead([alone], done)), tail: chainOf(alone) },
      alone: scarce.map((r) => leftOf(r, before, done)),
      windows: left.flatMap((i) =>
        decided[i] ? tasks[i]!.preds.flatMap((p) => windowOf(model, p.task, p.max, decided, done, lead[i]!)) : [],
      ),
      ready: done.has(ready),
      bathed: baths.length === 0,
      toBath: minutes([...baths, ...ahead(baths, done)]),
      fromBath: Math.max(0, ...baths.map(chainOf)),
    }
  }
  const first = closure(facts, own, new Set())
  number(new Set(first))
  return stages.length > MOST_STAGES ? undefined : stages
}

/** The longest wait from the last work by hand that is done to work that is still to come, through what goes on by itself. */
function windowOf(
  model: DayModel,
  before: number,
  most: number,
  decided: readonly boolean[],
  done: ReadonlySet<number>,
  to: number,
): Window[] {
  if (most === Infinity || !done.has(before)) return []
  const { dur, preds, hands } = model.tasks[before]!
  const own = decided[before] || preds.length === 0 ? [{ from: before, to, most }] : []
  return hands ? own : [...own, ...preds.flatMap((p) => windowOf(model, p.task, most + dur + p.max, decided, done, to))]
}

function inOrder(group: readonly number[], tasks: readonly ModelTask[]): number[] {
  const left = new Set(group)
  const order: number[] = []
  while (left.size > 0) {
    const next = [...left].find((i) => tasks[i]!.preds.every((p) => !left.has(p.task)))!
    left.delete(next)
    order.push(next)
  }
  return order
}

/**
 * Which tasks are decided, and which resources leave what holds them without hands to begin by itself. Where some of
 * that is decided, all of it is: what begins by itself would else go before it.
 */
function decide(model: DayModel): { decided: boolean[]; had: Had[] } {
  const { tasks, problem } = model
  const had = Object.keys(problem.resources).map((_, r) => howHad(model, r))
  const parallel = beside(model)
  const decided = tasks.map(
    (t, i) =>
      t.hands || t.pinned || t.hot > 0 || (t.preds.length > 1 && t.preds.some((p) => p.max < Infinity)) || parallel(i),
  )
  const held = (i: number) => tasks[i]!.needs.flatMap((n) => (n.resource < had.length ? [n.resource] : []))
  const waits = (i: number): boolean => !tasks[i]!.hands && (decided[i]! || tasks[i]!.preds.some((p) => waits(p.task)))
  for (let changed = true; changed;) {
    changed = false
    tasks.forEach((_, i) => {
      if (!decided[i] && held(i).some((r) => had[r] === 'decided')) changed = decided[i] = true
    })
    had.forEach((how, r) => {
      if (how !== 'in turn' || !tasks.some((_, i) => held(i).includes(r) && waits(i))) return
      had[r] = 'decided'
      changed = true
    })
  }
  return { decided, had }
}

/** A day's model as stages of its dogs; undefined when a dog has too many. */
export function stagesOfDay(model: DayModel): Stages | undefined {
  const { tasks, problem } = model
  const { decided, had } = decide(model)
  const facts: Facts = {
    model,
    decided,
    lead: leadsOf(model, had),
    group: groupsOf(tasks),
    scarce: scarceOf(model),
  }
  const moves = new Map<number, number>()
  const moveOf = (i: number) => {
    if (!moves.has(i)) moves.set(i, moves.size)
    return moves.get(i)!
  }
  const dogs: Stage[][] = []
  for (let d = 0; d < problem.dogs.length; d++) {
    const stages = stagesOf(facts, d, moveOf)
    if (!stages) return undefined
    dogs.push(stages)
  }
  const first = problem.dogs.flatMap((_, d) =>
    closure(
      facts,
      tasks.flatMap((t, i) => (t.dog === d ? [i] : [])),
      new Set(),
    ),
  )
  const pairs = problem.resources.hands ?? 0
  const oneByOne = pairs >= 1 && (problem.resources.tub ?? 0) <= 1
  const settled = oneByOne && tasks.every((t, i) => (t.hot === 0 || t.hands) && handsOf(model, i) <= 1)
  return { dogs, first, moves: moves.size, scarce: facts.scarce, settled, several: pairs > 1 }
}
