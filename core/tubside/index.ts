export type { EarDeed } from './earDeeds'
export { earNow, earOver, type EarPhase } from './earWork'
export { handedOver, owedCents, paidCents, paymentsOf, tipCents, type Paid } from './paid'
export { HANDS_AWAY, MoneyHow, PaidHow, TubEvent } from './events'
export { howToNow, type HowTo } from './howTo'
export {
  asksFirst,
  cautionsAt,
  detailNow,
  EXTRA_STEPS,
  mindNow,
  notedBefore,
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
export {
  CATCHING_UP,
  doneOf,
  differed,
  DIFFERED,
  earSignsOf,
  minutesDone,
  outcomeOf,
  zoneMinutes,
  type Outcome,
} from './outcome'
export {
  contactClock,
  notYet,
  standing,
  TUBSIDE,
  visitRecord,
  zonesToFeel,
  type NotYet,
  type VisitRecord,
} from './record'
export { readyIn, usedSoFar, whereabouts, type Whereabouts } from './whereabouts'
