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

/** How many decimals a currency has of its own: none for yen, three for dinars; two for what is no known one. */
export function decimalsOf(currency: string): number {
  try {
    const { maximumFractionDigits } = new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions()
    return maximumFractionDigits ?? 2
  } catch {
    return 2
  }
}

/**
 * Hundredths of what a person typed: "45", "45.5", "45,50"; null where nothing stands there. NaN for what is no amount,
 * which `Price` refuses: also for a part of what the currency has no parts of, and for less than a hundredth.
 */
export function centsTyped(text: string, currency = 'EUR'): number | null {
  const plain = text.trim()
  if (plain === '') return null
  const found = /^(\d{1,6})(?:[.,](\d{1,3}))?$/.exec(plain)
  const part = found?.[2] ?? ''
  const decimals = decimalsOf(currency)
  const wrong = !found || part.length > Math.max(2, decimals) || part[2]! > '0' || (decimals === 0 && Number(part) > 0)
  return wrong ? Number.NaN : 100 * Number(found[1]) + Number(part.slice(0, 2).padEnd(2, '0'))
}

/** Hundredths as they are typed: "45", "45.50". */
export const centsShown = (cents: number): string =>
  cents % 100 === 0 ? String(cents / 100) : `${Math.floor(cents / 100)}.${String(cents % 100).padStart(2, '0')}`
