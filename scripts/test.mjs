import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import { AHEAD_MS } from './clock.mjs'
import { chromium } from './chromium.mjs'
import './scratch.mjs'
import { startPostgres } from './postgres.mjs'
import { build, CACHE, installIfNeeded, isBuilt, ROOT, shownBeside, spoken, types } from './run.mjs'

// Installs what is missing, then: what reads the sources only, beside the build and the types; the unit tests and checks,
// those of the server once more on PostgreSQL; at last the interface in a browser. Each stage tells its seconds. Proofs that have
// passed as they stand aren't run again, which is told, unless with --all. Closes with one line: N passed, N failed.
const began = Date.now()
installIfNeeded()
const { proofs, stamp } = await import('./proofs.mjs')
const results = join(ROOT, 'test-results')
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })
const run = proofs().map((p) => (process.argv.includes('--all') ? { ...p, passed: undefined } : p))
const kept = run.filter((p) => p.passed !== undefined)

let passed = 0
let failed = 0
const told = []
const leftOut = []
const slow = []

const since = (at) => Math.round((Date.now() - at) / 1000)
const line = (name, status, seconds) => `${status === 0 ? 'ok' : 'FAILED'}: ${name}, ${seconds} s`
function tell(name, status, seconds) {
  told.push(line(name, status, seconds))
  console.log(told.at(-1))
}

/** A stage that is one check: well or not. */
async function check(name, work) {
  const at = Date.now()
  const { status, printed } = await work()
  if (status !== 0) console.log(printed)
  if (status === 0) passed++
  else failed++
  tell(name, status, since(at))
}

const read = (file) =>
  existsSync(join(results, file)) ? JSON.parse(readFileSync(join(results, file), 'utf8')) : undefined

/** A stage of many tests, counted by its runner; one that left no counts, or failed without a failed test, is one failure. */
async function count(name, work, countsOf) {
  const at = Date.now()
  const { status } = await work()
  const counts = countsOf()
  passed += counts?.passed ?? 0
  failed += counts?.failed ?? 0
  if (status !== 0 && !counts?.failed) failed++
  slow.push(...(counts?.tests ?? []))
  tell(name, status, since(at))
}

const ofJest = (file) => () => {
  const found = read(file)
  return (
    found && {
      passed: found.numPassedTests,
      failed: found.numFailedTests + found.numRuntimeErrorTestSuites,
      tests: found.testResults.flatMap((r) =>
        r.assertionResults.map((t) => ({ ms: t.duration ?? 0, name: `${relative(ROOT, r.name)}: ${t.title}` })),
      ),
    }
  )
}
const specsIn = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsIn)]
function ofBrowser() {
  const found = read('e2e.json')
  return (
    found && {
      passed: found.stats.expected,
      failed: found.stats.unexpected + found.stats.flaky,
      tests: found.suites.flatMap(specsIn).map((spec) => ({
        ms: spec.tests[0]?.results[0]?.duration ?? 0,
        name: `e2e/${spec.file}: ${spec.title}`,
      })),
    }
  )
}

const jest = (args, env = {}) =>
  shownBeside('jest', ['--ci', '--json', ...args], {
    NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
    ...env,
  })

const FLOORS = ['core', 'words', 'contract', 'server', 'web', 'demo', 'checks', 'docs', 'bench', 'e2e']
/** What the build and the types take, and what reads the sources only, side by side: two at a time, as there are cores. */
const building = async () => {
  await check('build', async () => (isBuilt() ? { status: 0, printed: '' } : build(spoken)))
  await check('types', () => types(spoken))
}
const reading = async () => {
  await check('format', () =>
    spoken('prettier', ['--check', '--log-level', 'warn', '--cache', '--cache-location', `${CACHE}/format`, '.']),
  )
  await check('lint', () =>
    spoken('eslint', ['.', '--max-warnings', '0', '--cache', '--cache-location', `${CACHE}/lint`]),
  )
  await check('boundaries', () => spoken('depcruise', [...FLOORS, '--config', '.dependency-cruiser.cjs']))
  await check('unused code', () => spoken('knip', ['--no-progress']))
}

async function units() {
  // what is named here goes in place of what the configuration leaves out
  const always = ['/node_modules/', '/server/db/onServer.test.ts']
  const without = kept.length === 0 ? [] : ['--testPathIgnorePatterns', ...always, ...kept.map((p) => p.name)]
  await count(
    'unit tests and checks',
    () => jest(['--outputFile', 'test-results/unit.json', ...without]),
    ofJest('unit.json'),
  )
  stamp(
    run.filter((p) => p.passed === undefined),
    read('unit.json'),
  )
  let postgres
  try {
    postgres = startPostgres()
  } catch (error) {
    return check('what differs on a PostgreSQL server', async () => ({ status: 1, printed: error.message }))
  }
  if (!postgres) return leftOut.push('what differs on a PostgreSQL server: there is none, and it can’t be installed')
  await count(
    'what differs on a PostgreSQL server',
    () =>
      jest(['--config', 'jest.server.config.mjs', '--outputFile', 'test-results/server.json'], {
        DATABASE_URL: postgres.url,
      }),
    ofJest('server.json'),
  )
  postgres.stop()
}

await Promise.all([building(), reading()])
await units()

const browser = chromium()
if (browser)
  await count('interface in a browser', () => shownBeside('playwright', ['test'], { CHROMIUM: browser }), ofBrowser)
else await check('interface in a browser', async () => ({ status: 1, printed: 'There is no Chromium.' }))

console.log(`\nThe date of this run: ${new Date(Date.now() + AHEAD_MS).toISOString().slice(0, 10)}`)
console.log('The slowest tests, s:')
for (const { ms, name } of slow.sort((a, b) => b.ms - a.ms).slice(0, 10))
  console.log(`${(ms / 1000).toFixed(1).padStart(7)}  ${name}`)
console.log('Stages:')
for (const stage of told) console.log(`  ${stage}`)
for (const { name, passed: tests } of kept)
  leftOut.push(`${name}: ${tests} tests passed before as they stand (npm test -- --all runs them)`)
for (const what of leftOut) console.log(`  NOT RUN: ${what}`)
console.log(`All of it: ${since(began)} s`)
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
