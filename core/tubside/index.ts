export { HANDS_AWAY, TubEvent } from './events'
export {
  askFirst,
  mindNow,
  passOf,
  phrasesFor,
  rinseState,
  safeEnd,
  stepsNow,
  STOP_REASONS,
  waitTimers,
  zonesToDo,
} from './guide'
export { FIRST_STEPS } from './happenings'
export { doneOf, outcomeOf, zoneMinutes, type Outcome } from './outcome'
export { contactClock, TUBSIDE, notYet, standing, visitRecord, type VisitRecord } from './record'
