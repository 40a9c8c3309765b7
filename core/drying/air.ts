import { firstSkin, SORE, type Skin, type Zone } from '../dog'
import type { Rules } from '../rules'
import type { Code, Said } from '../said'
import { DRYER, outletTemperature, safeDistance, type Dryer, type HeatSetting, type RoomAir } from './dryer'
import type { DryingFacts } from './facts'

declare module '../said' {
  interface Codes {
    'tender.puppy': None
    'tender.senior': None
    'tender.shortNose': None
    'tender.hairless': None
    'tender.thinSkin': None
    'tender.skin': { skin: Skin }
  }
}

/** Zones in the order of each rule. */
export const ORDERS: Record<Rules['dryingOrder'], Zone[]> = {
  rear: ['hindlegs', 'tail', 'feet', 'back', 'belly', 'forelegs', 'neck', 'ears', 'head'],
  shoulders: ['back', 'hindlegs', 'tail', 'belly', 'feet', 'forelegs', 'neck', 'ears', 'head'],
  belly: ['belly', 'feet', 'hindlegs', 'forelegs', 'tail', 'back', 'neck', 'ears', 'head'],
}

/** Head and ears: gentler air, no nozzle. */
export const nearHead = (zone: Zone) => zone === 'head' || zone === 'ears'

const FEELS_IT: readonly Skin[] = ['itchy', 'sensitive', 'flea-bitten']

/** Skin that neither warm nor fast air goes on, in a zone. */
export const soreAt = ({ skin }: DryingFacts, zone: Zone): Skin | undefined => firstSkin(skin.zones[zone], SORE)

/** Why a zone of this dog gets gentler air, or undefined. */
export function tenderAt(facts: DryingFacts, zone: Zone): Said<Extract<Code, `tender.${string}`>> | undefined {
  const { stage, shortNose, coat, thinSkin } = facts
  if (stage === 'puppy') return { code: 'tender.puppy', facts: {} }
  if (stage === 'senior') return { code: 'tender.senior', facts: {} }
  if (shortNose) return { code: 'tender.shortNose', facts: {} }
  if (coat.coat === 'hairless') return { code: 'tender.hairless', facts: {} }
  if (thinSkin) return { code: 'tender.thinSkin', facts: {} }
  const skin = firstSkin(facts.skin.zones[zone], [...SORE, ...FEELS_IT])
  return skin && { code: 'tender.skin', facts: { skin } }
}

/** Whether fast air is turned down all over: for skin that bears no more. */
export const needsLowForce = ({ stage, thinSkin, coat }: DryingFacts): boolean =>
  stage !== 'adult' || thinSkin || coat.coat === 'hairless'

/** Warmest air allowed at the coat of a zone, °C. */
export function airLimit(zone: Zone, facts: DryingFacts): number {
  return nearHead(zone) || tenderAt(facts, zone) ? DRYER.tenderLimit.value : DRYER.bodyLimit.value
}

/** Heat off: the motor's own warmth. */
export const OFF: HeatSetting = { name: 'heat off', heatW: 0 }

/** A setting with its outlet temperature, °C, and its safe distance, m; null where no distance is. */
export interface Air {
  setting: HeatSetting
  distance: number | null
  air: number
}

/** A setting of a dryer as it meets a coat that bears so much. */
export function airAt(dryer: Dryer, setting: HeatSetting, room: RoomAir, limit: number): Air {
  const air = outletTemperature(dryer, setting, room)
  const distance = safeDistance(air, room.celsius, dryer.nozzleMm, limit)
  return { setting, air, distance: Number.isFinite(distance) ? distance : null }
}

/** A dryer with its heat off. */
export const heatOff = (dryer: Dryer): HeatSetting => dryer.settings.find((s) => s.heatW === 0) ?? OFF

/** A dryer's settings for a coat that bears so much: heat off, and the warm ones whose safe distance is within reach, coolest first. */
export interface Airs {
  off: Air
  warm: Air[]
}

export function airsOf(dryer: Dryer, room: RoomAir, limit: number): Airs {
  const warm = dryer.settings
    .filter((s) => s.heatW > 0)
    .map((s) => airAt(dryer, s, room, limit))
    .filter((a) => a.distance !== null && a.distance <= DRYER.furthest.value)
    .sort((x, y) => x.setting.heatW - y.setting.heatW)
  return { off: airAt(dryer, heatOff(dryer), room, limit), warm }
}

/**
 * The setting for a zone among those whose safe distance is within reach: the lowest warm one with which
 * the brush never waits for the air, else the warmest (by rule, always the warmest; for a dog that fears the dryer
 * the lowest); heat off where none is within reach, where the rule says so, and on sore skin. `keepsUp` tells
 * whether a setting's air dries the zone as fast as it is brushed.
 */
export function chooseAir(
  { off, warm }: Airs,
  facts: DryingFacts,
  sore: boolean,
  keepsUp: (setting: HeatSetting) => boolean,
): Air {
  if (facts.heat === 'none' || sore) return off
  const warmest = warm[warm.length - 1] ?? off
  if (facts.dryerShy) return warm[0] ?? off
  if (facts.heat === 'further') return warmest
  return warm.find((a) => keepsUp(a.setting)) ?? warmest
}

/** Distances are shown and held in steps of 5 cm, rounded away from the dog. */
export const kept = (metres: number) => Math.ceil(metres * 20 - 1e-9) / 20

/** Whether fast air goes nowhere near the face of this dog, however far away: a short nose, a puppy. */
export const noFastAirAtFace = ({ shortNose, stage }: DryingFacts): boolean => shortNose || stage === 'puppy'

/**
 * Distance to keep in a zone, m: safe, and what the trade keeps on heads and long hair, `fast` air from a fast dryer even
 * turned down. Null where none is safe.
 */
export function distanceFor(zone: Zone, air: Air, facts: DryingFacts, fast: boolean): number | null {
  if (air.distance === null) return null
  if (fast && zone === 'head' && noFastAirAtFace(facts)) return null
  const warm = air.setting.heatW > 0
  const { coat } = facts.coat
  const long = coat === 'drop' || coat === 'long double' || coat === 'feathered'
  const head = fast || warm ? DRYER.headDistance.value : DRYER.headUnheated.value
  const trade = nearHead(zone) ? head : warm && long ? DRYER.longHairDistance.value : 0
  return kept(Math.max(air.distance, trade))
}
