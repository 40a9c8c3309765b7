import type { Service } from '@core/dog'
import type { AskedExtra, ListedVisit, MoneyVisit } from '@core/money'
import type { Price } from '@core/price'
import type { Paid } from '@core/tubside'
import type { Queries } from './db'

interface Row extends Omit<MoneyVisit, 'paid' | 'ownerId'> {
  ownerId: string | null
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

/** Ended visits between two dates, or of some dogs, or with anything of some owners, as the books have them; the oldest first. */
export async function moneyVisits(
  db: Queries,
  { from, to, dogs, owners }: { from?: string; to?: string; dogs?: readonly string[]; owners?: readonly string[] },
): Promise<MoneyVisit[]> {
  const { rows } = await db.query<Row>(
    `select o.visit_id as "visitId", o.dog_id as "dogId", o.summary ->> 'dog' as dog, coalesce(d.record ->> 'owner', '') as owner, d.owner_id as "ownerId",
            to_char(o.date, 'YYYY-MM-DD') as date, coalesce(v.inputs -> 'today' ->> 'service', 'bath') as service,
            o.coat, ${HANDS} as minutes, ${COST} as cost, o.record -> 'paid' as paid
       from outcomes o join visits v on v.id = o.visit_id left join dogs d on d.id = o.dog_id
      where ($1::date is null or o.date >= $1) and ($2::date is null or o.date <= $2)
        and ($3::text[] is null or o.dog_id::text = any($3)) and ($4::text[] is null or d.owner_id::text = any($4))
      order by o.date, o.visit_id`,
    [from ?? null, to ?? null, dogs ?? null, owners ?? null],
  )
  return rows.map(({ paid, ownerId, ...row }) => ({ ...row, ...(ownerId && { ownerId }), ...(paid && { paid }) }))
}

interface ListedRow {
  visitId: string
  service: Service
  kg: number
  mats: number
  fleas: boolean
  helper: boolean
  medicated: boolean
  teeth: boolean
  glands: boolean
  second: boolean
  since: number | null
  asked: Price
  agreed: Price | null
}

/** Ended visits between two dates of which a price is known, as a list sees them. */
export async function listedVisits(db: Queries, { from, to }: { from?: string; to?: string }): Promise<ListedVisit[]> {
  const step = (kind: string) =>
    `exists (select 1 from jsonb_array_elements(v.plan -> 'steps') s where s ->> 'kind' = '${kind}')`
  const { rows } = await db.query<ListedRow>(
    `select o.visit_id as "visitId", coalesce(v.inputs -> 'today' ->> 'service', 'bath') as service,
            coalesce(v.inputs -> 'today' ->> 'weightKg', v.inputs -> 'dog' ->> 'weightKg')::float8 as kg,
            coalesce((select sum(m::text::float8) from jsonb_path_query(v.plan,
              '$.steps[*].minutes.because[*] ? (@.code == "hands.mats" && @.how == "add").effect') m), 0) as mats,
            coalesce((v.inputs -> 'today' ->> 'fleas')::boolean, false) as fleas,
            coalesce((v.inputs -> 'today' ->> 'helper')::boolean, false) as helper,
            jsonb_path_exists(v.plan, '$.mix.bottles[*].product ? (@.kind == "medicated")') as medicated,
            ${step('teeth')} as teeth, ${step('glands')} as glands,
            exists (select 1 from outcomes p join dogs e on e.id = p.dog_id
              where p.date = o.date and e.owner_id = d.owner_id and p.dog_id < o.dog_id) as second,
            (select o.date - max(b.date) from outcomes b where b.dog_id = o.dog_id and b.date < o.date) as since,
            o.record -> 'paid' -> 'price' as asked, nullif(v.inputs -> 'dog' -> 'price', 'null'::jsonb) as agreed
       from outcomes o join visits v on v.id = o.visit_id left join dogs d on d.id = o.dog_id
      where ($1::date is null or o.date >= $1) and ($2::date is null or o.date <= $2)
        and jsonb_typeof(o.record -> 'paid' -> 'price') = 'object'`,
    [from ?? null, to ?? null],
  )
  return rows.map(({ visitId, service, kg, mats, second, since, asked, agreed, ...has }) => ({
    visitId,
    service,
    kg,
    matMinutes: mats,
    second,
    since,
    asked,
    agreed,
    extras: (['fleas', 'helper', 'medicated', 'teeth', 'glands'] as const satisfies AskedExtra[]).filter((e) => has[e]),
  }))
}
