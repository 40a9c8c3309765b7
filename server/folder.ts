import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmdirSync,
  statfsSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import { madeAt } from './backup/names'
import { commandWith } from './command'
import { LOCK } from './lock'

/** A data folder that can't be used: why, and what to do, in one line. */
export class UnusableFolder extends Error {}

/** The file that says, beside the database, that there is a room, and which. */
const MARKER = 'room.json'
/** The file with the chosen folder for backups. */
export const BACKUP_SETTINGS = 'backups.json'

/** What lies in a data folder, and what a drive puts there by itself. */
const OWN = [
  LOCK,
  MARKER,
  'db',
  'db.begun',
  'copies',
  'backups',
  BACKUP_SETTINGS,
  'keys',
  'incoming',
  'certificates',
  'log',
  'lost+found',
  'System Volume Information',
]
const ELSE = 'or choose another folder with JUVANT_DATA.'

const namesIn = (folder: string) => (existsSync(folder) ? readdirSync(folder) : [])

/** The folder that backups of a data folder are kept in: the chosen one, or its own. */
export function backupFolder(data: string): string {
  const settings = join(data, BACKUP_SETTINGS)
  const own = join(data, 'backups')
  if (!existsSync(settings)) return own
  try {
    const { folder } = JSON.parse(readFileSync(settings, 'utf8')) as { folder?: unknown }
    return typeof folder === 'string' ? folder : own
  } catch {
    // half of it was written, or another hand was in it
    return own
  }
}

/** The newest backup of a data folder and how it is restored; undefined where there is none. */
function restoring(data: string): string | undefined {
  const folder = backupFolder(data)
  const newest = namesIn(folder)
    .filter((name) => madeAt(name))
    .sort()
    .at(-1)
  if (newest === undefined) return undefined
  return `restore the newest backup: ${commandWith(`--restore ${join(folder, newest)} --into ${data}-restored`)}`
}

/** What to say where a database can't be opened, and what to do. */
export function cantBeOpened(data: string, { message }: Error): string {
  const way = restoring(data) ?? `there is no backup in ${backupFolder(data)}`
  const [why] = message.split('\n')
  return `The database in ${data} can’t be opened (${why}). Nothing of it was taken away. Keep a copy of the folder, and ${way}, ${ELSE}`
}

/** What to do where a room's database is gone; undefined where there is no trace of a room. */
function whatRemains(data: string): string | undefined {
  const way = restoring(data)
  const traces = [MARKER, BACKUP_SETTINGS].some((name) => existsSync(join(data, name)))
  if (way === undefined && !traces) return undefined
  return way === undefined
    ? `There is no backup in ${backupFolder(data)}: put the database back where it was, ${ELSE}`
    : `Put it back where it was, or ${way}, ${ELSE}`
}

/**
 * Looks whether what lies in a data folder can be used, and changes nothing: nothing of another's, and no room whose
 * database is gone, is taken for a new beginning. `version`: of the database that this program brings. Answers whether
 * there is a database. Throws UnusableFolder.
 */
export function lookInto(data: string, version?: string): boolean {
  const db = join(data, 'db')
  if (namesIn(db).length === 0) {
    const remains = whatRemains(data)
    if (remains !== undefined)
      throw new UnusableFolder(
        `There was a room in ${data}, but its database ${db} is gone. Nothing was changed. ${remains}`,
      )
    const strange = namesIn(data).filter((name) => !OWN.includes(name) && !name.startsWith('.'))
    if (strange.length === 0) return false
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
  return true
}

/** Makes the data folder where there is none, and one that this user can write. Throws UnusableFolder. */
export function ownFolder(data: string): void {
  try {
    mkdirSync(data, { recursive: true, mode: 0o700 })
    accessSync(data, constants.R_OK | constants.W_OK | constants.X_OK)
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException
    const why = code === 'EROFS' ? 'is on a disk that can’t be written' : 'may not be read and written by this user'
    throw new UnusableFolder(`The data folder ${data} ${why} (${code}). Give it to this user, ${ELSE}`)
  }
}

/** Makes the data folder where there is none, and looks whether what is in it can be used. Throws UnusableFolder. */
export function readyFolder(data: string, version?: string): void {
  ownFolder(data)
  if (!lookInto(data, version) && existsSync(join(data, 'db'))) rmdirSync(join(data, 'db'))
}

/** Says beside the database that there is a room now, and which. */
export function markRoom(data: string, room: string): void {
  const text = `${JSON.stringify({ room })}\n`
  const path = join(data, MARKER)
  if (existsSync(path) && readFileSync(path, 'utf8') === text) return
  writeFileSync(path, text, { mode: 0o600, flush: true })
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
