import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { withOwnNames } from './own-names.mjs'

const own = readFileSync(join(import.meta.dirname, 'own-names.mjs'))

// Packages that reckon a lot, as they are but for own names of globals.
export default {
  process: (code) => ({ code: withOwnNames(code) }),
  processAsync: async (code) => ({ code: withOwnNames(code) }),
  getCacheKey: (code) => createHash('sha256').update(own).update(code).digest('hex'),
}
