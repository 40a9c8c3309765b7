import { constants, house, practice } from '../constants'
import type { DayState } from './finding'
import type { WashDay } from './schema'

/** When owners are told to come and to fetch, around what the day needs. */
export const OWNER_TIMES = constants({
  before: practice(10, 'min', [5, 20]),
  after: practice(15, 'min', [5, 30]),
  roundTo: house(5, 'min', [5, 15]),
  worth: practice(45, 'min', [30, 90]),
})

/** Times to tell an owner, minutes of the clock, and how many minutes less the dog is in the house for nothing. */
export interface OwnerTimes {
  seatId: string
  dogId: string
  arrive: number
  pickup: number
  saved: number
}

/**
 * Times for the owners of dogs that nothing was agreed for: such a seat is as long as the day is open, and no booking
 * of a calendar. A dog comes shortly before its first work and is fetched shortly after it is ready, `likely` (by seat,
 * minutes of the clock) where that is known better than the plan does. Only what spares a dog enough waiting; none for
 * a dog that isn't ready by the closing, or for a day that isn't arranged or has begun. Taking them never breaks the arrangement they come from.
 */
export function ownerTimes(
  { hours, seats, progress }: Pick<WashDay, 'hours' | 'seats' | 'progress'>,
  { schedule, run }: Pick<DayState, 'schedule' | 'run'>,
  likely: Readonly<Record<string, number>> = {},
): OwnerTimes[] {
  if (!schedule || !run || progress) return []
  const { before, after, roundTo, worth } = OWNER_TIMES
  const step = roundTo.value
  return seats.flatMap(({ id, dogId, arrive, pickup, event }) => {
    if (arrive !== hours.from || pickup !== hours.to || event !== null) return []
    const starts = Object.entries(schedule.tasks).flatMap(([task, at]) => (task.startsWith(`${id}.`) ? [at] : []))
    const ready = run.seats.find((s) => s.id === id)?.ready
    if (starts.length === 0 || ready === undefined) return []
    const first = Math.min(...starts) + hours.from
    const last = Math.max(ready, likely[id] ?? 0)
    // whoever is told the closing would wait for it: other ways out are offered for that
    if (last > hours.to) return []
    const come = Math.max(hours.from, step * Math.floor((first - before.value) / step))
    const fetch = Math.min(hours.to, step * Math.ceil((last + after.value) / step))
    const saved = come - arrive + (pickup - fetch)
    return saved >= worth.value ? [{ seatId: id, dogId, arrive: come, pickup: fetch, saved }] : []
  })
}

/** The day with those times agreed. */
export function withOwnerTimes(day: WashDay, times: readonly OwnerTimes[]): WashDay {
  const of = new Map(times.map((t) => [t.seatId, t]))
  return {
    ...day,
    seats: day.seats.map((seat) => {
      const agreed = of.get(seat.id)
      return agreed ? { ...seat, arrive: agreed.arrive, pickup: agreed.pickup } : seat
    }),
  }
}
