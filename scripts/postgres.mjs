import { spawnSync } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { run } from './run.mjs'

const PLACE = '/usr/lib/postgresql'
const found = () => {
  const versions = existsSync(PLACE) ? readdirSync(PLACE).sort((a, b) => Number(a) - Number(b)) : []
  return versions.map((v) => join(PLACE, v, 'bin')).findLast((bin) => existsSync(join(bin, 'initdb')))
}
const isRoot = () => process.getuid?.() === 0
const canInstall = () => isRoot() && spawnSync('apt-get', ['--version']).status === 0

/** The programs of a PostgreSQL server; from Debian's packages when they are missing and may be installed, else undefined. */
function programs() {
  if (found()) return found()
  if (!canInstall()) return undefined
  console.log('Installing PostgreSQL from Debian’s packages')
  run('apt-get', ['update', '-qq'])
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'postgresql'], {
    DEBIAN_FRONTEND: 'noninteractive',
  })
  return found()
}

/** A PostgreSQL server with nothing in it, on a socket and a port of loopback of its own: its address, and how to end it; undefined where there is none. Throws where it is there and doesn't start. */
export function startPostgres(port = 50_000 + (process.pid % 10_000)) {
  const bin = programs()
  if (!bin) return undefined
  const folder = mkdtempSync(join(tmpdir(), 'juvant-postgres-'))
  chmodSync(folder, 0o777)
  // the server refuses to run as root
  const as = (program, args) =>
    isRoot()
      ? spawnSync('setpriv', ['--reuid=postgres', '--regid=postgres', '--clear-groups', join(bin, program), ...args], {
          encoding: 'utf8',
          cwd: folder,
        })
      : spawnSync(join(bin, program), args, { encoding: 'utf8', cwd: folder })
  const data = join(folder, 'data')
  const steps = [
    ['initdb', ['-D', data, '-U', 'juvant', '--auth=trust', '-E', 'UTF8', '--no-locale', '--no-sync']],
    [
      'pg_ctl',
      ['-D', data, '-w', '-o', `-p ${port} -h 127.0.0.1 -k ${folder} -c fsync=off`, '-l', join(folder, 'log'), 'start'],
    ],
  ]
  for (const [program, args] of steps) {
    const { status, stderr } = as(program, args)
    if (status !== 0) throw new Error(`PostgreSQL doesn’t start: ${stderr}`)
  }
  const postmaster = () => Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0])
  /** The server and all that works for it. */
  const all = () => {
    const parent = postmaster()
    const { stdout } = spawnSync('ps', ['--ppid', String(parent), '-o', 'pid='], { encoding: 'utf8' })
    return [parent, ...stdout.split('\n').map(Number).filter(Boolean)]
  }
  return {
    url: `postgres://juvant@127.0.0.1:${port}/postgres`,
    /** Ends the server as a fault does, and starts it again. */
    restart() {
      as('pg_ctl', ['-D', data, '-m', 'immediate', '-w', 'stop'])
      const again = steps.at(-1)
      const { status, stderr } = as(again[0], again[1])
      if (status !== 0) throw new Error(`PostgreSQL doesn’t start again: ${stderr}`)
    },
    /** Lets the server answer nothing for a while. */
    async pause(ms) {
      const asleep = all()
      for (const pid of asleep) process.kill(pid, 'SIGSTOP')
      await new Promise((resolve) => setTimeout(resolve, ms))
      for (const pid of asleep) process.kill(pid, 'SIGCONT')
    },
    stop() {
      as('pg_ctl', ['-D', data, '-m', 'immediate', 'stop'])
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
