import { ref } from 'vue'
import { forgetDevice } from './device'

/** A device that was let in by a code holds what it kept for so long after it last heard from its room, ms. */
const HOLDS_MS = 7 * 86_400_000
/** When it last did; nothing on the machine that the program runs on. */
const HEARD = 'juvant.heard'
/** How often that is written down, ms. */
const NOTE_MS = 60_000
/** Answers that are kept for when there is no network (`offline/sw.ts`). */
const ANSWERS = 'answers'

/** Whether this device forgot what it kept because it hadn't heard from its room for too long. */
export const forgotten = ref(false)

function storage(): Storage | undefined {
  try {
    return globalThis.localStorage
  } catch {
    return undefined
  }
}
const lastHeard = () => Number(storage()?.getItem(HEARD) ?? 0)

/** Takes note that the room answered this device; `lent`: that it was let in by a code. */
export function heardFromRoom(lent = false, now = Date.now()): void {
  const last = lastHeard()
  forgotten.value = false
  if ((lent || last > 0) && Math.abs(now - last) > NOTE_MS) storage()?.setItem(HEARD, String(now))
}

/** Forgets all that a device that was let in keeps of its room: what was shown, and what waits to be sent. */
export async function forgetRoom(): Promise<void> {
  if (lastHeard() === 0) return
  const kept = storage()
  const own = Array.from({ length: kept?.length ?? 0 }, (_, i) => kept!.key(i)!)
  for (const key of own) if (key.startsWith('juvant.')) kept!.removeItem(key)
  await forgetDevice()
  await globalThis.caches?.delete(ANSWERS)
}

/** Forgets it where the room was last heard of too long ago: a device that is lost tells nothing from then on. */
export async function forgetIfLost(now = Date.now()): Promise<void> {
  const last = lastHeard()
  if (last === 0 || now - last < HOLDS_MS) return
  await forgetRoom()
  forgotten.value = true
}
