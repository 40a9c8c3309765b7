import { computed, ref, shallowRef, watch } from 'vue'
import type { LogbookAnswer, TaughtAnswer } from '../../../contract'
import { api, asProblem, type ApiProblem } from '../../api'

/** Which visits the logbook is about, as the address says. */
export interface LogFilter {
  dogId?: string
  from?: string
  to?: string
  product?: string
}

/** The logbook for a filter, and what the whole log taught. */
export function useLogbook(filter: () => LogFilter) {
  const log = shallowRef<LogbookAnswer>()
  const taught = shallowRef<TaughtAnswer>()
  const problem = ref<ApiProblem>()
  const loading = ref(false)
  const query = computed(() => {
    const set = Object.entries(filter()).filter((e): e is [string, string] => typeof e[1] === 'string' && e[1] !== '')
    return new URLSearchParams(set).toString()
  })

  async function open() {
    const asked = query.value
    loading.value = true
    problem.value = undefined
    try {
      const found = await api<LogbookAnswer>('GET', `/logbook${asked ? `?${asked}` : ''}`)
      if (asked === query.value) log.value = found
    } catch (error) {
      problem.value = asProblem(error)
    } finally {
      loading.value = false
    }
  }
  async function ask() {
    try {
      taught.value = await api<TaughtAnswer>('GET', '/logbook/taught')
    } catch (error) {
      problem.value ??= asProblem(error)
    }
  }
  watch(query, open, { immediate: true })
  void ask()
  return { log, taught, problem, loading, open }
}
