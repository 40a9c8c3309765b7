import { Product } from '@core/mix'
import { METRIC, US_CUSTOMARY } from '@core/units'
import { METRIC_SAY, sayIn } from '@words'
import { byKind, putFirst } from './shelved'
import { draftOf, useProductDraft } from './useProductDraft'

const stored = (name: string, more: object = {}) => ({
  id: name,
  version: 1,
  changedAt: '',
  record: Product.parse({ name, kind: 'cleaning', ratio: '1:10', ...more }),
})

test('the shelf by kind: kinds in one order, what comes first first, the retired aside', () => {
  const shelf = [
    stored('soft', { kind: 'conditioner' }),
    stored('b', { rank: 3 }),
    stored('a'),
    stored('gone', { retired: true }),
  ]
  expect(byKind(shelf).map((g) => [g.kind, g.products.map((p) => p.id)])).toEqual([
    ['cleaning', ['a', 'b']],
    ['conditioner', ['soft']],
  ])
  const first = putFirst(shelf[1]!.record, shelf)
  expect(byKind([...shelf.slice(2), { ...shelf[1]!, record: first }])[0]!.products.map((p) => p.id)).toEqual(['b', 'a'])
})

test('what is typed becomes the record: numbers with a comma, what it contains, a price for the bottle', () => {
  const { draft, check, errors, label } = useProductDraft(draftOf(METRIC), METRIC_SAY, () => undefined)
  Object.assign(draft, {
    name: 'Oats',
    ratio: '1:8',
    contact: '4,5',
    contains: 'oat, , aloe ',
    size: '500',
    price: '9',
  })
  expect(label.value).toMatchObject({ ok: true, water: 8 })
  expect(check()).toMatchObject({
    name: 'Oats',
    contactMinutes: 4.5,
    contains: ['oat', 'aloe'],
    sizeMl: 500,
    pricePerLitre: 18,
    retired: false,
  })
  expect(errors.value).toEqual({})
})

test('ratios for froth and dirt are read as the label’s is, named where they can’t be, and gone with what isn’t thinned', () => {
  const { draft, check, errors } = useProductDraft(draftOf(METRIC), METRIC_SAY, () => undefined)
  Object.assign(draft, { name: 'Barn', ratio: '1:12', frothRatio: 'one splash', filthyRatio: '1:6' })
  expect(check()).toBeUndefined()
  expect(Object.keys(errors.value)).toEqual(['frothRatio'])
  draft.frothRatio = '1:24'
  expect(check()).toMatchObject({ ratio: '1:12', frothRatio: '1:24', filthyRatio: '1:6' })
  draft.form = 'neat'
  expect(check()).toMatchObject({ ratio: '', frothRatio: '', filthyRatio: '' })
})

test('a concentrate needs a ratio, a bar none; each wrong field says so', () => {
  const { draft, check, errors } = useProductDraft(draftOf(METRIC), METRIC_SAY, () => undefined)
  Object.assign(draft, { name: 'n'.repeat(81), pH: '20', price: '-1', size: 'much' })
  expect(check()).toBeUndefined()
  expect(Object.keys(errors.value).sort()).toEqual(['name', 'pH', 'pricePerLitre', 'ratio', 'sizeMl'])
  Object.assign(draft, { name: 'Block', form: 'bar', pH: '', price: '', size: '' })
  expect(check()).toMatchObject({ form: 'bar', ratio: '' })
})

test('a new bottle needs no name, its ratio is enough; a kept one that loses its name says so', () => {
  const fresh = useProductDraft(
    draftOf(METRIC),
    METRIC_SAY,
    () => undefined,
    () => ['Everyday shampoo'],
  )
  expect(fresh.unnamed.value).toBe('Everyday shampoo 2')
  fresh.draft.ratio = '1:8'
  expect(fresh.check()).toMatchObject({ name: 'Everyday shampoo 2', kind: 'cleaning', ratio: '1:8' })
  const kept = Product.parse({ name: 'Oats', kind: 'cleaning', ratio: '1:8' })
  const { draft, check, errors } = useProductDraft(draftOf(METRIC, kept), METRIC_SAY, () => kept)
  draft.name = ' '
  expect(check()).toBeUndefined()
  expect(Object.keys(errors.value)).toEqual(['name'])
})

test('opened and saved untouched, a product stays what it was to the last digit, in any units', () => {
  const product = Product.parse({
    name: 'Odd',
    kind: 'conditioner',
    ratio: '30 mL/L',
    sizeMl: 473.18,
    pricePerLitre: 17.123456,
    pumpMl: 7.77,
    youngestWeeks: 12,
    expires: '2027-01-31',
    rank: -2,
  })
  for (const units of [METRIC, US_CUSTOMARY]) {
    const { check } = useProductDraft(draftOf(units, product), sayIn(units), () => product)
    expect(check()).toEqual(product)
  }
})

test('for the ears it comes ready to use, unless a ratio was typed', () => {
  const one = useProductDraft(draftOf(METRIC), METRIC_SAY, () => undefined)
  one.takeKind('ear cleaner')
  expect(one.draft.ratio).toBe('ready to use')
  const other = useProductDraft({ ...draftOf(METRIC), ratio: '1:4' }, METRIC_SAY, () => undefined)
  other.takeKind('ear drying')
  expect(other.draft.ratio).toBe('1:4')
})
