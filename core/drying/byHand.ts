import {
  COATS,
  coatHold,
  densityFactor,
  handFactor,
  lengthFactor,
  openShare,
  zoneWaterShares,
  ZONE_SHARES,
  type CoatType,
  type Zone,
} from '../dog'
import { isSleek, paceReason } from '../groomer'
import { add, note, reckon, start, withOwn, type Reason, type Reckoned } from '../reckoned'
import { zoneAdvice } from './advice'
import {
  airAt,
  airLimit,
  chooseAir,
  airsOf,
  distanceFor,
  heatOff,
  kept,
  nearHead,
  needsLowForce,
  OFF,
  ORDERS,
  soreAt,
  tenderAt,
  type Air,
} from './air'
import { CURVE, evaporationMinutes, velocityMinutes } from './curve'
import { bodyDries, DRYER, pickUp, turnedDown, type Dryer, type HeatSetting } from './dryer'
import { wet, type DryingFacts } from './facts'
import type { ZoneDrying } from './types'
import type { Way } from './ways'

declare module '../said' {
  interface Codes {
    'dry.evaporate': { dryer: string }
    'dry.blown': { dryer: string }
    'dry.brushFloor': { coat: CoatType }
    'dry.movingOn': { zones: number }
    'dry.soreZones': { zones: Zone[] }
    'dry.noGentleSetting': { metres: number }
    'dry.tender': { why: Said<Extract<Code, `tender.${string}`>>; limit: number }
    'dry.lowForce': None
    'dry.loose': None
    'dry.warmer': None
    'dry.noWarmAir': { zones: Zone[]; limit: number }
    'dry.room': { celsius: number; humidity: number }
    'damp.cloth': None
    'damp.topknot': None
    'damp.sore': None
    'damp.you': None
  }
}

/** The same function, each argument worked out once. */
function once<A, R>(work: (argument: A) => R): (argument: A) => R {
  const done = new Map<A, R>()
  return (argument) => {
    if (!done.has(argument)) done.set(argument, work(argument))
    return done.get(argument)!
  }
}

/** The dryer that a brush works in front of: the warm one, else the velocity dryer turned down. */
export function brushDryer({ velocity, warm }: Pick<Way, 'velocity' | 'warm'>): Dryer {
  return warm ?? turnedDown(velocity!, DRYER.lowForce.value)
}

/** How far fast air stays from a coat that bears so much: its distance, or null where none is within reach. */
function fastAir({ velocity }: Way, limit: number, room: DryingFacts['room']): number | null {
  if (!velocity) return null
  const { distance } = airAt(velocity, heatOff(velocity), room, limit)
  return distance !== null && distance <= DRYER.furthest.value ? kept(distance) : null
}

/** The warmest air that a zone would bear if it weren't sore, °C. */
function soundLimit(zone: Zone, facts: DryingFacts): number {
  const skin = { ...facts.skin, zones: { ...facts.skin.zones, [zone]: [] } }
  return airLimit(zone, { ...facts, skin })
}

/** The distance kept: the user's own, but never nearer to the head than is safe there. */
const ownDistance = (zone: Zone, distance: number | null, { distance: own }: DryingFacts): number | null =>
  !own || distance === null ? distance : nearHead(zone) ? Math.max(distance, own.effect) : own.effect

/** One zone's drying with what the brush and the air each take. */
export interface HandZone {
  dried: ZoneDrying
  evaporation: number
  brush: number
  warmer: boolean
}

/**
 * Zone by zone with a dryer in the hand or on its stand, starting at `share` of the fully wet hold. The zones that
 * aren't in hand dry a little on the dog's own warmth meanwhile.
 */
