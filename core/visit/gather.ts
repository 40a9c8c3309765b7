import { ageInWeeks, anySkin, bodySurface, coatHold, coatOf, skinMap, stageOn, type Dog } from '../dog'
import { planHandling } from '../handling'
import type { House } from '../house'
import type { ShelvedProduct } from '../mix'
import { set, type Reason } from '../reckoned'
import { toolOf } from '../rinse'
import { rulesFor } from '../rules'
import type { OverrideTarget, Today } from './schema'
import { shortVisit } from './short'

/** Everything about the dog and the day that more than one part of the plan asks for. */
export function gather(dog: Dog, today: Today, products: readonly ShelvedProduct[], house: House) {
  const weightKg = today.weightKg ?? dog.weightKg
  const stage = stageOn({ ...dog, weightKg }, today.date)
  const coat = coatOf(dog, stage)
  const skin = skinMap(today)
  const mood = today.mood ?? dog.mood
  const handling = planHandling({ dog, stage, mood, biteRisk: today.biteRisk, helper: today.helper })
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
    skin,
    anySkin: anySkin(skin),
    mood,
    handling,
    tool: toolOf(handling.tool, house.water.flow),
    short: shortVisit(dog, stage, mood),
    rules: rulesFor(house.rules, dog.rules),
    ageWeeks: dog.born ? ageInWeeks(dog.born, today.date) : undefined,
  }
}

/** What a plan is made from. */
export type Gathered = ReturnType<typeof gather>

/** The user's own number for a target, as a reason of theirs. */
export function ownNumber(today: Today, target: OverrideTarget): Reason | undefined {
  const own = today.overrides.find((o) => o.target === target)
  return own && set('you.number', { reason: own.reason }, own.value, 'you')
}

/** The user's own minutes of a step, as a reason of theirs. */
export function ownMinutes(today: Today, step: string): Reason | undefined {
  const own = today.minutes.find((o) => o.step === step)
  return own && set('you.number', { reason: own.reason }, own.minutes, 'you')
}
