import { Entry } from '@core/money'
import { addDays } from '@core/visit'

/** What stands in accounts beside visits, by a dog of the owner: a dog that didn't come and what that was asked and paid, one that was called off, visits paid ahead. */
export function accountsBefore(
  saturday: string,
  ids: (dog: string) => string,
): { dog: string; on: string; entry: Entry }[] {
  const weeksAgo = (weeks: number) => addDays(saturday, -7 * weeks)
  const missed = (dog: string, weeks: number, cents: number) => ({
    dogId: ids(dog),
    dog,
    date: weeksAgo(weeks),
    fee: { cents, currency: 'EUR' },
  })
  const lines = [
    { dog: 'Puck', weeks: 9, entry: { kind: 'noShow', ...missed('Puck', 9, 42_00) } },
    { dog: 'Puck', weeks: 8, entry: { kind: 'payment', price: { cents: 42_00, currency: 'EUR' }, how: 'transfer' } },
    { dog: 'Nimbus', weeks: 5, entry: { kind: 'calledOff', ...missed('Nimbus', 5, 0), hours: 20 } },
    {
      dog: 'Rook',
      weeks: 2,
      entry: { kind: 'package', visits: 5, price: { cents: 260_00, currency: 'EUR' }, how: 'card' },
    },
  ]
  return lines.map(({ dog, weeks, entry }) => ({ dog, on: weeksAgo(weeks), entry: Entry.parse(entry) }))
}
