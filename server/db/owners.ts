import type { OwnerLine } from '@contract'
import type { WrittenEntry } from '@core/money'
import { asDogsSay, Owner } from '@core/owner'
import type { Queries } from './db'
import { recordQueries } from './stored'

export const ownerRecords = recordQueries('owners', Owner)

const LINE = `select o.id, o.record ->> 'name' as name, o.record ->> 'contact' as contact,
    coalesce((select jsonb_agg(d.name order by d.name) from dogs d where d.owner_id = o.id and d.deleted_at is null), '[]') as dogs
  from owners o`

/** Owners whose name, contact or dogs hold a text, by name. */
export async function findOwners(db: Queries, text: string, limit: number): Promise<OwnerLine[]> {
  const pattern = `%${text.replace(/[\\%_]/g, (c) => `\\${c}`)}%`
  const { rows } = await db.query<OwnerLine>(
    `${LINE} where o.deleted_at is null and (o.record ->> 'name' ilike $1 or o.record ->> 'contact' ilike $1
        or exists (select 1 from dogs d where d.owner_id = o.id and d.deleted_at is null and d.name ilike $1))
      order by lower(o.record ->> 'name'), o.id limit $2`,
    [pattern, limit],
  )
  return rows
}

/** Other owners that are called the same. */
export async function twinsOf(db: Queries, id: string, name: string): Promise<OwnerLine[]> {
  const { rows } = await db.query<OwnerLine>(
    `${LINE} where o.deleted_at is null and o.id <> $1 and $2 <> ''
        and regexp_replace(lower(o.record ->> 'name'), '[^[:alnum:]]+', ' ', 'g') = regexp_replace(lower($2), '[^[:alnum:]]+', ' ', 'g')
      order by o.id`,
    [id, name],
  )
  return rows
}

/** Another owner with that name and contact; undefined where there is none. */
export async function sameOwner(db: Queries, id: string, { name, contact }: Owner): Promise<string | undefined> {
  const { rows } = await db.query<{ id: string }>(
    `select id from owners where id <> $1 and deleted_at is null
        and lower(record ->> 'name') = lower($2) and record ->> 'contact' = $3`,
    [id, name, contact],
  )
  return rows[0]?.id
}

/** An owner's dogs, those that were deleted too. */
export async function dogsOfOwnerRecord(
  db: Queries,
  id: string,
): Promise<{ id: string; name: string; gone: boolean }[]> {
  const { rows } = await db.query<{ id: string; name: string; gone: boolean }>(
    'select id, name, deleted_at is not null as gone from dogs where owner_id = $1 order by lower(name), id',
    [id],
  )
  return rows
}

/** Which owner a dog has; null where its record names none. */
export async function ownerOf(db: Queries, dogId: string): Promise<string | null> {
  const { rows } = await db.query<{ owner: string | null }>('select owner_id as owner from dogs where id = $1', [dogId])
  return rows[0]?.owner ?? null
}

/** All dogs of an owner say what its record says. */
export async function sayInDogs(db: Queries, id: string, owner: Owner): Promise<void> {
  await db.query(
    `update dogs set record = record || $2::jsonb, version = version + 1, changed_at = now()
      where owner_id = $1 and not record @> $2::jsonb`,
    [id, JSON.stringify(asDogsSay(owner))],
  )
}

/** Dogs and account of one owner become another's, which says `owner` from now on; the one is gone then. */
export async function moveOwner(db: Queries, from: string, to: string, owner: Owner): Promise<void> {
  await db.query('update owners set joined = $2 where joined = $1', [from, to])
  await db.query(
    'update owners set record = $3, deleted_at = now(), joined = $2, version = version + 1 where id = $1',
    [from, to, JSON.stringify(Owner.parse({}))],
  )
  await db.query('update owners set record = $2, version = version + 1, changed_at = now() where id = $1', [
    to,
    JSON.stringify(owner),
  ])
  await db.query('update entries set owner_id = $2 where owner_id = $1', [from, to])
  await db.query(
    `update dogs set record = record || $3::jsonb, version = version + 1, changed_at = now() where owner_id in ($1, $2)`,
    [from, to, JSON.stringify(asDogsSay(owner))],
  )
}

interface EntryRow {
  id: string
  at: Date
  entry: WrittenEntry['entry']
}
const toEntry = ({ id, at, entry }: EntryRow): WrittenEntry => ({ id, at: new Date(at).getTime(), entry })

/** Writes into an account; what is written under an id already is left as it is. */
export async function addEntry(
  db: Queries,
  ownerId: string,
  entry: WrittenEntry['entry'],
  id: string,
  at = new Date(),
): Promise<WrittenEntry> {
  await db.query('insert into entries (id, owner_id, entry, at) values ($1, $2, $3, $4) on conflict (id) do nothing', [
    id,
    ownerId,
    JSON.stringify(entry),
    at.toISOString(),
  ])
  const { rows } = await db.query<EntryRow>('select id, at, entry from entries where id = $1', [id])
  return toEntry(rows[0]!)
}

/** One entry. */
export async function findEntry(db: Queries, id: string): Promise<WrittenEntry | undefined> {
  const { rows } = await db.query<EntryRow>('select id, at, entry from entries where id = $1', [id])
  return rows[0] && toEntry(rows[0])
}

/** What was written into an account, the first first. */
export async function entriesOf(db: Queries, ownerId: string): Promise<WrittenEntry[]> {
  const { rows } = await db.query<EntryRow>('select id, at, entry from entries where owner_id = $1 order by at, id', [
    ownerId,
  ])
  return rows.map(toEntry)
}

/** The same of all accounts that have something, with whose they are. */
export async function allEntries(db: Queries): Promise<{ ownerId: string; owner: string; entries: WrittenEntry[] }[]> {
  const { rows } = await db.query<EntryRow & { ownerId: string; owner: string }>(
    `select e.id, e.at, e.entry, e.owner_id as "ownerId", coalesce(o.record ->> 'name', '') as owner
       from entries e left join owners o on o.id = e.owner_id order by e.at, e.id`,
  )
  const accounts = new Map<string, { ownerId: string; owner: string; entries: WrittenEntry[] }>()
  for (const { ownerId, owner, ...row } of rows) {
    const account = accounts.get(ownerId) ?? { ownerId, owner, entries: [] }
    account.entries.push(toEntry(row))
    accounts.set(ownerId, account)
  }
  return [...accounts.values()]
}
