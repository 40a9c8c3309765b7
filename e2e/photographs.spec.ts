import type { Page } from '@playwright/test'
import { dropFolder, expect, killProgram, newFolder, startProgram, test as base, type Program } from './program'

/**
 * The main views beside photographs kept of them: what moves, vanishes or changes its colour shows here. Only what is
 * the same on every day and at every run is taken. `npx playwright test photographs --update-snapshots` takes them anew.
 */
const test = base.extend<object, { program: Program }>({
  program: [
    async ({}, use) => {
      const data = newFolder()
      const program = await startProgram(data)
      await use(program)
      await killProgram(program)
      dropFolder(data)
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: ({ program }, use) => use(program.address),
})

async function same(page: Page, name: string) {
  await page.evaluate(() => document.fonts.ready)
  await expect(page).toHaveScreenshot(`${name}.png`, { animations: 'disabled', caret: 'hide', scale: 'css' })
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
  await page.goto(`/dogs/${await dogId(page, 'Clove')}/recipe?date=2028-03-04`)
  await expect(page.getByRole('heading', { level: 1, name: 'Clove' })).toBeVisible()
  await same(page, 'recipe')
  await page.emulateMedia({ colorScheme: 'dark' })
  await same(page, 'recipe-dark')
})

test('a day on which nobody comes, and the house', async ({ page }) => {
  await page.goto('/days/2028-03-08')
  await expect(page.getByRole('heading', { name: 'No dogs on this day' })).toBeVisible()
  await expect(page.getByText(/^fits, ends/).first()).toBeVisible()
  await expect(page.getByText('trying', { exact: true })).toHaveCount(0)
  await same(page, 'day-empty')
  await page.goto('/house')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await same(page, 'house')
})

test('at the tub, before the first step', async ({ page }) => {
  const made = await page.request.post('/api/visits', {
    data: { dogId: await dogId(page, 'Moss'), today: { date: '2028-03-04' } },
  })
  const { id } = (await made.json()) as { id: string }
  await page.goto(`/tub/${id}`)
  await expect(page.getByTestId('tub-step')).toBeVisible()
  await same(page, 'tub')
})
