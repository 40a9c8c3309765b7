import { constants, house as estimate, practice } from '../constants'
import type { Protector } from '../groomer'

/** What is taken for granted when a day is re-planned or mended. */
export const HABITS = constants({
  overrun: estimate(0.15, 'share of the minutes', [0.05, 0.5]),
  muffs: practice(25, 'dB, as printed', [20, 33]),
  askInSteps: practice(5, 'min', [5, 15]),
  earlierHeater: practice(60, 'min'),
  startEarlier: practice(30, 'min', [15, 60]),
  mostNamed: practice(2, 'dogs', [1, 3]),
  worthComingLater: practice(10, 'min', [5, 20]),
  sameAirC: estimate(0.3, 'K', [0.1, 1]),
  sameAirHumidity: estimate(1, '% humidity', [0.5, 3]),
})

/** Ordinary earmuffs, where the house has named no protector. */
export const USUAL_MUFFS: Protector = { kind: 'earmuff', nrr: HABITS.muffs.value }
