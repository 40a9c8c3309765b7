import { constants, memory, practice } from '../constants'
import type { CoatType, Skin, Stage } from '../dog'
import { add, reckon, set, start, type Reason, type Reckoned } from '../reckoned'
import { clamp, say } from '../units'

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
  tenderFloor: practice(36, '°C', [35, 37]),
  tenderFloorSkin: practice(33, '°C', [32, 34]),
  coolest: practice(29, '°C', [28, 30]),
  warmest: memory(38.5, '°C', NORMAL_BODY),
  alarm: memory(39.5, '°C', NORMAL_BODY),
  band: practice(2, '°C', [1, 2]),
})

/** The facts that set the water. Weight in kg, room in °C. */
export interface WaterFacts {
  school: 'warm' | 'neutral'
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

/** The one most cooling offset that the skin asks for, or the small warming one for grease. */
function skinOffset(skin: readonly Skin[]): Reason | undefined {
  const broken = skin.includes('broken')
  if (skin.includes('inflamed') || broken) return add(broken ? 'broken skin' : 'inflamed skin', WATER.inflamed.value)
  if (skin.includes('itchy')) return add('itchy skin', WATER.itchy.value)
  if (skin.includes('flea-bitten')) return add('flea-bitten skin', WATER.fleaBitten.value)
  if (skin.includes('greasy')) return add('greasy skin: oils move', WATER.greasy.value)
  return undefined
}

function tenderFact({ stage, weightKg, coat }: WaterFacts): string | undefined {
  if (stage !== 'adult') return stage
  if (weightKg < WATER.tiny.value) return `under ${WATER.tiny.value} kg`
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
 * The bath's temperature. In this order: the school's base; the most cooling of the skin's offsets;
 * short nose; a heavy double coat in a hot room; half a degree for puppies, seniors, tiny and
 * hairless dogs, with that group's floor; then never outside 29 to 38.5 °C.
 * Common practice, no source; the ceiling from the normal body temperature.
 */
export function waterTarget(facts: WaterFacts): WaterTarget {
  const skin = skinOffset(facts.skin)
  const tender = tenderFact(facts)
  const heavyAndHot = facts.coat === 'long double' && facts.roomC > WATER.hotRoom.value
  const reasons: (Reason | undefined | false)[] = [
    start(
      facts.school === 'warm' ? 'school: a little above lukewarm' : 'school: skin-neutral',
      WATER[facts.school].value,
    ),
    skin,
    facts.shortNose && add('short nose: heats up easily', WATER.shortNose.value),
    heavyAndHot && add(`heavy double coat, room at ${say(facts.roomC)} °C`, WATER.heavyCoatHotRoom.value),
    tender !== undefined && add(`${tender}: chills easily`, WATER.tender.value),
  ]
  const free = reckon('°C', ...reasons).value
  const cooling = skin !== undefined && skin.effect < 0
  const floor = cooling ? WATER.tenderFloorSkin.value : WATER.tenderFloor.value
  if (tender !== undefined && free < floor) reasons.push(set(`not below ${floor} °C for a ${tender} dog`, floor))
  const kept = clamp(reckon('°C', ...reasons).value, WATER.coolest.value, WATER.warmest.value)
  if (kept !== reckon('°C', ...reasons).value)
    reasons.push(set(`kept inside ${WATER.coolest.value} to ${WATER.warmest.value} °C`, kept))
  const target = reckon('°C', ...reasons)
  return { target, ...waterBand(target.value) }
}
