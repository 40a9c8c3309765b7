import type { DayModel } from './model'

const TINY = 1e-7

/** Hot water as baths draw it, as work is placed. */
export interface Tank {
  /** Forgets what was placed; the draws of pinned tasks stay. */
  reset(): void
  /** Decilitres by which it would first fall short with one more draw; 0 when it holds. */
  lacks(task: number, at: number): number
  /** A task whose start stands draws; one that is taken out again doesn't. */
  draw(task: number): void
  takeOut(task: number): void
  /** Whether the pinned draws by themselves leave it short. */
  drained(): boolean
}

/** The tank of a model. `start`: where the placed tasks begin, kept by whoever places them. */
export function makeTank({ problem, tasks, capacity }: DayModel, start: Int32Array): Tank {
  const { tank } = problem
  const tub = Object.keys(problem.resources).indexOf('tub')
  const pinned = tasks
    .map((_, i) => i)
    .filter((i) => tasks[i]!.pinned && tasks[i]!.hot > 0)
    .sort((a, b) => tasks[a]!.latest - tasks[b]!.latest)
  /** In order of their starts. */
  let draws: number[] = []
  const from = new Float64Array(tasks.length + 1)
  const to = new Float64Array(tasks.length + 1)
  const rate = new Float64Array(tasks.length + 1)
  const moments = new Float64Array(2 * tasks.length + 2)

  /** With one tub no two draws overlap, and the tank can be followed from one to the next. */
  const oneByOne =
    tub >= 0 &&
    capacity[tub] === 1 &&
    tasks.every((t) => t.hot === 0 || t.needs.some((n) => n.resource === tub && n.amount > 0))

  /** The level after `minutes` of a draw of `hot` dl at an even rate, from `level`; negative where it fell short. */
  function afterDraw(level: number, hot: number, minutes: number): number {
    const end = level + tank.recoveryDlPerMin * minutes - hot
    return Math.min(tank.capacityDl, end)
  }

  /** As `lacks`, for draws that follow one another. */
  function lacksInTurn(task: number, at: number): number {
    let level = tank.initialDl
    let now = 0
    let own = false
    for (let k = 0; k <= draws.length; k++) {
      const next = k < draws.length ? draws[k]! : -1
      const mine = !own && (next < 0 || start[next]! > at)
      if (next < 0 && !mine) break
      const d = mine ? task : next
      const begin = mine ? at : start[d]!
      if (mine) {
        own = true
        k--
      }
      level = Math.min(tank.capacityDl, level + tank.recoveryDlPerMin * Math.max(0, begin - now))
      level = afterDraw(level, tasks[d]!.hot, tasks[d]!.dur)
      if (level < -TINY) return -level
      now = begin + tasks[d]!.dur
    }
    return 0
  }

  function lacks(task: number, at: number): number {
    if (oneByOne) return lacksInTurn(task, at)
    const count = draws.length + 1
    for (let k = 0; k < count; k++) {
      const d = k < draws.length ? draws[k]! : task
      const begin = k < draws.length ? start[d]! : at
      const { dur, hot } = tasks[d]!
      from[k] = begin
      to[k] = begin + dur
      rate[k] = hot / dur
      moments[2 * k] = begin
      moments[2 * k + 1] = begin + dur
    }
    const sorted = moments.subarray(0, 2 * count).sort()
    let level = Math.min(tank.capacityDl, tank.initialDl + tank.recoveryDlPerMin * sorted[0]!)
    for (let i = 0; i + 1 < sorted.length; i++) {
      const [a, b] = [sorted[i]!, sorted[i + 1]!]
      if (a === b) continue
      let net = tank.recoveryDlPerMin
      for (let k = 0; k < count; k++) if (from[k]! <= a && to[k]! >= b) net -= rate[k]!
      level = Math.min(tank.capacityDl, level + net * (b - a))
      if (level < -TINY) return -level
    }
    return 0
  }

  return {
    reset() {
      draws = [...pinned]
    },
    lacks,
    draw(task) {
      let k = draws.length
      while (k > 0 && start[draws[k - 1]!]! > start[task]!) k--
      draws.splice(k, 0, task)
    },
    takeOut(task) {
      draws.splice(draws.indexOf(task), 1)
    },
    drained() {
      const [first, ...rest] = pinned
      if (first === undefined) return false
      draws = rest
      for (const i of pinned) start[i] = tasks[i]!.latest
      return lacks(first, tasks[first]!.latest) > 0
    },
  }
}
