import { EventEmitter } from 'node:events'
import { Change } from '@contract'
import type { Db } from '../db/db'

const CHANNEL = 'changes'

/** Calls back with every change that is kept from now on; answers how to stop. */
export type FollowChanges = (told: (change: Change) => void) => () => void

const listening = new WeakMap<Db, Promise<FollowChanges>>()

async function listen(db: Db): Promise<FollowChanges> {
  const changes = new EventEmitter().setMaxListeners(0)
  await db.listen(CHANNEL, (message) => changes.emit(CHANNEL, Change.parse(JSON.parse(message))))
  return (told) => {
    changes.on(CHANNEL, told)
    return () => void changes.off(CHANNEL, told)
  }
}

/** What the database tells of its changes, listened to once however many follow them. */
export function changesOf(db: Db): Promise<FollowChanges> {
  const known = listening.get(db)
  if (known) return known
  const follow = listen(db)
  listening.set(db, follow)
  follow.catch(() => listening.delete(db))
  return follow
}
