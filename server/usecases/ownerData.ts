import type { OwnerData, OwnerErase } from '@contract'
import { fieldsAbout } from '@core/dog'
import { WashDay } from '@core/washday'
import type { z } from 'zod'
import type { Keeper } from '../backup/keeper'
import { Owner } from '@core/owner'
import type { Db, Queries } from '../db/db'
import { ownerOf } from '../db/owners'
import { forgetTold } from '../db/told'
import { notFound, Refusal } from '../problems'

interface OwnDog {
  id: string
  name: string
  owner: string
}

/** A dog with the other dogs of its owner, deleted ones too; alone where it has no owner. */
export async function dogsOfOwner(db: Queries, dogId: string): Promise<OwnDog[]> {
  const { rows } = await db.query<OwnDog>(
    `select d.id, d.record ->> 'name' as name, coalesce(d.record ->> 'owner', '') as owner
       from dogs d join dogs o on o.id = $1 where d.id = o.id or d.owner_id = o.owner_id
      order by d.name, d.id`,
    [dogId],
  )
  if (rows.length === 0) throw notFound('dog')
  return rows
}

/** Whether a day's record has any of some dogs, on it or to be placed from it; days of before that list have none. */
const hasDog = (record: string) => `(exists (
    select 1 from jsonb_array_elements(${record} -> 'seats') s where s ->> 'dogId' = any($1))
  or exists (select 1 from jsonb_array_elements(coalesce(${record} -> 'toPlace', '[]'::jsonb)) t
    where t -> 'seat' ->> 'dogId' = any($1)))`

/** What in the history is about some dogs: their rows, and rows that name them. */
const ABOUT = `(c.key = any($1) or c.before ->> 'dog_id' = any($1) or c.before -> 'record' ->> 'dogId' = any($1)
  or c.key in (select v.id::text from visits v where v.dog_id::text = any($1))
  or c.before ->> 'of_id' = any($1)
  or exists (select 1 from jsonb_array_elements(c.before -> 'record' -> 'also') a where a ->> 'visitId' = any($1))
  or c.before ->> 'visit_id' in (select v.id::text from visits v where v.dog_id::text = any($1)
       union select g.key from changes g where g.what = 'visits' and g.before ->> 'dog_id' = any($1))
  or (c.what = 'days' and ${hasDog("c.before -> 'record'")}))`

async function countOf(db: Queries, dogs: readonly OwnDog[], backups: number): Promise<OwnerData> {
  const ids = dogs.map((d) => d.id)
  const { rows } = await db.query<Pick<OwnerData, 'visits' | 'findings' | 'photos' | 'days' | 'changes'>>(
    `select (select count(*)::int from visits where dog_id::text = any($1)) as visits,
            (select count(*)::int from findings where dog_id::text = any($1)) as findings,
            (select count(*)::int from photos where dog_id::text = any($1)) as photos,
            (select count(*)::int from days where ${hasDog('record')}) as days,
            (select count(*)::int from changes c where c.before is not null and ${ABOUT}) as changes`,
    [ids],
  )
  return { owner: dogs[0]!.owner, dogs: dogs.map(({ id, name }) => ({ id, name })), ...rows[0]!, backups }
}

const backupsOf = async (backups?: Keeper) => (backups ? (await backups.copies()).length : 0)

/** What is kept of a dog's owner, in all its dogs. */
export async function ownerData(db: Db, dogId: string, backups?: Keeper): Promise<OwnerData> {
  return countOf(db, await dogsOfOwner(db, dogId), await backupsOf(backups))
}

/** What a record says of its owner, taken out of it. */
const PEOPLE = `'${JSON.stringify(Object.fromEntries(fieldsAbout('owner').map((field) => [field, ''])))}'::jsonb`

async function erasePeople(tx: Queries, ids: string[]) {
  await tx.query(
    `update dogs set record = record || ${PEOPLE}, version = version + 1, changed_at = now() where id::text = any($1)`,
    [ids],
  )
  await tx.query(
    `update visits set inputs = jsonb_set(inputs, '{dog}', (inputs -> 'dog') || ${PEOPLE}) where dog_id::text = any($1)`,
    [ids],
  )
  // who consented, and what they wrote, is theirs
  for (const key of ['consent', 'note'])
    await tx.query(
      `update answers set answers = jsonb_set(answers, array[$2::text], '""') where dog_id::text = any($1) and answers ? $2`,
      [ids, key],
    )
}

/** A day without some dogs: their places, and what was planned and done of them. */
function dayWithout(day: WashDay, ids: readonly string[]): WashDay {
  const gone = day.seats.filter((s) => ids.includes(s.dogId)).map((s) => s.id)
  const stays = (key: string) => !gone.some((id) => key === id || key.startsWith(`${id}.`))
  const only = <T>(of: Record<string, T>) => Object.fromEntries(Object.entries(of).filter(([key]) => stays(key)))
  return {
    ...day,
    seats: day.seats.filter((s) => !ids.includes(s.dogId)),
    toPlace: day.toPlace.filter((t) => !ids.includes(t.seat.dogId)),
    plan: day.plan && { ...day.plan, tasks: only(day.plan.tasks), air: only(day.plan.air) },
    progress: day.progress && { ...day.progress, tasks: only(day.progress.tasks) },
    ticks: day.ticks.filter((tick) => !gone.some((id) => tick.includes(id))),
  }
}

