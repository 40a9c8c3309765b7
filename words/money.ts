import type { Service } from '@core/dog'
import type { Price } from '@core/price'
import { PRICE_BANDS, type PriceSize } from '@core/house'
import type { AccountSum, Books, Entry, MoneySum, OwedVisit, Till } from '@core/money'
import { MoneyHow } from '@core/tubside'
import { SERVICE_NAMES } from './course'
import { PAID_HOW_NAMES, paidBy as by } from './names'
import type { Reckoned } from '@core/reckoned'
import { capital, type Say } from './say'
import type { Words } from './types'

/** Sizes of a price list, as its columns are headed. */
export const PRICE_SIZE_NAMES: Record<PriceSize, string> = {
  toy: 'toy',
  small: 'small',
  medium: 'medium',
  large: 'large',
  giant: 'giant',
}

/** The weights of a price list's sizes, the smallest first: "under 5 kg", "5 to 10 kg", "from 35 kg". */
export function sizeBands(say: Say): string[] {
  const kg = (value: number) => say.weight(value)
  const { small, medium, large, giant } = PRICE_BANDS
  const from = [small.value, medium.value, large.value, giant.value]
  return [
    `under ${kg(from[0]!)}`,
    ...from.map((at, i) => (i + 1 < from.length ? `to ${kg(from[i + 1]!)}` : `from ${kg(at)}`)),
  ]
}

export const MONEY: Words<'price' | 'fee'> = {
  'price.list': ({ service, size }) => `your list: ${SERVICE_NAMES[service]}, ${PRICE_SIZE_NAMES[size]}`,
  'price.dog': 'what is agreed for this dog',
  'price.visit': 'what is agreed for this visit',
  'price.mats': ({ minutes }, say) => `mats, ${say.minutes(Math.max(1, minutes))}`,
  'price.fleas': 'flea bath',
  'price.helper': 'a second person holds',
  'price.secondDog': ({ percent }, say) => `second dog of its owner: ${say.number(percent)} % off`,
  'price.regular': ({ percent, days }, say) => `here ${say.count(days, 'day')} ago: ${say.number(percent)} % off`,
  'price.rounded': 'rounded as your list says',
  'price.hands': ({ minutes }, say) => `${say.minutes(minutes)} of hands`,
  'price.costs': 'what it costs the house',
  'price.medicated': 'medicated product',
  'price.teeth': 'teeth',
  'price.glands': 'glands',
  'price.outOfHours': 'out of hours',
  'fee.price': 'the price of the visit',
  'fee.noShow': ({ percent }, say) => `${say.number(percent)} % where nobody comes`,
  'fee.late': ({ percent, hours }, say) =>
    `${say.number(percent)} % where it is called off less than ${say.count(hours, 'hour')} before`,
  'fee.rounded': 'rounded as your list says',
}

/** What a free place would bring: "A free place brings about €52.00: €4.10 of it are costs, 1 h 20 of hands." */
export const placeWords = (
  { asked, costs, minutes }: NonNullable<Books['place']>,
  currency: string,
  say: Say,
): string => {
  const money = (cents: number) => say.money({ cents, currency })
  const less = costs > 0 ? `${money(costs)} of it are costs, ` : ''
  return `A free place would bring about ${money(asked)}: ${less}${say.minutes(minutes)} of hands.`
}

/** What changed hands: "cash €310.00, card €220.00, €12.00 of it tips"; "nothing". */
export const tillWords = (till: Till, currency: string, say: Say): string => {
  const money = (cents: number) => say.money({ cents, currency })
  const ways = MoneyHow.options.flatMap((how) =>
    till[how] === 0 ? [] : [`${PAID_HOW_NAMES[how]} ${money(till[how])}`],
  )
  if (ways.length === 0) return 'nothing'
  return [...ways, ...(till.tips > 0 ? [`${money(till.tips)} of it tips`] : [])].join(', ')
}

/** What came to be known of closed days: "€5.00 more were taken in closed days than was counted." */
export const lateWords = (late: number, currency: string, say: Say): string =>
  `${say.money({ cents: Math.abs(late), currency })} ${late > 0 ? 'more' : 'less'} is known of closed days than was counted.`

/** What a line of a receipt is of: "Bath: Moss"; without a dog what it came for alone; of a payment into an account. */
export const receiptLine = (
  { dog, service, ahead }: { dog: string; service: Service | null; ahead: number | null },
  say: Say,
): string => {
  if (ahead !== null) return `${say.count(ahead, 'visit')} ahead`
  if (service === null) return 'Towards the account'
  return dog === '' ? capital(SERVICE_NAMES[service]) : `${capital(SERVICE_NAMES[service])}: ${dog}`
}

/** What a house asks of a dog by its list: "Bath €45, de-shed €58." Empty without a list. */
export function listedWords(
  prices: readonly { service: Service; cents: number }[],
  currency: string,
  say: Say,
): string {
  if (prices.length === 0) return ''
  const each = prices.map(({ service, cents }) => `${SERVICE_NAMES[service]} ${say.money({ cents, currency })}`)
  return `${capital(each.join(', '))}.`
}

/** A kind of visit with the least and the most that is asked for it: "Bath: €32 to €85", "Bath: no price yet". */
export function rangeWords(service: Service, row: readonly (number | null)[], currency: string, say: Say): string {
  const known = row.filter((cents): cents is number => cents !== null && !Number.isNaN(cents))
  const kind = capital(SERVICE_NAMES[service])
  if (known.length === 0) return `${kind}: no price yet`
  const [least, most] = [Math.min(...known), Math.max(...known)].map((cents) => say.money({ cents, currency }))
  return least === most ? `${kind}: ${least}` : `${kind}: ${least} to ${most}`
}

