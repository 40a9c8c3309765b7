export { Happening, TubEvent } from './events'
export { FIRST_STEPS } from './happenings'
export { contactClock, TUBSIDE, notYet, standing, stepsDone, visitRecord } from './record'
