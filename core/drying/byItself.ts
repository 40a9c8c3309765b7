import { coatHold, openShare, zoneWaterShares } from '../dog'
import { add, note, set, start, type Reason } from '../reckoned'
import { zoneAdvice } from './advice'
import { heatOff, kept, OFF, ORDERS } from './air'
import { CURVE, evaporationMinutes } from './curve'
import { bodyDries, DRYER, outletTemperature, pickUp, type Dryer } from './dryer'
import { wet, wetShare, type DryingFacts } from './facts'
import type { ZoneDrying } from './types'
import type { Way } from './ways'

declare module '../said' {
  interface Codes {
    'dry.byFan': { fan: string; grams: number; rate: number }
    'dry.byWarmth': { grams: number; rate: number }
    'dry.bodyHelps': { rate: number }
    'dry.secondFan': { fan: string }
    'dry.crating': None
    'dry.wontDry': { by: 'fan' | 'air'; hours: number }
  }
}

/** A dog left to dry by fan or in room air, its own warmth helping, down to `until` of its hold. */
export function dryByItself(way: Way, share: number, facts: DryingFacts, until: number) {
  const { coat, surface, room } = facts
  const { fan } = way
  const corded = coat.coat === 'corded'
  const hold = coatHold(coat) * surface * wetShare(facts)
  const warmth = bodyDries(room, surface * wetShare(facts), openShare(coat))
  const carries = (f: Dryer | undefined) => (f ? pickUp(f, heatOff(f), room, surface, corded) : 0)
  const one = evaporationMinutes(hold * share, hold, warmth + carries(fan), until)
  const second = one > CURVE.secondFanFrom.value ? way.second : undefined
  const rate = warmth + carries(fan) + carries(second)
  const evaporation = second ? evaporationMinutes(hold * share, hold, rate, until) : one
  const most = corded ? CURVE.fanMostCorded.value : CURVE.fanMost.value
  const crating = fan ? CURVE.crating.value : 0
  const minutes = Math.min(most, Math.max(CURVE.fanLeast.value, evaporation)) + crating
  const grams = hold * Math.max(0, share - until)
  const first = Math.min(evaporation, 10 * most)
  const reasons: (Reason | false)[] = [
    fan ? start('dry.byFan', { fan: fan.name, grams, rate }, first) : start('dry.byWarmth', { grams, rate }, first),
    fan !== undefined && note('dry.bodyHelps', { rate: warmth }),
    second !== undefined && note('dry.secondFan', { fan: second.name }),
    evaporation < CURVE.fanLeast.value && set('hands.atLeast', { minutes: CURVE.fanLeast.value }, CURVE.fanLeast.value),
    evaporation > most && set('dry.wontDry', { by: fan ? 'fan' : 'air', hours: most / 60 }, most),
    add('dry.crating', {}, crating),
  ]
  const shares = zoneWaterShares(coat.coat)
  const ofWet = wetShare(facts)
  const zones = ORDERS[facts.order]
    .filter((zone) => wet(facts, zone))
    .map((zone): ZoneDrying => ({
      zone,
      velocity: 0,
      warm: (minutes * shares[zone]) / ofWet,
      minutes: (minutes * shares[zone]) / ofWet,
      grams: (hold * share * shares[zone]) / ofWet,
      evaporates: (grams * shares[zone]) / ofWet,
      by: 'off',
      setting: OFF.name,
      distance: kept(DRYER.nearest.value),
      velocityDistance: null,
      limit: DRYER.tenderLimit.value,
      air: fan ? outletTemperature(fan, heatOff(fan), room) : room.celsius,
      advice: zoneAdvice(coat.coat, zone, way.technique),
    }))
  return { zones, minutes, reasons, grams, rate, second, dries: evaporation <= most }
}
