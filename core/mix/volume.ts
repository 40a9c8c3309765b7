import { constants, house, practice } from '../constants'
import { COATS, densityFactor, lengthFactor, type Coat, type CoatType, type Density, type Soil } from '../dog'
import { reckon, start, times, type Reckoned } from '../reckoned'
import type { Method } from './schema'

declare module '../said' {
  interface Codes {
    'volume.coat': { m2: number; perM2: number; coat: CoatType }
    'volume.length': { lengthCm: number }
    'volume.density': { density: Density }
    'volume.loose': None
    'volume.soil': { soil: Soil }
    'volume.atMost': { times: number }
    'volume.method': { method: Method }
    'volume.neat': { m2: number; perM2: number }
    'volume.neatLong': None
    'volume.bar': { m2: number; perM2: number }
  }
}

/** What moves the volume of a wash beside coat and surface. */
export const VOLUME = constants({
  lightSoil: house(0.8, 'factor', [0.6, 1]),
  filthySoil: house(1.3, 'factor', [1.1, 1.6]),
  loose: practice(1.14, 'factor', [1.1, 1.2]),
  most: house(2, 'factor', [1.6, 2.5]),
  spray: house(0.8, 'factor', [0.6, 1]),
  bottle: house(1, 'factor', [1, 1]),
  froth: house(0.4, 'factor', [0.3, 0.6]),
  proportioner: house(1.1, 'factor', [1, 1.3]),
  cautiousRatio: practice(15, 'parts water', [10, 20]),
  neat: house(40, 'mL/m²', [25, 60]),
  neatLong: house(1.5, 'factor', [1.2, 2]),
  bar: house(8, 'g/m²', [4, 12]),
})

function soilFactor(soil: Soil): number {
  if (soil === 'light') return VOLUME.lightSoil.value
  return soil === 'filthy' ? VOLUME.filthySoil.value : 1
}

/**
 * Millilitres of diluted product for one wash of a whole dog: surface × the coat's amount × length,
 * density and soil (together at most 2) × the way of applying. `surface` in m².
 */
export function mixVolume(coat: Coat, surface: number, soil: Soil, method: Method): Reckoned {
  const perM2 = COATS.rows[coat.coat].mix
  const stretch = lengthFactor(coat) * densityFactor(coat) * soilFactor(soil)
  return reckon(
    'mL',
    start('volume.coat', { m2: surface, perM2, coat: coat.coat }, surface * perM2),
    times('volume.length', { lengthCm: coat.lengthCm ?? 0 }, lengthFactor(coat)),
    times('volume.density', { density: coat.density }, densityFactor(coat)),
    times('volume.soil', { soil }, soilFactor(soil)),
    coat.loose !== undefined && times('volume.loose', {}, 1 + (VOLUME.loose.value - 1) * coat.loose),
    stretch > VOLUME.most.value && times('volume.atMost', { times: VOLUME.most.value }, VOLUME.most.value / stretch),
    times('volume.method', { method }, VOLUME[method].value),
  )
}

/** Millilitres of a neat product worked in by hand over a whole dog of `surface` m²; half as much again on long coats. */
export function neatVolume(long: boolean, surface: number): Reckoned {
  const { neat, neatLong } = VOLUME
  return reckon(
    'mL',
    start('volume.neat', { m2: surface, perM2: neat.value }, surface * neat.value),
    long && times('volume.neatLong', {}, neatLong.value),
  )
}

/** Grams of a cleansing bar over a whole dog of `surface` m². */
export function barGrams(surface: number): Reckoned {
  const { bar } = VOLUME
  return reckon('g', start('volume.bar', { m2: surface, perM2: bar.value }, surface * bar.value))
}
