import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import type { DayFacts, Trade, Wish, WishPrice } from '@core/washday'
import { asProblem, type ApiProblem } from '../../api/client'
import { askDay, type Running } from '../../workers/dayWorker'
import type { DayAnswers } from '../../workers/jobs'

/** What an arranged day gave up, as it is found; and what wishes would cost. Asked anew whenever the day is another. */
export function useTrades(facts: () => DayFacts) {
  const trades = shallowRef<Trade[]>([])
  const looking = ref(false)
  const price = shallowRef<{ wish: Wish; answer: WishPrice | null }>()
  const pricing = ref(false)
  const problem = ref<ApiProblem>()
  let hunt: Running<DayAnswers['trades']> | undefined
  let asked: Running<DayAnswers['price']> | undefined

  function stop() {
    hunt?.cancel()
    hunt = undefined
    looking.value = false
  }

  async function look() {
    stop()
    problem.value = undefined
    trades.value = []
    looking.value = true
    const mine = (hunt = askDay<'trades'>(facts(), { kind: 'trades' }, (trade) => {
      if (hunt === mine) trades.value = [...trades.value, trade]
    }))
    try {
      await mine.answer
    } catch (error) {
      if (hunt === mine) problem.value = asProblem(error)
    } finally {
      if (hunt === mine) stop()
    }
  }

  /** Finds out what a wish costs. */
  async function ask(wish: Wish) {
    asked?.cancel()
    price.value = undefined
    pricing.value = true
    const mine = (asked = askDay<'price'>(facts(), { kind: 'price', wish }))
    try {
      const answer = await mine.answer
      if (asked === mine && answer !== undefined) price.value = { wish, answer }
    } catch (error) {
      if (asked === mine) problem.value = asProblem(error)
    } finally {
      if (asked === mine) pricing.value = false
    }
  }

  watch(
    facts,
    () => {
      asked?.cancel()
      price.value = undefined
      void look()
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    stop()
    asked?.cancel()
  })
  return { trades, looking, price, pricing, problem, look, stop, ask }
}
