import { randomUUID } from 'node:crypto'
import type { Account, OwnerAnswer, StoredOwner } from '@contract'
import { accountOf, owedOf, type Entry, type MoneyVisit, type OwnerEntries } from '@core/money'
import { Owner } from '@core/owner'
import { closedTo } from '../db/closings'
import type { Db, Queries } from '../db/db'
import { theHouse } from '../db/house'
import { moneyVisits } from '../db/money'
import {
  addEntry,
  allEntries,
  dogsOfOwnerRecord,
  entriesOf,
  moveOwner,
  ownerOf,
  ownerRecords,
  sameOwner,
  sayInDogs,
  twinsOf,
} from '../db/owners'
import { conflict, notFound, Refusal } from '../problems'
import { dogsOfOwner } from './ownerData'

async function theOwner(db: Queries, id: string): Promise<StoredOwner> {
  const owner = await ownerRecords.find(db, id)
  if (!owner) throw notFound('owner')
  return owner
}

const currencyOf = async (db: Queries) => (await theHouse(db)).record.prices.currency

/** An owner whole: its dogs, how it stands, what was written into its account. */
export async function ownerWhole(db: Queries, id: string): Promise<OwnerAnswer> {
  const owner = await theOwner(db, id)
  const [dogs, entries, visits, currency, twins] = await Promise.all([
    dogsOfOwnerRecord(db, id),
    entriesOf(db, id),
    moneyVisits(db, { owners: [id] }),
    currencyOf(db),
    twinsOf(db, id, owner.record.name),
  ])
  return {
    ...owner,
    dogs: dogs.flatMap(({ id: dog, name, gone }) => (gone ? [] : [{ id: dog, name }])),
    currency,
    stands: accountOf(entries, visits, currency),
    owed: owedOf(visits.filter((v) => v.paid?.price.currency === currency)),
    entries: entries.reverse(),
    twins,
  }
}

/** Changes an owner from a version, and with it what its dogs’ records say. */
export const changeOwner = (db: Db, id: string, version: number, record: Owner): Promise<StoredOwner> =>
  db.transaction(async (tx) => {
    if (record.name === '' && record.contact === '')
      throw new Refusal(422, 'Some of it can’t be taken', 'Give a name, or how to reach the owner.', [
        { field: 'record.name', message: 'Give a name, or how to reach the owner.' },
      ])
    if (await sameOwner(tx, id, record))
      throw new Refusal(
        422,
        'There is one like it',
        'Another owner has this name and contact. Are they the same person? Then join them.',
        [{ field: 'record.contact', message: 'Another owner has this name and contact: join them.' }],
      )
    const changed = await ownerRecords.change(tx, id, version, record)
    if (changed.state === 'missing') throw notFound('owner')
    if (changed.state === 'conflict') throw conflict(changed.row)
    await sayInDogs(tx, id, record)
    return changed.row
  })

/** Two texts in one, neither of them lost nor said twice. */
const both = (a: string, b: string, between: string, most: number): { text: string; lost: string } => {
  if (b === '' || a.includes(b)) return { text: a, lost: '' }
  if (a === '' || b.includes(a)) return { text: b, lost: '' }
  const text = `${a}${between}${b}`
  return text.length <= most ? { text, lost: '' } : { text: a, lost: b }
}

/** What two owners say that are one person: no word of either is lost. */
export function joined(one: Owner, other: Owner): Owner {
  const contact = both(one.contact, other.contact, ', ', 200)
  const second = both(one.secondContact, other.secondContact, '; ', 200)
  const lost = [contact.lost, second.lost].filter(Boolean).join('\n')
  const notes = [one.notes, other.notes, lost].filter(Boolean).join('\n')
  return { name: one.name || other.name, contact: contact.text, secondContact: second.text, notes }
}

/** Makes one of two owners: dogs, account and words of the other become the first one’s. */
export const joinOwners = (db: Db, id: string, otherId: string): Promise<StoredOwner> =>
  db.transaction(async (tx) => {
    if (id === otherId) throw new Refusal(422, 'The same owner', 'Choose another owner to join with this one.')
    const [one, other] = [await theOwner(tx, id), await theOwner(tx, otherId)]
    const read = Owner.safeParse(joined(one.record, other.record))
    if (!read.success)
      throw new Refusal(422, 'Too much to join', 'Their notes are too long for one owner. Shorten them first.')
    await moveOwner(tx, otherId, id, read.data)
    return theOwner(tx, id)
  })

/** Writes into an owner’s account. */
export const writeEntry = (db: Db, ownerId: string, entry: Entry, key: string = randomUUID()) =>
  db.transaction(async (tx) => {
    await theOwner(tx, ownerId)
    if (entry.kind === 'takenBack' && !(await entriesOf(tx, ownerId)).some((e) => e.id === entry.entry))
      throw notFound('entry in this account')
    return addEntry(tx, ownerId, entry, key)
  })

/** How the owner of a dog stands, and what it owes for visits. */
export async function accountOfDog(db: Queries, dogId: string): Promise<Account> {
  const [dogs, ownerId, currency, closed] = await Promise.all([
    dogsOfOwner(db, dogId),
    ownerOf(db, dogId),
    currencyOf(db),
    closedTo(db),
  ])
  const [visits, entries] = await Promise.all([
    moneyVisits(db, { dogs: dogs.map((d) => d.id) }),
    ownerId ? entriesOf(db, ownerId) : [],
  ])
  const owed = owedOf(visits.filter((v) => v.paid?.price.currency === currency))
  const stands = accountOf(entries, visits, currency)
  return { owner: dogs[0]!.owner, ownerId, currency, owed, stands, closedTo: closed }
}

/** What was written into all accounts at moments that are asked for, and how they stand by all ended visits. */
export async function accountsFor(
  db: Queries,
  visits: readonly MoneyVisit[],
  currency: string,
  within: (at: number) => boolean,
): Promise<OwnerEntries[]> {
  const accounts = await allEntries(db)
  const theirs = new Map<string, MoneyVisit[]>(accounts.map((a) => [a.ownerId, []]))
  for (const visit of visits) if (visit.ownerId) theirs.get(visit.ownerId)?.push(visit)
  return accounts.map(({ entries, ...of }) => ({
    ...of,
    entries: entries.filter((e) => within(e.at)),
    stands: accountOf(entries, theirs.get(of.ownerId)!, currency),
  }))
}
