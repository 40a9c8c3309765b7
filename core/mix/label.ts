import { z } from 'zod'
import { constants, practice } from '../constants'
import { said, type Code, type Said } from '../said'
import { toMillilitres, volumeUnit } from '../units'

declare module '../said' {
  interface Codes {
    'label.read.stroke': { mL: number }
    'label.read.added': None
    'label.read.oneIn': { parts: number }
    'label.read.weaker': None
    'label.read.byVolume': None
    'label.no.tooWeak': { water: number }
    'label.no.unit': { unit: string }
    'label.no.pump': None
    'label.no.zero': None
    'label.no.lessThanOne': None
    'label.no.percent': None
    'label.no.thousands': { number: string }
    'label.read.cap': { mL: number }
    'label.read.drops': None
    'label.no.range': { strong: number; weak: number }
    'label.no.form': { text: string }
  }
}

/** What "1:10" means on this label: 1 part and 10 parts water, or 1 part in 10. */
export const RatioReading = z.enum(['parts', 'in'])
export type RatioReading = z.infer<typeof RatioReading>

/** What a printed ratio comes to. `water` is parts of water to one part of product; 0 is ready to use. */
export type Label = { ok: true; water: number; note?: Said<LabelNote> } | { ok: false; why: Said<LabelRefusal> }

type LabelNote = Extract<Code, `label.read.${string}`>
type LabelRefusal = Extract<Code, `label.no.${string}`>

/** The weakest mix that is taken for a ratio rather than a slip of the pen. */
export const LABEL = constants({
  weakest: practice(512, 'parts water'),
  cap: practice(10, 'mL a capful', [5, 20]),
  drop: practice(0.05, 'mL a drop', [0.03, 0.06]),
})

const NUMBER = String.raw`(\d+(?:\.\d+)?)`
const RATIO = new RegExp(`^${NUMBER} ?(?::|to|\\+|/|-|–|parts? to) ?${NUMBER}(?: parts?)?$`)
/** What labels write round a ratio. */
const ROUND = /^(?:dilute|diluted|dilution|mix|ratio)(?: (?:at|to|with|of))?:? (?=\d)| (?:dilution|ratio|mix)$/g
const RANGE = new RegExp(`^${NUMBER} ?: ?${NUMBER} ?(?:to|-|–|up to) ?${NUMBER} ?: ?${NUMBER}$`)
const WATER = 'water'
const NAMED = new RegExp(
  `^${NUMBER} ?parts? (?:of )?([a-z]+) ?(?:to|:|and|with|,|\\+) ?${NUMBER} ?parts? (?:of )?([a-z]+)$`,
)
/** Two amounts of one kind each: three spoons to one. */
const AMOUNTS = new RegExp(`^${NUMBER} ?([a-z]+) ?(?::|to|\\+) ?${NUMBER} ?([a-z]+)$`)
const PART_IN = new RegExp(`^${NUMBER} ?(?:parts? )?in ${NUMBER}$`)
const PERCENT = new RegExp(`^${NUMBER} ?(?:%|percent|per cent)$`)
const ADDED = new RegExp(`^${NUMBER} ?([a-z ]+?) ?(?:/|per|to|in|for)(?: an?)? ?(?:${NUMBER} ?)?([a-z ]+)$`)
const READY = /^(ready to use|ready|undiluted|neat|rtu|as it is)$/

const no = (why: Said<LabelRefusal>): Label => ({ ok: false, why })

function label(water: number, note?: Said<LabelNote>): Label {
  if (!(water >= 0) || water > LABEL.weakest.value) return no(said('label.no.tooWeak', { water }))
  return { ok: true, water, note }
}

function added(amount: number, unit: string, per: number, perUnit: string, pumpMl?: number | null): Label {
  const base = volumeUnit(perUnit)
  if (!base) return no(said('label.no.unit', { unit: perUnit }))
  const water = toMillilitres(per, base)
  if (/^(pump|squirt|stroke)s?$/.test(unit)) {
    if (!pumpMl) return no(said('label.no.pump'))
    return label(water / (amount * pumpMl), said('label.read.stroke', { mL: pumpMl }))
  }
  if (/^cap(?:ful|s|fuls)?$/.test(unit))
    return label(water / (amount * LABEL.cap.value), said('label.read.cap', { mL: LABEL.cap.value }))
  if (/^drops?$/.test(unit)) return label(water / (amount * LABEL.drop.value), said('label.read.drops'))
  const dose = volumeUnit(unit)
  if (!dose) return no(said('label.no.unit', { unit }))
  return label(water / toMillilitres(amount, dose), said('label.read.added'))
}

