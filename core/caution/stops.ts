import { SORE, worstMats, zonesWith, ZONES } from '../dog'
import type { Clearance, ClearanceCover, EarSign, Mats, Skin, SkinMap, Zone } from '../dog'
import type { EarPlan } from '../ears'
import { said } from '../said'
import { notice, type Notice } from './notice'

/** Signs on the whole dog that end the visit before it begins. */
export type HealthSignName =
  'collapse' | 'heat stress' | 'laboured breathing' | 'suspected ringworm' | 'suspected scabies'

declare module '../said' {
  interface Codes {
    'stop.ear': { side: 'left' | 'right'; signs: EarSign[] }
    'stop.health': { sign: HealthSignName }
    'stop.wounds': None
    'stop.bite': None
    'stop.felted': { zones: Zone[] }
    /** `zones` empty: all over, or where isn't said. */
    'stop.skin': { skin: Skin; zones: Zone[] }
    'stop.medicated': { product: string }
  }
}

/** The facts that stop a visit or a step. */
export interface StopFacts {
  date: string
  clearances: readonly Clearance[]
  health: readonly HealthSignName[]
  wounds: 'none' | 'small' | 'wide'
  skin: SkinMap
  mats: Mats
  biteRisk: boolean
  helper: boolean
  medicatedWithoutInstruction?: string
}

/** Whether a vet's recorded word covers this on that day. A clearance of the whole visit covers everything. */
export function isCleared(clearances: readonly Clearance[], covers: ClearanceCover, date: string): boolean {
  return clearances.some((c) => (c.covers === covers || c.covers === 'whole visit') && c.on <= date && date <= c.until)
}

/** The stop for one ear that shows a sign, if its plan is to stop. */
export function earStop(side: 'left' | 'right', ear: EarPlan, signs: readonly EarSign[]): Notice | undefined {
  if (ear.action !== 'stop') return undefined
  return notice(`${side} ear`, said('stop.ear', { side, signs: [...signs] }), side)
}

/** Signs that a vet's clearance of the skin may lift; the others are lifted by none. */
const LIFTABLE: readonly HealthSignName[] = ['suspected ringworm', 'suspected scabies']

/**
 * Every stop that the facts give, ears apart. A stop is lifted by a recorded clearance alone, never by
 * another fact; a collapse, heat stress or laboured breathing by none.
 */
export function visitStops(facts: StopFacts): Notice[] {
  const cleared = (covers: ClearanceCover) => isCleared(facts.clearances, covers, facts.date)
  const stops: Notice[] = []
  for (const sign of facts.health) {
    if (LIFTABLE.includes(sign) && cleared('skin')) continue
    stops.push(notice('visit', said('stop.health', { sign }), sign))
  }
  if (facts.wounds === 'wide' && !cleared('wounds')) stops.push(notice('visit', said('stop.wounds')))
  if (facts.biteRisk && !facts.helper) stops.push(notice('visit', said('stop.bite')))
  if (worstMats(facts.mats) === 3)
    stops.push(notice('bath', said('stop.felted', { zones: ZONES.filter((z) => facts.mats[z] === 3) })))
  if (!cleared('skin') && !cleared('wounds')) {
    for (const skin of SORE) {
      const zones = zonesWith(facts.skin, [skin])
      const whole = facts.skin.whole.includes(skin)
      if (zones.length > 0) stops.push(notice('skin', said('stop.skin', { skin, zones: whole ? [] : zones }), skin))
    }
  }
  if (facts.medicatedWithoutInstruction)
    stops.push(notice('product', said('stop.medicated', { product: facts.medicatedWithoutInstruction })))
  return stops
}
