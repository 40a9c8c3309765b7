export { CorrectedField, TubEvent } from './events'
export {
  mindNow,
  passOf,
  phrasesFor,
  safeEnd,
  stepsNow,
  STOP_REASONS,
  waitTimers,
  zonesToDo,
  type WaitTimer,
} from './guide'
export { FIRST_STEPS } from './happenings'
export { doneOf, outcomeOf, zoneMinutes, type Outcome, type StepOutcome } from './outcome'
export { contactClock, TUBSIDE, notYet, standing, visitRecord, type VisitRecord } from './record'
