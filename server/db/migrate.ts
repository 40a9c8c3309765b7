import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Db } from './db'
import { UPGRADES, type Upgrade } from './upgrades'

/** Data that a newer version of the program has changed already. */
export class NewerData extends Error {}

/** The steps that a database hasn't been through yet; all of them in one with nothing in it. */
export async function pendingSteps(db: Db, folder: string): Promise<string[]> {
  const { rows: there } = await db.query<{ t: string | null }>("select to_regclass('migrations')::text as t")
  const { rows } = there[0]!.t === null ? { rows: [] } : await db.query<{ name: string }>('select name from migrations')
  const done = new Set(rows.map((r) => r.name))
  return (await stepsIn(folder)).filter((name) => !done.has(name))
}

/** The steps that this version knows, in their order. */
export const stepsIn = async (folder: string, upgrades: readonly Upgrade[] = UPGRADES): Promise<string[]> =>
  [...(await readdir(folder)).filter((name) => name.endsWith('.sql')), ...upgrades.map((u) => u.name)].sort()

/**
 * Brings the database up to date with the numbered files of `folder` and the `upgrades` of stored records among
 * them, each once, in the order of their names and in a transaction of its own. Answers the names applied now; a
 * database from a newer version of the program is refused. `upTo`: only these, all of them when not given.
 */
export async function migrate(
  db: Db,
  folder: string,
  upgrades: readonly Upgrade[] = UPGRADES,
  upTo?: readonly string[],
): Promise<string[]> {
  await db.query(
    'create table if not exists migrations (name text primary key, applied_at timestamptz not null default now())',
  )
  const { rows } = await db.query<{ name: string }>('select name from migrations')
  const done = new Set(rows.map((r) => r.name))
  const steps = await stepsIn(folder, upgrades)
  const unknown = [...done].filter((name) => !steps.includes(name))
  if (unknown.length > 0) {
    throw new NewerData(
      `The data folder was used by a newer version (${unknown.join(', ')}). Start that version; or go back to the backup that it made before it began: restore it into a new folder with --restore; or choose another folder with JUVANT_DATA.`,
    )
  }
  const pending = steps.filter((name) => !done.has(name) && (!upTo || upTo.includes(name)))
  for (const name of pending) {
    const upgrade = upgrades.find((u) => u.name === name)
    const sql = upgrade ? '' : await readFile(join(folder, name), 'utf8')
    await db.transaction(async (tx) => {
      // another program may have been here meanwhile
      const { rows: done } = await tx.query('select 1 from migrations where name = $1', [name])
      if (done.length > 0) return
      if (upgrade) await upgrade.run(tx)
      else await tx.exec(sql)
      await tx.query('insert into migrations (name) values ($1)', [name])
    })
  }
  return pending
}
