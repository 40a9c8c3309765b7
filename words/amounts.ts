import { decimalsOf } from '@core/price'
import { unitFor, type Quantity, type ReadAmount } from '@core/units'
import type { Say } from './say'

const EXAMPLES: Record<Quantity, [metric: string, us: string]> = {
  weight: ['7.5 or 16 lb 8 oz', '16.5, 16 lb 8 oz or 7.5 kg'],
  temperature: ['37.5 or 99F', '99 or 37C'],
  volume: ['250 or 8 fl oz', '8, 1 cup or 250 mL'],
  bigVolume: ['150 or 40 gal', '40 or 150 L'],
  flow: ['7 or 1.8 gal/min', '1.8 or 7 L/min'],
  length: ['4 or 1.5 in', '1.5 or 4 cm'],
  distance: ['30 or 12 in', '12 or 30 cm'],
  span: ['2.4 or 8 ft', '8 ft or 2.4 m'],
  area: ['18 or 190 sq ft', '190 or 18 m²'],
  air: ['4.5 or 160 cfm', '160 or 4.5 m³/min'],
}

/** What to do about an amount of money that can’t be read, where the currency isn’t one of hundredths; undefined for those. */
export function moneyRefused(currency: string): string | undefined {
  const decimals = decimalsOf(currency)
  if (decimals === 2) return undefined
  return decimals === 0
    ? 'Give a whole amount, for example 4500.'
    : 'Give an amount to the hundredth, for example 4.25.'
}

/** Why a typed amount can't be read, with what can; undefined when it can, or when nothing is typed. */
export function amountRefused(read: ReadAmount, quantity: Quantity, say: Say): string | undefined {
  if (read.ok || read.why === 'empty') return undefined
  const [metric, us] = EXAMPLES[quantity]
  const example = say.units.weight === 'lb' || say.units.volume === 'us' || say.units.temperature === 'F' ? us : metric
  const what = read.why === 'unknownUnit' ? `“${read.unit}” isn’t a unit that fits here.` : 'That isn’t a number.'
  return `${what} Write it as ${example}.`
}

/** How a typed amount was read, when it came in a unit of its own: "40 gal, read as 151.4 L". */
export function readAs(read: ReadAmount, quantity: Quantity, say: Say): string | undefined {
  if (!read.ok || !read.given) return undefined
  const unit = unitFor(quantity, say.units)
  const typed = read.parts.map((p) => `${say.number(p.amount, 3)} ${p.sign}`).join(' ')
  if (read.parts.every((p) => p.sign === unit.sign)) return undefined
  return `${typed}, read as ${say.number(unit.fromSI(read.value), 2)} ${unit.sign}`
}
