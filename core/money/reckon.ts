import { constants, practice } from '../constants'
import { Service, type Dog } from '../dog'
import { priceSize, type House, type PriceSize } from '../house'
import type { Price } from '../price'
import { add, further, reckon, set, start, times, type Reason, type Reckoned } from '../reckoned'
import type { Plan, Today } from '../visit'

declare module '../said' {
  interface Codes {
    'price.list': { service: Service; size: PriceSize }
    'price.dog': None
    'price.visit': None
    'price.mats': { minutes: number }
    'price.fleas': None
    'price.helper': None
    'price.medicated': None
    'price.teeth': None
    'price.glands': None
    'price.outOfHours': None
    'price.secondDog': { percent: number }
    'price.regular': { percent: number; days: number }
    'price.rounded': None
    'price.hands': { minutes: number }
    'price.costs': None
  }
}

/** When a dog comes regularly, and in what mats are charged. */
export const PRICING = constants({
  regular: practice(42, 'days', [28, 56]),
  mats: practice(10, 'min', [5, 15]),
})

const SIZE_ORDER: Record<PriceSize, number> = { toy: 0, small: 1, medium: 2, large: 3, giant: 4 }

/** What a list asks for a dog of so many kilograms, cents, by what it may come for: before anything is known of it but its weight. */
export const listedPrices = (kg: number, { services }: House['priceList']): { service: Service; cents: number }[] =>
  Service.options.flatMap((service) => {
    const cents = services[service]?.[SIZE_ORDER[priceSize(kg)]] ?? null
    return cents === null ? [] : [{ service, cents }]
  })

/** What a price is reckoned from. */
export interface PriceFacts {
  dog: Pick<Dog, 'weightKg' | 'price'>
  today: Pick<Today, 'service' | 'weightKg' | 'fleas' | 'helper'>
  plan: Pick<Plan, 'steps'> & Partial<Pick<Plan, 'mix'>>
  house: Pick<House, 'prices' | 'priceList'>
  /** What is agreed for this visit alone. */
  agreed?: Price | null
  /** Whether its owner has another dog on the same day. */
  second?: boolean
  /** Days since it was here last; null where that isn't known. */
  since?: number | null
  /** Whether it comes before the hours of the house, or is fetched after them. */
  outOfHours?: boolean
}

/** Cents to a step, half away from zero; what a computer’s fractions lack of a half is none of it. */
export const roundedTo = (cents: number, step: number): number =>
  Math.sign(cents) * Math.floor(Math.abs(cents) / step + 0.5 + 1e-9) * step

const rounded = (number: Reckoned, step: number): Reckoned => {
  const whole = roundedTo(number.value, step)
  return whole === number.value ? number : further(number, set('price.rounded', {}, whole))
}

/** Minutes of a plan that its mats take. */
const matMinutesOf = ({ steps }: Pick<Plan, 'steps'>): number =>
  steps.reduce(
    (sum, { minutes }) =>
      sum + minutes.because.reduce((all, r) => all + (r.code === 'hands.mats' && r.how === 'add' ? r.effect : 0), 0),
    0,
  )

/** What is asked for beside the wash itself, each once. */
export const ASKED_EXTRAS = ['fleas', 'helper', 'medicated', 'teeth', 'glands', 'outOfHours'] as const
export type AskedExtra = (typeof ASKED_EXTRAS)[number]

/** A visit as a list's price is reckoned from: what it came for, its weight, minutes of mats, and what else it had. */
export interface ListFacts {
  service: Service
  kg: number
  matMinutes: number
  extras: readonly AskedExtra[]
  /** Whether its owner has another dog on the same day. */
  second: boolean
  /** Days since it was here last; null where that isn't known. */
  since: number | null
}

/** What a visit is, as a list sees it. */
function listFacts({ dog, today, plan, second = false, since = null, outOfHours = false }: PriceFacts): ListFacts {
  const does = (kind: 'teeth' | 'glands') => plan.steps.some((s) => s.kind === kind)
  const has: Record<AskedExtra, boolean> = {
    fleas: today.fleas,
    helper: today.helper,
    medicated: plan.mix?.bottles.some((b) => b.product.kind === 'medicated') ?? false,
    teeth: does('teeth'),
    glands: does('glands'),
    outOfHours,
  }
  return {
    service: today.service,
    kg: today.weightKg ?? dog.weightKg,
    matMinutes: matMinutesOf(plan),
    extras: ASKED_EXTRAS.filter((extra) => has[extra]),
    second,
    since,
  }
}

