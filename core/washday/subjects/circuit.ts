import { CAUTION } from '../../caution'
import { said } from '../../said'
import type { DayFacts } from '../assemble'
import { crossing, type DayFinding, type Judged } from '../finding'
import type { Offers, Remedies } from '../offers'

declare module '../../said' {
  interface Codes {
    'found.circuit': { circuit: string; at: number; watts: number; limit: number }
    'found.load': { circuit: string; at: number; watts: number; limit: number }
  }
}

/** Circuits that carry more than their fuse, or nearly. */
export function judgeCircuits(_: DayFacts, { run }: Judged): DayFinding[] {
  return run.circuits.flatMap(({ name, limit, watts }): DayFinding[] => {
    const over = crossing(run, watts, (w) => w > limit + 1e-6)
    if (over)
      return [
        {
          id: `circuit ${name}`,
          kind: 'circuit',
          level: 'stop',
          at: over.at,
          amount: over.worst - limit,
          ...said('found.circuit', { circuit: name, at: over.at, watts: over.worst, limit }),
        },
      ]
    const load = crossing(run, watts, (w) => w > CAUTION.load.value * limit)
    if (!load) return []
    return [
      {
        id: `load ${name}`,
        kind: 'load',
        level: 'watch',
        at: load.at,
        amount: load.worst - CAUTION.load.value * limit,
        ...said('found.load', { circuit: name, at: load.at, watts: load.worst, limit }),
      },
    ]
  })
}

function remedies(o: Offers) {
  o.byFan()
  o.arrangeAgain()
}
export const circuitRemedies: Remedies<'circuit' | 'load'> = { circuit: remedies, load: remedies }
