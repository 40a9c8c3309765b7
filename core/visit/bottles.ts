import { fillBowl, fillVessels, wayOn, type Filled, type Method, type MixNeed, type ShelvedProduct } from '../mix'
import type { House } from '../house'
import { waterForMix } from '../water'
import type { Bottle, Mix, WashPass } from './washTypes'

interface Group {
  mix: Mix
  passes: Bottle['passes']
  productMl: number
  waterMl: number
  blendMl: number
}

/** Washes of one product at one ratio gathered; each for itself where mixes are made fresh. */
function grouped(passes: readonly WashPass[], conditioner: Mix | undefined, apart: (mix: Mix) => boolean): Group[] {
  const groups = new Map<string, Group>()
  const put = (mix: Mix, pass: number | 'conditioner') => {
    const key = [mix.product.id, mix.blend?.product.id ?? '', mix.ratio.value, apart(mix) ? pass : ''].join(' ')
    const group = groups.get(key) ?? { mix, passes: [], productMl: 0, waterMl: 0, blendMl: 0 }
    if (!group.passes.includes(pass)) group.passes.push(pass)
    group.productMl += mix.productMl
    group.waterMl += mix.waterMl
    group.blendMl += mix.blend?.productMl ?? 0
    groups.set(key, group)
  }
  passes.forEach((pass, i) => pass.mixes.forEach((mix) => put(mix, i + 1)))
  if (conditioner && conditioner.waterMl > 0) put(conditioner, 'conditioner')
  return [...groups.values()]
}

/**
 * Mixes of a visit, each with how to make it in the house's own vessels and how the product is measured. Passes of
 * one product and ratio share a bottle; with `fresh` every pass is mixed for itself. A froth bowl is always fresh.
 */
export function bottlesOf(
  passes: readonly WashPass[],
  conditioner: Mix | undefined,
  shelf: readonly ShelvedProduct[],
  bathC: number,
  house: House,
  fresh: boolean,
): Bottle[] {
  const methodOf = ({ id }: Mix['product']): Method => {
    const product = shelf.find((p) => p.id === id)
    return product ? wayOn(product, house.method) : house.method
  }
  const groups = grouped(passes, conditioner, (mix) => fresh || methodOf(mix.product) === 'froth')
  const needOf = (g: Group): MixNeed => ({
    mL: g.productMl + g.waterMl + g.blendMl,
    ratio: g.waterMl / (g.productMl + g.blendMl),
    pumpMl: g.blendMl > 0 ? null : shelf.find((p) => p.id === g.mix.product.id)?.pumpMl,
  })
  const inBowl = (g: Group) => ['froth', 'proportioner'].includes(methodOf(g.mix.product))
  const thinned = groups.filter((g) => g.waterMl > 0 && !inBowl(g))
  const vessels = fillVessels(house.vessels, thinned.map(needOf))
  return groups.map((group): Bottle => {
    const { mix, productMl, waterMl, blendMl } = group
    const { product, blend } = mix
    const shared = {
      product,
      ...(blend ? { blend: { product: blend.product, productMl: blendMl } } : {}),
      passes: group.passes,
      productMl,
      waterMl,
    }
    if (waterMl === 0) return { ...shared, waterC: bathC, how: product.form === 'bar' ? 'bar' : 'neat', filled: [] }
    const method = methodOf(product)
    const found: Filled[] | undefined = vessels[thinned.indexOf(group)]
    return {
      ...shared,
      waterC: waterForMix(bathC, productMl + blendMl, waterMl, house.room.celsius),
      how: method,
      filled: found ?? [fillBowl(needOf(group), method !== 'proportioner')],
    }
  })
}
