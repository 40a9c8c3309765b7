import { randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, renameSync, statSync } from 'node:fs'
import { join } from 'node:path'
import type { RequestHandler } from 'express'
import { pino, type Logger } from 'pino'

/** The folder of a data folder that holds the log, and its file of today. */
export const LOG = { folder: 'log', file: 'juvant.jsonl', before: 'juvant.1.jsonl' }
/** From how large the file is put aside for a new one; one that was put aside is kept, bytes. */
const MOST_BYTES = 5e6

export interface OpenLog {
  log: Logger
  /** Puts a file that has grown large aside. */
  tend(): void
}

/**
 * Says what is wrong where the program was started (`level`), and writes each ask as one line of JSON into the data folder:
 * its id, what was asked by the table of endpoints, how it was answered, how many ms it took; no bodies, no names.
 */
export function openLog(data: string, level = 'warn'): OpenLog {
  const folder = join(data, LOG.folder)
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const path = join(folder, LOG.file)
  const file = pino.destination({ dest: path, sync: false, mode: 0o600 })
  // a disk that is full ends no program for its log
  file.on('error', () => undefined)
  const streams = pino.multistream([
    { level: level as pino.Level, stream: process.stdout },
    { level: 'info', stream: file },
  ])
  return {
    // where it was started asks are told of only when that is wished
    log: pino({ level: level === 'debug' || level === 'trace' ? level : 'info' }, streams),
    tend() {
      if (!existsSync(path) || statSync(path).size < MOST_BYTES) return
      renameSync(path, join(folder, LOG.before))
      file.reopen()
    },
  }
}

/** Gives each ask an id, which its answer carries as `X-Request-Id`, and writes a line once it is answered. */
export const tellAsks =
  (log: Logger): RequestHandler =>
  (req, res, next) => {
    const [id, began] = [randomUUID().slice(0, 8), performance.now()]
    res.set('X-Request-Id', id)
    res.locals.id = id
    res.on('close', () => {
      // what was asked, as the table of endpoints calls it: addresses hold what people typed
      const ask = (res.locals.ask as string | undefined) ?? `${req.method} ?`
      log.info({ id, ask, status: res.statusCode, ms: Math.round(10 * (performance.now() - began)) / 10 }, 'ask')
    })
    next()
  }
