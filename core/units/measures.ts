import { z } from 'zod'
import { constants, memory, published } from '../constants'
import { VOLUME_UNITS } from './volume'

const NIST = 'NIST Special Publication 811, appendix B'

/** SI in one of each unit that people weigh and measure with. */
export const MEASURES = constants({
  pound: published(0.45359237, 'kg', 'definition of the international pound'),
  ounce: published(0.028349523125, 'kg', 'a sixteenth of the international pound'),
  inch: published(2.54, 'cm', 'definition of the international inch'),
  foot: published(30.48, 'cm', 'definition of the international foot'),
  fahrenheitDegree: memory(5 / 9, 'K', NIST),
  fahrenheitZero: memory(32, '°F', NIST),
})

/** In which units and by which clock a house reads and writes. Everything is kept in SI. */
export const Units = z.object({
  weight: z.enum(['kg', 'lb']).default('kg'),
  temperature: z.enum(['C', 'F']).default('C'),
  volume: z.enum(['metric', 'us']).default('metric'),
  length: z.enum(['cm', 'in']).default('cm'),
  clock: z.enum(['24', '12']).default('24'),
})
export type Units = z.infer<typeof Units>

/** Kilograms and litres, by the clock of 24 hours. */
export const METRIC: Units = Units.parse({})
/** Pounds, gallons and degrees Fahrenheit, by the clock of 12 hours. */
export const US_CUSTOMARY: Units = { weight: 'lb', temperature: 'F', volume: 'us', length: 'in', clock: '12' }

/** The units that people in a place usually read, from its locale ("en-US", "de-CH"). */
export function unitsOfLocale(locale: string): Units {
  const region = /[-_]([A-Z]{2})\b/.exec(locale)?.[1]
  if (region === 'US' || region === 'LR' || region === 'MM') return US_CUSTOMARY
  const twelve = new Intl.DateTimeFormat(locale, { hour: 'numeric' }).resolvedOptions().hour12 ?? false
  return { ...METRIC, clock: twelve ? '12' : '24' }
}

/** Degrees Celsius as degrees Fahrenheit. */
export const toFahrenheit = (celsius: number): number =>
  celsius / MEASURES.fahrenheitDegree.value + MEASURES.fahrenheitZero.value
/** Degrees Fahrenheit as degrees Celsius. */
export const toCelsius = (fahrenheit: number): number =>
  (fahrenheit - MEASURES.fahrenheitZero.value) * MEASURES.fahrenheitDegree.value

/** What an amount is of, and so which units it may be given in. */
export type Quantity =
  'weight' | 'temperature' | 'volume' | 'bigVolume' | 'flow' | 'length' | 'distance' | 'span' | 'area' | 'air'

/** A unit of a quantity: its sign, and how an amount in it becomes SI (kg, °C, mL, L, L/min, cm, m; a room's m and m², a dryer's m³/min) and back. */
export interface MeasureUnit {
  sign: string
  toSI: (amount: number) => number
  fromSI: (value: number) => number
}

const linear = (sign: string, factor: number): MeasureUnit => ({
  sign,
  toSI: (amount) => amount * factor,
  fromSI: (value) => value / factor,
})
const { pound, inch, foot } = MEASURES
const gallon = VOLUME_UNITS.gallon.value / 1000

/** The unit in which a house reads a quantity. */
export function unitFor(quantity: Quantity, units: Units): MeasureUnit {
  switch (quantity) {
    case 'weight':
      return units.weight === 'lb' ? linear('lb', pound.value) : linear('kg', 1)
    case 'temperature':
      return units.temperature === 'F' ? { sign: '°F', toSI: toCelsius, fromSI: toFahrenheit } : linear('°C', 1)
    case 'volume':
      return units.volume === 'us' ? linear('fl oz', VOLUME_UNITS.fluidOunce.value) : linear('mL', 1)
    case 'bigVolume':
      return units.volume === 'us' ? linear('gal', gallon) : linear('L', 1)
    case 'flow':
      return units.volume === 'us' ? linear('gal/min', gallon) : linear('L/min', 1)
    case 'length':
      return units.length === 'in' ? linear('in', inch.value) : linear('cm', 1)
    case 'distance':
      return units.length === 'in' ? linear('in', inch.value / 100) : linear('cm', 1 / 100)
    case 'span':
      return units.length === 'in' ? linear('ft', foot.value / 100) : linear('m', 1)
    case 'area':
      return units.length === 'in' ? linear('sq ft', (foot.value / 100) ** 2) : linear('m²', 1)
    case 'air':
      return units.length === 'in' ? linear('cu ft/min', (foot.value / 100) ** 3) : linear('m³/min', 1)
  }
}

/** Inches in a foot, for those who read both. */
export const INCHES_IN_FOOT = foot.value / inch.value
