import swc from '@swc/jest'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { withOwnNames } from './own-names.mjs'

const own = readFileSync(join(import.meta.dirname, 'own-names.mjs'), 'utf8')

const typescript = swc.createTransformer({
  jsc: { target: 'es2022', parser: { syntax: 'typescript' } },
  module: { type: 'es6' },
})

const withOwn = (made) => ({ ...made, code: withOwnNames(made.code) })

export default {
  process: (source, filename, options) => withOwn(typescript.process(source, filename, options)),
  processAsync: async (source, filename, options) => withOwn(await typescript.processAsync(source, filename, options)),
  getCacheKey: (source, filename, options) => typescript.getCacheKey(source, filename, options) + own,
}
