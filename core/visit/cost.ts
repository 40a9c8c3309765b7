import type { ShelvedProduct } from '../mix'
import { isBrought } from './brought'
import { mixesOf } from './handover'
import type { Plan } from './types'

/** What goes on a dog, by product: mL of the bottle (a bar or a powder: g), in the order in which it is used. */
export interface NeededProduct {
  id: string
  name: string
  mL: number
}

/** Every product of a plan once, with all that is taken of it: washes, conditioner, ears, and what stays on the coat. */
export function neededOf(plan: Plan, shelf: readonly Pick<ShelvedProduct, 'id' | 'name'>[] = []): NeededProduct[] {
  const needed = new Map<string, NeededProduct>()
  const put = (id: string, name: string, mL: number) => {
    if (mL > 0) needed.set(id, { id, name, mL: (needed.get(id)?.mL ?? 0) + mL })
  }
  if (plan.go)
    for (const { product, productMl, blend } of mixesOf(plan)) {
      put(product.id, product.name, productMl)
      if (blend) put(blend.product.id, blend.product.name, blend.productMl)
    }
  for (const { id, name, mL } of plan.course?.applied ?? []) put(id, name, mL)
  for (const { product, millilitres, rounds } of [plan.ears.left, plan.ears.right]) {
    const found = shelf.find((p) => p.name === product)
    if (found && millilitres) put(found.id, found.name, millilitres.value * rounds)
  }
  return [...needed.values()]
}

/** What the products of a plan cost, by their prices a litre (a bar or a powder: a kilogram); those without a price are named. */
export function productCost(plan: Plan, shelf: readonly ShelvedProduct[]): { cost: number; unknown: string[] } {
  let cost = 0
  const unknown: string[] = []
  for (const { id, name, mL } of neededOf(plan, shelf)) {
    // what the owner brought costs the house nothing
    if (isBrought(id)) continue
    const price = shelf.find((p) => p.id === id)?.pricePerLitre ?? null
    if (price === null) unknown.push(name)
    else cost += (mL / 1000) * price
  }
  return { cost, unknown }
}
