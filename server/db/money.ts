import type { MoneyVisit } from '@core/money'
import type { Paid } from '@core/tubside'
import type { Queries } from './db'

interface Row extends Omit<MoneyVisit, 'paid'> {
  paid: Paid | null
}

/** Cents of what is known of a visit's cost; null where nothing is. */
const COST = `(select round(100 * sum(c.value::text::float8)) from jsonb_each(o.summary -> 'cost') c
   where c.key <> 'productMl' and jsonb_typeof(c.value) = 'number')::float8`
const PLANNED = `(v.plan -> 'minutes' ->> 'value')::float8`
const TAKEN = `(o.summary ->> 'minutes')::float8`
/** From which share of its plan on the minutes of a visit were timed, and not ticked through. */
const TIMED = 1 / 3
/** Minutes that the hands were asked for: as much of the visit as the plan had them in it; the plan's where it wasn't timed. */
const HANDS = `(case when ${TAKEN} < ${TIMED} * ${PLANNED} then ${PLANNED} else ${TAKEN} end) *
   least(1, (v.plan -> 'handMinutes' ->> 'value')::float8 / greatest(1, ${PLANNED}))`

/** Ended visits between two dates, or of some dogs, as the books have them; the oldest first. */
export async function moneyVisits(
  db: Queries,
  { from, to, dogs }: { from?: string; to?: string; dogs?: readonly string[] },
): Promise<MoneyVisit[]> {
  const { rows } = await db.query<Row>(
    `select o.visit_id as "visitId", o.dog_id as "dogId", o.summary ->> 'dog' as dog, coalesce(d.record ->> 'owner', '') as owner,
            to_char(o.date, 'YYYY-MM-DD') as date, coalesce(v.inputs -> 'today' ->> 'service', 'bath') as service,
            o.coat, ${HANDS} as minutes, ${COST} as cost, o.record -> 'paid' as paid
       from outcomes o join visits v on v.id = o.visit_id left join dogs d on d.id = o.dog_id
      where ($1::date is null or o.date >= $1) and ($2::date is null or o.date <= $2)
        and ($3::text[] is null or o.dog_id::text = any($3))
      order by o.date, o.visit_id`,
    [from ?? null, to ?? null, dogs ?? null],
  )
  return rows.map(({ paid, ...row }) => ({ ...row, ...(paid && { paid }) }))
}
