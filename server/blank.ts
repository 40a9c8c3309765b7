import { readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { projectRoot } from './config'
import { BLANK, emptyList, openDb } from './db/db'
import { migrate } from './db/migrate'

// Makes the database with nothing in it that a first start copies: making one takes seconds, copying it a moment.
const root = projectRoot()
const folder = join(root, BLANK)
rmSync(folder, { recursive: true, force: true })
const db = await openDb(folder)
await migrate(db, join(root, 'server/db/migrations'))
await db.query('checkpoint')
await db.close()
rmSync(join(folder, 'postmaster.pid'), { force: true })
const folders = readdirSync(folder, { recursive: true, withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map((entry) => join(entry.parentPath, entry.name))
const empty = folders.filter((path) => readdirSync(path).length === 0).map((path) => relative(folder, path))
writeFileSync(emptyList(folder), JSON.stringify(empty.sort()))
