import type { MovementKind } from '@core/stock'
import type { Say } from './say'
import type { Words } from './types'

/** An amount of a product as it is measured: mL, or grams of a bar or a powder. */
export const productAmount = (mL: number, weighed: boolean, say: Say): string =>
  weighed ? `${say.number(mL, 0)} g` : say.volume(mL)

/** What happened to a bottle. */
export const MOVEMENT_NAMES: Record<MovementKind, string> = {
  opened: 'opened',
  used: 'used on a dog',
  counted: 'counted',
  thrown: 'thrown away',
  lost: 'lost',
}

export const STOCK_WORDS: Words<'stock'> = {
  'stock.empty': 'empty',
  'stock.low': ({ washDays }, say) =>
    washDays < 1 ? 'not enough for a washing day' : `about ${say.count(washDays, 'washing day')} left`,
  'stock.past': ({ date }, say) => `past its date, ${say.date(date, 'short')}`,
  'stock.soon': ({ date }, say) => `good until ${say.date(date, 'short')}`,
  'stock.short': ({ product, needed, level, weighed }, say) =>
    `${product}: this day takes ${productAmount(needed, weighed, say)}, about ${productAmount(level, weighed, say)} is left.`,
}
