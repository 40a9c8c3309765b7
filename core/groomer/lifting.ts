import { z } from 'zod'
import { amountIn } from '../range'
import { constants, house, memory, practice } from '../constants'

const NIOSH = 'NIOSH 94-110 (1994), revised lifting equation'

/** The lifting equation and the multipliers that a dog asks for. */
export const LIFT = constants({
  load: memory(23, 'kg', NIOSH),
  horizontal: memory(25, 'cm', NIOSH),
  horizontalMost: memory(63, 'cm', NIOSH),
  verticalNeutral: memory(75, 'cm', NIOSH),
  verticalSlope: memory(0.003, '1/cm', NIOSH),
  verticalMost: memory(175, 'cm', NIOSH),
  distanceBase: memory(0.82, '1', NIOSH),
  distanceFall: memory(4.5, 'cm', NIOSH),
  distanceLeast: memory(25, 'cm', NIOSH),
  distanceMost: memory(175, 'cm', NIOSH),
  asymmetrySlope: memory(0.0032, '1/degree', NIOSH),
  asymmetryMost: memory(135, 'degrees', NIOSH),
  coupling: memory(0.9, '1', NIOSH),
  hands: practice(20, 'cm', [10, 35]),
  reachBase: house(25, 'cm', [25, 35]),
  reachPerKg: house(0.5, 'cm/kg', [0.2, 0.8]),
})

/** The tub as it must be lifted into: rim or floor height cm, and what helps. */
export const TubSetup = z.object({
  heightCm: amountIn('tubHeight', 'length', 0, 150).default(70),
  ramp: z.boolean().default(false),
})
export type TubSetup = z.infer<typeof TubSetup>

/** One lift: hands' reach from the ankles, height at the start and the end, all cm; twist in degrees. */
export interface Lift {
  horizontal: number
  from: number
  to: number
  twist: number
}

function limitAt(vertical: number, { horizontal, from, to, twist }: Lift): number {
  const distance = Math.abs(to - from)
  if (horizontal > LIFT.horizontalMost.value || vertical > LIFT.verticalMost.value) return 0
  if (distance > LIFT.distanceMost.value || twist > LIFT.asymmetryMost.value) return 0
  const reach = LIFT.horizontal.value / Math.max(LIFT.horizontal.value, horizontal)
  const height = 1 - LIFT.verticalSlope.value * Math.abs(vertical - LIFT.verticalNeutral.value)
  const travel = distance <= LIFT.distanceLeast.value ? 1 : LIFT.distanceBase.value + LIFT.distanceFall.value / distance
  const asymmetry = 1 - LIFT.asymmetrySlope.value * twist
  return LIFT.load.value * reach * height * travel * asymmetry * LIFT.coupling.value
}

/**
 * Recommended weight limit of a lift, kg: 23·HM·VM·DM·AM·FM·CM, the lower of its two ends, with CM 0.90
 * for a dog and FM 1 at a wash day's pace (NIOSH 94-110; values from memory). 0 where the equation ends.
 */
export function liftLimit(lift: Lift): number {
  return Math.min(limitAt(lift.from, lift), limitAt(lift.to, lift))
}

/** The lift of a dog of `kg` from the floor into the tub: a big dog is held further from the body. */
export function lifting(kg: number, tub: TubSetup): Lift {
  const horizontal = LIFT.reachBase.value + LIFT.reachPerKg.value * kg
  return { horizontal: Math.min(horizontal, 60), from: LIFT.hands.value, to: tub.heightCm + LIFT.hands.value, twist: 0 }
}

/** What to do about a lift. */
export type LiftAdvice = 'ramp' | 'alone' | 'two' | 'tooMuchForOne' | 'tooMuchForTwo'

/** What lifting a dog asks of the back, and what to do. `index` is load over limit; over 1 asks for help. */
export interface LiftPlan {
  limitKg: number
  index: number
  people: number
  advice: LiftAdvice
}

/** The lift of this dog into this tub, by how many people, or by ramp. */
export function planLift(kg: number, tub: TubSetup, helper: boolean): LiftPlan {
  const limitKg = liftLimit(lifting(kg, tub))
  const index = limitKg > 0 ? kg / limitKg : Infinity
  if (tub.ramp) return { limitKg, index: 0, people: 1, advice: 'ramp' }
  if (index <= 1) return { limitKg, index, people: 1, advice: 'alone' }
  if (helper) return { limitKg, index: index / 2, people: 2, advice: index / 2 <= 1 ? 'two' : 'tooMuchForTwo' }
  return { limitKg, index, people: 2, advice: 'tooMuchForOne' }
}
