import { TubEvent } from '../../../core/tubside'

/** The taps of a visit as this device keeps them, and which of them the server hasn't had. */
export interface Kept {
  events: TubEvent[]
  unsent: string[]
}

/** What this device keeps of a visit; nothing when it is unreadable. */
export function readKept(visitId: string): Kept {
  try {
    const { events, unsent } = JSON.parse(localStorage.getItem(`juvant.tub.${visitId}`) ?? '') as Kept
    return { events: events.map((e) => TubEvent.parse(e)), unsent }
  } catch {
    return { events: [], unsent: [] }
  }
}

/** Minutes as a clock shows them, "4:07"; without a sign. */
export function minuteClock(minutes: number): string {
  const seconds = Math.max(0, Math.round(Math.abs(minutes) * 60))
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
