import { sameData } from '../same'
import { handedOver, paymentsOf, type MoneyHow, type Paid } from '../tubside'
import { standing, type WrittenEntry } from './account'

/** What changed hands in some days, hundredths of one currency; what was given on top is in what was taken by each way. */
export interface Till {
  cash: number
  card: number
  transfer: number
  /** Of all that, given on top. */
  tips: number
}

/** Days that were counted and closed: all up to one, since those closed before. */
export interface Closing {
  id: string
  /** The last of them: "2026-11-28". */
  until: string
  /** When it was done, ms. */
  at: number
  currency: string
  till: Till
}

/** How the closing of days stands. */
export interface Closings {
  currency: string
  /** Up to which day payments stay as they are; null where none was closed. */
  closedTo: string | null
  /** What changed hands since then; all there is where none was closed. */
  open: Till
  /** What came to be known of closed days since they were closed, hundredths; below 0 where less is known. */
  late: number
  /** Those closed last, the newest first. */
  closed: Closing[]
}

/** All that changed hands, hundredths. */
export const inTill = ({ cash, card, transfer }: Till): number => cash + card + transfer

/** On which day a payment of a visit was; one of which nothing says when, on the visit's. */
const dayOf = (at: number, visitDay: string, dayAt: (at: number) => string) => (at > 0 ? dayAt(at) : visitDay)

/** What changed hands by visits and accounts on days that are asked for, in a currency. `dayAt`: the day of a moment (ms), where the house is. */
export function tillOf(
  visits: readonly { date: string; paid: Paid }[],
  entries: readonly WrittenEntry[],
  currency: string,
  dayAt: (at: number) => string,
  within: (day: string) => boolean,
): Till {
  const till: Till = { cash: 0, card: 0, transfer: 0, tips: 0 }
  const put = (how: MoneyHow, cents: number, tip: number) => {
    till[how] += cents + tip
    till.tips += tip
  }
  for (const { date, paid } of visits) {
    if (paid.price.currency !== currency) continue
    for (const { how, cents, tip, at } of handedOver(paid)) if (within(dayOf(at, date, dayAt))) put(how, cents, tip)
  }
  for (const { at, entry } of standing(entries)) {
    if (entry.kind !== 'payment' && entry.kind !== 'package') continue
    if (entry.how !== 'later' && entry.price.currency === currency && within(dayAt(at)))
      put(entry.how, entry.price.cents, 0)
  }
  return till
}

/**
 * Whether something said of a visit's money would change what closed days have: a payment of theirs that goes or becomes
 * another, or the price of a visit of theirs. What is said for the first time, or is paid since, comes beside it.
 */
export function changesClosed(
  before: Paid | undefined,
  after: Paid | undefined,
  visitDay: string,
  closedTo: string | null,
  dayAt: (at: number) => string,
): boolean {
  if (closedTo === null || !before) return false
  if (visitDay <= closedTo && (!after || !sameData(before.price, after.price))) return true
  const left = after ? [...paymentsOf(after)] : []
  return paymentsOf(before).some((payment) => {
    if (dayOf(payment.at, visitDay, dayAt) > closedTo) return false
    const at = left.findIndex((p) => sameData(p, payment))
    if (at >= 0) left.splice(at, 1)
    return at < 0
  })
}
