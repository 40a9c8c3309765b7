import { Circuit, Prices } from './equipment'
import { House } from './house'

/** What mains, a tank and money are usually like somewhere. Common practice, no source. */
interface Place {
  volts: number
  amps: number
  tankL: number
  currency: string
}
const EUROPE: Place = { volts: 230, amps: 16, tankL: 200, currency: 'EUR' }
const PLACES: Record<string, Place> = {
  US: { volts: 120, amps: 20, tankL: 190, currency: 'USD' },
  CA: { volts: 120, amps: 15, tankL: 190, currency: 'CAD' },
  GB: { volts: 230, amps: 13, tankL: 150, currency: 'GBP' },
  IE: { ...EUROPE, amps: 13 },
  CH: { ...EUROPE, amps: 10, currency: 'CHF' },
  AU: { volts: 230, amps: 10, tankL: 250, currency: 'AUD' },
  NZ: { volts: 230, amps: 10, tankL: 180, currency: 'NZD' },
}
const EURO = new Set(['AT', 'BE', 'DE', 'ES', 'FI', 'FR', 'IT', 'LU', 'NL', 'PT'])

/** The region of a locale such as "en-US"; undefined where it names none. */
export const regionOf = (locale: string): string | undefined => /[-_]([A-Z]{2})\b/.exec(locale)?.[1]

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/**
 * A house that nobody has said anything of, with the mains, tank and money that are usual where its user reads; whatever
 * was said already stays, and so does everything of a demonstration or of a place that isn't known.
 */
export function placedIn(house: House, region: string | undefined): House {
  const place = region === undefined ? undefined : (PLACES[region] ?? (EURO.has(region) ? EUROPE : undefined))
  if (!place || house.demonstration) return house
  const { volts, amps, tankL, currency } = place
  const usual = House.parse({ name: house.name, dryers: house.dryers })
  const circuits = same(house.circuits, usual.circuits) ? [Circuit.parse({ volts, amps })] : house.circuits
  const prices = same(house.prices, usual.prices) ? Prices.parse({ currency }) : house.prices
  const water = same(house.water, usual.water) ? { ...house.water, tankL } : house.water
  return { ...house, circuits, prices, water }
}
