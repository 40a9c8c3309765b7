import { constants, house } from '../constants'
import { coatHold, type Coat, type CoatType } from '../dog'
import { reckon, set, start, times, type Reckoned } from '../reckoned'

declare module '../said' {
  interface Codes {
    'wetting.over': { m2: number; rate: number }
    'wetting.coat': { coat: CoatType }
    'wetting.byCup': None
  }
}

/** How long wetting to the skin takes. */
export const WETTING = constants({
  rate: house(0.25, 'm²/min', [0.15, 0.4]),
  plainHold: house(450, 'g/m²', [300, 600]),
  byCup: house(1.3, 'factor', [1, 1.8]),
  least: house(1, 'min', [0.5, 2]),
})

/**
 * Minutes to wet this coat to the skin: max(1, A/0.25 · max(1, √(hold/450))) by shower, a third longer by cup.
 * Surface in m².
 */
export function wettingMinutes(coat: Coat, surface: number, cup = false): Reckoned {
  const slow = Math.max(1, Math.sqrt(coatHold(coat) / WETTING.plainHold.value))
  const byTool = cup ? WETTING.byCup.value : 1
  const minutes = (surface / WETTING.rate.value) * slow * byTool
  return reckon(
    'min',
    start('wetting.over', { m2: surface, rate: WETTING.rate.value }, surface / WETTING.rate.value),
    times('wetting.coat', { coat: coat.coat }, slow),
    times('wetting.byCup', {}, byTool),
    minutes < WETTING.least.value && set('hands.atLeast', { minutes: WETTING.least.value }, WETTING.least.value),
  )
}
