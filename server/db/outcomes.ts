import type { LogQuery, StoredVisit } from '../../contract'
import { briefOf, type Brief, type Dated } from '../../core/logbook'
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
       select $1, d ->> 'kind', $2, $3, $4, (d ->> 'model')::float8, (d ->> 'actual')::float8, d ->> 'setAside'
         from jsonb_array_elements($5::jsonb) as d`,
    [visitId, visit.dogId, dog.coat, visit.date, JSON.stringify(done)],
  )
  await keepFindings(db, visit, events, outcome)
}

/** One visit as it went, or undefined while it hasn't ended. */
export async function findOutcome(db: Queries, visitId: string): Promise<Outcome | undefined> {
  const { rows } = await db.query<{ record: Outcome }>('select record from outcomes where visit_id = $1', [visitId])
  return rows[0]?.record
}

/** What changes whenever any outcome does. */
export async function outcomesStamp(db: Queries): Promise<string> {
  const { rows } = await db.query<{ stamp: string }>(
    "select coalesce(max(stamp), 0) || ' ' || count(*) as stamp from outcomes",
  )
  return rows[0]!.stamp
}

/** All visits in brief, the newest first; of one dog, some dates, or with a product when asked. */
export async function briefs(db: Queries, { dogId, from, to, product }: LogQuery): Promise<Brief[]> {
  const { rows } = await db.query<{ summary: Brief }>(
    `select summary from outcomes
      where ($1::uuid is null or dog_id = $1) and ($2::date is null or date >= $2) and ($3::date is null or date <= $3)
        and ($4::text is null or summary @> jsonb_build_object('used', jsonb_build_array(jsonb_build_object('name', $4::text))))
      order by date desc, visit_id`,
    [dogId ?? null, from ?? null, to ?? null, product ?? null],
  )
  return rows.map((r) => r.summary)
}

interface MinutesRow {
  kind: string
  dog: string
  coat: string
  day: string
  model: number
  actual: number
  aside: string | null
  dryer: string | null
}

/** Every step and zone that was timed, by kind, from the date on that the house or the dog is to be learned from. */
export async function stepLog(db: Queries): Promise<Record<string, Dated[]>> {
  const { rows } = await db.query<MinutesRow>(
    `select m.kind, m.dog_id as dog, m.coat, to_char(m.date, 'YYYY-MM-DD') as day, m.model, m.actual, m.aside,
            case when m.kind = 'dry' then o.summary -> 'drying' ->> 'dryer' end as dryer
       from step_minutes m join outcomes o using (visit_id) join dogs d on d.id = m.dog_id
      where m.date >= coalesce((select (record ->> 'learnFrom')::date from house), '0001-01-01')
        and m.date >= coalesce((d.record ->> 'learnFrom')::date, '0001-01-01')
      order by m.date, m.visit_id`,
  )
  const log: Record<string, Dated[]> = {}
  for (const r of rows) {
    const done: Dated = { dog: r.dog, coat: r.coat, date: r.day, model: r.model, actual: r.actual }
    if (r.aside !== null) done.setAside = r.aside
    if (r.dryer !== null) done.dryer = r.dryer
    ;(log[r.kind] ??= []).push(done)
  }
  return log
}

/** What happened, was borne and was damp on a dog's visits, from the oldest to the newest. */
export async function pastOf(db: Queries, dogId: string) {
  const { rows } = await db.query<Pick<Outcome, 'settled' | 'happened' | 'damp'> & { day: string; steps: unknown }>(
    `select to_char(date, 'YYYY-MM-DD') as day, record -> 'settled' as settled, record -> 'happened' as happened,
            record -> 'damp' as damp,
            (select jsonb_object_agg(s ->> 'id', s ->> 'title') from jsonb_array_elements(record -> 'steps') as s) as steps
       from outcomes where dog_id = $1 and record -> 'leftOut' = 'null'::jsonb order by date desc limit 24`,
    [dogId],
  )
  return rows.reverse()
}
