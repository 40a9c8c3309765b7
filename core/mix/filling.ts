import { say, SPOONS } from '../units'
import { VESSELS } from './measure'
import type { Method } from './schema'

/** The smallest bottle or jug on the list that holds `mL`; the largest when none does. */
export function vesselFor(mL: number): number {
  return VESSELS.find((v) => v >= mL) ?? VESSELS[VESSELS.length - 1]!
}

function spoons(mL: number): string {
  const teaspoons = Math.max(1, Math.round(mL / SPOONS.teaspoon.value))
  const big = Math.floor(teaspoons / 3)
  const small = teaspoons % 3
  const parts = [
    big > 0 && `${big} tablespoon${big > 1 ? 's' : ''}`,
    small > 0 && `${small} teaspoon${small > 1 ? 's' : ''}`,
  ]
  return parts.filter(Boolean).join(' and ')
}

/** How to make a mix by hand, in one sentence, by the way it is put on. Volumes mL, water °C. */
export function fillingText(method: Method, product: number, water: number, waterC: number): string {
  const warm = `water at ${say(waterC, 0)} °C`
  if (method === 'froth')
    return `${spoons(product)} into ${say(water, 0)} mL of ${warm}; whip to foam, fresh for this dog.`
  if (method === 'proportioner')
    return `${say(product, 0)} mL in the proportioner, set to 1 : ${say(water / product, 0)}; it runs clear when empty.`
  const vessel = vesselFor(product + water)
  const what = method === 'spray' ? 'Spray bottle' : 'Bottle'
  return `${what} of ${vessel} mL: ${warm} to the ${say(water, 0)} mL line, then product to ${say(product + water, 0)}.`
}
