import {
  COATS,
  coatHold,
  coatWords,
  ZONE_SHARES,
  zoneWaterShares,
  type Coat,
  type Mood,
  type Skin,
  type Stage,
  type Zone,
} from '../dog'
import { add, note, reckon, set, start, type Reason, type Reckoned } from '../reckoned'
import { paceReason } from '../groomer'
import { say } from '../units'
import { CURVE, evaporationMinutes, velocityMinutes } from './curve'
import { DRYER, outletTemperature, pickUp, safeDistance, type Dryer, type HeatSetting, type RoomAir } from './dryer'
import { towelsWorthwhile, waterAfterBath, waterForDryer, type WaterLeft } from './afterBath'
import { chooseTechnique, type TechniqueChoice } from './technique'

/** The facts that set the drying. Surface m². */
export interface DryingFacts {
  coat: Coat
  surface: number
  skin: readonly Skin[]
  stage: Stage
  shortNose: boolean
  thinSkin: boolean
  dryerShy: boolean
  mood: Mood
  room: RoomAir
  heat: 'lowest' | 'none' | 'further'
  order: 'rear' | 'shoulders' | 'belly'
  dryers: readonly Dryer[]
  crateFits: boolean
  chamois: boolean
  towels?: number
}

/** One zone's drying: minutes by stage, heat setting, distance in m and the limit at the coat in °C. */
export interface ZoneDrying {
  zone: Zone
  velocity: number
  warm: number
  minutes: number
  grams: number
  setting: string
  distance: number
  limit: number
  air: number
}

/** A visit's drying, zone by zone, with its total and the way there. */
export interface DryingPlan {
  choice: TechniqueChoice
  stages: WaterLeft[]
  towels: number
  water: Reckoned
  zones: ZoneDrying[]
  minutes: Reckoned
  dries: boolean
}

const ORDERS: Record<DryingFacts['order'], Zone[]> = {
  rear: ['hindlegs', 'tail', 'feet', 'back', 'belly', 'forelegs', 'neck', 'ears', 'head'],
  shoulders: ['back', 'hindlegs', 'tail', 'belly', 'feet', 'forelegs', 'neck', 'ears', 'head'],
  belly: ['belly', 'feet', 'hindlegs', 'forelegs', 'tail', 'back', 'neck', 'ears', 'head'],
}

const nearHead = (zone: Zone) => zone === 'head' || zone === 'ears'
const soreSkin = (skin: readonly Skin[]) => skin.find((s) => s === 'inflamed' || s === 'broken')
const tenderSkin = (skin: readonly Skin[]) =>
  skin.find((s) => s === 'itchy' || s === 'sensitive' || s === 'flea-bitten')

/** Why this dog gets gentler air everywhere, or undefined. */
function tenderReason({ shortNose, stage, coat, thinSkin, skin }: DryingFacts): string | undefined {
  if (stage !== 'adult') return stage
  if (shortNose) return 'short nose'
  if (coat.coat === 'hairless') return 'hairless'
  if (thinSkin) return 'thin skin'
  const tender = tenderSkin(skin)
  return tender && `${tender} skin`
}

/** Warmest air allowed at the coat of a zone, °C. */
function airLimit(zone: Zone, facts: DryingFacts): number {
  return nearHead(zone) || tenderReason(facts) ? DRYER.tenderLimit.value : DRYER.bodyLimit.value
}

const OFF: HeatSetting = { name: 'heat off', heatW: 0 }

interface Air {
  setting: HeatSetting
  distance: number
  air: number
}

function airAt(dryer: Dryer, setting: HeatSetting, room: RoomAir, limit: number): Air {
  const air = outletTemperature(dryer, setting, room)
  return { setting, air, distance: safeDistance(air, room.celsius, dryer.nozzleMm, limit) }
}

/**
 * The setting for a zone among those whose safe distance is within reach: the lowest warm one with which
 * the brush never waits for the air, else the warmest (by school, always the warmest); heat off where
 * none is within reach, where the school says so, and on sore skin. `keepsUp` tells whether a setting's
 * air dries the zone as fast as it is brushed.
 */
function chooseAir(dryer: Dryer, facts: DryingFacts, limit: number, keepsUp: (setting: HeatSetting) => boolean): Air {
  const off = airAt(dryer, dryer.settings.find((s) => s.heatW === 0) ?? OFF, facts.room, limit)
  if (facts.heat === 'none' || soreSkin(facts.skin)) return off
  const warm = dryer.settings
    .filter((s) => s.heatW > 0)
    .map((s) => airAt(dryer, s, facts.room, limit))
    .filter((a) => a.distance <= DRYER.furthest.value)
    .sort((x, y) => x.setting.heatW - y.setting.heatW)
  const warmest = warm[warm.length - 1] ?? off
  if (facts.heat === 'further') return warmest
  return warm.find((a) => keepsUp(a.setting)) ?? warmest
}

/** Distances are shown and held in steps of 5 cm, rounded away from the dog. */
const kept = (metres: number) => Math.ceil(Math.min(metres, 1) * 20 - 1e-9) / 20

