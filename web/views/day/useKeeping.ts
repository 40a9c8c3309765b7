import { useDebounceFn, useEventListener, useIntervalFn } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef } from 'vue'
import type { StoredDay } from '@contract'
import { sameData } from '@core/same'
import type { WashDay } from '@core/washday'
import { ApiProblem, asProblem } from '../../api/client'
import { dayDraftKey, days, readDayDraft } from '../../api/days'
import { device } from '../../device/device'
import { holdOutbox } from '../../device/outbox'

const SAVE_AFTER_MS = 350
const RETRY_MS = 5000

const CHANGED = new ApiProblem(
  409,
  'Changed meanwhile',
  'This day was changed elsewhere while yours was not kept yet. Both are still there: choose.',
)

/**
 * Keeps a day: on this device at once, on the server a moment later, and again when it could not be reached.
 * What another window changed meanwhile is never overwritten and never overwrites: both stand until one is
 * chosen.
 */
export function useKeeping() {
  const stored = shallowRef<StoredDay>()
  const day = shallowRef<WashDay>()
  const problem = ref<ApiProblem>()
  const newer = shallowRef<StoredDay>()
  let unsaved = false

  const forget = (date: string) => device.drop(dayDraftKey(date))

  /** Sends what isn't kept yet; called again by itself while changes go on. */
  async function send() {
    const record = day.value
    const base = stored.value
    if (!record || !base || !unsaved || newer.value) return
    try {
      const kept = await days.keep(base.version, record)
      problem.value = undefined
      if (stored.value === base) stored.value = { ...kept, kept: base.kept }
      if (day.value !== record) return
      unsaved = false
      forget(record.date)
    } catch (error) {
      const failed = asProblem(error)
      if (failed.status === 409) newer.value = (failed.body as { current?: StoredDay }).current
      problem.value = failed
    }
  }
  /** One at a time: a change made while one is on its way goes after it. */
  let line: Promise<void> = Promise.resolve()
  const flush = () => (line = line.then(send))
  const soon = useDebounceFn(flush, SAVE_AFTER_MS)
  const retry = () => {
    if (unsaved && problem.value && problem.value.status !== 409 && problem.value.status !== 422) void flush()
  }
  useEventListener(window, 'online', retry)
  useIntervalFn(retry, RETRY_MS)
  let letGo = () => {}
  onScopeDispose(() => void flush().then(() => letGo()))

  return {
    stored,
    day,
    problem,
    newer,
    flush,
    /** Lets go of a day that another one is opened after: sends what isn't kept yet, and shows and changes it no more. */
    async leave() {
      await flush()
      letGo()
      letGo = () => {}
      stored.value = undefined
      day.value = undefined
      newer.value = undefined
      problem.value = undefined
      unsaved = false
    },
    /** Takes a day up as the server has it, or as it was left on this device. */
    begin(found: StoredDay) {
      const { date } = found.record
      const letGoBefore = letGo
      letGo = holdOutbox(dayDraftKey(date), () => unsaved)
      letGoBefore()
      const draft = readDayDraft(date)
      const same = draft && sameData(draft.record, found.record)
      if (same) forget(date)
      const own = same ? undefined : draft
      const stale = own !== undefined && own.version !== found.version
      stored.value = own ? { ...found, version: own.version } : found
      day.value = own?.record ?? found.record
      newer.value = stale ? found : undefined
      problem.value = stale ? CHANGED : undefined
      unsaved = own !== undefined
      if (unsaved) void flush()
    },
    /**
     * What another window or device kept: taken up when nothing waits to be kept here (answers true then), else both
     * stand until one is chosen.
     */
    async catchUp(): Promise<boolean> {
      let taken = false
      line = line.then(async () => {
        const of = stored.value
        if (!of || newer.value) return
        // what can't be reached now is asked again when the connection is back
        const found = await days.get(of.record.date).catch(() => undefined)
        if (!found || stored.value !== of) return
        if (found.version <= of.version) stored.value = { ...of, kept: found.kept }
        else if (unsaved) {
          newer.value = found
          problem.value = CHANGED
        } else {
          stored.value = found
          day.value = found.record
          taken = true
        }
      })
      await line
      return taken
    },
    put(record: WashDay) {
      day.value = record
      unsaved = true
      device.write(dayDraftKey(record.date), JSON.stringify({ version: stored.value?.version ?? 0, record }))
      void soon()
    },
    /** After a conflict: this window's day goes over the other. */
    keepMine() {
      if (!newer.value || !stored.value) return
      stored.value = { ...stored.value, version: newer.value.version }
      newer.value = undefined
      problem.value = undefined
      unsaved = true
      void flush()
    },
    /** After a conflict: the other's day is taken, this window's is dropped. */
    takeTheirs() {
      if (!newer.value) return
      forget(newer.value.record.date)
      unsaved = false
      problem.value = undefined
      stored.value = newer.value
      day.value = newer.value.record
      newer.value = undefined
    },
  }
}
