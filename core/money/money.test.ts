import fc from 'fast-check'
import { Dog } from '../dog'
import { House, priceSize } from '../house'
import { idAt, oatShelf, roomWith } from '../fixtures'
import { replay } from '../reckoned'
import { planVisit, Today } from '../visit'
import { owedCents, paidCents, tipCents, visitRecord, TubEvent, type Paid, type PaidHow } from '../tubside'
import {
  accountOf,
  changesClosed,
  inTill,
  tillOf,
  yearsOf,
  Entry,
  feeFor,
  listPrice,
  owesBy,
  standing,
  whatIf,
  type AccountSum,
  type ListedVisit,
  type WrittenEntry,
  asPrice,
  receiptOf,
  taxContained,
  booksOf,
  hourly,
  isSecond,
  listedPrices,
  moneyTable,
  roundedTo,
  suggestedPrice,
  visitPrice,
  type MoneyVisit,
} from '.'

const dog = Dog.parse({ name: 'Saffron', weightKg: 11, coat: 'drop' })
const plain = Today.parse({ date: '2026-12-05' })
const list = House.shape.priceList.parse({
  services: { bath: [32_00, 36_00, 45_00, 58_00, null] },
  matsTen: 8_00,
  fleas: 10_00,
  secondDog: 10,
  regular: 5,
  hour: 35_00,
})
const house = { ...roomWith(), priceList: list }
const priced = (more: object = {}, today = plain) => {
  const plan = planVisit(dog, today, oatShelf(), house)
  return visitPrice({ dog, today, plan, house, ...more })
}
const codes = (number: ReturnType<typeof priced>) => number?.because.map((r) => r.code)

test('a price comes from the list, by what the dog comes for and its size', () => {
  expect(priced()).toMatchObject({ value: 45_00, unit: 'cents' })
  expect(priced({ today: { ...plain, weightKg: 9.9 } })!.value).toBe(36_00)
  expect([4.9, 5, 9.9, 10, 19.9, 20, 34.9, 35].map(priceSize)).toEqual([
    'toy',
    'small',
    'small',
    'medium',
    'medium',
    'large',
    'large',
    'giant',
  ])
})

test('what the list asks of a weight is known before the dog is', () => {
  expect(listedPrices(9.9, list)).toEqual([{ service: 'bath', cents: 36_00 }])
  expect(listedPrices(35, list)).toEqual([])
})

test('where nothing says a price there is none: no service of the kind, no price for the size, no list', () => {
  expect(priced({ today: { ...plain, service: 'deShed' } })).toBeUndefined()
  expect(priced({ today: { ...plain, weightKg: 50 } })).toBeUndefined()
  expect(priced({ house: roomWith() })).toBeUndefined()
})

test('what is agreed for the visit stands as it is; what is agreed for the dog goes before the list', () => {
  const own = { ...dog, price: { cents: 50_00, currency: 'EUR' } }
  const abroad = { ...dog, price: { cents: 50_00, currency: 'GBP' } }
  const fleas = { ...plain, fleas: true }
  expect(priced({ agreed: { cents: 20_00, currency: 'EUR' }, today: fleas })!.value).toBe(20_00)
  const byDog = priced({ dog: own, second: true, today: fleas })!
  expect([byDog.value, codes(byDog)]).toEqual([60_00, ['price.dog', 'price.fleas']])
  expect(codes(priced({ dog: abroad, today: fleas }))).toEqual(['price.dog'])
  const facts = { dog: abroad, today: plain, plan: { steps: [] }, house }
  expect(asPrice(visitPrice(facts), facts)).toEqual({ cents: 50_00, currency: 'GBP' })
})

test('mats are charged for every started ten minutes that the plan gives them', () => {
  const matted = Today.parse({ date: '2026-12-05', mats: { hindlegs: 2, belly: 1 } })
  const number = priced({}, matted)!
  const mats = number.because.find((r) => r.code === 'price.mats')!
  const minutes = (mats.facts as { minutes: number }).minutes
  expect(minutes).toBeGreaterThan(0)
  expect(mats.effect).toBe(Math.ceil(minutes / 10) * 8_00)
  expect(number.value).toBe(45_00 + mats.effect)
})

