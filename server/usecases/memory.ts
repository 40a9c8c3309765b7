import type { LogQuery } from '@contract'
import type { Dog, Zone } from '@core/dog'
import type { Stressor } from '@core/handling'
import { readLog, type Lessons, type Target } from '@core/learn'
import { suitedOf, type Brief, type Dated, type Taught, type Wild } from '@core/logbook'
import { ENGINE, type Memory } from '@core/visit'
import { daysOf } from '@core/washday'
import { rhythmOf } from '../db/days'
import type { Db, Queries } from '../db/db'
import { learnFrom, outcomesStamp, visitsSince, type LoggedVisit } from '../db/outcomes'
import { keepTold, lastTold, tellOfLog } from '../db/told'
import type { ServerWork } from '../work/jobs'

/** The log as it was last read: ended visits by id, and what was worked out from them. */
interface Read {
  key: string
  newest: number
  visits: Map<string, LoggedVisit>
  /** In brief, the oldest first. */
  briefs: Brief[]
  byDog: Map<string, Brief[]>
  steps: Record<string, Dated[]>
  lessons: (target: Target) => Lessons
  known: Map<string, Lessons>
  told: { taught?: Promise<Taught[]>; wild?: Promise<Wild[]> }
}

const lastRead = new WeakMap<Queries, Promise<Read>>()

type Since = Awaited<ReturnType<typeof learnFrom>>

/** Steps and zones by kind, the oldest first, from when on they are learned from. */
function stepsIn(briefs: readonly Brief[], visits: ReadonlyMap<string, LoggedVisit>, { house, dogs }: Since) {
  const steps: Record<string, Dated[]> = {}
  for (const { visitId, dogId: dog, coat, date, drying, by } of briefs) {
    if ((house !== null && date < house) || date < (dogs[dog] ?? '')) continue
    for (const [kind, model, actual, aside] of visits.get(visitId)!.timed) {
      const done: Dated = { visitId, dog, coat, date, model, actual }
      if (aside !== null) done.setAside = aside
      if (by) done.person = by
      if (kind === 'dry' && drying) done.dryer = drying.dryer
      ;(steps[kind] ??= []).push(done)
    }
  }
  return steps
}

/** Reads what is new in the log onto what was known of it; all of it when something was taken away. */
async function readOn(db: Db, key: string, count: number, newest: number, since: Since, last?: Read): Promise<Read> {
  const fresh = await visitsSince(db, last?.newest ?? 0)
  let visits = new Map([...(last?.visits ?? []), ...fresh])
  if (visits.size !== count) visits = await visitsSince(db, 0)
  const briefs = [...visits.values()]
    .map((v) => v.brief)
    .sort((a, b) => a.date.localeCompare(b.date) || a.began - b.began || a.visitId.localeCompare(b.visitId))
  const byDog = new Map<string, Brief[]>()
  for (const b of briefs) {
    const own = byDog.get(b.dogId)
    if (own) own.push(b)
    else byDog.set(b.dogId, [b])
  }
  const steps = stepsIn(briefs, visits, since)
  return { key, newest, visits, briefs, byDog, steps, lessons: readLog(steps), known: new Map(), told: {} }
}

/** The log, read on only when something in it, or from when on it is learned, has changed. */
async function theLog(db: Db): Promise<Read> {
  const [{ newest, count }, since] = [await outcomesStamp(db), await learnFrom(db)]
  const key = JSON.stringify([newest, count, since])
  const last = await lastRead.get(db)?.catch(() => undefined)
  if (last?.key === key) return last
  const reading = readOn(db, key, count, newest, since, last)
  lastRead.set(db, reading)
  return reading
}

/** Reads the log ahead of the first question, so that none has to wait for it. */
export async function warmLog(db: Db): Promise<void> {
  await theLog(db)
}

/** How many of a dog's last visits are remembered for what happened and how it bore them. */
const LAST_VISITS = 24
/** Of how many last visits signs in the ears are told. */
const EAR_VISITS = 2
/** Of how many last visits notes are shown again where they belong. */
const NOTED_VISITS = 4

/** What its owner said after visits: of the last that was asked about, and after which it scratched. */
async function afterVisits(db: Db, dogId: string) {
  const { rows } = await db.query<{ date: string; answers: Omit<NonNullable<Memory['after']>, 'date'> }>(
    `select to_char(date, 'YYYY-MM-DD') as date, answers from answers
      where dog_id = $1 and kind = 'after' order by date desc, said_at desc limit 60`,
    [dogId],
  )
  const all = rows.map(({ date, answers: { scratching, earShaking, dampSmell } }) => ({
    date,
    scratching,
    earShaking,
    dampSmell,
  }))
  const scratched = all.filter((a) => a.scratching !== 'no').map((a) => `${dogId} ${a.date}`)
  return { last: all[0] ?? null, scratched: new Set(scratched) }
}

