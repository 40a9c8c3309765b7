import type { StoredVisit } from '../../contract'
import type { AsideWhy } from '../../core/learn'
import { briefOf, type Brief } from '../../core/logbook'
import { doneOf, outcomeOf, type Outcome, type TubEvent } from '../../core/tubside'
import { partsOf, plannedMinutes } from '../../core/washday'
import type { Queries } from './db'
import { findDay } from './days'
import { eventsOf } from './events'
import { findVisit } from './visits'

/** Minutes of the clock at which the day's plan had a visit begin and end; null when it isn't on an arranged day. */
async function slotOf(db: Queries, visit: StoredVisit): Promise<[number, number] | null> {
  const { record: day } = await findDay(db, visit.date)
  const seat = day.seats.find((s) => s.dogId === visit.dogId)
  if (!seat || !day.plan) return null
  const { tasks } = day.plan
  const times = [...partsOf(visit.plan, false), ...partsOf(visit.plan, true)].flatMap(({ key, steps }) => {
    const at = tasks[`${seat.id}.${key}`]
    return at === undefined ? [] : [[at, at + steps.reduce((sum, s) => sum + plannedMinutes(s.step), 0)] as const]
  })
  if (times.length === 0) return null
  return [Math.min(...times.map((t) => t[0])), Math.max(...times.map((t) => t[1]))]
}

/** What was found at the tub goes on the dog's body map, once: its tap's id is its own. */
async function keepFindings(db: Queries, visit: StoredVisit, events: readonly TubEvent[], outcome: Outcome) {
  const at = new Map(events.flatMap((e) => (e.kind === 'found' ? [[e.at, e.id]] : [])))
  for (const { at: when, kind, view, zone, x, y } of outcome.found) {
    const finding = { kind, view, zone, x, y, seen: [{ date: visit.date, sizeMm: null, gone: false, note: '' }] }
    await db.query('insert into findings (id, dog_id, record) values ($1, $2, $3) on conflict (id) do nothing', [
      at.get(when),
      visit.dogId,
      JSON.stringify(finding),
    ])
  }
}

/**
 * Tells a visit's outcome anew from its events and keeps it with the minutes that are learned from. A visit
 * that hasn't ended (any more) has none.
 */
export async function keepOutcome(db: Queries, visitId: string): Promise<void> {
  const { rows: finished } = await db.query(
    "select 1 from visit_events where visit_id = $1 and event ->> 'kind' = 'finish' limit 1",
    [visitId],
  )
  const visit = finished.length > 0 ? await findVisit(db, visitId) : undefined
  if (!visit) return
  const events = await eventsOf(db, visitId)
  const { dog, today, house, products } = visit.inputs
  const outcome = outcomeOf({ plan: visit.plan, today, mood: dog.mood }, events, house.water.flow)
  await db.query('delete from outcomes where visit_id = $1', [visitId])
  if (!outcome) return
  const brief = briefOf(outcome, {
    visitId,
    dogId: visit.dogId,
    dog,
    date: visit.date,
    plan: visit.plan,
    shelf: products,
    house,
    slot: await slotOf(db, visit),
  })
  const done = Object.entries(doneOf(outcome, visit.dogId, dog.coat)).map(([kind, d]) => ({ kind, ...d }))
  await db.query(
    'insert into outcomes (visit_id, dog_id, date, coat, record, summary) values ($1, $2, $3, $4, $5, $6)',
    [visitId, visit.dogId, visit.date, dog.coat, JSON.stringify(outcome), JSON.stringify(brief)],
  )
  await db.query(
    `insert into step_minutes (visit_id, kind, dog_id, coat, date, model, actual, aside)
       select $1, d ->> 'kind', $2, $3, $4, (d ->> 'model')::float8, (d ->> 'actual')::float8, (d -> 'setAside')::text
         from jsonb_array_elements($5::jsonb) as d`,
    [visitId, visit.dogId, dog.coat, visit.date, JSON.stringify(done)],
  )
  await keepFindings(db, visit, events, outcome)
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