test('a second dog and one that comes often have something off, and the list is rounded as it says', () => {
  expect(priced({ second: true })!.value).toBe(41_00)
  expect(priced({ second: true, house: { ...house, priceList: { ...list, step: 1 } } })!.value).toBe(40_50)
  expect(codes(priced({ since: 41 }))).toContain('price.regular')
  expect(codes(priced({ since: 42 }))).not.toContain('price.regular')
  expect(priced({ since: 41 })!.value).toBe(43_00)
})

test('rounding is half away from zero', () => {
  expect([149, 150, -150, 4050].map((c) => roundedTo(c, 100))).toEqual([100, 200, -200, 4100])
})

test('every price is whole cents, and its reasons add up to it', () => {
  fc.assert(
    fc.property(
      fc.record({
        cents: fc.integer({ min: 0, max: 200_00 }),
        extra: fc.option(fc.integer({ min: 0, max: 50_00 })),
        off: fc.integer({ min: 0, max: 90 }),
        step: fc.integer({ min: 1, max: 100_00 }),
        second: fc.boolean(),
        fleas: fc.boolean(),
        since: fc.option(fc.integer({ min: 1, max: 400 })),
      }),
      ({ cents, extra, off, step, second, fleas, since }) => {
        const priceList = {
          ...list,
          services: { bath: [null, null, cents, null, null] },
          fleas: extra,
          secondDog: off,
          step,
        }
        const number = visitPrice({
          dog,
          today: { ...plain, fleas },
          plan: { steps: [] },
          house: { ...house, priceList },
          second,
          since,
        })!
        return (
          Number.isInteger(number.value) &&
          number.value >= 0 &&
          number.value % step === 0 &&
          replay(number.because) === number.value
        )
      },
    ),
  )
})

test('the second of an owner’s dogs is the one that comes later; without an owner there is none', () => {
  const dogs: Record<string, { owner: string; ownerContact: string }> = {
    a: { owner: 'Ida', ownerContact: '1' },
    b: { owner: 'ida', ownerContact: '1' },
    c: { owner: 'Ida', ownerContact: '2' },
    d: { owner: '', ownerContact: '' },
    e: { owner: '', ownerContact: '' },
  }
  const seats = ['a', 'b', 'c', 'd', 'e'].map((dogId, i) => ({ dogId, arrive: 600 - i }))
  expect(seats.filter((s) => isSecond(s.dogId, seats, (id) => dogs[id])).map((s) => s.dogId)).toEqual(['a'])
  const together = seats.map((s) => ({ ...s, arrive: 600 }))
  expect(together.filter((s) => isSecond(s.dogId, together, (id) => dogs[id])).map((s) => s.dogId)).toEqual(['b'])
})

test('what would earn the hour that is wanted: minutes by it, and what the visit costs', () => {
  const wanted = suggestedPrice(90, 3_20, list)!
  // 1.5 h of €35 and €3.20 are €55.70
  expect([wanted.value, codes(wanted)]).toEqual([56_00, ['price.hands', 'price.costs', 'price.rounded']])
  expect(suggestedPrice(90, 0, { ...list, hour: null })).toBeUndefined()
})

