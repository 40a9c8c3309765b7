import { useEventListener, useLocalStorage, useTimeoutFn } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, type MaybeRefOrGetter, toValue, watch } from 'vue'
import type { StoredVisit } from '@contract'
import { notYet, standing, stepsNow, visitRecord, waitTimers } from '@core/tubside'
import { looksOn } from '../../api/access'
import { ApiProblem, ask, asProblem } from '../../api/client'
import { onChange, onReconnected } from '../../api/live'
import {
  afterSending,
  mergeKept,
  readKept,
  sendKept,
  tapsKey,
  withTap,
  writeKept,
  type Kept,
  type Tap,
} from '../../api/taps'
import { useTimeNow } from '../../device/clock'
import { onDevice, seen } from '../../device/device'
import { holdOutbox } from '../../device/outbox'

/** When what could not be sent is tried again, ms. */
const AGAIN_MS = 4000
const OVER = new Set(['done', 'skipped'])

/** Taps that are work on the dog: they take it up again when the hands were on another one. */
const WORK = new Set<Tap['kind']>(['lathered', 'rinsed', 'fingers', 'ear', 'towel', 'damp', 'dry', 'plug'])
/** Taps that Undo passes over. */
const ASIDE = new Set<Tap['kind']>(['undo', 'noise', 'arrived', 'gone'])
/** Taps that take a dog in hand. */
const TAKES = new Set<Tap['kind']>(['step', 'resume'])

/**
 * One visit at the tub: every tap is an event, kept on this device at once and sent when the server can be
 * reached; what other devices tapped comes in the same way. Nothing is lost when the page closes. `inHand` is
 * called when a tap begins or takes up a step that needs the hands.
 */
