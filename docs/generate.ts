import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { sourcesPage } from './sources'

writeFileSync(fileURLToPath(new URL('sources.md', import.meta.url)), sourcesPage())
