import { constants, house as estimate, practice } from '../../constants'
import { said } from '../../said'
import type { DayFacts } from '../assemble'
import { crossing, nameOf, type DayFinding, type Judged } from '../finding'
import type { Offers, Remedies } from '../offers'

/** From where on the room's air is too damp to dry in. */
export const DAMP_LIMITS = constants({
  humid: practice(75, '%', [70, 85]),
  dryLonger: estimate(2, 'min', [1, 5]),
})

declare module '../../said' {
  interface Codes {
    'found.dryLonger': { name: string; minutes: number; humidity: number }
    'found.humid': { humidity: number; worstAt: number; limit: number; at: number }
    'do.window': None
  }
}

/** Air so damp that dogs dry longer in it. */
export function judgeAir(_: DayFacts, { seats, run }: Judged): DayFinding[] {
  const humid = crossing(run, run.humidity, (h) => h >= DAMP_LIMITS.humid.value)
  const longer = run.seats.filter((s) => s.dryLonger >= DAMP_LIMITS.dryLonger.value)
  const findings: DayFinding[] = longer.map((s) => ({
    id: `dry longer ${s.id}`,
    kind: 'dry longer',
    level: 'watch',
    seat: s.id,
    amount: s.dryLonger,
    ...said('found.dryLonger', { name: nameOf(seats, s.id), minutes: s.dryLonger, humidity: s.air!.humidity }),
  }))
  if (humid)
    findings.push({
      id: 'humid',
      kind: 'humid',
      level: 'watch',
      at: humid.at,
      amount: humid.worst - DAMP_LIMITS.humid.value,
      ...said('found.humid', {
        humidity: humid.worst,
        worstAt: humid.worstAt,
        limit: DAMP_LIMITS.humid.value,
        at: humid.at,
      }),
    })
  return findings
}

function remedies(o: Offers) {
  if (!o.day.windowOpen) o.offer('window', said('do.window'), { ...o.day, windowOpen: true })
  o.byFan()
}
export const airRemedies: Remedies<'humid' | 'dry longer'> = { humid: remedies, 'dry longer': remedies }
