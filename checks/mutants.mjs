import { spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { parseArgs } from 'node:util'
import ts from 'typescript'

// Changes the core one place at a time, in a copy: each constant by a factor of 1.3, each comparison into its
// contrary. A change that no test notices is named.
// `npm run mutants -- [--room rinse] [--sample 40] [--seed 1] [--part 1/2]`
const { values } = parseArgs({
  options: {
    room: { type: 'string' },
    sample: { type: 'string' },
    seed: { type: 'string', default: '1' },
    part: { type: 'string', default: '1/1' },
  },
})
const ROOT = join(import.meta.dirname, '..')
const ROOMS = ['mix', 'water', 'rinse', 'drying', 'ears', 'groomer', 'visit', 'learn']
const FACTOR = 1.3
const CONSTANTS = new Set(['house', 'estimate', 'practice', 'memory', 'published'])
const CONTRARY = { '<': '>=', '<=': '>', '>': '<=', '>=': '<', '===': '!==', '!==': '===' }
/** What judges a room, the quick before the thorough: patterns of tests, and of those left for later. */
const JUDGES = [
  { run: () => ['checks/kennel'], later: '^$' },
  {
    run: (room) => [`core/${room}/`, 'core/visit/faults', 'checks/handwork', 'checks/physics', 'checks/practice'],
    later: 'visit/visit[.]test',
  },
  { run: () => ['checks/(believed|learn|frightened|waysOfDrying|coatAndDirt|clip|atTheTable)'], later: '^$' },
  { run: () => ['core/visit/visit[.]test', 'core/washday/'], later: '^$' },
]

/** Every change of a file: from where to where, and what stands there then. */
function mutantsOf(file) {
  const text = readFileSync(file, 'utf8')
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true)
  const found = []
  const put = (node, to, what) =>
    found.push({ file: relative(ROOT, file), from: node.getStart(), to: node.getEnd(), text: to, what })
  const visit = (node) => {
    if (ts.isCallExpression(node) && CONSTANTS.has(node.expression.getText())) {
      const value = Number(node.arguments[0]?.getText().replaceAll('_', ''))
      if (Number.isFinite(value) && value !== 0)
        put(
          node.arguments[0],
          String(value * FACTOR),
          `${node.parent.name?.getText() ?? 'constant'} ${value} × ${FACTOR}`,
        )
    }
    if (ts.isBinaryExpression(node) && CONTRARY[node.operatorToken.getText()])
      put(node.operatorToken, CONTRARY[node.operatorToken.getText()], node.getText().slice(0, 70))
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

/** A row of numbers from 0 to 1 that begins anew with the same seed. */
function row(seed) {
  let state = seed >>> 0
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
}

const all = ROOMS.filter((room) => !values.room || room === values.room).flatMap((room) =>
  readdirSync(join(ROOT, 'core', room))
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && name !== 'index.ts')
    .flatMap((name) => mutantsOf(join(ROOT, 'core', room, name)).map((m) => ({ ...m, room }))),
)
const random = row(Number(values.seed))
const wanted = Math.min(all.length, Number(values.sample ?? all.length))
const [part, parts] = values.part.split('/').map(Number)
const chosen = all
  .map((m) => ({ m, key: random() }))
  .sort((a, b) => a.key - b.key)
  .slice(0, wanted)
  .map(({ m }) => m)
  .filter((_, i) => i % parts === part - 1)

const copy = mkdtempSync(join(tmpdir(), 'juvant-mutants-'))
for (const name of [
  'core',
  'checks',
  'demo',
  'words',
  'contract',
  'jest.config.mjs',
  'package.json',
  'package-lock.json',
  'scripts',
  'tsconfig.json',
  'tsconfig.base.json',
  'tsconfig.core.json',
  'docs',
  'server',
  'web',
])
  cpSync(join(ROOT, name), join(copy, name), { recursive: true })
symlinkSync(join(ROOT, 'node_modules'), join(copy, 'node_modules'))

/** Whether tests pass in the copy; running for ever counts as failing. */
const passes = (patterns, later) =>
  spawnSync(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      join(ROOT, 'node_modules/jest/bin/jest.js'),
      '--bail',
      '--ci',
      '--silent',
      '--maxWorkers=1',
      '--testPathIgnorePatterns',
      later,
      '--testPathPatterns',
      ...patterns,
    ],
    { cwd: copy, stdio: 'ignore', timeout: 180_000 },
  ).status === 0

// what fails untouched would seem to kill everything
for (const room of new Set(chosen.map((m) => m.room)))
  if (!JUDGES.every(({ run, later }) => passes(run(room), later))) {
    console.error(`The tests of core/${room} fail as they are.`)
    process.exit(1)
  }
const survivors = []
for (const [i, mutant] of chosen.entries()) {
  const file = join(copy, mutant.file)
  const original = readFileSync(file, 'utf8')
  writeFileSync(file, original.slice(0, mutant.from) + mutant.text + original.slice(mutant.to))
  const survived = JUDGES.every(({ run, later }) => passes(run(mutant.room), later))
  writeFileSync(file, original)
  if (survived) survivors.push(mutant)
  console.log(`${i + 1}/${chosen.length} ${survived ? 'SURVIVED' : 'killed'}: ${mutant.file}: ${mutant.what}`)
}
rmSync(copy, { recursive: true, force: true })
const killed = chosen.length - survivors.length
console.log(
  `${killed} of ${chosen.length} changes killed (${all.length} places), ${((100 * killed) / chosen.length).toFixed(0)} %`,
)
