import { chance } from '@core/chance'
import type { Dog } from '@core/dog'
import type { House } from '@core/house'
import { asPrice, visitPrice } from '@core/money'
import { TubEvent, type PaidHow } from '@core/tubside'
import type { Plan, Today } from '@core/visit'

/** Who still owes something for its last visit of the made-up past, and how. */
const OWES: Record<string, 'all' | 'part'> = { Otis: 'all', Tansy: 'part' }

/** What owners of the made-up past do: how they pay, and how often they give a little more. */
const HABITS = { card: 0.55, cash: 0.9, tips: 0.15, tipTo: 500 }

interface Settled {
  dog: Dog
  today: Today
  plan: Plan
  house: House
  /** Whether its owner had another dog there before it that day. */
  second: boolean
  /** Days since it was there before; null where it wasn't. */
  since: number | null
  /** Whether it is its last visit of the past. */
  last: boolean
  /** When it was fetched, ms. */
  at: number
}

/** How a visit of the made-up past was paid; nothing where the house has no price for it. By a chance of its own, so that nothing else of the past depends on it. */
export function paidFor({ dog, today, plan, house, second, since, last, at }: Settled): TubEvent[] {
  const facts = { dog, today, plan, house, second, since }
  const price = asPrice(visitPrice(facts), facts)
  if (!price) return []
  const random = chance(
    [...`${dog.name} ${today.date}`].reduce((sum, c) => (31 * sum + c.charCodeAt(0)) % 1_000_003, 7),
  )
  const [by, gives] = [random(), random()]
  const digits = (n: number) => Array.from({ length: n }, () => '0123456789abcdef'[Math.floor(16 * random())]).join('')
  const id = `${digits(8)}-${digits(4)}-4${digits(3)}-a${digits(3)}-${digits(12)}`
  const tap = (how: PaidHow, more: { cents?: number; tip?: number } = {}) => [
    TubEvent.parse({ id, at: Math.round(at), device: 'tablet', kind: 'paid', price, how, ...more }),
  ]
  const owes = last ? OWES[dog.name] : undefined
  if (owes === 'all') return tap('later')
  if (owes === 'part') return tap('cash', { cents: Math.floor(price.cents / 200) * 100 })
  const how = by < HABITS.card ? 'card' : by < HABITS.cash ? 'cash' : 'transfer'
  const tip = HABITS.tipTo - (price.cents % HABITS.tipTo)
  return how === 'cash' && gives < HABITS.tips * 2 ? tap(how, { cents: price.cents, tip }) : tap(how)
}
