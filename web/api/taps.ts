import { v4 as uuid } from 'uuid'
import { TubEvent } from '@core/tubside'
import { device } from '../device/device'
import { addSender } from '../device/outbox'
import { ask } from './client'

/** What a tap says, before it has an id, a time and a device. */
export type Tap = TubEvent extends infer E ? (E extends TubEvent ? Omit<E, 'id' | 'at' | 'device'> : never) : never

/** The taps of a visit as this device keeps them, and which of them the server hasn't had. */
export interface Kept {
  events: TubEvent[]
  unsent: string[]
}

const TAPS = 'juvant.tub.'
/** The key of a visit's taps on this device. */
export const tapsKey = (visitId: string) => TAPS + visitId
/** What was last read or written of each visit, with the text it stood in: most looks find nothing new. */
const seen = new Map<string, { text: string; kept: Kept }>()

/** What this device keeps of a visit; nothing when it is unreadable. */
export function readKept(visitId: string): Kept {
  const text = device.read(tapsKey(visitId)) ?? ''
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
  device.write(tapsKey(visitId), text)
}

/** Taps of both, once each; unsent is what either hasn't sent (sending twice is harmless). */
export function mergeKept(a: Kept, b: Kept): Kept {
  if (a === b) return a
  const events = [...new Map([...a.events, ...b.events].map((e) => [e.id, e])).values()]
  return { events, unsent: [...new Set([...a.unsent, ...b.unsent])] }
}

/** This device's name in events: made once. */
function deviceName(): string {
  const known = localStorage.getItem('juvant.device')
  if (known) return known
  const made = `device ${uuid().slice(0, 6)}`
  localStorage.setItem('juvant.device', made)
  return made
}

/**
 * A visit's taps with one more, made now and still to be sent. A device's taps follow each other by at least a
 * millisecond, since their times tell their order.
 */
export function withTap({ events, unsent }: Kept, what: Tap): Kept {
  const device = deviceName()
  const last = events.reduce((latest, e) => (e.device === device ? Math.max(latest, e.at) : latest), 0)
  const event = TubEvent.parse({ ...what, id: uuid(), at: Math.max(Date.now(), last + 1), device })
  return { events: [...events, event], unsent: [...unsent, event.id] }
}

/** A visit's taps when some have reached the server. */
export function afterSending(kept: Kept, sent: ReadonlySet<string>): Kept {
  return { ...kept, unsent: kept.unsent.filter((id) => !sent.has(id)) }
}

const MOST_SENT = 500
const NONE: ReadonlySet<string> = new Set()

/** Sends what the server hasn't had of a visit and returns the ids that it took; throws when it can't be reached. */
export async function sendKept(visitId: string, kept = readKept(visitId)): Promise<ReadonlySet<string>> {
  const waiting = kept.events.filter((e) => kept.unsent.includes(e.id)).slice(0, MOST_SENT)
  if (waiting.length === 0) return NONE
  await ask('POST /visits/{id}/events', { params: { id: visitId }, body: { events: waiting } })
  const sent = new Set(waiting.map((e) => e.id))
  writeKept(visitId, afterSending(readKept(visitId), sent))
  return sent
}

const OLD_MS = 14 * 86_400_000

/** Taps that the server has had for two weeks needn't be kept here too. */
export function forgetOldTaps(now = Date.now()): void {
  for (const { key, at } of device.all(TAPS))
    if (now - at > OLD_MS && readKept(key.slice(TAPS.length)).unsent.length === 0) device.drop(key)
}

addSender({
  prefix: TAPS,
  of: 'taps',
  count(text) {
    try {
      const { unsent } = JSON.parse(text) as Partial<Kept>
      return unsent?.length ?? 0
    } catch {
      return 0
    }
  },
  send: async (key) => void (await sendKept(key.slice(TAPS.length))),
})
