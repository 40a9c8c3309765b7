import { TubEvent } from '../../../core/tubside'

/** The taps of a visit as this device keeps them, and which of them the server hasn't had. */
export interface Kept {
  events: TubEvent[]
  unsent: string[]
}

const shelf = (visitId: string) => `juvant.tub.${visitId}`
/** What was last read or written of each visit, with the text it stood in: most looks find nothing new. */
const seen = new Map<string, { text: string; kept: Kept }>()

/** What this device keeps of a visit; nothing when it is unreadable. */
export function readKept(visitId: string): Kept {
  const text = localStorage.getItem(shelf(visitId)) ?? ''
  const known = seen.get(visitId)
  if (known?.text === text) return known.kept
  let kept: Kept = { events: [], unsent: [] }
  try {
    const { events, unsent } = JSON.parse(text) as Kept
    kept = { events: events.map((e) => TubEvent.parse(e)), unsent }
  } catch {
    // nothing kept, or nothing that can be read: the server has what was sent
  }
  seen.set(visitId, { text, kept })
  return kept
}

/** Keeps a visit's taps on this device. */
export function writeKept(visitId: string, kept: Kept) {
  const text = JSON.stringify(kept)
  seen.set(visitId, { text, kept })
  localStorage.setItem(shelf(visitId), text)
}

/** Taps of both, once each; unsent is what either hasn't sent (sending twice is harmless). */
export function mergeKept(a: Kept, b: Kept): Kept {
  if (a === b) return a
  const events = [...new Map([...a.events, ...b.events].map((e) => [e.id, e])).values()]
  return { events, unsent: [...new Set([...a.unsent, ...b.unsent])] }
}

/** Minutes as a clock shows them, "4:07"; without a sign. */
export function minuteClock(minutes: number): string {
  const seconds = Math.max(0, Math.round(Math.abs(minutes) * 60))
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
