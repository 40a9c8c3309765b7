import { z } from 'zod'
import { CoatType, Day, Skin } from '../dog'
import { amountIn } from '../range'
import { parseLabel, RatioReading } from './label'
import { MEASURE } from './measure'

/** What washes a dog, and is rinsed out. */
const WASHES = [
  'cleaning',
  'degreasing',
  'whitening',
  'soothing',
  'moisturising',
  'medicated',
  'texturing',
  'tear-free',
  'flea',
] as const
/** What goes in after the wash and is rinsed out. */
const SOFTENS = ['conditioner', 'mask'] as const
/** What stays on the coat. */
const STAYING = ['leave-in', 'finishing oil', 'scent'] as const
/** What goes into ears. */
const EARS = ['ear cleaner', 'ear drying', 'ear powder', 'wax softener'] as const

/** What a product is for. */
export const ProductKind = z.enum([...WASHES, ...SOFTENS, ...STAYING, ...EARS, 'disinfectant'])
export type ProductKind = z.infer<typeof ProductKind>
export const SHAMPOOS: readonly ProductKind[] = WASHES
export const CONDITIONERS: readonly ProductKind[] = SOFTENS
export const STAYS: readonly ProductKind[] = STAYING
export const EAR_KINDS: readonly ProductKind[] = EARS

/** How the mix is put on the dog. */
export const Method = z.enum(['spray', 'bottle', 'froth', 'proportioner'])
export type Method = z.infer<typeof Method>

/** How a product is used: thinned with water, undiluted in the hand, as a bar, sprayed on, or as a powder. */
export const Form = z.enum(['concentrate', 'neat', 'bar', 'spray', 'powder'])
export type Form = z.infer<typeof Form>

/** A bottle on the shelf, as its label and its owner describe it. Volumes mL, times min, ages weeks. */
export const Product = z
  .object({
    name: z.string().trim().min(1, 'Give the product a name.').max(80, 'Keep the name to 80 characters.'),
    kind: ProductKind,
    form: Form.default('concentrate'),
    ratio: z.string().trim().max(60, 'Keep the ratio to 60 characters.').default(''),
    reading: RatioReading.default('parts'),
    /** Ratios of their own for a froth bowl and for a filthy coat, where the label or the house has them; empty: the usual one. */
    frothRatio: z.string().trim().max(60, 'Keep the ratio to 60 characters.').default(''),
    filthyRatio: z.string().trim().max(60, 'Keep the ratio to 60 characters.').default(''),
    contactMinutes: z.number().min(0).max(60, 'A contact time is 0 to 60 minutes.').nullable().default(null),
    pH: z.number().min(0).max(14, 'A pH lies between 0 and 14.').nullable().default(null),
    pumpMl: amountIn('stroke', 'volume', 0.05, MEASURE.mostStroke.value).nullable().default(null),
    earMl: amountIn('earRound', 'volume', 0.1, 10).nullable().default(null),
    youngestWeeks: z.number().int().min(0).max(104, 'An age limit is 0 to 104 weeks.').nullable().default(null),
    pricePerLitre: z
      .number()
      .min(0, 'A price is 0 or more.')
      .max(10_000, 'A litre costs up to 10 000.')
      .nullable()
      .default(null),
    contains: z.array(z.string().trim().min(1).max(40)).max(30).default([]),
    instruction: z.string().max(500, 'Keep the instruction to 500 characters.').default(''),
    notes: z.string().max(2000, 'Keep the notes to 2000 characters.').default(''),
    /** How it may be put on, by its label; none said: any way. */
    ways: z.array(Method).max(4).default([]),
    /** On which skin and coats it is meant to go, by its label; none said: any. */
    forSkin: z.array(Skin).max(8).default([]),
    forCoats: z.array(CoatType).max(9).default([]),
    /** What a full bottle holds, mL (a bar or a powder: g). */
    sizeMl: amountIn('bottle', 'volume', 5, 25_000).nullable().default(null),
    opened: Day.nullable().default(null),
    expires: Day.nullable().default(null),
    /** Lower comes first among products of one kind; those alike in the order in which they were put on the shelf. */
    rank: z.number().int().min(-9999).max(9999).default(0),
    /** Used up or given up: kept for the visits it was used in, not planned with any more. */
    retired: z.boolean().default(false),
  })
  .superRefine((product, context) => {
    for (const field of ['ratio', 'frothRatio', 'filthyRatio'] as const) {
      if (product[field] === '') continue
      const label = parseLabel(product[field], { reading: product.reading, pumpMl: product.pumpMl })
      if (!label.ok) context.addIssue({ code: 'custom', path: [field], message: label.why.code, params: label.why })
    }
  })
export type Product = z.infer<typeof Product>

/** A product with the id it is stored under. */
export type ShelvedProduct = Product & { id: string }

/** How a product is put on: the house's way where its label allows it, else the first that its label names. */
export const wayOn = ({ ways }: Pick<Product, 'ways'>, house: Method): Method =>
  ways.length === 0 || ways.includes(house) ? house : ways[0]!
/** Whether an amount of a product is weighed, in g, and not measured in mL. */
export const isWeighed = (form: Form): boolean => form === 'bar' || form === 'powder'

/** The shelf that is planned with: without what is retired, what comes first first. */
export const inUse = <P extends Pick<Product, 'retired' | 'rank'>>(shelf: readonly P[]): P[] =>
  shelf.filter((p) => !p.retired).sort((a, b) => a.rank - b.rank)
