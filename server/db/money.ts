import type { Service } from '@core/dog'
import type { AskedExtra, ListedVisit, MoneyVisit } from '@core/money'
import type { Price } from '@core/price'
import type { Paid } from '@core/tubside'
import type { Queries } from './db'

interface Row extends Omit<MoneyVisit, 'paid' | 'ownerId' | 'service' | 'minutes' | 'cost'> {
  ownerId: string | null
  money: { service: Service; hands: number; cost: number | null; paid: Paid | null }
}

/** Ended visits between two dates, or of some dogs, or with anything of some owners, as the books have them; the oldest first. */
export async function moneyVisits(
  db: Queries,
  { from, to, dogs, owners }: { from?: string; to?: string; dogs?: readonly string[]; owners?: readonly string[] },
): Promise<MoneyVisit[]> {
  const { rows } = await db.query<Row>(
    `select o.visit_id as "visitId", o.dog_id as "dogId", coalesce(d.name, '') as dog, coalesce(w.record ->> 'name', '') as owner,
            d.owner_id as "ownerId", to_char(o.date, 'YYYY-MM-DD') as date, o.coat, o.money
       from outcomes o left join dogs d on d.id = o.dog_id left join owners w on w.id = d.owner_id
      where ($1::date is null or o.date >= $1) and ($2::date is null or o.date <= $2)
        and ($3::text[] is null or o.dog_id::text = any($3)) and ($4::text[] is null or d.owner_id::text = any($4))
      order by o.date, o.visit_id`,
    [from ?? null, to ?? null, dogs ?? null, owners ?? null],
  )
  return rows.map(({ ownerId, money: { service, hands, cost, paid }, ...row }) => ({
    ...row,
    service,
    minutes: hands,
    cost,
    ...(ownerId && { ownerId }),
    ...(paid && { paid }),
  }))
}

/** What was said of the money of ended visits. */
export async function paidOfVisits(db: Queries): Promise<{ date: string; paid: Paid }[]> {
  const { rows } = await db.query<{ date: string; paid: Paid }>(
    `select to_char(date, 'YYYY-MM-DD') as date, money -> 'paid' as paid from outcomes
      where jsonb_typeof(money -> 'paid') = 'object'`,
  )
  return rows
}

interface ListedRow {
  visitId: string
  second: boolean
  since: number | null
  money: {
    service: Service
    kg: number
    mats: number
    extras: AskedExtra[]
    paid: { price: Price }
    agreed: Price | null
  }
}

/** Ended visits between two dates of which a price is known, as a list sees them. */
export async function listedVisits(db: Queries, { from, to }: { from?: string; to?: string }): Promise<ListedVisit[]> {
  const { rows } = await db.query<ListedRow>(
    `select o.visit_id as "visitId", o.money,
            exists (select 1 from outcomes p join dogs e on e.id = p.dog_id
              where p.date = o.date and e.owner_id = d.owner_id and p.dog_id < o.dog_id) as second,
            (select o.date - max(b.date) from outcomes b where b.dog_id = o.dog_id and b.date < o.date) as since
       from outcomes o left join dogs d on d.id = o.dog_id
      where ($1::date is null or o.date >= $1) and ($2::date is null or o.date <= $2)
        and jsonb_typeof(o.money -> 'paid') = 'object'`,
    [from ?? null, to ?? null],
  )
  return rows.map(({ visitId, second, since, money: { service, kg, mats, extras, paid, agreed } }) => ({
    visitId,
    service,
    kg,
    matMinutes: mats,
    second,
    since,
    asked: paid.price,
    agreed,
    extras,
  }))
}
