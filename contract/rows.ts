import type { Change, ChangeOf } from './changes'
import type { Address } from './endpoints'

/** What a device knows of an endpoint that it reads: which changes make an answer old, and whether the last one is kept for when there is no network. */
export interface ReadingRow {
  reads: readonly ChangeOf[]
  offline: boolean
  /** Works on everything that is kept: its answer is waited for longer. */
  long?: true
}
/** The same of one that it writes: what is changed (`all`: more than a word says), and whether asking again makes no second thing. */
export interface WritingRow {
  changes: ChangeOf | 'all' | null
  once?: true
  long?: true
}

/**
 * The facts of every endpoint beside what it takes and answers, without a schema: small enough for what runs before any
 * view. Caches, refreshing, waiting and what is kept for want of a network go by them; an endpoint without them doesn't compile.
 */
export const ROWS: { readonly [A in Address]: A extends `GET ${string}` ? ReadingRow : WritingRow } = {
  'GET /health': { reads: [], offline: false },
  'GET /openapi.json': { reads: [], offline: false },
  'GET /changes': { reads: [], offline: false },
  'GET /dogs': { reads: ['dogs'], offline: true },
  'GET /dues': { reads: ['dogs', 'days', 'visits', 'outcomes'], offline: true },
  'POST /dogs': { changes: 'dogs', once: true },
  'POST /dogs/list': { changes: 'dogs', long: true },
  'GET /dogs/{id}': { reads: ['dogs'], offline: true },
  'PUT /dogs/{id}': { changes: 'dogs' },
  'DELETE /dogs/{id}': { changes: 'dogs' },
  'POST /dogs/{id}/restore': { changes: 'dogs' },
  'GET /dogs/{id}/record.json': { reads: [], offline: false },
  'GET /dogs/{id}/record.pdf': { reads: [], offline: false },
  'GET /dogs/{id}/owner': { reads: ['dogs', 'answers'], offline: false },
  'POST /dogs/{id}/owner/erase': { changes: 'all', long: true },
  'GET /dogs/{id}/findings': { reads: ['findings'], offline: true },
  'POST /dogs/{id}/findings': { changes: 'findings', once: true },
  'GET /findings/{id}': { reads: ['findings'], offline: false },
  'PUT /findings/{id}': { changes: 'findings' },
  'DELETE /findings/{id}': { changes: 'findings' },
  'POST /findings/{id}/restore': { changes: 'findings' },
  'GET /dogs/{id}/answers': { reads: ['answers'], offline: false },
  'POST /dogs/{id}/answers': { changes: 'answers' },
  'DELETE /answers/{id}': { changes: 'answers' },
  'GET /dogs/{id}/card.html': { reads: [], offline: false },
  'GET /followups': { reads: ['answers'], offline: true },
  'GET /photos': { reads: ['photos'], offline: true },
  'POST /photos': { changes: 'photos' },
  'GET /photos/{id}/picture.jpg': { reads: [], offline: false },
  'DELETE /photos/{id}': { changes: 'photos' },
  'GET /products': { reads: ['products'], offline: true },
  'POST /products': { changes: 'products', once: true },
  'GET /products/{id}': { reads: ['products'], offline: false },
  'PUT /products/{id}': { changes: 'products' },
  'DELETE /products/{id}': { changes: 'products' },
  'POST /products/{id}/restore': { changes: 'products' },
  'GET /products/{id}/movements': { reads: ['stock'], offline: false },
  'POST /products/{id}/movements': { changes: 'stock', once: true },
  'GET /products/{id}/label.pdf': { reads: [], offline: false },
  'GET /tables/{written}': { reads: [], offline: false },
  'POST /tables/{table}/preview': { changes: null, long: true },
  'POST /tables/{table}/import': { changes: 'all', long: true },
  'POST /begin/own': { changes: 'all', long: true },
  'POST /begin/demonstration': { changes: 'all', long: true },
  'GET /me': { reads: [], offline: true },
  'GET /trust.crt': { reads: [], offline: false },
  'POST /pair': { changes: null },
  'GET /devices': { reads: [], offline: false },
  'POST /devices/code': { changes: null },
  'DELETE /devices/{id}': { changes: null },
  'PUT /devices/{id}/lock': { changes: null },
  'DELETE /devices/{id}/lock': { changes: null },
  'POST /unlock': { changes: null },
  'GET /bin': { reads: ['dogs', 'products', 'findings', 'standings', 'days', 'visits'], offline: false },
  'POST /bin/restore': { changes: 'all' },
  'GET /history': { reads: ['dogs', 'products', 'house', 'findings', 'standings', 'days'], offline: false },
  'POST /history/back': { changes: 'all' },
  'GET /backups': { reads: [], offline: false },
  'POST /backups': { changes: null, long: true },
  'PUT /backups/folder': { changes: null, long: true },
  'POST /backups/practise': { changes: null, long: true },
  'POST /backups/{backup}/restore': { changes: null, long: true },
  'GET /archive.zip': { reads: [], offline: false },
  'GET /archive.schema.json': { reads: [], offline: false },
  'POST /archive/preview': { changes: null, long: true },
  'GET /archive/taking': { reads: [], offline: false },
  'POST /archive/stop': { changes: null, long: true },
  'POST /archive/take': { changes: 'all', long: true },
  'DELETE /movements/{id}': { changes: 'stock' },
  'GET /stock': { reads: ['products', 'stock'], offline: true },
  'GET /house': { reads: ['house'], offline: true },
  'PUT /house': { changes: 'house' },
  'GET /visits': { reads: ['dogs', 'visits'], offline: true },
  'POST /visits': { changes: 'visits' },
  'GET /visits/{id}': { reads: ['visits'], offline: true },
  'PUT /visits/{id}': { changes: 'visits' },
  'DELETE /visits/{id}': { changes: 'visits' },
  'GET /visits/{id}/events': { reads: ['taps'], offline: true },
  'POST /visits/{id}/events': { changes: 'taps' },
  'GET /visits/{id}/outcome': { reads: ['outcomes'], offline: true },
  'GET /visits/{id}/letter.pdf': { reads: [], offline: false },
  'GET /visits/{id}/slip.pdf': { reads: [], offline: false },
  'POST /visits/{id}/receipt': { changes: null },
  'GET /visits/{id}/receipt.pdf': { reads: [], offline: false },
  'GET /memory': { reads: ['dogs', 'house', 'answers', 'standings', 'outcomes'], offline: true },
  'GET /logbook': { reads: ['house', 'outcomes'], offline: true, long: true },
  'GET /logbook/taught': { reads: ['house', 'outcomes'], offline: true, long: true },
  'GET /books': { reads: ['house', 'dogs', 'owners', 'visits', 'outcomes'], offline: false },
  'GET /books/what-if': { reads: ['house', 'dogs', 'visits', 'outcomes'], offline: false },
  'GET /closings': { reads: ['house', 'owners', 'outcomes', 'closings'], offline: false },
  'POST /closings': { changes: 'closings', once: true },
  'GET /account': { reads: ['dogs', 'owners', 'outcomes', 'closings'], offline: false },
  'GET /owners': { reads: ['dogs', 'owners'], offline: false },
  'GET /owners/{id}': { reads: ['dogs', 'owners', 'outcomes', 'house'], offline: false },
  'PUT /owners/{id}': { changes: 'owners' },
  'POST /owners/{id}/join': { changes: 'all' },
  'POST /owners/{id}/entries': { changes: 'owners', once: true },
  'POST /entries/{id}/receipt': { changes: null },
  'GET /entries/{id}/receipt.pdf': { reads: [], offline: false },
  'GET /instruments': { reads: [], offline: true },
  'PUT /instruments/scale/load': { changes: null },
  'PUT /instruments/{kind}': { changes: null },
  'GET /instruments/readings': { reads: [], offline: false },
  'GET /days': { reads: ['dogs', 'days'], offline: true },
  'PUT /days': { changes: 'days' },
  'GET /to-place': { reads: ['dogs', 'days'], offline: true },
  'GET /weeks': { reads: ['dogs', 'standings', 'days', 'visits'], offline: true },
  'POST /days/arrange': { changes: null, long: true },
  'GET /days/{date}': { reads: ['days', 'visits'], offline: true },
  'PUT /days/{date}': { changes: 'days' },
  'DELETE /days/{date}': { changes: 'days' },
  'GET /days/{date}/tub': { reads: ['dogs', 'days', 'visits', 'taps'], offline: true },
  'GET /days/{date}/plan.ics': { reads: [], offline: false },
  'GET /days/{date}/sheet.pdf': { reads: [], offline: false },
  'GET /standings': { reads: ['dogs', 'standings'], offline: true },
  'POST /standings': { changes: 'standings', once: true },
  'GET /standings/{id}': { reads: ['standings'], offline: false },
  'PUT /standings/{id}': { changes: 'standings' },
  'DELETE /standings/{id}': { changes: 'standings' },
  'POST /standings/{id}/restore': { changes: 'standings' },
  'POST /calendar/preview': { changes: null, long: true },
  'POST /calendar/import': { changes: 'days', long: true },
  'POST /reckon/visit': { changes: null },
  'POST /reckon/mix': { changes: null },
  'POST /reckon/water': { changes: null },
  'POST /reckon/rinse': { changes: null },
  'POST /reckon/drying': { changes: null },
  'POST /reckon/ears': { changes: null },
  'POST /reckon/day': { changes: null },
}

