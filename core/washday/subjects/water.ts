import { constants, house as estimate } from '../../constants'
import { said } from '../../said'
import type { DayFacts } from '../assemble'
import { nameOf, type DayFinding, type Judged } from '../finding'
import { HABITS } from '../habits'
import type { Offers, Remedies } from '../offers'

/** From where on hot water is said to be short. */
export const WATER_LIMITS = constants({
  tankLow: estimate(0.1, 'share of a full tank', [0.05, 0.2]),
})

declare module '../../said' {
  interface Codes {
    'found.water': { name: string; at: number; coldestC: number }
    'found.lowWater': { litres: number; full: number; at: number }
    'do.heater': { at: number }
  }
}

/** Hot water that runs short, or nearly does. */
export function judgeWater(facts: DayFacts, { seats, run }: Judged): DayFinding[] {
  if (run.short) {
    const { at, seat, coldest } = run.short
    const name = nameOf(seats, seat)
    return [
      {
        id: 'water',
        kind: 'water',
        level: 'stop',
        seat,
        at,
        amount: Math.max(1, run.hot.filter((h) => h <= 1e-6).length),
        ...said('found.water', { name, at, coldestC: coldest }),
      },
    ]
  }
  const floor = WATER_LIMITS.tankLow.value * run.hotFull
  if (facts.house.water.heater === 'tankless' || run.lowest.litres >= floor) return []
  const { litres, at } = run.lowest
  return [
    {
      id: 'low water',
      kind: 'low water',
      level: 'watch',
      at,
      amount: floor - litres,
      ...said('found.lowWater', { litres, full: run.hotFull, at }),
    },
  ]
}

/** The heater goes on earlier, where it goes by the clock. */
export function heaterEarlier({ facts: { house }, day, offer }: Offers) {
  if (house.water.heater !== 'tank' || day.heaterFrom === null || day.progress) return
  const on = Math.max(0, day.heaterFrom - HABITS.earlierHeater.value)
  if (on < day.heaterFrom) offer('heater', said('do.heater', { at: on }), { ...day, heaterFrom: on })
}

function remedies(o: Offers) {
  heaterEarlier(o)
  o.arrangeAgain()
  o.unpin()
  o.earlier(HABITS.startEarlier.value)
  o.leaveOut()
}
export const waterRemedies: Remedies<'water' | 'low water'> = { water: remedies, 'low water': remedies }
