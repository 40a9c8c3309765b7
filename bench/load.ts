import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { setTimeout as sleep } from 'node:timers/promises'
import { startPostgres } from '../scripts/postgres.mjs'
import { openDb, type Db } from '../server/db/db'
import { openServer } from '../server/db/postgres'
import { begin } from './begin'
import { multiply } from './history'

/** How many devices ask at once, for how long, and how long each looks at an answer before it asks again, ms. */
const CLIENTS = 50
const FOR_MS = 30_000
const LOOKS_MS = 400
/** Ten years of a room. */
const HISTORY = { visits: 5000, taps: 300_000, back: 10 }
const [ON, ROOM] = ['2026-11-28', 'load']

/** What devices ask, of ten: mostly taps, then the tub, the day, the log. */
const MIX = ['tap', 'tap', 'tap', 'tap', 'tub', 'tub', 'day', 'day', 'logbook', 'dues'] as const
type Ask = (typeof MIX)[number]

const quantile = (of: readonly number[], q: number) =>
  [...of].sort((a, b) => a - b)[Math.min(of.length - 1, Math.floor(q * of.length))] ?? NaN

/** What a room answers under load: the times of each kind of ask, ms, and how many weren't answered. */
async function under(address: string) {
  const api = `${address}/api`
  const dogs = (await (await fetch(`${api}/dogs`)).json()) as { id: string }[]
  const made = await fetch(`${api}/visits`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ dogId: dogs[0]!.id, today: { date: ON } }),
  })
  const visit = ((await made.json()) as { id: string }).id
  const read = async (...paths: string[]) => {
    const all = await Promise.all(paths.map((path) => fetch(`${api}${path}`)))
    await Promise.all(all.map((answer) => answer.arrayBuffer()))
    return all.every((answer) => answer.ok)
  }
  const asks: Record<Ask, () => Promise<boolean>> = {
    async tap() {
      const answer = await fetch(`${api}/visits/${visit}/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ events: [{ id: randomUUID(), at: Date.now(), device: 'bench', kind: 'towel' }] }),
      })
      await answer.arrayBuffer()
      return answer.ok
    },
    tub: () => read(`/days/${ON}/tub`),
    day: () => read(`/days/${ON}`, '/dogs', '/products', '/house'),
    logbook: () => read('/logbook?figures=no'),
    dues: () => read(`/dues?on=${ON}`),
  }
  const times = Object.fromEntries(MIX.map((what) => [what, [] as number[]])) as Record<Ask, number[]>
  let bad = 0
  const end = performance.now() + FOR_MS
  const client = async (who: number) => {
    for (let i = who; performance.now() < end; i++) {
      const what = MIX[i % MIX.length]!
      const began = performance.now()
      if (!(await asks[what]().catch(() => false))) bad++
      times[what].push(performance.now() - began)
      await sleep(LOOKS_MS)
    }
  }
  await Promise.all(Array.from({ length: CLIENTS }, (_, i) => client(i)))
  return { times, bad }
}

/** Fifty devices on ten years of visits, on the embedded database and on a server: how long each kind of ask takes. */
export async function load(line: (what: string, value: string, aim?: string) => void): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'juvant-load-'))
  const postgres = startPostgres()
  try {
    const on = async (name: string, env: Record<string, string>, open: (data: string) => Promise<Db>) => {
      const data = join(folder, name)
      await (await begin(data, env)).stop()
      const db = await open(data)
      await multiply(db, HISTORY.visits, HISTORY.taps, HISTORY.back)
      await db.close()
      const run = await begin(data, env)
      const { times, bad } = await under(run.address)
      await run.stop()
      for (const [what, all] of Object.entries(times)) {
        const [p50, p95, p99] = [0.5, 0.95, 0.99].map((q) => quantile(all, q).toFixed(0))
        line(`${name}: ${what}, p50 / p95 / p99`, `${p50} / ${p95} / ${p99} ms`, `of ${all.length}; aim: p95 under 500`)
      }
      line(`${name}: not answered`, String(bad), 'aim: 0')
    }
    await on('embedded', {}, (data) => openDb(join(data, 'db')))
    if (!postgres) return line('on a server', 'left out', 'there is none, and it can’t be installed')
    const { url } = postgres
    await on('server', { DATABASE_URL: url, JUVANT_ROOM: ROOM }, () => openServer(url, ROOM))
  } finally {
    postgres?.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
