import { ref } from 'vue'
import type { WhoAsks } from '@contract'
import { heardFromRoom } from '../device/lent'
import { useLock } from '../device/lock'
import { ask } from './client'

/** Who asks, as the server has it; undefined until it has answered. */
export const me = ref<WhoAsks>()

/** Whether this device looks on, and changes nothing. */
export const looksOn = (): boolean => me.value?.role === 'look'

/** Asks who this device is; where it isn't let in, the client says so by itself. */
export async function askMe(): Promise<void> {
  me.value = await ask('GET /me', {}).catch(() => undefined)
  if (!me.value) return
  if (!me.value.here) heardFromRoom(true)
  useLock().setMinutes(me.value.lock)
}
