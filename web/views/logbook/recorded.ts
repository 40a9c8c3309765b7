import { ZONE_NAMES, type Zone } from '../../../core/dog'
import type { Outcome } from '../../../core/tubside'
import { capital, list, say } from '../../../core/units'

/** One thing that was put down during a visit, in words. */
export interface Recorded {
  what: string
  words: string
}

const named = (zones: readonly Zone[]) => list(zones.map((z) => ZONE_NAMES[z]))
const rounds = (n: number) => (n === 1 ? '1 round' : `${n} rounds`)

function fingersWords({ passes, planned, fingers, slippery }: Outcome['rinse']): string {
  const passed = `${passes} ${passes === 1 ? 'pass' : 'passes'}, planned ${planned}`
  const found = slippery.length > 0 ? `slippery at first: ${named(slippery)}` : undefined
  const end =
    fingers === 'clean'
      ? 'nothing slippery at the end'
      : fingers === null
        ? 'not felt with the fingers'
        : `left slippery: ${named([fingers])}`
  return [passed, found, end].filter(Boolean).join('; ')
}

const earWords = (ears: Outcome['ears']) =>
  (['left', 'right'] as const)
    .filter((side) => ears[side].rounds > 0)
    .map((side) => `${side} ${rounds(ears[side].rounds)}, ${ears[side].clean ? 'clean' : 'still dirty'}`)
    .join('; ')

/** What a visit's record holds beside its minutes and amounts, in the order of the work; empty lines are left out. */
export function recordedOf(o: Outcome): Recorded[] {
  const rows: (Recorded | false)[] = [
    o.by !== '' && { what: 'Worked by', words: o.by },
    o.stoppedEarly !== null && { what: 'Stopped early', words: o.stoppedEarly },
    o.happened.length > 0 && {
      what: 'Happened',
      words: o.happened.map((h) => (h.text ? `${h.what}, ${h.text}` : h.what)).join('; '),
    },
    o.found.length > 0 && {
      what: 'Found',
      words: o.found.map((f) => `${f.kind}, ${ZONE_NAMES[f.zone]}`).join('; '),
    },
    (o.ears.left.rounds > 0 || o.ears.right.rounds > 0) && { what: 'Ears', words: earWords(o.ears) },
    o.rinse.passes > 0 && { what: 'Last rinse', words: fingersWords(o.rinse) },
    o.towelWater !== null && {
      what: 'In the towels',
      words: `${say(o.towelWater.measured, 0)} g of water, expected ${say(o.towelWater.planned, 0)} g`,
    },
    o.damp.length > 0 && { what: 'Felt damp', words: named(o.damp) },
    o.noise.length > 0 && {
      what: 'Noise',
      words: o.noise.map((n) => `${say(n.level, 0)} dBA for ${say(n.minutes)} min, measured`).join('; '),
    },
    Object.keys(o.settled).length > 0 && {
      what: 'Bore it',
      words: Object.entries(o.settled)
        .map(([stressor, how]) => `${stressor} ${how.went}, settled ${how.settled}`)
        .join('; '),
    },
    o.notes.length > 0 && { what: 'Noted', words: o.notes.join('; ') },
  ]
  return rows.filter((r): r is Recorded => r !== false).map((r) => ({ ...r, words: capital(r.words) }))
}
