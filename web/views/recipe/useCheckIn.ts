import { useEventListener, useIntervalFn } from '@vueuse/core'
import { onScopeDispose, ref, watch } from 'vue'
import { asProblem, type ApiProblem } from '../../api/client'
import { holdOutbox } from '../../device/outbox'
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
  let letGo = () => {}

  async function open() {
    await flush()
    await recipe.open()
    const letGoBefore = letGo
    letGo = holdOutbox(recipe.ownKey.value, () => recipe.unsent.value)
    letGoBefore()
    refusal.value = recipe.newer.value && recipe.saveProblem.value
    state.value = refusal.value ? 'refused' : recipe.visit.value ? 'kept' : 'nothing'
    if (recipe.unsent.value && !refusal.value) later()
  }

  async function send(version?: number) {
    if (busy) await busy
    if (!recipe.unsent.value || recipe.gone.value) return
    // two versions stand: a person says which
    if (recipe.newer.value && version === undefined) return
    state.value = 'sending'
    const sending = JSON.stringify(recipe.today.value)
    busy = recipe.keepQuietly(version).then(
      () => {
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
    if (there && JSON.stringify(recipe.today.value) !== sending) await send()
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
      if (recipe.unsent.value && state.value !== 'refused') later()
    },
    { deep: true },
  )
  const tryAgain = () => state.value === 'here' && void flush()
  useEventListener('online', tryAgain)
  useIntervalFn(tryAgain, AGAIN_MS)
  onScopeDispose(() => void (state.value === 'refused' ? Promise.resolve() : flush()).then(() => letGo()))

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
      refusal.value = undefined
      state.value = 'kept'
    },
  }
}
