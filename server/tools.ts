import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { backupsIn } from './backup/backup'
import { checkRecords } from './backup/check'
import { reachedBy } from './backup/journal'
import { journalOf } from './backup/names'
import { restoreInto } from './backup/restore'
import { COMMAND } from './command'
import type { Config } from './config'
import { openDb } from './db/db'
import { backupFolder, cantBeOpened, lookInto, UnusableFolder } from './folder'
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
  const { at, until, counts } = await restoreInto(file, into, places)
  const since = until > at ? `, with what changed up to ${until},` : ''
  return `The backup of ${at}${since} is restored into ${into}: ${listed(counts)}. Start with it: JUVANT_DATA=${into} ${COMMAND}`
}

/** Says which backup is the nearest, and up to when it reaches. */
async function nearest(data: string): Promise<string> {
  const folder = backupFolder(data)
  const [newest] = await backupsIn(folder)
  if (!newest) return `There is no backup in ${folder}.`
  const path = join(folder, newest.name)
  const journal = journalOf(path)
  const until = existsSync(journal) ? (await reachedBy(journal))?.at : undefined
  return `The nearest backup is ${path}, of ${newest.at}${until === undefined ? '' : `, with what changed up to ${until}`}.`
}

/**
 * Opens every record of a data folder; answers what to say, and whether all is well. It looks into a copy: what lies there
 * stays as it is, whatever state it is in. `version`: of the database that this program brings.
 */
export async function checkData({ data }: Config, version?: string) {
  if (!existsSync(data)) throw new UnusableFolder(`There is no folder ${data}. Name the one to check with JUVANT_DATA.`)
  if (!lookInto(data, version))
    throw new UnusableFolder(`There is no data in ${data}. Name its folder with JUVANT_DATA.`)
  const unlock = await lockFolder(data)
  const copy = mkdtempSync(join(tmpdir(), 'juvant-check-'))
  try {
    cpSync(join(data, 'db'), join(copy, 'db'), { recursive: true })
    rmSync(join(copy, 'db/postmaster.pid'), { force: true })
    const db = await openDb(join(copy, 'db')).catch((error: Error) => {
      throw new UnusableFolder(cantBeOpened(data, error))
    })
    try {
      const { counts, unreadable } = await checkRecords(db)
      const said = unreadable.map(
        ({ what, id, name, why }) => `Can’t be read: ${what} ${id}${name === '' ? '' : ` (${name})`}: ${why}`,
      )
      const sum = unreadable.length === 0 ? 'Every record can be read' : `${unreadable.length} can’t be read`
      return { said: [...said, `${sum}: ${listed(counts)}. ${await nearest(data)}`], well: unreadable.length === 0 }
    } finally {
      await db.close()
    }
  } finally {
    rmSync(copy, { recursive: true, force: true })
    await unlock()
  }
}
