import type { Dog } from '@core/dog'
import type { House } from '@core/house'
import type { ShelvedProduct } from '@core/mix'
import { eachPastDay } from '../demo/past'
import { DEMO } from '../demo/scenario'
import type { Beginning, PastDay } from './seed'

/** Half a year of made-up wash days before the demonstration's Saturday. */
export const madePast = (of: {
  dogs: readonly Dog[]
  shelf: readonly ShelvedProduct[]
  house: House
  last: string
}): Generator<PastDay, void> => eachPastDay({ dogs: of.dogs, house: of.house }, of.shelf, of.last)

/** The demonstration, as an empty room begins with it. */
export const DEMONSTRATION: Beginning = {
  ...DEMO,
  past: (dogs, shelf, house, last) => madePast({ dogs, shelf, house, last }),
}
