import type { Queries } from './db'

/** What was last worked out of the whole log by a job, and of which log (`key`); undefined where nothing was. */
export async function lastTold<T>(db: Queries, job: string): Promise<{ key: string; made: T } | undefined> {
  const { rows } = await db.query<{ key: string; made: T }>('select key, made from told where job = $1', [job])
  return rows[0]
}

/** Keeps what was worked out, in the place of what was before. */
export async function keepTold(db: Queries, job: string, key: string, made: unknown): Promise<void> {
  await db.query(
    'insert into told (job, key, made) values ($1, $2, $3) on conflict (job) do update set key = excluded.key, made = excluded.made',
    [job, key, JSON.stringify(made)],
  )
}

/** Says to whoever follows that what the log tells is another now. */
export async function tellOfLog(db: Queries): Promise<void> {
  await db.query("select pg_notify('changes', $1)", [JSON.stringify({ what: 'outcomes' })])
}

/** Forgets it: what it was worked out of was deleted for good. */
export async function forgetTold(db: Queries): Promise<void> {
  await db.query('delete from told')
}
