import { z } from 'zod'
import { constants, house } from '../constants'
import type { Product } from '../mix'
import { said, type Code, type Said } from '../said'

declare module '../said' {
  interface Codes {
    'stock.empty': None
    'stock.low': { washDays: number }
    'stock.past': { date: string }
    'stock.soon': { date: string }
    'stock.short': { product: string; needed: number; level: number; weighed: boolean }
  }
}

/** How a bottle gets fuller or emptier. `counted` says what is left; the others say by how much. */
export const MovementKind = z.enum(['opened', 'used', 'counted', 'thrown', 'lost'])
export type MovementKind = z.infer<typeof MovementKind>

const Amount = z.number({ error: 'Give a number.' }).min(0, 'Give 0 or more.').max(100_000, 'Give up to 100 litres.')

/** Something that happened to a product: mL (a bar or a powder: g), never negative, and when (ISO time). */
export const Movement = z.object({
  kind: MovementKind,
  mL: Amount,
  at: z.iso.datetime({ error: 'Give a time, as 2026-11-28T09:30:00Z.' }),
  note: z.string().trim().max(200, 'Keep the note to 200 characters.').default(''),
})
export type Movement = z.infer<typeof Movement>

/** Over how long use is averaged, and from when on something is to be bought. */
export const STOCK = constants({
  window: house(120, 'days', [30, 365]),
  low: house(4, 'wash days', [1, 12]),
  soon: house(30, 'days', [7, 90]),
})

const SIGN: Record<MovementKind, number> = { opened: 1, used: -1, thrown: -1, lost: -1, counted: 0 }

/**
 * What is left of a product, mL (a bar or a powder: g): the last count and what came and went after it; without a
 * count what was opened and what went since the first of it. Null when nothing was opened or counted yet. The order
 * of the list doesn't matter; of one moment, a count comes last. Never below nothing: what was used without being
 * there is found by the next count.
 */
export function levelOf(movements: readonly Pick<Movement, 'kind' | 'mL' | 'at'>[]): number | null {
  const when = (m: Pick<Movement, 'at'>) => Date.parse(m.at)
  const counted = movements
    .filter((m) => m.kind === 'counted')
    .reduce<Pick<Movement, 'mL' | 'at'> | undefined>(
      (last, m) => (last === undefined || when(m) >= when(last) ? m : last),
      undefined,
    )
  const opened = movements.filter((m) => m.kind === 'opened').map(when)
  if (!counted && opened.length === 0) return null
  const from = counted ? when(counted) : Math.min(...opened) - 1
  const since = movements.filter((m) => when(m) > from).reduce((sum, m) => sum + SIGN[m.kind] * m.mL, 0)
  return Math.max(0, (counted?.mL ?? 0) + since)
}

/** How fast a product goes: mL used in the last `STOCK.window` days, and on how many days there was washing then. */
export interface Use {
  mL: number
  washDays: number
}

/** For how many wash days what is left will do, each taking as much of it as the last ones did on average; null where nothing is known of either. */
export function washDaysLeft(level: number | null, { mL, washDays }: Use): number | null {
  if (level === null || washDays === 0 || mL <= 0) return null
  return level / (mL / washDays)
}

/** What of it asks for buying. */
export type WhyBuy = Said<Extract<Code, 'stock.empty' | 'stock.low' | 'stock.past' | 'stock.soon'>>

/** Whether a product is to be bought, and why: it is empty or will be within four wash days, or goes past its date within a month. */
export function whyBuy(
  product: Pick<Product, 'expires' | 'retired'>,
  level: number | null,
  use: Use,
  today: string,
): WhyBuy | undefined {
  if (product.retired) return undefined
  const { expires } = product
  if (expires !== null && expires < today) return said('stock.past', { date: expires })
  if (level === 0) return said('stock.empty')
  const washDays = washDaysLeft(level, use)
  if (washDays !== null && washDays < STOCK.low.value) return said('stock.low', { washDays: Math.floor(washDays) })
  const days = expires === null ? Infinity : (Date.parse(expires) - Date.parse(today)) / 86_400_000
  return expires !== null && days <= STOCK.soon.value ? said('stock.soon', { date: expires }) : undefined
}

/** What is short on a day: products of which it needs more than is left. */
export function shortOf(
  needed: readonly { id: string; name: string; mL: number }[],
  levels: ReadonlyMap<string, number | null>,
  isWeighed: (id: string) => boolean = () => false,
): Said<'stock.short'>[] {
  return needed.flatMap(({ id, name, mL }) => {
    const level = levels.get(id) ?? null
    if (level === null || level >= mL) return []
    return [said('stock.short', { product: name, needed: mL, level, weighed: isWeighed(id) })]
  })
}
