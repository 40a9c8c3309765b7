import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { archiveSchema } from '../server/archive/write'
import { sourcesPage } from './sources'

writeFileSync(fileURLToPath(new URL('sources.md', import.meta.url)), sourcesPage())
writeFileSync(
  fileURLToPath(new URL('archive.schema.json', import.meta.url)),
  `${JSON.stringify(archiveSchema(), null, 2)}\n`,
)
