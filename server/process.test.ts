import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, renameSync, rmdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { stage } from '../scripts/packing.mjs'
import { buildServerIfStale } from '../scripts/run.mjs'
import { projectRoot } from './config'

const root = projectRoot()
const data = mkdtempSync(join(tmpdir(), 'juvant-test-'))
const running = new Set<ChildProcess>()

beforeAll(buildServerIfStale, 120_000)
afterAll(() => {
  for (const child of running) child.kill('SIGKILL')
  rmSync(data, { recursive: true, force: true })
})

/** Starts the program on any free port; answers its address once ready, or what it said before it left. */
function begin(
  args: string[] = [],
  more: NodeJS.ProcessEnv = {},
  file = 'dist/server/main.js',
): Promise<{ child: ChildProcess; address?: string; said: string; code?: number | null }> {
  const env = { ...process.env, NODE_OPTIONS: '', PORT: '0', HOST: '127.0.0.1', JUVANT_DATA: data, ...more }
  const child = spawn(process.execPath, [file, ...args], { cwd: root, env })
  running.add(child)
  return new Promise((resolve) => {
    let said = ''
    const listen = (chunk: Buffer) => {
      said += chunk.toString()
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec(said)?.[0]
      if (address) resolve({ child, address, said })
    }
    child.stdout.on('data', listen)
    child.stderr.on('data', listen)
    child.on('exit', (code) => {
      running.delete(child)
      resolve({ child, said, code })
    })
  })
}

const left = (child: ChildProcess) =>
  new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)))

test('a killed process loses nothing it acknowledged, a second one is refused, an orderly end is clean', async () => {
  const first = await begin(['--empty'])
  expect(first.address).toBeDefined()
  const post = await fetch(`${first.address}/api/dogs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Kept', weightKg: 8, coat: 'smooth' }),
  })
  expect(post.status).toBe(201)
  const { id } = (await post.json()) as { id: string }
  const send = async (address: string, path: string, body: unknown) =>
    (
      await fetch(`${address}/api${path}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
    ).json() as Promise<Record<string, unknown>>
  const visit = await send(first.address!, '/visits', { dogId: id, today: { date: '2027-03-06' } })
  const taps = {
    events: [
      { id: crypto.randomUUID(), at: 1000, device: 'tablet', kind: 'step', step: 'look' },
      { id: crypto.randomUUID(), at: 61_000, device: 'tablet', kind: 'step', step: 'wet' },
    ],
  }
  expect(await send(first.address!, `/visits/${visit.id as string}/events`, taps)).toEqual({ kept: 2, known: 0 })

  const second = await begin()
  expect(second.address).toBeUndefined()
  expect(second.code).toBe(1)
  expect(second.said).toContain('Another Juvant is already using the data folder')

  const killed = left(first.child)
  first.child.kill('SIGKILL')
  await killed

  const third = await begin()
  expect(third.address).toBeDefined()
  const dog = (await (await fetch(`${third.address}/api/dogs/${id}`)).json()) as { record: { name: string } }
  expect(dog.record.name).toBe('Kept')
  expect(await send(third.address!, `/visits/${visit.id as string}/events`, taps)).toEqual({ kept: 0, known: 2 })
  const all = (await (await fetch(`${third.address}/api/dogs`)).json()) as unknown[]
  expect(all).toHaveLength(1)

  const { name } = await send(third.address!, '/backups', {})
  await send(third.address!, '/dogs', { name: 'Last minute', weightKg: 5, coat: 'smooth' })
  const ended = left(third.child)
  third.child.kill('SIGTERM')
  expect(await ended).toBe(0)

  const whole = await begin(['--check'])
  expect(whole).toMatchObject({ code: 0, said: expect.stringContaining('Every record can be read: 2 dogs') })
  expect(whole.said).toContain(`The nearest backup is ${join(data, 'backups', name as string)}`)
  const into = join(data, 'back')
  const back = ['--restore', join(data, 'backups', name as string), '--into', into]
  // with what its journal has of the time after it
  expect(await begin(back)).toMatchObject({ code: 0, said: expect.stringContaining(`restored into ${into}: 2 dogs`) })
  expect(await begin(back)).toMatchObject({ code: 1, said: expect.stringMatching(/^[^\n]*isn’t empty[^\n]*\n$/) })

  // a room whose database is gone isn't taken for a new one
  renameSync(join(data, 'db'), join(data, 'lost'))
  const lost = await begin()
  expect(lost).toMatchObject({ code: 1, said: expect.stringMatching(/^There was a room in [^\n]*--restore[^\n]*\n$/) })
  expect(existsSync(join(data, 'db'))).toBe(false)
  renameSync(join(data, 'lost'), join(data, 'db'))
}, 300_000)

