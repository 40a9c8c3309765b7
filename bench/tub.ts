import type { Page } from '@playwright/test'
import { launch } from './browser'

/** What a page at the tub costs: from a tap to the next step on screen with the processor slowed four times, ms; and its memory over a day. */
export interface TubTimes {
  taps: number
  tapMedian: number
  tapP95: number
  memoryStart: number
  memoryMiddle: number
  memoryEnd: number
  hours: number
}

const SLOWED = 4
const HOURS = 8

async function newVisit(address: string, page: Page, name: string, date: string): Promise<string> {
  const dogs = (await (await page.request.get(`${address}/api/dogs`)).json()) as {
    id: string
    record: { name: string }
  }[]
  const dogId = dogs.find((d) => d.record.name === name)!.id
  const visit = (await (
    await page.request.post(`${address}/api/visits`, { data: { dogId, today: { date } } })
  ).json()) as { id: string }
  return visit.id
}

/** Taps on through a visit and back, and measures in the page from each tap to the frame that shows the next step. */
async function taps(page: Page): Promise<number[]> {
  // The runner names functions by a helper of its own, which a page doesn't have.
  await page.evaluate('globalThis.__name = (f) => f')
  return page.evaluate(async () => {
    const title = () => document.querySelector('[data-testid=tub-step]')?.textContent
    /** After the next frame has been painted. */
    const frame = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
    const times: number[] = []
    const press = async (find: () => HTMLElement) => {
      const before = title()
      const began = performance.now()
      find().click()
      do await frame()
      while (title() === before && performance.now() - began < 2000)
      times.push(performance.now() - began)
    }
    const forward = () => document.querySelector<HTMLElement>('footer .primary')!
    const undo = () => document.querySelector<HTMLElement>('footer .big')!
    forward().click()
    await frame()
    for (let round = 0; round < 6; round++) {
      for (let i = 0; i < 10; i++) await press(forward)
      for (let i = 0; i < 10; i++) await press(undo)
    }
    return times
  })
}

async function usedMB(page: Page): Promise<number> {
  const session = await page.context().newCDPSession(page)
  await session.send('HeapProfiler.collectGarbage')
  await session.send('Performance.enable')
  const { metrics } = await session.send('Performance.getMetrics')
  await session.detach()
  return metrics.find((m) => m.name === 'JSHeapUsedSize')!.value / 1e6
}

/** Measures a page at the tub of a running server. */
export async function atTheTub(address: string): Promise<TubTimes> {
  const browser = await launch()
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.goto(`${address}/tub/${await newVisit(address, page, 'Pesto', '2028-01-08')}`)
    await page.getByTestId('tub-step').waitFor()
    const session = await page.context().newCDPSession(page)
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
    const times = (await taps(page)).sort((a, b) => a - b)
    await session.send('Emulation.setCPUThrottlingRate', { rate: 1 })

    const long = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await long.clock.install()
    await long.goto(`${address}/tub/${await newVisit(address, long, 'Juniper', '2028-01-15')}`)
    await long.getByTestId('tub-step').waitFor()
    await long.locator('footer .primary').click()
    await long.clock.runFor(10 * 60_000)
    const memoryStart = await usedMB(long)
    let memoryMiddle = memoryStart
    for (let minutes = 10; minutes < HOURS * 60; minutes += 10) {
      await long.clock.runFor(10 * 60_000)
      if (minutes === HOURS * 30) memoryMiddle = await usedMB(long)
    }
    return {
      taps: times.length,
      tapMedian: times[Math.floor(times.length / 2)]!,
      tapP95: times[Math.floor(0.95 * times.length)]!,
      memoryStart,
      memoryMiddle,
      memoryEnd: await usedMB(long),
      hours: HOURS,
    }
  } finally {
    await browser.close()
  }
}
