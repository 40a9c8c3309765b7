import { existsSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { z } from 'zod'
import { ROOM } from './db/room'
import { restoredBeside } from './folder'

/** The folder that holds package.json, whether running from source or built. */
export function projectRoot(): string {
  let folder = dirname(fileURLToPath(import.meta.url))
  while (!existsSync(join(folder, 'package.json'))) folder = dirname(folder)
  return folder
}

const Environment = z.object({
  PORT: z.coerce.number({ error: 'PORT is a number from 0 to 65535.' }).int().min(0).max(65535).default(4870),
  HTTPS_PORT: z.coerce.number({ error: 'HTTPS_PORT is a number from 0 to 65535.' }).int().min(0).max(65535).optional(),
  HOST: z.string().min(1).default('127.0.0.1'),
  JUVANT_HOSTS: z.string().default(''),
  DATABASE_URL: z
    .string()
    .regex(/^postgres(ql)?:\/\//, 'DATABASE_URL begins with postgres://.')
    .optional(),
  JUVANT_ROOM: z
    .string()
    .regex(ROOM, 'JUVANT_ROOM has small letters, digits and _, and begins with a letter.')
    .default('juvant'),
  JUVANT_DATA: z.string().min(1).default('data'),
})

/** Where to listen and where the data lies, from environment and arguments. */
export interface Config {
  port: number
  /** Where devices on the network reach it safely; not used on loopback. */
  httpsPort: number
  host: string
  /** More names that the server answers to, with commas between. */
  hosts: string
  data: string
  /** A PostgreSQL server in place of the embedded database, and which of its rooms. */
  database?: { url: string; room: string }
  empty: boolean
  /** A backup to restore, and into which folder, instead of serving. */
  restore?: { file: string; into: string }
  /** Opens every record and says what is wrong, instead of serving. */
  check: boolean
  /** Writes a file about how the program and its data are, without anything about people, instead of serving. */
  diagnose: boolean
}

/** Reads the settings; throws a ZodError that names the variable. */
export function readConfig(env: NodeJS.ProcessEnv, args: readonly string[], root: string): Config {
  const {
    DATABASE_URL: url,
    JUVANT_ROOM: room,
    PORT,
    HTTPS_PORT,
    HOST,
    JUVANT_HOSTS,
    JUVANT_DATA,
  } = Environment.parse(env)
  const data = resolve(root, JUVANT_DATA)
  const after = (name: string) => (args.includes(name) ? args[args.indexOf(name) + 1] : undefined)
  const file = after('--restore')
  const into = resolve(after('--into') ?? restoredBeside(data, new Date()))
  return {
    port: PORT,
    httpsPort: HTTPS_PORT ?? (PORT === 0 ? 0 : PORT + 1),
    host: HOST,
    hosts: JUVANT_HOSTS,
    data,
    ...(url !== undefined && { database: { url, room } }),
    empty: args.includes('--empty'),
    restore: file === undefined ? undefined : { file: resolve(file), into },
    check: args.includes('--check'),
    diagnose: args.includes('--diagnose'),
  }
}
