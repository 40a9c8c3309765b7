import type { Browser, Page } from '@playwright/test'
import { launch } from './browser'

/** What a view costs to open and to use, with the processor slowed four times where it says so. */
export interface ViewTimes {
  view: string
  /** JavaScript that it fetches on a first visit, bytes as sent. */
  script: number
  /** Largest contentful paint, slowed, median of the loads, ms. */
  lcp: number
  /** From an input to the next paint, slowed, 95th percentile, ms; and how many inputs. */
  inp: number
  inputs: number
}
/** What moving a visit by hand costs the page's own thread. */
export interface DragTimes {
  moves: number
  /** Work of the page's script for each move, sampled, ms. */
  script: number
  /** All work of the thread for each move, painting without a graphics card with it, ms. */
  perMove: number
  /** The longest piece of work, ms; 0 when none took 50. */
  longest: number
}

const SLOWED = 4
const LOADS = 5
const INPUTS = 24
const SIZE = { viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' } as const

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
const p95 = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(0.95 * values.length)]!

async function slow(page: Page, rate = SLOWED) {
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate })
  return session
}

/** A view: its address, what shows that it is there, and an input that it is made for, done over and over. */
interface View {
  name: string
  path: string
  there: string
  use: (page: Page, nth: number) => Promise<void>
}

const slips = async (page: Page, nth: number) => {
  const dogs = page.locator('.slips > li > button')
  await dogs.nth(nth % (await dogs.count())).click()
}
const PARTS = ['What it taught', 'Figures', 'Visits']
const parts = (page: Page, nth: number) =>
  page.getByRole('link', { name: PARTS[nth % PARTS.length]!, exact: true }).click()
const VIEWS: View[] = [
  { name: 'Day', path: '/', there: '[data-ribbon]', use: slips },
  {
    name: 'Recipe',
    path: '/dogs/{dog}/recipe',
    there: 'main h1',
    use: (page, nth) => page.getByRole('button', { name: nth % 2 === 0 ? 'Open all of it' : 'Fold it up' }).click(),
  },
  {
    name: 'Tub',
    path: '/tub/{visit}',
    there: '[data-testid=tub-step]',
    use: (page, nth) =>
      page
        .locator(nth % 2 === 0 ? 'footer .primary' : 'footer .big')
        .first()
        .click(),
  },
  { name: 'Logbook', path: '/logbook', there: 'h1', use: parts },
]

/** Loads a view anew several times; answers the median of its largest paint and the bytes of its scripts. */
async function load(browser: Browser, address: string, { there }: View) {
  const lcps: number[] = []
  let script = 0
  for (let i = 0; i < LOADS; i++) {
    const context = await browser.newContext(SIZE)
    const page = await context.newPage()
    await slow(page)
    await page.addInitScript(() => {
      new PerformanceObserver((list) => {
        for (const e of list.getEntries()) Object.assign(window, { lcp: e.startTime })
      }).observe({ type: 'largest-contentful-paint', buffered: true })
    })
    await page.goto(address)
    await page.locator(there).first().waitFor()
    await page.waitForTimeout(2500)
    lcps.push(await page.evaluate(() => (window as unknown as { lcp: number }).lcp))
    script = await page.evaluate(() =>
      (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
        .filter((r) => r.name.endsWith('.js'))
        .reduce((sum, r) => sum + r.encodedBodySize, 0),
    )
    await context.close()
  }
  return { lcp: median(lcps), script }
}

/** Uses a view by mouse and answers how long each input took to its paint. */
async function use(browser: Browser, address: string, view: View): Promise<number[]> {
  const context = await browser.newContext(SIZE)
  const page = await context.newPage()
  await page.goto(address)
  await page.locator(view.there).first().waitFor()
  await page.waitForTimeout(4000)
  await page.evaluate(() => {
    const took = new Map<number, number>()
    Object.assign(window, { took })
    new PerformanceObserver((list) => {
      for (const e of list.getEntries() as (PerformanceEventTiming & { interactionId: number })[])
        if (e.interactionId) took.set(e.interactionId, Math.max(took.get(e.interactionId) ?? 0, e.duration))
    }).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit)
  })
  await slow(page)
  for (let i = 0; i < INPUTS; i++) {
    await view.use(page, i)
    await page.waitForTimeout(300)
  }
  const took = await page.evaluate(() => [...(window as unknown as { took: Map<number, number> }).took.values()])
  await context.close()
  // inputs under 16 ms aren't told of
  return [...took, ...Array.from({ length: Math.max(0, INPUTS - took.length) }, () => 16)]
}

/** Times of the main views of a running server with the demonstration. */
export async function atTheScreens(address: string): Promise<ViewTimes[]> {
  const browser = await launch()
  try {
    const page = await browser.newPage()
    const dogs = (await (await page.request.get(`${address}/api/dogs`)).json()) as {
      id: string
      record: { name: string }
    }[]
    const dog = dogs.find((d) => d.record.name === 'Juniper')!.id
    const made = await page.request.post(`${address}/api/visits`, {
      data: { dogId: dog, today: { date: '2028-02-05' } },
    })
    const { id: visit } = (await made.json()) as { id: string }
    const times: ViewTimes[] = []
    for (const view of VIEWS) {
      const at = address + view.path.replace('{dog}', dog).replace('{visit}', visit)
      const { lcp, script } = await load(browser, at, view)
      const took = await use(browser, at, view)
      times.push({ view: view.name, script, lcp, inp: p95(took), inputs: took.length })
    }
    return times
  } finally {
    await browser.close()
  }
}