function distanceFor(zone: Zone, air: Air, facts: DryingFacts): number {
  const warm = air.setting.heatW > 0
  const long = facts.coat.coat === 'drop' || facts.coat.coat === 'long double' || facts.coat.coat === 'feathered'
  const trade = warm && nearHead(zone) ? DRYER.headDistance.value : warm && long ? DRYER.longHairDistance.value : 0
  return kept(Math.max(air.distance, trade))
}

/** The same function, each argument worked out once. */
function once<A, R>(work: (argument: A) => R): (argument: A) => R {
  const done = new Map<A, R>()
  return (argument) => {
    if (!done.has(argument)) done.set(argument, work(argument))
    return done.get(argument)!
  }
}

function dryByHand(choice: TechniqueChoice, warm: Dryer, share: number, facts: DryingFacts) {
  const { coat, surface, room } = facts
  const rates = COATS.rows[coat.coat]
  const waterShares = zoneWaterShares(coat.coat)
  const rate = once((setting: HeatSetting) => pickUp(warm, setting, room, surface))
  return ORDERS[facts.order].map((zone) => {
    const area = surface * ZONE_SHARES.rows[zone].surface
    const hold = coatHold(coat) * surface * waterShares[zone]
    const blown = choice.velocity !== undefined && !nearHead(zone) && share > CURVE.velocityLeaves.value
    const velocity = blown ? velocityMinutes(area, rates.blowOut, choice.velocity!.force, share) : 0
    const grams = hold * (blown ? CURVE.velocityLeaves.value : share)
    const limit = airLimit(zone, facts)
    const brush = (area / rates.brushDry) * (blown ? CURVE.afterVelocity.value : 1)
    const evaporating = (setting: HeatSetting) => evaporationMinutes(grams, hold, rate(setting))
    const air = chooseAir(warm, facts, limit, (setting) => evaporating(setting) <= brush)
    const evaporation = evaporating(air.setting)
    const warmMinutes = Math.max(evaporation, brush)
    const dried: ZoneDrying = {
      zone,
      velocity,
      warm: warmMinutes,
      minutes: velocity + warmMinutes,
      grams: hold * share,
      setting: air.setting.heatW > 0 ? air.setting.name : OFF.name,
      distance: distanceFor(zone, air, facts),
      limit,
      air: air.air,
    }
    return { dried, evaporation, brush }
  })
}

function handMinutes(
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

function dryByFan(choice: TechniqueChoice, share: number, facts: DryingFacts, own?: Reason) {
  const fan = choice.fan!
  const { coat, surface, room } = facts
  const hold = coatHold(coat) * surface
  const setting = fan.settings.find((s) => s.heatW === 0) ?? OFF
  const rate = pickUp(fan, setting, room, surface)
  const evaporation = evaporationMinutes(hold * share, hold, rate)
  const most = coat.coat === 'corded' ? CURVE.fanMostCorded.value : CURVE.fanMost.value
  const reckoned = Math.min(most, Math.max(CURVE.fanLeast.value, evaporation))
  const minutes = reckon(
    'min',
    start(`${fan.name}: ${say(hold * share, 0)} g at ${say(rate, 1)} g a minute`, Math.min(evaporation, 10 * most)),
    evaporation < CURVE.fanLeast.value && set('at least three minutes', CURVE.fanLeast.value),
    evaporation > most && set(`will not dry by fan in this room: stop after ${say(most / 60)} h`, most),
    note(`room ${say(room.celsius)} °C, ${say(room.humidity, 0)} % humid`),
    own,
  )
  const shares = zoneWaterShares(coat.coat)
  const zones = ORDERS[facts.order].map((zone): ZoneDrying => ({
    zone,
    velocity: 0,
    warm: reckoned * shares[zone],
    minutes: reckoned * shares[zone],
    grams: hold * share * shares[zone],
    setting: OFF.name,
    distance: kept(DRYER.nearest.value),
    limit: DRYER.tenderLimit.value,
    air: outletTemperature(fan, setting, room),
  }))
  return { zones, minutes, dries: evaporation <= most }
}

/**
 * Drying from the last rinse to dry at the skin: the water that squeeze, shake and towels leave; the
 * technique; then every zone in the school's order with its minutes, setting and nearest distance.
 * Zones add; in each the slower of evaporating and brushing rules. `own` replaces the total by the
 * user's, `facts.towels` the number of towels.
 */
export function planDrying(facts: DryingFacts, own?: Reason): DryingPlan {
  const choice = chooseTechnique(facts.dryers, {
    coat: facts.coat.coat,
    stage: facts.stage,
    dryerShy: facts.dryerShy,
    crateFits: facts.crateFits,
    skin: facts.skin,
  })
  const towels = facts.towels ?? towelsWorthwhile(facts.coat, facts.surface, facts.chamois)
  const stages = waterAfterBath(facts.coat, facts.surface, {
    squeeze: true,
    shake: true,
    towels,
    chamois: facts.chamois,
  })
  const { share } = stages[stages.length - 1]!
  const shared = { choice, stages, towels, water: waterForDryer(stages, towels) }
  if (choice.technique === 'fan') return { ...shared, ...dryByFan(choice, share, facts, own) }
  const zones = dryByHand(choice, choice.warm!, share, facts)
  return { ...shared, zones: zones.map((z) => z.dried), minutes: handMinutes(zones, choice, facts, own), dries: true }
}
