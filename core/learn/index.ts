export { apartFromCoat, learnedFactor, Lesson, lessonFacts, Lessons, readLog, type LessonFacts } from './lessons'
export { normalQuantile } from './normal'
export {
  groupsOf,
  LEARN,
  learnFor,
  logRatio,
  personApart,
  posteriorOf,
  sift,
  type AsideWhy,
  type Done,
  type Target,
} from './posterior'
export { bandOfSum, likelyMinutes, UNKNOWN_SPREAD, type Likely } from './predict'
