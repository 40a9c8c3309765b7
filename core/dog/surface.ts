import { constants, memory, published } from '../constants'

/** Body surface from body weight. */
export const SURFACE = constants({
  k: memory(10.1, 'cm²/g^(2/3)', 'Merck Veterinary Manual, weight to body-surface-area table for dogs'),
  exponent: memory(2 / 3, '1', 'Merck Veterinary Manual, weight to body-surface-area table for dogs'),
  smallest: published(0.5, 'kg', 'range of the table used'),
  largest: published(100, 'kg', 'range of the table used'),
})

/**
 * Body surface in m² of a dog of `kg` kilograms, 0.5 to 100.
 * A = 10.1 · (1000·kg)^(2/3) / 10⁴ (Merck Veterinary Manual; constant from memory).
 * Throws a RangeError outside that range: callers validate weights at the edge.
 */
export function bodySurface(kg: number): number {
  if (!(kg >= SURFACE.smallest.value && kg <= SURFACE.largest.value)) {
    throw new RangeError(`body surface is known from 0.5 to 100 kg, not ${kg}`)
  }
  return (SURFACE.k.value * (1000 * kg) ** SURFACE.exponent.value) / 1e4
}
