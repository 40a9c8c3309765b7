import type { Zone } from '../dog'
import type { Filled, OtherProduct, ShelvedProduct, WhyChosen, WhyNot } from '../mix'
import type { Reckoned } from '../reckoned'
import type { PassName } from './schema'

/** What of a product the rest of a plan needs to know. */
export type Used = Pick<ShelvedProduct, 'id' | 'name' | 'kind' | 'form' | 'pH' | 'contactMinutes'>

/** A second product in the same mix, half and half by volume: its amount, mL, and its own ratio. */
export interface Blend {
  product: Used
  productMl: number
  ratio: number
  labelRatio: number
}

/** One product on some zones in one pass: ratio in parts of water, amounts in mL (a bar: g), contact min. */
export interface Mix {
  product: Used
  zones: Zone[]
  why: WhyChosen
  others: OtherProduct[]
  labelRatio: number
  ratio: Reckoned
  volume: Reckoned
  productMl: number
  waterMl: number
  blend?: Blend
  contact: Reckoned
  own: boolean
}

/** One lathering of the dog: its products by zone, and the one wait for all of them, side by side. */
export interface WashPass {
  name: PassName
  mixes: Mix[]
  wait: Reckoned
}

/**
 * What is mixed in one go: passes that take the same product at the same ratio (a blend: the same two). Volumes mL
 * (a bar: g), water °C. `filled`: vessel by vessel; empty for what isn't thinned. `how`: by what it is made.
 */
export interface Bottle {
  product: Used
  blend?: Pick<Blend, 'product' | 'productMl'>
  /** Numbers of the washes it is for, from 1; `conditioner` where it is the conditioner's. */
  passes: (number | 'conditioner')[]
  productMl: number
  waterMl: number
  waterC: number
  how: 'bar' | 'neat' | 'froth' | 'proportioner' | 'spray' | 'bottle'
  filled: Filled[]
  /** How an old record said it was made. */
  kept?: string
}

/** The washes of a visit, the bottles mixed for them, and the conditioner after them or why there is none. */
export interface WashPlan {
  passes: WashPass[]
  bottles: Bottle[]
  conditioner?: Mix
  conditionerWhy: WhyChosen
  refused: { name: string; why: WhyNot }[]
}
