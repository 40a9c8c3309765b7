import { constants, house, practice } from '../constants'
import type { DryingPlan } from '../drying'
import type { Finishing } from './applied'
import type { Gathered } from './gather'
import type { LeftOut } from './short'
import type { EarsPlan, Plan, Step } from './types'
import type { WashPlan } from './washTypes'

/** Pauses between the tub and the dryer, and small steps. */
export const PAUSES = constants({
  shakeRest: practice(10, 'min', [5, 15]),
  shakeShort: practice(1, 'min', [0.5, 2]),
  combedInContact: house(0.6, 'share of the conditioner’s minutes', [0.3, 0.8]),
  plug: practice(0.5, 'min'),
  topknot: house(3, 'min', [1, 5]),
  restAbove: practice(350, 'g/m²'),
})

/** What the steps are made from. */
export interface StepFacts extends Gathered {
  wash: WashPlan
  rinse: Plan['rinse']
  ears: EarsPlan
  drying: DryingPlan
  finishing: Finishing
  waterC: number
  /** The head is washed, not wiped with a cloth. */
  face: boolean
  bath: boolean
  /** Nothing stops work on the coat. */
  sound: boolean
  leftOut: readonly LeftOut[]
}

/** A step as it is written down: on the dog and by hand unless it says otherwise. */
type Draft = Omit<Step, 'zones' | 'hands' | 'withDog'> & Partial<Pick<Step, 'zones' | 'hands' | 'withDog'>>

/** A whole step from its draft. */
export function step(draft: Draft): Step {
  return { hands: true, withDog: true, zones: [], ...draft }
}
