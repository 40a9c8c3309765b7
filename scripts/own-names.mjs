// Under Jest every look at a global goes through the context of its sandbox, which makes whatever reckons many times
// slower: a module's own names for them don't. What tests put others in place of (dates, timers) isn't among them.
const NAMES = [
  'Array',
  'ArrayBuffer',
  'BigInt',
  'Boolean',
  'DataView',
  'Error',
  'Float64Array',
  'Function',
  'Infinity',
  'Int16Array',
  'Int32Array',
  'Int8Array',
  'JSON',
  'Map',
  'Math',
  'NaN',
  'Number',
  'Object',
  'Promise',
  'Proxy',
  'RangeError',
  'Reflect',
  'RegExp',
  'Set',
  'String',
  'Symbol',
  'TypeError',
  'Uint16Array',
  'Uint32Array',
  'Uint8Array',
  'WeakMap',
  'WeakSet',
  'isFinite',
  'isNaN',
  'parseFloat',
  'parseInt',
]
/** What a module declares or brings in under these names itself. */
const declared = (code, name) =>
  new RegExp(
    `\\b(?:class|function|const|let|var)\\s+${name}\\b|\\b(?:const|let|var)\\s*[^=;]*\\b${name}\\b[^=;]*=|\\bimport\\b[^;]*\\b${name}\\b[^;]*\\bfrom\\b`,
  ).test(code)

/** The code with names of its own for the globals that it uses; on its first line, so that lines stay where they are. */
export function withOwnNames(code) {
  const names = NAMES.filter((name) => new RegExp(`\\b${name}\\b`).test(code) && !declared(code, name))
  if (names.length === 0) return code
  const strict = /^\s*(['"])use strict\1;?/.exec(code)?.[0] ?? ''
  return `${strict}const { ${names.join(', ')} } = globalThis;${code.slice(strict.length)}`
}
