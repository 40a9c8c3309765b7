export * from './schema'
export * from './stepName'
export * from './types'
export * from './short'
export {
  APPLIED,
  canSplit,
  FIRST_WASH,
  placesFor,
  whyNeeded,
  type Course,
  type CourseRefusal,
  type LeftStep,
  type Needed,
} from './course'
export { productCost, neededOf, type NeededProduct } from './cost'
export { canClip } from './care'
export { choicesOf, hasChoice, withChoice, withoutChoice, type OwnChoice } from './choices'
export { mainMix } from './washes'
export type { Bottle, Mix, Used, WashPlan } from './washTypes'
export { PAUSES } from './stepFacts'
export { earInBrief, type EarInBrief } from './tableSteps'
export { addDays, dueState, INTERVAL, isDue, nextVisit, type Due } from './interval'
export { QUESTIONS, type Question } from './questions'
export { handOver, mixesOf } from './handover'
export { ENGINE, planVisit } from './plan'
export { comparePlans, type Change, type Compared, type ComparedValue } from './compare'
export { dryerUse } from './notices'
export { Memory, NOTHING_KNOWN, Suited } from './memory'
export { kindOf, TOWEL_WATER, zoneKind, zoneOfKind } from './learned'
export type { Showering } from './water'
