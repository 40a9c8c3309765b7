import type { AsideWhy } from '@core/learn'
import type { Brief } from '@core/logbook'
import type { Outcome } from '@core/tubside'
import type { Queries } from './db'

/** A step of an ended visit as it was timed, minutes; the code of why nothing is learned from it. */
export interface TimedStep {
  visit: string
  date: string
  dog: string
  coat: string
  kind: string
  model: number
  actual: number
  aside: string | null
}

/** An ended visit to keep: as it went, in brief, and the minutes of its steps by kind. */
export interface OutcomeRow {
  outcome: Outcome
  brief: Brief
  done: Record<string, { model: number; actual: number; setAside?: AsideWhy }>
}

/** Whether a visit has been finished. */
export async function isFinished(db: Queries, visitId: string): Promise<boolean> {
  const { rows } = await db.query(
    "select 1 from visit_events where visit_id = $1 and event ->> 'kind' = 'finish' limit 1",
    [visitId],
  )
  return rows.length > 0
}

/** Puts what is told of a visit in place of what was told before; nothing when it hasn't ended (any more). */
export async function replaceOutcome(db: Queries, visitId: string, row?: OutcomeRow): Promise<void> {
  await db.query('delete from outcomes where visit_id = $1', [visitId])
  if (!row) return
  const { dogId, date, coat } = row.brief
  await db.query(
    'insert into outcomes (visit_id, dog_id, date, coat, record, summary) values ($1, $2, $3, $4, $5, $6)',
    [visitId, dogId, date, coat, JSON.stringify(row.outcome), JSON.stringify(row.brief)],
  )
  const done = Object.entries(row.done).map(([kind, d]) => ({ kind, ...d }))
  await db.query(
    `insert into step_minutes (visit_id, kind, dog_id, coat, date, model, actual, aside)
       select $1, d ->> 'kind', $2, $3, $4, (d ->> 'model')::float8, (d ->> 'actual')::float8, (d -> 'setAside')::text
         from jsonb_array_elements($5::jsonb) as d`,
    [visitId, dogId, coat, date, JSON.stringify(done)],
  )
}

/** What outcomes told before it was kept lack. */
const SINCE: Pick<Outcome, 'by' | 'rinse' | 'ears' | 'quick'> = {
  quick: { ticked: 0, of: 0, learn: true },
  by: '',
  rinse: { passes: 0, planned: 0, fingers: null, slippery: [] },
  ears: { left: { rounds: 0, clean: false }, right: { rounds: 0, clean: false } },
}

/** One visit as it went, or undefined while it hasn't ended. */
export async function findOutcome(db: Queries, visitId: string): Promise<Outcome | undefined> {
  const { rows } = await db.query<{ record: Outcome }>('select record from outcomes where visit_id = $1', [visitId])
  return rows[0] && { ...SINCE, ...rows[0].record }
}

/** What changes whenever any outcome does: the newest stamp, and how many there are. */
export async function outcomesStamp(db: Queries): Promise<{ newest: number; count: number }> {
  const { rows } = await db.query<{ newest: string; count: string }>(
    'select coalesce(max(stamp), 0)::text as newest, count(*)::text as count from outcomes',
  )
  return { newest: Number(rows[0]!.newest), count: Number(rows[0]!.count) }
}

/** A step or zone that was timed: its kind, minutes of the model and taken, and why they don't count. */
export type Timed = [kind: string, model: number, actual: number, aside: AsideWhy | null]

/** An ended visit as learning reads it. */
export interface LoggedVisit {
  brief: Brief
  timed: Timed[]
}

/** Ended visits told since a stamp, by their ids; 0 for all. */
export async function visitsSince(db: Queries, stamp: number): Promise<Map<string, LoggedVisit>> {
  const { rows } = await db.query<{ id: string; summary: Brief; timed: Timed[] | null }>(
    `select o.visit_id as id, o.summary,
            (select json_agg(json_build_array(kind, model, actual, aside::json)) from step_minutes m where m.visit_id = o.visit_id) as timed
       from outcomes o where o.stamp > $1`,
    [stamp],
  )
  return new Map(rows.map(({ id, summary, timed }) => [id, { brief: summary, timed: timed ?? [] }]))
}

/** From when on is learned: for the house, and for dogs that have a date of their own. */
export async function learnFrom(db: Queries): Promise<{ house: string | null; dogs: Record<string, string> }> {
  const { rows } = await db.query<{ house: string | null; dogs: Record<string, string> | null }>(
    `select (select record ->> 'learnFrom' from house) as house,
            (select json_object_agg(id, record ->> 'learnFrom') from dogs where record ->> 'learnFrom' is not null) as dogs`,
  )
  return { house: rows[0]!.house, dogs: rows[0]!.dogs ?? {} }
}

/** Ended visits in brief, the oldest first. */
export async function allBriefs(db: Queries): Promise<Brief[]> {
  const { rows } = await db.query<{ summary: Brief }>('select summary from outcomes order by date, visit_id')
  return rows.map((r) => r.summary)
}

/** Every step of ended visits as it was timed, the oldest first. */
export async function allSteps(db: Queries): Promise<TimedStep[]> {
  const { rows } = await db.query<TimedStep>(
    `select visit_id as visit, to_char(date, 'YYYY-MM-DD') as date, dog_id as dog, coat, kind, model, actual,
            aside::json ->> 'code' as aside
       from step_minutes order by date, visit_id, kind`,
  )
  return rows
}
