import type { Units } from '@core/units'
import type { Db } from '../db/db'
import { houseRecords, theHouse } from '../db/house'
import { forgetTold } from '../db/told'
import { Refusal } from '../problems'
import { PLAIN_BEGINNING, seed, type Beginning } from '../seed'

/** Everything that a groomer keeps, what depends on it first. */
const KEPT = [
  'closings',
  'receipts',
  'entries',
  'movements',
  'visits',
  'days',
  'standings',
  'findings',
  'products',
  'dogs',
  'owners',
  'house',
]

/**
 * Clears the demonstration and begins with an empty room in these units; `across` puts a copy aside before that is done,
 * and answers where it lies. Refused where what is kept isn't the demonstration.
 */
export async function beginOwn(
  db: Db,
  units: Units,
  across?: (work: () => Promise<void>) => Promise<string>,
): Promise<{ copy: string | null }> {
  if (!(await theHouse(db)).record.demonstration)
    throw new Refusal(409, 'This isn’t the demonstration', 'What is kept here is your own. Nothing was cleared.')
  const clear = () =>
    db.transaction(async (tx) => {
      for (const table of KEPT) await tx.query(`delete from ${table}`)
      await tx.query('delete from changes')
      await forgetTold(tx)
      await houseRecords.add(tx, { ...PLAIN_BEGINNING.house, units })
    })
  if (across) return { copy: await across(clear) }
  await clear()
  return { copy: null }
}

/** Puts the demonstration in place of a room in which nothing is kept yet. */
export async function beginDemonstration(db: Db, demonstration: Beginning | undefined, today: string): Promise<void> {
  const { rows } = await db.query<{ kept: boolean }>(
    'select exists (select 1 from dogs) or exists (select 1 from products) or exists (select 1 from visits) as kept',
  )
  if (!demonstration || rows[0]!.kept)
    throw new Refusal(409, 'Something is kept already', 'The demonstration is only put into an empty room.')
  await db.query('delete from house')
  await seed(db, demonstration, today)
}