describe('what is paid', () => {
  const price = { cents: 52_00, currency: 'EUR' }
  let n = 0
  const tap = (more: object) => TubEvent.parse({ id: idAt(++n), at: 1000 * n, kind: 'paid', price, ...more })
  const paidBy = (...taps: object[]): Paid => visitRecord(taps.map(tap)).paid!
  const sums = (paid: Paid) => [paidCents(paid), owedCents(paid), tipCents(paid)]

  test('whole, later, in parts, with a tip; what is said as a whole stands in place of what was said before', () => {
    expect(sums(paidBy({ how: 'card' }))).toEqual([52_00, 0, 0])
    expect(sums(paidBy({ how: 'later' }))).toEqual([0, 52_00, 0])
    expect(sums(paidBy({ how: 'later' }, { how: 'cash', cents: 20_00 }))).toEqual([20_00, 32_00, 0])
    expect(sums(paidBy({ how: 'cash', cents: 20_00 }, { how: 'card', cents: 32_00, tip: 3_00 }))).toEqual([
      52_00, 0, 3_00,
    ])
    expect(sums(paidBy({ how: 'cash', cents: 20_00 }, { how: 'later', cents: 0 }))).toEqual([20_00, 32_00, 0])
    // the wrong button, and the right one
    expect(sums(paidBy({ how: 'cash' }, { how: 'card' }))).toEqual([52_00, 0, 0])
    expect(sums(paidBy({ how: 'cash', cents: 20_00 }, { how: 'card' }))).toEqual([52_00, 0, 0])
  })

  test('visits of before payments were told apart are read as they were meant', () => {
    expect(sums({ price, how: 'card' })).toEqual([52_00, 0, 0])
    expect(sums({ price, how: 'later' })).toEqual([0, 52_00, 0])
  })

  test('what is paid and what is owed are the price, whatever was tapped in parts', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 30_00 }), { maxLength: 6 }), (parts) => {
        const paid = paidBy({ how: 'later' }, ...parts.map((cents) => ({ how: 'cash', cents })))
        const sum = parts.reduce((a, b) => a + b, 0)
        return paidCents(paid) === sum && owedCents(paid) === Math.max(0, price.cents - sum)
      }),
    )
  })
})

describe('the books', () => {
  const at = (date: string) => Date.parse(`${date}T12:00:00Z`)
  const visit = (n: number, date: string, more: Partial<MoneyVisit> = {}): MoneyVisit => ({
    visitId: idAt(n),
    dogId: idAt(100 + n),
    dog: `Dog ${n}`,
    owner: 'Ida',
    date,
    service: 'bath',
    coat: 'smooth',
    minutes: 60,
    cost: 2_00,
    ...more,
  })
  const eur = (cents: number) => ({ cents, currency: 'EUR' })
  const card = (cents: number, on: string): Paid => ({
    price: eur(cents),
    how: 'card',
    payments: [{ cents, tip: 0, how: 'card', at: at(on) }],
  })
  const visits = [
    visit(1, '2026-10-31', { paid: card(40_00, '2026-10-31') }),
    visit(2, '2026-10-31', {
      coat: 'curly',
      owner: 'Ben',
      minutes: 120,
      paid: {
        price: eur(60_00),
        how: 'cash',
        payments: [{ cents: 20_00, tip: 1_00, how: 'cash', at: at('2026-11-02') }],
      },
    }),
    visit(3, '2026-11-07'),
    visit(4, '2026-11-07', { paid: { price: { cents: 10_00, currency: 'GBP' }, how: 'card' } }),
  ]
  const books = booksOf(visits, 'EUR')

  test('money counts in the month in which it was taken, the rest in the visit’s', () => {
    expect(books.months).toMatchObject([
      { month: '2026-11', visits: 1, priced: 0, asked: 0, taken: 20_00, tips: 1_00 },
      { month: '2026-10', visits: 2, asked: 100_00, taken: 40_00, owed: 40_00, costs: 4_00, minutes: 180 },
    ])
    expect(books.all).toMatchObject({ visits: 3, priced: 2, asked: 100_00, taken: 60_00, owed: 40_00 })
    expect([books.place?.asked, books.others]).toEqual([40_00, 1])
  })

  test('a year is all of its months', () => {
    const sum = { visits: 1, priced: 1, asked: 10, taken: 9, tips: 2, owed: 1, costs: 3, minutes: 60 }
    const month = (name: string, times: number) => ({
      month: name,
      ...(Object.fromEntries(Object.entries(sum).map(([k, n]) => [k, n * times])) as typeof sum),
    })
    expect(yearsOf([month('2026-02', 2), month('2026-01', 3), month('2025-12', 1)])).toEqual([
      { year: '2026', visits: 5, priced: 5, asked: 50, taken: 45, tips: 10, owed: 5, costs: 15, minutes: 300 },
      { year: '2025', ...sum },
    ])
  })

  test('what is owed, the oldest first; what an hour earned; what brings most comes first', () => {
    expect(books.owed).toMatchObject([{ dog: 'Dog 2', owner: 'Ben', price: 60_00, paid: 20_00, owed: 40_00 }])
    expect(books.coats.map((c) => [c.coat, hourly(c)])).toEqual([
      ['curly', 29_00],
      ['smooth', 38_00],
    ])
    expect(hourly({ ...books.all, minutes: 0 })).toBeNull()
  })

  test('as the table of a chart they are in the currency, the oldest month first', () => {
    const { rows, says } = moneyTable(books)
    expect(rows).toEqual([
      ['2026-10', 40, 40, 4],
      ['2026-11', 20, 0, 0],
    ])
    expect(says.facts).toEqual({ months: 2, taken: 60_00, owed: 40_00, currency: 'EUR' })
  })

  test('sums are the same in whatever order visits come, and groups add up to all', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(visits, { minLength: visits.length }), (mixed) => {
        const again = booksOf(mixed, 'EUR')
        const taken = (list: { taken: number }[]) => list.reduce((sum, g) => sum + g.taken, 0)
        return (
          JSON.stringify(again.all) === JSON.stringify(books.all) &&
          [again.months, again.services, again.coats, again.owners].every((g) => taken(g) === again.all.taken)
        )
      }),
    )
  })
})

