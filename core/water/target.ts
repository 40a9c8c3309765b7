import { constants, memory, practice } from '../constants'
import type { CoatType, Skin, Stage } from '../dog'
import { add, reckon, set, start, type Reason, type Reckoned } from '../reckoned'
import { clamp } from '../units'

declare module '../said' {
  interface Codes {
    'water.skin': { skin: Skin }
    'water.shortNose': None
    'water.heavyCoat': { roomC: number }
    'water.chills': { why: ChillsEasily }
    'water.floor': { celsius: number; why: ChillsEasily }
    'water.keptInside': { from: number; to: number }
  }
}

const NORMAL_BODY = 'Merck Veterinary Manual, normal rectal temperature of the dog 38.3 to 39.2 °C'

/** Bath temperature: where it starts, what moves it, and where it ends whatever happens. */
export const WATER = constants({
  warm: practice(37.5, '°C', [37, 38]),
  neutral: practice(35, '°C', [34, 36]),
  itchy: practice(-4, '°C', [-5, -2]),
  inflamed: practice(-5, '°C', [-6, -3]),
  fleaBitten: practice(-2, '°C', [-3, -1]),
  greasy: practice(0.5, '°C', [0, 1]),
  shortNose: practice(-1, '°C', [-2, 0]),
  heavyCoatHotRoom: practice(-1.5, '°C', [-2, -1]),
  hotRoom: practice(25, '°C', [24, 28]),
  tender: practice(0.5, '°C', [0, 1]),
  tiny: practice(4, 'kg', [3, 5]),
  warmestTiny: practice(38, '°C', [37.5, 38.5]),
  warmestNeutral: practice(36, '°C', [35.5, 36.5]),
  tenderFloor: practice(36, '°C', [35, 37]),
  tenderFloorSkin: practice(33, '°C', [32, 34]),
  coolest: practice(29, '°C', [28, 30]),
  warmest: memory(38.5, '°C', NORMAL_BODY),
  alarm: memory(39.5, '°C', NORMAL_BODY),
  mixBelowAlarm: practice(0.5, 'K', [0.5, 1]),
  band: practice(2, '°C', [1, 2]),
})

/** The facts that set the water. Weight in kg, room in °C. */
export interface WaterFacts {
  warmth: 'warm' | 'neutral'
  skin: readonly Skin[]
  shortNose: boolean
  coat: CoatType
  roomC: number
  stage: Stage
  weightKg: number
}

/** Bath temperature with its reasons, the band around it and the alarm at the nozzle, all °C. */
export interface WaterTarget {
  target: Reckoned
  low: number
  high: number
  alarm: number
}

/** Why a dog chills easily. */
export type ChillsEasily = 'puppy' | 'senior' | 'tiny' | 'hairless'

/** The one most cooling offset that the skin asks for, or the small warming one for grease. */
function skinOffset(skin: readonly Skin[]): Reason | undefined {
  const found = (['broken', 'inflamed', 'itchy', 'flea-bitten', 'greasy'] as const).find((s) => skin.includes(s))
  if (found === undefined) return undefined
  const { inflamed, itchy, fleaBitten, greasy } = WATER
  const offset = { broken: inflamed, inflamed, itchy, 'flea-bitten': fleaBitten, greasy }[found]
  return add('water.skin', { skin: found }, offset.value)
}

function chillsEasily({ stage, weightKg, coat }: WaterFacts): ChillsEasily | undefined {
  if (stage !== 'adult') return stage
  if (weightKg < WATER.tiny.value) return 'tiny'
  return coat === 'hairless' ? 'hairless' : undefined
}

/** The band of ± 2 °C around a temperature, inside 29 to 38.5. */
export function waterBand(target: number): Pick<WaterTarget, 'low' | 'high' | 'alarm'> {
  const { band, coolest, warmest, alarm } = WATER
  return {
    low: Math.max(coolest.value, target - band.value),
    high: Math.min(warmest.value, target + band.value),
    alarm: alarm.value,
  }
}

/**
 * The bath's temperature. In this order: the house rule's base; the most cooling of the skin's offsets;
 * short nose; a heavy double coat in a hot room; half a degree for puppies, seniors, tiny and
 * hairless dogs, with that group's floor; then never over 36 °C where it should hardly be felt, over 38 for
 * a tiny dog, or outside 29 to 38.5. Common practice, no source; the ceiling from the normal body temperature.
 */
export function waterTarget(facts: WaterFacts): WaterTarget {
  const { warmth, weightKg, coat, roomC } = facts
  const skin = skinOffset(facts.skin)
  const chills = chillsEasily(facts)
  const heavyAndHot = coat === 'long double' && roomC > WATER.hotRoom.value
  const reasons: (Reason | undefined | false)[] = [
    start('rule.says', { rule: 'waterWarmth', choice: warmth }, WATER[warmth].value, 'rule'),
    skin,
    facts.shortNose && add('water.shortNose', {}, WATER.shortNose.value),
    heavyAndHot && add('water.heavyCoat', { roomC }, WATER.heavyCoatHotRoom.value),
    chills !== undefined && add('water.chills', { why: chills }, WATER.tender.value),
  ]
  const now = () => reckon('°C', ...reasons).value
  const floor = skin !== undefined && skin.effect < 0 ? WATER.tenderFloorSkin.value : WATER.tenderFloor.value
  if (chills !== undefined && now() < floor) reasons.push(set('water.floor', { celsius: floor, why: chills }, floor))
  const most = Math.min(
    WATER.warmest.value,
    weightKg < WATER.tiny.value ? WATER.warmestTiny.value : Infinity,
    warmth === 'neutral' ? WATER.warmestNeutral.value : Infinity,
  )
  const { coolest } = WATER
  const kept = clamp(now(), coolest.value, most)
  if (kept !== now()) reasons.push(set('water.keptInside', { from: coolest.value, to: most }, kept))
  const target = reckon('°C', ...reasons)
  return { target, ...waterBand(target.value) }
}
