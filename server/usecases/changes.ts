import { EventEmitter } from 'node:events'
import { Change } from '@contract'
import type { Db } from '../db/db'

const CHANNEL = 'changes'
const MISSED = 'missed'

/** Calls back with every change that is kept from now on, and when some may have been missed; answers how to stop. */
export type FollowChanges = (told: (change: Change) => void, missed?: () => void) => () => void

const listening = new WeakMap<Db, Promise<FollowChanges>>()

async function listen(db: Db): Promise<FollowChanges> {
  const changes = new EventEmitter().setMaxListeners(0)
  await db.listen(
    CHANNEL,
    (message) => changes.emit(CHANNEL, Change.parse(JSON.parse(message))),
    () => changes.emit(MISSED),
  )
  return (told, missed = () => undefined) => {
    changes.on(CHANNEL, told).on(MISSED, missed)
    return () => void changes.off(CHANNEL, told).off(MISSED, missed)
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
