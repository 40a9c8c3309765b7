import { ARCHIVED, type ArchiveKind, type Archived, type ArchivedVisit } from '@contract'
import type { Queries } from '../db/db'
import { putRows, type WholeRow } from '../db/whole'

/** How many things of an archive are read or written at once. */
export const PIECE = 50

const snake = (name: string) => name.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`)

/** A row by the names of the archive. */
const archived = (kind: ArchiveKind, row: WholeRow) =>
  Object.fromEntries(Object.keys(ARCHIVED[kind].shape).map((key) => [key, row[snake(key)]]))
/** Something of an archive by the names of its table's columns. */
const toRow = (thing: object): WholeRow =>
  Object.fromEntries(Object.entries(thing).map(([key, value]) => [snake(key), value]))

/** A condition, with its first parameter, on what is read: what comes after an id, or has one of some ids. */
interface Which {
  where: string
  params: unknown[]
  limit?: number
}

const visitsWhole = ({ where, params, limit }: Which) => ({
  sql: `select to_jsonb(v) as row,
      (select coalesce(jsonb_agg(jsonb_build_object('event', e.event, 'receivedAt', e.received_at) order by e.at, e.id), '[]')
         from visit_events e where e.visit_id = v.id) as taps,
      (select to_jsonb(o) from outcomes o where o.visit_id = v.id) as outcome,
      (select coalesce(jsonb_agg(to_jsonb(s) order by s.kind), '[]') from step_minutes s where s.visit_id = v.id) as minutes,
      (select coalesce(jsonb_agg(to_jsonb(m) order by m.id), '[]') from movements m where m.visit_id = v.id) as used
    from visits v where ${where} order by v.id ${limit === undefined ? '' : `limit ${limit}`}`,
  params,
})

interface VisitRow {
  row: WholeRow
  taps: ArchivedVisit['taps']
  outcome: WholeRow | null
  minutes: WholeRow[]
  used: WholeRow[]
}

async function readVisits(db: Queries, which: Which): Promise<Archived[]> {
  const { sql, params } = visitsWhole(which)
  const { rows } = await db.query<VisitRow>(sql, params)
  return rows.map(({ row, taps, outcome, minutes, used }) => ({
    ...archived('visits', row),
    taps,
    outcome: outcome && { coat: outcome.coat, record: outcome.record, summary: outcome.summary },
    minutes: minutes.map(({ kind, model, actual, aside }) => ({ kind, model, actual, aside })),
    used: used.map((m) => archived('movements', m)),
  })) as Archived[]
}

async function readKind(db: Queries, kind: ArchiveKind, which: Which): Promise<Archived[]> {
  if (kind === 'visits') return readVisits(db, which)
  const { where, params, limit } = which
  const only = kind === 'movements' ? 'and t.visit_id is null' : ''
  const { rows } = await db.query<{ row: WholeRow }>(
    `select to_jsonb(t) as row from ${kind} t where ${where.replace(/v\.id/g, 't.id')} ${only} order by t.id ${limit === undefined ? '' : `limit ${limit}`}`,
    params,
  )
  return rows.map(({ row }) => archived(kind, row)) as Archived[]
}

const NOBODY = '00000000-0000-0000-0000-000000000000'
/** Everything of a kind, piece by piece; `more` narrows it: a condition on a visit `v`. */
export async function* eachArchived(db: Queries, kind: ArchiveKind, more = 'true'): AsyncGenerator<Archived[]> {
  for (let after = NOBODY; ;) {
    const piece = await readKind(db, kind, { where: `v.id > $1 and ${more}`, params: [after], limit: PIECE })
    if (piece.length > 0) yield piece
    if (piece.length < PIECE) return
    after = piece[piece.length - 1]!.id
  }
}

/** Those of some ids that are here, by their id. */
export async function archivedHere(db: Queries, kind: ArchiveKind, ids: string[]): Promise<Map<string, Archived>> {
  const found = await readKind(db, kind, { where: 'v.id = any($1)', params: [ids] })
  return new Map(found.map((thing) => [thing.id, thing]))
}

async function putVisits(db: Queries, visits: readonly Archived<'visits'>[]): Promise<void> {
  const of = ({ id, dogId, date }: Archived<'visits'>) => ({ visit_id: id, dog_id: dogId, date })
  await putRows(
    db,
    'visits',
    visits.map(({ id, version, dogId, date, engine, inputs, plan, changedAt }) =>
      toRow({ id, version, dogId, date, engine, inputs, plan, changedAt }),
    ),
  )
  await putRows(
    db,
    'visit_events',
    visits.flatMap((v) =>
      v.taps.map(({ event, receivedAt }) => toRow({ id: event.id, visitId: v.id, at: event.at, event, receivedAt })),
    ),
  )
  await putRows(
    db,
    'outcomes',
    visits.flatMap((v) => (v.outcome ? [{ ...of(v), ...v.outcome }] : [])),
  )
  await putRows(
    db,
    'step_minutes',
    visits.flatMap((v) => v.minutes.map((m) => ({ ...of(v), coat: v.outcome?.coat ?? '', ...m }))),
  )
  await putRows(
    db,
    'movements',
    visits.flatMap((v) => v.used.map(toRow)),
  )
}

/** A photograph of a visit that isn't here is one of its dog. */
async function putPhotos(db: Queries, photos: readonly Archived<'photos'>[]): Promise<void> {
  const { rows } = await db.query<{ id: string }>('select id from visits where id = any($1)', [
    photos.flatMap((p) => p.visitId ?? []),
  ])
  const here = new Set(rows.map((r) => r.id))
  await putRows(
    db,
    'photos',
    photos.map((p) =>
      toRow({
        ...p,
        visitId: p.visitId !== null && here.has(p.visitId) ? p.visitId : null,
      }),
    ),
  )
}

/** Puts things of a kind in, in place of those with the same ids. */
export async function putArchived(db: Queries, kind: ArchiveKind, things: readonly Archived[]): Promise<void> {
  if (kind === 'visits') await putVisits(db, things as Archived<'visits'>[])
  else if (kind === 'photos') await putPhotos(db, things as Archived<'photos'>[])
  else await putRows(db, kind, things.map(toRow))
}
