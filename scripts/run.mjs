import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The folder of package.json. */
export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..')

const OLDEST = [20, 19]

/** Stops with a clear word when Node is too old. */
export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major > OLDEST[0] || (major === OLDEST[0] && minor >= OLDEST[1])) return
  console.error(`Juvant needs Node ${OLDEST.join('.')} or newer; this is ${process.versions.node}.`)
  process.exit(1)
}

/** Runs a command in the project, its output going where ours goes; answers its exit code. */
export function run(command, args, env = {}) {
  const { status, error } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
    shell: process.platform === 'win32',
  })
  if (error) console.error(error.message)
  return status ?? 1
}

/** Runs a program that a package brought. */
export function bin(name, args, env) {
  return run(join(ROOT, 'node_modules/.bin', name), args, env)
}

/** Where what can be made again is put aside, from the project's root. */
export const CACHE = 'node_modules/.cache/juvant'

/** Runs a program that a package brought beside others: answers its exit code and all it printed, once it has ended. */
export const spoken = (name, args, env) => beside(name, args, env, 'pipe')

/** The same, its output going where ours goes. */
export const shownBeside = (name, args, env) => beside(name, args, env, 'inherit')

function beside(name, args, env, stdio) {
  return new Promise((resolve) => {
    const child = spawn(join(ROOT, 'node_modules/.bin', name), args, {
      cwd: ROOT,
      stdio: ['ignore', stdio, stdio],
      env: { ...process.env, ...env },
      shell: process.platform === 'win32',
    })
    let printed = ''
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (chunk) => (printed += chunk))
    child.on('error', (error) => resolve({ status: 1, printed: error.message }))
    child.on('close', (status) => resolve({ status: status ?? 1, printed }))
  })
}

const time = (path) => (existsSync(join(ROOT, path)) ? statSync(join(ROOT, path)).mtimeMs : 0)

/** Installs packages when they are missing or older than the lock file. */
export function installIfNeeded() {
  requireNode()
  if (
    time('node_modules/.package-lock.json') >= time('package-lock.json') &&
    time('node_modules/.package-lock.json') > 0
  )
    return
  console.log('Installing packages')
  const status = run('npm', ['ci', '--no-audit', '--no-fund'])
  if (status !== 0) process.exit(status)
}

function newest(path) {
  const full = join(ROOT, path)
  if (!existsSync(full)) return 0
  if (!statSync(full).isDirectory()) return time(path)
  return Math.max(0, ...readdirSync(full).map((name) => newest(join(path, name))))
}

const OF_SERVER = ['core', 'words', 'contract', 'server', 'demo', 'vite.server.config.ts', 'package-lock.json']

const isNewer = (made, sources) => {
  const built = Math.min(...made.map(time))
  return built > 0 && built >= Math.max(...sources.map(newest))
}
const isServerBuilt = () => isNewer(['dist/server/main.js', 'dist/server/blank/PG_VERSION'], OF_SERVER)

/** Whether interface and server are built from the sources as they are. */
export const isBuilt = () =>
  isServerBuilt() && isNewer(['dist/web/index.html'], [...OF_SERVER, 'web', 'vite.config.ts'])

async function buildServer(how) {
  const server = await how('vite', ['build', '--logLevel', 'error', '-c', 'vite.server.config.ts'])
  return server.status === 0 ? how('tsx', ['server/blank.ts']) : server
}

/** Builds interface and server, and the database that a first start copies, beside each other; `how`: `spoken` or `shownBeside`. */
export async function build(how) {
  const parts = await Promise.all([
    how('vite', ['build', '--logLevel', 'error', '-c', 'vite.config.ts']),
    buildServer(how),
  ])
  return parts.find((p) => p.status !== 0) ?? parts[0]
}

/** Builds the server alone when one of its sources is newer; throws with what was printed when it can't. */
export async function buildServerIfStale() {
  if (isServerBuilt()) return
  const { status, printed } = await buildServer(spoken)
  if (status !== 0) throw new Error(printed)
}

/** Builds interface and server when a source is newer than what was built. */
export async function buildIfStale() {
  if (isBuilt()) return
  console.log('Building')
  const { status } = await build(shownBeside)
  if (status !== 0) process.exit(status)
}

/** The compiler that checks what holds no templates, many times quicker than the one that knows them. */
const QUICK_COMPILER = '../typescript-native/bin/tsc'

/** Checks the types of all but the interface; `project`: of a floor alone. */
export const typesBelow = (how, project = '.') => how(QUICK_COMPILER, ['-b', project, '--pretty', 'false'])

/** Checks the types everywhere, the interface with its templates against what the floors below declare. */
export async function types(how) {
  const core = await typesBelow(how, 'tsconfig.core.json')
  if (core.status !== 0) return core
  const parts = await Promise.all([typesBelow(how), how('vue-tsc', ['-p', 'web', '--pretty', 'false'])])
  return parts.find((p) => p.status !== 0) ?? core
}
