import { type Price } from '../price'
import type { MoneyHow, PaidHow } from './events'

/** A payment: whole hundredths towards the price, a tip beside it, how and when (ms). */
export interface Payment {
  cents: number
  tip: number
  how: Exclude<PaidHow, 'later'>
  at: number
}

/** What a visit costs its owner and what of that was paid; visits of before payments were told apart say how alone. */
export interface Paid {
  price: Price
  how: PaidHow
  payments?: Payment[]
}

/** What a tap says of the money: the price, and how it is paid; `cents` where it is a part, or with a tip. */
export interface PaidSaid {
  price: Price
  how: PaidHow
  at: number
  cents?: number
  tip?: number
}

/** Payments of a visit, the first first; one that was written down as a whole is one. */
export function paymentsOf({ price, how, payments }: Paid, at = 0): Payment[] {
  if (payments) return payments
  return how === 'later' ? [] : [{ cents: price.cents, tip: 0, how, at }]
}

/** What is said of the money after what stood: a whole price stands in place of everything before, a part comes beside it. */
export function paidAfter(before: Paid | undefined, { price, how, cents, tip = 0, at }: PaidSaid): Paid {
  if (how === 'later') return { price, how, payments: cents === undefined || !before ? [] : paymentsOf(before) }
  // a device that isn’t told of money has no price
  const payment: Payment = { cents: cents ?? (price as Price | null)?.cents ?? 0, tip, how, at }
  return { price, how, payments: [...(cents === undefined || !before ? [] : paymentsOf(before)), payment] }
}

/** A payment in which money changed hands. */
type HandedOver = Payment & { how: MoneyHow }
/** Payments in which money changed hands: not those by what was paid ahead. */
export const handedOver = (paid: Paid, at = 0): HandedOver[] =>
  paymentsOf(paid, at).filter((p): p is HandedOver => p.how !== 'package' && p.how !== 'credit')
/** Hundredths that are paid towards the price. */
export const paidCents = (paid: Paid): number => paymentsOf(paid).reduce((sum, p) => sum + p.cents, 0)
/** Hundredths that are still owed; never below 0. */
export const owedCents = (paid: Paid): number => Math.max(0, paid.price.cents - paidCents(paid))
/** Hundredths that were given on top. */
export const tipCents = (paid: Paid): number => paymentsOf(paid).reduce((sum, p) => sum + p.tip, 0)
