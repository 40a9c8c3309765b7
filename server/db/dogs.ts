import type { DogDue, DogQuery, StoredDog } from '@contract'
import { COLOURS, Dog } from '@core/dog'
import type { Queries } from './db'
import { recordQueries } from './stored'

/** What a dog's record says of its owner is completed from the owner's own (`own_dog` in the database). */
export const dogRecords = recordQueries('dogs', Dog, ['owner', 'ownerContact', 'secondContact'])

/** Dogs whose name or breed holds the text, or (`byOwner`) whose owner's name does, by name. */
export async function findDogs(db: Queries, { text, limit }: DogQuery, byOwner = true): Promise<StoredDog[]> {
  const pattern = `%${text.replace(/[\\%_]/g, (c) => `\\${c}`)}%`
  const { rows } = await db.query<Parameters<typeof dogRecords.read>[0]>(
    `select id, version, record, changed_at from dogs
      where deleted_at is null and (name ilike $1 or breed ilike $1 or ($3 and record ->> 'owner' ilike $1))
      order by lower(name), id limit $2`,
    [pattern, limit, byOwner],
  )
  return dogRecords.readAll(rows).sort((a, b) => BY_NAME.compare(a.record.name, b.record.name))
}

/** As people sort names: capitals aside, "Giant 2" before "Giant 10". */
const BY_NAME = new Intl.Collator('en', { numeric: true, sensitivity: 'base' })

/** The colour that the fewest dogs have, the lowest number first. */
async function freeColour(db: Queries): Promise<number> {
  const { rows } = await db.query<{ colour: number }>(
    `select c.colour from generate_series(0, $1::int - 1) as c (colour)
       left join dogs d on (d.record ->> 'colour')::int = c.colour and d.deleted_at is null
      group by c.colour order by count(d.id), c.colour limit 1`,
    [COLOURS],
  )
  return rows[0]!.colour
}

/** Adds a dog, with a colour of its own if it has none. */
export async function addDog(db: Queries, dog: Dog, id?: string): Promise<StoredDog> {
  const made = id === undefined ? undefined : await dogRecords.find(db, id)
  const colour = dog.colour ?? made?.record.colour ?? (await freeColour(db))
  return dogRecords.add(db, { ...dog, colour }, id)
}

/**
 * When each dog was here last, when it is due by the plan of its last bath (a haircut or nails alone put nothing off), and the next
 * day from `on` that it is on.
 * A visit that was only planned doesn't count.
 */
export async function duesOn(db: Queries, on: string): Promise<DogDue[]> {
  const { rows } = await db.query<DogDue>(
    `select d.id as "dogId", to_char(l.date, 'YYYY-MM-DD') as last, w.due, to_char(b.date, 'YYYY-MM-DD') as booked
       from dogs d
       left join lateral (
         select o.date from outcomes o where o.dog_id = d.id order by o.date desc limit 1) l on true
       left join lateral (
         select o.summary ->> 'next' as due from outcomes o join visits v on v.id = o.visit_id
          where o.dog_id = d.id and coalesce(v.plan ->> 'service', 'bath') not in ('haircut', 'nailsAndEars', 'own')
          order by o.date desc limit 1) w on true
       left join lateral (
         select min(t.date) as date from days t, jsonb_array_elements(t.record -> 'seats') s
          where t.date >= $1 and s ->> 'dogId' = d.id::text and (l.date is null or t.date > l.date)) b on true
      where d.deleted_at is null`,
    [on],
  )
  return rows
}
