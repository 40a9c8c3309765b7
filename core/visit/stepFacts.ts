import { constants, house, practice } from '../constants'
import type { Coat, Dog, Mood, Stage } from '../dog'
import type { DryingPlan } from '../drying'
import type { House } from '../house'
import type { RinsePlan } from '../rinse'
import type { Schools } from '../schools'
import type { Today } from './schema'
import type { EarsPlan, Step } from './types'
import type { WashPlan } from './washTypes'

/** Pauses between the tub and the dryer, and small steps. */
export const PAUSES = constants({
  shakeRest: practice(10, 'min', [5, 15]),
  shakeShort: practice(1, 'min', [0.5, 2]),
  conditionerRinse: practice(0.5, 'share of a finger run', [0.4, 1]),
  plug: practice(0.5, 'min'),
  topknot: house(3, 'min', [1, 5]),
  restAbove: practice(350, 'g/m²'),
})

/** What the steps are made from. */
export interface StepFacts {
  dog: Dog
  today: Today
  house: House
  schools: Schools
  coat: Coat
  surface: number
  weightKg: number
  stage: Stage
  mood: Mood
  wash: WashPlan
  rinse: RinsePlan
  ears: EarsPlan
  drying: DryingPlan
  waterC: number
  hold: number
  face: boolean
  bath: boolean
  tool: string
}

/** A step as it is written down: on the dog and by hand unless it says otherwise. */
type Draft = Omit<Step, 'zones' | 'hands' | 'withDog'> & Partial<Pick<Step, 'zones' | 'hands' | 'withDog'>>

/** A whole step from its draft. */
export function step(draft: Draft): Step {
  return { hands: true, withDog: true, zones: [], ...draft }
}
