import { Product, type ProductKind } from './schema'

/**
 * A made-up bottle of each kind, to begin with where none is at hand: names that say the kind, ratios and contact times
 * as labels of such products commonly have them (common practice, no source), no price. A medicated one has no
 * instruction and so isn't used until a vet's is written down.
 */
export const SAMPLES: Readonly<Record<ProductKind, Product>> = {
  cleaning: Product.parse({ name: 'Everyday shampoo', kind: 'cleaning', ratio: '1:10' }),
  degreasing: Product.parse({ name: 'Degreasing shampoo', kind: 'degreasing', ratio: '1:15', contactMinutes: 5 }),
  whitening: Product.parse({ name: 'Whitening shampoo', kind: 'whitening', ratio: '1:8', contactMinutes: 10 }),
  soothing: Product.parse({ name: 'Soothing shampoo', kind: 'soothing', ratio: '1:10', contactMinutes: 5 }),
  moisturising: Product.parse({ name: 'Moisturising shampoo', kind: 'moisturising', ratio: '1:10', contactMinutes: 5 }),
  medicated: Product.parse({ name: 'Medicated shampoo', kind: 'medicated', ratio: 'ready to use', contactMinutes: 10 }),
  texturing: Product.parse({ name: 'Texturing shampoo', kind: 'texturing', ratio: '1:10' }),
  'tear-free': Product.parse({ name: 'Tear-free shampoo', kind: 'tear-free', ratio: '1:5' }),
  flea: Product.parse({
    name: 'Flea shampoo',
    kind: 'flea',
    ratio: 'ready to use',
    contactMinutes: 10,
    youngestWeeks: 12,
  }),
  conditioner: Product.parse({ name: 'Conditioner', kind: 'conditioner', ratio: '1:5', contactMinutes: 5 }),
  mask: Product.parse({ name: 'Coat mask', kind: 'mask', form: 'neat', ratio: 'ready to use', contactMinutes: 10 }),
  'leave-in': Product.parse({ name: 'Detangling spray', kind: 'leave-in', form: 'spray', ratio: 'ready to use' }),
  'finishing oil': Product.parse({
    name: 'Finishing oil',
    kind: 'finishing oil',
    form: 'spray',
    ratio: 'ready to use',
  }),
  scent: Product.parse({ name: 'Scent', kind: 'scent', form: 'spray', ratio: 'ready to use' }),
  'ear cleaner': Product.parse({ name: 'Ear cleaner', kind: 'ear cleaner', ratio: 'ready to use' }),
  'ear drying': Product.parse({ name: 'Drying ear cleaner', kind: 'ear drying', ratio: 'ready to use' }),
  'ear powder': Product.parse({ name: 'Ear powder', kind: 'ear powder', form: 'powder', ratio: 'ready to use' }),
  'wax softener': Product.parse({ name: 'Ear wax softener', kind: 'wax softener', ratio: 'ready to use' }),
  disinfectant: Product.parse({ name: 'Tub disinfectant', kind: 'disinfectant', ratio: '1:50', contactMinutes: 10 }),
}

/** What a bottle is called that nobody named: as the sample of its kind, counted where that is taken. */
export function usualName(kind: ProductKind, taken: readonly string[]): string {
  const { name } = SAMPLES[kind]
  const same = new Set(taken.map((t) => t.toLowerCase()))
  const counted = (n: number) => (n === 1 ? name : `${name} ${n}`)
  let n = 1
  while (same.has(counted(n).toLowerCase())) n++
  return counted(n)
}

/** The kinds that a first shelf needs: a wash, something mild, something that combs easier, the ears. */
export const FIRST_SHELF: readonly ProductKind[] = ['cleaning', 'soothing', 'conditioner', 'ear cleaner']
