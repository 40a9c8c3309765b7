import type { House } from '../house'
import { fillingText, measure, vesselFor, type ShelvedProduct } from '../mix'
import { SPOONS } from '../units'
import { waterForMix } from '../water'
import type { Bottle, Used, WashPass } from './washTypes'

/** The step by which the product is measured: pump strokes, or the spoons of a froth bowl. */
function stepFor(product: ShelvedProduct | undefined, house: House): number | null {
  if (product?.pumpMl) return product.pumpMl
  return house.method === 'froth' ? SPOONS.teaspoon.value : null
}

/**
 * Mixes of a visit, each with how to fill it and how the product is measured. Passes of one product and
 * ratio share a bottle; with `fresh` every pass is mixed for itself. A froth bowl is always fresh.
 */
export function bottlesOf(
  passes: readonly WashPass[],
  shelf: readonly ShelvedProduct[],
  bathC: number,
  house: House,
  fresh: boolean,
): Bottle[] {
  const groups = new Map<string, { product: Used; passes: number[]; productMl: number; waterMl: number }>()
  passes.forEach((pass, i) => {
    for (const mix of pass.mixes) {
      const apart = fresh || house.method === 'froth' ? ` ${i}` : ''
      const key = `${mix.product.id} ${mix.ratio.value}${apart}`
      const group = groups.get(key) ?? { product: mix.product, passes: [], productMl: 0, waterMl: 0 }
      if (!group.passes.includes(i + 1)) group.passes.push(i + 1)
      group.productMl += mix.productMl
      group.waterMl += mix.waterMl
      groups.set(key, group)
    }
  })
  return [...groups.values()].map((group): Bottle => {
    const { productMl, waterMl, product } = group
    if (waterMl === 0) {
      const filling =
        product.form === 'bar'
          ? 'The bar itself, stroked on wet hair.'
          : 'Neat, a little at a time in the hand, warmed between the palms.'
      return { ...group, waterC: bathC, vessel: 0, filling }
    }
    const waterC = waterForMix(bathC, productMl, waterMl, house.room.celsius)
    return {
      ...group,
      waterC,
      vessel: vesselFor(productMl + waterMl),
      filling: fillingText(house.method, productMl, waterMl, waterC),
      measured: measure(
        productMl,
        waterMl,
        stepFor(
          shelf.find((p) => p.id === product.id),
          house,
        ),
      ),
    }
  })
}
