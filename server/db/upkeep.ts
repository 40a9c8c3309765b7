import type { Queries } from './db'

/** How long it is noted what was before a change, days. */
const NOTED_DAYS = 400

/** Forgets what was before changes that are long past. */
export const forgetOldChanges = (db: Queries): Promise<unknown> =>
  db.query('delete from changes where at < now() - make_interval(days => $1)', [NOTED_DAYS])

/** Above so much log since the last checkpoint a new one is made, bytes: the log never grows without end, and a start stays quick. */
const MOST_LOG = 48 * 1024 * 1024

/** Makes a checkpoint when the log has grown: the database does it by itself only when it closes. Answers whether it did. */
export async function keepLogShort(db: Queries, most = MOST_LOG): Promise<boolean> {
  const { rows } = await db.query<{ behind: string }>(
    'select pg_wal_lsn_diff(pg_current_wal_insert_lsn(), redo_lsn)::text as behind from pg_control_checkpoint()',
  )
  if (Number(rows[0]!.behind) < most) return false
  await db.query('checkpoint')
  return true
}
