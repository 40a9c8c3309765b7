import { expect, test } from './program'
import { freshDay } from './dates'
import { expectAccessible } from './steps'

test('colours are chosen for this device, light, dark or as its system, and stay chosen', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'light' })
  await page.goto('/house/units')
  const choice = page.getByRole('group', { name: 'Colours, on this device at once' })
  const shown = () => page.evaluate(() => document.documentElement.style.colorScheme)
  await expect(choice.getByLabel('as the system')).toBeChecked()
  expect(await shown()).toBe('light')
  await choice.getByLabel('dark', { exact: true }).check()
  await expect.poll(shown).toBe('dark')
  await page.reload()
  await expect(choice.getByLabel('dark', { exact: true })).toBeChecked()
  expect(await shown()).toBe('dark')
  await choice.getByLabel('as the system').check()
  await expect.poll(shown).toBe('light')
})

test('an address that leads nowhere says so', async ({ page }) => {
  await page.goto('/dogs/7f0c3f5e-6f0a-4b60-9a53-3d1f4f7c3b11')
  await expect(page.getByRole('alert')).toContainText('There is no such dog')
  await page.goto('/nowhere/at/all')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Nothing at this address')
})

test('help on every view, by its button and by a key, never while typing', async ({ page }) => {
  const date = freshDay()
  for (const [path, title] of [
    [`/days/${date}`, 'The day'],
    ['/tub', 'At the tub'],
    ['/dogs', 'The dogs'],
    ['/recipes', 'The recipe'],
    ['/shelf', 'The shelf'],
    ['/logbook', 'The logbook'],
    ['/house', 'The house'],
  ] as const) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    const ask = page.getByRole('button', { name: 'Help on this view' })
    await ask.click()
    const sheet = page.getByRole('dialog', { name: `Help: ${title}` })
    await expect(sheet).toContainText('The vet, the product’s label and local rules go before')
    if (path === '/dogs') await expectAccessible(page)
    await page.keyboard.press('Escape')
    await expect(sheet).toHaveCount(0)
    await expect(ask).toBeFocused()
  }
  await page.goto('/dogs')
  await expect(page.getByRole('link', { name: 'Recipe for Bosun' })).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByLabel('Search by name, breed or owner').press('?')
  await expect(page.getByRole('dialog')).toHaveCount(0)
})

test('on paper there is nothing to tap', async ({ page }) => {
  await page.goto('/dogs')
  await expect(page.getByRole('link', { name: 'Recipe for Bosun' })).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('navigation', { name: 'Main' })).toBeHidden()
  await expect(page.getByText('Bosun', { exact: true })).toBeVisible()
  for (const button of await page.getByRole('button', { includeHidden: true }).all()) await expect(button).toBeHidden()
})
