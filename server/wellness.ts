import { monitorEventLoopDelay } from 'node:perf_hooks'
import type { Trouble, Wellness as Answer } from '@contract'
import type { Keeper } from './backup/keeper'
import type { Db } from './db/db'
import { roomIn } from './db/room'
import { LEAST_FREE } from './folder'
import type { ServerWork } from './work/jobs'

const [MINUTE, HOUR, DAY] = [60_000, 3_600_000, 86_400_000]
/** Beyond these something is said: the age of a backup, a clock that goes before what is kept, the end of a certificate, a restore practised. */
const LIMITS = { backup: 2 * DAY, clock: 2 * MINUTE, certificate: 14 * DAY, practise: 365 * DAY }
/** From how much free space on the disk is called nearly full, bytes; below `LEAST_FREE` nothing is written. */
const LITTLE_FREE = 10 * LEAST_FREE
/** How long a start has to make its first backup, ms. */
const FIRST_BACKUP = 5 * MINUTE

/** What is looked at. Whatever isn't given isn't looked at. */
export interface Looked {
  db: Db
  backups?: Keeper
  free?: () => number
  work?: ServerWork
  /** When the certificate by which others reach the program ends. */
  certificateEnds?: () => Date | undefined
  now?: () => number
}

const span = (ms: number) =>
  ms >= 2 * DAY
    ? `${Math.floor(ms / DAY)} days`
    : ms >= 2 * HOUR
      ? `${Math.floor(ms / HOUR)} h`
      : `${Math.floor(ms / MINUTE)} min`
/** How often the loop is looked at, ms; each look comes so late by itself. */
const LOOK_MS = 10
const past = (ns: number) => Math.max(0, Math.round(ns / 1e5 - 10 * LOOK_MS) / 10)

/** Looks at how well a room is kept: its backups, its disk, its clock, and how quickly the program answers. */
export class Wellness {
  private readonly now: () => number
  private readonly startedAt: number
  private readonly loop = monitorEventLoopDelay({ resolution: LOOK_MS })
  private loopMs: Answer['loopMs'] = { p50: 0, p99: 0, most: 0 }
  private loopAt: number

  constructor(private readonly looked: Looked) {
    this.now = looked.now ?? Date.now
    this.startedAt = this.now()
    this.loopAt = this.startedAt
    this.loop.enable()
  }

  /** How long asks waited for the loop, over the last minute that is over; over what there is of the first. */
  private waited(): Answer['loopMs'] {
    const first = this.loopAt === this.startedAt
    const over = this.now() - this.loopAt >= MINUTE
    if (first || over)
      this.loopMs = {
        p50: past(this.loop.percentile(50)),
        p99: past(this.loop.percentile(99)),
        most: past(this.loop.max),
      }
    if (over) {
      this.loop.reset()
      this.loopAt = this.now()
    }
    return this.loopMs
  }

  /** How long the clock is before the newest of what is kept, ms; 0 while it isn't. */
  private async clockBehind(): Promise<number> {
    const { rows } = await this.looked.db.query<{ at: Date | null }>(
      'select at from changes where id = (select max(id) from changes)',
    )
    return rows[0]?.at ? Math.max(0, new Date(rows[0].at).getTime() - this.now()) : 0
  }

  /** How well it is, asked anew. */
  async look(): Promise<Answer> {
    const { db, backups, free, work, certificateEnds } = this.looked
    const now = this.now()
    const state = await backups?.state()
    const newest = state?.files[0]
    const age = newest ? now - Date.parse(newest.at) : Infinity
    const troubles: Trouble[] = []
    const say = (what: Trouble['what'], says: string) => troubles.push({ what, says })
    if (state?.problem) say('backup', `The last backup failed: ${state.problem}`)
    else if (state && !newest && now - this.startedAt > FIRST_BACKUP)
      say('backup', 'There is no backup yet. Make one now.')
    else if (newest && age > LIMITS.backup) say('backup', `The newest backup is ${span(age)} old. Make one now.`)
    const left = free?.()
    if (left !== undefined && left < LITTLE_FREE)
      say(
        'disk',
        `The disk has ${Math.floor(left / 1e6)} MB left. Make room: below ${Math.ceil(LEAST_FREE / 1e6)} MB nothing is written any more.`,
      )
    const behind = await this.clockBehind()
    if (behind > LIMITS.clock)
      say(
        'clock',
        `The clock of this machine is ${span(behind)} before what was written last. Set it right before the next visit.`,
      )
    const ends = certificateEnds?.()
    if (ends && ends.getTime() - now < LIMITS.certificate)
      say(
        'certificate',
        `The certificate for other devices ends on ${ends.toISOString().slice(0, 10)}. Start the program again: it makes a new one.`,
      )
    if (state && state.unreadable.length > 0)
      say(
        'records',
        `${state.unreadable.length === 1 ? 'One record' : `${state.unreadable.length} records`} can’t be read: see Backups.`,
      )
    const practised = state && !state.byServer ? (state.practisedAt ?? state.files.at(-1)?.at) : undefined
    if (practised !== undefined && now - Date.parse(practised) > LIMITS.practise)
      say(
        'practise',
        state?.practisedAt
          ? 'A restore was practised over a year ago. Practise one: it takes a minute and touches nothing.'
          : 'A restore was never practised. Practise one: it takes a minute and touches nothing.',
      )
    return {
      room: (await roomIn(db)) ?? null,
      keptBy: backups ? 'folder' : 'server',
      startedAt: new Date(this.startedAt).toISOString(),
      backup: newest
        ? { at: newest.at, ageMin: Math.floor(Math.max(0, age) / MINUTE), journalAt: state?.journalAt ?? null }
        : null,
      waiting: work?.waiting() ?? 0,
      loopMs: this.waited(),
      troubles,
    }
  }

  /** Stops looking. */
  close(): void {
    this.loop.disable()
  }
}