/** What the log knows of one dog. */
export async function memoryOf(db: Db, dogId: string, dog: Pick<Dog, 'coat'>): Promise<Memory> {
  const { lessons: read, known, byDog } = await theLog(db)
  const key = `${dogId} ${dog.coat}`
  const lessons = known.get(key) ?? read({ dog: dogId, coat: dog.coat })
  known.set(key, lessons)
  const own = byDog.get(dogId) ?? []
  const past = own.filter((b) => b.leftOut === null).slice(-LAST_VISITS)
  const damp = new Map<string, number>()
  const agreed = await rhythmOf(db, dogId)
  const after = await afterVisits(db, dogId)
  for (const b of past) for (const zone of new Set(b.damp)) damp.set(zone, (damp.get(zone) ?? 0) + 1)
  return {
    lessons,
    suited: suitedOf(own, after.scratched),
    borne: past.flatMap(({ date, settled }) =>
      Object.entries(settled).map(([stressor, how]) => ({ date, stressor: stressor as Stressor, ...how })),
    ),
    happened: past.flatMap(({ date, happened }) => happened.map(({ what, step }) => ({ date, what, step }))),
    earSigns: past.slice(-EAR_VISITS).flatMap(({ date, earSigns = [] }) => earSigns.map((e) => ({ date, ...e }))),
    noted: past
      .slice(-NOTED_VISITS)
      .flatMap(({ date, pinned = [] }) =>
        pinned.map(({ text, step, zone }) => ({ date, text, step: step ?? null, zone: zone ?? null })),
      ),
    after: after.last,
    agreed: agreed ? daysOf(agreed) : null,
    came: past.map((b) => b.date),
    cared: Object.fromEntries(past.flatMap(({ date, cared = [] }) => cared.map((care) => [care, date]))),
    cut: past.flatMap(({ date, cut }) => (cut ? [{ date, zones: cut }] : [])).at(-1) ?? null,
    damp: [...damp].map(([zone, visits]) => ({ zone: zone as Zone, visits })),
  }
}

/** Ended visits in brief, the newest first: all of them, and those that were asked for. */
export async function loggedVisits(db: Db, { dogId, from, to, product }: LogQuery) {
  const { briefs: all } = await theLog(db)
  const asked = all.filter(
    (b) =>
      (dogId === undefined || b.dogId === dogId) &&
      (from === undefined || b.date >= from) &&
      (to === undefined || b.date <= to) &&
      (product === undefined || b.used.some((u) => u.name === product)),
  )
  return { all, asked: asked.reverse() }
}

/** How long a log may take to be worked out, ms: ten busy years take seconds. */
const WORK_OUT = { deadlineMs: 120_000, tooMuch: 'Learn from a later date on.' }

/** How long what is worked out anew is waited for before what was last told is shown instead, ms. */
const PATIENCE_MS = 700

interface Made {
  taught: Taught[]
  wild: Wild[]
}
/** Something that was worked out of the log; `older`: of an earlier state of it, while it is made anew. */
export interface OfLog<T> {
  made: T
  older: boolean
}

/** Works something out of a log and keeps it, so that it is there at once after a start. */
async function workOut<K extends keyof Made>(db: Db, read: Read, job: K, work: ServerWork): Promise<Made[K]> {
  const key = `${ENGINE} ${read.key}`
  const last = await lastTold<Made[K]>(db, job)
  if (last?.key === key) return last.made
  const made = (await work.do(job, { steps: read.steps, briefs: read.briefs }, WORK_OUT)) as Made[K]
  await keepTold(db, job, key, made)
  return made
}

/** The same, once; what failed is tried again when it is asked for again. Where it takes long what was last told comes first. */
async function once<K extends keyof Made>(db: Db, read: Read, job: K, work: ServerWork): Promise<OfLog<Made[K]>> {
  const told = read.told as { [J in K]?: Promise<Made[J]> }
  const doing = (told[job] ??= workOut(db, read, job, work))
  doing.catch(() => delete told[job])
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<undefined>((resolve) => {
    timer = setTimeout(() => resolve(undefined), PATIENCE_MS)
  })
  const quick = await Promise.race([doing, late]).finally(() => clearTimeout(timer))
  if (quick) return { made: quick, older: false }
  const last = await lastTold<Made[K]>(db, job)
  if (!last) return { made: await doing, older: false }
  doing.then(() => tellOfLog(db)).catch(() => undefined)
  return { made: last.made, older: true }
}

/** What the whole log taught. */
export const taught = async (db: Db, work: ServerWork): Promise<OfLog<Taught[]>> =>
  once(db, await theLog(db), 'taught', work)

/** Numbers of the log that are too far from the others to be learned from, the newest first. */
export const wildNumbers = async (db: Db, work: ServerWork): Promise<OfLog<Wild[]>> =>
  once(db, await theLog(db), 'wild', work)
