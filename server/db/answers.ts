import { StoredAnswers, type FollowUp } from '@contract'
import type { OwnerAnswers } from '@core/owner'
import { OWNER_NEWS } from '@core/washday'
import type { Queries } from './db'

const COLUMNS = `id, dog_id as "dogId", kind, to_char(date, 'YYYY-MM-DD') as date, answers,
  to_char(said_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as "saidAt"`

/** What a dog's owner answered, the newest first. */
export async function answersOf(db: Queries, dogId: string): Promise<StoredAnswers[]> {
  const { rows } = await db.query(
    `select ${COLUMNS} from answers where dog_id = $1 order by date desc, said_at desc, id limit 200`,
    [dogId],
  )
  return rows.map((row) => StoredAnswers.parse(row))
}

/** Keeps answers; under an id that is there already they are the ones that are there. */
export async function addAnswers(
  db: Queries,
  dogId: string,
  { kind, date, answers }: OwnerAnswers,
  id?: string,
): Promise<StoredAnswers> {
  const { rows } = await db.query(
    `insert into answers (id, dog_id, kind, date, answers) values (coalesce($1, gen_random_uuid()), $2, $3, $4, $5)
     on conflict (id) do nothing returning ${COLUMNS}`,
    [id ?? null, dogId, kind, date, JSON.stringify(answers)],
  )
  const row = rows[0] ?? (await db.query(`select ${COLUMNS} from answers where id = $1`, [id])).rows[0]
  return StoredAnswers.parse(row)
}

/** Deletes answers; false where there are none. */
export async function removeAnswers(db: Queries, id: string): Promise<boolean> {
  const { rows } = await db.query('delete from answers where id = $1 returning id', [id])
  return rows.length > 0
}

/** Visits that ended two to ten days before a date and whose owners haven't answered since, the oldest first. */
export async function followUps(db: Queries, on: string): Promise<FollowUp[]> {
  const { rows } = await db.query<FollowUp>(
    `select distinct on (o.date, o.dog_id) o.dog_id as "dogId", d.record ->> 'name' as name,
            to_char(o.date, 'YYYY-MM-DD') as date, o.visit_id as "visitId"
       from outcomes o join dogs d on d.id = o.dog_id and d.deleted_at is null
      where o.date between $1::date - $2::int and $1::date - $3::int
        and not exists (select 1 from answers a where a.dog_id = o.dog_id and a.kind = 'after' and a.date >= o.date)
        and not exists (select 1 from outcomes l where l.dog_id = o.dog_id and l.date > o.date and l.date <= $1::date)
      order by o.date, o.dog_id, o.visit_id limit 50`,
    [on, OWNER_NEWS.askedUntil.value, OWNER_NEWS.askedFrom.value],
  )
  return rows
}
