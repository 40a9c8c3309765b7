import { constants, house } from '../constants'
import type { Fear } from '../dog'
import { Stressor, type Settled, type Went } from './bearing'

/** How it went with one stressor on one day. */
export interface Borne {
  date: string
  stressor: Stressor
  went: Went
  settled: Settled
}

/** How the ladder is climbed. Rung 1 asks least of the dog, rung 5 is a visit without special care. */
export const LADDER = constants({
  rungs: house(5, 'rungs', [3, 7]),
  feared: house(2, 'rung to begin with', [1, 3]),
  usual: house(4, 'rung to begin with', [3, 5]),
  minutesARung: house(2, 'min for each rung below the top', [1, 4]),
})

/** The fear that each ladder answers; the others are climbed when they were asked about. */
const FEARED: Record<Stressor, Fear> = {
  'running water': 'water',
  face: 'face',
  feet: 'feet',
  tail: 'tail',
  ears: 'ears',
  brush: 'brush',
  'dryer noise': 'dryer',
  'air on the body': 'dryer',
  'air near the head': 'dryer',
  'the crate alone': 'crate',
}

/** Where a dog stands on one ladder, what is proposed next time, and the way there. Minutes: more than without care. */
export interface LadderStep {
  stressor: Stressor
  rung: number
  was: number
  minutes: number
  trend: { date: string; rung: number }[]
}

function moved(rung: number, { went, settled }: Borne): number {
  if (went === 'fought it' || settled === 'not that day') return Math.max(1, rung - 1)
  if (went === 'at ease' && settled === 'at once') return Math.min(LADDER.rungs.value, rung + 1)
  return rung
}

/**
 * The ladder of everything a dog fears or was once asked about: after a visit borne at ease and settled at
 * once the next asks one rung more, after one that was fought or not settled one rung less.
 */
export function ladderOf(fears: readonly Fear[], borne: readonly Borne[]): LadderStep[] {
  const sorted = [...borne].sort((a, b) => a.date.localeCompare(b.date))
  return Stressor.options.flatMap((stressor) => {
    const own = sorted.filter((b) => b.stressor === stressor)
    const feared = fears.includes(FEARED[stressor])
    if (own.length === 0 && !feared) return []
    const from = feared ? LADDER.feared.value : LADDER.usual.value
    let rung = from
    let was = from
    const trend = own.map((b) => {
      was = rung
      rung = moved(rung, b)
      return { date: b.date, rung }
    })
    return [
      {
        stressor,
        rung,
        was,
        minutes: (LADDER.rungs.value - rung) * LADDER.minutesARung.value,
        trend,
      },
    ]
  })
}
