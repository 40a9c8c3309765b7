import { z } from 'zod'
import { constants, practice } from '../constants'
import { Service } from '../dog'

/** Sizes by which a price list goes, the smallest first. */
export const PRICE_SIZES = ['toy', 'small', 'medium', 'large', 'giant'] as const
export type PriceSize = (typeof PRICE_SIZES)[number]

/** From which weight on a dog is of the next size of a price list. */
export const PRICE_BANDS = constants({
  small: practice(5, 'kg', [4, 6]),
  medium: practice(10, 'kg', [8, 12]),
  large: practice(20, 'kg', [18, 25]),
  giant: practice(35, 'kg', [30, 45]),
})

/** The size of a dog on a price list, by its weight, kg. */
export function priceSize(kg: number): PriceSize {
  const bands = [PRICE_BANDS.small, PRICE_BANDS.medium, PRICE_BANDS.large, PRICE_BANDS.giant]
  return PRICE_SIZES[bands.filter((band) => kg >= band.value).length]!
}

const OUTSIDE = 'Give 0 to 100,000.'
const Cents = z
  .number({ error: 'Give an amount, for example 45 or 45.50.' })
  .int('Give an amount, for example 45 or 45.50.')
  .min(0, OUTSIDE)
  .max(10_000_000, OUTSIDE)
const Percent = z.number({ error: 'Give 0 to 90 %.' }).min(0, 'Give 0 to 90 %.').max(90, 'Give 0 to 90 %.').default(0)
const Share = z.number({ error: 'Give 0 to 100 %.' }).min(0, 'Give 0 to 100 %.').max(100, 'Give 0 to 100 %.').default(0)
const extra = Cents.nullable().default(null)

/** What a house asks, in whole hundredths of its currency: by what a dog comes for and its size, what is added and what is taken off. */
export const PriceList = z.object({
  /** A price for each size, the smallest first; null where there is none. */
  services: z.partialRecord(Service, z.array(Cents.nullable()).length(PRICE_SIZES.length)).default({}),
  /** Added for every started ten minutes of mats; null: nothing. */
  matsTen: extra,
  /** Added for a flea bath. */
  fleas: extra,
  /** Added where a second person holds. */
  helper: extra,
  /** Added where it is washed with a medicated product. */
  medicated: extra,
  /** Added where teeth are brushed. */
  teeth: extra,
  /** Added where glands are emptied: where that is a groomer's to do. */
  glands: extra,
  /** Added where it comes before the hours of the house, or is fetched after them. */
  outOfHours: extra,
  /** Taken off for a dog whose owner has another on the same day, %. */
  secondDog: Percent,
  /** Taken off for a dog that was here less than six weeks ago, %. */
  regular: Percent,
  /** Tax that a price contains, %; 0: none is told of. */
  tax: Percent,
  /** What a price from the list is rounded to. */
  step: Cents.min(1, 'Give at least 0.01.').max(100_00, 'Give up to 100.').default(100),
  /** What an hour of hands is to earn; null: nobody has said. */
  hour: extra,
  /** Asked where a dog doesn't come and nobody said so, % of its price. */
  noShow: Share,
  /** Asked where it is called off late, % of its price. */
  late: Share,
  /** How long before it was to come a visit is called off late, hours. */
  lateHours: z
    .number({ error: 'Give 1 to 168 hours.' })
    .min(1, 'Give 1 to 168 hours.')
    .max(168, 'Give 1 to 168 hours.')
    .default(24),
  /** Whether a device that is for the tub alone is told what visits cost and who owes what. */
  atTub: z.boolean().default(false),
})
export type PriceList = z.infer<typeof PriceList>
