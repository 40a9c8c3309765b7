import { ref } from 'vue'
import { asProblem, type ApiProblem } from '../api/client'

/** Does one thing at a time: whether something is under way, and why the last couldn't be done. */
export function useTell() {
  const busy = ref(false)
  const problem = ref<ApiProblem>()

  /** Does the work; answers whether it could be done, with `problem` set where not. */
  async function tell(work: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    problem.value = undefined
    try {
      await work()
      return true
    } catch (error) {
      problem.value = asProblem(error)
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, problem, tell }
}
