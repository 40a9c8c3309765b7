import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { strFromU8, unzipSync } from 'fflate'
import { startPostgres } from '../scripts/postgres.mjs'
import { jpegOf } from '../server/fixtures/jpeg'

// Kills the program, and cuts the power of the disk it writes to, while clients write; then looks whether everything
// that was answered is there, once.

const LONG = process.argv.includes('--long')
const KILLS = LONG ? 20 : 12
const CUTS = LONG ? 8 : 4
const CLIENTS = 8
/** How large photographs are, kB, with which pauses they come, for how long between kills, and how many kills: over 200 MB of log and several of the checkpoints that are made every minute. */
const PHOTO_KB = 350
const PAUSE_MS = 150
const LOG_MS = 75_000
const LOG_KILLS = 3
/** Of a disk in a file, MB. */
const DISK_MB = 600
/** Ends a file system at once, without writing what it holds in memory: ext4's own request, with "no flush of the log". */
const SHUTDOWN = 'open(F, "<", $ARGV[0]) or die $!; my $how = pack("L", 2); ioctl(F, 0x8004587d, $how) or die $!'

interface Program {
  child: ChildProcess
  address: string
}
/** What was answered: dogs, taps by their visit, numbers of receipts by the payment that they are of. */
interface Answered {
  dogs: Set<string>
  taps: Set<string>
  receipts: Map<string, number>
  visit: string
  owner: string
}

function begin(data: string, more: NodeJS.ProcessEnv = {}): Promise<Program> {
  const child = spawn(process.execPath, ['dist/server/main.js', '--empty'], {
    env: { ...process.env, PORT: '0', HOST: '127.0.0.1', JUVANT_DATA: data, ...more },
  })
  return new Promise((resolve, reject) => {
    let said = ''
    const hear = (chunk: Buffer) => {
      said += chunk.toString()
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec(said)?.[0]
      if (address) resolve({ child, address })
    }
    child.stdout.on('data', hear)
    child.stderr.on('data', hear)
    child.on('exit', () => reject(new Error(said)))
  })
}
const killed = ({ child }: Program) =>
  new Promise<void>((resolve) => {
    child.once('exit', () => resolve())
    child.kill('SIGKILL')
  })

