import type { Page } from '@playwright/test'
import { firstSaturday } from '../e2e/dates'
import { expect, test } from '../e2e/program'

const DAY = firstSaturday()

async function shoot(page: Page, name: string, fullPage = false) {
  await page.evaluate(() => document.fonts.ready)
  await page.screenshot({ path: `docs/screenshots/${name}.png`, fullPage, animations: 'disabled' })
}

async function recipe(page: Page, name: string) {
  await page.goto('/dogs')
  const link = page.getByRole('link', { name: `Recipe for ${name}` })
  await page.goto(`${await link.getAttribute('href')}?date=${DAY}`)
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
}

async function openDay(page: Page) {
  await page.goto('/')
  await expect(page.getByRole('button', { name: 'Arrange again' })).toBeVisible()
  await expect(page.getByText('Trying ways out')).toHaveCount(0)
  await expect(page.getByRole('button', { name: /^Do it/ }).first()).toBeVisible()
}

test('day', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 900 })
  await openDay(page)
  await shoot(page, 'day')
})

test('mix and lay out', async ({ page }) => {
  await openDay(page)
  await page.getByRole('link', { name: 'Mix and lay out' }).click()
  await page.getByRole('checkbox').first().check()
  await shoot(page, 'day-prepare')
})

test('a day on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDay(page)
  await shoot(page, 'day-phone')
})

test('days', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 1080 })
  await page.goto('/days')
  await expect(page.getByText(/room for about|full|than it has/i).first()).toBeVisible()
  await page.evaluate(() => window.scrollTo(0, 0))
  await shoot(page, 'days')
})

test('trades', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 900 })
  await openDay(page)
  await page.getByRole('button', { name: 'What another order would change' }).click()
  const trades = page.getByRole('region', { name: 'What another order would change' })
  await expect(trades.getByText('The end of your work')).toBeVisible()
  await expect(trades.getByRole('button', { name: 'Take that order' }).first()).toBeVisible({ timeout: 60_000 })
  await trades.getByRole('button', { name: 'Work it out' }).click()
  await expect(trades.getByText(/^Everyone by/)).toBeVisible({ timeout: 60_000 })
  await expect(trades.getByText(/^Trying/)).toHaveCount(0, { timeout: 60_000 })
  await trades.scrollIntoViewIfNeeded()
  await page.mouse.move(0, 0)
  await shoot(page, 'day-trades')
})

test('water too hot at the tub', async ({ page }) => {
  await openDay(page)
  await page.getByRole('list', { name: 'Dogs of the day' }).getByRole('button', { name: /Moss/ }).click()
  await page.getByRole('button', { name: 'At the tub' }).click()
  for (let i = 0; i < 20 && (await page.getByTestId('tub-step').innerText()) !== 'Last rinse'; i++)
    await page.getByRole('button', { name: /^(Begin|Done: )/ }).click()
  await expect(page.getByTestId('water-watch')).toContainText('in its band')
  await page.request.put('/api/instruments/thermometer', { data: { fault: 'hot spike' } })
  await expect(page.getByTestId('water-watch')).toContainText('STOP')
  await shoot(page, 'tub-too-hot')
  await page.request.put('/api/instruments/thermometer', { data: { fault: 'none' } })
})

test('logbook', async ({ page }) => {
  await page.goto('/logbook')
  await expect(page.getByRole('link', { name: 'Pesto' }).first()).toBeVisible()
  await shoot(page, 'logbook')
})

test('how a visit went', async ({ page }) => {
  await page.goto('/logbook')
  await page.getByRole('link', { name: 'Pesto' }).first().click()
  await expect(page.getByRole('heading', { name: /how it went/ })).toBeVisible()
  await shoot(page, 'outcome')
})

test('at the tub', async ({ page }) => {
  await openDay(page)
  await page
    .getByRole('list', { name: 'Dogs of the day' })
    .getByRole('button', { name: /Juniper/ })
    .click()
  await page.getByRole('button', { name: 'At the tub' }).click()
  for (let i = 0; i < 20 && (await page.getByTestId('tub-step').innerText()) !== 'Wash one'; i++)
    await page.getByRole('button', { name: /^(Begin|Done: )/ }).click()
  await page.getByRole('button', { name: 'feet', exact: true }).click()
  await expect(page.getByRole('navigation', { name: 'Dogs of the day' })).toContainText('Moss')
  await page.evaluate(() => window.scrollTo(0, 0))
  await shoot(page, 'tub')
})

test('dogs', async ({ page }) => {
  await page.goto('/dogs')
  await expect(page.getByRole('link', { name: 'Recipe for Bosun' })).toBeVisible()
  await shoot(page, 'dogs')
})

test('record', async ({ page }) => {
  await page.goto('/dogs')
  await page
    .getByRole('link', { name: /Juniper Keeshond/ })
    .first()
    .click()
  await expect(page.getByRole('region', { name: 'Last visits' }).getByRole('listitem').first()).toBeVisible()
  await shoot(page, 'record')
})

test('recipe', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 1000 })
  await recipe(page, 'Juniper')
  await page.getByLabel('itchy', { exact: true }).check()
  await page.getByRole('button', { name: 'Fold it up' }).click()
  await page.getByRole('button', { name: /^Wash/ }).click()
  await shoot(page, 'recipe')
  await page.getByRole('button', { name: /^Save for/ }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
})

test('recipe with a stop', async ({ page }) => {
  await recipe(page, 'Clove')
  await page.getByRole('button', { name: 'Fold it up' }).click()
  await shoot(page, 'recipe-stop')
})

test('check-in', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 900 })
  await page.goto('/dogs')
  const href = await page.getByRole('link', { name: 'Recipe for Saffron' }).getAttribute('href')
  await page.goto(`${href!.replace('/recipe', '/check-in')}?date=${DAY}`)
  await page.getByLabel('greasy', { exact: true }).check()
  await page.getByRole('button', { name: /^Mats: / }).press('Enter')
  await page.getByRole('button', { name: /^belly and groin (none|few)/ }).click()
  await page.getByRole('button', { name: /^belly and groin (none|few)/ }).click()
  await page.getByRole('button', { name: /^hindlegs and inner thighs none/ }).click()
  await shoot(page, 'check-in')
})

test('house', async ({ page }) => {
  await page.goto('/house/water')
  await expect(page.getByLabel('Tank, L')).toBeVisible()
  await shoot(page, 'house')
})

test('first start', async ({ page }) => {
  await page.goto('/start?step=bottles')
  await expect(page.getByRole('form', { name: 'A bottle of my own' })).toBeVisible()
  await page.getByLabel('Name of the bottle').fill('Kitchen oats')
  await page.getByLabel('Ratio on the label').fill('1 oz per gallon')
  await expect(page.getByText(/128 parts water/)).toBeVisible()
  await shoot(page, 'start')
})

test('steps', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 900 })
  await recipe(page, 'Saffron')
  await page.getByRole('button', { name: 'Nails', exact: true }).click()
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await page.getByRole('button', { name: 'Ears', exact: true }).click()
  await page.evaluate(() => document.querySelector('.mine')?.scrollIntoView())
  await shoot(page, 'steps')
})

test('money', async ({ page }) => {
  await page.goto('/logbook?part=money')
  await expect(page.getByTestId('books')).toBeVisible()
  await shoot(page, 'money')
})

test('shelf', async ({ page }) => {
  await page.goto('/shelf')
  await page
    .getByRole('link', { name: /^Soft Finish/ })
    .last()
    .click()
  await expect(page.getByRole('button', { name: 'Count it' })).toBeVisible()
  await shoot(page, 'shelf')
})
