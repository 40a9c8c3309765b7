import { DogToPlace, type DayQuery, type DaySummary, type StoredDay } from '@contract'
import type { Today } from '@core/visit'
import { emptyDay, Standing, WashDay, type Rhythm } from '@core/washday'
import type { Queries } from './db'
import { theHouse } from './house'
import { recordQueries, type Changed } from './stored'

interface Row {
  version: number
  record: unknown
  changed_at: Date
}

export const standingRecords = recordQueries('standings', Standing)

/** All standing dogs whose record is there, in the order in which they were put down. */
export async function allStandings(db: Queries) {
  const { rows } = await db.query<Parameters<typeof standingRecords.read>[0]>(
    `select s.id, s.version, s.record, s.changed_at from standings s
       join dogs d on d.id::text = s.record ->> 'dogId' and d.deleted_at is null
      where s.deleted_at is null order by s.position`,
  )
  return standingRecords.readAll(rows)
}

/** Recipes kept for a date, the newest of each dog. */
async function keptOn(db: Queries, date: string): Promise<StoredDay['kept']> {
  const { rows } = await db.query<{ id: string; dog_id: string; today: Today }>(
    `select distinct on (dog_id) id, dog_id, inputs -> 'today' as today from visits
      where date = $1 order by dog_id, changed_at desc`,
    [date],
  )
  return rows.map((r) => ({ visitId: r.id, dogId: r.dog_id, today: r.today }))
}

/** A day by its date, empty with version 0 when nothing is kept of it. */
export async function findDay(db: Queries, date: string): Promise<StoredDay> {
  const { rows } = await db.query<Row>('select version, record, changed_at from days where date = $1', [date])
  const kept = await keptOn(db, date)
  const [row] = rows
  if (!row) return { version: 0, changedAt: null, record: emptyDay(date, (await theHouse(db)).record), kept }
  return {
    version: row.version,
    changedAt: new Date(row.changed_at).toISOString(),
    record: WashDay.parse(row.record),
    kept,
  }
}

/** Keeps a day from a version; 0 makes it. A newer version is never overwritten. */
export async function keepDay(db: Queries, version: number, record: WashDay): Promise<Changed<StoredDay>> {
  const params = [record.date, JSON.stringify(record)]
  const { rows } =
    version === 0
      ? await db.query(
          'insert into days (date, record) values ($1, $2) on conflict (date) do nothing returning id',
          params,
        )
      : await db.query(
          `update days set record = $2, version = version + 1, changed_at = now()
            where date = $1 and version = $3 returning id`,
          [...params, version],
        )
  const row = await findDay(db, record.date)
  if (rows.length > 0) return { state: 'changed', row }
  return row.version > 0 ? { state: 'conflict', row } : { state: 'missing' }
}

/** Forgets a day; false when nothing was kept of it. */
export async function removeDay(db: Queries, date: string): Promise<boolean> {
  const { rows } = await db.query('delete from days where date = $1 returning id', [date])
  return rows.length > 0
}

/** Days that have dogs from one date to another, whole, the first first. */
export async function daysBetween(db: Queries, from: string, to: string): Promise<StoredDay[]> {
  const { rows } = await db.query<{ date: string }>(
    `select to_char(date, 'YYYY-MM-DD') as date from days
      where date between $1 and $2 and jsonb_array_length(record -> 'seats') > 0 order by date`,
    [from, to],
  )
  const found: StoredDay[] = []
  for (const { date } of rows) found.push(await findDay(db, date))
  return found
}

/** Kept days that have dogs, the newest first. */
export async function listDays(db: Queries, { from, to, limit }: DayQuery): Promise<DaySummary[]> {
  const { rows } = await db.query<DaySummary>(
    `select to_char(d.date, 'YYYY-MM-DD') as date,
            jsonb_typeof(d.record -> 'plan') = 'object' as arranged,
            coalesce((select jsonb_agg(jsonb_build_object('dogId', s ->> 'dogId', 'name', g.name, 'colour', (g.record ->> 'colour')::int) order by n)
               from jsonb_array_elements(d.record -> 'seats') with ordinality as seats (s, n)
               join dogs g on g.id::text = s ->> 'dogId' and g.deleted_at is null), '[]'::jsonb) as dogs
       from days d
      where ($1::date is null or d.date >= $1) and ($2::date is null or d.date <= $2)
        and jsonb_array_length(d.record -> 'seats') > 0
      order by d.date desc limit $3`,
    [from ?? null, to ?? null, limit],
  )
  return rows
}

/** Days for which a dog that was taken off one is looked after; later it is taken for gone. */
const LOOKED_AFTER = 60

/** Dogs that were taken off a day of late, each once, the newest first; those that come on that day or later again aren't told. */
export async function dogsToPlace(db: Queries, on: string): Promise<DogToPlace[]> {
  const { rows } = await db.query<{ date: string; name: string; item: unknown }>(
    `select * from (
       select distinct on (g.id) to_char(d.date, 'YYYY-MM-DD') as date, g.name, t.item
         from days d cross join lateral jsonb_array_elements(coalesce(d.record -> 'toPlace', '[]'::jsonb)) as t (item)
         join dogs g on g.id::text = t.item -> 'seat' ->> 'dogId' and g.deleted_at is null
        where d.date >= $1::date - ${LOOKED_AFTER}
          and not exists (select 1 from days o, jsonb_array_elements(o.record -> 'seats') s
                where o.date >= d.date and s ->> 'dogId' = g.id::text)
        order by g.id, d.date desc) newest
      order by date desc, name`,
    [on],
  )
  return rows.map(({ date, name, item }) => DogToPlace.parse({ ...(item as object), date, name }))
}

/** How often a dog comes again and again now; undefined where nothing is agreed, or not any more. */
export async function rhythmOf(db: Queries, dogId: string): Promise<Rhythm | undefined> {
  const { rows } = await db.query<{ rhythm: Rhythm }>(
    `select record -> 'rhythm' as rhythm from standings
      where record ->> 'dogId' = $1 and deleted_at is null
        and coalesce(record ->> 'until', '9999') >= to_char(now(), 'YYYY-MM-DD')
      order by changed_at desc limit 1`,
    [dogId],
  )
  return rows[0]?.rhythm
}
