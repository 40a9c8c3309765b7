import { useEventListener, useIntervalFn, useNow } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import type { EventList, EventReceipt, StoredVisit } from '../../../contract'
import { notYet, TubEvent, visitRecord } from '../../../core/tubside'
import { api, asProblem, type ApiProblem } from '../../api'

type Tap = TubEvent extends infer E ? (E extends TubEvent ? Omit<E, 'id' | 'at' | 'device'> : never) : never

const SEND_EVERY_MS = 4000

interface Kept {
  events: TubEvent[]
  unsent: string[]
}

function readKept(key: string): Kept {
  try {
    const { events, unsent } = JSON.parse(localStorage.getItem(key) ?? '') as Kept
    return { events: events.map((e) => TubEvent.parse(e)), unsent }
  } catch {
    return { events: [], unsent: [] }
  }
}

/** This device's name in events: made once. */
function deviceName(): string {
  const known = localStorage.getItem('juvant.device')
  if (known) return known
  const made = `device ${crypto.randomUUID().slice(0, 6)}`
  localStorage.setItem('juvant.device', made)
  return made
}

/**
 * One visit at the tub: every tap is an event, kept on this device at once and sent when the server can be
 * reached; what other devices tapped comes in the same way. Nothing is lost when the page closes.
 */
export function useTub(visitId: string) {
  const key = `juvant.tub.${visitId}`
  const visit = shallowRef<StoredVisit>()
  const problem = ref<ApiProblem>()
  const offline = ref(false)
  const kept = shallowRef<Kept>(readKept(key))
  const now = useNow({ interval: 1000 })

  const put = (next: Kept) => {
    kept.value = next
    localStorage.setItem(key, JSON.stringify(next))
  }
  const union = (own: readonly TubEvent[], theirs: readonly TubEvent[]) => [
    ...new Map([...own, ...theirs].map((e) => [e.id, e])).values(),
  ]

  let sending = false
  async function sync() {
    if (sending) return
    sending = true
    try {
      const waiting = kept.value.events.filter((e) => kept.value.unsent.includes(e.id)).slice(0, 500)
      if (waiting.length > 0) {
        await api<EventReceipt>('POST', `/visits/${visitId}/events`, { events: waiting })
        const sent = new Set(waiting.map((e) => e.id))
        put({ ...kept.value, unsent: kept.value.unsent.filter((id) => !sent.has(id)) })
      }
      const { events } = await api<EventList>('GET', `/visits/${visitId}/events`)
      put({ ...kept.value, events: union(kept.value.events, events) })
      offline.value = false
    } catch (error) {
      offline.value = asProblem(error).status === 0
      if (!offline.value) problem.value = asProblem(error)
    } finally {
      sending = false
    }
  }

  async function open() {
    problem.value = undefined
    const shelf = `juvant.visit.${visitId}`
    try {
      visit.value = await api<StoredVisit>('GET', `/visits/${visitId}`)
      localStorage.setItem(shelf, JSON.stringify(visit.value))
    } catch (error) {
      const known = localStorage.getItem(shelf)
      if (asProblem(error).status === 0 && known) visit.value = JSON.parse(known) as StoredVisit
      else problem.value = asProblem(error)
    }
    await sync()
  }

  function tap(what: Tap) {
    const event = TubEvent.parse({ ...what, id: crypto.randomUUID(), at: Date.now(), device: deviceName() })
    put({ events: [...kept.value.events, event], unsent: [...kept.value.unsent, event.id] })
    void sync()
  }
  /** Takes the last standing tap back. */
  function undo() {
    const undone = new Set(kept.value.events.flatMap((e) => (e.kind === 'undo' ? [e.event] : [])))
    const last = [...kept.value.events]
      .sort((a, b) => a.at - b.at)
      .findLast((e) => e.kind !== 'undo' && !undone.has(e.id))
    if (last) tap({ kind: 'undo', event: last.id })
  }

  useIntervalFn(sync, SEND_EVERY_MS)
  useEventListener(window, 'online', sync)
  void open()

  const record = computed(() => visitRecord(kept.value.events, now.value.getTime()))
  return {
    visit,
    problem,
    offline,
    record,
    now,
    waiting: computed(() => kept.value.unsent.length),
    left: computed(() => notYet(record.value, visit.value?.plan.go ?? false)),
    open,
    tap,
    undo,
  }
}
