import type { TubDay } from '@contract'
import type { Whereabouts } from '@core/tubside'
import { isMissing, type DayOdds, type DayState, type WashDay } from '@core/washday'
import { whoIsWhere, type DogNow } from '../../parts/whoIsWhere'

/** A dog of today by its taps, and by the plan where nothing was tapped yet. Minutes of the clock. */
export interface DogToday extends DogNow {
  arrive: number
  pickup: number
  /** The share of days like this on which it is ready in time; undefined once that is told by its taps. */
  onTime: number | undefined
  /** It should have been here for a while. */
  missing: boolean
}

/** Where a dog is by what was said of the day by hand: which of its parts are done or under way. */
function saidOf({ progress }: WashDay, seatId: string, ready: number | undefined): Whereabouts | undefined {
  if (!progress) return undefined
  const own = Object.entries(progress.tasks).filter(([id]) => id.startsWith(`${seatId}.`))
  if (own.length === 0) return undefined
  if (ready !== undefined && ready <= progress.now) return 'ready'
  return own.some(([, t]) => t.end === null) ? 'inHand' : 'here'
}

/**
 * Every dog of the day's seats: where it is and when it will be ready. One that is under way is told by its own steps,
 * one that waits by the plan of what is left; what was said of the day by hand counts where nothing was tapped.
 */
export function dogsToday(
  day: WashDay,
  tub: TubDay,
  { seats, run }: Pick<DayState, 'seats' | 'run'>,
  odds: DayOdds | null,
  now: Date,
): DogToday[] {
  const minute = now.getHours() * 60 + now.getMinutes()
  return whoIsWhere(tub, now.getTime()).flatMap((d): DogToday[] => {
    const { arrive, pickup, record } = d
    const seat = seats.find((s) => s.seat.dogId === d.dogId)?.seat
    if (!seat || arrive === null || pickup === null) return []
    const planned = run?.seats.find((s) => s.id === seat.id)?.ready
    const chance = odds?.dogs[seat.id]
    const untouched = record?.began === undefined && record?.arrived === undefined
    const said = untouched ? saidOf(day, seat.id, planned) : undefined
    const state = said ?? d.state
    const byPlan = said !== undefined || state === 'expected' || record?.began === undefined
    const ready = byPlan ? (planned ?? d.ready) : d.ready
    const likely = chance ? Math.max(chance.ready[2] + day.hours.from, ready ?? 0) : d.readyBy
    const over = state === 'ready' || state === 'gone'
    return [
      {
        ...d,
        arrive,
        pickup,
        state,
        ready,
        readyBy: byPlan ? likely : d.readyBy,
        late: ready === null || state === 'gone' ? 0 : Math.max(0, Math.round(ready - pickup)),
        onTime: byPlan && !over ? chance?.onTime : undefined,
        missing: isMissing({ expected: state === 'expected', arrive }, minute),
      },
    ]
  })
}
