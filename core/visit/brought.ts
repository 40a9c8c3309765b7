import { z } from 'zod'
import { parseLabel, Product, type ShelvedProduct } from '../mix'

/** A shampoo that the owner brought along: its name, its ratio as its label prints it (empty: undiluted), how long it stays, min. */
export const Brought = z
  .object({
    name: z.string().trim().min(1, 'Give the shampoo a name.').max(60, 'Keep the name to 60 characters.'),
    ratio: z.string().trim().max(60, 'Keep the ratio to 60 characters.').default(''),
    contactMinutes: z.number().min(0).max(60, 'A contact time is 0 to 60 minutes.').nullable().default(null),
  })
  .superRefine(({ ratio }, context) => {
    const label = ratio === '' ? undefined : parseLabel(ratio)
    if (label && !label.ok)
      context.addIssue({ code: 'custom', path: ['ratio'], message: label.why.code, params: label.why })
  })
export type Brought = z.infer<typeof Brought>

const BROUGHT = 'brought'
/** The bottle that an owner brought, as one of the shelf for this visit alone: it is never taken off the stock. */
export function broughtBottle(brought: Brought | null, dogName: string): ShelvedProduct | undefined {
  if (!brought) return undefined
  const { name, ratio, contactMinutes } = brought
  const form = ratio === '' ? 'neat' : 'concentrate'
  // one dog's bottle isn't mixed for another
  return { ...Product.parse({ name, kind: 'cleaning', form, ratio, contactMinutes }), id: `${BROUGHT} for ${dogName}` }
}
/** Whether a bottle isn't the house's. */
export const isBrought = (id: string): boolean => id.startsWith(`${BROUGHT} for `)
