import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { NOTHING_KNOWN, type Memory } from '@core/visit'
import { askKept } from '../api/queries'

/** What the log knows of dogs. */
export const useMemory = defineStore('memory', () => {
  const known = shallowRef<Record<string, Memory>>({})

  /** Reads what the log knows of some dogs; throws an ApiProblem. */
  async function load(dogIds: readonly string[]) {
    if (dogIds.length === 0) return
    const { memory } = await askKept('GET /memory', { query: { dogs: dogIds.join(',') } })
    known.value = { ...known.value, ...memory }
  }
  /** The same, for those not asked about yet. */
  const ensure = (dogIds: readonly string[]) => load(dogIds.filter((id) => !(id in known.value)))
  const of = (dogId: string): Memory => known.value[dogId] ?? NOTHING_KNOWN

  return { known, load, ensure, of }
})
