import pg from 'pg'
import { CHANGING, askedBy, DatabaseAway, type Db, type Heard, type Queries } from './db'
import { ROOM } from './room'

/** How many statements are under way at once, and how long one waits for its turn, ms: less than whoever asked does. */
const CONNECTIONS = 8
const TURN_MS = 25_000
/** How long after a broken connection it is tried again, and how long one may take to be made, ms. */
const AGAIN_MS = 1000
const CONNECT_MS = 5000
/** How often the connection that listens is asked whether it is there, and how long it has for it, ms. */
const SIGN_MS = 10_000
const SIGN_WAIT_MS = 5000
/** How long a change waits for others', and how long one may lie there begun, before the server gives it up, ms. */
const LOCK_MS = 20_000
const IDLE_MS = 60_000

/** What is there already can't be made again. */
const UNIQUE = '23505'

/** The lock of whoever begins a room, or brings it up to date. */
const BEGINNING = 1

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

/** What a server says, or its connection, when it isn't there any more. */
const GONE = /^(57P|08)|^(ECONNRESET|EPIPE|ETIMEDOUT)$/
const isGone = (error: unknown) => GONE.test((error as { code?: string }).code ?? '')

/** Lets so many in at once, the rest in the order in which they came; one that waits too long is told that nobody answers. */
function turns(most: number) {
  const waiting: (() => void)[] = []
  let inside = 0
  const enter = () =>
    new Promise<void>((resolve, reject) => {
      if (inside < most) {
        inside++
        return resolve()
      }
      const come = () => {
        clearTimeout(timer)
        resolve()
      }
      const timer = setTimeout(() => {
        waiting.splice(waiting.indexOf(come), 1)
        reject(new DatabaseAway(`Its server is busy: no turn within ${TURN_MS / 1000} s.`))
      }, TURN_MS)
      waiting.push(come)
    })
  return async <T>(work: () => Promise<T>): Promise<T> => {
    await enter()
    try {
      return await work()
    } finally {
      const next = waiting.shift()
      if (next) next()
      else inside--
    }
  }
}

/**
 * Calls back with every message of a channel, over a connection of its own that is made anew when it breaks, or gives no
 * sign any more; `missed` each time it is there again, as nobody knows what was told meanwhile.
 */
async function listenTo(settings: pg.ClientConfig, channel: string, heard: Heard, missed: () => void) {
  let over = false
  let client: pg.Client | undefined
  const begin = async (): Promise<void> => {
    const made = new pg.Client(settings)
    client = made
    let signs: NodeJS.Timeout | undefined = undefined
    const broke = () => {
      clearInterval(signs)
      if (over || client !== made) return
      client = undefined
      void made.end().catch(() => undefined)
      setTimeout(() => void begin().then(missed, () => undefined), AGAIN_MS).unref()
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
    signs = setInterval(() => {
      const late = setTimeout(broke, SIGN_WAIT_MS)
      made.query('select 1').then(() => clearTimeout(late), broke)
    }, SIGN_MS).unref()
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
    options: `-c search_path=${room} -c timezone=UTC -c lock_timeout=${LOCK_MS} -c idle_in_transaction_session_timeout=${IDLE_MS}`,
    application_name: `juvant ${room}`,
    connectionTimeoutMillis: CONNECT_MS,
    keepAlive: true,
  }
  const pool = new pg.Pool({ ...settings, max: CONNECTIONS })
  // one that breaks while nobody uses it is taken out of the pool by itself; one in use is given back as broken
  pool.on('error', () => undefined)
  const lost = new WeakSet<object>()
  pool.on('connect', (client) => {
    const lose = () => lost.add(client)
    client.on('error', lose)
    client.on('end', lose)
  })
  const make = () => pool.query(`create schema if not exists ${room}`)
  // another program may make it in the same moment
  const again = (error: { code?: string }) => (error.code === UNIQUE ? make() : Promise.reject(error as Error))
  await make()
    .catch(again)
    .catch(async (error: Error) => {
      await pool.end()
      throw new DatabaseAway(`The database of DATABASE_URL can’t be used: ${error.message || String(error)}.`)
    })
  const stops = new Set<() => Promise<void>>()

  const turn = turns(CONNECTIONS)
  const on = <T>(work: (connection: Connection) => Promise<T>): Promise<T> =>
    turn(async () => {
      const connection: Connection = await pool.connect().catch((error: Error) => {
        throw new DatabaseAway(error.message)
      })
      try {
        return await work(connection)
      } catch (error) {
        if (!isGone(error) && !lost.has(connection)) throw error
        lost.add(connection)
        throw new DatabaseAway((error as Error).message)
      } finally {
        // one that broke isn't taken up again
        connection.release(lost.has(connection))
      }
    })
  // whole changes wait for each other here, so that what is only read finds a connection meanwhile
  const oneByOne = turns(1)
  const query: Queries['query'] = (sql, params) =>
    on(async (connection) => {
      if (CHANGING.test(sql)) await sayWho(connection)
      return connection.query(sql, params) as never
    })
  return {
    query,
    async listen(channel, heard, missed) {
      // all rooms of a database share its channels
      const stop = await listenTo(settings, `${channel} ${room}`, heard, missed)
      stops.add(stop)
      return async () => {
        stops.delete(stop)
        await stop()
      }
    },
    transaction: (work) =>
      oneByOne(() =>
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
      ),
    alone: (work) =>
      on(async (connection) => {
        const key = [BEGINNING, room]
        await connection.query("select set_config('lock_timeout', '0', false)")
        await connection.query('select pg_advisory_lock($1, hashtext($2))', key)
        try {
          return await work()
        } finally {
          await connection.query('select pg_advisory_unlock($1, hashtext($2))', key).catch(() => undefined)
          await connection.query(`set lock_timeout = ${LOCK_MS}`).catch(() => undefined)
        }
      }),
    async close() {
      await Promise.all([...stops].map((stop) => stop()))
      await pool.end()
    },
  }
}
