import { z } from 'zod'
import { Day, Service } from '../dog'
import type { House } from '../house'
import { Price } from '../price'
import { paidCents, paymentsOf, type Paid } from '../tubside'
import { roundedTo } from './reckon'

/** What stands on a receipt, as it was given: amounts are whole hundredths. */
export const ReceiptRecord = z.object({
  house: z.string(),
  groomer: z.string(),
  contact: z.string(),
  dog: z.string(),
  date: Day,
  service: Service,
  price: Price,
  /** Paid towards the price, by how it was paid. */
  paid: z.array(z.object({ cents: Price.shape.cents, how: z.enum(['cash', 'card', 'transfer']) })),
  /** Tax that the paid amount contains, and at which rate, %; null where the house has none. */
  tax: z.object({ percent: z.number(), cents: z.number().int() }).nullable(),
})
export type ReceiptRecord = z.infer<typeof ReceiptRecord>

/** The tax that an amount contains at a rate, %: gross · r / (100 + r), rounded half away from zero. */
export const taxContained = (gross: number, percent: number): number =>
  roundedTo((gross * percent) / (100 + percent), 1)

/** A visit whose receipt is wanted. */
export interface ReceiptFacts {
  dog: string
  date: string
  service: Service
  paid: Paid
  house: Pick<House, 'name' | 'groomer' | 'contact' | 'priceList'>
}

/** The receipt of what was paid for a visit; undefined where nothing was. Tips are the groomer's and stand on none. */
export function receiptOf({ dog, date, service, paid, house }: ReceiptFacts): ReceiptRecord | undefined {
  const gross = paidCents(paid)
  if (gross === 0) return undefined
  const { name, groomer, contact, priceList } = house
  const { tax } = priceList
  return {
    house: name,
    groomer,
    contact,
    dog,
    date,
    service,
    price: paid.price,
    paid: paymentsOf(paid).map(({ cents, how }) => ({ cents, how })),
    tax: tax > 0 ? { percent: tax, cents: taxContained(gross, tax) } : null,
  }
}