export function useTub(visitId: MaybeRefOrGetter<string>, inHand?: () => void) {
  const id = computed(() => toValue(visitId))
  const visit = shallowRef<StoredVisit>()
  const problem = ref<ApiProblem>()
  /** Why what is tapped waits on this device: no network, or a server in trouble; empty where it doesn’t. */
  const away = ref<'' | 'network' | 'server'>('')
  const kept = shallowRef<Kept>({ events: [], unsent: [] })
  const now = useTimeNow(1000)
  /** Whose hands work at this device; empty for those that usually do. */
  const hands = useLocalStorage('juvant.tub.hands', '')

  const put = (of: string, next: Kept) => {
    if (of === id.value) kept.value = next
    writeKept(of, next)
  }
  /** What this window and others of this device keep of a visit. */
  const mine = (of: string) => (of === id.value ? mergeKept(kept.value, readKept(of)) : readKept(of))

  let line: Promise<void> = Promise.resolve()
  /** One at a time: a tap made while another is on its way goes after it. */
  const inLine = (work: (of: string) => Promise<void>) =>
    (line = line.then(async () => {
      try {
        await work(id.value)
        away.value = ''
      } catch (error) {
        const failed = asProblem(error)
        // a full disk is told of as it is
        const inTrouble = failed.status >= 500 && failed.status !== 507
        away.value = failed.status === 0 ? 'network' : inTrouble ? 'server' : ''
        if (away.value === '') problem.value = failed
        else again.start()
      }
    }))
  /** Sends what the server hasn't had: one request with the taps alone. */
  const send = () =>
    inLine(async (of) => {
      const sent = await sendKept(of, mine(of))
      if (sent.size > 0) put(of, afterSending(mine(of), sent))
    })
  /** Sends, and fetches what other devices tapped. */
  const sync = () =>
    inLine(async (of) => {
      const sent = await sendKept(of, mine(of))
      if (sent.size > 0) put(of, afterSending(mine(of), sent))
      const { events } = await ask('GET /visits/{id}/events', { params: { id: of } })
      const all = mergeKept(mine(of), { events, unsent: [] })
      if (all.events.length !== kept.value.events.length || of !== id.value) put(of, all)
    })
  const again = useTimeoutFn(() => void sync(), AGAIN_MS, { immediate: false })

  async function open() {
    problem.value = undefined
    const of = id.value
    const shelf = `juvant.recipe.${of}`
    kept.value = readKept(of)
    if (visit.value?.id !== of) visit.value = undefined
    try {
      const found = await ask('GET /visits/{id}', { params: { id: of } })
      if (of === id.value) visit.value = found
      void seen.write(shelf, JSON.stringify(found))
    } catch (error) {
      const known = await seen.read(shelf)
      if (asProblem(error).status === 0 && known) visit.value = JSON.parse(known) as StoredVisit
      else problem.value = asProblem(error)
    }
    await sync()
  }

  /** Answers the tap's id, which is a finding's too. `as`: whose hands do it, when they aren't this device's. */
  function tap(what: Tap, as = hands.value): string {
    if (looksOn()) {
      problem.value = new ApiProblem(
        403,
        'Looking on',
        'This device looks on, and changes nothing. Do it on another one.',
      )
      return ''
    }
    if (record.value.handsAway && WORK.has(what.kind)) tap({ kind: 'resume' })
    const named = what.kind === 'step' || what.kind === 'noise'
    const by = named && as !== '' ? { by: as } : {}
    const next = withTap(kept.value, { ...what, ...by })
    put(id.value, next)
    if (TAKES.has(what.kind) && step.value?.hands) inHand?.()
    void send()
    return next.events.at(-1)!.id
  }
  /** Takes the last standing tap back. */
  function undo() {
    const undone = new Set(kept.value.events.flatMap((e) => (e.kind === 'undo' ? [e.event] : [])))
    const last = [...kept.value.events]
      .sort((a, b) => a.at - b.at)
      .findLast((e) => !ASIDE.has(e.kind) && !undone.has(e.id))
    if (last) tap({ kind: 'undo', event: last.id })
  }

  /** Whoever takes over at this device; empty: who usually works. */
  function handTo(name: string) {
    const mine = record.value.current !== undefined && record.value.by === hands.value && !record.value.paused
    hands.value = name
    if (mine) giveTo(name)
  }

  /** Hands this dog over: its step goes on in other hands, on whatever device; this one keeps its own. */
  function giveTo(name: string) {
    const { current } = record.value
    if (current !== undefined) tap({ kind: 'step', step: current }, name)
  }

  /** Takes the end of the visit back, whatever was said since. */
  function reopen() {
    const end = standing(kept.value.events).findLast((e) => e.kind === 'finish')
    if (end) tap({ kind: 'undo', event: end.id })
  }

  useEventListener(window, 'online', sync)
  useEventListener(window, 'offline', () => (away.value = 'network'))
  onReconnected(() => void sync())
  onChange(({ what, id: of, taps }) => {
    if (what !== 'taps' || of !== id.value) return
    const known = new Set(kept.value.events.map((e) => e.id))
    if (!taps?.every((t) => known.has(t))) void sync()
  })
  /** Another window of this device tapped. */
  onDevice((key) => {
    if (key === tapsKey(id.value)) kept.value = mine(id.value)
  })
  let letGo = () => {}
  watch(
    id,
    () => {
      const letGoBefore = letGo
      letGo = holdOutbox(tapsKey(id.value))
      letGoBefore()
      void open()
    },
    { immediate: true },
  )
  onScopeDispose(() => letGo())

  const record = computed(() => visitRecord(kept.value.events, now.value.getTime()))
  const steps = computed(() => (visit.value ? stepsNow(record.value, visit.value.plan) : []))
  const isOver = (stepId: string) => OVER.has(record.value.steps[stepId]?.state ?? '')
  const index = computed(() => {
    const current = steps.value.findIndex((s) => s.id === record.value.current)
    return current >= 0 ? current : steps.value.findIndex((s) => !isOver(s.id))
  })
  const step = computed(() => steps.value[index.value])
  const next = computed(() =>
    steps.value.slice(index.value + 1).find((s) => record.value.steps[s.id]?.state !== 'skipped'),
  )
  const timers = computed(() =>
    step.value && visit.value ? waitTimers(record.value, visit.value.plan, step.value) : [],
  )
  /** Minutes that are left of the step; a wait counts from the last zone lathered, the longest of those side by side. */
  const rest = computed(() => {
    if (!step.value) return 0
    if (timers.value.length > 0) return (Math.max(...timers.value.map((t) => t.until)) - now.value.getTime()) / 60_000
    return step.value.minutes.value - (record.value.steps[step.value.id]?.minutes ?? 0)
  })
  return {
    visit,
    problem,
    away,
    record,
    events: computed(() => kept.value.events),
    now,
    steps,
    index,
    step,
    next,
    timers,
    rest,
    started: computed(() => record.value.began !== undefined),
    ended: computed(() => record.value.ended !== undefined),
    waiting: computed(() => kept.value.unsent.length),
    /** Taps that the server doesn't take, and why. */
    refused: computed(() => kept.value.refused ?? []),
    left: computed(() => (visit.value ? notYet(record.value, visit.value.plan) : [])),
    hands,
    handTo,
    giveTo,
    open,
    tap,
    undo,
    reopen,
  }
}

/** A visit at the tub, as the parts of its screen share it. */
export type Tub = ReturnType<typeof useTub>
