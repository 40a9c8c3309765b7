import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { setTimeout as sleep } from 'node:timers/promises'
import { PGlite } from '@electric-sql/pglite'
import { pino } from 'pino'
import type { Account } from '../contract'
import { DEMO } from '../demo/scenario'
import { buildApp } from '../server/app'
import { projectRoot } from '../server/config'
import { openDb, type Db } from '../server/db/db'
import { migrate } from '../server/db/migrate'
import { seed } from '../server/seed'
import { begin } from './begin'
import { multiply } from './history'

/** Ten years of an owner of one room. */
const YEARS = { visits: 5000, taps: 300_000, back: 10 }

/** How often somebody taps meanwhile, ms. */
const EVERY_MS = 200

const quantile = (of: readonly number[], q: number) =>
  [...of].sort((a, b) => a - b)[Math.min(of.length - 1, Math.floor(q * of.length))]!
type Line = (what: string, value: string, aim?: string) => void
const ms = (n: number) => `${n.toFixed(n < 20 ? 1 : 0)} ms`

async function timed<T>(work: () => Promise<T>): Promise<[number, T]> {
  const began = performance.now()
  const result = await work()
  return [performance.now() - began, result]
}
const text = (url: string) => fetch(url).then((r) => r.text())
const json = async <T>(url: string) => JSON.parse(await text(url)) as T

/** How long something that every second of a request should be answered in takes while something else is done. */
async function meanwhile<T>(ask: () => Promise<unknown>, work: () => Promise<T>, pauseMs = 0) {
  let over = false
  const times: number[] = []
  const watch = async () => {
    while (!over) {
      times.push((await timed(ask))[0])
      await sleep(pauseMs)
    }
  }
  const watching = watch()
  const [took] = await timed(work)
  over = true
  await watching
  return { took, times }
}

const post = async (url: string, body: unknown) => {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (!answer.ok) throw new Error(`${url}: ${answer.status} ${await answer.text()}`)
  return (await answer.json()) as { id: string }
}

/** What one tap costs, alone and with 50 clients at once; and how many a second those 50 keep. */
async function tapsOn(db: Db) {
  await migrate(db, join(projectRoot(), 'server/db/migrations'))
  await seed(db, { ...DEMO, past: undefined }, '2026-11-25')
  const server = buildApp({ db, log: pino({ level: 'silent' }) }).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
  const [dog] = await json<{ id: string }[]>(`${address}/dogs`)
  const visit = await post(`${address}/visits`, { dogId: dog!.id, today: { date: '2026-11-28' } })
  const tap = () =>
    timed(() =>
      post(`${address}/visits/${visit.id}/events`, {
        events: [{ id: randomUUID(), at: Date.now(), device: 'bench', kind: 'towel' }],
      }),
    )
  for (let i = 0; i < 20; i++) await tap()
  const alone: number[] = []
  for (let i = 0; i < 100; i++) alone.push((await tap())[0])
  const many: number[] = []
  const client = async () => {
    for (let i = 0; i < 10; i++) many.push((await tap())[0])
  }
  const [all] = await timed(() => Promise.all(Array.from({ length: 50 }, client)))
  server.closeAllConnections()
  server.close()
  await db.close()
  return { alone: quantile(alone, 0.5), many: quantile(many, 0.5), rate: (1000 * many.length) / all }
}

/** The embedded database as it is without what makes its answers durable. */
async function careless(folder: string): Promise<Db> {
  const pglite = await PGlite.create(folder)
  return {
    query: (sql, params) => pglite.query(sql, params),
    listen: (channel, heard) => pglite.listen(channel, heard),
    alone: (work) => work(),
    transaction: (work) => pglite.transaction((tx) => work(tx)),
    close: () => pglite.close(),
  }
}

