import { useDebounceFn, useTimeoutFn } from '@vueuse/core'
import { computed, shallowRef, watch, type Ref } from 'vue'
import type { TubDay, TubVisit } from '@contract'
import { HANDS_AWAY, visitRecord, type VisitRecord } from '@core/tubside'
import { ask, asProblem, type ApiProblem } from '../../api/client'
import { timeNow } from '../../device/clock'
import { isLive, onChange, onReconnected } from '../../api/live'
import { stepTitle } from '@words'
import { seen } from '../../device/device'
import { whoIsWhere } from '../../parts/whoIsWhere'
import { readKept, sendKept, withTap, writeKept } from '../../api/taps'

/** How long changes are gathered before the day is fetched again, ms. */
const GATHER_MS = 150
/** When what could not be sent is tried again, ms. */
const AGAIN_MS = 4000

/** One dog of the day beside the one in hand: what it is at, and minutes left of that. */
export interface Beside {
  visitId: string
  name: string
  colour: number | null
  step: string
  hands: boolean
  rest: number
  paused: boolean
  /** The hands are on it: its step needs them and its clock runs. */
  working: boolean
  /** Whose hands it is in; empty for those that usually work here. */
  by: string
  /** Since when it is at its step, ms. */
  since: number
  /** It stands because the hands went to another dog. */
  handsAway: boolean
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

/** The step a visit is at, also one that was added on the way. */
function stepOf({ steps }: TubVisit, { current, added }: VisitRecord): TubVisit['steps'][number] | undefined {
  const extra = added.find((a) => a.id === current)
  return extra ? { ...extra, kind: 'own', name: extra.title, hands: true } : steps.find((s) => s.id === current)
}

/** The other visits of a day: those under way with their timers, and who comes next by the plan. Kept for when there is no network. */
export function useStrip(
  date: () => string | undefined,
  now: Ref<Date>,
  inHand: () => string | undefined = () => undefined,
  /** Whose hands work at this device; empty for those that usually do. */
  hands: () => string = () => '',
) {
  const day = shallowRef<TubDay>()
  /** Why there is no day to show, neither from the server nor from this device. */
  const problem = shallowRef<ApiProblem>()

  async function look() {
    const of = date()
    if (!of) return
    const shelf = `juvant.strip.${of}`
    try {
      day.value = await ask('GET /days/{date}/tub', { params: { date: of } })
      problem.value = undefined
      void seen.write(shelf, JSON.stringify(day.value))
    } catch (error) {
      const known = await seen.read(shelf)
      if (!day.value && known) day.value = JSON.parse(known) as TubDay
      problem.value = day.value ? undefined : asProblem(error)
    }
    if (taken !== undefined && beside.value.find((b) => b.visitId === inHand())?.working) hold(taken)
    for (const { visitId } of day.value?.visits ?? [])
      if (visitId !== inHand()) await sendKept(visitId).catch(() => again.start())
  }
  const again = useTimeoutFn(() => void look(), AGAIN_MS, { immediate: false })
  const lookSoon = useDebounceFn(look, GATHER_MS)
  const LOOKS = new Set(['taps', 'visits', 'days', 'dogs'])
  onChange(({ what, date: of, id, taps }) => {
    if (!LOOKS.has(what) || (of !== undefined && of !== date())) return
    const known = new Set(what === 'taps' && id ? readKept(id).events.map((e) => e.id) : [])
    if (!taps?.every((t) => known.has(t))) void lookSoon()
  })
  onReconnected(() => void look())
  watch(date, look, { immediate: true })

  const beside = computed<Beside[]>(() =>
    (day.value?.visits ?? []).flatMap((v) => {
      const record = stateOf(v, now.value.getTime())
      if (record.began === undefined || record.ended !== undefined) return []
      const step = stepOf(v, record)
      return [
        {
          visitId: v.visitId,
          name: v.name,
          colour: v.colour,
          step: step ? stepTitle(step) : 'between steps',
          hands: step?.hands ?? true,
          rest: step ? step.minutes - (record.steps[step.id]?.minutes ?? 0) : 0,
          paused: record.paused,
          handsAway: record.handsAway,
          working: step?.hands === true && !record.paused,
          by: record.by,
          since: (step && record.steps[step.id]?.from) ?? record.began,
        },
      ]
    }),
  )

  /** Every stretch of sound that was measured on the day in these hands' ears, of all its dogs: dBA, minutes. */
  const noise = computed(() =>
    (day.value?.visits ?? []).flatMap((v) => stateOf(v).noise.filter((n) => (n.by ?? '') === hands())),
  )

  /** Taps that were kept since the last tick count at once. */
  function readAgain() {
    day.value = day.value && { ...day.value }
  }
  /** Pairs of hands that are there now: the groomer's, and the helper's while there is one. */
  function pairsOfHands(): number {
    const helper = day.value?.helper
    const minute = now.value.getHours() * 60 + now.value.getMinutes()
    return helper && helper.from <= minute && minute < helper.to ? 2 : 1
  }
  /**
   * There are only so many hands: when a dog is taken up, one that the same hands had, the longest first, stands still, and its
   * minutes with it. What is known of the others may be old, or not there yet: whenever they are looked at, those that
   * had the hands before are held.
   */
  function holdOthers() {
    taken = timeNow()
    hold()
    // told of as they happen, the others are as they are known
    if (!isLive.value || !day.value) void look()
  }
  /** When the dog in hand was taken up. */
  let taken: number | undefined
  function hold(before = Infinity) {
    readAgain()
    const mine = hands()
    const held = beside.value
      .filter((b) => b.working && b.visitId !== inHand() && b.since <= before)
      .sort((a, b) => Number(b.by === mine) - Number(a.by === mine) || a.since - b.since)
    for (const { visitId } of held.slice(0, Math.max(0, held.length + 1 - pairsOfHands()))) {
      writeKept(visitId, withTap(readKept(visitId), { kind: 'pause', why: HANDS_AWAY }))
      void sendKept(visitId).catch(() => again.start())
    }
    readAgain()
  }

  const next = computed<ComesNext | undefined>(() => {
    const begun = new Map((day.value?.visits ?? []).map((v) => [v.dogId, v]))
    for (const { dogId, name, at } of day.value?.seats ?? []) {
      const visit = begun.get(dogId)
      if (visit && stateOf(visit, now.value.getTime()).began !== undefined) continue
      return { dogId, name, at, visitId: visit?.visitId ?? null }
    }
    return undefined
  })
  /** Dogs that are here and wait, or are ready to be fetched. */
  const waiting = computed(() =>
    day.value
      ? whoIsWhere(day.value, now.value.getTime()).filter(
          (d) =>
            d.dogId !== next.value?.dogId &&
            (d.state === 'ready' || (d.state === 'here' && d.record?.began === undefined)) &&
            d.visitId !== inHand(),
        )
      : [],
  )
  return { day, problem, beside, next, waiting, noise, look, holdOthers }
}
