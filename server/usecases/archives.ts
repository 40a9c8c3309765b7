import { randomUUID } from 'node:crypto'
import { readdirSync, statSync } from 'node:fs'
import { mkdir, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { type z } from 'zod'
import type { ArchivePreview, ArchiveProgress, ArchiveTaken, ArchiveTake } from '@contract'
import { mergeArchive, type Merged, type Taking } from '../archive/merge'
import { UnreadableArchive, type ArchivePart } from '../archive/read'
import type { Keeper } from '../backup/keeper'
import type { Db } from '../db/db'
import { notFound, Refusal } from '../problems'
import type { ServerWork } from '../work/jobs'
import { eachPart } from '../work/work'

/** How long an archive may take to be read, ms, and how long one that was looked at waits to be taken. */
const READ_MS = 120_000
const WAITS_MS = 3_600_000

/** Archives that were sent: looked at, then taken. */
export class Archives {
  constructor(
    private readonly db: Db,
    private readonly work: ServerWork,
    /** Where files that were sent lie. */
    private readonly incoming: string,
    private readonly backups?: Keeper,
  ) {}

  /** How many records are in those that were looked at. */
  private readonly looked = new Map<string, number>()
  /** What is being taken. */
  private taking: { token: string; done: number; of: number; stopped: boolean } | undefined

  private path(token: string) {
    return join(this.incoming, `${token}.archive`)
  }

  private async merge(path: string, taking: Taking): Promise<Merged> {
    const limits = { deadlineMs: READ_MS, tooMuch: 'Take an archive of fewer years.' }
    const count = (things: number) => taking.keep && this.count(things)
    const parts = async function* (read: AsyncIterable<ArchivePart | { why: string }>) {
      for await (const part of read) {
        if ('why' in part) throw new UnreadableArchive(part.why)
        yield part
        if ('things' in part) count(part.things.length)
      }
    }
    const { rows } = await this.db.query<{ name: string }>('select name from migrations')
    const known = rows.map((r) => r.name)
    try {
      return await mergeArchive(this.db, parts(eachPart(this.work, 'archive', path, limits)), known, taking)
    } catch (error) {
      if (!(error instanceof UnreadableArchive)) throw error
      throw new Refusal(422, 'It can’t be read', `${error.message} Nothing was kept.`)
    }
  }

  /** Looks what an archive would do; its file waits for an hour to be taken. */
  async look(sent: string): Promise<ArchivePreview> {
    this.forget()
    const { head, ...merged } = await this.merge(sent, { keep: false, over: false, house: false })
    const token = randomUUID()
    await mkdir(this.incoming, { recursive: true, mode: 0o700 })
    await rename(sent, this.path(token))
    this.looked.set(
      token,
      merged.counts.reduce((sum, c) => sum + c.adds + c.same + c.differs + c.lost, 0),
    )
    const { rows } = await this.db.query<{ empty: boolean }>(
      'select not (exists (select 1 from dogs) or exists (select 1 from products) or exists (select 1 from visits) or exists (select 1 from days)) as empty',
    )
    return { ...merged, token, at: head.at, engine: head.engine, empty: rows[0]!.empty }
  }

  private count(things: number) {
    if (!this.taking) return
    this.taking.done += things
    // what was put in is taken back with the transaction
    if (this.taking.stopped)
      throw new Refusal(409, 'Stopped', 'The archive was taken no further. Nothing of it was kept.')
  }

  /** How far the archive is that is being taken. */
  progress(): z.output<typeof ArchiveProgress> {
    return this.taking ? { done: this.taking.done, of: this.taking.of } : null
  }

  /** Takes an archive no further: whoever waits for it is told, and nothing of it is kept. */
  stop(token: string): void {
    if (this.taking?.token !== token) throw notFound('archive that is being taken')
    this.taking.stopped = true
  }

  /** Takes one that was looked at; a backup of what was here is made before. */
  async take({ token, over, house }: z.output<typeof ArchiveTake>): Promise<z.output<typeof ArchiveTaken>> {
    const path = this.path(token)
    if (!statSync(path, { throwIfNoEntry: false })) throw notFound('archive that was looked at')
    if (this.taking) throw new Refusal(409, 'One at a time', 'Another archive is being taken. Wait for it.')
    this.taking = { token, done: 0, of: this.looked.get(token) ?? 0, stopped: false }
    try {
      const backup = this.backups ? (await this.backups.make()).name : null
      const merged = await this.merge(path, { keep: true, over, house })
      await rm(path, { force: true })
      return { counts: merged.counts, house: house && merged.house === 'differs', backup }
    } finally {
      this.taking = undefined
    }
  }

  /** Drops what nobody took. */
  private forget() {
    const names = statSync(this.incoming, { throwIfNoEntry: false }) ? readdirSync(this.incoming) : []
    // files are dated by the computer's clock, whatever the program's says, and that may be set meanwhile
    const now = performance.timeOrigin + performance.now()
    for (const name of names) {
      const at = statSync(join(this.incoming, name), { throwIfNoEntry: false })?.mtimeMs ?? 0
      if (now - at > WAITS_MS) void rm(join(this.incoming, name), { force: true })
    }
  }
}
