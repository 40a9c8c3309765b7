import { randomUUID } from 'node:crypto'
import { openDb as openEmbedded, type Db } from '../db/./db'
import { openServer } from './postgres'

export * from '../db/./db'

/**
 * What the tests open in place of a database in memory when they are run on a server: a room of its own, taken away when
 * it is closed. One in a folder stays the embedded one.
 */
export async function openDb(folder?: string, blank?: string): Promise<Db> {
  if (folder !== undefined) return openEmbedded(folder, blank)
  const room = `test_${randomUUID().slice(0, 8)}`
  const db = await openServer(process.env.DATABASE_URL!, room)
  return {
    ...db,
    async close() {
      await db.query(`drop schema ${room} cascade`)
      await db.close()
    },
  }
}
