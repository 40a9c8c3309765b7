export * from './schema'
export { dogOn, planOfSchedule, planSeats, problemOfDay, type DayFacts, type SeatPlan } from './assemble'
export { progressFromTub } from './fromTub'
export { problemNow, progressAt } from './replan'
export { runDay, type DayRun } from './run'
export { HABITS, USUAL_MUFFS } from './habits'
export type { DayFinding, DayState, FoundCode, LostPin } from './finding'
export { DAMP_LIMITS } from './subjects/dampAir'
export { NOISE_LIMITS } from './subjects/noise'
export { WAIT_LIMITS } from './subjects/waiting'
export { WATER_LIMITS } from './subjects/water'
export { newsSent, ownersOfDay, ticksSent, ticksTold, wasSent, type ToldOwner } from './ownersMessages'
export { asPlanned, standDay, standFrom, standLoosely } from './stand'
export { whatChanged, type DidCode } from './changed'
export type { ClashSaid } from './clash'
export { byWorth, tryWay, WAY_WEIGHTS, waysFor, type TriedWay } from './ways'
export { JOINING, joinTimes, firstJoinTime, type JoinTime, type JoinFit } from './joining'
export { holdPart, stateHeld, type HeldDay, type HoldWish } from './hold'
export { arrangeWashDay, type ArrangedDay, type ArrangeOutcome } from './arrangeDay'
export { gapOf, proveWashDay, wonBy, type DayGap, type DayProof } from './prove'
export { tradesOf, priceOf, TERMS, TRADES, type Cost, type Term, type Trade, type Wish, type WishPrice } from './trades'
export { WISH_TIMES } from './wishes'
export { relieve, type DayPart, type Relief } from './overload'
export {
  bandOf,
  homesFor,
  loadsOf,
  spreadDogs,
  SPREAD,
  type Booking,
  type DayLoad,
  type Home,
  type Spread,
  type Unplaced,
  type WeeksFacts,
} from './weeks'
export { dayOdds, middlesOf, type DayOdds } from './odds'
export { MIXING, mixingList, type DayMix } from './mixing'
export {
  linesOfDay,
  mixesInBrief,
  prepareList,
  taskOf,
  totalsOf,
  type DayLine,
  type DayTotals,
  type TaskName,
} from './sheet'
export { daysOf, dueOn, Rhythm, RHYTHM, Standing } from './standing'
export { airMass, relativeHumidity, ROOM, roomOverDay } from './air'
export { isMissing, OWNER_NEWS, ownersNews, type OwnersNews } from './ownersNews'
export {
  adviseTimes,
  OWNER_TIMES,
  ownerTimes,
  withAdvice,
  withOwnerTimes,
  type AdvisedTimes,
  type OwnerTimes,
} from './ownerTimes'
export { DAY_GAPS, partsOf, plannedMinutes } from './tasks'
