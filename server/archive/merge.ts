import { createHash } from 'node:crypto'
import { setImmediate as nextTurn } from 'node:timers/promises'
import {
  ARCHIVED,
  ARCHIVE_KINDS,
  type Archived,
  type ArchiveHead,
  type ArchiveKind,
  type ArchivePreview,
  type KindCount,
} from '@contract'
import { House } from '@core/house'
import { sameData } from '@core/same'
import type { TubEvent } from '@core/tubside'
import type { Db, Queries } from '../db/db'
import { houseRecords, theHouse } from '../db/house'
import { sameOwner, sayInDogs } from '../db/owners'
import { readJpeg } from '../formats/jpeg'
import { keepOutcome } from '../usecases/outcome'
import { UnreadableArchive, type ArchivePart } from './read'
import { archivedHere, putArchived } from './rows'

/** How an archive is taken: not at all (`keep` false), whether what differs is changed here, and the house too. */
export interface Taking {
  keep: boolean
  over: boolean
  house: boolean
}

/** What an archive does, or would do, to what is here. */
export type Merged = Pick<ArchivePreview, 'counts' | 'house' | 'doubles' | 'unreadable'> & { head: ArchiveHead }

/** How many names and faults are told. */
const MOST_TOLD = 20

const nobody = (kind: ArchiveKind): KindCount => ({ kind, adds: 0, same: 0, differs: 0, lost: 0 })

/** What stays as it was given or written. */
const ONLY_ADDED: ReadonlySet<ArchiveKind> = new Set(['receipts', 'entries', 'closings'])

/** What others belong to. */
const BELONGED = ['dogs', 'products', 'owners'] as const
type Belonged = (typeof BELONGED)[number]
const isBelonged = (kind: ArchiveKind): kind is Belonged => (BELONGED as readonly string[]).includes(kind)

/** What it belongs to, for each kind that belongs to something. */
const ownersOf = (kind: ArchiveKind, thing: Archived): [Belonged, string][] => {
  if (kind === 'entries') return [['owners', (thing as Archived<'entries'>).ownerId]]
  if (kind === 'findings' || kind === 'photos' || kind === 'answers')
    return [['dogs', (thing as Archived<'findings' | 'photos' | 'answers'>).dogId]]
  if (kind === 'visits') {
    const { dogId, used } = thing as Archived<'visits'>
    return [['dogs', dogId], ...used.map(({ productId }) => ['products', productId] as ['products', string])]
  }
  if (kind === 'movements') return [['products', (thing as Archived<'movements'>).productId]]
  return []
}

/** Owners that are here: by their ids, else by name and contact. */
async function ownersHere(db: Queries, things: readonly Archived<'owners'>[]): Promise<Map<string, Archived>> {
  const { rows } = await db.query<{ asked: string; id: string }>(
    `select distinct on (a.id) a.id::text as asked, o.id from jsonb_to_recordset($1::jsonb) as a (id uuid, name text, contact text, gone boolean)
       join owners o on o.id = a.id
         or (not a.gone and o.deleted_at is null and lower(o.record ->> 'name') = lower(a.name) and o.record ->> 'contact' = a.contact)
      order by a.id, o.id <> a.id`,
    [JSON.stringify(things.map((t) => ({ id: t.id, ...t.record, gone: t.deletedAt !== null })))],
  )
  const found = await archivedHere(
    db,
    'owners',
    rows.map((r) => r.id),
  )
  return new Map(rows.map((r) => [r.asked, found.get(r.id)!]))
}

/** Those of a kind that are here: by their ids, a day by its date. */
async function here(db: Queries, kind: ArchiveKind, things: readonly Archived[]): Promise<Map<string, Archived>> {
  if (kind === 'owners') return ownersHere(db, things as Archived<'owners'>[])
  if (kind !== 'days')
    return archivedHere(
      db,
      kind,
      things.map((t) => t.id),
    )
  const dates = (things as Archived<'days'>[]).map((d) => d.date)
  const { rows } = await db.query<{ id: string; date: string }>(
    `select id, to_char(date, 'YYYY-MM-DD') as date from days where date = any($1::date[])`,
    [dates],
  )
  const found = await archivedHere(
    db,
    kind,
    rows.map((r) => r.id),
  )
  const at = new Map(rows.map((r) => [r.date, found.get(r.id)!]))
  return new Map((things as Archived<'days'>[]).flatMap((d) => (at.has(d.date) ? [[d.id, at.get(d.date)!]] : [])))
}

