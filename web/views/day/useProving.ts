import { shallowRef, watch, type Ref } from 'vue'
import type { DayFacts, DayProof, WashDay } from '@core/washday'
import { askDay } from '../../workers/dayWorker'
import type { DayAnswers } from '../../workers/jobs'
import { useJob } from '../../workers/useJob'

/** How long a day is looked at behind all else for a better order, ms. */
const BUDGET_MS = 30_000

/**
 * What is known of how good an arranged day is. Once it is arranged a worker goes on behind all else, until no better
 * order exists or its time is up; a better one is offered, not taken. Any change of the day ends it; then, and for a day
 * that was arranged before, it is looked for when it is asked.
 */
export function useProving(day: Ref<WashDay | undefined>, facts: () => DayFacts | undefined) {
  /** What is known, and the day that it is known of. */
  const proof = shallowRef<{ day: WashDay; known: DayProof }>()
  const { busy: looking, stop, run } = useJob<DayAnswers['prove']>()

  /** Goes on looking from what a search has left known of the day as it is now, or from nothing, unless that is all. */
  async function look(known?: DayProof) {
    stop()
    const of = day.value
    const from = facts()
    if (!of || !from) return
    proof.value = known && { day: of, known }
    if (known?.proven) return
    try {
      const found = await run(() => askDay<'prove'>(from, { kind: 'prove', budgetMs: BUDGET_MS }))
      if (found && day.value === of) proof.value = { day: of, known: found }
    } catch {
      // what the search itself left known stands
    }
  }

  watch(day, (now) => {
    if (now === proof.value?.day) return
    stop()
    proof.value = undefined
  })
  return { proof, looking, look, stop }
}
