import { createSharedComposable, useEventListener, useIntervalFn, useLocalStorage } from '@vueuse/core'
import { readonly, ref, watch, type Ref } from 'vue'

/** After how many minutes without a touch this device asks for its digits, 0: never; and when it was last touched, ms. */
const MINUTES = 'juvant.lock'
const TOUCHED = 'juvant.touched'
/** How often it is looked whether it lies untouched, ms. */
const LOOKS_MS = 5000

/** How many screens show a dog under way: hands in the water touch nothing. */
const busy = ref(0)

/** Whether a device has lain untouched for so many minutes; a clock set back doesn't unlock it. */
export const isUntouched = (touched: number, minutes: number, now: number): boolean =>
  minutes > 0 && Math.abs(now - touched) > minutes * 60_000

/** The lock of a shared device: whether it asks for its digits now, and what unlocks it. One for all windows of the device. */
export const useLock = createSharedComposable(() => {
  const minutes = useLocalStorage(MINUTES, 0)
  const touched = useLocalStorage(TOUCHED, 0)
  const locked = ref(isUntouched(touched.value, minutes.value, Date.now()))
  const touch = () => {
    if (!locked.value && minutes.value > 0) touched.value = Date.now()
  }
  const look = () => {
    if (busy.value > 0) touch()
    locked.value = isUntouched(touched.value, minutes.value, Date.now())
  }
  useEventListener(['pointerdown', 'keydown'], touch, { capture: true, passive: true })
  useEventListener(document, 'visibilitychange', look)
  useIntervalFn(look, LOOKS_MS)
  watch([touched, minutes], look)

  return {
    locked: readonly(locked),
    /** Takes over what the room says of this device; one that asks from now on begins as just touched. */
    setMinutes(now: number | null) {
      if (minutes.value === 0) touched.value = Date.now()
      minutes.value = now ?? 0
      look()
    },
    /** Its digits were right. */
    unlock() {
      touched.value = Date.now()
      look()
    },
  }
})

/** Holds the lock open while a screen shows a dog under way. */
export function holdUnlocked(underWay: Ref<boolean>): void {
  watch(
    underWay,
    (now, _before, stop) => {
      if (now) busy.value++
      stop(() => now && busy.value--)
    },
    { immediate: true },
  )
}
