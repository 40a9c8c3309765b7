import { createReadStream, createWriteStream } from 'node:fs'
import { open, rename, rm } from 'node:fs/promises'
import { dirname } from 'node:path'
import { createInterface } from 'node:readline'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import { z } from 'zod'
import { TABLE_NAMES, type TableName } from '../db/whole'

const Table = z.enum(TABLE_NAMES as [TableName, ...TableName[]])

/** The first line of a backup: what made it, when, and which steps its tables had been brought through. */
export const Head = z.object({
  juvant: z.literal('backup'),
  format: z.literal(1),
  engine: z.string(),
  at: z.string(),
  migrations: z.array(z.string()),
})
export type Head = z.infer<typeof Head>

/**
 * One line of a backup or a journal: a row as it is, a row that is gone, a visit of which what is told comes anew, the
 * end with the number of rows of each table, or the end of a piece of a journal.
 */
export const Line = z.union([
  z.object({ table: Table, row: z.record(z.string(), z.unknown()) }),
  z.object({ table: Table, gone: z.string() }),
  /** A visit whose taps, and what they told, come anew. */
  z.object({ anew: z.string() }),
  z.object({ end: z.record(z.string(), z.number()), change: z.number() }),
  /** Up to which change a journal goes, when that was written down, the sum of the lines before, of its piece, and whose changes they are. */
  z.object({
    change: z.number(),
    at: z.string().optional(),
    sum: z.string().optional(),
    room: z.string().optional(),
  }),
])
export type Line = z.infer<typeof Line>

/** A line as it was read; undefined for what isn't one. A row isn't looked into: there are very many. */
export function readLine(value: unknown): Line | undefined {
  const { table, row } = (value ?? {}) as { table?: unknown; row?: unknown }
  if (typeof row === 'object' && row !== null && TABLE_NAMES.includes(table as TableName)) return value as Line
  return Line.safeParse(value).data
}

/** A backup that can't be read: why, in one line. */
export class UnreadableBackup extends Error {}

async function toDisk(path: string) {
  const file = await open(path, 'r')
  await file.sync().finally(() => file.close())
}

/** Writes a backup, a line each (or several that are written already): to a file of another name first, which gets its own when all of it is on disk. */
export async function writeLines(path: string, lines: AsyncIterable<object | string>): Promise<void> {
  const begun = `${path}.begun`
  const text = async function* () {
    for await (const line of lines) yield `${typeof line === 'string' ? line : JSON.stringify(line)}\n`
  }
  try {
    await pipeline(
      Readable.from(text()),
      createGzip({ level: 1, chunkSize: 1 << 18 }),
      createWriteStream(begun, { mode: 0o600 }),
    )
    await toDisk(begun)
    await rename(begun, path)
    await toDisk(dirname(path))
  } catch (error) {
    await rm(begun, { force: true })
    throw error
  }
}

/** The texts of a file's lines, packed or not, as they come. Throws UnreadableBackup where it can't be read to its end. */
export async function* textsIn(path: string, packed: boolean): AsyncGenerator<string> {
  const source = createReadStream(path, { highWaterMark: 1 << 18 })
  const bytes = packed ? source.pipe(createGunzip({ chunkSize: 1 << 18 })) : source
  const failed = new Promise<never>((_, reject) => {
    source.on('error', reject)
    bytes.on('error', reject)
  })
  failed.catch(() => undefined)
  const lines = createInterface({ input: bytes, crlfDelay: Infinity })[Symbol.asyncIterator]()
  try {
    for (;;) {
      const next = await Promise.race([lines.next(), failed]).catch((error: Error) => {
        throw new UnreadableBackup(`${path} can’t be read to its end: ${error.message}.`)
      })
      if (next.done) return
      yield next.value
    }
  } finally {
    source.destroy()
    bytes.destroy()
  }
}

/** The lines of a backup as they come. Throws UnreadableBackup where one isn't whole. */
export async function* readLines(path: string): AsyncGenerator<unknown> {
  for await (const text of textsIn(path, true)) {
    if (text === '') continue
    let line: unknown
    try {
      line = JSON.parse(text)
    } catch {
      throw new UnreadableBackup(`${path} is damaged: a line of it isn’t whole.`)
    }
    yield line
  }
}
