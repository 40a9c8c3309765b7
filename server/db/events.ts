import type { EventReceipt } from '@contract'
import { TubEvent } from '@core/tubside'
import type { Queries } from './db'

/** Keeps taps; those known by their id are left as they are, so that a replay is harmless. */
export async function addEvents(db: Queries, visitId: string, events: readonly TubEvent[]): Promise<EventReceipt> {
  const { rows } = await db.query<{ id: string }>(
    `insert into visit_events (id, visit_id, at, event)
       select (e ->> 'id')::uuid, $1, (e ->> 'at')::bigint, e from jsonb_array_elements($2::jsonb) as e
     on conflict (id) do nothing returning id`,
    [visitId, JSON.stringify(events)],
  )
  return { kept: rows.length, known: events.length - rows.length }
}

/** All taps of some visits, by visit. */
export async function eventsOfAll(db: Queries, visitIds: readonly string[]): Promise<Map<string, TubEvent[]>> {
  const { rows } = await db.query<{ visit: string; event: unknown }>(
    'select visit_id as visit, event from visit_events where visit_id = any($1::uuid[]) order by at, id',
    [visitIds],
  )
  const of = new Map<string, TubEvent[]>(visitIds.map((id) => [id, []]))
  for (const { visit, event } of rows) of.get(visit)!.push(TubEvent.parse(event))
  return of
}

/** All taps of a visit. */
export const eventsOf = async (db: Queries, visitId: string): Promise<TubEvent[]> =>
  (await eventsOfAll(db, [visitId])).get(visitId)!
