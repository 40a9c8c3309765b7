import { strToU8, Zip, ZipDeflate } from 'fflate'
import { z } from 'zod'
import { ARCHIVE_KINDS, ArchiveFiles, BY_YEAR, type ArchiveHead, type ArchiveKind } from '@contract'
import { ENGINE } from '@core/visit'
import type { Db } from '../db/db'
import { theHouse } from '../db/house'
import { eachArchived } from './rows'

/** The JSON Schema of all files of an archive, by their names. */
export const archiveSchema = () => ({
  ...z.toJSONSchema(ArchiveFiles, { io: 'input', unrepresentable: 'any' }),
  title: 'Juvant archive, format 1',
  description:
    'One property for each file of the zip. Kilograms, millilitres, degrees Celsius, minutes; moments in ISO 8601.',
})

/** One file of a zip, in pieces of text. */
interface Part {
  name: string
  text: AsyncIterable<string>
}

async function* one(text: string): AsyncGenerator<string> {
  yield text
}
/** A JSON array, a thing a line. */
async function* list(pieces: AsyncIterable<readonly object[]>): AsyncGenerator<string> {
  let before = '[\n'
  for await (const piece of pieces)
    for (const thing of piece) {
      yield `${before}${JSON.stringify(thing)}`
      before = ',\n'
    }
  yield before === '[\n' ? '[]\n' : '\n]\n'
}

/** Packs files into a zip, as they come. */
async function* zipped(parts: AsyncIterable<Part>): AsyncGenerator<Uint8Array> {
  let made: Uint8Array[] = []
  const zip = new Zip((error, bytes) => {
    if (error) throw error
    made.push(bytes)
  })
  const take = () => {
    const now = made
    made = []
    return now
  }
  for await (const { name, text } of parts) {
    const file = new ZipDeflate(name, { level: 6 })
    zip.add(file)
    for await (const piece of text) {
      file.push(strToU8(piece))
      yield* take()
    }
    file.push(new Uint8Array(0), true)
    yield* take()
  }
  zip.end()
  yield* take()
}

const KEPT_LISTS: readonly ArchiveKind[] = [...ARCHIVE_KINDS].reverse()

async function* parts(db: Db, at: Date): AsyncGenerator<Part> {
  const { rows } = await db.query<{ name: string }>('select name from migrations order by name')
  const head: ArchiveHead = {
    juvant: 'archive',
    format: 1,
    engine: ENGINE,
    at: at.toISOString(),
    migrations: rows.map((r) => r.name),
  }
  yield { name: 'archive.json', text: one(JSON.stringify(head, null, 2)) }
  yield { name: 'archive.schema.json', text: one(JSON.stringify(archiveSchema(), null, 2)) }
  yield { name: 'house.json', text: one(JSON.stringify((await theHouse(db)).record, null, 2)) }
  // what others belong to comes last, so that what is added meanwhile has its dog and its bottle in it
  for (const kind of KEPT_LISTS) {
    if (!BY_YEAR.has(kind)) {
      yield { name: `${kind}.json`, text: list(eachArchived(db, kind)) }
      continue
    }
    const at = kind === 'visits' ? 'date' : "(taken_at at time zone 'UTC')"
    const years = await db.query<{ year: number }>(
      `select distinct extract(year from ${at})::int as year from ${kind} order by 1`,
    )
    for (const { year } of years.rows)
      yield { name: `${kind}/${year}.json`, text: list(eachArchived(db, kind, `extract(year from ${at}) = ${year}`)) }
  }
}

/** Everything that is kept as a zip of JSON files with their schema, as it is packed; others get a word in between. */
export const writeArchive = (db: Db, at = new Date()): AsyncGenerator<Uint8Array> => zipped(parts(db, at))
