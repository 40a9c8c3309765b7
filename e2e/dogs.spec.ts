import { expect, test } from '@playwright/test'
import { addDog, expectAccessible } from './steps'

test('the list: every dog of the demonstration, searched by name and breed', async ({ page }) => {
  await page.goto('/dogs')
  for (const name of ['Bosun', 'Clove', 'Wren'])
    await expect(page.getByRole('link', { name: `Recipe for ${name}` })).toBeVisible()
  await expect(page.getByText('Left ear: bad smell')).toBeVisible()
  await page.getByLabel('Search by name or breed').fill('newf')
  await expect(page.getByText('1 dog', { exact: true })).toBeVisible()
  await expect(page).toHaveURL(/text=newf/)
  await page.getByLabel('Search by name or breed').fill('zzz')
  await expect(page.getByText('No dog’s name or breed holds “zzz”.')).toBeVisible()
  await page.getByRole('button', { name: 'Show all' }).click()
  await expect(page.getByRole('link', { name: 'Recipe for Bosun' })).toBeVisible()
  await expectAccessible(page)
})

test('a breed fills in coat and usual weight, and forgives a slip', async ({ page }) => {
  await page.goto('/dogs')
  await page.getByLabel('Breed or mix').fill('samoied')
  await page.getByRole('option', { name: 'Samoyed long double' }).click()
  await expect(page.getByLabel('Weight, kg')).toHaveValue('23')
  await expect(page.getByLabel('Coat', { exact: true })).toHaveValue('long double')
  await expect(page.getByText('Usually 16 to 30 kg')).toBeVisible()
})

const bad: [string, string, string, string][] = [
  ['0 kg', 'Zero', '0', 'Give the weight in kilograms, from 0.5 to 100.'],
  ['900 kg', 'Huge', '900', 'Give the weight in kilograms, from 0.5 to 100.'],
  ['no number', 'Words', 'ten', 'Give the weight in kilograms, from 0.5 to 100.'],
  ['no name', '', '8', 'Give the dog a name.'],
  ['10 000 letters', 'x'.repeat(10_000), '8', 'Keep the name to 80 characters.'],
]
for (const [what, name, weight, message] of bad) {
  test(`bad input, ${what}: a clear word, and nothing typed is lost`, async ({ page }) => {
    await page.goto('/dogs')
    await page.getByLabel('Breed or mix').fill('Pug')
    await page.keyboard.press('Escape')
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.getByLabel('Weight, kg').fill(weight)
    await page.getByRole('button', { name: 'Add and plan the wash' }).click()
    await expect(page.getByRole('alert')).toHaveText(message)
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue(name)
    await expect(page.getByLabel('Weight, kg')).toHaveValue(weight)
    await page.reload()
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue(name)
    await expect(page.getByLabel('Weight, kg')).toHaveValue(weight)
  })
}

test('a record: changed, saved, still there; a vet’s word lifts the stop', async ({ page }) => {
  await addDog(page, 'Pepper', 'Cairn Terrier', '7')
  await page.getByRole('link', { name: 'Pepper' }).first().click()
  await page.getByLabel('Length, cm').fill('6,5')
  await page.getByText('Signs for the vet').first().click()
  await page.getByLabel('bad smell').first().check()
  await page.getByRole('button', { name: 'Save the record' }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
  await page.reload()
  await expect(page.getByLabel('Length, cm')).toHaveValue('6.5')
  await expect(page.getByLabel('bad smell').first()).toBeChecked()
  await expectAccessible(page)

  await page.getByRole('link', { name: 'Plan the wash' }).click()
  await expect(page.getByRole('alert')).toContainText('Left ear: bad smell')
  await page.goBack()
  await page.getByLabel('Who said it').fill('The practice by the harbour')
  await page.getByRole('button', { name: 'Add this word' }).click()
  await expect(page.getByText('Give a date as year-month-day')).toBeVisible()
  await page.getByLabel('Until').fill('2099-01-01')
  await page.getByRole('button', { name: 'Add this word' }).click()
  await page.getByRole('button', { name: 'Save the record' }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
  await page.getByRole('link', { name: 'Plan the wash' }).click()
  await expect(page.getByTestId('ears')).toBeVisible()
  await expect(page.getByRole('alert')).toHaveCount(0)
})

test('two windows on one record: the second is shown both, and loses nothing', async ({ page, context }) => {
  await addDog(page, 'Twice', 'Beagle', '11')
  await page.getByRole('link', { name: 'Twice' }).first().click()
  await expect(page.getByLabel('Notes')).toBeVisible()
  const other = await context.newPage()
  await other.goto(page.url())
  await other.getByLabel('Notes').fill('from the other window')
  await page.getByLabel('Weight, kg').fill('12')
  await page.getByRole('button', { name: 'Save the record' }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
  await other.getByRole('button', { name: 'Save the record' }).click()
  await expect(other.getByRole('alert')).toContainText('yours 11, stored 12')
  await expect(other.getByLabel('Notes')).toHaveValue('from the other window')
  await other.getByRole('button', { name: 'Save mine over it' }).click()
  await expect(other.getByRole('status')).toHaveText('Saved.')
})

test('without the server: a clear word, and what was typed stays', async ({ page }) => {
  await page.goto('/dogs')
  await expect(page.getByRole('link', { name: 'Recipe for Bosun' })).toBeVisible()
  await page.route('**/api/**', (route) => route.abort())
  await page.getByLabel('Name', { exact: true }).fill('Offline')
  await page.getByLabel('Breed or mix').fill('Pug')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Add only' }).click()
  await expect(page.getByRole('alert')).toContainText('The server can’t be reached')
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Offline')
  await page.unroute('**/api/**')
  await page.getByRole('button', { name: 'Add only' }).click()
  await expect(page.getByRole('link', { name: 'Recipe for Offline' })).toBeVisible()
})

test('an address that leads nowhere says so', async ({ page }) => {
  await page.goto('/dogs/7f0c3f5e-6f0a-4b60-9a53-3d1f4f7c3b11')
  await expect(page.getByRole('alert')).toContainText('There is no such dog')
  await page.goto('/nowhere/at/all')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Nothing at this address')
})

test('a deleted dog leaves the list, its kept recipes stay', async ({ page }) => {
  await addDog(page, 'Gone', 'Beagle', '11')
  await page.getByRole('button', { name: 'Keep this recipe' }).click()
  await expect(page.getByRole('status')).toHaveText('Kept.')
  await page.getByRole('link', { name: 'Gone' }).first().click()
  await page.getByRole('button', { name: 'Delete this record' }).click()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page).toHaveURL(/\/dogs$/)
  await expect(page.getByRole('link', { name: 'Recipe for Gone' })).toHaveCount(0)
  await page.goto('/recipes')
  await page.getByRole('link', { name: /Gone/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Gone' })).toBeVisible()
  await expect(page.getByText('This is the recipe as it was kept.')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Change/ })).toHaveCount(0)
  await expect(page.getByTestId('water')).toBeVisible()
})
