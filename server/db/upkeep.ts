import type { Db, Queries } from './db'

/** How long it is noted what was before a change, days. */
const NOTED_DAYS = 400

/** Forgets what was before changes that are long past. */
export const forgetOldChanges = (db: Queries): Promise<unknown> =>
  db.query('delete from changes where at < now() - make_interval(days => $1)', [NOTED_DAYS])

/** Another than the lock of a beginning: that of what is done once a day. */
const CHORES = 2

/**
 * Does what is to be done once a day in a room of a database server: one of the programs that share it, the others pass it
 * over. Answers whether it was done now.
 */
export const doChores = (db: Db, today: string): Promise<boolean> =>
  db.transaction(async (tx) => {
    const { rows } = await tx.query<{ mine: boolean }>(
      'select pg_try_advisory_xact_lock($1, hashtext(current_schema())) as mine',
      [CHORES],
    )
    if (!rows[0]!.mine) return false
    const done = await tx.query<{ name: string }>(
      `insert into chores (name, done_on) values ('forget', $1)
         on conflict (name) do update set done_on = excluded.done_on where chores.done_on < excluded.done_on returning name`,
      [today],
    )
    if (done.rows.length === 0) return false
    await forgetOldChanges(tx)
    return true
  })

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
