import { accessSync, constants, existsSync, mkdirSync, readdirSync, readFileSync, rmdirSync, statfsSync } from 'node:fs'
import { join } from 'node:path'
import { LOCK } from './lock'

/** A data folder that can't be used: why, and what to do, in one line. */
export class UnusableFolder extends Error {}

/** What lies in a data folder, and what a drive puts there by itself. */
const OWN = [
  LOCK,
  'db',
  'db.begun',
  'copies',
  'backups',
  'backups.json',
  'keys',
  'incoming',
  'certificates',
  'lost+found',
  'System Volume Information',
]
const ELSE = 'or choose another folder with JUVANT_DATA.'

/**
 * Makes the data folder where there is none, and looks whether what is in it can be used: nothing of another's is taken
 * for a new beginning. `version`: of the database that this program brings. Throws UnusableFolder.
 */
export function readyFolder(data: string, version?: string): void {
  try {
    mkdirSync(data, { recursive: true, mode: 0o700 })
    accessSync(data, constants.R_OK | constants.W_OK | constants.X_OK)
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException
    const why = code === 'EROFS' ? 'is on a disk that can’t be written' : 'may not be read and written by this user'
    throw new UnusableFolder(`The data folder ${data} ${why} (${code}). Give it to this user, ${ELSE}`)
  }
  const db = join(data, 'db')
  if (existsSync(db) && readdirSync(db).length === 0) rmdirSync(db)
  if (!existsSync(db)) {
    const strange = readdirSync(data).filter((name) => !OWN.includes(name) && !name.startsWith('.'))
    if (strange.length === 0) return
    throw new UnusableFolder(
      `The data folder ${data} holds other things (${strange.slice(0, 3).join(', ')}) and no data of this program. Nothing was changed. Take an empty one, ${ELSE}`,
    )
  }
  if (!existsSync(join(db, 'PG_VERSION')))
    throw new UnusableFolder(
      `The folder ${db} holds no database that can be opened. Nothing was changed. Restore a backup into a new folder with --restore, ${ELSE}`,
    )
  const made = readFileSync(join(db, 'PG_VERSION'), 'utf8').trim()
  if (version !== undefined && made !== version)
    throw new UnusableFolder(
      `The data in ${data} was made with version ${made} of the database, and this program brings ${version}. Nothing was changed. Start the program that made it, ${ELSE}`,
    )
}

/** A moment as it stands in names of files and folders: 20261126T235959. */
export const stampOf = (at: Date): string => at.toISOString().slice(0, 19).replace(/[-:]/g, '')

/** The new folder beside the data that a backup is restored into. */
export const restoredBeside = (data: string, now: Date): string => `${data}-restored-${stampOf(now)}`

/** Below this free space nothing more is written, so that what is kept stays whole, bytes. */
export const LEAST_FREE = 100 * 1024 * 1024

/** Free space where the data lies, bytes. */
export function freeSpace(data: string): number {
  const { bavail, bsize } = statfsSync(data)
  return bavail * bsize
}
