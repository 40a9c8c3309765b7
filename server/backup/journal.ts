import { createHash } from 'node:crypto'
import { open } from 'node:fs/promises'
import type { Db } from '../db/db'
import { tablesThere } from '../db/whole'
import { changedSince, newestChange } from './backup'
import { readLine, textsIn, type Line } from './file'

/** How far a journal goes: up to which change, and how many bytes of its file are whole. */
export interface Reached {
  change: number
  bytes: number
}

/** One piece of a journal, which was written down whole or not at all. */
export interface Piece extends Reached {
  lines: Line[]
  /** When it was written down, and of which room; undefined in a journal of an earlier version. */
  at?: string
  room?: string
}

const sumOf = (texts: readonly string[]) => createHash('sha256').update(texts.join('\n')).digest('hex').slice(0, 16)

/** A piece as text: its lines, and one that says up to which change it goes. */
function textOf(lines: readonly Line[], change: number, at: Date, room?: string): string {
  const texts = lines.map((line) => JSON.stringify(line))
  return [...texts, JSON.stringify({ change, at: at.toISOString(), sum: sumOf(texts), room }), ''].join('\n')
}

/** Writes into a journal behind what of it is whole, over what was torn there; on disk when it answers. */
async function put(path: string, text: string, from: number): Promise<number> {
  const file = await open(path, from === 0 ? 'w' : 'r+', 0o600)
  try {
    const { size } = await file.stat()
    // only the end of its last line may be missing
    if (size < from - 1) throw new Error(`${path} is shorter than what was written into it.`)
    const whole = Buffer.from(size < from ? `\n${text}` : text)
    const at = Math.min(size, from)
    await file.truncate(at)
    const { bytesWritten } = await file.write(whole, 0, whole.length, at)
    if (bytesWritten < whole.length) throw new Error(`${path} couldn’t be written to its end.`)
    await file.sync()
  } finally {
    await file.close()
  }
  return from + Buffer.byteLength(text)
}

/** Begins the journal of a backup of a room that goes up to a change. */
export async function beginJournal(path: string, change: number, at: Date, room?: string): Promise<Reached> {
  return { change, bytes: await put(path, textOf([], change, at, room), 0) }
}

/** Writes down what changed since, after what the journal has: on disk when it answers. Answers how far it goes then. */
export async function writeJournal(db: Db, path: string, since: Reached, at: Date): Promise<Reached> {
  const lines: Line[] = []
  let newest = since.change
  await db.transaction(async (tx) => {
    newest = await newestChange(tx, await tablesThere(tx))
    if (newest > since.change) for await (const line of changedSince(tx, since.change)) lines.push(line)
  })
  if (lines.length === 0) return { ...since, change: newest }
  return { change: newest, bytes: await put(path, textOf(lines, newest, at), since.bytes) }
}

/** A line of a torn journal: also one that earlier versions wrote right behind half of another. */
function lineIn(text: string): { line: Line; own: string } | undefined {
  for (let from = 0; from >= 0; from = text.indexOf('{"', from + 1)) {
    const own = text.slice(from)
    try {
      const line = readLine(JSON.parse(own))
      if (line) return { line, own }
    } catch {
      // it begins further on, if at all
    }
  }
  return undefined
}

/**
 * The pieces of a journal, each whole: a piece that was torn is left out. What it held is in the next one if there is one,
 * as whoever goes on goes on from the last whole piece. It ends where a piece isn't what was written.
 */
export async function* readJournal(path: string): AsyncGenerator<Piece> {
  let lines: Line[] = []
  let texts: string[] = []
  let bytes = 0
  for await (const text of textsIn(path, false)) {
    bytes += Buffer.byteLength(text) + 1
    if (text === '') continue
    const read = lineIn(text)
    if (read?.own !== text) [lines, texts] = [[], []]
    if (!read) continue
    const { line, own } = read
    if (!('change' in line) || 'end' in line) {
      lines.push(line)
      texts.push(own)
      continue
    }
    if ('sum' in line && line.sum !== undefined && line.sum !== sumOf(texts)) return
    yield { lines, change: line.change, at: line.at, room: line.room, bytes }
    ;[lines, texts] = [[], []]
  }
}

/** How far a journal goes, and of which room it is; undefined where nothing of it is whole. */
export async function reachedBy(path: string): Promise<Omit<Piece, 'lines'> | undefined> {
  let reached: Omit<Piece, 'lines'> | undefined
  for await (const { change, bytes, at = reached?.at, room = reached?.room } of readJournal(path))
    reached = { change, bytes, at, room }
  return reached
}
