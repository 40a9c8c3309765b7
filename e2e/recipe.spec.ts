import { expect, goByTheClock, test } from './program'
import { addDog, choose, expectAccessible, numberIn, openPart, openRecipe } from './steps'

test('from a typed dog to a kept recipe: add, read, make itchy, override, reload, still there', async ({ page }) => {
  await addDog(page, 'Biscuit', 'Keeshond', '18')
  await expect(page.getByTestId('ratio')).toHaveText('1 part + 10 water')
  await expect(page.getByTestId('ears')).toHaveText('Wipe only')
  await expect(page.getByTestId('drying')).toContainText('min')
  const water = await numberIn(page, 'water')
  const passes = await numberIn(page, 'rinse')

  await page.getByLabel('itchy', { exact: true }).check()
  await expect(page.getByTestId('water')).toHaveText(/33\.5 °C/)
  expect(await numberIn(page, 'water')).toBeLessThan(water)
  expect(await numberIn(page, 'rinse')).toBeGreaterThan(passes)
  const changes = page.getByRole('region', { name: 'What changed' })
  await expect(changes).toContainText(/Water\s*37\.5 °C\s*→\s*33\.5 °C\s*itchy skin/)
  await expect(changes).toContainText(/Rinse passes\s*2\s*→\s*3\s*itchy skin/)

  await page.getByRole('button', { name: 'Change the ratio' }).click()
  await page.getByLabel('Ratio, as 1:10 or 8 %').fill('1 in 16')
  await page.getByLabel('Why, if you like').fill('rinses easier on her')
  await page.getByRole('button', { name: 'Use mine' }).click()
  await expect(page.getByTestId('ratio')).toHaveText('1 part + 15 water')
  await expect(page.getByText('You: rinses easier on her', { exact: true })).toBeVisible()

  await page.reload()
  await expect(page.getByTestId('ratio')).toHaveText('1 part + 15 water')
  await expect(page.getByLabel('itchy', { exact: true })).toBeChecked()

  await page.getByRole('button', { name: /^Save for/ }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
  await expect(page).toHaveURL(/\/recipes\//)
  await page.reload()
  await expect(page.getByTestId('ratio')).toHaveText('1 part + 15 water')
  await expect(page.getByTestId('water')).toHaveText(/33\.5 °C/)
  await expect(page.getByRole('button', { name: 'Saved' })).toBeDisabled()

  await page.goto('/recipes')
  await page.getByRole('link', { name: /Biscuit/ }).click()
  await page.getByRole('button', { name: 'Put back', exact: true }).click()
  await expect(page.getByTestId('ratio')).toHaveText('1 part + 12 water')
  await page.getByRole('button', { name: 'Save the changes' }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
})

test('a smelling ear looks like a stop, says what to do, and is not cleaned', async ({ page }) => {
  await openRecipe(page, 'Clove')
  await expect(page.getByRole('alert')).toContainText('Stop. Left ear: bad smell')
  await expect(page.getByTestId('ears')).toHaveText('Not the left')
  await expect(page.getByText('1 in, 1 out')).toBeVisible()
  await expectAccessible(page)
})

test('felted to the skin: no bath, and the steps that are left', async ({ page }) => {
  await openRecipe(page, 'Juniper')
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: /^belly and groin (none|few|many)/ }).click()
  await expect(page.getByRole('alert')).toContainText('Coat felted to the skin')
  await expect(page.getByText('No bath today.')).toBeVisible()
  await expect(page.getByTestId('water')).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo all' }).click()
  await expect(page.getByTestId('water')).toBeVisible()
})

test('own numbers that can’t be are told what can, and stay as typed', async ({ page }) => {
  await openRecipe(page, 'Otis')
  await page.getByRole('button', { name: 'Change the ratio' }).click()
  const ratio = page.getByLabel('Ratio, as 1:10 or 8 %')
  await ratio.fill('abc')
  await page.getByRole('button', { name: 'Use mine' }).click()
  await expect(page.getByRole('alert').filter({ hasText: '"abc" can’t be read' })).toBeVisible()
  await expect(ratio).toHaveValue('abc')
  await ratio.fill('1:20')
  await page.getByRole('button', { name: 'Use mine' }).click()
  await expect(page.getByText('You: your own number', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Put back', exact: true }).click()

  await page.getByRole('button', { name: 'Change the water' }).click()
  await page.getByLabel('the water, °C').fill('45')
  await page.getByLabel('Why, if you like').fill('he likes it')
  await page.getByRole('button', { name: 'Use mine' }).click()
  await expect(page.getByText('Give the bath’s temperature from 29 °C to 38.5 °C.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByLabel('the water, °C')).toHaveCount(0)
})

test('the weight of the day: a slip is told, and the record counts until it is mended', async ({ page }) => {
  await openRecipe(page, 'Moss')
  const drying = await page.getByTestId('drying').innerText()
  const weight = page.getByLabel('Weight on the scale, kg')
  await weight.fill('900')
  await expect(page.getByText(/Until then 7 kg counts/)).toBeVisible()
  await expect(page.getByTestId('drying')).toHaveText(drying)
  await expect(weight).toHaveValue('900')
  await weight.fill('12')
  await expect(page.getByTestId('drying')).not.toHaveText(drying)
})

test('two windows on one kept recipe: the second is told, shown the way, and loses nothing', async ({
  page,
  context,
}) => {
  await openRecipe(page, 'Tansy')
  await page.getByRole('button', { name: /^Save for/ }).click()
  await expect(page).toHaveURL(/\/recipes\//)
  const other = await context.newPage()
  await other.goto(page.url())
  await other.getByLabel('filthy', { exact: true }).check()
  await page.getByLabel('greasy', { exact: true }).check()
  await page.getByRole('button', { name: 'Save the changes' }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
  await other.getByRole('button', { name: 'Save the changes' }).click()
  await expect(other.getByRole('alert')).toContainText('changed elsewhere')
  await expect(other.getByLabel('filthy', { exact: true })).toBeChecked()
  await other.getByRole('button', { name: 'Keep mine over it' }).click()
  await expect(other.getByRole('status')).toHaveText('Saved.')
})

test('check-in by thumbs: mats by zone, an ear, what changed, and on to the recipe with it', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 })
  await openRecipe(page, 'Nimbus')
  await page.getByRole('link', { name: 'Check in' }).click()
  await expect(page.getByText(/^Check-in,/)).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await expect(page.getByLabel('Weight on the scale, kg')).toHaveValue('22.5')
  const mats = page.getByRole('button', { name: /^Mats: / })
  if ((await mats.getAttribute('aria-expanded')) === 'false') await mats.press('Enter')
  await page.getByRole('button', { name: /^tail and its root (none|few)/ }).click()
  await page.getByRole('button', { name: /^What changed: \d/ }).press('Enter')
  const changes = page.getByRole('region', { name: 'What changed' })
  await expect(changes).toContainText('Brush before')
  await page.getByRole('button', { name: /^Ears: nothing/ }).press('Enter')
  await page.getByText('Signs for the vet').last().click()
  await page.getByLabel('discharge').last().check()
  await expect(page.getByRole('alert')).toContainText('Stop. Right ear: discharge')
  await expect(page.getByText('One ear only: look again at the other')).toBeVisible()
  await expectAccessible(page)
  await expect(page.getByTestId('check-in-state')).toHaveText('Saved. The day and the tub work from it.')
  await page.getByRole('link', { name: 'To the recipe' }).click()
  await expect(page.getByTestId('ears')).toHaveText('Not the right')
  await expect(page.getByRole('alert')).toContainText('Right ear: discharge')
})

test('a check-in is kept as it is tapped: another device goes on with it, each sees the other’s taps, and without a network it waits', async ({
  page,
  browser,
}) => {
  await addDog(page, 'Early', 'Beagle', '11')
  await page.getByRole('link', { name: 'Check in' }).click()
  const state = page.getByTestId('check-in-state')
  await expect(state).toContainText('What you tap is saved at once')
  await page.getByLabel('itchy', { exact: true }).check()
  await expect(state).toHaveText('Saved. The day and the tub work from it.')
  const elsewhere = await browser.newPage()
  await goByTheClock(elsewhere.context())
  await elsewhere.goto(page.url())
  await expect(elsewhere.getByLabel('itchy', { exact: true })).toBeChecked()
  await elsewhere.getByLabel('filthy', { exact: true }).check()
  await expect(page.getByLabel('filthy', { exact: true })).toBeChecked()
  await elsewhere.close()
  await page.route('**/api/visits/**', (route) => route.abort())
  await page.getByLabel('light', { exact: true }).check()
  await expect(state).toContainText('Saved on this device')
  await page.unroute('**/api/visits/**')
  await expect(state).toHaveText('Saved. The day and the tub work from it.')
  await page.reload()
  await expect(page.getByLabel('light', { exact: true })).toBeChecked()
  await page.getByRole('link', { name: /^Done/ }).click()
  await expect(page).toHaveURL(/\/days\/\d{4}-\d\d-\d\d$/)
})

test('whitening on stained feet runs beside the rest; another product is taken with its consequences', async ({
  page,
}) => {
  await openRecipe(page, 'Nimbus')
  await expect(page.getByText('Side by side: Oat Plain 4 min, Bright Coat 10 min.')).toBeVisible()
  await page.getByText('Which product where, and why').click()
  await expect(page.getByText('stained white hair')).toBeVisible()
  await page.getByRole('button', { name: 'Take another product' }).click()
  await page.getByRole('button', { name: 'Use this product' }).click()
  await expect(page.getByText('Choose a product.')).toBeVisible()
  await choose(page, page.getByLabel('Product', { exact: true }), 'Degrease Two (degreasing)')
  await page.getByLabel('Why this one').fill('felt oily')
  await page.getByRole('button', { name: 'Use this product' }).click()
  await expect(page.getByTestId('ratio')).toHaveText('1 part + 15 water')
  await expect(page.getByText('Degrease Two: your choice', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: /^Put back ?: Main wash: Degrease Two/ }).click()
  await expect(page.getByTestId('ratio')).toHaveText('1 part + 10 water')
})

test('a kept recipe prints as a slip to go home and a letter to the vet', async ({ page }) => {
  await openRecipe(page, 'Clove')
  await page.getByRole('button', { name: /^Save for/ }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
  for (const name of ['Slip to go home', 'Letter to the vet']) {
    const href = await page.getByRole('link', { name }).getAttribute('href')
    const answer = await page.request.get(href!)
    expect(answer.headers()['content-type']).toContain('application/pdf')
    expect((await answer.body()).subarray(0, 5).toString()).toBe('%PDF-')
  }
})

test('by keyboard alone: choose a skin, open a basin’s form, leave it', async ({ page }) => {
  await openRecipe(page, 'Pesto')
  await page.getByLabel('dry', { exact: true }).focus()
  await page.keyboard.press('Space')
  await expect(page.getByLabel('dry', { exact: true })).toBeChecked()
  await page.getByRole('button', { name: 'Change the minutes', exact: true }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('the minutes, min')).toBeFocused()
  await page.keyboard.press('Escape')
  await page.getByLabel('usual', { exact: true }).first().focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByLabel('filthy', { exact: true })).toBeChecked()
})

test('at phone width nothing runs off the side, and the answers stand near the top', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 })
  await openRecipe(page, 'Bosun')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)
  const box = await page.getByTestId('ratio').boundingBox()
  expect(box!.y).toBeLessThan(740)
  await page.getByRole('button', { name: /^Found/ }).click()
  await page.getByLabel('itchy', { exact: true }).check()
  await expect(page.getByTestId('water')).toHaveText(/33\.5 °C/)
  await expectAccessible(page)
})

test('a house that reads in pounds and gallons: figures, fields and sentences follow; a typed 55 lb stays 55 lb', async ({
  page,
}) => {
  await page.goto('/house/units')
  await page.getByRole('button', { name: 'All in lb, °F, gallons' }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
  try {
    await addDog(page, 'Maple', 'Labrador Retriever', '55')
    await expect(page.getByText(/Labrador.*, 55 lb/).first()).toBeVisible()
    await expect(page.getByTestId('water')).toHaveText(/99\.5 °F/)
    await page.getByRole('link', { name: 'Dogs', exact: true }).click()
    for (let i = 0; i < 2; i++) {
      await page
        .getByRole('link', { name: /coat Maple/ })
        .first()
        .click()
      await openPart(page, 'Dog and coat')
      await expect(page.getByLabel('Weight, lb')).toHaveValue('55')
      await page.getByLabel('Length, in').fill(String(i + 1))
      await expect(page.getByRole('status')).toHaveText('Saved.')
      await page.getByRole('link', { name: 'Dogs', exact: true }).click()
    }
  } finally {
    await page.goto('/house/units')
    await page.getByRole('button', { name: 'All in kg, °C, litres' }).click()
    await expect(page.getByRole('status')).toHaveText('Saved.')
  }
})
