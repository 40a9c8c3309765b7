export * from './schema'
export {
  dogOn,
  planOfSchedule,
  planSeats,
  problemOfDay,
  scheduleOfPlan,
  tankAtStart,
  type DayFacts,
  type SeatPlan,
} from './assemble'
export { problemNow, progressAt } from './replan'
export { runDay, type DayRun, type SeatRun } from './run'
export { DAY_LIMITS, type DayFinding } from './judge'
export { airOfRun, problemToday, standDay, standFrom, type DayState } from './stand'
export { byWorth, clashWords, effectsOf, tryDay, tryDog, tryWay, waysFor, type Fit, type TriedWay } from './ways'
export { arrangeWashDay, type ArrangedDay, type ArrangeOutcome } from './arrangeDay'
export { dayOdds, SCATTER, type DayOdds, type Odds } from './odds'
export { chooseVessels, layOut, MIXING, mixingList, type DayMix } from './mixing'
export { daySentence, linesOfDay, PART_WORDS, prepareList, type DayLine } from './sheet'
export { dueOn, Rhythm, rhythmWords, Standing } from './standing'
export { airMass, relativeHumidity, ROOM, roomOverDay } from './air'
export { DAY_GAPS, partsOf } from './tasks'