export function dryByHand(way: Way, share: number, facts: DryingFacts): HandZone[] {
  const { coat, surface, room } = facts
  const rates = COATS.rows[coat.coat]
  const waterShares = zoneWaterShares(coat.coat)
  const hand = handFactor(coat)
  const loose = 1 + (CURVE.loose.value - 1) * (coat.loose ?? 0)
  const depth = lengthFactor(coat) * densityFactor(coat)
  const warm = brushDryer(way)
  const warmth = bodyDries(room, surface, openShare(coat))
  const rate = once((setting: HeatSetting) => pickUp(warm, setting, room, surface) + warmth)
  const airs = once((limit: number) => airsOf(warm, room, limit))
  const fast = once((limit: number) => fastAir(way, limit, room))
  const force = (way.velocity?.force ?? 1) * (needsLowForce(facts) ? DRYER.lowForce.value : 1)
  return ORDERS[facts.order]
    .filter((zone) => wet(facts, zone))
    .map((zone): HandZone => {
      const area = surface * ZONE_SHARES.rows[zone].surface
      const hold = coatHold(coat) * surface * waterShares[zone]
      const limit = airLimit(zone, facts)
      const sore = soreAt(facts, zone)
      const blows = share > CURVE.velocityLeaves.value && !nearHead(zone) && sore === undefined
      const velocityDistance = blows ? fast(limit) : null
      const blown = velocityDistance !== null
      const towelled = nearHead(zone) && facts.head === 'towel' ? CURVE.headTowel.value : 1
      const velocity = blown ? loose * velocityMinutes(area, rates.blowOut, force, share, depth) : 0
      const grams = hold * (blown ? CURVE.velocityLeaves.value : share * towelled)
      const brushed = (area / rates.brushDry) * hand * loose * (blown ? CURVE.afterVelocity.value : 1)
      const evaporating = (setting: HeatSetting) => evaporationMinutes(grams, hold, rate(setting))
      const warmest = airs(limit).warm.at(-1)
      const least = Math.max(brushed, warmest ? evaporating(warmest.setting) : 0)
      // less heat is worth a little time
      const keepsUp = (setting: HeatSetting) => evaporating(setting) <= CURVE.lessHeat.value * least
      const air: Air = chooseAir(airs(limit), facts, sore !== undefined, keepsUp)
      // air that is warmer than the brush needs sets the hair sooner
      const needed = facts.heat === 'further' ? airs(limit).warm.find((a) => keepsUp(a.setting)) : undefined
      const warmer = needed !== undefined && air.setting.heatW > needed.setting.heatW
      const brush = warmer ? brushed * CURVE.furtherBrush.value : brushed
      const distance = distanceFor(zone, air, facts, warm.kind === 'velocity')
      const cloth =
        (nearHead(zone) && (facts.head === 'cloth' || distance === null)) || (facts.earsOff && zone === 'ears')
      const cold = cloth ? CURVE.headCloth.value : evaporating(air.setting)
      // a sore place is pressed with a cloth and aired as long as warm air would take; the last of it dries by itself
      const patch = !cloth && sore !== undefined && !facts.skin.whole.includes(sore)
      const asWarm = patch ? evaporating(chooseAir(airs(soundLimit(zone, facts)), facts, false, keepsUp).setting) : cold
      const evaporation = Math.min(cold, asWarm)
      const warmMinutes = cloth ? CURVE.headCloth.value : Math.max(evaporation, brush)
      const dried: ZoneDrying = {
        zone,
        velocity,
        warm: warmMinutes,
        minutes: velocity + warmMinutes,
        grams: hold * share,
        evaporates: Math.max(0, grams - CURVE.dry.value * hold),
        by: cloth ? 'cloth' : air.setting.heatW > 0 ? 'warm' : 'off',
        setting: air.setting.heatW > 0 ? air.setting.name : OFF.name,
        distance: cloth ? null : ownDistance(zone, distance, facts),
        velocityDistance,
        limit,
        air: air.air,
        advice: zoneAdvice(coat.coat, zone, way.technique, facts.styling?.[zone]),
        damp: cloth
          ? { code: 'damp.cloth', facts: {} }
          : zone === 'head' && facts.topknot
            ? { code: 'damp.topknot', facts: {} }
            : evaporation < cold
              ? { code: 'damp.sore', facts: {} }
              : facts.styling?.[zone] === 'damp'
                ? { code: 'damp.you', facts: {} }
                : undefined,
      }
      return { dried, evaporation, brush, warmer }
    })
}

/** The minutes of drying by hand, with what made them. */
export function handMinutes(zones: readonly HandZone[], way: Way, facts: DryingFacts, own?: Reason): Reckoned {
  const total = (of: (z: HandZone) => number) => zones.reduce((sum, z) => sum + of(z), 0)
  const evaporation = total((z) => z.evaporation)
  const dryer = brushDryer(way)
  const sore = zones.flatMap(({ dried }) => (soreAt(facts, dried.zone) ? [dried.zone] : []))
  const tender = zones.flatMap(({ dried }) => tenderAt(facts, dried.zone) ?? [])[0]
  const airless = zones.flatMap(({ dried }) => (facts.room.celsius >= dried.limit ? [dried.zone] : []))
  const hasHeat = dryer.settings.some((s) => s.heatW > 0)
  const tooHot =
    hasHeat &&
    facts.heat !== 'none' &&
    zones.some(({ dried }) => dried.by === 'off' && !sore.includes(dried.zone) && !airless.includes(dried.zone))
  const short = isSleek(facts.coat.coat) || facts.coat.coat === 'short double'
  const change = short ? CURVE.zoneChangeShort.value : CURVE.zoneChange.value
  const { celsius, humidity } = facts.room
  const reckoned = reckon(
    'min',
    start('dry.evaporate', { dryer: dryer.name }, evaporation),
    add(
      'dry.blown',
      { dryer: way.velocity?.name ?? '' },
      total((z) => z.dried.velocity),
    ),
    add('dry.brushFloor', { coat: facts.coat.coat }, total((z) => z.dried.warm) - evaporation),
    add('dry.movingOn', { zones: zones.length }, (zones.length - 1) * change),
    paceReason(facts.mood),
    sore.length > 0 && note('dry.soreZones', { zones: sore }),
    tooHot && note('dry.noGentleSetting', { metres: DRYER.furthest.value }),
    tender !== undefined && note('dry.tender', { why: tender, limit: DRYER.tenderLimit.value }),
    way.velocity !== undefined && needsLowForce(facts) && note('dry.lowForce', {}),
    facts.coat.loose !== undefined && note('dry.loose', {}),
    zones.some((z) => z.warmer) && note('dry.warmer', {}),
    airless.length > 0 && note('dry.noWarmAir', { zones: airless, limit: DRYER.tenderLimit.value }),
    note('dry.room', { celsius, humidity }),
  )
  return withOwn(reckoned, own)
}
