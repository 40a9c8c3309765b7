import { randomUUID } from 'node:crypto'
import { readdirSync, statSync } from 'node:fs'
import { mkdir, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { type z } from 'zod'
import type { ArchivePreview, ArchiveTaken, ArchiveTake } from '@contract'
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

  private path(token: string) {
    return join(this.incoming, `${token}.archive`)
  }

  private async merge(path: string, taking: Taking): Promise<Merged> {
    const limits = { deadlineMs: READ_MS, tooMuch: 'Take an archive of fewer years.' }
    const parts = async function* (read: AsyncIterable<ArchivePart | { why: string }>) {
      for await (const part of read) {
        if ('why' in part) throw new UnreadableArchive(part.why)
        yield part
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
    const { rows } = await this.db.query<{ empty: boolean }>(
      'select not (exists (select 1 from dogs) or exists (select 1 from products) or exists (select 1 from visits) or exists (select 1 from days)) as empty',
    )
    return { ...merged, token, at: head.at, engine: head.engine, empty: rows[0]!.empty }
  }

  /** Takes one that was looked at; a backup of what was here is made before. */
  async take({ token, over, house }: z.output<typeof ArchiveTake>): Promise<z.output<typeof ArchiveTaken>> {
    const path = this.path(token)
    if (!statSync(path, { throwIfNoEntry: false })) throw notFound('archive that was looked at')
    const backup = this.backups ? (await this.backups.make()).name : null
    const merged = await this.merge(path, { keep: true, over, house })
    await rm(path, { force: true })
    return { counts: merged.counts, house: house && merged.house === 'differs', backup }
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
