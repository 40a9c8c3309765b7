import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { StoredDog, StoredVisit, VisitSummary } from '../../contract'
import { todayFromRecord, type Today } from '../../core/visit'
import { api, asProblem, type ApiProblem } from '../api'

/** Kept recipes. */
export const useVisits = defineStore('visits', () => {
  const list = ref<VisitSummary[]>([])
  const loading = ref(false)
  const problem = ref<ApiProblem>()

  /** Lists kept recipes, newest day first; of one dog when its id is given. */
  async function load(dogId?: string) {
    loading.value = true
    problem.value = undefined
    try {
      list.value = await api<VisitSummary[]>('GET', dogId ? `/visits?dogId=${dogId}` : '/visits')
    } catch (error) {
      problem.value = asProblem(error)
    } finally {
      loading.value = false
    }
  }

  const get = (id: string) => api<StoredVisit>('GET', `/visits/${id}`)
  const add = (dogId: string, today: Today) => api<StoredVisit>('POST', '/visits', { dogId, today })
  /** Keeps a recipe as the dog's record expects the day. */
  async function begin(dogId: string, date: string): Promise<StoredVisit> {
    const { record } = await api<StoredDog>('GET', `/dogs/${dogId}`)
    return add(dogId, todayFromRecord(record, date))
  }
  const change = (id: string, version: number, dogId: string, today: Today) =>
    api<StoredVisit>('PUT', `/visits/${id}`, { version, record: { dogId, today } })
  const remove = (id: string) => api<void>('DELETE', `/visits/${id}`)

  return { list, loading, problem, load, get, add, begin, change, remove }
})
