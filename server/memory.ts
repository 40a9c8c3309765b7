import type { Target } from '../core/learn'
import { readLog, type Lessons } from '../core/learn'
import { suitedOf, taughtBy, type Dated, type Taught } from '../core/logbook'
import type { Stressor } from '../core/handling'
import type { Memory } from '../core/visit'
import type { Dog } from '../core/dog'
import type { Db, Queries } from './db/db'
import { briefs, outcomesStamp, pastOf, stepLog } from './db/outcomes'

/** The log as it was last read. */
interface Read {
  stamp: string
  log: Record<string, Dated[]>
  lessons: (target: Target) => Lessons
  known: Map<string, Lessons>
  taught?: Promise<Taught[]>
}

const lastRead = new WeakMap<Queries, Promise<Read>>()

async function readAnew(db: Queries, stamp: string): Promise<Read> {
  const log = await stepLog(db)
  return { stamp, log, lessons: readLog(log), known: new Map() }
}

/** The log, read again only when something in it, or from when on it is learned, has changed. */
async function theLog(db: Db): Promise<Read> {
  const { rows } = await db.query<{ since: string }>(
    `select coalesce((select record ->> 'learnFrom' from house), '') || ' ' ||
            coalesce((select string_agg(id || (record ->> 'learnFrom'), ' ' order by id) from dogs where record ->> 'learnFrom' is not null), '') as since`,
  )
  const stamp = `${await outcomesStamp(db)} ${rows[0]!.since}`
  const last = lastRead.get(db)
  if (last && (await last).stamp === stamp) return last
  const reading = readAnew(db, stamp)
  lastRead.set(db, reading)
  return reading
}

/** What the log knows of one dog. */
export async function memoryOf(db: Db, dogId: string, dog: Pick<Dog, 'coat'>): Promise<Memory> {
  const read = await theLog(db)
  const key = `${dogId} ${dog.coat}`
  const lessons = read.known.get(key) ?? read.lessons({ dog: dogId, coat: dog.coat })
  read.known.set(key, lessons)
  const past = await pastOf(db, dogId)
  const damp = new Map<string, number>()
  for (const { damp: zones } of past) for (const zone of new Set(zones)) damp.set(zone, (damp.get(zone) ?? 0) + 1)
  const suited = suitedOf(await briefs(db, { dogId })).map((s) => s.words)
  return {
    lessons,
    suited,
    borne: past.flatMap(({ day, settled }) =>
      Object.entries(settled).map(([stressor, how]) => ({ date: day, stressor: stressor as Stressor, ...how })),
    ),
    happened: past.flatMap(({ day, happened, steps }) =>
      happened.map(({ what, step }) => ({
        date: day,
        what,
        step: (step && (steps as Record<string, string> | null)?.[step]) ?? '',
      })),
    ),
    damp: [...damp].map(([zone, visits]) => ({ zone, visits })),
  }
}

/** What the whole log taught; reckoned once for a log. */
export async function taught(db: Db): Promise<Taught[]> {
  const read = await theLog(db)
  read.taught ??= briefs(db, {}).then((all) => taughtBy(read.log, all))
  return read.taught
}
