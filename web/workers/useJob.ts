import { onScopeDispose, ref } from 'vue'
import type { Running } from './dayWorker'

/** One long job at a time of what is on the screen: begun anew it takes the place of the one before, and it ends with its view. */
export function useJob<A extends { result: unknown }>() {
  const busy = ref(false)
  let running: Running<A> | undefined
  let turn = 0

  function stop() {
    turn++
    running?.cancel()
    running = undefined
    busy.value = false
  }

  /**
   * Begins a job, at once or after what it needs has come; its answer, undefined when it was stopped or another took
   * its place meanwhile. `begin` is given whether it is still wanted. Rejects as the job does while it is.
   */
  async function run(
    begin: (wanted: () => boolean) => Running<A> | Promise<Running<A>>,
  ): Promise<A['result'] | undefined> {
    stop()
    const mine = turn
    const wanted = () => mine === turn
    busy.value = true
    try {
      const job = await begin(wanted)
      if (!wanted()) {
        job.cancel()
        return undefined
      }
      running = job
      const answer = await job.answer
      return wanted() ? answer : undefined
    } catch (error) {
      if (wanted()) throw error
      return undefined
    } finally {
      if (wanted()) stop()
    }
  }

  onScopeDispose(stop)
  return { busy, stop, run }
}
