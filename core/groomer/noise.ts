import { constants, house, memory } from '../constants'

const NIOSH = 'NIOSH 98-126 (1998), table 1-1'

/** Criteria for occupational noise. */
export const NOISE = constants({
  criterionLevel: memory(85, 'dBA', NIOSH),
  criterionHours: memory(8, 'h', NIOSH),
  exchangeRate: memory(3, 'dB', NIOSH),
  floor: memory(80, 'dBA', NIOSH),
  short: house(120, 'min a day', [60, 240]),
})

/** One stretch of sound at the ear: level in dBA after any protector, duration in minutes. */
export interface Exposure {
  level: number
  minutes: number
}

/** Minutes a level may last before the daily dose is full. Infinity below the floor. */
export function allowedMinutes(level: number): number {
  if (level < NOISE.floor.value) return Infinity
  const halvings = (level - NOISE.criterionLevel.value) / NOISE.exchangeRate.value
  return (60 * NOISE.criterionHours.value) / 2 ** halvings
}

/** Whether a level at the ear is too loud for a whole wash day's drying: fewer than two hours of it are allowed. */
export const isLoud = (level: number): boolean => allowedMinutes(level) < NOISE.short.value

/** Daily noise dose in percent of the limit; 0 for silence, additive over exposures. */
export function noiseDose(exposures: readonly Exposure[]): number {
  return 100 * exposures.reduce((sum, { level, minutes }) => sum + minutes / allowedMinutes(level), 0)
}
