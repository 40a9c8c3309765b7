export { VOLUME_UNITS, volumeUnit, toMillilitres, SPOONS } from './volume'
export * from './measures'
export * from './typed'
export { clamp } from './clamp'
