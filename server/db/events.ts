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

/** All taps of a visit. */
export async function eventsOf(db: Queries, visitId: string): Promise<TubEvent[]> {
  const { rows } = await db.query<{ event: unknown }>(
    'select event from visit_events where visit_id = $1 order by at, id',
    [visitId],
  )
  return rows.map((r) => TubEvent.parse(r.event))
}
