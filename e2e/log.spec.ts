import type { Page } from '@playwright/test'
import { expect, test } from './program'
import { choose, expectAccessible, loggedVisits, openRecipe } from './steps'

const readFile = async (page: Page, button: string | RegExp) => {
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: button }).click()])
  const chunks: Buffer[] = []
  for await (const chunk of await file.createReadStream()) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks)
}

test('the logbook: what it taught with the evidence, every chart with its numbers, as a table, CSV and PNG', async ({
  page,
}) => {
  await page.goto('/logbook')
  await expect(loggedVisits(page).first()).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'What it taught' }).click()
  await expect(page.getByText(/^Pesto: drying the hindlegs and inner thighs takes \d+ % longer/)).toBeVisible()
  await expect(page.getByText(/^Stand dryer: since .* drying takes \d+ % longer than before/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Figures' }).click()
  for (const id of ['predicted', 'drying', 'cost', 'findings', 'interval', 'days'])
    await expect(page.getByTestId(`chart-${id}`).locator('canvas')).toBeVisible()
  await expectAccessible(page)
  const csv = (await readFile(page, 'CSV of Drying by coat and dryer')).toString('utf8')
  expect(csv.split('\r\n')[0]).toBe('Coat,Dryer,Visits,"Model, min","Taken, min","Taken / model, ×"')
  expect(csv.split('\r\n').length).toBeGreaterThan(4)
  const png = await readFile(page, 'PNG of Drying by coat and dryer')
  expect(png.subarray(1, 4).toString()).toBe('PNG')
  await page.getByRole('button', { name: 'As a table of Drying by coat and dryer' }).click()
  const table = page.getByTestId('chart-drying').getByRole('table')
  await expect(table.getByRole('row')).toHaveCount(csv.split('\r\n').length)
  await expect(table).toContainText('Stand dryer')
})

test('numbers far from the others are set aside in sight, with the reason, here and in their visit', async ({
  page,
}) => {
  await page.goto('/logbook?part=taught')
  const wild = page.getByTestId('wild')
  await wild.getByText(/too far from the others: set aside/).click()
  const one = wild.getByRole('listitem').filter({ hasNotText: 'towel water' }).first()
  await expect(one).toContainText(/times the plan, far from the others/)
  await expectAccessible(page)
  await one.getByRole('link').click()
  await expect(page.getByText(/not learned from: \d+(\.\d)? times the plan, far from the others/).first()).toBeVisible()
})

test('the logbook is narrowed by dog and product, and the address says so', async ({ page }) => {
  await page.goto('/logbook')
  await page.getByRole('button', { name: /^Narrow it/ }).press('Enter')
  await choose(page, page.getByLabel('Dog', { exact: true }), 'Saffron')
  await expect(page).toHaveURL(/dog=/)
  await expect(loggedVisits(page).filter({ hasText: 'Saffron' }).first()).toBeVisible()
  await expect(loggedVisits(page).filter({ hasNotText: 'Saffron' })).toHaveCount(0)
  await choose(page, page.getByLabel('Product', { exact: true }), 'Degrease Two')
  await expect(page.getByText('No visit like that.')).toBeVisible()
  await page.reload()
  await expect(page.getByText('No visit like that.')).toBeVisible()
  await page.getByRole('button', { name: 'All visits' }).click()
  await expect(loggedVisits(page).filter({ hasNotText: 'Saffron' }).first()).toBeVisible()
})

test('a visit is put right afterwards: the change stays visible, a reason is asked for, and it can be left out', async ({
  page,
}) => {
  await page.goto('/logbook')
  await page.getByRole('button', { name: /^Narrow it/ }).press('Enter')
  await choose(page, page.getByLabel('Dog', { exact: true }), 'Nimbus')
  await page.getByRole('link', { name: 'Nimbus' }).first().click()
  await expect(page.getByRole('heading', { name: 'Nimbus, how it went' })).toBeVisible()
  await page.getByRole('button', { name: 'Correct Towels' }).click()
  await page.getByRole('textbox', { name: 'Towels' }).fill('7')
  await page.getByRole('button', { name: 'Put right' }).click()
  await expect(page.getByText('Say why: it stays beside the number.')).toBeVisible()
  await page.getByLabel('Why', { exact: true }).fill('counted again')
  await page.getByRole('button', { name: 'Put right' }).click()
  await expect(page.getByText(/was \d+\s+: counted again/)).toBeVisible()
  await page.getByRole('button', { name: 'Leave this visit out' }).click()
  await page.getByLabel('Why is it no guide?').fill('two people')
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await expect(page.getByText('Left out of what is learned: two people.')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Learn from it again' }).click()
  await expect(page.getByText('Left out of what is learned')).toHaveCount(0)
})

test('a recipe uses what the log says, and says so', async ({ page }) => {
  await openRecipe(page, 'Pesto')
  await expect(
    page.getByText(/hindlegs and inner thighs, the log: \d+ % longer than the coat’s norm, from \d+ visits/).first(),
  ).toBeVisible()
  await expect(page.getByTestId('learned')).toContainText('Dry')
  await expect(page.getByText(/4 in 5 times \d+ h.* to \d+ h/)).toBeVisible()
})

test('what was learned of one dog is forgotten and taken up again', async ({ page }) => {
  await page.goto('/dogs')
  await page
    .getByRole('link', { name: /Nimbus/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Forget what was learned of Nimbus' }).click()
  await expect(page.getByText(/Learned from since/)).toBeVisible()
  await page.getByRole('link', { name: 'Plan the wash' }).click()
  await expect(page.getByTestId('water')).toBeVisible()
  await expect(page.getByText(/of its own/)).toHaveCount(0)
  await page.goBack()
  await page.getByRole('button', { name: 'Learn from all again' }).click()
  await expect(page.getByText(/Learned from since/)).toHaveCount(0)
  await page.getByRole('link', { name: /^All \d+ in the logbook/ }).click()
  await expect(page.getByRole('link', { name: 'Nimbus' }).first()).toBeVisible()
})

test('at phone width the logbook stays within the page', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 })
  const within = async () =>
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)
  await page.goto('/logbook')
  await expect(loggedVisits(page).first()).toBeVisible()
  await within()
  await page.goto('/logbook?part=figures')
  await expect(page.getByTestId('chart-days')).toBeVisible()
  await within()
})
