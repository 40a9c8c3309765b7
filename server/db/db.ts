import { PGlite } from '@electric-sql/pglite'

/** Runs one parameterised statement. */
export interface Queries {
  query<Row>(sql: string, params?: unknown[]): Promise<{ rows: Row[] }>
}

/** The database as the queries see it; transactions roll back when the work throws. */
export interface Db extends Queries {
  /** Gets every message of a channel, once what it tells of is kept; answers how to stop. */
  listen(channel: string, heard: (message: string) => void): Promise<() => Promise<void>>
  transaction<T>(work: (tx: Queries & { exec(sql: string): Promise<unknown> }) => Promise<T>): Promise<T>
  close(): Promise<void>
}

/** Opens the embedded database in `folder`, or in memory without one. */
export async function openDb(folder?: string): Promise<Db> {
  const pglite = await PGlite.create(folder ?? 'memory://')
  return {
    query: (sql, params) => pglite.query(sql, params),
    listen: (channel, heard) => pglite.listen(channel, heard),
    transaction: (work) => pglite.transaction((tx) => work(tx)),
    close: () => pglite.close(),
  }
}
