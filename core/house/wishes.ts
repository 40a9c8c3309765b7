import { z } from 'zod'
import { WISHED } from '../day'

/** How much a wish counts when a day is arranged. */
export const WISH_WEIGHTS = ['off', 'some', 'usual', 'much'] as const
export type WishWeight = (typeof WISH_WEIGHTS)[number]

/** What counts how much when a day is arranged; what isn't named counts as usual. */
export const Wishes = z.partialRecord(z.enum(WISHED), z.enum(WISH_WEIGHTS))
export type Wishes = z.infer<typeof Wishes>
