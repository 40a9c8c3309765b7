export { HANDS_AWAY, TubEvent } from './events'
export {
  asksFirst,
  detailNow,
  EXTRA_STEPS,
  mindNow,
  passOf,
  phrasesFor,
  pictureNow,
  rinseState,
  safeEnd,
  stepsNow,
  STOP_REASONS,
  waitTimers,
  zonesToDo,
  type ExtraStep,
  type Scene,
  type StopReason,
} from './guide'
export { CATCHING_UP, doneOf, minutesDone, outcomeOf, zoneMinutes, type Outcome } from './outcome'
export { contactClock, notYet, standing, TUBSIDE, visitRecord, type NotYet, type VisitRecord } from './record'