async function post(address: string, path: string, body: unknown) {
  const answer = await fetch(`${address}/api${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
  return (await answer.json()) as Record<string, unknown>
}

/** Writes from several clients until the program is gone; notes what was answered. */
async function write({ address }: Program, answered: Answered, until: { over: boolean }): Promise<void> {
  const client = async () => {
    while (!until.over) {
      try {
        const dog = await post(address, '/dogs', { name: 'Fault', weightKg: 9, coat: 'smooth' })
        answered.dogs.add(dog.id as string)
        const id = crypto.randomUUID()
        const tap = { id, at: Date.now(), device: 'faults', kind: 'step', step: 'look' }
        await post(address, `/visits/${answered.visit}/events`, { events: [tap] })
        answered.taps.add(id)
        const price = { cents: 1000, currency: 'EUR' }
        const paid = await post(address, `/owners/${answered.owner}/entries`, { kind: 'payment', price, how: 'cash' })
        const { number } = await post(address, `/entries/${paid.id as string}/receipt`, {})
        answered.receipts.set(paid.id as string, number as number)
      } catch {
        if (!until.over) await new Promise((resolve) => setTimeout(resolve, 5))
      }
    }
  }
  await Promise.all(Array.from({ length: CLIENTS }, client))
}

/** How many of what was answered aren't there, or are there more than once. */
async function missing({ address }: Program, answered: Answered): Promise<number> {
  const rows = (await (await fetch(`${address}/api/dogs?limit=500`)).json()) as unknown[]
  let lost = rows.length === 0 ? answered.dogs.size : 0
  for (const id of answered.dogs) if (!(await fetch(`${address}/api/dogs/${id}`)).ok) lost++
  const { events } = (await (await fetch(`${address}/api/visits/${answered.visit}/events`)).json()) as {
    events: { id: string }[]
  }
  const count = new Map<string, number>()
  for (const { id } of events) count.set(id, (count.get(id) ?? 0) + 1)
  for (const id of answered.taps) if (count.get(id) !== 1) lost++
  return lost + (await wrongReceipts(address, answered))
}

/** How many numbers of receipts are missing, are of another payment than was answered, or stand twice. */
async function wrongReceipts(address: string, { receipts }: Answered): Promise<number> {
  const archive = await (await fetch(`${address}/api/archive.zip`)).arrayBuffer()
  const file = unzipSync(new Uint8Array(archive))['receipts.json']
  const there = JSON.parse(file ? strFromU8(file) : '[]') as { number: number; ofId: string }[]
  const numbers = there.map((r) => r.number).sort((a, b) => a - b)
  const of = new Map(there.map((r) => [r.number, r.ofId]))
  const gaps = numbers.filter((number, i) => number !== i + 1).length
  return gaps + [...receipts].filter(([id, number]) => of.get(number) !== id).length
}

async function prepared(program: Program): Promise<Answered> {
  const dog = await post(program.address, '/dogs', { name: 'First', weightKg: 9, coat: 'smooth', owner: 'Faults' })
  const visit = await post(program.address, '/visits', { dogId: dog.id, today: { date: '2027-03-06' } })
  const account = (await (await fetch(`${program.address}/api/account?dog=${dog.id as string}`)).json()) as {
    ownerId: string
  }
  const dogs = new Set([dog.id as string])
  return { dogs, taps: new Set(), receipts: new Map(), visit: visit.id as string, owner: account.ownerId }
}

/** Writes for a while, then ends the program as `end` does it; answers the next one. */
async function round(program: Program, answered: Answered, end: () => Promise<string>): Promise<Program> {
  const until = { over: false }
  const writing = write(program, answered, until)
  await new Promise((resolve) => setTimeout(resolve, 400 + Math.random() * 1600))
  const data = await end()
  until.over = true
  await writing
  return begin(data)
}

async function kills() {
  const data = mkdtempSync(join(tmpdir(), 'juvant-kills-'))
  let program = await begin(data)
  const answered = await prepared(program)
  let lost = 0
  for (let i = 0; i < KILLS; i++) {
    const now = program
    program = await round(now, answered, async () => {
      await killed(now)
      return data
    })
    lost += await missing(program, answered)
  }
  await killed(program)
  rmSync(data, { recursive: true, force: true })
  console.log(
    `${KILLS} kills: ${answered.dogs.size} dogs, ${answered.taps.size} taps and ${answered.receipts.size} receipts answered, ${lost} lost or doubled`,
  )
  return lost
}

const run = (command: string, ...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(command, args, { encoding: 'utf8' })
  return { well: status === 0, said: (stdout ?? '').trim(), why: (stderr ?? '').trim() }
}

async function cuts(): Promise<number> {
  const folder = mkdtempSync(join(tmpdir(), 'juvant-cuts-'))
  const [image, mount] = [join(folder, 'disk'), join(folder, 'mount')]
  mkdirSync(mount)
  run('truncate', '-s', `${DISK_MB}M`, image)
  const made = run('mkfs.ext4', '-q', image)
  const mounted = made.well && run('mount', '-o', 'loop', image, mount)
  if (!mounted || !mounted.well) {
    console.log(
      `SKIPPED: cuts of the power: no disk in a file can be had here (${made.why || (mounted && mounted.why)})`,
    )
    rmSync(folder, { recursive: true, force: true })
    return 0
  }
  const data = join(mount, 'data')
  let program = await begin(data)
  const answered = await prepared(program)
  let lost = 0
  for (let i = 0; i < CUTS; i++) {
    const now = program
    program = await round(now, answered, async () => {
      const cut = run('perl', '-e', SHUTDOWN, mount)
      if (!cut.well) throw new Error(`the power can’t be cut: ${cut.why}`)
      await killed(now)
      while (!run('umount', mount).well) await new Promise((resolve) => setTimeout(resolve, 100))
      const again = run('mount', '-o', 'loop', image, mount)
      if (!again.well || !existsSync(join(data, 'db'))) throw new Error(`nothing is left of the disk: ${again.why}`)
      return data
    })
    lost += await missing(program, answered)
  }
  await killed(program)
  run('umount', mount)
  rmSync(folder, { recursive: true, force: true })
  console.log(
    `${CUTS} cuts: ${answered.dogs.size} dogs, ${answered.taps.size} taps and ${answered.receipts.size} receipts answered, ${lost} lost or doubled`,
  )
  return lost
}

/** How often something happens to two programs on a server, how long that and the pause between last. */
const SERVER = { rounds: 12, between: 2500, pause: 5000 }

/**
 * Two programs on one room of a PostgreSQL server, under taps and dogs: one of them is killed, the server is ended and started
 * again, or answers nothing for a while. Whatever was answered must be there, once, in both.
 */
async function onServer(): Promise<number> {
  const server = startPostgres()
  if (!server) {
    console.log('SKIPPED: two programs on a server: there is none, and it can’t be installed')
    return 0
  }
  const folders = [0, 1].map(() => mkdtempSync(join(tmpdir(), 'juvant-shared-')))
  const beginOne = (i: number) => begin(folders[i]!, { DATABASE_URL: server.url, JUVANT_ROOM: 'shared' })
  const programs = await Promise.all([beginOne(0), beginOne(1)])
  const answered = await prepared(programs[0]!)
  const until = { over: false }
  // each client goes on with whichever program stands in its place
  const writing = programs.map((_, i) =>
    write(
      {
        get address() {
          return programs[i]!.address
        },
      } as Program,
      answered,
      until,
    ),
  )
  const count = { kills: 0, restarts: 0, pauses: 0 }
  for (let i = 0; i < SERVER.rounds; i++) {
    await new Promise((resolve) => setTimeout(resolve, SERVER.between))
    if (i % 3 === 0) {
      const which = (i / 3) % 2
      await killed(programs[which]!)
      programs[which] = await beginOne(which)
      count.kills++
    } else if (i % 3 === 1) {
      server.restart()
      count.restarts++
    } else {
      await server.pause(SERVER.pause)
      count.pauses++
    }
  }
  await new Promise((resolve) => setTimeout(resolve, SERVER.between))
  until.over = true
  await Promise.all(writing)
  const lost = (await missing(programs[0]!, answered)) + (await missing(programs[1]!, answered))
  for (const program of programs) await killed(program)
  server.stop()
  for (const folder of folders) rmSync(folder, { recursive: true, force: true })
  console.log(
    `two programs on a server, ${count.kills} kills, ${count.restarts} restarts and ${count.pauses} pauses of it: ${answered.dogs.size} dogs, ${answered.taps.size} taps and ${answered.receipts.size} receipts answered, ${lost} lost or doubled`,
  )
  return lost
}

/** Photographs are written for minutes, over several checkpoints, with a kill whenever so much of a log has grown. */
async function longLog() {
  const data = mkdtempSync(join(tmpdir(), 'juvant-log-'))
  let program = await begin(data)
  const dog = await post(program.address, '/dogs', { name: 'Photographed', weightKg: 9, coat: 'smooth' })
  const answered = new Set<string>()
  let lost = 0
  const [began, bytes] = [Date.now(), PHOTO_KB * 1024]
  const content = jpegOf({ scan: randomBytes((bytes * 3) / 4).toString('base64') }).toString('base64')
  for (let kills = 0; kills < LOG_KILLS; kills++) {
    const until = Date.now() + LOG_MS
    while (Date.now() < until) {
      const id = crypto.randomUUID()
      await post(program.address, '/photos', {
        id,
        dogId: dog.id,
        shows: 'before',
        takenAt: new Date().toISOString(),
        content,
      })
      answered.add(id)
      const health = await fetch(`${program.address}/api/health`)
      if (!health.ok) throw new Error(`after ${answered.size} photographs: ${await health.text()}`)
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS))
    }
    await killed(program)
    program = await begin(data)
    for (const id of answered) if (!(await fetch(`${program.address}/api/photos/${id}/picture.jpg`)).ok) lost++
  }
  await killed(program)
  rmSync(data, { recursive: true, force: true })
  const mb = Math.round((answered.size * bytes) / 1e6)
  console.log(
    `${LOG_KILLS} kills in ${Math.round((Date.now() - began) / 1000)} s of photographs: ${answered.size} answered (${mb} MB), ${lost} lost`,
  )
  return lost
}

// all of them, or those that are named: kills, cuts, log, server; `--long`: more kills and cuts
const ROUNDS = { kills, cuts, log: longLog, server: onServer }
const named = process.argv.slice(2).filter((arg): arg is keyof typeof ROUNDS => arg in ROUNDS)
let lost = 0
for (const name of named.length > 0 ? named : (Object.keys(ROUNDS) as (keyof typeof ROUNDS)[]))
  lost += await ROUNDS[name]()
process.exit(lost === 0 ? 0 : 1)
