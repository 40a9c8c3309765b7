import { constants, house, published } from '../constants'

/** Energy in the units of a bill. */
export const HEAT = constants({
  kJInKwh: published(3600, 'kJ/kWh', 'definition of the kilowatt-hour'),
})

/** From where on the log is drawn: a few visits make no figure. */
export const FIGURES = constants({
  from: house(5, 'visits', [3, 20]),
})

/** From where on something in the log is called more than chance, and what is looked at. */
export const TAUGHT = constants({
  surely: house(4, 'deviations', [3, 5]),
  fewest: house(4, 'visits on either side', [3, 8]),
  least: house(0.07, 'ln', [0.03, 0.15]),
  most: house(4, 'effects', [2, 8]),
  beginnings: house(6, 'first causes tried', [1, 20]),
  dampTimes: house(3, 'visits', [2, 5]),
  dampShare: house(1 / 3, 'share of the visits', [0.2, 0.6]),
  onTime: house(7, 'days', [3, 14]),
})
