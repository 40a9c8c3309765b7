import { useEventListener, useIntervalFn } from '@vueuse/core'
import { ref } from 'vue'

/** What waits on this device until the server can be reached, and is sent then by itself. */
export interface Waiting {
  taps: number
  days: number
}

/** Reads what waits from what is kept on this device: unsent taps of visits, and days whose change isn't kept yet. */
export function waitingIn(storage: Pick<Storage, 'length' | 'key' | 'getItem'>): Waiting {
  const waiting = { taps: 0, days: 0 }
  for (let i = 0; i < storage.length; i++) {
    const key = storage.key(i) ?? ''
    if (/^juvant\.day\.\d/.test(key)) waiting.days++
    if (!key.startsWith('juvant.tub.')) continue
    try {
      const { unsent } = JSON.parse(storage.getItem(key) ?? '') as { unsent?: unknown[] }
      waiting.taps += Array.isArray(unsent) ? unsent.length : 0
    } catch {
      // another record of the tub, or one that can't be read: nothing of it waits
    }
  }
  return waiting
}

const LOOK_MS = 2000

/** What waits now; looked at again while it is shown. */
export function useWaiting() {
  const waiting = ref(waitingIn(localStorage))
  const look = () => (waiting.value = waitingIn(localStorage))
  useIntervalFn(look, LOOK_MS)
  useEventListener(window, 'storage', look)
  return waiting
}
