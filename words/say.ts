import { centsShown, decimalsOf, type Price } from '@core/price'
import { INCHES_IN_FOOT, unitFor, VOLUME_UNITS, type Quantity, type Units } from '@core/units'
import type { By, Reason, Reckoned, Unit } from '@core/reckoned'
import type { Said } from '@core/said'

/** How a date is said: "Saturday 28 November 2026", "28 November", "28 Nov 2026", "28/11", or "November 2026". */
export type DateStyle = 'long' | 'day' | 'short' | 'brief' | 'month' | 'weekday'

/**
 * Says amounts, times and lists in a house's own units and by its clock. Everything that goes in is SI: kg, °C, mL
 * or L, cm or m, minutes; a date is ISO.
 */
export interface Say {
  units: Units
  /** A number as people write it: `digits` decimals at most, no trailing zeros, a real minus sign. */
  number: (value: number, digits?: number) => string
  /** "a, b and c". */
  list: (words: readonly string[], last?: string) => string
  /** "1 visit", "3 visits". */
  count: (n: number, one: string, many?: string) => string
  /** With its first letter as a capital. */
  capital: (text: string) => string
  /** "45 min", "1 h 5". */
  minutes: (minutes: number) => string
  weight: (kg: number) => string
  temperature: (celsius: number, digits?: number) => string
  /** A difference of temperatures. */
  warmer: (kelvin: number) => string
  /** Millilitres, as mL or L, fl oz or gal. */
  volume: (mL: number, digits?: number) => string
  /** Litres, as L or gal. */
  litres: (litres: number, digits?: number) => string
  flow: (litresAMinute: number) => string
  /** Centimetres. */
  length: (cm: number) => string
  /** A dryer's air: "4.5 m³/min", "159 cu ft/min". */
  air: (m3AMinute: number) => string
  /** Metres between a nozzle and a coat. */
  distance: (m: number) => string
  /** Metres of a room: "2.4 m", "8 ft". */
  span: (m: number) => string
  area: (m2: number) => string
  /** Millilitres on a square metre: "400 mL a square metre", "1.26 fl oz a square foot". */
  spread: (mLPerM2: number) => string
  /** Surface in a minute. */
  rate: (m2: number) => string
  /** A minute of the clock: "14:05", "2:05 pm". */
  clock: (minute: number) => string
  date: (iso: string, style?: DateStyle) => string
  /** The day on which a week begins: 0 Sunday, 1 Monday. */
  weekBegins: 0 | 1
  /** An amount of money: "£45", "€45.50"; with its own name where it is no currency that people abbreviate. */
  money: (price: Price) => string
  /** A reckoned number with its unit. */
  amount: (number: Pick<Reckoned, 'value' | 'unit'>, digits?: number) => string
  /** The number alone, as a large figure shows it, and its unit beside it. */
  figure: (number: Pick<Reckoned, 'value' | 'unit'>, digits?: number) => { figure: string; unit: string }
  /** What a reason does to a number of a unit: "× 1.2", "+3". */
  effect: (reason: { how: Reason['how']; effect: number; by: By }, unit: Unit, digits?: number) => string
  /** A statement in words. */
  said: (statement: Said) => string
  /** Statements one after another. */
  all: (statements: readonly Said[]) => string
  /** Statements as parts of one line: "a; b". */
  inLine: (statements: readonly Said[]) => string
}

const plain = (value: number, digits: number): string => {
  const rounded = Number(value.toFixed(digits))
  return String(Math.abs(rounded) === 0 ? 0 : rounded).replace('-', '−')
}

/** Words joined as a sentence joins them: "a", "a and b", "a, b and c". */
export function listed(words: readonly string[], last = 'and'): string {
  if (words.length < 2) return words.join('')
  return `${words.slice(0, -1).join(', ')} ${last} ${words[words.length - 1]}`
}

const ENDINGS: Record<string, string> = { one: 'st', two: 'nd', few: 'rd' }
const ORDER = new Intl.PluralRules('en', { type: 'ordinal' })

/** "1st", "2nd", "11th". */
export const ordinal = (n: number): string => `${n}${ENDINGS[ORDER.select(n)] ?? 'th'}`

/** A text with its first letter as a capital. */
export const capital = (text: string): string => (text === '' ? '' : text[0]!.toUpperCase() + text.slice(1))

function minutesText(minutes: number): string {
  const whole = Math.round(minutes)
  if (whole < 60) return `${whole} min`
  const rest = whole % 60
  return rest === 0 ? `${Math.floor(whole / 60)} h` : `${Math.floor(whole / 60)} h ${rest}`
}

function clockText(minute: number, twelve: boolean): string {
  const whole = Math.round(minute)
  const hour = Math.floor((whole % 1440) / 60)
  const past = String(whole % 60).padStart(2, '0')
  const time = twelve ? `${hour % 12 === 0 ? 12 : hour % 12}:${past} ${hour < 12 ? 'am' : 'pm'}` : `${hour}:${past}`
  return whole >= 1440 ? `${time} after midnight` : time
}

