import type { DayModel, ModelTask } from './model'
import { objectiveOf } from './problem'

/** Work on one machine in a relaxed day: from when it may be done, how long, and what must follow it. */
interface Job {
  dog: number
  head: number
  work: number
  tail: number
}

/** A stretch in which the relaxed machine stands still for a pause. */
interface Stop {
  from: number
  to: number
}

/** A pause that stops the whole machine: how long, and between which minutes it may begin. */
interface Pause {
  dur: number
  earliest: number
  latest: number
}

/** Minutes of a pause's beginning that are looked at together: by what they all hold in common, so that the bound stays one. */
const TOGETHER = 4

/** The least value of a relaxed day over every minute at which a pause may begin; of several pauses the one that costs most. */
function overPauses(pauses: readonly Pause[], value: (stops: readonly Stop[]) => number): number {
  const free = value([])
  return pauses.reduce((most, { dur, earliest, latest }) => {
    let least = Infinity
    for (let last = latest; last >= earliest && least > most; last -= TOGETHER) {
      const first = Math.max(earliest, last - TOGETHER + 1)
      least = Math.min(least, value(first + dur > last ? [{ from: last, to: first + dur }] : []))
    }
    return Math.max(most, least)
  }, free)
}

/** Earliest starts by what must come before: the longest chain, or all of the dog's own work, whichever is more. */
function headsOf(
  tasks: readonly ModelTask[],
  dogResource: (dog: number) => number,
): { head: number[]; before: Set<number>[] } {
  const head: number[] = []
  const before: Set<number>[] = []
  const visit = (i: number) => {
    if (head[i] !== undefined) return
    const t = tasks[i]!
    let chain = t.release
    const own = new Set<number>()
    for (const p of t.preds) {
      visit(p.task)
      chain = Math.max(chain, head[p.task]! + tasks[p.task]!.dur + p.min)
      own.add(p.task)
      for (const b of before[p.task]!) own.add(b)
    }
    const resource = dogResource(t.dog)
    const serial = [...own].filter(
      (b) => t.needs.some((n) => n.resource === resource) && tasks[b]!.needs.some((n) => n.resource === resource),
    )
    const first = Math.min(t.release, ...serial.map((b) => tasks[b]!.release))
    head[i] = Math.max(chain, first + serial.reduce((sum, b) => sum + tasks[b]!.dur, 0))
    before[i] = own
  }
  tasks.forEach((_, i) => visit(i))
  return { head, before }
}

/** Longest chains from the end of each task to the end of one of some others; −Infinity where none follows. 0 for one of them. */
function tailsOf(tasks: readonly ModelTask[], ends: (i: number) => boolean): number[] {
  const after: { task: number; min: number }[][] = tasks.map(() => [])
  tasks.forEach((t, i) => t.preds.forEach((p) => after[p.task]!.push({ task: i, min: p.min })))
  const tail: number[] = []
  const visit = (i: number): number => {
    if (tail[i] !== undefined) return tail[i]
    const chains = after[i]!.map((n) => n.min + tasks[n.task]!.dur + visit(n.task))
    return (tail[i] = Math.max(ends(i) ? 0 : -Infinity, ...chains))
  }
  tasks.forEach((_, i) => visit(i))
  return tail
}

/**
 * Jobs on one machine that may be interrupted, the first by `rank` of those that are there going on; the ends
 * of all jobs. With the largest tail first its longest end plus tail is least (Jackson), with the shortest
 * rest first the sum of the ends is (Schrage): relaxations of the day that no schedule can beat.
 */
function runRelaxed(jobs: readonly Job[], stops: readonly Stop[], rank: (job: Job, left: number) => number): number[] {
  const left = jobs.map((j) => j.work)
  const end = jobs.map((j) => j.head)
  let open = jobs.filter((j) => j.work > 0).length
  let now = Math.min(...jobs.map((j) => j.head), Infinity)
  while (open > 0) {
    const stop = stops.find((s) => s.from <= now && now < s.to)
    if (stop) {
      now = stop.to
      continue
    }
    let best = -1
    let next = Infinity
    jobs.forEach((job, i) => {
      if (left[i]! <= 1e-9) return
      if (job.head > now + 1e-9) next = Math.min(next, job.head)
      else if (best < 0 || rank(job, left[i]!) < rank(jobs[best]!, left[best]!)) best = i
    })
    for (const s of stops) if (s.from > now) next = Math.min(next, s.from)
    if (best < 0) {
      now = next
      continue
    }
    const step = Math.min(left[best]!, next - now)
    left[best] = left[best]! - step
    now += step
    if (left[best]! <= 1e-9) {
      end[best] = now
      open--
    }
  }
  return end
}

