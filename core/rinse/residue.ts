import { constants, house, practice } from '../constants'

/** What stays in a coat after rinsing, and how much of it is little enough. */
export const RINSE = constants({
  loose: practice(1.08, 'times, with shed undercoat left in', [1.05, 1.15]),
  untilClear: practice(1.6, 'times, on a filthy coat', [1.3, 2]),
  activeShare: house(0.15, 'share of concentrate', [0.08, 0.2]),
  activeShareStrong: house(0.3, 'share of concentrate', [0.2, 0.4]),
  strongAbove: house(15, 'parts water', [12, 20]),
  limit: house(10, 'mg/m²', [5, 20]),
  limitTender: house(3, 'mg/m²', [1, 5]),
  firstRinse: house(1 / 20, 'share left', [0.02, 0.1]),
  squeeze: house(0.7, 'share left', [0.5, 0.9]),
  squeezeSmooth: house(0.9, 'share left', [0.8, 1]),
  fingers: house(0.25, 'm²/min', [0.15, 0.4]),
  leastLast: practice(2, 'min'),
  leastFirst: practice(1, 'min'),
  firstRun: house(0.5, 'share of a finger run', [0.3, 0.8]),
  hardWater: house(1.2, 'factor', [1, 1.4]),
  fewestPasses: practice(2, 'passes'),
  mostPasses: practice(4, 'passes'),
})

/**
 * Active residue straight after lathering, mg per m² of dog: volume/A · strength · active share · 1000
 * (density 1). `volume` mL of mix, `surface` m², `ratio` parts water, `labelRatio` as printed: a
 * concentrate meant for more than 15 parts of water carries more active matter.
 */
export function appliedResidue(volume: number, surface: number, ratio: number, labelRatio: number): number {
  const { activeShare, activeShareStrong, strongAbove } = RINSE
  const active = labelRatio > strongAbove.value ? activeShareStrong.value : activeShare.value
  return ((volume / surface) * active * 1000) / (1 + ratio)
}

/**
 * Residue after `litres` of shower: m0·exp(−η·V/Vr), the washing-out of a continuously flushed vessel
 * (any chemical-engineering text). `coatLitres` Vr and `efficiency` η belong to the coat.
 */
export function afterShower(m0: number, efficiency: number, litres: number, coatLitres: number): number {
  return m0 * Math.exp((-efficiency * litres) / coatLitres)
}

/** Residue after `cups` batches of `cupLitres`: m0·(Vr/(Vr + η·Vp))^n, batch washing. */
export function afterCups(m0: number, efficiency: number, cups: number, cupLitres: number, coatLitres: number): number {
  return m0 * (coatLitres / (coatLitres + efficiency * cupLitres)) ** cups
}

/** Litres of shower that bring residue from `m0` to `limit`; 0 when it is there already. */
export function litresToLimit(m0: number, limit: number, efficiency: number, coatLitres: number): number {
  return m0 <= limit ? 0 : (coatLitres / efficiency) * Math.log(m0 / limit)
}