const DATE_STYLES: Record<DateStyle, Intl.DateTimeFormatOptions> = {
  long: { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' },
  day: { day: 'numeric', month: 'long' },
  short: { day: 'numeric', month: 'short', year: 'numeric' },
  brief: { day: 'numeric', month: 'numeric' },
  month: { month: 'long', year: 'numeric' },
  weekday: { weekday: 'long' },
}

/** Ounces in a pound, below which a small dog's weight is said with them. */
const OUNCES = 16
const SMALL_POUNDS = 10
/** Pounds from which on a scale is read to the whole one, and kilograms from which on to the half. */
const WHOLE_POUNDS = 20
const HALF_KILOGRAMS = 10
/** Millilitres from which on a jug is read in steps of five, fluid ounces from which on to the whole one. */
const FIVE_ML = 50
const WHOLE_OUNCES = 16
/** Drops in a millilitre, common practice. */
const DROPS = 20
/** Fluid ounces from which on a volume is said in gallons, and millilitres from which on in litres. */
const GALLON_OUNCES = 128

function pounds(kg: number): string {
  const all = unitFor('weight', { weight: 'lb' } as Units).fromSI(kg)
  if (all >= WHOLE_POUNDS) return `${plain(all, 0)} lb`
  if (all >= SMALL_POUNDS) return `${plain(inSteps(all, 0.5), 1)} lb`
  const ounces = Math.round(all * OUNCES)
  const [lb, oz] = [Math.floor(ounces / OUNCES), ounces % OUNCES]
  if (lb === 0) return `${oz} oz`
  return oz === 0 ? `${lb} lb` : `${lb} lb ${oz} oz`
}

const inSteps = (value: number, step: number): number => Math.round(value / step) * step

const QUARTERS = ['', '¼', '½', '¾']
/** A number to a quarter, as a spoon and a cup are marked: "2¼", "½". */
function quarters(value: number): string {
  const all = Math.round(value * 4)
  const [whole, rest] = [Math.floor(all / 4), all % 4]
  return rest === 0 ? String(whole) : `${whole === 0 ? '' : whole}${QUARTERS[rest]}`
}

/** A volume as spoons, ounces and gallons measure it. */
function ounces(mL: number, digits?: number): string {
  const fl = mL / VOLUME_UNITS.fluidOunce.value
  if (fl >= GALLON_OUNCES) return `${plain(fl / GALLON_OUNCES, digits ?? 2)} gal`
  if (fl >= WHOLE_OUNCES) return `${plain(fl, 0)} fl oz`
  if (mL >= VOLUME_UNITS.tablespoon.value) return `${quarters(fl)} fl oz`
  const spoons = mL / VOLUME_UNITS.teaspoon.value
  if (spoons >= 1 / 8) return `${quarters(spoons)} tsp`
  const drops = Math.round(mL * DROPS)
  return drops === 1 ? '1 drop' : `${drops} drops`
}

/** A volume as a jug and a syringe are marked. */
function millilitres(mL: number, digits?: number): string {
  if (mL >= 10_000) return `${plain(mL / 1000, 1)} L`
  if (mL >= FIVE_ML) return `${inSteps(mL, 5)} mL`
  return `${plain(mL, digits ?? (mL < 10 ? 1 : 0))} mL`
}

/** Units that count things, and one of them. */
const COUNTED: Record<string, string> = { passes: 'pass', towels: 'towel', days: 'day' }

/** Square feet in a square metre. */
const SQUARE_FEET = (100 / 2.54 / INCHES_IN_FOOT) ** 2

/** How a house says its amounts. `said`: the sentence of a statement, which may use the amounts. */
export function speaker(units: Units, sentence: (statement: Said, say: Say) => string): Say {
  const us = { weight: units.weight === 'lb', volume: units.volume === 'us', length: units.length === 'in' }
  const warm = units.temperature === 'F'
  const locale = us.weight || us.length ? 'en-US' : 'en-GB'
  const formats = new Map<DateStyle, Intl.DateTimeFormat>()
  const format = (style: DateStyle) => {
    const known = formats.get(style) ?? new Intl.DateTimeFormat(locale, { ...DATE_STYLES[style], timeZone: 'UTC' })
    formats.set(style, known)
    return known
  }
  const shown = (value: number, quantity: Quantity, digits: number) => {
    const unit = unitFor(quantity, units)
    return { figure: plain(unit.fromSI(value), digits), unit: unit.sign }
  }
  const figure: Say['figure'] = ({ value, unit }, digits = 1) => {
    switch (unit) {
      case '°C':
        return shown(value, 'temperature', digits)
      case 'L':
        return shown(value, 'bigVolume', us.volume ? Math.max(1, digits) : digits)
      case 'mL':
        return shown(value, 'volume', us.volume ? Math.max(1, digits) : digits)
      case 'm':
        return shown(value, 'distance', us.length ? Math.max(0, digits - 1) : 0)
      case 'm²':
        return us.length
          ? { figure: plain(value * SQUARE_FEET, 1), unit: 'sq ft' }
          : { figure: plain(value, 2), unit: 'm²' }
      case 'cents':
        return { figure: centsShown(value), unit: '' }
      default:
        return { figure: plain(value, digits), unit }
    }
  }
  const say: Say = {
    units,
    number: (value, digits = 1) => plain(value, digits),
    list: listed,
    count: (n, one, many = `${one}s`) => `${plain(n, 1)} ${n === 1 ? one : many}`,
    capital,
    minutes: minutesText,
    weight: (kg) => (us.weight ? pounds(kg) : `${plain(kg >= HALF_KILOGRAMS ? inSteps(kg, 0.5) : kg, 1)} kg`),
    temperature: (celsius, digits = 1) => {
      const { figure: number, unit } = shown(celsius, 'temperature', digits)
      return `${number} ${unit}`
    },
    warmer: (kelvin) => (warm ? `${plain(kelvin * 1.8, 1)} °F` : `${plain(kelvin, 1)} °C`),
    volume: (mL, digits) => (us.volume ? ounces(mL, digits) : millilitres(mL, digits)),
    litres: (litres, digits) => {
      const { figure: number, unit } = shown(
        litres,
        'bigVolume',
        us.volume ? Math.max(1, digits ?? 1) : (digits ?? (litres < 10 ? 1 : 0)),
      )
      return us.volume && Number(number) === 0 && litres > 0 ? ounces(litres * 1000) : `${number} ${unit}`
    },
    flow: (litresAMinute) => {
      const { figure: number, unit } = shown(litresAMinute, 'flow', 1)
      return `${number} ${unit}`
    },
    length: (cm) => {
      const { figure: number, unit } = shown(cm, 'length', 1)
      return `${number} ${unit}`
    },
    distance: (m) => {
      const { figure: number, unit } = shown(m, 'distance', 0)
      return `${number} ${unit}`
    },
    span: (m) => {
      const { figure: number, unit } = shown(m, 'span', 1)
      return `${number} ${unit}`
    },
    area: (m2) => {
      const { figure: number, unit } = figure({ value: m2, unit: 'm²' })
      return `${number} ${unit}`
    },
    air: (flow) => {
      const unit = unitFor('air', units)
      return `${plain(unit.fromSI(flow), us.length ? 0 : 1)} ${unit.sign}`
    },
    spread: (mL) =>
      us.volume && us.length
        ? `${plain(mL / SQUARE_FEET / VOLUME_UNITS.fluidOunce.value, 2)} fl oz a square foot`
        : us.volume
          ? `${plain(mL / VOLUME_UNITS.fluidOunce.value, 1)} fl oz a square metre`
          : us.length
            ? `${plain(mL / SQUARE_FEET, 1)} mL a square foot`
            : `${plain(mL, 0)} mL a square metre`,
    rate: (m2) => {
      const area = us.length ? `${plain(m2 * SQUARE_FEET, 1)} sq ft` : `${plain(m2, 2)} m²`
      return `${area} a minute`
    },
    weekBegins: locale === 'en-US' ? 0 : 1,
    clock: (minute) => clockText(minute, units.clock === '12'),
    date(iso, style = 'long') {
      const text = format(style).format(new Date(`${iso}T12:00:00Z`))
      // "Saturday 5 December 2026", but "Saturday, December 5, 2026"
      return locale === 'en-US' ? text : text.replace(',', '')
    },
    money: ({ cents, currency }) => {
      const amount = cents / 100
      const whole = Number.isInteger(amount)
      try {
        const digits = whole ? 0 : decimalsOf(currency)
        const style = {
          style: 'currency',
          currency,
          minimumFractionDigits: digits,
          maximumFractionDigits: digits,
        } as const
        return new Intl.NumberFormat(locale, style).format(amount)
      } catch {
        return `${amount.toFixed(whole ? 0 : 2)} ${currency}`
      }
    },
    amount: (number, digits) => {
      const { figure: value, unit } = figure(number, digits)
      const one = value === '1' ? COUNTED[unit] : undefined
      return `${value} ${one ?? unit}`
    },
    figure,
    effect: ({ how, effect }, unit, digits = 1) => {
      if (how === 'note') return ''
      if (how === 'times') return `× ${plain(effect, 2)}`
      const fine = effect !== 0 && Math.abs(effect) < 0.5 * 10 ** -digits ? 2 : digits
      if (how === 'add') {
        const zero = unit === '°C' && warm ? effect * 1.8 : Number(figureValue(figure, effect, unit, fine))
        return `${effect > 0 ? '+' : ''}${plain(zero, fine)}`
      }
      return figure({ value: effect, unit }, fine).figure
    },
    said: (statement) => sentence(statement, say),
    all: (statements) => statements.map((s) => sentence(s, say)).join(' '),
    inLine: (statements) => statements.map((s) => sentence(s, say)).join('; '),
  }
  return say
}

/** The number of a figure, its minus sign read back. */
const figureValue = (figure: Say['figure'], value: number, unit: Unit, digits: number): string =>
  figure({ value, unit }, digits).figure.replace('−', '-')
