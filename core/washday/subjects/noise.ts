import { constants, memory } from '../../constants'
import { said } from '../../said'
import type { DayFacts } from '../assemble'
import type { DayFinding, Judged } from '../finding'
import { USUAL_MUFFS } from '../habits'
import type { Remedies } from '../offers'

/** From where on a day is too loud, or nearly. */
export const NOISE_LIMITS = constants({
  dose: memory(100, '% of a day', 'NIOSH 98-126 (1998)'),
  doseWatch: memory(50, '% of a day', 'NIOSH 98-126 (1998), action level'),
})

declare module '../../said' {
  interface Codes {
    'found.noise': { dose: number; over: boolean; at: number }
    'do.muffs': { nrr: number }
  }
}

/** A day too loud for the groomer's ears. */
export function judgeNoise(_: DayFacts, { run }: Judged): DayFinding[] {
  const total = run.dose.at(-1) ?? 0
  const over = total > NOISE_LIMITS.dose.value
  if (!over && total < NOISE_LIMITS.doseWatch.value) return []
  const first = run.dose.findIndex((d) => d > (over ? NOISE_LIMITS.dose : NOISE_LIMITS.doseWatch).value)
  return [
    {
      id: 'noise',
      kind: 'noise',
      level: over ? 'stop' : 'watch',
      at: run.from + first,
      amount: total - NOISE_LIMITS.doseWatch.value,
      ...said('found.noise', { dose: total, over, at: run.from + first }),
    },
  ]
}

export const noiseRemedies: Remedies<'noise'> = {
  noise(o) {
    if ((o.day.protector ?? o.facts.house.protector).kind === 'none')
      o.offer('muffs', said('do.muffs', { nrr: USUAL_MUFFS.nrr }), { ...o.day, protector: USUAL_MUFFS })
    o.byFan({ anyone: true })
  },
}
