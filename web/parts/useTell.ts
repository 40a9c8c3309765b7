import { computed, ref } from 'vue'
import { asProblem, type ApiProblem } from '../api/client'

/** Does things: whether something is under way, and why one couldn't be done, until the next is begun on its own. */
export function useTell() {
  /** How many are under way. */
  const under = ref(0)
  const busy = computed(() => under.value > 0)
  const problem = ref<ApiProblem>()

  /** Does the work; answers whether it could be done, with `problem` set where not. */
  async function tell(work: () => Promise<unknown>): Promise<boolean> {
    // what is done beside something else doesn't hide why that couldn't be done
    if (under.value === 0) problem.value = undefined
    under.value++
    try {
      await work()
      return true
    } catch (error) {
      problem.value = asProblem(error)
      return false
    } finally {
      under.value--
    }
  }
  return { busy, problem, tell }
}
