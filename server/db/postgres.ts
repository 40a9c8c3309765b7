import pg from 'pg'
import { CHANGING, askedBy, DatabaseAway, type Db, type Queries } from './db'
import { ROOM } from './room'

/** How many statements are under way at once, how long after a broken connection it is tried again, and how long one may take to be made, ms. */
const CONNECTIONS = 8
const AGAIN_MS = 1000
const CONNECT_MS = 5000

/** Whole numbers as numbers, as the embedded database gives them. */
const INT8 = 20
pg.types.setTypeParser(INT8, Number)

/** A connection with the last device that it was told of. */
type Connection = pg.PoolClient & { who?: string }

/** Says on whose behalf a connection changes something. */
async function sayWho(connection: Connection): Promise<void> {
  const who = askedBy()
  if ((connection.who ?? '') === who) return
  connection.who = who
  await connection.query("select set_config('juvant.device', $1, false)", [who])
}

/** Calls back with every message of a channel, over a connection of its own that is made anew when it breaks. */
async function listenTo(settings: pg.ClientConfig, channel: string, heard: (message: string) => void) {
  let over = false
  let client: pg.Client | undefined
  const begin = async (): Promise<void> => {
    const made = new pg.Client(settings)
    client = made
    const broke = () => {
      if (over || client !== made) return
      client = undefined
      void made.end().catch(() => undefined)
      setTimeout(() => void begin().catch(() => undefined), AGAIN_MS).unref()
    }
    made.on('error', broke)
    made.on('end', broke)
    made.on('notification', ({ payload }) => heard(payload ?? ''))
    try {
      await made.connect()
      await made.query(`listen "${channel}"`)
    } catch (error) {
      broke()
      throw error
    }
  }
  await begin()
  return async () => {
    over = true
    await client?.end()
  }
}

/**
 * Opens a room in the database of a PostgreSQL server: a schema of its own, made where there is none yet. Whole changes
 * (`transaction`) are made one after the other, as in the embedded database. The server keeps what it answers.
 */
export async function openServer(url: string, room: string): Promise<Db> {
  if (!ROOM.test(room)) throw new Error(`A room is called by small letters, digits and _: not ${room}.`)
  const settings: pg.ClientConfig = {
    connectionString: url,
    options: `-c search_path=${room} -c timezone=UTC`,
    application_name: `juvant ${room}`,
    connectionTimeoutMillis: CONNECT_MS,
  }
  const pool = new pg.Pool({ ...settings, max: CONNECTIONS })
  // one that breaks while nobody uses it is taken out of the pool by itself
  pool.on('error', () => undefined)
  await pool.query(`create schema if not exists ${room}`).catch(async (error: Error) => {
    await pool.end()
    throw new DatabaseAway(`The database of DATABASE_URL can’t be used: ${error.message || String(error)}.`)
  })
  const stops = new Set<() => Promise<void>>()

  const on = async <T>(work: (connection: Connection) => Promise<T>): Promise<T> => {
    const connection: Connection = await pool.connect().catch((error: Error) => {
      throw new DatabaseAway(error.message)
    })
    // one that broke isn't taken up again
    let broken: Error | undefined
    try {
      return await work(connection)
    } catch (error) {
      const { severity } = error as { severity?: string }
      if (error instanceof Error && severity === undefined) broken = error
      throw error
    } finally {
      connection.release(broken)
    }
  }
  const query: Queries['query'] = (sql, params) =>
    on(async (connection) => {
      if (CHANGING.test(sql)) await sayWho(connection)
      return connection.query(sql, params) as never
    })
  return {
    query,
    async listen(channel, heard) {
      // all rooms of a database share its channels
      const stop = await listenTo(settings, `${channel} ${room}`, heard)
      stops.add(stop)
      return async () => {
        stops.delete(stop)
        await stop()
      }
    },
    transaction: (work) =>
      on(async (connection) => {
        await connection.query('begin')
        try {
          await connection.query('select pg_advisory_xact_lock(hashtext($1))', [room])
          await connection.query("select set_config('juvant.device', $1, true)", [askedBy()])
          const result = await work({
            query: (sql, params) => connection.query(sql, params) as never,
            exec: (sql) => connection.query(sql),
          })
          await connection.query('commit')
          return result
        } catch (error) {
          await connection.query('rollback').catch(() => undefined)
          throw error
        }
      }),
    async close() {
      await Promise.all([...stops].map((stop) => stop()))
      await pool.end()
    },
  }
}
