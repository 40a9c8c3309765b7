import { existsSync } from 'node:fs'
import { access, constants, mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises'
import { isAbsolute, join, resolve } from 'node:path'
import type { BackupFile, BackupState, Practised } from '@contract'
import type { Db } from '../db/db'
import { roomIn } from '../db/room'
import { setAside } from '../db/stored'
import { forgetOldChanges } from '../db/upkeep'
import { countRows, tablesThere } from '../db/whole'
import { Refusal } from '../problems'
import { backupsIn, makeBackup, newestChange, writeBackup, type Verify } from './backup'
import { UnreadableBackup } from './file'
import { journalOf, madeAt } from './names'
import { beginJournal, reachedBy, writeJournal, type Reached } from './journal'
import { backupFolder, BACKUP_SETTINGS, restoredBeside, stampOf } from '../folder'
import { restoreInto, type Restored } from './restore'

/** A backup older than this is followed by a new one, ms; at night, or as soon as the program runs again. */
const OLD_MS = 20 * 3_600_000
const LATE_MS = 26 * 3_600_000
const NIGHT = { from: 2, to: 5 }

/** Up to how many changes are written down in one go; more, as after an archive was taken, are a new backup, which goes piece by piece. */
const MOST_CHANGES = 1000

/** What a copy is called that was put aside before everything was cleared. */
const COPY = 'before-clearing'

/** The file by which a chosen folder is known again: a stick that was pulled out leaves an empty folder of the same name. */
const SIGN = 'juvant-backups.txt'

/** What a data folder keeps of its backups: where they go, and when a restore was practised. */
interface Settings {
  folder?: string
  practisedAt?: string
}

/** Makes backups of a database into a folder, and writes down beside the newest one what changes after it. */
export class Keeper {
  private folder: string
  /** How far the journal of the newest backup goes; undefined where it has none to go on with. */
  private reached: Reached | undefined
  /** Which room it is; undefined in a database from before rooms had names. */
  private room: string | undefined
  private journalAt: string | null = null
  /** Why no backup could be made, and why what changed since couldn't be written down; each until it can. */
  private problem: string | null = null
  private notNoted: string | null = null
  private making: Promise<BackupFile> | undefined
  private practisedAt: string | null = null

  constructor(
    private readonly db: Db,
    private readonly data: string,
    private readonly at: { blank: string; migrations: string },
    private readonly now: () => Date = () => new Date(),
    /** Reads a backup through. */
    private readonly verify?: Verify,
  ) {
    this.folder = join(data, 'backups')
  }

  private async settings(): Promise<Settings> {
    try {
      return JSON.parse(await readFile(join(this.data, BACKUP_SETTINGS), 'utf8')) as Settings
    } catch {
      // there are none yet, or another hand was in them
      return {}
    }
  }
  private async set(change: Settings): Promise<void> {
    const path = join(this.data, BACKUP_SETTINGS)
    await writeFile(`${path}.begun`, JSON.stringify({ ...(await this.settings()), ...change }), { mode: 0o600 })
    await rename(`${path}.begun`, path)
  }

  /** Finds the chosen folder, and where its journal stopped; answers what to say where that folder isn't there. */
  async open(): Promise<string | undefined> {
    this.folder = backupFolder(this.data)
    const { folder, practisedAt } = await this.settings()
    this.practisedAt = typeof practisedAt === 'string' ? practisedAt : null
    this.room = await roomIn(this.db)
    // one chosen by an earlier version has no sign yet, but backups
    if (typeof folder === 'string' && (await backupsIn(folder)).length > 0) await this.sign().catch(() => undefined)
    this.problem = this.away() ?? null
    await this.takeUp()
    return this.problem ?? undefined
  }

  private sign(): Promise<void> {
    return writeFile(join(this.folder, SIGN), 'Backups of a Juvant wash room lie here.\n', { mode: 0o600 })
  }

  /** What to say where the chosen folder isn't the one that it was; undefined while it is. */
  private away(): string | undefined {
    if (this.folder === join(this.data, 'backups') || existsSync(join(this.folder, SIGN))) return undefined
    return `The folder for backups, ${this.folder}, isn’t there. Is the stick in? Put it back, or choose another folder under House, Backups.`
  }

  /** What is kept is a room of this name from now on; where it was `changed` throughout, backups begin anew. */
  async belongTo(room: string, changed: boolean): Promise<void> {
    this.room = room
    if (changed) await this.leaveJournal()
  }

  /** The newest backup's journal goes no further: what is changed from here on is no change of what was. */
  private async leaveJournal() {
    this.reached = undefined
    const newest = await this.newest()
    if (newest) await rm(join(this.folder, journalOf(newest.name)), { force: true })
  }

  private async newest(): Promise<BackupFile | undefined> {
    return (await backupsIn(this.folder))[0]
  }

  /** Goes on with the journal of the newest backup, if it has one. */
  private async takeUp() {
    this.reached = undefined
    const newest = await this.newest()
    if (!newest) return
    const journal = join(this.folder, journalOf(newest.name))
    const found = existsSync(journal) ? await reachedBy(journal) : undefined
    if (!found) return
    // a journal of another room, or of changes that this database never had, isn't gone on with
    const others = found.room !== undefined && this.room !== undefined && found.room !== this.room
    if (others || found.change > (await newestChange(this.db, await tablesThere(this.db)))) return
    this.reached = { change: found.change, bytes: found.bytes }
  }

  async state(): Promise<BackupState> {
    return {
      folder: this.folder,
      files: await backupsIn(this.folder),
      journalAt: this.journalAt,
      problem: this.problem ?? this.notNoted,
      making: this.making !== undefined,
      byServer: false,
      unreadable: setAside(),
      practisedAt: this.practisedAt,
    }
  }

  /** Makes a backup now; one at a time. Throws a refusal that says why where it can't. */
  make(): Promise<BackupFile> {
    this.making ??= this.makeOne().finally(() => (this.making = undefined))
    return this.making
  }

  private async makeOne(): Promise<BackupFile> {
    try {
      const away = this.away()
      if (away !== undefined) throw new Error(away)
      const { change, name, at, bytes } = await makeBackup(this.db, this.folder, this.now(), this.verify)
      this.journalAt = null
      this.reached = await beginJournal(join(this.folder, journalOf(name)), change, this.now(), this.room)
      this.problem = null
      this.notNoted = null
      await forgetOldChanges(this.db)
      return { name, at, bytes }
    } catch (error) {
      throw this.failed(error)
    }
  }

  private failed(error: unknown): Refusal {
    this.problem = (error as Error).message
    return new Refusal(507, 'No backup could be made', `${this.problem} What is kept is where it was.`)
  }

  /**
   * Does something after which nothing is as it was. A copy of what there is is put aside first, which stays until
   * somebody takes it away; answers where it lies. Backups begin anew after it.
   */
  async across(work: () => Promise<void>): Promise<string> {
    const copy = join(this.folder, `${COPY}-${stampOf(this.now())}.jsonl.gz`)
    await writeBackup(this.db, copy, this.now(), this.verify).catch((error: unknown) => {
      throw this.failed(error)
    })
    await this.leaveJournal()
    await work()
    await this.make()
    return copy
  }

  /** Everything in the folder that holds what was kept: backups, their journals, copies put aside. */
  async copies(): Promise<string[]> {
    const names = await readdir(this.folder).catch(() => [] as string[])
    return names.filter((name) => madeAt(name) !== undefined || name.startsWith(COPY))
  }

  /**
   * After something was deleted for good: a backup of what is left, so that the journal of what went goes no further; with
   * `only` the others, and what was put aside, are deleted too.
   */
  async after(only: boolean): Promise<void> {
    const before = await this.copies()
    await this.making?.catch(() => undefined)
    const { name } = await this.make()
    if (!only) return
    for (const old of before.filter((n) => n !== name)) {
      await rm(join(this.folder, old), { force: true })
      await rm(join(this.folder, journalOf(old)), { force: true })
    }
  }

  /** Where the newest backup lies. */
  async path(name: string): Promise<string> {
    if (!(await backupsIn(this.folder)).some((b) => b.name === name))
      throw new Refusal(404, 'Not found', 'There is no such backup any more.')
    return join(this.folder, name)
  }

  /** Makes a backup when the last one is old, and writes down what changed since. */
  async tend(): Promise<void> {
    const newest = await this.newest()
    const age = newest ? this.now().getTime() - new Date(newest.at).getTime() : Infinity
    const hour = this.now().getHours()
    const night = hour >= NIGHT.from && hour < NIGHT.to
    if (this.reached === undefined || age > LATE_MS || (night && age > OLD_MS)) await this.make()
    await this.writeDown()
  }

  /** Writes down what changed since the newest backup; where that is very much, makes a new one. */
  async writeDown(): Promise<void> {
    const newest = await this.newest()
    if (this.reached === undefined || !newest || this.making) return
    const journal = join(this.folder, journalOf(newest.name))
    try {
      const changes = (await newestChange(this.db, await tablesThere(this.db))) - this.reached.change
      if (changes > MOST_CHANGES) return void (await this.make())
      this.reached = await writeJournal(this.db, journal, this.reached, this.now())
      this.journalAt = this.now().toISOString()
      this.notNoted = null
    } catch (error) {
      this.notNoted = (error as Error).message
      this.journalAt = null
      // it goes on from what of the journal is whole
      await this.takeUp().catch(() => undefined)
    }
  }

  /** Keeps backups in another folder from now on: a stick, a share. Those made before stay where they are. */
  async moveTo(folder: string): Promise<void> {
    const refuse = (why: string) =>
      new Refusal(422, 'Some of it can’t be taken', `folder: ${why}`, [{ field: 'folder', message: why }])
    if (!isAbsolute(folder)) throw refuse('Give the whole path, from the root of the disk.')
    const path = resolve(folder)
    try {
      await mkdir(path, { recursive: true, mode: 0o700 })
      await access(path, constants.W_OK | constants.X_OK)
    } catch (error) {
      throw refuse(`Nothing can be written there (${(error as NodeJS.ErrnoException).code}). Is the stick in?`)
    }
    await this.set({ folder: path })
    this.folder = path
    await this.sign()
    this.reached = undefined
    await this.make()
  }

  /**
   * Restores the newest backup, with what was written down since, into a folder that is thrown away, and compares it with
   * what is kept: as many rows of each table. It is written down that it was practised where they agree.
   */
  async practise(): Promise<Practised> {
    await this.writeDown()
    const newest = (await this.newest()) ?? (await this.make())
    const { into, at, until, counts } = await this.restore(newest.name)
    try {
      const kept = await countRows(this.db, await tablesThere(this.db))
      // what is told of changes may go on growing meanwhile
      const apart = Object.keys(kept).filter((table) => table !== 'changes' && kept[table] !== counts[table])
      if (apart.length === 0) {
        this.practisedAt = this.now().toISOString()
        await this.set({ practisedAt: this.practisedAt })
      }
      return { at, until, counts, apart, practisedAt: this.practisedAt }
    } finally {
      await rm(into, { recursive: true, force: true })
    }
  }

  /** Restores a backup into a new folder beside the data; nothing that is kept is touched. */
  async restore(name: string): Promise<Restored & { into: string }> {
    const path = await this.path(name)
    const into = restoredBeside(this.data, this.now())
    try {
      return { into, ...(await restoreInto(path, into, this.at)) }
    } catch (error) {
      await rm(into, { recursive: true, force: true })
      if (error instanceof UnreadableBackup) throw new Refusal(422, 'It can’t be restored', error.message)
      throw error
    }
  }
}
