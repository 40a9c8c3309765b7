import type { DogQuery, StoredDog } from '@contract'
import { COLOURS, Dog } from '@core/dog'
import type { Queries } from './db'
import { recordQueries } from './stored'

export const dogRecords = recordQueries('dogs', Dog)

/** Dogs whose name or breed holds the text, by name. */
export async function findDogs(db: Queries, { text, limit }: DogQuery): Promise<StoredDog[]> {
  const pattern = `%${text.replace(/[\\%_]/g, (c) => `\\${c}`)}%`
  const { rows } = await db.query<Parameters<typeof dogRecords.read>[0]>(
    `select id, version, record, changed_at from dogs
      where deleted_at is null and (name ilike $1 or breed ilike $1)
      order by lower(name), id limit $2`,
    [pattern, limit],
  )
  return rows.map(dogRecords.read).sort((a, b) => BY_NAME.compare(a.record.name, b.record.name))
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
export async function addDog(db: Queries, dog: Dog): Promise<StoredDog> {
  return dogRecords.add(db, { ...dog, colour: dog.colour ?? (await freeColour(db)) })
}