describe('a receipt', () => {
  const price = { cents: 119_00, currency: 'EUR' }
  const facts = { dog: 'Moss', date: '2026-12-01', service: 'bath' as const, house: { ...roomWith(), priceList: list } }

  test('the tax that an amount contains', () => {
    // by hand: 119.00 at 19 % holds 19.00, 120.00 at 20 % holds 20.00, 107.70 at 7.7 % holds 7.70, 10.00 at 19 % holds 1.5966…
    expect([
      taxContained(119_00, 19),
      taxContained(120_00, 20),
      taxContained(107_70, 7.7),
      taxContained(10_00, 19),
      taxContained(50_00, 0),
    ]).toEqual([19_00, 20_00, 7_70, 1_60, 0])
  })

  test('says what was paid and the tax in it, without the tip; nothing where nothing was paid', () => {
    const taxed = { ...facts.house, priceList: { ...list, tax: 19 } }
    const part: Paid = { price, how: 'cash', payments: [{ cents: 50_00, tip: 5_00, how: 'cash', at: 1 }] }
    expect(receiptOf({ ...facts, paid: part, house: taxed })).toMatchObject({
      dog: 'Moss',
      paid: [{ cents: 50_00, how: 'cash' }],
      tax: { percent: 19, cents: 7_98 },
    })
    expect(receiptOf({ ...facts, paid: part })!.tax).toBeNull()
    expect(receiptOf({ ...facts, paid: { price, how: 'later' } })).toBeUndefined()
  })
})

