import type { TubDay, TubVisit } from '@contract'
import { redFlagsOf } from '@core/dog'
import { findDay } from '../db/days'
import type { Queries } from '../db/db'
import { dogRecords } from '../db/dogs'
import { eventsOf } from '../db/events'

interface VisitRow {
  id: string
  dog_id: string
  name: string
  colour: number | null
  go: boolean
  steps: TubVisit['steps']
  tool: TubVisit['tool']
  flow: number
}

/** A day at the tub: who comes in which order, and the visits kept for it with their taps. */
export async function tubDay(db: Queries, date: string): Promise<TubDay> {
  const { record: day, kept } = await findDay(db, date)
  const { rows } = await db.query<VisitRow>(
    `select v.id, v.dog_id, v.inputs -> 'dog' ->> 'name' as name, (d.record ->> 'colour')::int as colour,
            (v.plan -> 'go')::boolean as go,
            coalesce(v.plan -> 'rinse' ->> 'tool', 'shower') as tool, coalesce((v.inputs -> 'house' -> 'water' ->> 'flow')::float8, 0) as flow,
            (select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('id', s -> 'id', 'kind', s -> 'kind', 'role', s -> 'role', 'name', s -> 'name', 'minutes', s -> 'minutes' -> 'value', 'hands', s -> 'hands', 'spread', s -> 'likely' -> 'spread', 'withDog', s -> 'withDog')) order by n)
               from jsonb_array_elements(v.plan -> 'steps') with ordinality as steps (s, n)) as steps
       from visits v join dogs d on d.id = v.dog_id
      where v.date = $1 and (d.deleted_at is null or exists (select 1 from visit_events e where e.visit_id = v.id))
      order by v.changed_at`,
    [date],
  )
  const visits: TubVisit[] = []
  for (const { id, dog_id: dogId, name, colour, go, steps, tool, flow } of rows)
    visits.push({ visitId: id, dogId, name, colour, bath: go, steps, tool, flow, events: await eventsOf(db, id) })
  const seats: TubDay['seats'] = []
  for (const seat of day.seats) {
    const dog = await dogRecords.find(db, seat.dogId)
    if (!dog) continue
    const starts = Object.entries(day.plan?.tasks ?? {}).flatMap(([id, at]) =>
      id.startsWith(`${seat.id}.`) ? [at] : [],
    )
    seats.push({
      dogId: seat.dogId,
      name: dog.record.name,
      colour: dog.record.colour,
      flags: redFlagsOf(dog.record, kept.find((k) => k.dogId === seat.dogId)?.today ?? { ...dog.record.known, date }),
      at: starts.length > 0 ? Math.min(1439, ...starts) : null,
      arrive: seat.arrive,
      pickup: seat.pickup,
    })
  }
  seats.sort((a, b) => (a.at ?? 1440) - (b.at ?? 1440))
  return { date, seats, helper: day.helper, visits }
}
