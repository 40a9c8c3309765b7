import { createEventHook, useNow } from '@vueuse/core'
import { computed, ref, type ComputedRef } from 'vue'

const OFFSET = 'juvant.clock'
/** A difference of the clocks below this isn't told from the time that an answer takes, ms. */
const LEAST_MS = 1500
/** A device that is further off has the wrong date: everything it shows is of another day, and stays so, ms. */
const MOST_MS = 12 * 3_600_000

/** Where the difference is remembered; a browser that keeps nothing learns it anew. */
function storage(): Storage | undefined {
  try {
    return globalThis.localStorage
  } catch {
    return undefined
  }
}
const known = Number(storage()?.getItem(OFFSET))
/** How far the server's clock is ahead of this device's, ms. */
const ahead = ref(Number.isFinite(known) ? known : 0)
/** By how much this device's clock is so far off that its date is wrong, ms; 0 while it isn't. */
export const clockWrong = ref(0)
const shifts = createEventHook<number>()

/** Called with by how much, ms, when this device learns that its clock is another than it thought. */
export const onClockShift = shifts.on

/** Now by the server's clock, ms since 1970, so that the taps of all devices have one order; by this device's own until it has heard from the server. */
export const timeNow = (): number => Date.now() + ahead.value

/**
 * Takes note of the server's clock: the moment of its answer to something that was asked and heard at moments of this
 * device's clock. The time on the way can't be told from a difference.
 */
export function hearClock(server: number, asked: number, heard = Date.now()): void {
  const measured = server - (asked + heard) / 2
  const unsure = Math.max(LEAST_MS, (heard - asked) / 2)
  if (Number.isFinite(measured)) clockWrong.value = Math.abs(measured) > MOST_MS ? Math.round(measured) : 0
  const now = Math.abs(measured) <= unsure || Math.abs(measured) > MOST_MS ? 0 : Math.round(measured)
  if (!Number.isFinite(measured) || Math.abs(now - ahead.value) <= unsure) return
  const shift = now - ahead.value
  ahead.value = now
  storage()?.setItem(OFFSET, String(now))
  void shifts.trigger(shift)
}

/** The same as a moment that goes on, looked at so often. */
export function useTimeNow(interval: number): ComputedRef<Date> {
  const own = useNow({ interval })
  return computed(() => new Date(own.value.getTime() + ahead.value))
}
