import type { Begun } from './begun'
import type { DayModel } from './model'
import { OBJECTIVE } from './problem'
import type { Stages, Step } from './stages'

/** Keeps of days begun with the same steps done only those that could still turn out best. */
export interface Sameness {
  /** Puts a day among those with the same steps done, by their `hash`, unless one of them can always end at least as well; takes out those that can't end better than it. `roughly`: the order in which things were done tells no days apart, so that more kinds of day are kept; then nothing is proven. */
  keep(among: Map<number, Begun>, begun: Begun, roughly?: boolean): void
}

/**
 * Which of two days begun with the same steps done can always end at least as well. Where everything stands as early,
 * hands are free as early and no less hot water is there, whatever can follow the one can follow the other.
 *
 * Work that must be followed in time (a bath, by the drying) may still have to begin later, when what follows comes
 * late, and moves what was done since along with it. So days with such work under way are compared only when what was
 * done since then is the same in the same order; or when only one such work is under way, nothing was done since but
 * what can be moved along with it at no cost, and that takes no longer. `letGo` is told of days that aren't kept.
 */
export function makeSameness(model: DayModel, stages: Stages, letGo: (begun: Begun) => void): Sameness {
  const { problem, tasks, ready } = model
  const { dogs, breaks } = problem
  const n = tasks.length
  const pairs = problem.resources.hands ?? 0
  const perEnd = OBJECTIVE.dayEnd.value
  const { capacityDl, recoveryDlPerMin } = problem.tank
  /** Minutes from a task's start for which it may matter to what comes. */
  const matters = Int32Array.from(
    tasks,
    (t, i) => t.dur + Math.max(0, ...tasks.flatMap((o) => o.preds.flatMap((p) => (p.task === i ? [p.min] : [])))),
  )
  const groupOf = new Int32Array(n).fill(-1)
  for (const list of stages.dogs)
    for (const { next } of list) for (const step of next) for (const i of step.tasks) groupOf[i] = step.group

  const open = new Set<number>()
  const path: Begun[] = []
  const relative = new Int32Array(n)
  const inPath = new Uint8Array(n)

  /** Whether a step begins the work of a group, or can be moved along with it at no cost: by hand, and nothing waits for it in turn. */
  const moves = (step: Step, group: number) =>
    ((step.group === group && step.head) || step.loose) &&
    tasks[step.tasks[0]!]!.hands &&
    step.tasks.every((i) => i !== ready[tasks[i]!.dog] && tasks[i]!.latest === Infinity)

  /** Minutes from the first step of the path to the end of the last, with nothing to wait for but each other. */
  function rigidMinutes(): number {
    let now = 0
    for (let k = path.length - 1; k >= 0; k--) {
      for (const i of path[k]!.step!.tasks) {
        const t = tasks[i]!
        let s = t.hands ? now : 0
        for (const p of t.preds) {
          if (inPath[p.task]) s = Math.max(s, relative[p.task]! + tasks[p.task]!.dur + p.min)
        }
        relative[i] = s
        inPath[i] = 1
        if (t.hands) now = s + t.dur
      }
    }
    for (const { step } of path) for (const i of step!.tasks) inPath[i] = 0
    return now
  }

  /** Fills in what was done since the first work under way that must be followed in time. */
  function lookBack(begun: Begun) {
    open.clear()
    let own = -1
    for (let d = 0; d < dogs.length; d++) {
      for (const { to } of stages.dogs[d]![begun.stage[d]!]!.windows) {
        own = groupOf[to]!
        open.add(own)
      }
    }
    begun.costBefore = begun.cost
    if (open.size === 0) return
    let simple = open.size === 1 && pairs === 1
    let before = begun
    path.length = 0
    while (open.size > 0 && before.parent) {
      path.push(before)
      const { step } = before
      simple &&= step !== undefined && moves(step, own)
      if (step && step.group >= 0) {
        if (step.head) open.delete(step.group)
        else open.add(step.group)
      }
      before = before.parent
    }
    if (simple) {
      begun.since = 'simple'
      begun.rigid = rigidMinutes()
      return
    }
    begun.costBefore = before.cost
    for (const { step, pause } of path) {
      const code = step ? breaks.length + step.move : pause
      begun.since += String.fromCharCode(code)
      begun.hash = (Math.imul(begun.hash, 31) + code) | 0
    }
  }

  /** Whether `a` can always end at least as well as `b`. */
  function asGood(a: Begun, b: Begun): boolean {
    if (a.rigid > b.rigid || a.handsAt > b.handsAt || a.floor > b.floor) return false
    if (a.costBefore + perEnd * Math.max(0, a.dayEnd - b.dayEnd) > b.costBefore) return false
    const { floor } = b
    const t = Math.max(a.levelAt, b.levelAt)
    const water = Math.min(capacityDl, a.level + recoveryDlPerMin * (t - a.levelAt))
    if (water < Math.min(capacityDl, b.level + recoveryDlPerMin * (t - b.levelAt))) return false
    const [sa, sb] = [a.start, b.start]
    for (let i = 0; i < n; i++) {
      const s = sa[i]!
      if (s > sb[i]! && s + matters[i]! > floor) return false
    }
    for (let k = 0; k < breaks.length; k++) {
      const s = sa[n + k]!
      if (s > sb[n + k]! && s + breaks[k]!.dur > floor) return false
    }
    return true
  }

  function same(a: Begun, b: Begun): boolean {
    if (a.pauses !== b.pauses || a.since !== b.since) return false
    for (let d = 0; d < dogs.length; d++) if (a.stage[d] !== b.stage[d]) return false
    return true
  }

  return {
    keep(among, begun, roughly = false) {
      const plain = begun.hash
      if (roughly) begun.costBefore = begun.cost
      else lookBack(begun)
      const key = begun.hash
      begun.hash = plain
      const first = among.get(key)
      for (let o = first; o; o = o.twin) if (same(o, begun) && asGood(o, begun)) return letGo(begun)
      // those that it makes needless go
      let tail = begun
      for (let o = first; o;) {
        const { twin }: Begun = o
        if (!(same(o, begun) && asGood(begun, o))) {
          tail.twin = o
          tail = o
        } else letGo(o)
        o = twin
      }
      tail.twin = undefined
      among.set(key, begun)
    },
  }
}
