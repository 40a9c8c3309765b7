export { HANDS_AWAY, TubEvent } from './events'
export {
  askFirst,
  EXTRA_STEPS,
  mindNow,
  passOf,
  pictureNow,
  phrasesFor,
  rinseState,
  safeEnd,
  sayNow,
  stepsNow,
  STOP_REASONS,
  waitTimers,
  zonesToDo,
} from './guide'
export { FIRST_STEPS } from './happenings'
export { doneOf, outcomeOf, zoneMinutes, type Outcome } from './outcome'
export { contactClock, TUBSIDE, notYet, standing, visitRecord, type VisitRecord } from './record'
