import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { projectRoot } from './config'
import { BLANK, openDb } from './db/db'
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
