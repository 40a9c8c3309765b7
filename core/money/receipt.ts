import { z } from 'zod'
import { Day, Service } from '../dog'
import type { House } from '../house'
import { Price } from '../price'
import { handedOver, PaidHow, paidCents, type Paid } from '../tubside'
import type { Entry } from './account'
import { roundedTo } from './reckon'

const Cents = Price.shape.cents

/** What stands on a receipt, as it was given: amounts are whole hundredths. */
export const ReceiptRecord = z.object({
  house: z.string(),
  groomer: z.string(),
  contact: z.string(),
  dog: z.string(),
  date: Day,
  /** What the dog came for; null: it is of a payment into an account. */
  service: Service.nullable(),
  price: Price,
  /** How many visits ahead were paid; null where it is of something else. */
  ahead: z.number().int().nullable().default(null),
  /** Other visits that were paid with it. */
  also: z
    .array(z.object({ visitId: z.uuid(), dog: z.string(), date: Day, service: Service, cents: Cents, paid: Cents }))
    .default([]),
  /** Paid towards the price, by how it was paid. */
  paid: z.array(z.object({ cents: Cents, how: PaidHow.exclude(['later']) })),
  /** Tax that the paid amount contains, and at which rate, %; null where the house has none. */
  tax: z.object({ percent: z.number(), cents: z.number().int() }).nullable(),
})
export type ReceiptRecord = z.infer<typeof ReceiptRecord>

/** The tax that an amount contains at a rate, %: gross · r / (100 + r), rounded half away from zero. */
export const taxContained = (gross: number, percent: number): number =>
  roundedTo((gross * percent) / (100 + percent), 1)

type OfHouse = Pick<House, 'name' | 'groomer' | 'contact' | 'priceList'>

/** A visit whose receipt is wanted. */
export interface ReceiptFacts {
  dog: string
  date: string
  service: Service
  paid: Paid
  house: OfHouse
  /** Other visits that were paid with it, in the same currency. */
  also?: readonly { visitId: string; dog: string; date: string; service: Service; paid: Paid }[]
}

const headOf = ({ name, groomer, contact }: OfHouse) => ({ house: name, groomer, contact })
const taxOf = (gross: number, { priceList: { tax } }: OfHouse) =>
  tax > 0 ? { percent: tax, cents: taxContained(gross, tax) } : null

/** What was paid by each way, towards one visit or several. */
function byWay(paids: readonly Paid[]): ReceiptRecord['paid'] {
  const all = paids.flatMap((paid) => handedOver(paid))
  if (paids.length === 1) return all.map(({ cents, how }) => ({ cents, how }))
  const sums = new Map<ReceiptRecord['paid'][number]['how'], number>()
  for (const { how, cents } of all) sums.set(how, (sums.get(how) ?? 0) + cents)
  return [...sums].map(([how, cents]) => ({ cents, how }))
}

/**
 * The receipt of what was paid for a visit, and for those paid with it; undefined where nothing was. Tips are the groomer's and
 * stand on none; what was paid ahead had its receipt then.
 */
export function receiptOf({ dog, date, service, paid, house, also = [] }: ReceiptFacts): ReceiptRecord | undefined {
  const ways = byWay([paid, ...also.map((a) => a.paid)])
  const gross = ways.reduce((sum, w) => sum + w.cents, 0)
  if (gross === 0) return undefined
  return {
    ...headOf(house),
    dog,
    date,
    service,
    price: paid.price,
    ahead: null,
    also: also.map(({ paid: its, ...of }) => ({ ...of, cents: its.price.cents, paid: paidCents(its) })),
    paid: ways,
    tax: taxOf(gross, house),
  }
}

/** The receipt of what was paid into an account on a day; undefined where nothing was. */
export function paymentReceipt(entry: Entry, date: string, house: OfHouse): ReceiptRecord | undefined {
  if ((entry.kind !== 'payment' && entry.kind !== 'package') || entry.how === 'later') return undefined
  const { price, how } = entry
  return {
    ...headOf(house),
    dog: '',
    date,
    service: null,
    price,
    ahead: entry.kind === 'package' ? entry.visits : null,
    also: [],
    paid: [{ cents: price.cents, how }],
    tax: taxOf(price.cents, house),
  }
}
