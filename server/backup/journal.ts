import { open } from 'node:fs/promises'
import type { Db } from '../db/db'
import { tablesThere } from '../db/whole'
import { changedSince, newestChange } from './backup'
import type { Line } from './file'

/**
 * Writes down what changed since a change, after what the journal has: on disk when it answers. Answers the last change
 * that is in it now.
 */
export async function writeJournal(db: Db, path: string, since: number): Promise<number> {
  const lines: Line[] = []
  let newest = since
  await db.transaction(async (tx) => {
    newest = await newestChange(tx, await tablesThere(tx))
    if (newest > since) for await (const line of changedSince(tx, since)) lines.push(line)
  })
  if (lines.length === 0) return newest
  const file = await open(path, 'a', 0o600)
  try {
    await file.writeFile([...lines, { change: newest }].map((line) => `${JSON.stringify(line)}\n`).join(''))
    await file.sync()
  } finally {
    await file.close()
  }
  return newest
}
