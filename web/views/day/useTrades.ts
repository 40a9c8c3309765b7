import { ref, shallowRef, watch } from 'vue'
import type { DayFacts, Trade, Wish, WishPrice } from '@core/washday'
import { asProblem, type ApiProblem } from '../../api/client'
import { askDay } from '../../workers/dayWorker'
import type { DayAnswers } from '../../workers/jobs'
import { useJob } from '../../workers/useJob'

/** What an arranged day gave up, as it is found; and what wishes would cost. Asked anew whenever the day is another. */
export function useTrades(facts: () => DayFacts) {
  const trades = shallowRef<Trade[]>([])
  const price = shallowRef<{ wish: Wish; answer: WishPrice | null }>()
  const problem = ref<ApiProblem>()
  const hunt = useJob<DayAnswers['trades']>()
  const pricing = useJob<DayAnswers['price']>()

  async function look() {
    problem.value = undefined
    trades.value = []
    try {
      await hunt.run((wanted) =>
        askDay<'trades'>(facts(), { kind: 'trades' }, (trade) => {
          if (wanted()) trades.value = [...trades.value, trade]
        }),
      )
    } catch (error) {
      problem.value = asProblem(error)
    }
  }

  /** Finds out what a wish costs. */
  async function ask(wish: Wish) {
    price.value = undefined
    try {
      const answer = await pricing.run(() => askDay<'price'>(facts(), { kind: 'price', wish }))
      if (answer !== undefined) price.value = { wish, answer }
    } catch (error) {
      problem.value = asProblem(error)
    }
  }

  watch(
    facts,
    () => {
      pricing.stop()
      price.value = undefined
      void look()
    },
    { immediate: true },
  )
  return { trades, looking: hunt.busy, price, pricing: pricing.busy, problem, look, stop: hunt.stop, ask }
}