const GROUPED = /(\d)[\u00a0\u202f '’](\d{3})(?!\d)/g
const COMMA_THOUSANDS = /(?<![\d.,])([1-9]\d{0,2}),(\d{3})(?![\d.,])/g
const POINT_THOUSANDS = /(?<![\d.,])[1-9]\d{0,2}\.\d{3}(?!\d)/

/**
 * Reads a ratio as labels print it: `1:10`, `10 to 1`, `1+10`, `1 in 11`, `8 %` (by volume of the
 * mix), `30 mL/L`, `1 oz per gallon`, `3 pumps per 500 mL` (product added to that water), `2 capfuls per gallon`, `10 parts water
 * to 1 part shampoo`, `3 tbsp : 1 tbsp`, `ready to use`. A range (`1:10 to 1:20`) is refused: whoever mixes says which end.
 * Which side of `10:1` is water resolves to the weaker mix and says so. With `reading: 'in'` the
 * larger number counts all parts, product included. `1:1,000` and `1 000 mL` are thousands, `1,5` one and a half;
 * `1.000` could be either and is refused. Refuses what it cannot read, with why.
 */
export function parseLabel(
  text: string,
  { reading = 'parts', pumpMl }: { reading?: RatioReading; pumpMl?: number | null } = {},
): Label {
  const grouped = text.trim().toLowerCase().replace(GROUPED, '$1$2').replace(COMMA_THOUSANDS, '$1$2')
  const unclear = POINT_THOUSANDS.exec(grouped)
  if (unclear) return no(said('label.no.thousands', { number: unclear[0] }))
  const plain = grouped
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/([a-z])\./g, '$1')
    .replace(/\s+/g, ' ')
    .replace(ROUND, '')
    .trim()
  if (READY.test(plain)) return label(0)
  const range = RANGE.exec(plain)
  if (range) {
    const of = (a: string, b: string) => Math.max(Number(a), Number(b)) / Math.max(1e-9, Math.min(Number(a), Number(b)))
    const ends = [of(range[1]!, range[2]!), of(range[3]!, range[4]!)]
    return no(said('label.no.range', { strong: Math.min(...ends), weak: Math.max(...ends) }))
  }
  const named = NAMED.exec(plain)
  if (named && (named[2] === WATER) !== (named[4] === WATER)) {
    const [first, second] = [Number(named[1]), Number(named[3])]
    const [water, product] = named[2] === WATER ? [first, second] : [second, first]
    return product === 0 ? no(said('label.no.zero')) : label(water / product)
  }
  const ratio = RATIO.exec(plain)
  if (ratio) {
    const [a, b] = [Number(ratio[1]), Number(ratio[2])]
    const [small, large] = [Math.min(a, b), Math.max(a, b)]
    if (small === 0) return no(said('label.no.zero'))
    const parts = large / small
    if (reading === 'in') return label(parts - 1, said('label.read.oneIn', { parts }))
    return label(parts, a > b ? said('label.read.weaker') : undefined)
  }
  const partIn = PART_IN.exec(plain)
  if (partIn) {
    const [part, all] = [Number(partIn[1]), Number(partIn[2])]
    if (part === 0 || all < part) return no(said('label.no.lessThanOne'))
    return label(all / part - 1)
  }
  const percent = PERCENT.exec(plain)
  if (percent) {
    const share = Number(percent[1]) / 100
    if (share <= 0 || share > 1) return no(said('label.no.percent'))
    return label(1 / share - 1, said('label.read.byVolume'))
  }
  const amounts = AMOUNTS.exec(plain)
  const units = amounts && [volumeUnit(amounts[2]!), volumeUnit(amounts[4]!)]
  if (amounts && units?.[0] && units[1]) {
    const [a, b] = [toMillilitres(Number(amounts[1]), units[0]), toMillilitres(Number(amounts[3]), units[1])]
    if (Math.min(a, b) === 0) return no(said('label.no.zero'))
    return label(Math.max(a, b) / Math.min(a, b), said('label.read.weaker'))
  }
  const dose = ADDED.exec(plain)
  if (dose && Number(dose[1]) > 0) {
    return added(Number(dose[1]), dose[2]!, Number(dose[3] ?? 1), dose[4]!, pumpMl)
  }
  return no(said('label.no.form', { text: text.slice(0, 40) }))
}