test('a port that is no number is refused by name', async () => {
  const child = spawn(process.execPath, ['dist/server/main.js'], {
    cwd: root,
    env: { ...process.env, NODE_OPTIONS: '', PORT: 'abc' },
  })
  running.add(child)
  let said = ''
  child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()))
  expect(await left(child)).toBe(1)
  expect(said).toContain('PORT')
})

test('a test sets the clock, of the program and of what it keeps; where no test asks it is refused', async () => {
  const [DAY_MS, own] = [86_400_000, join(data, 'clock')]
  const ahead = Date.parse('2031-06-01T09:00:00Z') - Date.now() + Number(process.env.JUVANT_AHEAD_MS)
  const set = { JUVANT_DATA: own, JUVANT_AHEAD_MS: String(ahead) }
  const refused = await begin(['--empty'], { ...set, NODE_ENV: 'production' })
  expect(refused).toMatchObject({ code: 1, said: expect.stringContaining('JUVANT_AHEAD_MS is for tests alone') })

  const { address, child } = await begin(['--empty'], set)
  const made = await fetch(`${address}/api/dogs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Later', weightKg: 8, coat: 'smooth' }),
  })
  const { id, changedAt } = (await made.json()) as { id: string; changedAt: string }
  expect(id).toBeDefined()
  for (const said of [Number(made.headers.get('x-juvant-now')), Date.parse(changedAt)])
    expect(Math.abs(said - Date.parse('2031-06-01T09:00:00Z'))).toBeLessThan(DAY_MS)
  const ended = left(child)
  child.kill('SIGTERM')
  expect(await ended).toBe(0)
})

test('packed, it runs by what is packed alone, and says how it is started as it is installed', async () => {
  const place = join(data, 'packed')
  const packages = stage(root, place, '1.2.3')
  expect(packages).toBeGreaterThan(20)
  for (const unneeded of ['typescript', 'vite', 'jest', 'vue', 'ant-design-vue'])
    expect([unneeded, existsSync(join(place, 'node_modules', unneeded))]).toEqual([unneeded, false])
  // an archive leaves empty folders out
  const folders = readdirSync(join(place, 'dist/server/blank'), { recursive: true, withFileTypes: true })
  for (const entry of folders.filter((f) => f.isDirectory())) {
    const path = join(entry.parentPath, entry.name)
    if (readdirSync(path).length === 0) rmdirSync(path)
  }
  const own = { JUVANT_DATA: join(data, 'kept'), NODE_PATH: '' }
  const { child, address, said } = await begin(['--empty'], own, join(place, 'bin/juvant.mjs'))
  expect([said, address]).toEqual([expect.stringContaining('ready'), expect.any(String)])
  const get = async (path: string) => (await fetch(`${address}/api${path}`)).json() as Promise<Record<string, never>>
  expect(await get('/health')).toMatchObject({ ready: true, well: { troubles: [] } })
  expect(await get('/me')).toMatchObject({ reachable: { start: 'juvant' } })
  // what it draws papers with is there too
  const made = await fetch(`${address}/api/dogs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Packed', weightKg: 8, coat: 'smooth' }),
  })
  const { id } = (await made.json()) as { id: string }
  expect((await fetch(`${address}/api/dogs/${id}/record.pdf`)).headers.get('content-type')).toContain('pdf')
  child.kill('SIGTERM')
  expect(await left(child)).toBe(0)
})
