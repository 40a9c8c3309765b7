import type { Page } from '@playwright/test'
import { expect } from './program'

/** Keeps a dog's recipe for a date and opens it at the tub. */
export async function openTub(page: Page, name: string, date: string): Promise<string> {
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  const dogId = dogs.find((d) => d.record.name === name)!.id
  const visit = await (await page.request.post('/api/visits', { data: { dogId, today: { date } } })).json()
  await page.goto(`/tub/${visit.id}`)
  await expect(page.getByTestId('tub-step')).toBeVisible()
  return visit.id
}
/** The one button that goes on. */
export const primary = (page: Page) => page.getByRole('button', { name: /^(Begin|Done: |Finish)/ })

/** Taps on to the step with this title. */
export async function onTo(page: Page, title: string) {
  for (let i = 0; i < 40; i++) {
    if ((await page.getByTestId('tub-step').innerText()) === title) return
    await primary(page).click()
  }
  throw new Error(`no step ${title}`)
}
