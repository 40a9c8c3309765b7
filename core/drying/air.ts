import type { Skin, Zone } from '../dog'
import { DRYER, outletTemperature, safeDistance, type Dryer, type HeatSetting, type RoomAir } from './dryer'
import type { DryingFacts } from './types'

/** Zones in the order of each school. */
export const ORDERS: Record<DryingFacts['order'], Zone[]> = {
  rear: ['hindlegs', 'tail', 'feet', 'back', 'belly', 'forelegs', 'neck', 'ears', 'head'],
  shoulders: ['back', 'hindlegs', 'tail', 'belly', 'feet', 'forelegs', 'neck', 'ears', 'head'],
  belly: ['belly', 'feet', 'hindlegs', 'forelegs', 'tail', 'back', 'neck', 'ears', 'head'],
}

/** Head and ears: gentler air, no nozzle. */
export const nearHead = (zone: Zone) => zone === 'head' || zone === 'ears'
/** Skin that warm air stays off. */
export const soreSkin = (skin: readonly Skin[]) => skin.find((s) => s === 'inflamed' || s === 'broken')
const tenderSkin = (skin: readonly Skin[]) =>
  skin.find((s) => s === 'itchy' || s === 'sensitive' || s === 'flea-bitten')

/** Why this dog gets gentler air everywhere, or undefined. */
export function tenderReason({ shortNose, stage, coat, thinSkin, skin }: DryingFacts): string | undefined {
  if (stage !== 'adult') return stage
  if (shortNose) return 'short nose'
  if (coat.coat === 'hairless') return 'hairless'
  if (thinSkin) return 'thin skin'
  const tender = tenderSkin(skin)
  return tender && `${tender} skin`
}

/** Warmest air allowed at the coat of a zone, °C. */
export function airLimit(zone: Zone, facts: DryingFacts): number {
  return nearHead(zone) || tenderReason(facts) ? DRYER.tenderLimit.value : DRYER.bodyLimit.value
}

/** Heat off: the motor's own warmth. */
export const OFF: HeatSetting = { name: 'heat off', heatW: 0 }

/** A setting with its outlet temperature, °C, and its safe distance, m. */
export interface Air {
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
export function chooseAir(
  dryer: Dryer,
  facts: DryingFacts,
  limit: number,
  keepsUp: (setting: HeatSetting) => boolean,
): Air {
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
export const kept = (metres: number) => Math.ceil(Math.min(metres, 1) * 20 - 1e-9) / 20

/** Distance to keep in a zone, m: safe, and what the trade keeps on heads and long hair. */
export function distanceFor(zone: Zone, air: Air, facts: DryingFacts): number {
  const warm = air.setting.heatW > 0
  const long = facts.coat.coat === 'drop' || facts.coat.coat === 'long double' || facts.coat.coat === 'feathered'
  const trade = warm && nearHead(zone) ? DRYER.headDistance.value : warm && long ? DRYER.longHairDistance.value : 0
  return kept(Math.max(air.distance, trade))
}
