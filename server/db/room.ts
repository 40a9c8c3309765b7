import type { Queries } from './db'

/** What a room of a database server may be called: the schema that holds its tables. */
export const ROOM = /^[a-z][a-z0-9_]{0,40}$/

/** Which room a database holds; undefined where that isn't said yet, as in one from before there were such names. */
export async function roomIn(db: Queries): Promise<string | undefined> {
  const { rows: there } = await db.query<{ t: string | null }>("select to_regclass('room')::text as t")
  if (there[0]!.t === null) return undefined
  return (await db.query<{ id: string }>('select id from room')).rows[0]?.id
}

/** Which room a database holds; it gets a name where it has none. */
export async function nameRoom(db: Queries): Promise<string> {
  await db.query('insert into room (id) select gen_random_uuid() where not exists (select 1 from room)')
  return (await roomIn(db))!
}