/** What is found on the day and makes more work, on top of whatever price. */
function extrasOf({ matMinutes, extras }: ListFacts, list: House['priceList']): (Reason | false)[] {
  const { matsTen } = list
  return [
    matsTen !== null &&
      matMinutes > 0 &&
      add('price.mats', { minutes: matMinutes }, Math.ceil(matMinutes / PRICING.mats.value) * matsTen, 'rule'),
    ...extras.map((extra) => {
      const cents = list[extra]
      return cents !== null && add(`price.${extra}` as const, {}, cents, 'rule')
    }),
  ]
}

/** What a list asks for a visit, in whole hundredths, with its reasons; undefined where it has no price for it. */
export function listPrice(facts: ListFacts, list: House['priceList']): Reckoned | undefined {
  const { service, kg, second, since } = facts
  const size = priceSize(kg)
  const listed = list.services[service]?.[SIZE_ORDER[size]] ?? null
  if (listed === null) return undefined
  const often = since !== null && since < PRICING.regular.value
  const off = (code: 'price.secondDog', percent: number, holds: boolean) =>
    holds && times(code, { percent }, 1 - percent / 100, 'rule')
  return rounded(
    reckon(
      'cents',
      start('price.list', { service, size }, listed, 'rule'),
      ...extrasOf(facts, list),
      off('price.secondDog', list.secondDog, second && list.secondDog > 0),
      often &&
        list.regular > 0 &&
        times('price.regular', { percent: list.regular, days: since }, 1 - list.regular / 100, 'rule'),
    ),
    list.step,
  )
}

/**
 * The price of a visit, in whole hundredths of the house's currency, with its reasons; undefined where nothing says one. What is
 * agreed for the visit stands as it is; what is agreed for the dog goes before the list; extras of the day come on top of
 * both; what is taken off, and the rounding, is of the list alone. Common practice, no source.
 */
export function visitPrice(facts: PriceFacts): Reckoned | undefined {
  const { dog, house, agreed = null } = facts
  if (agreed) return reckon('cents', start('price.visit', {}, agreed.cents, 'you'))
  const of = listFacts(facts)
  if (!dog.price) return listPrice(of, house.priceList)
  // extras are in the house's currency
  const added = dog.price.currency === house.prices.currency ? extrasOf(of, house.priceList) : []
  return reckon('cents', start('price.dog', {}, dog.price.cents, 'rule'), ...added)
}

/** What a dog's usual visit is asked before anything is known of the day: what is agreed for it, else by the list; null where neither says. */
export function usualPrice(
  { price, usual, weightKg }: Pick<Dog, 'price' | 'usual' | 'weightKg'>,
  { prices, priceList }: Pick<House, 'prices' | 'priceList'>,
  { service = usual?.service ?? 'bath', second = false }: { service?: Service; second?: boolean } = {},
): Price | null {
  if (price) return price
  const asked = listPrice({ service, kg: weightKg, matMinutes: 0, extras: [], second, since: null }, priceList)
  return asked ? { cents: asked.value, currency: prices.currency } : null
}

/** The price of a visit as an amount of the house's currency; what is agreed keeps its own. */
export function asPrice(number: Reckoned | undefined, { dog, house, agreed }: PriceFacts): Price | null {
  if (!number) return null
  const currency = agreed?.currency ?? dog.price?.currency ?? house.prices.currency
  return { cents: Math.round(number.value), currency }
}

/**
 * What a visit would have to bring for an hour of hands to earn what is wanted: minutes by that, and what it costs the house, cents;
 * rounded to the list's step. Undefined where nobody has said what an hour is to earn.
 */
export function suggestedPrice(
  handMinutes: number,
  costs: number,
  { hour, step }: House['priceList'],
): Reckoned | undefined {
  if (hour === null) return undefined
  return rounded(
    reckon(
      'cents',
      start('price.hands', { minutes: handMinutes }, (handMinutes / 60) * hour, 'rule'),
      add('price.costs', {}, costs),
    ),
    step,
  )
}

/** Whether a dog is not the first of its owner on a day: another of the same owner comes before it. */
export function isSecond(
  dogId: string,
  seats: readonly { dogId: string; arrive: number }[],
  dogOf: (dogId: string) => Pick<Dog, 'owner' | 'ownerContact'> | undefined,
): boolean {
  const [mine, own] = [seats.find((s) => s.dogId === dogId), dogOf(dogId)]
  if (!mine || !own || own.owner === '') return false
  return seats.some((s) => {
    const other = s.dogId === dogId ? undefined : dogOf(s.dogId)
    if (other?.owner.toLowerCase() !== own.owner.toLowerCase() || other.ownerContact !== own.ownerContact) return false
    return s.arrive < mine.arrive || (s.arrive === mine.arrive && s.dogId < dogId)
  })
}
