import type { CalendarPreview } from '@contract'
import type { MessagePort } from 'node:worker_threads'
import { arrangeDay, searchDay, type DayProblem } from '@core/day'
import { drive, until } from '@core/turns'
import { withPeer } from './peer'
import { practiceDay } from './practice'
import { taughtBy, wildIn, type Brief, type Dated } from '@core/logbook'
import { readArchive, UnreadableArchive, type ArchivePart } from '../archive/read'
import { renderPdf, said, type Paper } from '../formats/pdf'
import { verifyBackup, type ReadBackup } from '../backup/backup'
import { UnreadableBackup } from '../backup/file'
import { fromCsv, type ReadTable, type TableOf } from '../formats/csv'
import { readCalendar, UnreadableCalendar, type CalendarSetting } from '../formats/calendar'
import type { Jobs, Work } from './work'

/** Tries of the day of practice: enough for every part of the search to have run. */
const PRACTICE_TRIES = 30_000

/** A day to be arranged, how long that may take, and where another search of it is heard. */
interface DayWithin {
  problem: DayProblem
  seed: number
  budgetMs: number
  port?: MessagePort
}
const MOST_TRIES = 5_000_000

/** Whether so many milliseconds have gone by since it was made. */
function overIn(ms: number): () => boolean {
  const end = performance.now() + ms
  return () => performance.now() >= end
}

/** Steps of a log by kind, and its visits in brief. */
interface WholeLog {
  steps: Record<string, Dated[]>
  briefs: Brief[]
}

/** What is too long to be done between two requests: plain data in, plain data out. */
export const JOBS = {
  /**
   * The best order of a day within its budget, or what stands in the way. Of what a search beside tells, it takes bounds
   * alone, so that a seed goes on leading to the same day.
   */
  arrange({ problem, seed, budgetMs, port }: DayWithin) {
    const options = { seed, tries: MOST_TRIES, shouldStop: overIn(budgetMs) }
    if (!port) return arrangeDay(problem, options)
    return withPeer(port, 'bounds', (peer) => arrangeDay(problem, { ...options, peer, temper: 'near' }))
  },
  /** The same search beside the first, by another chance and over all days; what stands in the way isn't asked. */
  arrangeBeside({ problem, seed, budgetMs, port }: DayWithin & { port: MessagePort }) {
    const over = overIn(budgetMs)
    return withPeer(port, 'all', (peer) =>
      drive(until(searchDay(problem, { seed, tries: MOST_TRIES, peer, temper: 'whole' }), over)),
    )
  },
  /** Arranges a day and prints a paper of practice, so that the first ones asked for aren't slower than those after them. */
  async warm(): Promise<void> {
    arrangeDay(practiceDay(), { tries: PRACTICE_TRIES })
    await renderPdf({ title: 'practice', content: [said('practice')] })
  },
  /** What a log taught. */
  taught: ({ steps, briefs }: WholeLog) => taughtBy(steps, briefs),
  /** Numbers of a log that are too far from the others. */
  wild: ({ steps, briefs }: WholeLog) => wildIn(steps, briefs),
  /** The bookings of a calendar file; or in plain words why it can't be read. */
  async bookings({
    text,
    setting,
  }: {
    text: string
    setting: CalendarSetting
  }): Promise<{ ok: true; read: CalendarPreview } | { ok: false; why: string }> {
    try {
      return { ok: true, read: await readCalendar(text, setting) }
    } catch (error) {
      if (error instanceof UnreadableCalendar) return { ok: false, why: error.message }
      throw error
    }
  },
  /** Reads a backup through; or in plain words what is wrong with it. */
  async verify(path: string): Promise<{ ok: true; read: ReadBackup } | { ok: false; why: string }> {
    try {
      return { ok: true, read: await verifyBackup(path) }
    } catch (error) {
      if (error instanceof UnreadableBackup) return { ok: false, why: error.message }
      throw error
    }
  },
  /** A table as it was read. */
  csv: ({ of, text }: { of: TableOf; text: string }): ReadTable<TableOf> => fromCsv(of, text),
  /** A paper as a PDF. */
  pdf: async (paper: Paper): Promise<Uint8Array> => renderPdf(paper),
  /** The parts of an archive's file; at its end, in plain words, why it can't be read further. */
  *archive(path: string): Generator<ArchivePart | { why: string }, void> {
    try {
      yield* readArchive(path)
    } catch (error) {
      if (!(error instanceof UnreadableArchive)) throw error
      yield { why: error.message }
    }
  },
} satisfies Jobs

/** Where the server's long jobs are done. */
export type ServerWork = Work<typeof JOBS>
