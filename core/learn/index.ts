export { apartFromCoat, Lesson, Lessons, lessonWords, ratioWords, readLog } from './lessons'
export { normalQuantile } from './normal'
export {
  groupsOf,
  LEARN,
  learnFor,
  logRatio,
  personApart,
  posteriorOf,
  sift,
  type Done,
  type Target,
} from './posterior'
export { bandOfSum, likelyMinutes, UNKNOWN_SPREAD, type Likely } from './predict'
