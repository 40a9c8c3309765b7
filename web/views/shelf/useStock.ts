import { computed } from 'vue'
import type { StockLine, StoredProduct } from '@contract'
import { isWeighed } from '@core/mix'
import { productAmount } from '@words'
import { useAsk } from '../../api/queries'
import { deviceToday } from '../../parts/words'
import { useSay } from '../../say'

/** Something to buy: which product, why, how much of it is left, and what a bottle costs where that is known. */
export interface BuyLine {
  product: StoredProduct
  why: string
  left: string
  price: number | null
}

/** Wash days from which on it doesn't matter how many. */
const MANY = 20

/** How the bottles of the shelf stand today. */
export function useStock(shelf: () => readonly StoredProduct[]) {
  const say = useSay()
  const { answer, problem, again } = useAsk('GET /stock', () => ({ query: { on: deviceToday() } }))
  const lines = computed(() => new Map((answer.value ?? []).map((l) => [l.productId, l])))

  const amountOf = ({ record }: StoredProduct, mL: number) => productAmount(mL, isWeighed(record.form), say)
  /** "420 mL left, about 6 wash days"; undefined while nothing was opened or counted. */
  function leftWords(product: StoredProduct, line: StockLine | undefined = lines.value.get(product.id)) {
    if (!line || line.level === null) return undefined
    const days = line.washDaysLeft
    const left = `${amountOf(product, line.level)} left`
    if (days === null) return left
    const about = days > MANY ? `over ${MANY} washing days` : `about ${say.count(Math.floor(days), 'washing day')}`
    return `${left}, ${days < 1 ? 'under one washing day' : about}`
  }
  /** How full its bottle stands, 0 to 1: the one in use, by what a bottle holds; undefined where that isn't known. */
  function fullOf({ id, record }: StoredProduct): number | undefined {
    const level = lines.value.get(id)?.level ?? null
    if (level === null || record.sizeMl === null || record.sizeMl <= 0) return undefined
    return Math.min(1, level / record.sizeMl)
  }
  const toBuy = computed(() =>
    shelf().flatMap((product): BuyLine[] => {
      const line = lines.value.get(product.id)
      if (!line?.buy) return []
      const { sizeMl, pricePerLitre } = product.record
      return [
        {
          product,
          why: say.said(line.buy),
          left: line.level === null ? 'not counted' : amountOf(product, line.level),
          price: sizeMl === null || pricePerLitre === null ? null : (sizeMl / 1000) * pricePerLitre,
        },
      ]
    }),
  )
  return { lines, problem, again, leftWords, amountOf, fullOf, toBuy }
}
