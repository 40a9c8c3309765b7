import type { DayModel } from './model'
import { needsOf, singleBits, type Held } from './needs'

/** What is held in every minute, as work is placed. */
export interface Calendar {
  /** A bit for each resource of which there is one. */
  single: readonly number[]
  /** What is away and what is pinned want the same at once. */
  clash: boolean
  /** Forgets what was placed; what is away or pinned stays. */
  reset(): void
  /** The earliest start from `from` to `to` at which all that is needed is free for `dur` minutes, or −1. */
  free(held: Held, dur: number, from: number, to: number): number
  /** Takes hold, or with −1 lets go. */
  hold(held: Held, from: number, dur: number, sign: 1 | -1): void
}

/** What is held before anything is placed: by what is away, and by pinned tasks. */
function standing({ problem, tasks, capacity, length }: DayModel, single: readonly number[]) {
  const names = Object.keys(problem.resources)
  const busy = new Int32Array(length)
  const used = capacity.map(() => new Int32Array(length))
  const away = (problem.away ?? []).map(({ uses, from, to }) => ({
    needs: needsOf(names, uses),
    from,
    to: Math.min(to, length),
  }))
  const pins = tasks
    .filter((t) => t.pinned)
    .map((t) => ({ needs: t.needs, from: t.release, to: Math.min(t.release + t.dur, length) }))
  for (const { needs, from, to } of [...away, ...pins]) {
    for (const { resource, amount } of needs) {
      for (let t = from; t < to; t++) {
        used[resource]![t] = used[resource]![t]! + amount
        busy[t] = busy[t]! | single[resource]!
      }
    }
  }
  const over = used.some((line, r) => line.some((n) => n > capacity[r]!))
  return { busy, used, clash: over && pins.length > 0 }
}

/** A calendar of a model; its minutes are reused, so that a search allocates nothing. */
export function makeCalendar(model: DayModel): Calendar {
  const { capacity, length } = model
  const single = singleBits(capacity)
  const counting = capacity.map((_, r) => r).filter((r) => single[r] === 0)
  const used = capacity.map(() => new Int32Array(length))
  const busy = new Int32Array(length)
  const base = standing(model, single)

  function free({ mask, counted }: Held, dur: number, from: number, to: number): number {
    let s = from
    search: while (s <= to) {
      for (let t = s + dur - 1; t >= s; t--) {
        if (busy[t]! & mask) {
          s = t + 1
          continue search
        }
      }
      for (let k = 0; k < counted.length; k++) {
        const { resource, amount } = counted[k]!
        const line = used[resource]!
        const room = capacity[resource]! - amount
        for (let t = s + dur - 1; t >= s; t--) {
          if (line[t]! > room) {
            s = t + 1
            continue search
          }
        }
      }
      return s
    }
    return -1
  }

  return {
    single,
    clash: base.clash,
    reset() {
      busy.set(base.busy)
      for (const r of counting) used[r]!.set(base.used[r]!)
    },
    free,
    hold({ mask, counted }, from, dur, sign) {
      for (let t = from; t < from + dur; t++) busy[t] = busy[t]! ^ mask
      for (const { resource, amount } of counted) {
        const line = used[resource]!
        for (let t = from; t < from + dur; t++) line[t] = line[t]! + sign * amount
      }
    },
  }
}
