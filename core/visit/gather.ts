import { ageInWeeks, bodySurface, coatHold, coatOf, stageOn, type Dog } from '../dog'
import type { House } from '../house'
import type { ShelvedProduct } from '../mix'
import { set, type Reason } from '../reckoned'
import { schoolsFor } from '../schools'
import type { OverrideTarget, Today } from './schema'

/** Everything about the dog and the day that more than one part of the plan asks for. */
export function gather(dog: Dog, today: Today, products: readonly ShelvedProduct[], house: House) {
  const weightKg = today.weightKg ?? dog.weightKg
  const stage = stageOn({ ...dog, weightKg }, today.date)
  const coat = coatOf(dog)
  return {
    dog,
    today,
    products,
    house,
    weightKg,
    stage,
    coat,
    puppy: stage === 'puppy',
    surface: bodySurface(weightKg),
    hold: coatHold(coat),
    skin: today.skin,
    mood: today.mood ?? dog.mood,
    schools: schoolsFor(house.schools, dog.schools),
    ageWeeks: dog.born ? ageInWeeks(dog.born, today.date) : undefined,
  }
}

/** What a plan is made from. */
export type Gathered = ReturnType<typeof gather>

/** The user's own number for a target, as a reason signed "You". */
export function ownNumber(today: Today, target: OverrideTarget): Reason | undefined {
  const own = today.overrides.find((o) => o.target === target)
  return own && set(`You: ${own.reason}`, own.value)
}
