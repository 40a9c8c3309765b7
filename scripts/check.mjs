import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import './clock.mjs'
import { bin, CACHE, installIfNeeded, ROOT, shownBeside, types, typesBelow } from './run.mjs'

// The inner loop: types, format and lint of what was changed since the last commit, and the unit tests beside it.
installIfNeeded()
const git = (...args) => spawnSync('git', args, { cwd: ROOT, encoding: 'utf8' }).stdout.split('\n').filter(Boolean)
const changed = [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')].filter(
  (file) => existsSync(join(ROOT, file)),
)
const code = changed.filter((file) => /[.](ts|vue|mjs|cjs)$/.test(file))
if (changed.length === 0) {
  console.log('Nothing has changed since the last commit.')
  process.exit(0)
}
const floors = new Set(code.map((file) => file.split('/')[0]))
const inWeb = floors.has('web')
/** Folders that hold tests of their own: a test stands beside what it tests. */
const folders = [...new Set(code.filter((file) => file.includes('/') && !file.startsWith('e2e/')).map(dirname))]
const jest = (args) => bin('jest', args, { NODE_OPTIONS: '--experimental-vm-modules --no-warnings' })

const steps = {
  format: () => bin('prettier', ['--check', '--log-level', 'warn', '--ignore-unknown', ...changed]),
  lint: () =>
    code.length === 0
      ? 0
      : bin('eslint', ['--max-warnings', '0', '--cache', '--cache-location', `${CACHE}/lint`, ...code]),
  // the interface stands on the floors below: it is checked with them by npm run types
  types: async () => (code.length === 0 ? 0 : (await (inWeb ? types : typesBelow)(shownBeside)).status),
  'unit tests': () =>
    folders.length === 0
      ? 0
      : jest([
          '--passWithNoTests',
          '--testPathIgnorePatterns',
          '/node_modules/',
          '/server/db/onServer.test.ts',
          'proof[.]test',
          '--testPathPatterns',
          ...folders.map((folder) => `^${ROOT}/${folder}/[^/]+$`),
        ]),
}
const wrong = []
for (const [name, step] of Object.entries(steps)) {
  const began = Date.now()
  const status = await step()
  console.log(`${status === 0 ? 'ok' : 'FAILED'}: ${name}, ${Math.round((Date.now() - began) / 1000)} s`)
  if (status !== 0) wrong.push(name)
}
if (!inWeb && code.length > 0) console.log('Not looked at: the types of the interface.')
process.exit(wrong.length === 0 ? 0 : 1)