/** Endpoints that are read. */
export type Reading = Extract<Address, `GET ${string}`>

/** All that are read. */
export const READINGS = (Object.keys(ROWS) as Address[]).filter((a): a is Reading => a.startsWith('GET '))

/** The record that an `{id}` in a path names, by the first word of the path. */
const recordOf = (address: Address) => address.split('/')[1] as ChangeOf

/** Whether an answer to a question is about the thing that changed, as far as the question says. */
export function isAbout(
  { id, date, what, dog }: Change,
  address: Reading,
  { params = {} }: { params?: { id?: string; date?: string } },
): boolean {
  if (!ROWS[address].reads.includes(what)) return false
  if (params.date !== undefined) return date === undefined || params.date === date
  if (params.id === undefined) return true
  // of an owner tells what changes in any of its dogs
  if (recordOf(address) === 'owners' && what !== 'owners') return true
  const named = recordOf(address) === 'dogs' && what !== 'dogs' ? dog : id
  return named === undefined || params.id === named
}

/** What a write changed, before anybody tells of it: `all` where that is more than a word says; undefined where it is nothing. */
export function changeBy(address: Address, { id, date }: { id?: string; date?: string }): Change | 'all' | undefined {
  const row = ROWS[address]
  if (!('changes' in row) || row.changes === null) return undefined
  const { changes: what } = row
  if (what === 'all') return 'all'
  // what is written under a dog names the dog
  const under = recordOf(address) === 'dogs' && what !== 'dogs'
  return { what, ...(date !== undefined && { date }), ...(id !== undefined && (under ? { dog: id } : { id })) }
}

/** What the address of a request looks like, under `/api`. */
const patternOf = (address: Address) =>
  new RegExp(
    `^/api${address
      .slice(address.indexOf(' ') + 1)
      .replace(/[.]/g, '[.]')
      .replace(/\{\w+\}/g, '[^/]+')}$`,
  )
const KEPT_OFFLINE = READINGS.filter((a) => ROWS[a].offline).map(patternOf)

/** Whether the last answer to a path is kept on a device for when there is no network. */
export const isKeptOffline = (path: string): boolean => KEPT_OFFLINE.some((p) => p.test(path))
