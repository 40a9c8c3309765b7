import { useEventListener, useIntervalFn } from '@vueuse/core'
import { shallowRef } from 'vue'
import { device, onDevice } from './device'

/** What waits on this device until the server can be reached, and is sent then by itself. */
export interface Waiting {
  taps: number
  days: number
  checkIns: number
  photos: number
}

/** How one kind of thing that was done here is sent. */
export interface Sender {
  /** What its keys begin with. */
  prefix: string
  /** What of a text still waits. */
  of: keyof Waiting
  count(text: string): number
  /** Sends it and drops what the server has; throws where it can't be reached or refuses. */
  send(key: string): Promise<void>
}

/** Something written a moment ago is left to the window in which it was done, ms. */
const SETTLED_MS = 20_000
/** How often what waits is tried again, ms. */
const AGAIN_MS = 5000

const senders: Sender[] = []
/** Open views by what they send themselves, each saying whether it has something of its own to send. */
const held = new Map<string, Set<() => boolean>>()

/** Adds a kind that can be sent. */
export function addSender(sender: Sender): void {
  senders.push(sender)
}

/**
 * An open view sends something by itself; call what comes back when it closes, and the outbox goes on with it. `busy`:
 * whether the view has it in hand; what another window left under the same key is sent all the same.
 */
export function holdOutbox(key: string, busy: () => boolean = () => true): () => void {
  const views = held.get(key) ?? new Set()
  const mine = () => busy()
  held.set(key, views.add(mine))
  let over = false
  return () => {
    if (over) return
    over = true
    views.delete(mine)
    if (views.size === 0) {
      held.delete(key)
      const sender = senders.find((s) => key.startsWith(s.prefix))
      if (sender && sender.count(device.read(key) ?? '') > 0) void sendOne(sender, key)
    }
  }
}

const busy = new Set<string>()
/** What this window has given up itself: it is sent however lately it was written. */
const left = new Set<string>()

/** Leaves something that this window tried to send, and couldn't, to the outbox. */
export function leaveToOutbox(key: string): void {
  left.add(key)
}

/** What the server refused, as it stood then: it isn't sent again unless it changes; its view tells what stands against it. */
const refused = new Map<string, string>()

const isRefusal = (error: unknown): boolean => {
  const { status = 0 } = (error ?? {}) as { status?: number }
  return status >= 400 && status < 500
}

async function sendOne(sender: Sender, key: string) {
  const text = device.read(key)
  if (text === undefined || busy.has(key) || refused.get(key) === text) return
  busy.add(key)
  try {
    await sender.send(key)
    refused.delete(key)
    left.delete(key)
  } catch (error) {
    // it waits: tried again, or told by its view when that is opened
    if (isRefusal(error)) refused.set(key, text)
    else leaveToOutbox(key)
  } finally {
    busy.delete(key)
  }
}

const NOTHING: Waiting = { taps: 0, days: 0, checkIns: 0, photos: 0 }

/** What waits now. */
export function waitingNow(): Waiting {
  const waiting: Waiting = { ...NOTHING }
  for (const { prefix, of, count } of senders) for (const { text } of device.all(prefix)) waiting[of] += count(text)
  return waiting
}
export const waiting = shallowRef<Waiting>(NOTHING)

/** Sends what no open view takes care of. */
export async function sendWaiting(): Promise<void> {
  const settled = Date.now() - SETTLED_MS
  const all = senders.flatMap((sender) =>
    device
      .all(sender.prefix)
      .filter(
        ({ key, text, at }) =>
          ![...(held.get(key) ?? [])].some((busy) => busy()) &&
          sender.count(text) > 0 &&
          (at < settled || left.has(key)),
      )
      .map(({ key }) => sendOne(sender, key)),
  )
  await Promise.all(all)
}

/** From the start of the app on: what waits is counted, and sent as soon as it can be. */
export function followOutbox(): void {
  const look = () => {
    waiting.value = waitingNow()
  }
  look()
  onDevice((key) => void (senders.some((s) => key.startsWith(s.prefix)) && look()))
  void sendWaiting()
  useEventListener(window, 'online', () => void sendWaiting())
  useIntervalFn(() => {
    if (Object.values(waiting.value).some((n: number) => n > 0)) void sendWaiting()
  }, AGAIN_MS)
}