describe('an account', () => {
  const written = (n: number, entry: object): WrittenEntry => ({ id: idAt(n), at: n, entry: Entry.parse(entry) })
  const eur = (cents: number) => ({ cents, currency: 'EUR' })
  const of = { dogId: idAt(500), dog: 'Moss', date: '2026-12-05' }
  const paidBy = (how: PaidHow, cents: number): Pick<MoneyVisit, 'paid'> => ({
    paid: { price: eur(cents), how, payments: how === 'later' ? [] : [{ cents, tip: 0, how, at: 1 }] },
  })

  test('owes fees and packages less what was paid; what is left is credit, which visits use up', () => {
    const fee = written(1, { kind: 'noShow', ...of, fee: eur(20_00) })
    const stands = (entries: WrittenEntry[], visits: Pick<MoneyVisit, 'paid'>[] = []) =>
      accountOf(entries, visits, 'EUR')
    expect(stands([fee], [paidBy('later', 45_00)])).toMatchObject({
      visits: 45_00,
      beside: 20_00,
      credit: 0,
      noShow: 1,
    })
    const paid = written(2, { kind: 'payment', price: eur(50_00), how: 'cash' })
    expect(stands([fee, paid])).toMatchObject({ beside: 0, credit: 30_00 })
    expect(stands([fee, paid], [paidBy('credit', 25_00)])).toMatchObject({ credit: 5_00 })
    expect(stands([fee, paid], [paidBy('credit', 35_00)])).toMatchObject({ beside: 5_00, credit: 0 })
    expect(stands([fee, written(3, { kind: 'takenBack', entry: fee.id })])).toMatchObject({ beside: 0, noShow: 0 })
    const abroad = written(4, { kind: 'noShow', ...of, fee: { cents: 9_00, currency: 'GBP' } })
    expect(stands([abroad])).toMatchObject({ beside: 0, noShow: 1 })
  })

  test('of ten visits paid ahead tells how many are left and what one was paid with', () => {
    const ten = written(1, { kind: 'package', visits: 10, price: eur(405_00), how: 'card' })
    const used = [paidBy('package', 40_50), paidBy('package', 40_50), paidBy('card', 45_00)]
    expect(accountOf([ten], used, 'EUR').ahead).toEqual({ visits: 8, cents: 40_50 })
    expect(accountOf([ten], Array(10).fill(used[0]), 'EUR').ahead).toBeNull()
  })

  const entries = fc.array(
    fc.oneof(
      fc
        .record({ kind: fc.constant('noShow'), fee: fc.integer({ min: 0, max: 50_00 }).map(eur) })
        .map((e) => ({ ...of, ...e })),
      fc.record({
        kind: fc.constant('payment'),
        price: fc.integer({ min: 0, max: 90_00 }).map(eur),
        how: fc.constant('cash'),
      }),
      fc.record({
        kind: fc.constant('correction'),
        cents: fc.integer({ min: -20_00, max: 20_00 }).filter((c) => c !== 0),
        currency: fc.constant('EUR'),
        note: fc.constant('x'),
      }),
      fc.record({ kind: fc.constant('takenBack'), entry: fc.integer({ min: 1, max: 8 }).map(idAt) }),
    ),
    { maxLength: 8 },
  )

  test('is the sum of its entries, whatever their order', () => {
    fc.assert(
      fc.property(entries, fc.infiniteStream(fc.nat()), (list, mix) => {
        const all = list.map((e, i) => written(i + 1, e))
        const sums = ({ beside, credit }: AccountSum) => beside - credit
        const mixed = [...all].map((e) => ({ e, at: mix.next().value as number })).sort((a, b) => a.at - b.at)
        const whole = accountOf(all, [], 'EUR')
        const byHand = standing(all).reduce((sum, { entry }) => sum + owesBy(entry, 'EUR'), 0)
        return (
          sums(whole) === byHand &&
          sums(
            accountOf(
              mixed.map((m) => m.e),
              [],
              'EUR',
            ),
          ) === byHand &&
          (whole.beside === 0 || whole.credit === 0)
        )
      }),
    )
  })

  test('its payments are taken in their month, its fees asked in theirs; a visit paid ahead isn’t taken twice', () => {
    const at = (month: string) => Date.parse(`${month}-15T12:00:00Z`)
    const dated = (n: number, month: string, entry: object) => ({ ...written(n, entry), at: at(month) })
    const list = [
      dated(1, '2026-09', { kind: 'package', visits: 2, price: eur(80_00), how: 'card' }),
      dated(3, '2026-11', { kind: 'noShow', ...of, fee: eur(20_00) }),
    ]
    const ahead: MoneyVisit = {
      visitId: idAt(9),
      dogId: of.dogId,
      dog: 'Moss',
      owner: 'Ida',
      ownerId: idAt(8),
      date: '2026-10-03',
      service: 'bath',
      coat: 'smooth',
      minutes: 60,
      cost: 0,
      ...paidBy('package', 40_00),
    }
    const account = { ownerId: idAt(8), owner: 'Ida', entries: list, stands: accountOf(list, [ahead], 'EUR') }
    const books = booksOf([ahead], 'EUR', undefined, [account])
    expect(books.months.map((m) => [m.month, m.asked, m.taken, m.owed])).toEqual([
      ['2026-11', 20_00, 0, 20_00],
      ['2026-10', 40_00, 0, 0],
      ['2026-09', 0, 80_00, 0],
    ])
    expect([books.all.taken, books.all.owed, books.owners, books.beside]).toMatchObject([
      80_00,
      20_00,
      [{ owner: 'Ida', taken: 80_00, owed: 20_00, visits: 1 }],
      [{ owner: 'Ida', owed: 20_00 }],
    ])
  })
})

