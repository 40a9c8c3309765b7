import { v4 as uuid } from 'uuid'
import { TubEvent } from '@core/tubside'
import { onClockShift, timeNow } from '../device/clock'
import { device, mergeUnder } from '../device/device'
import { addSender, leaveToOutbox } from '../device/outbox'
import { ask, asProblem } from './client'

/** What a tap says, before it has an id, a time and a device. */
export type Tap = TubEvent extends infer E ? (E extends TubEvent ? Omit<E, 'id' | 'at' | 'device'> : never) : never

/** The taps of a visit as this device keeps them, which of them the server hasn't had, and which it doesn't take, and why. */
export interface Kept {
  events: TubEvent[]
  unsent: string[]
  refused?: { id: string; why: string }[]
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
    const { events, unsent, refused } = JSON.parse(text) as Kept
    kept = { events: events.map((e) => TubEvent.parse(e)), unsent, ...(refused && { refused }) }
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

/**
 * Taps of both, once each, in their order; unsent is what each that knows it hasn't sent. What `b` says of a tap that both
 * know is taken.
 */
export function mergeKept(a: Kept, b: Kept): Kept {
  if (a === b) return a
  const events = [...new Map([...a.events, ...b.events].map((e) => [e.id, e])).values()]
  events.sort((x, y) => x.at - y.at || (x.id < y.id ? -1 : 1))
  const open = (of: Kept) => ({ known: new Set(of.events.map((e) => e.id)), unsent: new Set(of.unsent) })
  const [one, other] = [open(a), open(b)]
  const waits = ({ known, unsent }: typeof one, id: string) => !known.has(id) || unsent.has(id)
  const unsent = events.map((e) => e.id).filter((id) => waits(one, id) && waits(other, id))
  const refused = [...new Map([...(a.refused ?? []), ...(b.refused ?? [])].map((r) => [r.id, r])).values()]
  return { events, unsent, ...(refused.length > 0 && { refused }) }
}

mergeUnder(TAPS, (here, there) => {
  const [a, b] = [here, there].map((text) => JSON.parse(text) as Kept)
  return JSON.stringify(mergeKept(a!, b!))
})

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
  const event = TubEvent.parse({ ...what, id: uuid(), at: Math.max(timeNow(), last + 1), device })
  return { events: [...events, event], unsent: [...unsent, event.id] }
}

/** A visit's taps when some have reached the server. */
export function afterSending(kept: Kept, sent: ReadonlySet<string>): Kept {
  return { ...kept, unsent: kept.unsent.filter((id) => !sent.has(id)) }
}

const MOST_SENT = 500
const NONE: ReadonlySet<string> = new Set()

/** What can be put right by sending less: something in it that the server doesn't take. */
const NOT_TAKEN = [400, 413, 422]

/** Sends taps; one that the server doesn't take is set aside, with its words, and doesn't hold the rest. */
async function sendTaps(visitId: string, events: TubEvent[]): Promise<NonNullable<Kept['refused']>> {
  try {
    await ask('POST /visits/{id}/events', { params: { id: visitId }, body: { events, sentAt: timeNow() } })
    return []
  } catch (error) {
    const { status, detail } = asProblem(error)
    if (!NOT_TAKEN.includes(status)) throw error
    if (events.length === 1) return [{ id: events[0]!.id, why: detail }]
    const half = Math.ceil(events.length / 2)
    const first = await sendTaps(visitId, events.slice(0, half))
    return [...first, ...(await sendTaps(visitId, events.slice(half)))]
  }
}

/** Sends what the server hasn't had of a visit and returns the ids that are done with; throws when it can't be reached. */
export async function sendKept(visitId: string, kept = readKept(visitId)): Promise<ReadonlySet<string>> {
  const waiting = kept.events.filter((e) => kept.unsent.includes(e.id)).slice(0, MOST_SENT)
  if (waiting.length === 0) return NONE
  const refused = await sendTaps(visitId, waiting)
  const sent = new Set(waiting.map((e) => e.id))
  const left = afterSending(readKept(visitId), sent)
  writeKept(visitId, refused.length > 0 ? { ...left, refused: [...(left.refused ?? []), ...refused] } : left)
  return sent
}

/** Taps that the server has leave the device when nobody has touched them for so long, ms; or when there are many visits of them. */
const LEAVE_MS = 12 * 3_600_000
const MOST_VISITS = 40

/** Lets the taps of visits go that the server has: the oldest, and those of other days. */
export function forgetSent(now = Date.now()): void {
  const sent = device
    .all(TAPS)
    .filter(({ key }) => readKept(key.slice(TAPS.length)).unsent.length === 0)
    .sort((a, b) => b.at - a.at)
  for (const [i, { key, at }] of sent.entries()) if (i >= MOST_VISITS || now - at > LEAVE_MS) device.drop(key)
}

// taps that wait bear the time that this device thought it was
onClockShift((by) => {
  for (const { key } of device.all(TAPS)) {
    const visitId = key.slice(TAPS.length)
    const kept = readKept(visitId)
    if (kept.unsent.length === 0) continue
    const waits = new Set(kept.unsent)
    writeKept(visitId, { ...kept, events: kept.events.map((e) => (waits.has(e.id) ? { ...e, at: e.at + by } : e)) })
  }
})

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

/** One tap on a visit that isn't open at the tub: kept on this device, and sent when the server can be reached. */
export async function tapOn(visitId: string, what: Tap): Promise<void> {
  writeKept(visitId, withTap(readKept(visitId), what))
  await sendKept(visitId).catch((error: unknown) => {
    if (asProblem(error).status !== 0) throw error
    leaveToOutbox(TAPS + visitId)
  })
}
