import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from './chromium.mjs'
import { startPostgres } from './postgres.mjs'
import { bin, binBeside, buildIfStale, installIfNeeded, ROOT } from './run.mjs'

// Installs what is missing, then format, lint, types, boundaries, unused code, unit tests and checks,
// the interface in a browser. Closes with one line: N passed, N failed.
installIfNeeded()
const results = join(ROOT, 'test-results')
rmSync(results, { recursive: true, force: true })
mkdirSync(results, { recursive: true })

let passed = 0
let failed = 0

function stage(name, status) {
  console.log(`${status === 0 ? 'ok' : 'FAILED'}: ${name}`)
  if (status === 0) passed++
  else failed++
}

const read = (file) =>
  existsSync(join(results, file)) ? JSON.parse(readFileSync(join(results, file), 'utf8')) : undefined

/** Adds a runner's own counts; a runner that left none, or failed without a failed test, counts as one failure. */
function count(name, status, counts) {
  passed += counts?.passed ?? 0
  failed += counts?.failed ?? 0
  if (status !== 0 && !counts?.failed) failed++
  console.log(`${status === 0 ? 'ok' : 'FAILED'}: ${name}`)
}

const FLOORS = ['core', 'words', 'contract', 'server', 'web', 'demo', 'checks', 'docs', 'bench', 'e2e']
/** What looks at the sources only, two at a time: types take as long as all the others. */
const lanes = [
  [['types', 'vue-tsc', ['--noEmit']]],
  [
    ['format', 'prettier', ['--check', '--log-level', 'warn', '.']],
    ['lint', 'eslint', ['.', '--max-warnings', '0']],
    ['boundaries', 'depcruise', [...FLOORS, '--config', '.dependency-cruiser.cjs']],
    ['unused code', 'knip', ['--no-progress']],
  ],
]
await Promise.all(
  lanes.map(async (lane) => {
    for (const [name, program, args] of lane) {
      const { status, printed } = await binBeside(program, args)
      if (status !== 0) console.log(printed)
      stage(name, status)
    }
  }),
)

const jest = bin('jest', ['--ci', '--json', '--outputFile', 'test-results/unit.json'], {
  NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
})
const unit = read('unit.json')
count(
  'unit tests and checks',
  jest,
  unit && { passed: unit.numPassedTests, failed: unit.numFailedTests + unit.numRuntimeErrorTestSuites },
)

const postgres = startPostgres()
if (postgres) {
  const options = { NODE_OPTIONS: '--experimental-vm-modules --no-warnings', DATABASE_URL: postgres.url }
  const args = ['--config', 'jest.server.config.mjs', '--ci', '--json', '--outputFile', 'test-results/server.json']
  const status = bin('jest', args, options)
  postgres.stop()
  const on = read('server.json')
  count(
    'the server’s tests on a PostgreSQL server',
    status,
    on && { passed: on.numPassedTests, failed: on.numFailedTests + on.numRuntimeErrorTestSuites },
  )
} else {
  console.log('SKIPPED: the server’s tests on a PostgreSQL server: there is none, and it can’t be installed')
}

buildIfStale()
const browser = chromium()
if (browser) {
  const status = bin('playwright', ['test'], { CHROMIUM: browser })
  const stats = read('e2e.json')?.stats
  count('interface in a browser', status, stats && { passed: stats.expected, failed: stats.unexpected + stats.flaky })
} else {
  count('interface in a browser: no Chromium', 1)
}

console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
