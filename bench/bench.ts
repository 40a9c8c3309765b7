import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { gzipSync } from 'node:zlib'
import { arrangeDay } from '@core/day'
import {
  dayOdds,
  dogOn,
  emptyDay,
  planOfSchedule,
  planSeats,
  runDay,
  seatFor,
  standFrom,
  type DayFacts,
} from '@core/washday'
import { DEMO } from '../demo/scenario'
import { readCalendar } from '../server/formats/calendar'
import { largeShelf } from './shelf'
import { begin } from './begin'
import { launch } from './browser'
import { washDays } from './day'
import { field } from './field'
import { longHistory } from './history'
import { load } from './load'
import { tenYears } from './years'
import { aDrag, aTap, atTheScreens, switches } from './screens'
import { recipes } from './recipe'
import { atTheTub } from './tub'

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
const line = (what: string, value: string, aim = '') => console.log(`${what.padEnd(46)} ${value.padStart(12)}  ${aim}`)

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

const DATE = '2026-11-28'

/** Twelve dogs of the demonstration, arranged once: what running such a day through takes. */
function simulation(): { run: number; odds: number } {
  const house = { ...DEMO.house, tables: 2 }
  const day = { ...emptyDay(DATE, house), helper: { name: 'Dunja', from: 480, to: 1439 } }
  const dogs = DEMO.dogs.filter((d) => d.name !== 'Bosun' && d.name !== 'Puck').slice(0, 12)
  const facts: DayFacts = {
    day: { ...day, seats: dogs.map((d, i) => seatFor(d.name, day, { arrive: 480 + 20 * i, pickup: 1400 })) },
    dogs: Object.fromEntries(dogs.map((d) => [d.name, dogOn(d, DATE)])),
    shelf: DEMO.products.map((p) => ({ ...p, id: p.name })),
    house,
  }
  const seats = planSeats(facts)
  const found = arrangeDay(standFrom(facts, seats).problem, { tries: 2000 })
  if (!found.feasible) throw new Error('the day of twelve was not arranged')
  const whole = { ...facts, day: { ...facts.day, plan: planOfSchedule(facts.day, found.schedule) } }
  const once = (work: () => unknown) => {
    const began = performance.now()
    work()
    return performance.now() - began
  }
  const state = standFrom(whole, seats)
  const run = () => runDay(whole, seats, state.problem, state.schedule!)
  const odds = () => dayOdds(state.problem, state.schedule!, { closing: 540 })
  for (let i = 0; i < 10; i++) run()
  return {
    run: median(Array.from({ length: 40 }, () => once(run))),
    odds: median(Array.from({ length: 10 }, () => once(odds))),
  }
}

/** A calendar of 5000 events, read. */
async function calendar(): Promise<number> {
  const stamp = (n: number) => new Date(Date.UTC(2026, 3, 1 + (n % 300))).toISOString().slice(0, 10).replace(/-/g, '')
  const events = Array.from({ length: 5000 }, (_, n) =>
    ['BEGIN:VEVENT', `UID:${n}`, `DTSTART:${stamp(n)}T090000`, 'DURATION:PT1H', `SUMMARY:Moss ${n}`, 'END:VEVENT'].join(
      '\r\n',
    ),
  )
  const text = ['BEGIN:VCALENDAR', ...events, 'END:VCALENDAR'].join('\r\n')
  const began = performance.now()
  await readCalendar(text, { dogs: [], house: DEMO.house, from: '2026-01-01', to: '2027-12-31' })
  return performance.now() - began
}

/** The longest task of the page's own thread while a day is arranged: 0 when none took 50 ms or more. */
async function longestTask(address: string): Promise<number> {
  const browser = await launch()
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(address)
    const again = page.getByRole('button', { name: 'Arrange again' })
    await again.waitFor({ timeout: 30_000 })
    await page.waitForTimeout(2000)
    await page.evaluate(() => {
      const seen: number[] = []
      Object.assign(window, { seen })
      new PerformanceObserver((list) => list.getEntries().forEach((e) => seen.push(e.duration))).observe({
        entryTypes: ['longtask'],
      })
    })
    // Looking for roles costs the page time of its own: nothing is looked for while it arranges.
    await page.evaluate(() =>
      [...document.querySelectorAll('button')].find((b) => b.textContent?.trim() === 'Arrange again')!.click(),
    )
    await page.waitForTimeout(4500)
    return await page.evaluate(() => Math.max(0, ...(window as unknown as { seen: number[] }).seen))
  } finally {
    await browser.close()
  }
}