/** What is owed, and since when: "owes €45 since 14 November", "owes €80 for 2 visits". Empty where nothing is. */
export function owedWords(owed: readonly OwedVisit[], currency: string, say: Say): string {
  if (owed.length === 0) return ''
  const sum = say.money({ cents: owed.reduce((all, o) => all + o.owed, 0), currency })
  const first = say.date(owed[0]!.date, 'day')
  return owed.length === 1 ? `${sum} owed since ${first}` : `${sum} owed for ${owed.length} visits since ${first}`
}

/** What was found on the day and makes a price other than was thought: "€52 instead of €45". */
export const priceInsteadWords = (now: Price, before: Price, say: Say): string =>
  `${say.money(now)} instead of ${say.money(before)}`

/** Why a price is what the day made of it: its extras, "mats, 20 min, and flea bath". */
export const priceChange = ({ because }: Reckoned, say: Say): string =>
  say.list(because.filter((r) => r.how === 'add').map((r) => say.said(r)))

/** What an owner is told before the work when the price has become another. */
export const priceMessage = (name: string, now: Price, before: Price, why: string, say: Say): string =>
  `${name}: I found ${why}. Today it would be ${priceInsteadWords(now, before, say)}. Is that all right?`

/** What an amount is that isn't what was asked: "a part, €32 stay owed", "€52 and a tip of €3", "the price today". */
export function paidAs(as: 'price' | 'part' | 'tip', asked: Price, given: Price, say: Say): string {
  const money = (cents: number) => say.money({ cents, currency: asked.currency })
  if (as === 'part') return `a part, ${money(asked.cents - given.cents)} stay owed`
  if (as === 'tip') return `${money(asked.cents)} and a tip of ${money(given.cents - asked.cents)}`
  return 'the price today'
}

/** What an hour as the house wants it would come to: "at €35 an hour it would be €58". */
export const wantedWords = (price: Price, anHour: Price, say: Say): string =>
  `At ${say.money(anHour)} an hour it would be ${say.money(price)}.`

/** Sums in a line: "taken €420, owed €45, €31 an hour of hands". */
export function booksInLine(
  { taken, tips, owed }: Pick<MoneySum, 'taken' | 'tips' | 'owed'>,
  anHour: number | null,
  currency: string,
  say: Say,
): string {
  const money = (cents: number) => say.money({ cents, currency })
  const parts = [
    `Taken ${money(taken)}`,
    ...(tips > 0 ? [`tips ${money(tips)}`] : []),
    ...(owed > 0 ? [`owed ${money(owed)}`] : []),
    ...(anHour === null ? [] : [`${money(anHour)} earned an hour of hands`]),
  ]
  return `${parts.join(', ')}.`
}

/** How an owner stands beside what its visits owe: "€20 owed beside visits", "8 visits paid ahead", "€30 credit". */
export function standsWords({ beside, credit, ahead }: AccountSum, currency: string, say: Say): string[] {
  const money = (cents: number) => say.money({ cents, currency })
  return [
    ...(beside > 0 ? [`${money(beside)} owed beside visits`] : []),
    ...(ahead ? [`${say.count(ahead.visits, 'visit')} paid ahead`] : []),
    ...(credit > 0 ? [`${money(credit)} credit`] : []),
  ]
}

/** How often an owner came, called off, or didn’t come: "Came 12 times, 1 visit called off, 1 missed." */
export function cameWords({ came, calledOff, noShow }: AccountSum, say: Say): string {
  const all = [
    came === 0 ? 'Not here yet' : `Came ${came === 1 ? 'once' : say.count(came, 'time')}`,
    ...(calledOff > 0 ? [`${say.count(calledOff, 'visit')} called off`] : []),
    ...(noShow > 0 ? [`${say.count(noShow, 'visit')} missed`] : []),
  ]
  return `${all.join(', ')}.`
}

/** How long before it was to come a visit was called off: "3 h before", "2 days before". */
const hoursWords = (hours: number, say: Say): string =>
  hours < 48
    ? `${say.count(Math.max(1, Math.floor(hours)), 'hour')} before`
    : `${say.count(Math.floor(hours / 24), 'day')} before`

/** A line of an account: "10 visits ahead", "Paid in cash", "Moss called off 3 hours before Sat 5 Dec". */
export function entryWords(entry: Entry, say: Say): string {
  const on = (date: string) => say.date(date, 'short')
  switch (entry.kind) {
    case 'calledOff':
      return `${entry.dog || 'A dog'} called off ${hoursWords(entry.hours, say)}, ${on(entry.date)}`
    case 'noShow':
      return `${entry.dog || 'A dog'} didn’t come, ${on(entry.date)}`
    case 'package':
      return `${say.count(entry.visits, 'visit')} ahead, ${entry.how === 'later' ? 'to be paid later' : `paid ${by(entry.how)}`}`
    case 'payment':
      return `Paid ${by(entry.how)}`
    case 'correction':
      return `Put right: ${entry.note}`
    case 'takenBack':
      return 'Taken back'
  }
}

/** What a dog that doesn’t come is asked by the house’s rule: "Fig was called off 3 hours before: your rule asks €22." */
export const feeWords = (dog: string, hours: number | null, fee: Price, say: Say): string =>
  `${dog} ${hours === null ? 'didn’t come' : `was called off ${hoursWords(hours, say)}`}: your rule asks ${say.money(fee)}.`

/** How much more or less another list would ask: "+€330 for 96 visits". */
export const whatIfWords = (now: number, then: number, visits: number, currency: string, say: Say): string => {
  const money = (cents: number) => say.money({ cents, currency })
  const more = then - now
  return `${money(then)} instead of ${money(now)} for ${say.count(visits, 'visit')}: ${more < 0 ? '−' : '+'}${money(Math.abs(more))}.`
}
