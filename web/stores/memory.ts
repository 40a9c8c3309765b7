import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { MemoryAnswer } from '../../contract'
import { NOTHING_KNOWN, type Memory } from '../../core/visit'
import { api } from '../api'

/** What the log knows of dogs. */
export const useMemory = defineStore('memory', () => {
  const known = shallowRef<Record<string, Memory>>({})

  /** Fetches what the log knows of some dogs anew; throws an ApiProblem. */
  async function load(dogIds: readonly string[]) {
    if (dogIds.length === 0) return
    const { memory } = await api<MemoryAnswer>('GET', `/memory?dogs=${dogIds.join(',')}`)
    known.value = { ...known.value, ...memory }
  }
  /** The same, for those not asked about yet. */
  const ensure = (dogIds: readonly string[]) => load(dogIds.filter((id) => !(id in known.value)))
  const of = (dogId: string): Memory => known.value[dogId] ?? NOTHING_KNOWN

  return { known, load, ensure, of }
})
