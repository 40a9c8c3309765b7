import { coatHold, zoneWaterShares } from '../dog'
import { set, start } from '../reckoned'
import { say } from '../units'
import { zoneAdvice } from './advice'
import { kept, OFF, ORDERS } from './air'
import { CURVE, evaporationMinutes } from './curve'
import { DRYER, outletTemperature, pickUp, type Dryer } from './dryer'
import type { TechniqueChoice } from './technique'
import type { DryingFacts, ZoneDrying } from './types'

/** The moving or still air of a dog that dries by itself: a fan's, or the room's. */
function airAround(choice: TechniqueChoice): Dryer {
  if (choice.fan) return choice.fan
  return {
    name: 'Room air',
    kind: 'fan',
    airflow: DRYER.stillAir.value,
    nozzleMm: 800,
    motorW: 5,
    settings: [OFF],
    force: 1,
    level: 30,
    circuit: '',
  }
}

/** A dog left to dry by fan or in room air, down to `until` of its hold. */
export function dryByItself(choice: TechniqueChoice, share: number, facts: DryingFacts, until: number) {
  const source = airAround(choice)
  const { coat, surface, room } = facts
  const hold = coatHold(coat) * surface
  const setting = source.settings.find((s) => s.heatW === 0) ?? OFF
  const rate = pickUp(source, setting, room, surface)
  const evaporation = evaporationMinutes(hold * share, hold, rate, until)
  const most = coat.coat === 'corded' ? CURVE.fanMostCorded.value : CURVE.fanMost.value
  const minutes = Math.min(most, Math.max(CURVE.fanLeast.value, evaporation))
  const what = `${source.name}: ${say(hold * (share - until), 0)} g at ${say(rate, 1)} g a minute`
  const reasons = [
    start(what, Math.min(evaporation, 10 * most)),
    evaporation < CURVE.fanLeast.value && set('at least three minutes', CURVE.fanLeast.value),
    evaporation > most &&
      set(`will not dry by ${choice.fan ? 'fan' : 'air'} in this room: stop after ${say(most / 60)} h`, most),
  ]
  const shares = zoneWaterShares(coat.coat)
  const zones = ORDERS[facts.order].map((zone): ZoneDrying => ({
    zone,
    velocity: 0,
    warm: minutes * shares[zone],
    minutes: minutes * shares[zone],
    grams: hold * share * shares[zone],
    evaporates: Math.max(0, share - until) * hold * shares[zone],
    setting: OFF.name,
    distance: kept(DRYER.nearest.value),
    limit: DRYER.tenderLimit.value,
    air: outletTemperature(source, setting, room),
    advice: zoneAdvice(coat.coat, zone, choice.technique),
  }))
  return { zones, minutes, reasons, dries: evaporation <= most }
}
