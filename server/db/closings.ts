import type { Closing, Till } from '@core/money'
import type { Queries } from './db'

interface Row {
  id: string
  until: string
  at: Date
  currency: string
  till: Till
}

/** The days that were closed, the newest first. */
export async function findClosings(db: Queries): Promise<Closing[]> {
  const { rows } = await db.query<Row>(
    `select id, to_char(until, 'YYYY-MM-DD') as until, at, currency, till from closings order by until desc, at desc`,
  )
  return rows.map(({ at, ...row }) => ({ ...row, at: new Date(at).getTime() }))
}

/** Up to which day payments stay as they are; null where none was closed. */
export async function closedTo(db: Queries): Promise<string | null> {
  const { rows } = await db.query<{ day: string | null }>(
    `select to_char(max(until), 'YYYY-MM-DD') as day from closings`,
  )
  return rows[0]!.day
}

/** Lets nobody else close days, or change what is being counted, until this is done. */
export const holdClosings = (tx: Queries): Promise<unknown> =>
  tx.query('lock table closings in share row exclusive mode')
/** Waits for a closing that is under way; until this is done none begins. */
export const awaitClosing = (tx: Queries): Promise<unknown> => tx.query('lock table closings in row exclusive mode')

export async function addClosing(tx: Queries, { id, until, at, currency, till }: Closing): Promise<void> {
  await tx.query('insert into closings (id, until, at, currency, till) values ($1, $2, $3, $4, $5)', [
    id,
    until,
    new Date(at).toISOString(),
    currency,
    JSON.stringify(till),
  ])
}
