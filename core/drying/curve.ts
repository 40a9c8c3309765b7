import { constants, house, practice } from '../constants'

/** The two stages of evaporating a coat dry, as shares of the fully wet hold. */
export const CURVE = constants({
  loose: practice(1.35, 'times, with shed undercoat left in', [1.15, 1.4]),
  velocityLeaves: house(0.07, 'share of hold', [0.04, 0.12]),
  velocityScale: house(7, 'ratio', [4, 9]),
  velocityLeast: house(0.25, 'share of a full blow-out', [0.1, 0.5]),
  fanLeaves: house(0.15, 'share of hold that a brush finishes', [0.1, 0.25]),
  critical: house(0.05, 'share of hold', [0.03, 0.1]),
  dry: house(0.01, 'share of hold', [0.005, 0.02]),
  afterVelocity: house(0.42, 'share of the brushing time', [0.4, 0.9]),
  zoneChange: house(0.55, 'min', [0.2, 1]),
  zoneChangeShort: house(0.3, 'min', [0.1, 0.4]),
  crating: practice(3, 'min', [1, 5]),
  shortStretch: practice(10, 'min', [5, 15]),
  puppyMost: practice(15, 'min by hand, a break in between', [10, 20]),
  wrapMost: practice(90, 'min', [30, 120]),
  secondFanFrom: practice(60, 'min by one fan', [30, 90]),
  lessHeat: practice(1.25, 'times the minutes with the warmest air', [1.1, 1.5]),
  furtherBrush: house(0.93, 'share of the brushing time', [0.85, 1]),
  fanLeast: house(3, 'min', [2, 5]),
  fanMost: house(300, 'min', [240, 360]),
  headTowel: house(0.8, 'share left', [0.5, 0.95]),
  headCloth: house(2, 'min', [1, 4]),
  combEvery: practice(30, 'min', [20, 45]),
  changeHands: practice(10, 'min', [5, 15]),
  longDrying: practice(30, 'min', [20, 45]),
  fanMostCorded: house(540, 'min', [420, 660]),
})

/**
 * Minutes of a velocity dryer over `surface` m² at `rate` m²/min and `force`, starting at `share` of the fully wet hold:
 * A·depth/(rate·force) · max(0.25, ln(u/0.07)/ln 7); `depth`: how much more coat there is than at its usual length. It drives
 * the water out whatever the room's air. 0 when the coat is down there already.
 */
export function velocityMinutes(surface: number, rate: number, force: number, share: number, depth = 1): number {
  const { velocityLeaves, velocityScale, velocityLeast } = CURVE
  if (share <= velocityLeaves.value) return 0
  const fall = Math.log(share / velocityLeaves.value) / Math.log(velocityScale.value)
  return ((surface * depth) / (rate * force)) * Math.max(velocityLeast.value, fall)
}

/**
 * Minutes to evaporate `grams` of a zone that holds `hold` grams when fully wet, at `rate` g/min: a
 * constant rate down to 0.05 of hold, then a rate falling with what is left, to `until` of hold. Infinity when
 * the air takes up nothing.
 */
export function evaporationMinutes(grams: number, hold: number, rate: number, until = CURVE.dry.value): number {
  const critical = CURVE.critical.value * hold
  const dry = until * hold
  if (grams <= dry) return 0
  if (rate <= 0) return Infinity
  const constant = Math.max(0, grams - critical) / rate
  if (dry >= critical) return (grams - dry) / rate
  const falling = (critical / rate) * Math.log(Math.min(grams, critical) / dry)
  return constant + falling
}
