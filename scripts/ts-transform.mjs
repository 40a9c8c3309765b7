import swc from '@swc/jest'

// Under Jest every look at a global goes through the context of its sandbox, which makes the reckoning many times slower:
// a module's own names for them don't.
const OWN =
  'const { Math, Infinity, Number, Map, Set, Int16Array, Uint16Array, Int32Array, Float64Array } = globalThis;'

const typescript = swc.createTransformer({
  jsc: { target: 'es2022', parser: { syntax: 'typescript' } },
  module: { type: 'es6' },
})

const withOwn = (made) => ({ ...made, code: OWN + made.code })

export default {
  process: (source, filename, options) => withOwn(typescript.process(source, filename, options)),
  processAsync: async (source, filename, options) => withOwn(await typescript.processAsync(source, filename, options)),
  getCacheKey: (source, filename, options) => typescript.getCacheKey(source, filename, options) + OWN,
}
