import { COATS, coatHold, coatWords, ZONE_SHARES, zoneWaterShares, type Zone } from '../dog'
import { paceReason } from '../groomer'
import { add, note, reckon, start, type Reason, type Reckoned } from '../reckoned'
import { say } from '../units'
import { zoneAdvice } from './advice'
import { airLimit, chooseAir, distanceFor, nearHead, OFF, ORDERS, soreSkin, tenderReason } from './air'
import { CURVE, evaporationMinutes, velocityMinutes } from './curve'
import { DRYER, pickUp, type Dryer, type HeatSetting } from './dryer'
import type { TechniqueChoice } from './technique'
import type { DryingFacts, ZoneDrying } from './types'

/** The same function, each argument worked out once. */
function once<A, R>(work: (argument: A) => R): (argument: A) => R {
  const done = new Map<A, R>()
  return (argument) => {
    if (!done.has(argument)) done.set(argument, work(argument))
    return done.get(argument)!
  }
}

/** Zone by zone with a dryer in the hand or on its stand, starting at `share` of the fully wet hold. */
export function dryByHand(choice: TechniqueChoice, warm: Dryer, share: number, facts: DryingFacts) {
  const { coat, surface, room } = facts
  const rates = COATS.rows[coat.coat]
  const waterShares = zoneWaterShares(coat.coat)
  const rate = once((setting: HeatSetting) => pickUp(warm, setting, room, surface))
  const blowing = choice.velocity !== undefined
  return ORDERS[facts.order].map((zone) => {
    const area = surface * ZONE_SHARES.rows[zone].surface
    const hold = coatHold(coat) * surface * waterShares[zone]
    const blown = blowing && !nearHead(zone) && share > CURVE.velocityLeaves.value
    const towelled = nearHead(zone) && facts.head === 'towel' ? CURVE.headTowel.value : 1
    const velocity = blown ? velocityMinutes(area, rates.blowOut, choice.velocity!.force, share) : 0
    const grams = hold * (blown ? CURVE.velocityLeaves.value : share * towelled)
    const limit = airLimit(zone, facts)
    const brush = (area / rates.brushDry) * (blown ? CURVE.afterVelocity.value : 1)
    const evaporating = (setting: HeatSetting) => evaporationMinutes(grams, hold, rate(setting))
    const air = chooseAir(warm, facts, limit, (setting) => evaporating(setting) <= brush)
    const evaporation = evaporating(air.setting)
    const cloth = facts.head === 'cloth' && nearHead(zone)
    const warmMinutes = cloth ? CURVE.headCloth.value : Math.max(evaporation, brush)
    const dried: ZoneDrying = {
      zone,
      velocity,
      warm: warmMinutes,
      minutes: velocity + warmMinutes,
      grams: hold * share,
      evaporates: Math.max(0, grams - CURVE.dry.value * hold),
      setting: cloth ? 'cloth' : air.setting.heatW > 0 ? air.setting.name : OFF.name,
      distance: distanceFor(zone, air, facts),
      limit,
      air: air.air,
      advice: zoneAdvice(coat.coat, zone, choice.technique),
      damp: dampOnPurpose(zone, facts, cloth),
    }
    return { dried, evaporation: cloth ? warmMinutes : evaporation, brush }
  })
}

/** Why a zone is left damp by intent. */
function dampOnPurpose(zone: Zone, facts: DryingFacts, cloth: boolean): string | undefined {
  if (cloth) return 'school: cloth only, the last of it dries by itself'
  if (zone === 'head' && facts.topknot) return 'the topknot, tied slightly damp'
  return undefined
}

/** The minutes of drying by hand, with what made them. */
export function handMinutes(
  zones: ReturnType<typeof dryByHand>,
  choice: TechniqueChoice,
  facts: DryingFacts,
  own?: Reason,
): Reckoned {
  const total = (of: (z: (typeof zones)[number]) => number) => zones.reduce((sum, z) => sum + of(z), 0)
  const evaporation = total((z) => z.evaporation)
  const tender = tenderReason(facts)
  const sore = soreSkin(facts.skin)
  const hasHeat = choice.warm!.settings.some((s) => s.heatW > 0)
  const tooHot = hasHeat && !sore && facts.heat !== 'none' && zones.some((z) => z.dried.setting === OFF.name)
  return reckon(
    'min',
    start(`${choice.warm!.name}: the water that is left, evaporated`, evaporation),
    add(
      `${choice.velocity?.name ?? 'velocity dryer'}: water driven out first`,
      total((z) => z.dried.velocity),
    ),
    add(`a ${coatWords(facts.coat.coat)} can’t be brushed dry faster`, total((z) => z.dried.warm) - evaporation),
    add(`moving on, ${zones.length} zones`, (zones.length - 1) * CURVE.zoneChange.value),
    paceReason(facts.mood),
    sore !== undefined && note(`${sore} skin: no warm air`),
    tooHot && note(`no setting is gentle enough within ${say(DRYER.furthest.value * 100)} cm: heat off`),
    tender !== undefined && note(`${tender}: air at the coat no warmer than ${DRYER.tenderLimit.value} °C`),
    note(`room ${say(facts.room.celsius)} °C, ${say(facts.room.humidity, 0)} % humid`),
    own,
  )
}
