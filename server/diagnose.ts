import { closeSync, existsSync, openSync, readdirSync, readSync, statSync, writeFileSync } from 'node:fs'
import { cpus, freemem, platform, release, totalmem } from 'node:os'
import { join, resolve } from 'node:path'
import { ENGINE } from '@core/visit'
import { backupsIn, verifyBackup } from './backup/backup'
import { reachedBy } from './backup/journal'
import { journalOf } from './backup/names'
import type { Config } from './config'
import { LOOPBACK } from './access/hosts'
import { BACKUP_SETTINGS, backupFolder, freeSpace, stampOf } from './folder'
import { LOG } from './log'

/** How many lines of the log are told of, and how much of its end is read for them, bytes. */
const [LINES, TAIL] = [400, 400_000]

/** The end of a file, as text. */
function tailOf(path: string): string {
  const { size } = statSync(path)
  const bytes = Buffer.alloc(Math.min(TAIL, size))
  const file = openSync(path, 'r')
  readSync(file, bytes, 0, bytes.length, size - bytes.length)
  closeSync(file)
  return bytes.toString('utf8')
}

interface LogLine {
  level?: number
  time?: number
  id?: string
  ask?: string
  status?: number
  ms?: number
  msg?: string
  err?: { type?: string; code?: string; stack?: string }
}

/** A line of the log without what a fault says, which may hold what somebody typed: where in the program it was remains. */
function withoutWords({ level, time, id, ask, status, ms, err }: LogLine) {
  const where = err?.stack
    ?.split('\n')
    .filter((line) => /^\s+at /.test(line))
    .map((line) => line.trim())
  return { level, time, id, ask, status, ms, ...(err && { fault: err.code ?? err.type, where }) }
}

function logLines(data: string) {
  const path = join(data, LOG.folder, LOG.file)
  if (!existsSync(path)) return []
  return tailOf(path)
    .split('\n')
    .flatMap((line) => {
      try {
        return [withoutWords(JSON.parse(line) as LogLine)]
      } catch {
        // the first is cut, the last may be half written
        return []
      }
    })
    .slice(-LINES)
}

/** Files and folders of a data folder by size and age: those of the database together. */
function lying(data: string) {
  const sum = (path: string): { files: number; bytes: number } =>
    readdirSync(path, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .reduce(
        ({ files, bytes }, entry) => ({
          files: files + 1,
          bytes: bytes + statSync(join(entry.parentPath, entry.name)).size,
        }),
        { files: 0, bytes: 0 },
      )
  return readdirSync(data, { withFileTypes: true })
    .filter((entry) => entry.isFile() || entry.isDirectory())
    .map((entry) => {
      const path = join(data, entry.name)
      const { mtime, size } = statSync(path)
      return { name: entry.name, changed: mtime.toISOString(), ...(entry.isDirectory() ? sum(path) : { bytes: size }) }
    })
}

/** What is known of the newest backup: whether it can be read, how many rows it holds, up to when its journal reaches. */
async function newestBackup(folder: string) {
  const files = await backupsIn(folder)
  const [newest] = files
  if (!newest) return { there: existsSync(folder), files: 0 }
  const path = join(folder, newest.name)
  const journal = journalOf(path)
  const read = await verifyBackup(path).then(
    ({ head, counts }) => ({ engine: head.engine, steps: head.migrations, counts }),
    () => ({ unreadable: true }),
  )
  return {
    there: true,
    files: files.length,
    at: newest.at,
    bytes: newest.bytes,
    ...read,
    until: existsSync(journal) ? ((await reachedBy(journal))?.at ?? null) : null,
  }
}

/**
 * Writes one file for whoever helps: what machine it is, how the program was set, what lies in the data folder, how the
 * newest backup is, and the last asks by their kind, time and outcome. Nothing of what people typed is in it: no names, no
 * addresses, no records, no passwords. Nothing else is changed, and it works beside a running program. `into`: the folder that
 * the file is written into. Answers what to say.
 */
export async function diagnose(config: Config, root: string, into = '.', now = new Date()): Promise<string> {
  const { data } = config
  const there = existsSync(data)
  const about = {
    juvant: 'diagnosis',
    at: now.toISOString(),
    engine: ENGINE,
    built: existsSync(join(root, 'dist/server/main.js')) ? statSync(join(root, 'dist/server/main.js')).mtime : null,
    machine: {
      node: process.version,
      system: `${platform()} ${release()}`,
      cores: cpus().length,
      memoryMb: Math.round(totalmem() / 1e6),
      freeMemoryMb: Math.round(freemem() / 1e6),
      freeDiskMb: there ? Math.round(freeSpace(data) / 1e6) : null,
      zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    },
    set: {
      port: config.port,
      beyond: !LOOPBACK.includes(config.host),
      moreHosts: config.hosts === '' ? 0 : config.hosts.split(',').length,
      keptBy: config.database ? 'server' : 'folder',
      backupsElsewhere: existsSync(join(data, BACKUP_SETTINGS)),
    },
    lies: there ? lying(data) : null,
    backup: there ? await newestBackup(backupFolder(data)) : null,
    log: there ? logLines(data) : [],
  }
  const path = resolve(into, `juvant-diagnosis-${stampOf(now)}.json`)
  writeFileSync(path, `${JSON.stringify(about, null, 1)}\n`, { mode: 0o600 })
  return `${path} says how this program and its data are. Nothing that anybody typed is in it; read it before you send it.`
}
