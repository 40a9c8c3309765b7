import { useEventListener, useIntervalFn } from '@vueuse/core'
import { onScopeDispose, ref, watch } from 'vue'
import { asProblem, type ApiProblem } from '../../api/client'
import { useRecipe, type RecipeSource } from './useRecipe'

/**
 * Where what was tapped is: `nothing` was yet; `sending`; `kept` on the server, so that the day and the tub work from
 * it; `here` on this device until the server can be reached; `refused`, with a problem that a person decides.
 */
export type CheckInState = 'nothing' | 'sending' | 'kept' | 'here' | 'refused'

/** How long after the last tap it is sent, ms, and how often what waits is tried again. */
const PAUSE_MS = 500
const AGAIN_MS = 5000

/** A check-in: a recipe of its day whose every tap is kept at once, here and on the server. */
export function useCheckIn(source: () => RecipeSource) {
  const recipe = useRecipe(source, { ofTheDay: true })
  const state = ref<CheckInState>('nothing')
  const refusal = ref<ApiProblem>()
  let timer: ReturnType<typeof setTimeout> | undefined
  let busy: Promise<boolean> | undefined
  /** What the server has, or what stood when the check-in was opened. */
  let kept = ''

  const written = () => JSON.stringify(recipe.today.value)

  async function open() {
    await flush()
    await recipe.open()
    const { visit, today } = recipe
    refusal.value = undefined
    kept = recipe.edited.value ? '' : written()
    state.value = visit.value ? 'kept' : 'nothing'
    if (today.value && written() !== kept) later()
  }

  async function send(version?: number) {
    if (busy) await busy
    const now = written()
    if (!recipe.today.value || now === kept || recipe.gone.value) return
    state.value = 'sending'
    busy = recipe.keepQuietly(version).then(
      () => {
        kept = now
        refusal.value = undefined
        state.value = 'kept'
        return true
      },
      (error: unknown) => {
        const problem = asProblem(error)
        const unreached = problem.status === 0 || problem.status >= 500
        refusal.value = unreached ? undefined : problem
        state.value = unreached ? 'here' : 'refused'
        return false
      },
    )
    const there = await busy
    busy = undefined
    // what was tapped meanwhile follows
    if (there && written() !== kept) await send()
  }
  function later() {
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), PAUSE_MS)
  }
  /** Sends what waits now; resolves when it is there, or can't be. */
  async function flush() {
    clearTimeout(timer)
    timer = undefined
    await send()
  }

  watch(
    recipe.today,
    () => {
      if (recipe.today.value && written() !== kept && state.value !== 'refused') later()
    },
    { deep: true },
  )
  const tryAgain = () => state.value === 'here' && void flush()
  useEventListener('online', tryAgain)
  useIntervalFn(tryAgain, AGAIN_MS)
  onScopeDispose(() => void flush())

  return {
    ...recipe,
    open,
    state,
    refusal,
    flush,
    /** After a refusal because another device kept something newer: this one's findings over it. */
    mineOverIt: () => send(recipe.newer.value?.version),
    /** Or what the other one kept. */
    takeTheirs() {
      recipe.takeNewer()
      kept = written()
      refusal.value = undefined
      state.value = 'kept'
    },
  }
}
