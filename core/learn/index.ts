export { normalQuantile } from './normal'
export { LEARN, learnFor, logRatio, sift, type Done } from './posterior'
export { aboutThisDog, likelyMinutes } from './predict'
