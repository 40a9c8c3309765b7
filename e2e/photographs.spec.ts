import type { Page } from '@playwright/test'
import { createServer } from 'vite'
import { expect, test } from './program'

/**
 * The main views beside photographs kept of them: what moves, vanishes or changes its colour shows here. Only what is
 * the same on every day and at every run is taken. `npx playwright test photographs --update-snapshots` takes them anew.
 */
test.use({ room: 'untouched' })

/** The day of all photographs: so long ago that nobody is due and the dogs stand by name, whatever day it is. */
const LONG_AGO = '2020-03-08'

async function same(page: Page, name: string) {
  await page.evaluate(() => document.fonts.ready)
  // when a dog was here and is due depends on the day on which the demonstration begins
  const mask = [page.locator('.due')]
  await expect(page).toHaveScreenshot(`${name}.png`, { animations: 'disabled', caret: 'hide', scale: 'css', mask })
}
async function dogId(page: Page, name: string): Promise<string> {
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  return dogs.find((d) => d.record.name === name)!.id
}

test('dogs, on a wide screen and a phone', async ({ page }) => {
  await page.goto('/dogs')
  await expect(page.getByRole('link', { name: 'Recipe for Wren' })).toBeVisible()
  await same(page, 'dogs')
  await page.setViewportSize({ width: 390, height: 844 })
  await expect(page.getByRole('button', { name: 'Add a dog' })).toBeVisible()
  await same(page, 'dogs-phone')
})

test('a recipe, light and dark', async ({ page }) => {
  await page.goto(`/dogs/${await dogId(page, 'Clove')}/recipe?date=${LONG_AGO}`)
  await expect(page.getByRole('heading', { level: 1, name: 'Clove' })).toBeVisible()
  await page.getByRole('button', { name: 'Fold it up' }).click()
  await expect(page.getByRole('button', { name: 'Open all of it' })).toBeVisible()
  await page.mouse.move(0, 0)
  await same(page, 'recipe')
  await page.emulateMedia({ colorScheme: 'dark' })
  await same(page, 'recipe-dark')
})

test('a day on which nobody comes, and the house', async ({ page }) => {
  await page.goto(`/days/${LONG_AGO}`)
  await expect(page.getByRole('heading', { name: 'No dogs on this day' })).toBeVisible()
  await page.getByRole('button', { name: 'Add a dog to it' }).click()
  await expect(page.getByText(/^ready at/).first()).toBeVisible()
  await expect(page.getByText('trying', { exact: true })).toHaveCount(0)
  await same(page, 'day-empty')
  await page.goto('/house')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await same(page, 'house')
})

test('at the tub, before the first step', async ({ page }) => {
  const made = await page.request.post('/api/visits', {
    data: { dogId: await dogId(page, 'Moss'), today: { date: LONG_AGO } },
  })
  const { id } = (await made.json()) as { id: string }
  await page.goto(`/tub/${id}`)
  await expect(page.getByTestId('tub-step')).toBeVisible()
  await same(page, 'tub')
})

test('every part of the interface in its states, light and dark', async ({ page }) => {
  // for developers only: it isn't in the built program
  const vite = await createServer({
    configFile: 'vite.config.ts',
    server: { port: 0, hmr: false, proxy: {} },
    logLevel: 'error',
  })
  try {
    await vite.listen()
    const address = vite.resolvedUrls!.local[0]!
    await page.setViewportSize({ width: 1280, height: 2400 })
    await page.route(/\/api\/(?!\w+\.ts)/, (route) => route.abort())
    await page.goto(`${address}workbench`)
    await expect(page.getByRole('heading', { level: 1, name: 'Workbench' })).toBeVisible()
    await same(page, 'workbench')
    await page.emulateMedia({ colorScheme: 'dark' })
    await same(page, 'workbench-dark')
  } finally {
    await vite.close()
  }
})
