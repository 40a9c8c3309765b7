import { said } from '../../said'
import type { DayFacts } from '../assemble'
import { crossing, type DayFinding, type Judged } from '../finding'
import type { Remedies } from '../offers'

declare module '../../said' {
  interface Codes {
    'found.towels': { short: number; at: number }
    'do.towels': { count: number }
  }
}

/** As many towels more as a day can be given. */
const MOST_EXTRA = 100

/** Towels that are used up before the last dog. */
export function judgeTowels(_: DayFacts, { run }: Judged): DayFinding[] {
  const out = crossing(run, run.towels, (t) => t < 0, Math.min)
  if (!out) return []
  const short = Math.ceil(-out.worst)
  return [
    {
      id: 'towels',
      kind: 'towels',
      level: 'stop',
      at: out.at,
      amount: short,
      ...said('found.towels', { short, at: out.at }),
    },
  ]
}

export const towelRemedies: Remedies<'towels'> = {
  towels({ finding, day, offer }) {
    const extraTowels = Math.min(MOST_EXTRA, day.extraTowels + finding.amount)
    offer('towels', said('do.towels', { count: finding.amount }), { ...day, extraTowels })
  },
}