interface Profile {
  nodes: { id: number; callFrame: { functionName: string } }[]
  samples?: number[]
  timeDeltas?: number[]
}
/** Time of a profile in which script ran or was cleaned up after, ms. */
function scriptMs({ nodes, samples = [], timeDeltas = [] }: Profile): number {
  const native = new Set(
    nodes.filter((n) => ['(idle)', '(program)', '(root)'].includes(n.callFrame.functionName)).map((n) => n.id),
  )
  return samples.reduce((sum, id, i) => sum + (native.has(id) ? 0 : (timeDeltas[i] ?? 0)), 0) / 1000
}

/** Drags a visit over the day's clock and back. */
export async function aDrag(address: string): Promise<DragTimes> {
  const browser = await launch()
  try {
    const page = await browser.newPage(SIZE)
    await page.goto(address)
    await page.locator('[data-ribbon]').first().waitFor()
    await page.waitForTimeout(5000)
    const ribbon = page.locator('g.ribbon[aria-label*="bath"]').last()
    const box = (await ribbon.boundingBox())!
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    await page.evaluate(() => {
      Object.assign(window, { longest: 0 })
      new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries())
          Object.assign(window, { longest: Math.max((window as unknown as { longest: number }).longest, duration) })
      }).observe({ entryTypes: ['longtask'] })
    })
    const session = await page.context().newCDPSession(page)
    await session.send('Performance.enable')
    const busy = async () => {
      const { metrics } = await session.send('Performance.getMetrics')
      return metrics.find((m) => m.name === 'TaskDuration')!.value * 1000
    }
    await page.mouse.move(x, y)
    await page.mouse.down()
    await page.mouse.move(x + 12, y)
    await page.waitForTimeout(500)
    const began = await busy()
    const moves = 60
    await session.send('Profiler.enable')
    await session.send('Profiler.start')
    for (let i = 0; i < moves; i++) {
      await page.mouse.move(x + 12 + 80 * Math.sin((i / moves) * Math.PI), y)
      await page.waitForTimeout(16)
    }
    const { profile } = await session.send('Profiler.stop')
    const ended = await busy()
    await page.mouse.up()
    const longest = await page.evaluate(() => (window as unknown as { longest: number }).longest)
    return { moves, script: scriptMs(profile) / moves, perMove: (ended - began) / moves, longest }
  } finally {
    await browser.close()
  }
}

/** What a tap at the tub sends: requests and their bytes, over some taps. */
export async function aTap(address: string): Promise<{ requests: number; bytes: number }> {
  const browser = await launch()
  try {
    const page = await browser.newPage(SIZE)
    const dogs = (await (await page.request.get(`${address}/api/dogs`)).json()) as { id: string }[]
    const made = await page.request.post(`${address}/api/visits`, {
      data: { dogId: dogs[0]!.id, today: { date: '2028-02-12' } },
    })
    const { id } = (await made.json()) as { id: string }
    await page.goto(`${address}/tub/${id}`)
    await page.getByTestId('tub-step').waitFor()
    await page.locator('footer .primary').click()
    await page.waitForTimeout(1500)
    let [requests, bytes] = [0, 0]
    page.on('request', (r) => {
      if (!r.url().includes('/api/')) return
      requests++
      bytes += r.postDataBuffer()?.length ?? 0
    })
    const taps = 6
    for (let i = 0; i < taps; i++) {
      await page.locator('footer .primary').click()
      await page.waitForTimeout(400)
    }
    return { requests: requests / taps, bytes: bytes / taps }
  } finally {
    await browser.close()
  }
}

/** How long a view takes to show when it is gone to from another, seen before, ms; and the day from a first load to its ribbons. */
export async function switches(address: string): Promise<{ warm: number; day: number }> {
  const browser = await launch()
  try {
    const page = await browser.newPage(SIZE)
    await page.addInitScript('globalThis.__name = (f) => f')
    await page.addInitScript(() => {
      new MutationObserver(() => {
        const at = window as unknown as { ribbons?: number }
        if (at.ribbons === undefined && document.querySelector('[data-ribbon]')) at.ribbons = performance.now()
      }).observe(document, { childList: true, subtree: true })
    })
    const days: number[] = []
    for (let i = 0; i < LOADS; i++) {
      await page.goto(address)
      await page.locator('[data-ribbon]').first().waitFor()
      days.push(await page.evaluate(() => (window as unknown as { ribbons: number }).ribbons))
    }
    const names = ['Dogs', 'Logbook', 'House', 'Day']
    const times: number[] = []
    for (let round = 0; round < 4; round++)
      for (const name of names) {
        const took = await page.evaluate(async (to) => {
          const link = [...document.querySelectorAll<HTMLElement>('nav a')].find((a) => a.textContent === to)!
          const was = document.querySelector('main h1')
          const began = performance.now()
          link.click()
          const shown = () => {
            const now = document.querySelector('main h1')
            return now !== null && now !== was
          }
          do await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
          while (!shown() && performance.now() - began < 5000)
          return performance.now() - began
        }, name)
        if (round > 0) times.push(took)
        await page.waitForTimeout(600)
      }
    return { warm: p95(times), day: median(days) }
  } finally {
    await browser.close()
  }
}
