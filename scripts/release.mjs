import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { pack, packDebian } from './packing.mjs'
import { buildIfStale, installIfNeeded, ROOT } from './run.mjs'

// Makes what is released, and tries it as people install it: the archive unpacked and started, installed for all, and, with
// --install on a machine that may be changed (as root, on Debian), the package: the version before, with the demonstration;
// this one over it; back again by the backup. `--before COMMIT`: what the version before is built from; without, the project
// as it was before its newest step of the database.
const { values } = parseArgs({ options: { before: { type: 'string' }, install: { type: 'boolean', default: false } } })
const READY_MS = 120_000

const does = (command, args, options = {}) => {
  const { status, stdout, stderr, error } = spawnSync(command, args, { encoding: 'utf8', cwd: ROOT, ...options })
  if (status !== 0) throw new Error(`${command} ${args.join(' ')}: ${error?.message ?? stderr}${stdout ?? ''}`)
  return stdout.trim()
}
const seconds = (since) => ((Date.now() - since) / 1000).toFixed(1)
function must(holds, what) {
  if (!holds) throw new Error(`Not so: ${what}`)
  console.log(`  ${what}`)
}

/** Starts what is installed and waits until it serves; answers what it is asked by, and how it ends. Throws with what it says where it won't. */
async function started(command, args, env) {
  const began = Date.now()
  const child = spawn(command, args, { env: { ...process.env, PORT: '0', ...env }, stdio: ['ignore', 'pipe', 'pipe'] })
  let said = ''
  const address = await new Promise((resolve, reject) => {
    const late = setTimeout(() => reject(new Error(`Not ready: ${said}`)), READY_MS)
    const hear = (piece) => {
      said += piece
      const found = /ready at (http:\S+)\//.exec(said)?.[1]
      if (found) resolve(found)
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.on('exit', () => (clearTimeout(late), reject(new Error(said))))
  })
  const page = await (await fetch(address)).text()
  const took = seconds(began)
  if (!page.includes('<div id="app">')) throw new Error('The first page isn’t the interface.')
  const get = async (path) => (await fetch(`${address}/api${path}`)).json()
  const counts = async () => ({
    dogs: (await get('/dogs')).length,
    visits: (await get('/logbook')).visits.length,
    bottles: (await get('/products')).length,
  })
  const end = () =>
    new Promise((resolve) => {
      child.once('exit', resolve)
      child.kill('SIGTERM')
    })
  return { address, took, get, counts, end }
}

/** A project as it was at a commit, built, in a folder of its own. */
function builtAt(commit) {
  const folder = mkdtempSync(join(tmpdir(), 'juvant-before-'))
  does('git', ['worktree', 'add', '--detach', '--force', folder, commit])
  const lock = (root) => readFileSync(join(root, 'package-lock.json'), 'utf8')
  if (lock(folder) === lock(ROOT)) symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'))
  else does('npm', ['ci', '--no-audit', '--no-fund'], { cwd: folder })
  does('node', ['-e', "import('./scripts/run.mjs').then((m) => m.buildIfStale())"], { cwd: folder })
  return folder
}

installIfNeeded()
await buildIfStale()
const archive = pack()
console.log(`${archive.path}: ${(archive.bytes / 1e6).toFixed(1)} MB, ${archive.packages} packages`)
const debian = packDebian()
console.log(`${debian.path}: ${(debian.bytes / 1e6).toFixed(1)} MB`)

const place = mkdtempSync(join(tmpdir(), 'juvant-release-'))
try {
  console.log('Unpacked and started')
  does('tar', ['xzf', archive.path, '-C', place])
  for (const args of [['--empty'], []]) {
    const program = await started('node', [join(place, 'package/bin/juvant.mjs'), ...args], {
      JUVANT_DATA: join(place, args[0] ?? 'demonstration'),
    })
    const { well } = await program.get('/health')
    must(
      well.troubles.length === 0,
      `${args[0] ?? 'with the demonstration'}: first page after ${program.took} s, all well`,
    )
    await program.end()
  }
  console.log('Installed for all')
  does('npm', ['install', '-g', '--prefix', join(place, 'all'), '--offline', '--no-audit', '--no-fund', archive.path])
  const everywhere = await started(join(place, 'all/bin/juvant'), ['--empty'], { XDG_DATA_HOME: join(place, 'home') })
  must(existsSync(join(place, 'home/juvant/db')), `juvant: first page after ${everywhere.took} s, data with its user`)
  await everywhere.end()
  if (values.install) await tryDebian()
  else console.log('The Debian package wasn’t installed: --install does, on a machine that may be changed')
} finally {
  rmSync(place, { recursive: true, force: true })
}
console.log('All of it held')

async function tryDebian() {
  const newest = does('git', ['log', '-1', '--format=%H', '--diff-filter=A', '--', 'server/db/migrations'])
  const before = builtAt(values.before ?? `${newest}~1`)
  const DATA = '/var/lib/juvant'
  if (existsSync(join(DATA, 'db'))) throw new Error(`There is data in ${DATA}: it isn’t touched.`)
  const asService = (data = DATA) =>
    started('runuser', ['-u', 'juvant', '--', '/usr/bin/juvant'], { JUVANT_DATA: data, HOME: '/nonexistent' })
  const stepsOf = async (root) => readdirSync(join(root, 'server/db/migrations')).length
  try {
    console.log(`Debian: the version before (${values.before ?? 'before the newest step'}), with the demonstration`)
    const old = packDebian({ root: before, into: place, version: `${debian.version}~before` })
    does('dpkg', ['-i', old.path])
    const first = await asService()
    const had = await first.counts()
    await fetch(`${first.address}/api/dogs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'Kept', weightKg: 9, coat: 'smooth' }),
    })
    had.dogs++
    await first.end()
    must(had.visits > 50, `${had.dogs} dogs, ${had.visits} visits, ${had.bottles} bottles`)
    console.log('This version over it')
    does('dpkg', ['-i', debian.path])
    const second = await asService()
    must(JSON.stringify(await second.counts()) === JSON.stringify(had), 'everything is there')
    await second.end()
    const backups = () => readdirSync(join(DATA, 'backups')).filter((name) => name.endsWith('.jsonl.gz'))
    must((await stepsOf(before)) === (await stepsOf(ROOT)) || backups().length > 0, 'a backup was made before')
    console.log('Back again')
    does('dpkg', ['-i', '--force-downgrade', old.path])
    const refused = await asService().then(
      (program) => program.end().then(() => undefined),
      (error) => error.message,
    )
    must(
      /newer version/.test(refused ?? ''),
      'the version before doesn’t touch what the newer one changed, and says so',
    )
    const restored = backups()
      .sort()
      .reverse()
      .some(
        (name) =>
          spawnSync(
            'runuser',
            [
              '-u',
              'juvant',
              '--',
              '/usr/bin/juvant',
              '--restore',
              join(DATA, 'backups', name),
              '--into',
              join(DATA, 'before'),
            ],
            {
              env: { ...process.env, JUVANT_DATA: DATA },
            },
          ).status === 0,
      )
    must(restored, 'a backup comes back in the version before')
    const back = await asService(join(DATA, 'before'))
    must(JSON.stringify(await back.counts()) === JSON.stringify(had), 'everything is there again')
    await back.end()
    does('dpkg', ['--purge', 'juvant'])
    must(existsSync(join(DATA, 'db')), 'taken away, what was kept stays')
    rmSync(DATA, { recursive: true, force: true })
  } finally {
    spawnSync('dpkg', ['--purge', '--force-all', 'juvant'])
    does('git', ['worktree', 'remove', '--force', before])
  }
}
