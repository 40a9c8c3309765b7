import { constants, house, practice } from '../constants'
import type { Zone } from '../dog'
import type { OtherProduct, ProductKind, ShelvedProduct } from '../mix'

/** Millilitres of what stays on the coat, a square metre; and the minutes that each takes. */
export const APPLIED = constants({
  leaveIn: house(20, 'mL/m²', [5, 60]),
  oil: house(3, 'mL/m²', [1, 10]),
  scent: house(2, 'mL/m²', [0.5, 5]),
  oilFrom: practice(8, 'cm of coat', [6, 12]),
  leaveInMinutes: house(1, 'min', [0.5, 3]),
  endMinutes: house(1, 'min', [0.5, 3]),
})
/** Millilitres a square metre of a kind that stays on the coat; undefined for what is rinsed out. */
export const SPREAD: Partial<Record<ProductKind, number>> = {
  'leave-in': APPLIED.leaveIn.value,
  'finishing oil': APPLIED.oil.value,
  scent: APPLIED.scent.value,
}

/** What stays on the coat at the end of a visit, and what stays on the shelf, with the reason. */
export interface Finishing {
  put: { kind: ProductKind; product: ShelvedProduct; zones: Zone[]; mL: number }[]
  not: OtherProduct[]
}
