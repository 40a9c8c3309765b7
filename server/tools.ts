import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { backupsIn } from './backup/backup'
import { checkRecords } from './backup/check'
import { Keeper } from './backup/keeper'
import { restoreInto } from './backup/restore'
import type { Config } from './config'
import { openDb } from './db/db'
import { UnusableFolder } from './folder'
import { lockFolder } from './lock'

/** Records as they are called when they are counted. */
const CALLED: Record<string, string> = {
  dogs: 'dogs',
  products: 'bottles',
  days: 'days',
  visits: 'visits',
  visit_events: 'taps',
  findings: 'findings',
}
const listed = (counts: Record<string, number>) =>
  Object.entries(CALLED)
    .map(([table, called]) => `${counts[table] ?? 0} ${called}`)
    .join(', ')

/** Restores a backup into a new folder; answers what to say. */
export async function restoreBackup(
  { file, into }: NonNullable<Config['restore']>,
  places: { blank: string; migrations: string },
): Promise<string> {
  const { at, counts } = await restoreInto(file, into, places)
  return `The backup of ${at} is restored into ${into}: ${listed(counts)}. Start with it: JUVANT_DATA=${into} npm start`
}

/** Opens every record of a data folder; answers what to say, and whether all is well. */
export async function checkData({ data }: Config, places: { blank: string; migrations: string }) {
  if (!existsSync(join(data, 'db')))
    throw new UnusableFolder(`There is no data in ${data}. Name its folder with JUVANT_DATA.`)
  const unlock = await lockFolder(data)
  const db = await openDb(join(data, 'db'))
  try {
    const keeper = new Keeper(db, data, places)
    await keeper.open()
    const { folder } = await keeper.state()
    const [newest] = await backupsIn(folder)
    const { counts, unreadable } = await checkRecords(db)
    const said = unreadable.map(
      ({ what, id, name, why }) => `Can’t be read: ${what} ${id}${name === '' ? '' : ` (${name})`}: ${why}`,
    )
    const backup = newest
      ? `The nearest backup is ${join(folder, newest.name)}, of ${newest.at}.`
      : `There is no backup in ${folder}.`
    const sum = unreadable.length === 0 ? 'Every record can be read' : `${unreadable.length} can’t be read`
    return { said: [...said, `${sum}: ${listed(counts)}. ${backup}`], well: unreadable.length === 0 }
  } finally {
    await db.close()
    await unlock()
  }
}
