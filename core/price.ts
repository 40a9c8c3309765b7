import { z } from 'zod'

/** An amount that was agreed: whole hundredths of a currency, never a fraction of one. 0 to 100,000.00. */
export const Price = z.object({
  cents: z
    .number({ error: 'Give an amount, for example 45 or 45.50.' })
    .int('Give an amount, for example 45 or 45.50.')
    .min(0, 'Give 0 to 100,000.')
    .max(10_000_000, 'Give 0 to 100,000.'),
  currency: z.string().trim().min(1).max(6, 'Keep the currency to 6 letters.'),
})
export type Price = z.infer<typeof Price>

/**
 * Hundredths of what a person typed: "45", "45.5", "45,50"; null where nothing stands there. NaN for what is no amount,
 * which `Price` refuses.
 */
export function centsTyped(text: string): number | null {
  const plain = text.trim()
  if (plain === '') return null
  const found = /^(\d{1,6})(?:[.,](\d{1,2}))?$/.exec(plain)
  return found ? 100 * Number(found[1]) + Number((found[2] ?? '').padEnd(2, '0')) : Number.NaN
}

/** Hundredths as they are typed: "45", "45.50". */
export const centsShown = (cents: number): string =>
  cents % 100 === 0 ? String(cents / 100) : `${Math.floor(cents / 100)}.${String(cents % 100).padStart(2, '0')}`
