import type { Page } from '@playwright/test'
import { drive } from '@core/turns'
import { arrangeWashDay, dogOn, WashDay, type DayFacts } from '@core/washday'
import { expect } from './program'

/** A dog as the server lists it. */
export interface DogRow {
  id: string
  record: { name: string }
}

/** What a page would arrange a day with; a part of it is enough for a day that only needs to be arranged. */
const TRIES = 4000

/** Seats some dogs of the demonstration on a day, from eight on, a quarter of an hour after each other. */
async function seated(page: Page, date: string, names: readonly string[], more: object) {
  const get = async (path: string) => (await page.request.get(`/api${path}`)).json()
  const dogs = (await get('/dogs')) as (DogRow & { record: DayFacts['dogs'][string]['dog'] })[]
  const { record } = (await get(`/days/${date}`)) as { record: WashDay }
  const come = names.map((name) => dogs.find((d) => d.record.name === name)!)
  const seats = come.map((dog, i) => ({
    id: dog.record.name.toLowerCase(),
    dogId: dog.id,
    arrive: 480 + 15 * i,
    pickup: 1020,
  }))
  return { come, get, day: WashDay.parse({ ...record, seats, ...more }) }
}

async function keep(page: Page, date: string, record: WashDay) {
  const kept = await page.request.put(`/api/days/${date}`, { data: { version: 0, record } })
  expect(kept.status()).toBe(200)
  await page.goto(`/days/${date}`)
}

/** Puts a day of some dogs of the demonstration on the server, arranged, and opens it. */
export async function openDay(page: Page, date: string, names: readonly string[], more: object = {}) {
  const { come, get, day } = await seated(page, date, names, more)
  const { memory } = await get(`/memory?dogs=${come.map((d) => d.id).join()}`)
  const [shelf, house] = [await get('/products'), await get('/house')]
  const outcome = drive(
    arrangeWashDay(
      {
        day,
        dogs: Object.fromEntries(come.map((d) => [d.id, dogOn(d.record, date, undefined, memory[d.id])])),
        shelf: shelf.map((p: { id: string; record: object }) => ({ ...p.record, id: p.id })),
        house: house.record,
      },
      { tries: TRIES },
    ),
  )
  if (!outcome.ok) throw new Error(`${names.join(', ')} can’t be arranged`)
  await keep(page, date, { ...day, plan: outcome.day.plan })
  await arranged(page)
}

/** The same, for the page to arrange. */
export async function openDayToArrange(page: Page, date: string, names: readonly string[], more: object = {}) {
  await keep(page, date, (await seated(page, date, names, more)).day)
  await arranged(page)
}

/** Waits until the day is arranged. */
export async function arranged(page: Page) {
  await expect(page.getByRole('button', { name: 'Arrange again' })).toBeVisible()
  await expect(page.getByTestId('day-end')).toBeVisible()
}
/** A dog's ribbon on the clock. */
export const ribbon = (page: Page, name: RegExp) =>
  page.getByRole('group', { name: /^The day’s clock/ }).getByRole('button', { name })

/** Every ribbon by dog and part, with its minutes of the clock. */
export async function partsOf(page: Page): Promise<Map<string, { from: number; to: number }>> {
  const labels = await page
    .getByRole('group', { name: /^The day’s clock/ })
    .locator('[data-ribbon][aria-label]')
    .evaluateAll((all) => all.map((r) => r.getAttribute('aria-label') ?? ''))
  const minute = (text: string) => {
    const [h, m] = text.split(':').map(Number)
    return 60 * h! + m!
  }
  return new Map(
    labels.map((label) => {
      const [, what, from, to] = /^(.*), (\d+:\d\d) to (\d+:\d\d)/.exec(label)!
      return [what!, { from: minute(from!), to: minute(to!) }]
    }),
  )
}

/** A dog's row in the day's list. */
export const slip = (page: Page, name: string) =>
  page.getByRole('list', { name: 'Dogs of the day' }).getByRole('button', { name: new RegExp(`\\b${name}\\b`) })