/** Everything the bounds ask of a model, worked out once. */
function relaxed(model: DayModel) {
  const { tasks, capacity, ready, problem } = model
  const names = Object.keys(problem.resources)
  const dogResource = (dog: number) => names.length + dog
  const { head, before } = headsOf(tasks, dogResource)
  const toHands = tailsOf(tasks, (i) => tasks[i]!.hands)
  const isReady = new Set(ready)
  const toReady = tailsOf(tasks, (i) => isReady.has(i))
  const pausesOn = (resource: number): Pause[] =>
    problem.breaks.filter((b) => (b.uses[names[resource]!] ?? 0) >= capacity[resource]!)
  const workOn = (resource: number, i: number) => {
    const need = tasks[i]!.needs.find((n) => n.resource === resource)
    return need ? (need.amount * tasks[i]!.dur) / capacity[resource]! : 0
  }
  return { names, head, before, toHands, toReady, pausesOn, workOn }
}

/** An end of the work that takes hands which no schedule can beat: over every resource, and every dog by itself. */
export function shortestEnd(model: DayModel, quick = false): number {
  const { tasks } = model
  const { names, head, toHands, pausesOn, workOn } = relaxed(model)
  let most = 0
  tasks.forEach((t, i) => {
    if (toHands[i]! > -Infinity) most = Math.max(most, head[i]! + t.dur + toHands[i]!)
  })
  for (let r = 0; r < names.length; r++) {
    if (model.capacity[r] === 0) continue
    const jobs = tasks.flatMap((t, i): Job[] => {
      const work = workOn(r, i)
      return work > 0 && toHands[i]! > -Infinity ? [{ dog: t.dog, head: head[i]!, work, tail: toHands[i]! }] : []
    })
    if (jobs.length === 0) continue
    const endOf = (stops: readonly Stop[]) =>
      runRelaxed(jobs, stops, (job) => -job.tail).reduce((last, end, j) => Math.max(last, end + jobs[j]!.tail), 0)
    most = Math.max(most, overPauses(quick ? [] : pausesOn(r), endOf))
  }
  return Math.ceil(most - 1e-6)
}

/** Each dog's work on a resource before it is ready, as one job. With `cleaning`, what can't be put off until after counts too. */
function dogJobs(model: DayModel, resource: number, facts: ReturnType<typeof relaxed>, cleaning: boolean): Job[] {
  const { tasks, ready } = model
  const { head, before, toReady, workOn } = facts
  return ready.map((last, dog): Job => {
    const own = new Set([...before[last]!, last])
    tasks.forEach((t, i) => {
      if (!cleaning || t.dog !== dog || own.has(i)) return
      const forced = t.preds.some((p) => own.has(p.task) && p.max + t.dur <= toReady[p.task]!)
      if (forced) own.add(i)
    })
    const busy = [...own].filter((i) => workOn(resource, i) > 0)
    const tails = busy.map((i) => (toReady[i]! > -Infinity ? toReady[i]! : 0))
    return {
      dog,
      head: Math.min(...busy.map((i) => head[i]!), Infinity),
      work: busy.reduce((sum, i) => sum + workOn(resource, i), 0),
      tail: busy.length > 0 ? Math.min(...tails) : 0,
    }
  })
}

/**
 * An objective that no schedule of the problem can beat: the least end of the work; the least sum of stays
 * and the least lateness over relaxed days in which one resource at a time is scarce and work on it may be
 * interrupted (a pause wherever it hurts least; `quick` leaves pauses out), each dog never faster than by itself.
 */
export function lowerBound(model: DayModel, quick = false): number {
  const { dogs } = model.problem
  const { tasks, ready, capacity } = model
  const facts = relaxed(model)
  const alone = ready.map((i) => facts.head[i]! + tasks[i]!.dur)
  const lateAlone = dogs.reduce((sum, dog, d) => sum + Math.max(0, alone[d]! - dog.pickup), 0)
  let readySum = alone.reduce((a, b) => a + b, 0)
  let late = lateAlone
  for (let r = 0; r < facts.names.length; r++) {
    if (capacity[r] === 0) continue
    const pauses = quick ? [] : facts.pausesOn(r)
    for (const cleaning of [false, true]) {
      const jobs = dogJobs(model, r, facts, cleaning).filter((j) => j.work > 0)
      if (jobs.length === 0) continue
      const rest = alone.filter((_, d) => !jobs.some((j) => j.dog === d)).reduce((a, b) => a + b, 0)
      const sumOf = (stops: readonly Stop[]) =>
        runRelaxed(jobs, stops, (_, left) => left).reduce((sum, end, j) => sum + end + jobs[j]!.tail, rest)
      readySum = Math.max(readySum, overPauses(pauses, sumOf))
      const due = (job: Job) => dogs[job.dog]!.pickup - job.tail
      const lateOf = (stops: readonly Stop[]) =>
        runRelaxed(jobs, stops, due).reduce((most, end, j) => Math.max(most, end - due(jobs[j]!)), 0)
      late = Math.max(late, overPauses(pauses, lateOf))
    }
  }
  const arrivals = dogs.reduce((sum, dog) => sum + dog.arrive, 0)
  return objectiveOf({
    late: Math.ceil(late - 1e-6),
    dayEnd: shortestEnd(model, quick),
    stays: Math.ceil(readySum - 1e-6) - arrivals,
  })
}
