import { computed } from 'vue'
import { sayIn, type Say } from '@words'
import { deviceUnits } from './deviceUnits'
import { useRoom } from './stores/room'

/**
 * How the house says its amounts, times and statements: in its units and by its clock, and anew when those
 * change. Read its functions where they are used, so that a template follows.
 */
export function useSay(): Say {
  const room = useRoom()
  const now = computed(() => sayIn(room.house?.units ?? deviceUnits()))
  return new Proxy({} as Say, { get: (_, key: keyof Say) => now.value[key] })
}