/** Taps with and without being synced; ten years of visits: answers, learning, backup, restore. */
export async function tenYears(line: Line): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'juvant-years-'))
  try {
    const synced = await tapsOn(await openDb(join(folder, 'synced')))
    const loose = await tapsOn(await careless(join(folder, 'loose')))
    line(
      'a tap alone, on disk when answered',
      ms(synced.alone),
      `${(synced.alone / loose.alone).toFixed(2)} × without syncing`,
    )
    line('one of 50 clients, median', ms(synced.many), `${(synced.many / loose.many).toFixed(2)} × without syncing`)
    line(
      'taps a second of 50 clients',
      synced.rate.toFixed(0),
      `${(synced.rate / loose.rate).toFixed(2)} × without syncing`,
    )

    const data = join(folder, 'data')
    await (await begin(data)).stop()
    const db = await openDb(join(data, 'db'))
    const made = await multiply(db, YEARS.visits, YEARS.taps, YEARS.back)
    await db.close()
    const run = await begin(data)
    const api = `${run.address}/api`
    const what = `${made.visits} visits, ${made.events} taps`
    line(`start on ${what}`, ms(run.ready), 'aim: under 5 s')
    const dogs = await json<{ id: string; record: { name: string } }[]>(`${api}/dogs`)
    const pesto = dogs.find((d) => d.record.name === 'Pesto')!.id
    const views: Record<string, string[]> = {
      day: ['/days/2026-11-28', '/dogs', '/products', '/house', `/memory?dogs=${dogs.slice(0, 6).map((d) => d.id)}`],
      recipe: [`/dogs/${pesto}`, '/house', '/products', `/memory?dogs=${pesto}`],
      logbook: ['/logbook?figures=no'],
      money: ['/books', '/closings', '/house'],
    }
    const all = (paths: string[]) => Promise.all(paths.map((p) => text(`${api}${p}`)))
    for (const [view, paths] of Object.entries(views)) {
      const [first] = await timed(() => all(paths))
      const times: number[] = []
      for (let i = 0; i < 9; i++) times.push((await timed(() => all(paths)))[0])
      line(`${view}: its answers, median of 9`, ms(quantile(times, 0.5)), `aim: under 300 ms; the first ${ms(first)}`)
    }
    const { visits } = await json<{ visits: { visitId: string; dogId: string }[] }>(`${api}/logbook?figures=no`)
    const papers: number[] = []
    for (const { visitId, dogId } of visits.slice(0, 10)) {
      const { stands, owed } = await json<Account>(`${api}/account?dog=${dogId}`)
      if (owed.some((o) => o.visitId === visitId) || stands.came === 0) continue
      await post(`${api}/visits/${visitId}/receipt`, {})
      papers.push((await timed(() => text(`${api}/visits/${visitId}/receipt.pdf`)))[0])
    }
    line(
      'a receipt as PDF, median and longest',
      `${ms(quantile(papers, 0.5))}, ${ms(Math.max(...papers))}`,
      'aim: under 500 ms',
    )
    const health = () => text(`${api}/health`)
    const learning = await meanwhile(health, () => text(`${api}/logbook/taught`))
    const again = await timed(() => text(`${api}/logbook/taught`))
    line('what the log taught, first and again', ms(learning.took), `again ${ms(again[0])}, aim: under 1 s`)
    line('health meanwhile, p99', ms(quantile(learning.times, 0.99)), `of ${learning.times.length}; aim: under 50 ms`)
    for (const path of [
      '/dogs',
      '/visits?limit=200',
      '/logbook?figures=no',
      '/logbook',
      '/days?from=2016-01-01&to=2026-12-31',
      '/stock?on=2026-11-28',
    ]) {
      const bytes = (await text(`${api}${path}`)).length
      line(`${path.replace(/\?(?!figures).*/, '')}: kB of an answer`, (bytes / 1000).toFixed(0), 'aim: under 100')
    }
    const visit = await post(`${api}/visits`, { dogId: pesto, today: { date: '2026-11-28' } })
    const tap = () =>
      post(`${api}/visits/${visit.id}/events`, {
        events: [{ id: randomUUID(), at: Date.now(), device: 'bench', kind: 'towel' }],
      })
    const alone: number[] = []
    for (let i = 0; i < 50; i++) alone.push((await timed(tap))[0])
    let name = ''
    const make = async () => {
      name = ((await post(`${api}/backups`, undefined)) as unknown as { name: string }).name
    }
    const backup = await meanwhile(tap, make, EVERY_MS)
    line('a backup of all of it', `${(backup.took / 1000).toFixed(1)} s`, 'aim: under 20 s')
    line(
      'taps meanwhile, median and longest',
      `${ms(quantile(backup.times, 0.5))}, ${ms(Math.max(...backup.times))}`,
      `alone ${ms(quantile(alone, 0.5))}; ${backup.times.length} taps`,
    )
    const [archive, bytes] = await timed(() => fetch(`${api}/archive.zip`).then((r) => r.arrayBuffer()))
    line('an archive of all of it', `${(archive / 1000).toFixed(1)} s`, `${(bytes.byteLength / 1e6).toFixed(0)} MB`)
    await run.stop()
    const [restore] = await timed(async () =>
      spawnSync(
        process.execPath,
        ['dist/server/main.js', '--restore', join(data, 'backups', name), '--into', join(folder, 'restored')],
        { stdio: 'inherit' },
      ),
    )
    line('restored into a new folder', `${(restore / 1000).toFixed(1)} s`, 'aim: under 60 s')
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
