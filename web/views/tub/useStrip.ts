import { useIntervalFn } from '@vueuse/core'
import { computed, shallowRef, watch, type Ref } from 'vue'
import type { TubDay, TubVisit } from '../../../contract'
import { visitRecord } from '../../../core/tubside'
import { api } from '../../api'
import { readKept } from './kept'

const LOOK_EVERY_MS = 4000

/** One dog of the day beside the one in hand: what it is at, and minutes left of that. */
export interface Beside {
  visitId: string
  name: string
  colour: number | null
  step: string
  hands: boolean
  rest: number
  paused: boolean
}

/** A dog that comes next by the day's plan; `visitId` when its recipe is kept already. */
export interface ComesNext {
  dogId: string
  name: string
  at: number | null
  visitId: string | null
}

const stateOf = (visit: TubVisit, now?: number) =>
  visitRecord([...visit.events, ...readKept(visit.visitId).events], now)

/** The other visits of a day: those under way with their timers, and who comes next by the plan. Kept for when there is no network. */
export function useStrip(date: () => string | undefined, now: Ref<Date>) {
  const day = shallowRef<TubDay>()

  async function look() {
    const of = date()
    if (!of) return
    const shelf = `juvant.tubday.${of}`
    try {
      day.value = await api<TubDay>('GET', `/days/${of}/tub`)
      localStorage.setItem(shelf, JSON.stringify(day.value))
    } catch {
      const known = localStorage.getItem(shelf)
      if (!day.value && known) day.value = JSON.parse(known) as TubDay
    }
  }
  useIntervalFn(look, LOOK_EVERY_MS)
  watch(date, look, { immediate: true })

  const beside = computed<Beside[]>(() =>
    (day.value?.visits ?? []).flatMap((v) => {
      const record = stateOf(v, now.value.getTime())
      if (record.began === undefined || record.ended !== undefined) return []
      const step = v.steps.find((s) => s.id === record.current)
      return [
        {
          visitId: v.visitId,
          name: v.name,
          colour: v.colour,
          step: step?.title ?? 'between steps',
          hands: step?.hands ?? true,
          rest: step ? step.minutes - (record.steps[step.id]?.minutes ?? 0) : 0,
          paused: record.paused,
        },
      ]
    }),
  )
  const next = computed<ComesNext | undefined>(() => {
    const begun = new Map((day.value?.visits ?? []).map((v) => [v.dogId, v]))
    for (const { dogId, name, at } of day.value?.seats ?? []) {
      const visit = begun.get(dogId)
      if (visit && stateOf(visit).began !== undefined) continue
      return { dogId, name, at, visitId: visit?.visitId ?? null }
    }
    return undefined
  })
  return { day, beside, next, look }
}
