import { createEventHook, type EventHookOn } from '@vueuse/core'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { ref } from 'vue'

/** Something that this device keeps: a text under a key, and when it was written, ms. */
export interface Kept {
  key: string
  text: string
  at: number
}

interface Shape extends DBSchema {
  kept: { key: string; value: Kept }
  seen: { key: string; value: Kept; indexes: { at: number } }
}
interface Told {
  key: string
  kept?: Kept
}

const ID = '[0-9a-f-]{36}'
/** What was kept in local storage before there was a database: what was done here, and what was last shown. */
const OLD_DONE = new RegExp(`^juvant\\.(tub\\.${ID}$|day\\.|recipe\\.${ID}\\.|kept\\.|house\\.edits$|dog\\.)`)
const OLD_SEEN = new RegExp(`^juvant\\.(recipe\\.${ID}$|strip\\.)`)
/** How many of the answers that were shown are kept for when there is no network. */
const MOST_SEEN = 60

const items = new Map<string, Kept>()
const changes = createEventHook<string>()
let database: IDBPDatabase<Shape> | undefined
let windows: BroadcastChannel | undefined

/** Called with the key of whatever was written or dropped, by this window or another of this device. */
export const onDevice: EventHookOn<string> = changes.on
/** Why this device doesn't keep what is done, in the browser's words; undefined while it does. */
export const deviceTrouble = ref<string>()

const troubled = (error: unknown) => {
  deviceTrouble.value = error instanceof Error ? error.message : String(error)
}

/** How two texts under a key are put together, by what the key begins with. */
const mergers: { prefix: string; merge: (here: string, there: string) => string }[] = []
/**
 * Says how texts that two windows wrote at once are put together, so that neither loses what it did: of two the same
 * whichever is here and which there, and of one with itself that one.
 */
export function mergeUnder(prefix: string, merge: (here: string, there: string) => string): void {
  mergers.push({ prefix, merge })
}

function take({ key, kept }: Told) {
  if (kept) items.set(key, kept)
  else items.delete(key)
  void changes.trigger(key)
}

/** Takes what another window wrote; what this one has beside it is put together with it, and written. */
function takeBeside({ key, kept }: Told) {
  const mine = items.get(key)
  const merger = mergers.find((m) => key.startsWith(m.prefix))
  if (!kept || !mine || !merger || mine.text === kept.text) return take({ key, kept })
  const text = merger.merge(mine.text, kept.text)
  if (text === kept.text) take({ key, kept })
  else store(key, { key, text, at: Math.max(mine.at, kept.at) })
}

/** Begins at once and is whole or not at all: a window that closes right after has still written it. */
function store(key: string, kept: Kept | undefined) {
  take({ key, kept })
  windows?.postMessage({ key, kept } satisfies Told)
  if (!database) return
  put(database, key, kept).then(
    () => (deviceTrouble.value = undefined),
    // what was only shown makes room for what was done
    () => makeRoom(key).catch(troubled),
  )
}

async function put(to: IDBPDatabase<Shape>, key: string, kept: Kept | undefined): Promise<void> {
  const transaction = to.transaction('kept', 'readwrite', { durability: 'strict' })
  const asked = kept ? transaction.store.put(kept) : transaction.store.delete(key)
  // the transaction tells of it too
  asked.catch(() => undefined)
  transaction.commit()
  await transaction.done
}

/** Forgets what was shown, and tries once more to write what stands under a key. */
async function makeRoom(key: string): Promise<void> {
  await database?.clear('seen')
  if (database) await put(database, key, items.get(key))
  deviceTrouble.value = undefined
}

/**
 * What this device keeps until the server has it, and of what it showed last: in a database of the browser, read
 * whole when the app starts, the same in all its windows. Before `openDevice` it is kept in memory alone.
 */
export const device = {
  /** The text under a key; undefined where nothing is. */
  read: (key: string): string | undefined => items.get(key)?.text,
  write: (key: string, text: string) => {
    if (items.get(key)?.text !== text) store(key, { key, text, at: Date.now() })
  },
  drop: (key: string) => {
    if (items.has(key)) store(key, undefined)
  },
  /** Everything whose key begins so. */
  all: (prefix: string): Kept[] => [...items.values()].filter(({ key }) => key.startsWith(prefix)),
}

/** Where there is no database, until the window closes. */
const shown = new Map<string, string>()

/** What was last fetched of something, for when there is no network; the oldest are forgotten. */
export const seen = {
  async read(key: string): Promise<string | undefined> {
    if (!database) return shown.get(key)
    return (await database.get('seen', key).catch(() => undefined))?.text
  },
  async write(key: string, text: string): Promise<void> {
    if (!database) shown.set(key, text)
    try {
      await database?.put('seen', { key, text, at: Date.now() })
      const keys = (await database?.getAllKeysFromIndex('seen', 'at')) ?? []
      for (const old of keys.slice(0, Math.max(0, keys.length - MOST_SEEN))) await database?.delete('seen', old)
    } catch (error) {
      troubled(error)
    }
  },
}

/** Takes what an earlier version kept in local storage into the database. */
async function moveIn(to: IDBPDatabase<Shape>, from: Storage) {
  const old = Array.from({ length: from.length }, (_, i) => from.key(i)!)
  const done = old.filter((key) => OLD_DONE.test(key))
  const seen = old.filter((key) => OLD_SEEN.test(key))
  const moved = to.transaction(['kept', 'seen'], 'readwrite')
  const of = (key: string): Kept => ({ key, text: from.getItem(key)!, at: Date.now() })
  for (const key of done) void moved.objectStore('kept').put(of(key))
  for (const key of seen) void moved.objectStore('seen').put(of(key))
  await moved.done
  for (const key of [...done, ...seen]) from.removeItem(key)
}

/** Opens what this device keeps; to be awaited before anything reads it. A browser that refuses is told of by `deviceTrouble`. */
export async function openDevice(): Promise<void> {
  windows = new BroadcastChannel('juvant.device')
  windows.onmessage = ({ data }) => takeBeside(data as Told)
  try {
    const opened = await openDB<Shape>('juvant', 1, {
      upgrade(db) {
        db.createObjectStore('kept', { keyPath: 'key' })
        db.createObjectStore('seen', { keyPath: 'key' }).createIndex('at', 'at')
      },
    })
    await moveIn(opened, localStorage)
    for (const kept of await opened.getAll('kept')) if (!items.has(kept.key)) items.set(kept.key, kept)
    database = opened
    void askToPersist()
  } catch (error) {
    troubled(error)
  }
}

/** Whether the browser may drop what this device keeps when its disk gets full; undefined while that isn't known. */
export const mayBeDropped = ref<boolean>()
async function askToPersist() {
  const { storage } = globalThis.navigator ?? {}
  mayBeDropped.value = storage?.persist === undefined ? undefined : !(await storage.persist().catch(() => false))
}

/** Forgets everything that this device keeps, for good. */
export async function forgetDevice(): Promise<void> {
  const keys = [...items.keys()]
  items.clear()
  shown.clear()
  for (const key of keys) {
    windows?.postMessage({ key } satisfies Told)
    void changes.trigger(key)
  }
  const clearing = database?.transaction(['kept', 'seen'], 'readwrite')
  await Promise.all([clearing?.objectStore('kept').clear(), clearing?.objectStore('seen').clear(), clearing?.done])
}

/** Closes it and forgets what is in memory, as when the window closes. */
export function closeDevice(): void {
  database?.close()
  windows?.close()
  database = windows = undefined
  items.clear()
  shown.clear()
}