/** What the main views cost to open, to use and to go to. */
async function screens(address: string): Promise<void> {
  for (const { view, script, lcp, inp, inputs } of await atTheScreens(address)) {
    line(`${view}: JavaScript of a first visit, gzip`, `${(script / 1000).toFixed(0)} kB`)
    line(`${view}: largest paint, 4 × slowed, median of 5`, `${lcp.toFixed(0)} ms`, 'aim: under 1500 ms')
    line(`${view}: ${inputs} inputs to their paint, slowed, p95`, `${inp.toFixed(0)} ms`, 'aim: under 100 ms')
  }
  const { warm, day } = await switches(address)
  line('another view, seen before, p95', `${warm.toFixed(0)} ms`, 'aim: under 200 ms')
  line('the day from loading to its ribbons, median of 5', `${day.toFixed(0)} ms`, 'aim: under 700 ms')
  const drag = await aDrag(address)
  line(
    `dragging a visit, script for each of ${drag.moves} moves`,
    `${drag.script.toFixed(1)} ms`,
    `aim: under 8 ms; with painting ${drag.perMove.toFixed(0)}, longest task ${drag.longest.toFixed(0)}`,
  )
  const tap = await aTap(address)
  line('a tap at the tub sends', `${tap.requests.toFixed(1)} requests`, `${tap.bytes.toFixed(0)} bytes`)
}

async function main() {
  // `npm run bench -- field 5 3 4`: so many days of each kind, of these sizes
  if (process.argv.includes('field')) {
    const [count = 5, ...sizes] = process.argv.slice(process.argv.indexOf('field') + 1).map(Number)
    return field(count, sizes.length > 0 ? sizes : undefined)
  }
  // `npm run bench -- load`: fifty devices at once
  if (process.argv.includes('load')) return load(line)
  // `npm run bench -- years`: only that part
  if (process.argv.includes('years')) return tenYears(line)
  // `npm run bench -- day`: the arranging alone, at every budget
  if (process.argv.includes('day')) return washDays(process.argv.slice(process.argv.indexOf('day') + 1))
  // `npm run bench -- recipe`: minutes beside what practice knows, and what a recipe costs
  if (process.argv.includes('recipe')) return recipes(line)
  const folder = mkdtempSync(join(tmpdir(), 'juvant-bench-'))
  try {
    // `npm run bench -- screens`: what views cost to open and to use
    if (process.argv.includes('screens')) {
      const run = await begin(folder)
      await screens(run.address)
      return await run.stop()
    }
    recipes(line)
    const cold = await begin(folder)
    await cold.stop()
    const warm: number[] = []
    for (let i = 0; i < 5; i++) {
      const run = await begin(folder)
      warm.push(run.ready)
      if (i < 4) await run.stop()
      else {
        const load = await firstLoad(run.address)
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
        const busy = await longestTask(run.address)
        line(
          'longest task of the page while arranging',
          `${busy.toFixed(0)} ms`,
          'aim: under 50 ms (0: none that long)',
        )
        const tub = await atTheTub(run.address)
        line(
          `tap to the next step, 4 × slowed, ${tub.taps} taps, p95`,
          `${tub.tapP95.toFixed(0)} ms`,
          `aim: under 100 ms, median ${tub.tapMedian.toFixed(0)}`,
        )
        line(
          `page at the tub after ${tub.hours} h, after collecting`,
          `${tub.memoryEnd.toFixed(1)} MB`,
          `${(tub.memoryEnd / tub.memoryMiddle).toFixed(2)} × half the time, ${(tub.memoryEnd / tub.memoryStart).toFixed(2)} × the start`,
        )
        await screens(run.address)
        await run.stop()
      }
    }
    const long = await longHistory(2000, 150_000)
    line(`recipe, ${long.visits} visits, ${long.events} taps kept`, `${long.recipe.toFixed(0)} ms`, 'aim: under 300 ms')
    line('the same when a visit has just ended', `${long.recipeNext.toFixed(0)} ms`)
    line('the same, first question of all', `${long.recipeFirst.toFixed(0)} ms`)
    line('logbook over all of them', `${long.logbook.toFixed(0)} ms`, 'aim: under 300 ms')
    line('what they taught, once', `${long.taught.toFixed(0)} ms`)
    const shelf = await largeShelf(500, 5)
    line(`shelf of 500 bottles, ${shelf.movements} movements: list`, `${shelf.list.toFixed(1)} ms`, 'aim: under 100 ms')
    line('how all of it stands', `${shelf.stock.toFixed(1)} ms`, 'aim: under 100 ms')
    line('one bottle’s movements', `${shelf.one.toFixed(1)} ms`, 'aim: under 100 ms')
    line('a recipe with 500 bottles, median', `${shelf.recipe.toFixed(2)} ms`, 'aim: under 5 ms')
    const { run, odds } = simulation()
    line(
      'a day of 12 dogs run through, median',
      `${run.toFixed(1)} ms`,
      `aim: under 20 ms, ${(20 / run).toFixed(1)} × inside it`,
    )
    line('its chances, 600 days drawn, median', `${odds.toFixed(0)} ms`, `${(odds / run).toFixed(0)} × one run`)
    line('a calendar of 5000 events read', `${(await calendar()).toFixed(0)} ms`)
    await tenYears(line)
    await washDays()
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

void main()
