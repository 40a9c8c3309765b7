/** A volume of mix in its two parts, mL, and the share of product in it. */
export interface Dilution {
  product: number
  water: number
  strength: number
}

/**
 * Splits `volume` mL of mix at `ratio` parts of water to one part of product.
 * product = V/(1+r), water = V·r/(1+r), strength = 1/(1+r).
 */
export function dilute(volume: number, ratio: number): Dilution {
  const product = volume / (1 + ratio)
  return { product, water: volume - product, strength: 1 / (1 + ratio) }
}