async function eraseDogs(tx: Queries, ids: string[]) {
  const days = await tx.query<{ id: string; record: unknown }>(
    `select id, record from days where ${hasDog('record')}`,
    [ids],
  )
  for (const { id, record } of days.rows)
    await tx.query('update days set record = $2, version = version + 1, changed_at = now() where id = $1', [
      id,
      JSON.stringify(dayWithout(WashDay.parse(record), ids)),
    ])
  // what the bottles gave stays given
  await tx.query(
    `update movements set kind = 'lost', visit_id = null, note = ''
      where visit_id in (select id from visits where dog_id::text = any($1))`,
    [ids],
  )
  // that a receipt was given stays, and of whom it was goes
  await tx.query(
    `update receipts set record = record || '{"dog":""}'::jsonb
      where of_id in (select id from visits where dog_id::text = any($1))`,
    [ids],
  )
  await tx.query(
    `update receipts r set record = jsonb_set(record, '{also}', (
         select jsonb_agg(case when a ->> 'visitId' in (select id::text from visits where dog_id::text = any($1))
                               then a || '{"dog":""}'::jsonb else a end order by at)
           from jsonb_array_elements(r.record -> 'also') with ordinality as e (a, at)))
      where jsonb_array_length(coalesce(record -> 'also', '[]'::jsonb)) > 0`,
    [ids],
  )
  await tx.query('delete from visits where dog_id::text = any($1)', [ids])
  await tx.query('delete from findings where dog_id::text = any($1)', [ids])
  await tx.query(`delete from standings where record ->> 'dogId' = any($1)`, [ids])
  await tx.query('delete from dogs where id::text = any($1)', [ids])
  await forgetTold(tx)
}

/** An owner goes; what was written into its account stays, of nobody, as sums must. */
async function eraseOwnersRecord(tx: Queries, owner: string) {
  await tx.query(
    'update owners set record = $2, version = version + 1, changed_at = now(), deleted_at = now() where id = $1',
    [owner, JSON.stringify(Owner.parse({}))],
  )
  await tx.query(
    `update entries set entry = entry || case
         when entry ? 'dog' then '{"dog":""}'::jsonb
         when entry ->> 'kind' = 'correction' then '{"note":"put right"}'::jsonb
         when entry ? 'note' then '{"note":""}'::jsonb
         else '{}'::jsonb end
      where owner_id = $1`,
    [owner],
  )
  // those that became this one went by names too
  await tx.query(
    `update changes set before = null where before is not null
        and (what = 'owners' and key in (select id::text from owners where $1 in (id, joined))
          or what = 'entries' and before ->> 'owner_id' = $1::text)`,
    [owner],
  )
}

/** Forgets what rows about some dogs were before; that they were changed stays noted, so that a journal knows of it. */
async function eraseHistory(tx: Queries, ids: string[], visits: string[]) {
  const all = [...ids, ...visits]
  await tx.query(
    `delete from changes c where c.what = 'visit_events' and c.op = 'delete' and c.before ->> 'visit_id' = any($1)`,
    [visits],
  )
  await tx.query(`update changes c set before = null where c.before is not null and ${ABOUT}`, [all])
}

/**
 * Deletes for good what is kept of a dog's owner: the people in the records, or their dogs with everything; earlier
 * states of it too, and, where it is asked for, every backup that holds it. A backup of what is left is made. Answers what
 * went.
 */
export async function eraseOwner(
  db: Db,
  dogId: string,
  { what, backups: old }: z.output<typeof OwnerErase>,
  backups?: Keeper,
): Promise<OwnerData> {
  const copies = old ? await backupsOf(backups) : 0
  const went = await db.transaction(async (tx) => {
    const dogs = await dogsOfOwner(tx, dogId)
    const ids = dogs.map((d) => d.id)
    const counted = await countOf(tx, dogs, copies)
    const { rows } = await tx.query<{ id: string }>(
      `select id::text as id from visits where dog_id::text = any($1)
         union select key from changes where what = 'visits' and before ->> 'dog_id' = any($1)`,
      [ids],
    )
    const owner = await ownerOf(tx, dogId)
    await (what === 'people' ? erasePeople(tx, ids) : eraseDogs(tx, ids))
    if (owner) await eraseOwnersRecord(tx, owner)
    await eraseHistory(
      tx,
      ids,
      rows.map((r) => r.id),
    )
    return counted
  })
  await backups?.after(old).catch((error: Error) => {
    throw new Refusal(
      507,
      'Deleted, but not from backups',
      `It is deleted here for good. The backups are as they were: ${error instanceof Refusal ? error.detail : error.message}`,
    )
  })
  return went
}
