import { z } from 'zod'
import { Day } from '../dog'
import type { House } from '../house'
import { Price } from '../price'
import { further, reckon, set, start, times, type Reckoned } from '../reckoned'
import { MoneyHow, owedCents, PaidHow, paymentsOf, type Paid } from '../tubside'
import { roundedTo } from './reckon'

declare module '../said' {
  interface Codes {
    'fee.price': None
    'fee.noShow': { percent: number }
    'fee.late': { percent: number; hours: number }
    'fee.rounded': None
  }
}

const Note = z.string().trim().max(200, 'Keep it to 200 characters.').default('')
/** Which visit wasn't: of which dog, on which day, and what is asked for that. */
const missed = { dogId: z.uuid(), dog: z.string().max(80), date: Day, fee: Price }

/**
 * What is written into an owner's account beside its visits; only ever added. A wrong one is taken back by another, or put
 * right by a correction: hundredths more (or less) owed, and why.
 */
export const Entry = z.discriminatedUnion('kind', [
  /** Called off, so many hours before it was to come. */
  z.object({ kind: z.literal('calledOff'), ...missed, hours: z.number().min(0).max(100_000) }),
  /** Nobody came, and nobody said so. */
  z.object({ kind: z.literal('noShow'), ...missed }),
  /** So many visits ahead, paid then or later. */
  z.object({
    kind: z.literal('package'),
    visits: z
      .number({ error: 'Give 2 to 50 visits.' })
      .int()
      .min(2, 'Give 2 to 50 visits.')
      .max(50, 'Give 2 to 50 visits.'),
    price: Price,
    how: PaidHow.exclude(['package', 'credit']),
  }),
  /** Paid towards the account: what is asked beside visits first; what is left is credit. */
  z.object({ kind: z.literal('payment'), price: Price, how: MoneyHow }),
  z.object({
    kind: z.literal('correction'),
    cents: z
      .number({ error: 'Give an amount, for example 5 or -5.' })
      .int('Give an amount, for example 5 or -5.')
      .min(-10_000_000, 'Give up to 100,000.')
      .max(10_000_000, 'Give up to 100,000.')
      .refine((cents) => cents !== 0, 'Give an amount other than 0.'),
    currency: Price.shape.currency,
    note: Note.refine((note) => note !== '', 'Say what is put right.'),
  }),
  /** Another entry was wrong and doesn't count any more. */
  z.object({ kind: z.literal('takenBack'), entry: z.uuid(), note: Note }),
])
export type Entry = z.infer<typeof Entry>

/** An entry as it was written: when, ms. */
export type WrittenEntry = { id: string; at: number; entry: Entry }

/** How an owner stands: hundredths of one currency. */
export interface AccountSum {
  /** Owed for visits, and beside them. */
  visits: number
  beside: number
  /** Paid ahead and not used. */
  credit: number
  /** Visits that are paid ahead, and what one of them was paid with; null without. */
  ahead: { visits: number; cents: number } | null
  came: number
  calledOff: number
  noShow: number
}

/** The entries that count: those that weren't taken back. */
export function standing(entries: readonly WrittenEntry[]): WrittenEntry[] {
  const gone = new Set(entries.flatMap(({ entry }) => (entry.kind === 'takenBack' ? [entry.entry] : [])))
  return entries.filter(({ id, entry }) => entry.kind !== 'takenBack' && !gone.has(id))
}

/** Hundredths by which an entry changes what is owed beside visits, in a currency. */
export function owesBy(entry: Entry, currency: string): number {
  if (entry.kind === 'correction') return entry.currency === currency ? entry.cents : 0
  if (entry.kind === 'takenBack') return 0
  const price = 'fee' in entry ? entry.fee : entry.price
  if (price.currency !== currency) return 0
  if (entry.kind === 'package') return entry.how === 'later' ? price.cents : 0
  return entry.kind === 'payment' ? -price.cents : price.cents
}

/** Hundredths that changed hands by an entry, in a currency. */
export function handedBy(entry: Entry, currency: string): number {
  const paid = entry.kind === 'payment' || (entry.kind === 'package' && entry.how !== 'later')
  return paid && entry.price.currency === currency ? entry.price.cents : 0
}

/** How an owner stands by its entries and its ended visits, whatever their order. */
export function accountOf(
  all: readonly WrittenEntry[],
  ended: readonly { paid?: Paid }[],
  currency: string,
): AccountSum {
  const entries = standing(all)
  const paids = ended.flatMap(({ paid }) => (paid?.price.currency === currency ? [paid] : []))
  const payments = paids.flatMap((paid) => paymentsOf(paid))
  const credited = payments.reduce((sum, p) => sum + (p.how === 'credit' ? p.cents + p.tip : 0), 0)
  const balance = entries.reduce((sum, { entry }) => sum + owesBy(entry, currency), credited)
  const packages = entries.flatMap(({ entry }) =>
    entry.kind === 'package' && entry.price.currency === currency ? [entry] : [],
  )
  const used = payments.filter((p) => p.how === 'package').length
  const left = packages.reduce((sum, p) => sum + p.visits, -used)
  const last = packages.at(-1)
  const count = (kind: Entry['kind']) => entries.filter(({ entry }) => entry.kind === kind).length
  return {
    visits: paids.reduce((sum, paid) => sum + owedCents(paid), 0),
    beside: Math.max(0, balance),
    credit: Math.max(0, -balance),
    ahead: last && left > 0 ? { visits: left, cents: roundedTo(last.price.cents / last.visits, 1) } : null,
    came: ended.length,
    calledOff: count('calledOff'),
    noShow: count('noShow'),
  }
}

/**
 * What the house's rule asks for a visit that isn't: a share of its price, rounded to the list's step. `hours`: how long before it
 * was to come it was called off; null: nobody came. Undefined where the rule asks nothing. Common practice, no source.
 */
export function feeFor(
  price: Price | null,
  hours: number | null,
  { noShow, late, lateHours, step }: House['priceList'],
): Reckoned | undefined {
  const percent = hours === null ? noShow : hours < lateHours ? late : 0
  if (!price || percent === 0) return undefined
  const share =
    hours === null
      ? times('fee.noShow', { percent }, percent / 100, 'rule')
      : times('fee.late', { percent, hours: lateHours }, percent / 100, 'rule')
  const fee = reckon('cents', start('fee.price', {}, price.cents, 'rule'), share)
  const whole = roundedTo(fee.value, step)
  return whole === fee.value ? fee : further(fee, set('fee.rounded', {}, whole))
}
