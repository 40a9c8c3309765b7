import type { CoatType, Service } from '../dog'
import type { LogTable } from '../logbook'
import { said } from '../said'
import { handedOver, owedCents, paidCents, type Paid } from '../tubside'
import { handedBy, owesBy, standing, type AccountSum, type WrittenEntry } from './account'

/** An ended visit as its money is told. Minutes of hands; costs in hundredths, null where no price is known. */
export interface MoneyVisit {
  visitId: string
  dogId: string
  dog: string
  owner: string
  /** Which record of an owner it is; absent where there is none. */
  ownerId?: string
  date: string
  service: Service
  coat: CoatType
  minutes: number
  cost: number | null
  /** Absent: nothing was said of money. */
  paid?: Paid
}

/** What was written into an owner's account beside its visits in a time, and how it stands now. */
export interface OwnerEntries {
  ownerId: string
  owner: string
  entries: readonly WrittenEntry[]
  stands: Pick<AccountSum, 'beside' | 'credit'>
}

/** Sums over some visits, in hundredths; what was taken counts when it was taken, the rest on the visit's day; fees and corrections on the day they were written. */
export interface MoneySum {
  visits: number
  /** Visits of which a price is known. */
  priced: number
  asked: number
  taken: number
  tips: number
  owed: number
  costs: number
  minutes: number
}

/** What is owed for one visit. */
export interface OwedVisit {
  visitId: string
  dogId: string
  dog: string
  owner: string
  date: string
  price: number
  paid: number
  owed: number
}

/** A list of visits as a house's books: by month, by what they came for, by coat and by owner; and what is owed, the oldest first. */
export interface Books {
  currency: string
  /** The newest first: "2026-11". */
  months: ({ month: string } & MoneySum)[]
  services: ({ service: Service } & MoneySum)[]
  coats: ({ coat: CoatType } & MoneySum)[]
  owners: ({ owner: string; ownerId: string | null } & MoneySum)[]
  owed: OwedVisit[]
  /** What owners owe beside visits. */
  beside: { owner: string; ownerId: string; owed: number }[]
  /** Paid ahead by owners and not used. */
  credit: number
  all: MoneySum
  /** What a place brings, costs and takes of hands, each the middle one of the visits with a price; null where none has. */
  place: { asked: number; costs: number; minutes: number } | null
  /** Visits whose price is in another currency: they aren't in any sum. */
  others: number
}

const nothing = (): MoneySum => ({ visits: 0, priced: 0, asked: 0, taken: 0, tips: 0, owed: 0, costs: 0, minutes: 0 })

/** Earned in an hour of hands: what was asked less what it cost, hundredths; null without minutes or prices. */
export const hourly = ({ asked, costs, minutes, priced }: MoneySum): number | null =>
  minutes > 0 && priced > 0 ? Math.round(((asked - costs) * 60) / minutes) : null

function put(sum: MoneySum, visit: MoneyVisit, takenToo = true) {
  const { paid } = visit
  sum.visits++
  if (!paid) return
  sum.priced++
  sum.asked += paid.price.cents
  sum.owed += owedCents(paid)
  // an hour earned is told from visits whose price is known
  sum.costs += visit.cost ?? 0
  sum.minutes += visit.minutes
  if (!takenToo) return
  for (const { cents, tip } of handedOver(paid)) {
    sum.taken += cents
    sum.tips += tip
  }
}

/** Adds what is written into an account beside its visits to the sums of the books. */
function putEntries({ entries }: OwnerEntries, currency: string, sumsAt: (at: number) => MoneySum[]) {
  for (const { at, entry } of standing(entries)) {
    for (const sum of sumsAt(at)) {
      sum.taken += handedBy(entry, currency)
      // a visit paid ahead is asked for when it is used
      if (entry.kind !== 'payment' && entry.kind !== 'package') sum.asked += owesBy(entry, currency)
    }
  }
}

const monthOf = (visit: MoneyVisit, at: number, monthAt: (at: number) => string) =>
  at > 0 ? monthAt(at) : visit.date.slice(0, 7)

const byMost = <T extends MoneySum>(list: T[]) => list.sort((a, b) => b.asked - a.asked || b.visits - a.visits)

/** The middle one of some numbers, of two in the middle the lower. */
const middleOf = (numbers: readonly number[]) =>
  [...numbers].sort((a, b) => a - b)[Math.floor((numbers.length - 1) / 2)]!