/** An id that is always the same for a tap of a visit, and no other's. */
function idOf(visit: string, tap: string): string {
  const hex = createHash('sha256').update(`${visit} ${tap}`).digest('hex')
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`
}

/** Visits with taps of their own: one that goes by the id of another visit's tap takes it away from none, and gets its own. */
async function ownTaps(db: Queries, visits: readonly Archived<'visits'>[]): Promise<Archived<'visits'>[]> {
  const { rows } = await db.query<{ id: string; visit: string }>(
    'select id, visit_id as visit from visit_events where id = any($1)',
    [visits.flatMap((v) => v.taps.map((t) => t.event.id))],
  )
  const taken = new Map(rows.map((r) => [r.id, r.visit]))
  return visits.map((visit) => {
    const taps = visit.taps.map((tap) => {
      const { id } = tap.event
      const of = taken.get(id) ?? visit.id
      taken.set(id, of)
      return of === visit.id ? tap : { ...tap, event: { ...tap.event, id: idOf(visit.id, id) } }
    })
    // in the order in which they are read here
    const order = (a: TubEvent, b: TubEvent) => a.at - b.at || (a.id < b.id ? -1 : 1)
    return { ...visit, taps: taps.sort((a, b) => order(a.event, b.event)) }
  })
}

/** Numbers of receipts that are given here already, of which receipt. */
async function numbersHere(db: Queries, things: readonly Archived<'receipts'>[]): Promise<Map<number, string>> {
  const { rows } = await db.query<{ number: number; id: string }>(
    'select number, id from receipts where number = any($1::int[])',
    [things.map((t) => t.number)],
  )
  return new Map(rows.map((r) => [r.number, r.id]))
}

/** What two of the same are compared by: when they were changed, and how often, aside. */
const said = (thing: Archived): object => {
  const { id: _id, version: _version, changedAt: _at, ...rest } = thing as Record<string, unknown>
  return rest
}

async function names(db: Queries): Promise<Map<string, string>> {
  const { rows } = await db.query<{ id: string; name: string }>(
    'select id, lower(name) as name from dogs where deleted_at is null',
  )
  return new Map(rows.map((r) => [r.name, r.id]))
}

const NO_PICTURE = { path: ['content'], message: 'It is no whole JPEG.' }

/** A thing as it is kept here: a photograph without what was written beside it elsewhere; undefined where it shows nothing. */
function asKept(kind: ArchiveKind, thing: Archived): Archived | undefined {
  if (kind !== 'photos') return thing
  const photo = thing as Archived<'photos'>
  const jpeg = readJpeg(Buffer.from(photo.content, 'base64'))
  return jpeg && { ...photo, content: jpeg.bytes.toString('base64') }
}

/** The parts of an archive with what is wrong with them named, and left out. */
async function* readable(parts: AsyncIterable<ArchivePart>, unreadable: Merged['unreadable']) {
  for await (const part of parts) {
    // what came at once and the embedded database leave the loop no turn of its own: others are answered in between
    await nextTurn()
    if (!('kind' in part)) {
      yield part
      continue
    }
    const { kind, from, things } = part
    const whole = things.flatMap((thing, i) => {
      const read = ARCHIVED[kind].safeParse(thing)
      // as it is written: what a later version of a record doesn't know isn't lost, what it adds isn't added
      const whole = read.success ? asKept(kind, thing as Archived) : undefined
      if (whole) return [whole]
      const issue = read.error?.issues[0] ?? NO_PICTURE
      if (unreadable.length < MOST_TOLD)
        unreadable.push({ kind, place: from + i + 1, why: `${issue.path.join('.') || 'all of it'}: ${issue.message}` })
      return []
    })
    yield { kind, things: whole }
  }
}

/** An archive on its way in. */
class Merge {
  readonly merged: Merged
  private readonly counts: Map<ArchiveKind, KindCount>
  /** What is only counted isn't here yet when others belong to it. */
  private readonly added: Record<Belonged, Set<string>> = { dogs: new Set(), products: new Set(), owners: new Set() }
  /** Owners that are here by another id. */
  private readonly ownersAs = new Map<string, string>()

  constructor(
    private readonly db: Queries,
    private readonly taking: Taking,
    /** Ids of the dogs here by their names. */
    private readonly called: ReadonlyMap<string, string>,
  ) {
    this.counts = new Map(ARCHIVE_KINDS.map((kind) => [kind, nobody(kind)]))
    const counts = [...this.counts.values()]
    this.merged = { head: undefined as never, counts, house: 'same', doubles: [], unreadable: [] }
  }

  async house(given: unknown): Promise<void> {
    const read = House.safeParse(given)
    if (!read.success) throw new UnreadableArchive('Its house can’t be read.')
    const stored = await theHouse(this.db)
    if (sameData(stored.record, read.data)) return
    this.merged.house = 'differs'
    if (this.taking.keep && this.taking.house) await houseRecords.change(this.db, stored.id, stored.version, read.data)
  }

  /** The dogs and products that things may belong to. */
  private async owners(tx: Queries, kind: ArchiveKind, things: readonly Archived[]) {
    const of = async (what: Belonged) => {
      const ids = things.flatMap((t) => ownersOf(kind, t).flatMap(([o, id]) => (o === what ? [id] : [])))
      return new Set([...this.added[what], ...(await archivedHere(tx, what, ids)).keys()])
    }
    return { dogs: await of('dogs'), products: await of('products'), owners: await of('owners') }
  }

  private noteAdded(kind: ArchiveKind, thing: Archived) {
    if (!isBelonged(kind)) return
    this.added[kind].add(thing.id)
    if (kind !== 'dogs') return
    const { record, deletedAt } = thing as Archived<'dogs'>
    const { doubles } = this.merged
    if (deletedAt === null && this.called.has(record.name.toLowerCase()) && doubles.length < MOST_TOLD)
      doubles.push(record.name)
  }

  /** An owner doesn't become like another that is here. */
  private async mayChange(tx: Queries, kind: ArchiveKind, id: string, thing: Archived): Promise<boolean> {
    if (ONLY_ADDED.has(kind)) return false
    return kind !== 'owners' || !(await sameOwner(tx, id, (thing as Archived<'owners'>).record))
  }

  /** Things of a kind, whole or not at all. */
  async piece(tx: Queries, kind: ArchiveKind, things: readonly Archived[]): Promise<void> {
    const count = this.counts.get(kind)!
    if (kind === 'visits') things = await ownTaps(tx, things as Archived<'visits'>[])
    if (kind === 'entries')
      things = (things as Archived<'entries'>[]).map((e) => ({
        ...e,
        ownerId: this.ownersAs.get(e.ownerId) ?? e.ownerId,
      }))
    // a number isn't given twice, and what was given stays
    const numbers = kind === 'receipts' ? await numbersHere(tx, things as Archived<'receipts'>[]) : undefined
    const there = await here(tx, kind, things)
    const owners = await this.owners(tx, kind, things)
    const put: Archived[] = []
    for (const thing of things) {
      const now = there.get(thing.id)
      if (kind === 'owners' && now) this.ownersAs.set(thing.id, now.id)
      const given = numbers?.get((thing as Archived<'receipts'>).number)
      if (ownersOf(kind, thing).some(([what, id]) => !owners[what].has(id))) count.lost++
      else if (given !== undefined && given !== thing.id) count.differs++
      else if (!now) {
        count.adds++
        this.noteAdded(kind, thing)
        put.push(thing)
      } else if (sameData(said(now), said(thing))) count.same++
      else {
        count.differs++
        const version = 'version' in now ? { version: now.version + 1 } : {}
        if (this.taking.over && (await this.mayChange(tx, kind, now.id, thing)))
          put.push({ ...thing, id: now.id, ...version } as Archived)
      }
    }
    if (!this.taking.keep) return
    await putArchived(tx, kind, put)
    if (kind === 'owners')
      for (const { id, record } of put as Archived<'owners'>[]) if (there.has(id)) await sayInDogs(tx, id, record)
    // taps of both are kept, and what they tell is told anew
    if (kind === 'visits') for (const { id } of put) if (there.has(id)) await keepOutcome(tx, id)
  }
}

/**
 * Puts an archive beside what is here: what isn't here is added, what is here alike is left, what differs is left or, with
 * `over`, changed. All of it or nothing; taken twice it does no more than once. With `keep` false nothing is done but
 * counted, piece by piece. `known`: the steps of the database that this version knows. Throws UnreadableArchive.
 */
export async function mergeArchive(
  db: Db,
  parts: AsyncIterable<ArchivePart>,
  known: readonly string[],
  taking: Taking,
): Promise<Merged> {
  return taking.keep ? db.transaction((tx) => mergeInto(tx, parts, known, taking)) : mergeInto(db, parts, known, taking)
}

async function mergeInto(
  db: Queries,
  parts: AsyncIterable<ArchivePart>,
  known: readonly string[],
  taking: Taking,
): Promise<Merged> {
  const merge = new Merge(db, taking, await names(db))
  const { merged } = merge
  for await (const part of readable(parts, merged.unreadable)) {
    if ('head' in part) {
      merged.head = part.head
      const newer = part.head.migrations.filter((name) => !known.includes(name))
      if (newer.length > 0) throw new UnreadableArchive(`It was written by a newer version (${newer.join(', ')}).`)
    } else if ('house' in part) await merge.house(part.house)
    else await merge.piece(db, part.kind, part.things)
  }
  return merged
}
