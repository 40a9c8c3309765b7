import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { fileURLToPath } from 'node:url'
import { gzipSync } from 'node:zlib'
import { arrangeDay, DayProblem } from '../core/day'
import { planVisit, todayFromRecord } from '../core/visit'
import { DEMO } from '../demo/scenario'

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
const line = (what: string, value: string, aim = '') => console.log(`${what.padEnd(46)} ${value.padStart(12)}  ${aim}`)

function recipe(): number {
  const shelf = DEMO.products.map((p) => ({ ...p, id: p.name }))
  const days = DEMO.dogs.map((dog) => [dog, todayFromRecord(dog, '2026-11-28')] as const)
  const once = () => {
    const began = performance.now()
    for (const [dog, today] of days) planVisit(dog, today, shelf, DEMO.house)
    return (performance.now() - began) / days.length
  }
  for (let i = 0; i < 30; i++) once()
  return median(Array.from({ length: 60 }, once))
}

interface Run {
  ready: number
  address: string
  stop: () => Promise<void>
}

function begin(data: string): Promise<Run> {
  const began = performance.now()
  const child = spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: '0', JUVANT_DATA: data },
  })
  const left = new Promise<void>((resolve) => child.once('exit', () => resolve()))
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`the server left with ${code}`)))
    child.stdout.on('data', (chunk: Buffer) => {
      const address = /http:\/\/[\d.]+:\d+/.exec(chunk.toString())?.[0]
      if (!address) return
      const stop = () => {
        child.kill('SIGTERM')
        return left
      }
      resolve({ ready: performance.now() - began, address, stop })
    })
  })
}

/** Bytes of JavaScript, gzipped, that a page needs: the entry, what it preloads, and the view's own chunks. */
async function firstLoad(address: string): Promise<{ bytes: number; files: number }> {
  const seen = new Map<string, number>()
  const take = async (path: string): Promise<void> => {
    if (seen.has(path)) return
    const text = await (await fetch(address + path)).text()
    seen.set(path, gzipSync(text).length)
    const imports = [...text.matchAll(/(?:from|import)\s*["']\.\/([\w.-]+\.js)["']/g)].map((m) => `/assets/${m[1]}`)
    await Promise.all(imports.map(take))
  }
  const html = await (await fetch(`${address}/dogs`)).text()
  const entry = /src="(\/assets\/[\w.-]+\.js)"/.exec(html)![1]!
  await take(entry)
  const main = await (await fetch(address + entry)).text()
  const view = /DogsView-[\w-]+\.js/.exec(main)![0]
  await take(`/assets/${view}`)
  return { bytes: [...seen.values()].reduce((a, b) => a + b, 0), files: seen.size }
}

/** Best objectives of the wash days after a stretch of search, against the bound and the rules of thumb. */
function days() {
  const folder = fileURLToPath(new URL('../checks/day/instances', import.meta.url))
  console.log('\nwash day    first ms   thumb     0.3 s       1 s     bound   1 s / thumb')
  for (const file of readdirSync(folder)) {
    const problem = DayProblem.parse(JSON.parse(readFileSync(join(folder, file), 'utf8')))
    const thumb = arrangeDay(problem, { tries: 0 })
    const within = (budget: number) => {
      const began = performance.now()
      let first = 0
      const day = arrangeDay(problem, {
        tries: 1e9,
        shouldStop: () => performance.now() - began > budget,
        onBetter: () => (first ||= performance.now() - began),
      })
      return { day, first }
    }
    const [short, long] = [within(300), within(1000)]
    if (!thumb.feasible || !short.day.feasible || !long.day.feasible)
      throw new Error(`${problem.name} was not arranged`)
    const columns = [
      short.first.toFixed(1),
      thumb.objective,
      short.day.objective,
      long.day.objective,
      long.day.lowerBound,
      (long.day.objective / thumb.objective).toFixed(2),
    ]
    console.log(problem.name.padEnd(10) + columns.map((c) => String(c).padStart(10)).join(''))
  }
}

async function main() {
  const folder = mkdtempSync(join(tmpdir(), 'juvant-bench-'))
  try {
    const ms = recipe()
    const cold = await begin(folder)
    await cold.stop()
    const warm: number[] = []
    for (let i = 0; i < 5; i++) {
      const run = await begin(folder)
      warm.push(run.ready)
      if (i < 4) await run.stop()
      else {
        const load = await firstLoad(run.address)
        line('one recipe in core, median', `${ms.toFixed(3)} ms`, `aim: under 2 ms, ${(2 / ms).toFixed(1)} × inside it`)
        line('server ready, cold start with demonstration', `${cold.ready.toFixed(0)} ms`)
        line(
          'server ready, warm start, median of 5',
          `${median(warm).toFixed(0)} ms`,
          `${(cold.ready / median(warm)).toFixed(1)} × faster than cold`,
        )
        line(
          `first view, JavaScript, gzip, ${load.files} files`,
          `${(load.bytes / 1000).toFixed(0)} kB`,
          `aim: under 350 kB, ${((100 * load.bytes) / 350_000).toFixed(0)} % of it`,
        )
        await run.stop()
      }
    }
    days()
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

void main()
