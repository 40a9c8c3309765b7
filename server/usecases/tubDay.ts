import type { TubDay, TubVisit } from '@contract'
import { redFlagsOf } from '@core/dog'
import type { Plan } from '@core/visit'
import { findDay } from '../db/days'
import type { Queries } from '../db/db'
import { dogRecords } from '../db/dogs'
import { eventsOfAll } from '../db/events'

interface VisitRow {
  id: string
  dog_id: string
  name: string
  colour: number | null
  go: boolean
  steps: Plan['steps']
  rinse: Plan['rinse'] | null
  water: { flow?: number } | null
}

const ofStep = ({ id, kind, role, name, minutes, hands, likely, withDog }: Plan['steps'][number]) => ({
  id,
  kind,
  role,
  name,
  minutes: minutes.value,
  hands,
  spread: likely?.spread,
  withDog,
})

/** A day at the tub: who comes in which order, and the visits kept for it with their taps. */
export async function tubDay(db: Queries, date: string): Promise<TubDay> {
  const { record: day, kept } = await findDay(db, date)
  // a plan is large: it is unpacked once for all that is asked of it
  const { rows } = await db.query<VisitRow>(
    `select v.id, v.dog_id, i.dog ->> 'name' as name, (d.record ->> 'colour')::int as colour,
            p.go, p.steps, p.rinse, i.house -> 'water' as water
       from visits v join dogs d on d.id = v.dog_id,
            jsonb_to_record(v.plan) as p(go boolean, steps jsonb, rinse jsonb),
            jsonb_to_record(v.inputs) as i(dog jsonb, house jsonb)
      where v.date = $1 and (d.deleted_at is null or exists (select 1 from visit_events e where e.visit_id = v.id))
      order by v.changed_at`,
    [date],
  )
  const events = await eventsOfAll(
    db,
    rows.map((r) => r.id),
  )
  const visits = rows.map(({ id, dog_id: dogId, name, colour, go, steps, rinse, water }): TubVisit => ({
    visitId: id,
    dogId,
    name,
    colour,
    bath: go,
    steps: steps.map(ofStep),
    tool: rinse?.tool ?? 'shower',
    flow: water?.flow ?? 0,
    events: events.get(id)!,
  }))
  const seats: TubDay['seats'] = []
  const dogs = await dogRecords.findAll(
    db,
    day.seats.map((seat) => seat.dogId),
  )
  for (const seat of day.seats) {
    const dog = dogs.get(seat.dogId)
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