describe('the house’s rule', () => {
  const rule = { ...list, noShow: 100, late: 50, lateHours: 24 }
  const fee = (hours: number | null, of = rule) => feeFor({ cents: 45_00, currency: 'EUR' }, hours, of)
  test('asks a share of the price where nobody comes, or it is called off late; rounded as the list says', () => {
    expect([fee(null)?.value, fee(23.9)?.value, fee(24)]).toEqual([45_00, 23_00, undefined])
    expect(codes(fee(3))).toEqual(['fee.price', 'fee.late', 'fee.rounded'])
    expect([fee(null, list), feeFor(null, null, rule)]).toEqual([undefined, undefined])
  })
})

describe('another list', () => {
  const visit = (n: number, more: Partial<ListedVisit> = {}): ListedVisit => ({
    visitId: idAt(n),
    service: 'bath',
    kg: 11,
    matMinutes: 0,
    extras: [],
    second: false,
    since: null,
    asked: { cents: 45_00, currency: 'EUR' },
    agreed: null,
    ...more,
  })
  test('asks so many percent more of what goes by it, or nothing for mats; what is agreed stays', () => {
    const visits = [
      visit(1),
      visit(2, { matMinutes: 12 }),
      visit(3, { agreed: { cents: 30_00, currency: 'EUR' } }),
      visit(4, { kg: 50 }),
      visit(5, { asked: { cents: 1, currency: 'GBP' } }),
    ]
    const asks = (raise: number, mats = true) => {
      const { listed, others, now, then } = whatIf(visits, house, { raise, mats })
      return [listed, others, now, then]
    }
    // by hand: 45 and 45 + 2 × 8; a tenth more is 49.50 and 49.50 + 2 × 8.80, rounded to whole euros
    expect(asks(0)).toEqual([2, 2, 106_00, 106_00])
    expect(asks(10)).toEqual([2, 2, 106_00, 50_00 + 67_00])
    expect(asks(0, false)).toEqual([2, 2, 106_00, 90_00])
  })
  test('as it is asks what the visit itself was asked', () => {
    const today = Today.parse({ date: '2026-12-05', fleas: true, mats: { hindlegs: 2 } })
    const asked = priced({ second: true, since: 20 }, today)!.value
    const matMinutes = (priced({}, today)!.because.find((r) => r.code === 'price.mats')!.facts as { minutes: number })
      .minutes
    const facts = visit(1, { matMinutes, extras: ['fleas'], second: true, since: 20 })
    expect(listPrice(facts, list)!.value).toBe(asked)
  })
  test('what is done beside the wash is asked for once each', () => {
    const dear = { ...list, medicated: 5_00, teeth: 3_00, glands: 4_00, outOfHours: 10_00 }
    const extras = ['medicated', 'teeth', 'glands', 'outOfHours'] as const
    expect(listPrice(visit(1, { extras }), dear)!.value).toBe(67_00)
    expect(codes(listPrice(visit(1, { extras }), list))).toEqual(['price.list'])
    expect(priced({ outOfHours: true, house: { ...house, priceList: dear } })!.value).toBe(55_00)
  })
})

