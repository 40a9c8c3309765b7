import { constants, house } from '../constants'
import type { Fear } from '../dog'
import type { Settled, Stressor, Went } from './bearing'

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

interface Ladder {
  fear?: Fear
  rungs: readonly [string, string, string, string, string]
  drop: string
  homework: string
}

/** What each rung is, what is left out first, and what the owner can do at home. Common practice, no source. */
const LADDERS: Record<Stressor, Ladder> = {
  'running water': {
    fear: 'water',
    rungs: [
      'cup and bucket, body only',
      'a thin stream held to the body',
      'shower on body and legs, head by cloth',
      'shower everywhere, head last',
      'no special care',
    ],
    drop: 'the second shampoo',
    homework: 'Stand in the dry tub for a treat, then with a finger of water.',
  },
  face: {
    fear: 'face',
    rungs: [
      'look only',
      'a damp cloth, one side',
      'a damp cloth all over',
      'cup with the hand shielding the eyes',
      'no special care',
    ],
    drop: 'washing the head',
    homework: 'Hold the chin for a count of three, treat; a damp cloth on the cheek.',
  },
  feet: {
    fear: 'feet',
    rungs: [
      'rinsed, not handled',
      'each foot held for a moment',
      'between the toes, no nails',
      'two feet of nails',
      'no special care',
    ],
    drop: 'nails',
    homework: 'Touch a foot, treat, let go; a day later hold it for longer.',
  },
  tail: {
    fear: 'tail',
    rungs: ['rinsed only', 'wiped under', 'washed, not combed', 'combed in short turns', 'no special care'],
    drop: 'combing the tail',
    homework: 'Stroke along the back to the tail root, treat.',
  },
  ears: {
    fear: 'ears',
    rungs: ['look only', 'flap wiped', 'cotton at the opening', 'one round a side', 'no special care'],
    drop: 'the ear rounds',
    homework: 'Lift a flap, treat; a dry cotton at the opening.',
  },
  brush: {
    fear: 'brush',
    rungs: [
      'the hand only',
      'soft brush on the back',
      'body, not legs and belly',
      'all over in short turns',
      'no special care',
    ],
    drop: 'the full comb-through',
    homework: 'Three strokes of a soft brush a day, treat after each.',
  },
  'dryer noise': {
    fear: 'dryer',
    rungs: [
      'towels and warm room only',
      'dryer running at the far wall',
      'lowest setting, hood on',
      'usual setting, hood on, breaks',
      'no special care',
    ],
    drop: 'the velocity dryer',
    homework: 'A hair dryer running in the next room at meal times.',
  },
  'air on the body': {
    fear: 'dryer',
    rungs: ['towels only', 'air on the rump from 1 m', 'rear half, lowest', 'body, not shoulders', 'no special care'],
    drop: 'drying in front of the shoulders by air',
    homework: 'Cool air on the rump for a count of three, treat.',
  },
  'air near the head': {
    fear: 'dryer',
    rungs: [
      'cloth only',
      'cloth, air behind the ears',
      'cool air from 60 cm',
      'cool air, hand shielding',
      'no special care',
    ],
    drop: 'air in front of the ears',
    homework: 'Towel over the head and off again, treat.',
  },
  'the crate alone': {
    fear: 'crate',
    rungs: [
      'no crate: held or on a mat',
      'door open, you beside it',
      'door shut for a minute, in sight',
      'in sight for the rest',
      'no special care',
    ],
    drop: 'the rest in the crate',
    homework: 'Meals in the open crate at home.',
  },
}

/** Where a dog stands on one ladder, what is proposed next time, and the way there. Minutes: more than without care. */
export interface LadderStep {
  stressor: Stressor
  rung: number
  was: number
  words: string
  minutes: number
  drop: string
  homework: string
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
  return (Object.keys(LADDERS) as Stressor[]).flatMap((stressor) => {
    const ladder = LADDERS[stressor]
    const own = sorted.filter((b) => b.stressor === stressor)
    const feared = ladder.fear !== undefined && fears.includes(ladder.fear)
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
        words: ladder.rungs[rung - 1]!,
        minutes: (LADDER.rungs.value - rung) * LADDER.minutesARung.value,
        drop: ladder.drop,
        homework: ladder.homework,
        trend,
      },
    ]
  })
}
