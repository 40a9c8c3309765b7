export { Happening, TubEvent } from './events'
export { contactClock, notYet, standing, stepsDone, visitRecord, type VisitRecord } from './record'