describe('closed days', () => {
  const day = (at: number) => new Date(at).toISOString().slice(0, 10)
  const noon = (date: string) => Date.parse(`${date}T12:00:00Z`)
  const EUR = (cents: number) => ({ cents, currency: 'EUR' })
  const paid = (...payments: Paid['payments'] & object): Paid => ({ price: EUR(50_00), how: 'cash', payments })
  const cash = (date: string, cents: number, tip = 0) => ({ cents, tip, how: 'cash' as const, at: noon(date) })

  test('have what changed hands on them: tips too, no visit by what was paid ahead, entries that stand', () => {
    const entry = (id: number, at: string, what: object): WrittenEntry => ({
      id: idAt(id),
      at: noon(at),
      entry: Entry.parse(what),
    })
    const visits = [
      {
        date: '2026-11-20',
        paid: paid(cash('2026-11-20', 20_00, 1_00), { ...cash('2026-11-27', 30_00), how: 'card' }),
      },
      { date: '2026-11-20', paid: paid({ ...cash('2026-11-20', 50_00), how: 'package' }) },
      // of before payments were told apart: on its own day
      { date: '2026-11-20', paid: { price: EUR(10_00), how: 'transfer' as const } },
      { date: '2026-11-20', paid: { price: { cents: 99_00, currency: 'CHF' }, how: 'cash' as const } },
    ]
    const entries = [
      entry(1, '2026-11-20', { kind: 'package', visits: 5, price: EUR(200_00), how: 'card' }),
      entry(2, '2026-11-20', { kind: 'payment', price: EUR(7_00), how: 'cash' }),
      entry(3, '2026-11-20', { kind: 'takenBack', entry: idAt(2) }),
      entry(4, '2026-11-27', { kind: 'package', visits: 5, price: EUR(200_00), how: 'later' }),
    ]
    const till = (until: string) => tillOf(visits, entries, 'EUR', day, (d) => d <= until)
    expect(till('2026-11-20')).toEqual({ cash: 21_00, card: 200_00, transfer: 10_00, tips: 1_00 })
    expect(till('2026-11-27')).toEqual({ cash: 21_00, card: 230_00, transfer: 10_00, tips: 1_00 })
    expect(inTill(till('2026-11-27'))).toBe(261_00)
  })

  test.each<[string, Paid | undefined, Paid | undefined, boolean]>([
    ['nothing was said before', undefined, paid(cash('2026-11-20', 50_00)), false],
    [
      'the rest is paid',
      paid(cash('2026-11-20', 20_00)),
      paid(cash('2026-11-20', 20_00), cash('2026-12-01', 30_00)),
      false,
    ],
    [
      'another comes late',
      paid(cash('2026-11-20', 20_00)),
      paid(cash('2026-11-20', 20_00), cash('2026-11-20', 20_00)),
      false,
    ],
    ['a payment goes', paid(cash('2026-11-20', 20_00)), paid(), true],
    ['one of two alike goes', paid(cash('2026-11-20', 5), cash('2026-11-20', 5)), paid(cash('2026-11-20', 5)), true],
    ['a payment becomes another', paid(cash('2026-11-20', 20_00)), paid(cash('2026-11-20', 21_00)), true],
    ['a payment since goes', paid(cash('2026-12-01', 20_00)), paid(), false],
    ['the price is another', paid(), { ...paid(), price: EUR(45_00) }, true],
    ['nothing is said any more', paid(), undefined, true],
    [
      'how alone was said, and is said otherwise',
      { price: EUR(50_00), how: 'cash' },
      { price: EUR(50_00), how: 'card' },
      true,
    ],
  ])('%s', (_what, before, after, changes) => {
    expect(changesClosed(before, after, '2026-11-20', '2026-11-28', day)).toBe(changes)
    expect(changesClosed(before, after, '2026-11-20', null, day)).toBe(false)
  })
})
