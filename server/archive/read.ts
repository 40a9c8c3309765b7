import { readFileSync } from 'node:fs'
import { strFromU8, unzipSync } from 'fflate'
import { ARCHIVE_KINDS, ArchiveHead, BY_YEAR, type ArchiveKind } from '@contract'
import { PIECE } from './rows'

/** An archive that can't be read, and why, in one line. */
export class UnreadableArchive extends Error {}

/** The largest file of an archive that is opened, bytes; one that is packed tighter than records can be is meant to harm. */
const MOST_BYTES = 400_000_000
const TIGHT = { times: 150, from: 5_000_000 }
/** How many of a kind an archive may hold: more than a room sees in a life, few enough to be taken in minutes. */
const MOST: Partial<Record<ArchiveKind, number>> = { dogs: 20_000, products: 5000 }
const MOST_OTHER = 200_000

/** What is read from an archive, in its order: its head, its house, its lists in pieces. */
export type ArchivePart =
  { head: ArchiveHead } | { house: unknown } | { kind: ArchiveKind; from: number; things: unknown[] }

const YEAR = /^\d{4}\.json$/
const isOf = (kind: ArchiveKind, name: string) =>
  BY_YEAR.has(kind) ? name.startsWith(`${kind}/`) && YEAR.test(name.slice(kind.length + 1)) : name === `${kind}.json`

/** Reads an archive's files one after the other; nothing in it is checked but that it is JSON. Throws UnreadableArchive. */
export function* readArchive(path: string): Generator<ArchivePart> {
  const bytes = readFileSync(path)
  const names: string[] = []
  const unzip = (wanted?: string) => {
    try {
      return unzipSync(bytes, {
        filter({ name, size, originalSize }) {
          names.push(name)
          if (name !== wanted) return false
          if (originalSize > TIGHT.from && originalSize > TIGHT.times * size)
            throw new UnreadableArchive(`${name} in it is packed tighter than records can be.`)
          if (originalSize > MOST_BYTES) throw new UnreadableArchive(`${name} in it is larger than 400 MB.`)
          return true
        },
      })
    } catch (error) {
      if (error instanceof UnreadableArchive) throw error
      throw new UnreadableArchive('The file isn’t a zip, or is damaged.')
    }
  }
  const json = (name: string): unknown => {
    const file = unzip(name)[name]
    if (!file) throw new UnreadableArchive(`There is no ${name} in it: it isn’t an archive of this program.`)
    try {
      return JSON.parse(strFromU8(file)) as unknown
    } catch {
      throw new UnreadableArchive(`${name} in it isn’t whole: no JSON.`)
    }
  }
  const head = ArchiveHead.safeParse(json('archive.json'))
  if (!head.success) throw new UnreadableArchive('It isn’t an archive that this version knows.')
  yield { head: head.data }
  yield { house: json('house.json') }
  const there = [...new Set(names)].sort()
  for (const kind of ARCHIVE_KINDS) {
    let found = 0
    const most = MOST[kind] ?? MOST_OTHER
    for (const name of there.filter((n) => isOf(kind, n))) {
      const all = json(name)
      if (!Array.isArray(all)) throw new UnreadableArchive(`${name} in it isn’t a list.`)
      found += all.length
      if (found > most) throw new UnreadableArchive(`It holds more than ${most} of ${kind}.`)
      for (let from = 0; from < all.length; from += PIECE) yield { kind, from, things: all.slice(from, from + PIECE) }
    }
  }
}
