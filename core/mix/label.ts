import { z } from 'zod'
import { constants, practice } from '../constants'
import { say, toMillilitres, volumeUnit } from '../units'

/** What "1:10" means on this label: 1 part and 10 parts water, or 1 part in 10. */
export const RatioReading = z.enum(['parts', 'in'])
export type RatioReading = z.infer<typeof RatioReading>

/** What a printed ratio comes to. `water` is parts of water to one part of product; 0 is ready to use. */
export type Label = { ok: true; water: number; spelled: string; note?: string } | { ok: false; why: string }

/** The weakest mix that is taken for a ratio rather than a slip of the pen. */
export const LABEL = constants({
  weakest: practice(512, 'parts water'),
})

const FORMS = 'Write it as 1:10, 10 to 1, 1+10, 1 in 11, 8 %, 30 mL/L, 1 oz per gallon or ready to use.'
const NUMBER = String.raw`(\d+(?:\.\d+)?)`
const RATIO = new RegExp(`^${NUMBER} ?(?::|to|\\+|parts? to) ?${NUMBER}(?: parts?)?$`)
const PART_IN = new RegExp(`^${NUMBER} ?(?:parts? )?in ${NUMBER}$`)
const PERCENT = new RegExp(`^${NUMBER} ?(?:%|percent|per cent)$`)
const ADDED = new RegExp(`^${NUMBER} ?([a-z ]+?) ?(?:/|per|to|in|for)(?: an?)? ?(?:${NUMBER} ?)?([a-z ]+)$`)
const READY = /^(ready to use|ready|undiluted|neat|rtu|as it is)$/

/** Parts of water to one part of product, spelled so that no one can turn it round. */
export function spellRatio(water: number): string {
  if (water === 0) return 'as it comes, no water'
  return `1 part product + ${say(water, 1)} parts water (${say(1 + water, 1)} parts)`
}

function label(water: number, note?: string): Label {
  if (!(water >= 0) || water > LABEL.weakest.value) {
    return { ok: false, why: `That would be ${say(water, 0)} parts of water to one. ${FORMS}` }
  }
  return { ok: true, water, spelled: spellRatio(water), note }
}

function added(amount: number, unit: string, per: number, perUnit: string, pumpMl?: number | null): Label {
  const base = volumeUnit(perUnit)
  if (!base) return { ok: false, why: `"${perUnit}" is not a volume known here. ${FORMS}` }
  const water = toMillilitres(per, base)
  if (/^(pump|squirt|stroke)s?$/.test(unit)) {
    if (!pumpMl) {
      return { ok: false, why: 'Count the pump into a measuring spoon first: how many mL is one stroke?' }
    }
    return label(water / (amount * pumpMl), `one stroke is ${say(pumpMl, 2)} mL`)
  }
  const dose = volumeUnit(unit)
  if (!dose) return { ok: false, why: `"${unit}" is not a volume known here. ${FORMS}` }
  return label(water / toMillilitres(amount, dose), 'product added to that much water')
}

/**
 * Reads a ratio as labels print it: `1:10`, `10 to 1`, `1+10`, `1 in 11`, `8 %` (by volume of the
 * mix), `30 mL/L`, `1 oz per gallon`, `3 pumps per 500 mL` (product added to that water), `ready to use`.
 * Which side of `10:1` is water resolves to the weaker mix and says so. With `reading: 'in'` the
 * larger number counts all parts, product included. Refuses what it cannot read, and says what it can.
 */
export function parseLabel(
  text: string,
  { reading = 'parts', pumpMl }: { reading?: RatioReading; pumpMl?: number | null } = {},
): Label {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/([a-z])\./g, '$1')
    .replace(/\s+/g, ' ')
  if (READY.test(plain)) return label(0)

  const ratio = RATIO.exec(plain)
  if (ratio) {
    const [a, b] = [Number(ratio[1]), Number(ratio[2])]
    const [small, large] = [Math.min(a, b), Math.max(a, b)]
    if (small === 0) return { ok: false, why: `A ratio needs two numbers above zero. ${FORMS}` }
    const parts = large / small
    if (reading === 'in') return label(parts - 1, `read as one part in ${say(parts)}`)
    return label(parts, a > b ? 'the larger number is taken for the water: the weaker mix' : undefined)
  }

  const partIn = PART_IN.exec(plain)
  if (partIn) {
    const [part, all] = [Number(partIn[1]), Number(partIn[2])]
    if (part === 0 || all < part) return { ok: false, why: `One part in less than one cannot be. ${FORMS}` }
    return label(all / part - 1)
  }

  const percent = PERCENT.exec(plain)
  if (percent) {
    const share = Number(percent[1]) / 100
    if (share <= 0 || share > 1) return { ok: false, why: `A strength lies above 0 and up to 100 %. ${FORMS}` }
    return label(1 / share - 1, 'by volume of the mix')
  }

  const dose = ADDED.exec(plain)
  if (dose && Number(dose[1]) > 0) {
    return added(Number(dose[1]), dose[2]!, Number(dose[3] ?? 1), dose[4]!, pumpMl)
  }
  return { ok: false, why: `"${text.slice(0, 40)}" is not a ratio that can be read. ${FORMS}` }
}
