import { EventEmitter } from 'node:events'
import { Change } from '@contract'
import type { Db } from '../db/db'

const CHANNEL = 'changes'
const MISSED = 'missed'

/** What the database tells of its changes. */
export interface FollowChanges {
  /** Calls back with every change that is kept from now on, and when some may have been missed; answers how to stop. */
  follow(told: (change: Change) => void, missed?: () => void): () => void
  /** When the last one was told, or listening began, ms. */
  lastTold(): number
}

const listening = new WeakMap<Db, Promise<FollowChanges>>()

async function listen(db: Db): Promise<FollowChanges> {
  const changes = new EventEmitter().setMaxListeners(0)
  let last: number
  await db.listen(
    CHANNEL,
    (message) => {
      last = Date.now()
      changes.emit(CHANNEL, Change.parse(JSON.parse(message)))
    },
    () => {
      last = Date.now()
      changes.emit(MISSED)
    },
  )
  last = Date.now()
  return {
    follow(told, missed = () => undefined) {
      changes.on(CHANNEL, told).on(MISSED, missed)
      return () => void changes.off(CHANNEL, told).off(MISSED, missed)
    },
    lastTold: () => last,
  }
}

/** What the database tells of its changes, listened to once however many follow them. */
export function changesOf(db: Db): Promise<FollowChanges> {
  const known = listening.get(db)
  if (known) return known
  const found = listen(db)
  listening.set(db, found)
  found.catch(() => listening.delete(db))
  return found
}
