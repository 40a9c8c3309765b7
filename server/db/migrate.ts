import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Db } from './db'

/**
 * Brings the database up to date with the numbered files of `folder`, each once and in a transaction of
 * its own. Answers the names applied now; a database from a newer version of the program is refused.
 */
export async function migrate(db: Db, folder: string): Promise<string[]> {
  await db.query(
    'create table if not exists migrations (name text primary key, applied_at timestamptz not null default now())',
  )
  const files = (await readdir(folder)).filter((name) => name.endsWith('.sql')).sort()
  const { rows } = await db.query<{ name: string }>('select name from migrations')
  const done = new Set(rows.map((r) => r.name))
  const unknown = [...done].filter((name) => !files.includes(name))
  if (unknown.length > 0) {
    throw new Error(
      `The data folder was used by a newer version (${unknown.join(', ')}). Start that version, or choose another folder with JUVANT_DATA.`,
    )
  }
  const pending = files.filter((name) => !done.has(name))
  for (const name of pending) {
    const sql = await readFile(join(folder, name), 'utf8')
    await db.transaction(async (tx) => {
      await tx.exec(sql)
      await tx.query('insert into migrations (name) values ($1)', [name])
    })
  }
  return pending
}
