import { onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import type { DayFacts, DayProof, WashDay } from '@core/washday'
import { askDay, type Running } from '../../workers/dayWorker'
import type { DayAnswers } from '../../workers/jobs'

/** How long a day is looked at behind all else for a better order, ms. */
const BUDGET_MS = 30_000

/**
 * What is known of how good an arranged day is. Once it is arranged a worker goes on behind all else, until no better
 * order exists or its time is up; a better one is offered, not taken. Any change of the day ends it.
 */
export function useProving(day: Ref<WashDay | undefined>, facts: () => DayFacts | undefined) {
  /** What is known, and the day that it is known of. */
  const proof = shallowRef<{ day: WashDay; known: DayProof }>()
  /** The share of its time that has gone, while it looks. */
  const looking = ref<number>()
  let running: Running<DayAnswers['prove']> | undefined

  function stop() {
    running?.cancel()
    running = undefined
    looking.value = undefined
  }

  /** What a search has left known of the day as it is now; goes on looking unless that is all. */
  async function goOn(known: DayProof) {
    stop()
    const of = day.value
    const from = facts()
    if (!of || !from) return
    proof.value = { day: of, known }
    if (known.proven) return
    looking.value = 0
    const mine = (running = askDay<'prove'>(from, { kind: 'prove', budgetMs: BUDGET_MS }, ({ share }) => {
      if (running === mine) looking.value = share
    }))
    try {
      const found = await mine.answer
      if (running === mine && found && day.value === of) proof.value = { day: of, known: found }
    } catch {
      // what the search itself left known stands
    } finally {
      if (running === mine) stop()
    }
  }

  watch(day, (now) => {
    if (now === proof.value?.day) return
    stop()
    proof.value = undefined
  })
  onScopeDispose(stop)
  return { proof, looking, goOn, stop }
}
