import type { Page } from '@playwright/test'
import { expect } from './program'

/** A dog as the server lists it. */
export interface DogRow {
  id: string
  record: { name: string }
}

/** Puts a day of some dogs of the demonstration on the server and opens it arranged. */
export async function openDay(page: Page, date: string, names: readonly string[], more: object = {}) {
  const dogs = (await (await page.request.get('/api/dogs')).json()) as DogRow[]
  const { record } = await (await page.request.get(`/api/days/${date}`)).json()
  const seats = names.map((name, i) => ({
    id: name.toLowerCase(),
    dogId: dogs.find((d) => d.record.name === name)!.id,
    arrive: 480 + 15 * i,
    pickup: 1020,
  }))
  const kept = await page.request.put(`/api/days/${date}`, {
    data: { version: 0, record: { ...record, seats, ...more } },
  })
  expect(kept.status()).toBe(200)
  await page.goto(`/days/${date}`)
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
  const labels = await ribbon(page, /./).evaluateAll((all) => all.map((r) => r.getAttribute('aria-label') ?? ''))
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
