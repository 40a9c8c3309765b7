import { VOLUME_UNITS, volumeUnit } from './volume'
import { MEASURES, toCelsius, unitFor, type Quantity, type Units } from './measures'

/** One amount as it was read: the number and the sign of its unit. */
export interface ReadPart {
  amount: number
  sign: string
}

/** A typed amount in SI, with how it was read; or why it can't be. `given`: its unit was typed, not taken from the house. */
export type ReadAmount =
  | { ok: true; value: number; parts: ReadPart[]; given: boolean }
  | { ok: false; why: 'empty' | 'noNumber' | 'unknownUnit'; unit?: string }

type Factor = readonly [sign: string, toSI: (amount: number) => number]
const by = (sign: string, factor: number): Factor => [sign, (amount) => amount * factor]
const { pound, ounce, inch, foot } = MEASURES

const WEIGHTS: Record<string, Factor> = {
  kg: by('kg', 1),
  kilo: by('kg', 1),
  kilos: by('kg', 1),
  g: by('g', 0.001),
  lb: by('lb', pound.value),
  lbs: by('lb', pound.value),
  pound: by('lb', pound.value),
  pounds: by('lb', pound.value),
  oz: by('oz', ounce.value),
  ounce: by('oz', ounce.value),
  ounces: by('oz', ounce.value),
}
const TEMPERATURES: Record<string, Factor> = {
  c: by('°C', 1),
  '°c': by('°C', 1),
  celsius: by('°C', 1),
  f: ['°F', toCelsius],
  '°f': ['°F', toCelsius],
  fahrenheit: ['°F', toCelsius],
}
const LENGTHS: Record<string, Factor> = {
  mm: by('mm', 0.1),
  cm: by('cm', 1),
  m: by('m', 100),
  in: by('in', inch.value),
  inch: by('in', inch.value),
  inches: by('in', inch.value),
  '"': by('in', inch.value),
  ft: by('ft', foot.value),
  foot: by('ft', foot.value),
  feet: by('ft', foot.value),
  "'": by('ft', foot.value),
}

const feet = foot.value / 100
const AREAS: Record<string, Factor> = {
  'm²': by('m²', 1),
  m: by('m²', 1),
  sqm: by('m²', 1),
  'sq m': by('m²', 1),
  'sq ft': by('sq ft', feet ** 2),
  sqft: by('sq ft', feet ** 2),
  'ft²': by('sq ft', feet ** 2),
}
const AIRS: Record<string, Factor> = {
  'm³/min': by('m³/min', 1),
  'cu ft/min': by('cu ft/min', feet ** 3),
  cfm: by('cu ft/min', feet ** 3),
}

const scaled = (table: Record<string, Factor>, factor: number, unit: string): Factor | undefined => {
  const found = table[unit]
  return found && [found[0], (amount) => found[1](amount) * factor]
}

const SIGNS: Partial<Record<keyof typeof VOLUME_UNITS, string>> = {
  millilitre: 'mL',
  litre: 'L',
  fluidOunce: 'fl oz',
  gallon: 'gal',
  quart: 'qt',
  pint: 'pt',
  cup: 'cup',
  tablespoon: 'tbsp',
  teaspoon: 'tsp',
}

function volume(unit: string, perMl: number): Factor | undefined {
  const name = volumeUnit(unit)
  return name && [SIGNS[name] ?? unit, (amount) => amount * VOLUME_UNITS[name].value * perMl]
}

/** What a typed unit means for a quantity; undefined when it means nothing there. */
function factorOf(unit: string, quantity: Quantity): Factor | undefined {
  switch (quantity) {
    case 'weight':
      return WEIGHTS[unit]
    case 'temperature':
      return TEMPERATURES[unit]
    case 'length':
      return LENGTHS[unit]
    case 'distance':
      return scaled(LENGTHS, 0.01, unit)
    case 'span':
      return scaled(LENGTHS, 0.01, unit)
    case 'area':
      return AREAS[unit]
    case 'air':
      return AIRS[unit]
    case 'volume':
      return volume(unit, 1)
    case 'bigVolume':
      return volume(unit, 0.001)
    case 'flow': {
      const rate = volume(unit.replace(/ ?(?:\/|per|a|p) ?(?:min|minute|m)$/, '').replace(/^gpm$/, 'gal'), 0.001)
      return rate && [`${rate[0]}/min`, rate[1]]
    }
  }
}

const PART = /(-?\d+(?:[.,]\d+)?|-?[.,]\d+)\s*([^\d\s.,-][^\d,-]*)?/g

/**
 * Reads a typed amount: a number in the house's unit, or one with a unit of its own ("70F", "40 gal"), or two
 * that add up ("2 lb 3 oz", "5 ft 2 in"). A comma is a decimal point. The value comes in SI: kg, °C, mL
 * (volume), L (bigVolume), L/min, cm (length), m (distance, span), m² (area) or m³/min (air).
 */
export function readAmount(text: string, quantity: Quantity, units: Units): ReadAmount {
  const plain = text.trim().toLowerCase().replace(/−/g, '-').replace(/\s+/g, ' ')
  if (plain === '') return { ok: false, why: 'empty' }
  const found = [...plain.matchAll(PART)]
  if (
    found.length === 0 ||
    found
      .map((m) => m[0])
      .join('')
      .replace(/\s/g, '') !== plain.replace(/\s/g, '')
  )
    return { ok: false, why: 'noNumber' }
  if (found.length > 2 || (found.length === 2 && (quantity === 'temperature' || found.some((m) => !m[2]))))
    return { ok: false, why: 'noNumber' }
  const own = unitFor(quantity, units)
  const parts: ReadPart[] = []
  let value = 0
  for (const [, digits, typed] of found) {
    const amount = Number(digits!.replace(',', '.'))
    const unit = typed?.trim().replace(/\.$/, '')
    const factor: Factor | undefined = unit ? factorOf(unit, quantity) : [own.sign, own.toSI]
    if (!factor) return { ok: false, why: 'unknownUnit', unit }
    parts.push({ amount, sign: factor[0] })
    value += factor[1](amount)
  }
  return { ok: true, value, parts, given: found.some((m) => m[2] !== undefined) }
}

/**
 * The SI value of a field opened with `was`: what is typed, or `was` itself while its text stands there unchanged, so
 * that opening and saving never rounds. NaN when it can't be read.
 */
export function amountAgain(
  text: string,
  quantity: Quantity,
  units: Units,
  was: number | null | undefined,
  digits: number,
): number {
  const read = readAmount(text, quantity, units)
  if (!read.ok) return NaN
  const before = was === null || was === undefined ? NaN : shownAmount(was, quantity, units, digits)
  return text.trim() === String(before) ? was! : read.value
}

/**
 * An SI value as the number a field shows, so that what was typed is shown again: at most `digits` decimals, fewer
 * where they are zeros.
 */
export function shownAmount(value: number, quantity: Quantity, units: Units, digits = 1): number {
  return Number(unitFor(quantity, units).fromSI(value).toFixed(digits))
}
