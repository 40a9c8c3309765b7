export * from './problem'
export { arrangeDay, handRules, noDay, searchDay, type Arrangement } from './arrange'
export { DAY_GAPS, dayFromVisits, type DayVisit } from './fromVisits'
