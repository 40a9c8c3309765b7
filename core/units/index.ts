export { VOLUME_UNITS, volumeUnit, toMillilitres, SPOONS } from './volume'
export { capital, list, minutesText, say } from './say'
export { clamp } from './clamp'
