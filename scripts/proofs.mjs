import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import ts from 'typescript'
import { ROOT } from './run.mjs'

// Proofs (`*.proof.test.ts`) have fixed seeds: what they say changes only with what they are made of. One that has passed
// is stamped with the sum of that, beside the packages, and needn't be run again until the sum is another.
const STAMPS = join(ROOT, 'node_modules/.cache/juvant/proven.json')
const PROOF = /[.]proof[.]test[.]ts$/

const filesIn = (folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => relative(ROOT, join(entry.parentPath, entry.name)))

/** What every proof is made of beside what it imports: the packages, how tests are run, and instances that are read. */
const always = () => [
  'package-lock.json',
  'jest.config.mjs',
  ...['own-names', 'ts-transform', 'package-transform', 'stand-still', 'jest-setup'].map(
    (name) => `scripts/${name}.mjs`,
  ),
  ...filesIn('checks').filter((name) => !name.endsWith('.ts')),
]

const asFile = (path) =>
  [path, `${path}.ts`, join(path, 'index.ts')].find(
    (name) => existsSync(join(ROOT, name)) && statSync(join(ROOT, name)).isFile(),
  )
/** The project's file that an import means; undefined for a package. */
function fileOf(wanted, from) {
  if (wanted.startsWith('@core/')) return asFile(join('core', wanted.slice(6)))
  if (wanted === '@contract/rows') return asFile('contract/rows')
  if (wanted === '@words' || wanted === '@contract') return asFile(wanted.slice(1))
  return wanted.startsWith('.') ? asFile(join(dirname(from), wanted)) : undefined
}

/** A file and all that it imports, whatever the way. */
function madeOf(file, known = new Set()) {
  if (known.has(file)) return known
  known.add(file)
  if (!file.endsWith('.ts')) return known
  for (const { fileName } of ts.preProcessFile(readFileSync(join(ROOT, file), 'utf8'), true, true).importedFiles) {
    const imported = fileOf(fileName, file)
    if (imported) madeOf(imported, known)
  }
  return known
}

/** The sum of what a proof is made of. */
export function sumOf(proof) {
  const sum = createHash('sha256').update(process.version)
  for (const name of [...new Set([...madeOf(proof), ...always()])].sort())
    sum.update(`${name}\n`).update(readFileSync(join(ROOT, name)))
  return sum.digest('hex')
}

const stamped = () => (existsSync(STAMPS) ? JSON.parse(readFileSync(STAMPS, 'utf8')) : {})

/** Every proof with its sum, and how many tests of it passed when it was of the same (undefined: it has to be run). */
export function proofs() {
  const known = stamped()
  return filesIn('checks')
    .filter((name) => PROOF.test(name))
    .map((name) => {
      const sum = sumOf(name)
      return { name, sum, passed: known[name]?.sum === sum ? known[name].passed : undefined }
    })
}

/** Stamps the proofs that a run of Jest passed whole. `results`: its JSON. */
export function stamp(run, results) {
  const known = stamped()
  for (const { name, sum } of run) {
    const result = results?.testResults.find((r) => r.name === join(ROOT, name))
    if (result?.status === 'passed') known[name] = { sum, passed: result.assertionResults.length }
    else delete known[name]
  }
  mkdirSync(dirname(STAMPS), { recursive: true })
  writeFileSync(STAMPS, JSON.stringify(known, undefined, 1))
}
