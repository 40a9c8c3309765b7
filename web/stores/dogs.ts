import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { StoredDog } from '../../contract'
import type { Dog } from '../../core/dog'
import { api, asProblem, type ApiProblem } from '../api'

/** The dogs as the server holds them. */
export const useDogs = defineStore('dogs', () => {
  const list = ref<StoredDog[]>([])
  const loading = ref(false)
  const loaded = ref(false)
  const problem = ref<ApiProblem>()
  let newest = 0

  /** Loads the dogs whose name or breed holds a text; a slower answer to an older text is dropped. */
  async function load(text = '') {
    const turn = ++newest
    loading.value = true
    problem.value = undefined
    try {
      const found = await api<StoredDog[]>('GET', `/dogs?text=${encodeURIComponent(text)}`)
      if (turn === newest) list.value = found
      loaded.value = true
    } catch (error) {
      if (turn === newest) problem.value = asProblem(error)
    } finally {
      if (turn === newest) loading.value = false
    }
  }

  /** Dogs of exactly this name, capitals aside. */
  async function named(name: string) {
    const wanted = name.trim().toLowerCase()
    const found = await api<StoredDog[]>('GET', `/dogs?text=${encodeURIComponent(name.trim())}`)
    return found.filter((d) => d.record.name.toLowerCase() === wanted)
  }
  const get = (id: string) => api<StoredDog>('GET', `/dogs/${id}`)
  const add = (dog: Dog) => api<StoredDog>('POST', '/dogs', dog)
  const change = (id: string, version: number, record: Dog) => api<StoredDog>('PUT', `/dogs/${id}`, { version, record })
  const remove = (id: string) => api<void>('DELETE', `/dogs/${id}`)
  const restore = (id: string) => api<StoredDog>('POST', `/dogs/${id}/restore`)

  return { list, loading, loaded, problem, load, named, get, add, change, remove, restore }
})