/** The books over some visits and accounts. `monthAt`: the month of a moment (ms), where the house is. */
export function booksOf(
  all: readonly MoneyVisit[],
  currency: string,
  monthAt: (at: number) => string = (at) => new Date(at).toISOString().slice(0, 7),
  accounts: readonly OwnerEntries[] = [],
): Books {
  const visits = all.filter((v) => !v.paid || v.paid.price.currency === currency)
  const groups = { months: new Map(), services: new Map(), coats: new Map(), owners: new Map() } as Record<
    'months' | 'services' | 'coats' | 'owners',
    Map<string, MoneySum>
  >
  const sumOf = (of: keyof typeof groups, key: string) => {
    const sum = groups[of].get(key) ?? nothing()
    groups[of].set(key, sum)
    return sum
  }
  const whole = nothing()
  /** Owners by what they are told apart by: their record, or their name where there is none. */
  const called = new Map<string, { owner: string; ownerId: string | null }>()
  const ownerSum = (owner: string, ownerId?: string) => {
    const key = ownerId ?? owner
    if (!called.has(key)) called.set(key, { owner, ownerId: ownerId ?? null })
    return sumOf('owners', key)
  }
  for (const visit of visits) {
    put(whole, visit)
    put(sumOf('months', visit.date.slice(0, 7)), visit, false)
    put(sumOf('services', visit.service), visit)
    put(sumOf('coats', visit.coat), visit)
    put(ownerSum(visit.owner, visit.ownerId), visit)
    for (const payment of visit.paid ? handedOver(visit.paid) : []) {
      const month = sumOf('months', monthOf(visit, payment.at, monthAt))
      month.taken += payment.cents
      month.tips += payment.tip
    }
  }
  const beside: Books['beside'] = []
  let credit = 0
  for (const account of accounts) {
    const { owner, ownerId, entries, stands } = account
    putEntries(account, currency, (at) => [whole, sumOf('months', monthAt(at)), ownerSum(owner, ownerId)])
    credit += stands.credit
    const last = standing(entries).findLast(({ entry }) => owesBy(entry, currency) > 0)
    if (stands.beside === 0 || !last) continue
    beside.push({ owner, ownerId, owed: stands.beside })
    for (const sum of [whole, sumOf('months', monthAt(last.at)), ownerSum(owner, ownerId)]) sum.owed += stands.beside
  }
  const priced = visits.flatMap(({ paid, cost, minutes }) => (paid ? [{ asked: paid.price.cents, cost, minutes }] : []))
  const listed = <K extends string>(of: keyof typeof groups, name: K) =>
    [...groups[of]].map(([key, sum]) => ({ [name]: key, ...sum }) as Record<K, never> & MoneySum)
  return {
    currency,
    months: listed('months', 'month').sort((a, b) => (a.month < b.month ? 1 : -1)),
    services: byMost(listed('services', 'service')),
    coats: byMost(listed('coats', 'coat')),
    owners: byMost([...groups.owners].map(([key, sum]) => ({ ...called.get(key)!, ...sum }))),
    owed: owedOf(visits),
    beside,
    credit,
    all: whole,
    place:
      priced.length === 0
        ? null
        : {
            asked: middleOf(priced.map((v) => v.asked)),
            costs: middleOf(priced.map((v) => v.cost ?? 0)),
            minutes: middleOf(priced.map((v) => v.minutes)),
          },
    others: all.length - visits.length,
  }
}

/** Months added up to years, the newest first: "2026". */
export function yearsOf(months: Books['months']): ({ year: string } & MoneySum)[] {
  const years = new Map<string, MoneySum>()
  for (const { month, ...sum } of months) {
    const year = years.get(month.slice(0, 4)) ?? nothing()
    for (const key of Object.keys(year) as (keyof MoneySum)[]) year[key] += sum[key]
    years.set(month.slice(0, 4), year)
  }
  return [...years].map(([year, sum]) => ({ year, ...sum })).sort((a, b) => (a.year < b.year ? 1 : -1))
}

/** What of some visits is owed, the oldest first. */
export const owedOf = (visits: readonly MoneyVisit[]): OwedVisit[] =>
  visits
    .flatMap(({ visitId, dogId, dog, owner, date, paid }) => {
      const owed = paid ? owedCents(paid) : 0
      if (!paid || owed === 0) return []
      return [{ visitId, dogId, dog, owner, date, price: paid.price.cents, paid: paidCents(paid), owed }]
    })
    .sort((a, b) => (a.date < b.date ? -1 : 1))

/** The months of the books as the table of a chart, the oldest first, in the currency. */
export function moneyTable({ months, currency, all }: Pick<Books, 'months' | 'currency' | 'all'>): LogTable {
  const rows = [...months].reverse().map((m) => [m.month, m.taken / 100, m.owed / 100, m.costs / 100])
  const unit = { unit: currency, digits: 2 }
  return {
    id: 'money',
    says: said('table.money', { months: months.length, taken: all.taken, owed: all.owed, currency }),
    columns: [{ what: 'month' }, { what: 'taken', ...unit }, { what: 'owed', ...unit }, { what: 'costs', ...unit }],
    rows,
    of: rows.length,
  }
}
