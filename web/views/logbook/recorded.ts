import type { Outcome } from '@core/tubside'
import { FINDING_NAMES, ZONE_NAMES, capital, zonesListed, type Say } from '@words'

/** One thing that was put down during a visit, in words. */
export interface Recorded {
  what: string
  words: string
}

function fingersWords({ passes, planned, fingers, slippery }: Outcome['rinse'], say: Say): string {
  const passed = `${say.count(passes, 'pass', 'passes')}, planned ${planned}`
  const found = slippery.length > 0 ? `slippery at first: ${zonesListed(slippery)}` : undefined
  const end =
    fingers === 'clean'
      ? 'nothing slippery at the end'
      : fingers === null
        ? 'not felt with the fingers'
        : `left slippery: ${zonesListed([fingers])}`
  return [passed, found, end].filter(Boolean).join('; ')
}

const roundsWords = (ears: Outcome['ears'], say: Say) =>
  (['left', 'right'] as const)
    .flatMap((side) => {
      const { rounds, clean, signs = [] } = ears[side]
      return [
        ...(rounds > 0 ? [`${side} ${say.count(rounds, 'round')}, ${clean ? 'clean' : 'still dirty'}`] : []),
        ...(signs.length > 0 ? [`${side} stopped: ${say.list(signs)}`] : []),
      ]
    })
    .join('; ')

/** What a visit's record holds beside its minutes and amounts, in the order of the work; empty lines are left out. */
export function recordedOf(o: Outcome, say: Say): Recorded[] {
  const rows: (Recorded | false)[] = [
    o.by !== '' && { what: 'Worked by', words: o.by },
    o.stoppedEarly !== null && { what: 'Stopped early', words: o.stoppedEarly },
    o.happened.length > 0 && {
      what: 'Happened',
      words: o.happened.map((h) => (h.text ? `${h.what}, ${h.text}` : h.what)).join('; '),
    },
    o.found.length > 0 && {
      what: 'Found',
      words: o.found.map((f) => `${FINDING_NAMES[f.kind]}, ${ZONE_NAMES[f.zone]}`).join('; '),
    },
    roundsWords(o.ears, say) !== '' && { what: 'Ears', words: roundsWords(o.ears, say) },
    o.rinse.passes > 0 && { what: 'Last rinse', words: fingersWords(o.rinse, say) },
    o.towelWater !== null && {
      what: 'In the towels',
      words: `${say.number(o.towelWater.measured, 0)} g of water, expected ${say.number(o.towelWater.planned, 0)} g`,
    },
    o.damp.length > 0 && { what: 'Felt damp', words: zonesListed(o.damp) },
    o.noise.length > 0 && {
      what: 'Noise',
      words: o.noise.map((n) => `${say.number(n.level, 0)} dBA for ${say.number(n.minutes)} min, measured`).join('; '),
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
