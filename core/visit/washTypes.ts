import type { Zone } from '../dog'
import type { Measured, ShelvedProduct } from '../mix'
import type { Reckoned } from '../reckoned'
import type { PassName } from './schema'

/** What of a product the rest of a plan needs to know. */
export type Used = Pick<ShelvedProduct, 'id' | 'name' | 'kind' | 'form' | 'pH' | 'contactMinutes'>

/** One product on some zones in one pass: ratio in parts of water, amounts in mL (a bar: g), contact min. */
export interface Mix {
  product: Used
  zones: Zone[]
  why: string
  others: { name: string; why: string }[]
  labelRatio: number
  ratio: Reckoned
  spelled: string
  volume: Reckoned
  productMl: number
  waterMl: number
  contact: Reckoned
  own: boolean
}

/** One lathering of the dog: its products by zone, and the one wait for all of them, side by side. */
export interface WashPass {
  name: PassName
  mixes: Mix[]
  wait: Reckoned
}

/** What is mixed in one go: passes that take the same product at the same ratio. Volumes mL (a bar: g), water °C. */
export interface Bottle {
  product: Used
  passes: number[]
  productMl: number
  waterMl: number
  waterC: number
  vessel: number
  filling: string
  measured?: Measured
}

/** The washes of a visit, the bottles mixed for them, and the conditioner after them or why there is none. */
export interface WashPlan {
  passes: WashPass[]
  bottles: Bottle[]
  conditioner?: Mix
  conditionerWhy: string
  refused: { name: string; why: string }[]
}
