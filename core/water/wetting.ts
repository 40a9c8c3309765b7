import { constants, house } from '../constants'
import { coatHold, coatWords, type Coat } from '../dog'
import { reckon, set, start, times, type Reckoned } from '../reckoned'
import { say } from '../units'

/** How long wetting to the skin takes. */
export const WETTING = constants({
  rate: house(0.25, 'm²/min', [0.15, 0.4]),
  plainHold: house(450, 'g/m²', [300, 600]),
  least: house(1, 'min', [0.5, 2]),
})

/** Minutes of shower to wet this coat to the skin: max(1, A/0.25 · max(1, √(hold/450))). Surface in m². */
export function wettingMinutes(coat: Coat, surface: number): Reckoned {
  const slow = Math.max(1, Math.sqrt(coatHold(coat) / WETTING.plainHold.value))
  const minutes = (surface / WETTING.rate.value) * slow
  return reckon(
    'min',
    start(`${say(surface, 2)} m² at ${WETTING.rate.value} m² a minute`, surface / WETTING.rate.value),
    times(`${coatWords(coat.coat)}: wet outside long before the skin is`, slow),
    minutes < WETTING.least.value && set('at least a minute', WETTING.least.value),
  )
}
