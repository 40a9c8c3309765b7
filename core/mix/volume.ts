import { constants, house, practice } from '../constants'
import { COATS, coatWords, densityFactor, lengthFactor, type Coat, type Soil } from '../dog'
import { reckon, start, times, type Reckoned } from '../reckoned'
import { say } from '../units'
import type { Method } from './schema'

/** What moves the volume of a wash beside coat and surface. */
export const VOLUME = constants({
  lightSoil: house(0.8, 'factor', [0.6, 1]),
  filthySoil: house(1.3, 'factor', [1.1, 1.6]),
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

const METHOD_WORDS: Record<Method, string> = {
  spray: 'spray bottle: evenly spread',
  bottle: 'marked bottle',
  froth: 'froth bowl: whipped to foam',
  proportioner: 'proportioner in the hose',
}

function soilFactor(soil: Soil): number {
  if (soil === 'light') return VOLUME.lightSoil.value
  return soil === 'filthy' ? VOLUME.filthySoil.value : 1
}

/**
 * Millilitres of diluted product for one wash of a whole dog: surface × the coat's amount × length,
 * density and soil (together at most 2) × the way of applying. `surface` in m².
 */
export function mixVolume(coat: Coat, surface: number, soil: Soil, method: Method): Reckoned {
  const perSquare = COATS.rows[coat.coat].mix
  const stretch = lengthFactor(coat) * densityFactor(coat) * soilFactor(soil)
  return reckon(
    'mL',
    start(
      `${say(surface, 2)} m² of dog, ${perSquare} mL a square metre for ${coatWords(coat.coat)}`,
      surface * perSquare,
    ),
    times(`${say(coat.lengthCm ?? 0)} cm long`, lengthFactor(coat)),
    times(`${coat.density} coat`, densityFactor(coat)),
    times(soil === 'light' ? 'hardly dirty' : 'filthy', soilFactor(soil)),
    stretch > VOLUME.most.value && times('never more than twice the usual', VOLUME.most.value / stretch),
    times(METHOD_WORDS[method], VOLUME[method].value),
  )
}

/** Millilitres of a neat product worked in by hand over a whole dog of `surface` m²; half as much again on long coats. */
export function neatVolume(long: boolean, surface: number): Reckoned {
  const { neat, neatLong } = VOLUME
  return reckon(
    'mL',
    start(`${say(surface, 2)} m² by hand, ${neat.value} mL a square metre`, surface * neat.value),
    long && times('long coat', neatLong.value),
  )
}

/** Grams of a cleansing bar over a whole dog of `surface` m². */
export function barGrams(surface: number): Reckoned {
  return reckon(
    'g',
    start(`${say(surface, 2)} m² with the bar, ${VOLUME.bar.value} g a square metre`, surface * VOLUME.bar.value),
  )
}
