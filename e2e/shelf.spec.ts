import { expect, test } from './program'
import { addDog, choose, expectAccessible, giveDate } from './steps'

// no dogs, no bottles
test.use({ room: 'empty' })

test('from nothing: water only, then a bottle with its printed ratio, and the recipe washes with it', async ({
  page,
}) => {
  await addDog(page, 'First', 'Beagle', '11')
  await expect(page.getByText('No shampoo on the shelf may go on this dog today.')).toBeVisible()
  await page.getByRole('link', { name: 'To the shelf' }).click()
  await expect(page.getByRole('heading', { name: 'Nothing on the shelf yet' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Add a bottle' }).click()
  const form = page.getByRole('form', { name: 'A bottle for the shelf' })
  await form.getByLabel('Name, as you call it').fill('Kitchen oats')
  await form.getByLabel('Ratio on the label').fill('30 mL/L')
  await expect(form.getByText(/1 part product \+ 33\.3 parts water/i)).toBeVisible()
  await form.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByText('Kitchen oats is kept.')).toBeVisible()
  await expect(page.getByRole('link', { name: /^Kitchen oats/ })).toContainText('30 mL/L')
  await expectAccessible(page)
  await page.goto('/dogs')
  await page.getByRole('link', { name: 'Recipe for First' }).click()
  await expect(page.getByText(/Kitchen oats/).first()).toBeVisible()
})

const PRINTED: [string, RegExp][] = [
  ['1:10', /1 part product \+ 10 parts water/i],
  ['10 to 1', /10 parts water.*weaker mix/i],
  ['1 in 11', /1 part product \+ 10 parts water/i],
  ['8 %', /11\.5 parts water.*by volume/i],
  ['1 oz per gallon', /128 parts water/i],
  ['1 000', /can’t be read/],
  ['1.000:1', /could be a thousand or a decimal/],
  ['3 pumps per 500 mL', /Count the pump into a measuring spoon first/],
  ['ready to use', /as it comes, no water/i],
]
test('every printed form of a ratio is read out at once, or refused with what to write', async ({ page }) => {
  await page.goto('/shelf/new')
  const ratio = page.getByLabel('Ratio on the label')
  for (const [typed, read] of PRINTED) {
    await ratio.fill(typed)
    await expect(page.getByText(read).first()).toBeVisible()
  }
  await ratio.fill('1:10')
  await page.getByLabel('1 part in so many, itself counted').check()
  await expect(page.getByText(/1 part product \+ 9 parts water/i)).toBeVisible()
})

test('bad labels: a clear word at the field, and what was typed outlasts a reload', async ({ page }) => {
  await page.goto('/shelf/new')
  await page.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByText(/Give the ratio as the label prints it/)).toBeVisible()
  await page.getByLabel('Name, as you call it').fill('x'.repeat(10_000))
  await page.getByLabel('Ratio on the label').fill('1:10')
  await expect(page.getByText('Keep the name to 80 characters.')).toBeVisible()
  await page.getByLabel('Name, as you call it').fill('Half done')
  await page.getByText('The bottle', { exact: true }).click()
  await page.getByLabel(/^Costs/).fill('-3')
  await page.getByLabel(/^Holds when full/).fill('500')
  await page.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByText('A price is 0 or more.')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Name, as you call it')).toHaveValue('Half done')
  await page.getByText('The bottle', { exact: true }).click()
  await page.getByLabel(/^Costs/).fill('9')
  await page.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByText('Half done is kept.')).toBeVisible()
  await expect(page.getByRole('link', { name: /^Half done/ })).toContainText('18 GBP a litre')
})

test('made-up bottles to begin with; what is past its date, retired or first of its kind counts in the recipe', async ({
  page,
}) => {
  for (const [name, kind] of [
    ['Plain one', 'cleaning'],
    ['Plain two', 'cleaning'],
  ])
    await page.request.post('/api/products', { data: { name, kind, ratio: '1:10' } })
  await page.goto('/shelf')
  await page.getByRole('link', { name: /^Plain two/ }).click()
  await page.getByRole('button', { name: 'Use it before the others of its kind' }).click()
  await expect(page.getByRole('region', { name: 'Cleaning' }).getByRole('link').first()).toContainText('Plain two')
  await giveDate(page.getByLabel('Good until'), '2020-01-31')
  await page.getByRole('button', { name: 'Save it' }).click()
  await expect(page.getByText('past its date, 31 Jan 2020', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Retire it' }).click()
  await expect(page.getByText('Plain two is retired.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Cleaning' })).not.toContainText('Plain two')
  await page.getByText('1 bottle retired').click()
  await page.getByRole('button', { name: 'Use it again' }).click()
  await expect(page.getByRole('region', { name: 'Cleaning' })).toContainText('Plain two')
})

test('a bottle that a visit was planned with can’t be deleted, only retired; another can, and comes back', async ({
  page,
}) => {
  const made = await page.request.post('/api/products', {
    data: { name: 'Only tub', kind: 'degreasing', ratio: '1:5' },
  })
  const used = await page.request.post('/api/products', {
    data: { name: 'In a plan', kind: 'cleaning', ratio: '1:12', rank: -99 },
  })
  expect([made.status(), used.status()]).toEqual([201, 201])
  await addDog(page, 'Planned', 'Beagle', '11')
  await page.getByRole('button', { name: /^Save for/ }).click()
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible()
  await page.goto('/shelf')
  await page.getByRole('link', { name: /^In a plan/ }).click()
  await page.getByRole('button', { name: 'Delete it' }).click()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('Retire it')
  await expect(page.getByRole('button', { name: 'Delete', exact: true })).toHaveCount(0)
  await page.getByRole('link', { name: /^Only tub/ }).click()
  await page.getByRole('button', { name: 'Delete it' }).click()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByText('Only tub is deleted.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: /^Only tub/ })).toBeVisible()
})

test('the same bottle in two windows: the second is told, and nothing typed is lost', async ({ page, context }) => {
  const made = await page.request.post('/api/products', { data: { name: 'Shared', kind: 'conditioner', ratio: '1:5' } })
  const { id } = (await made.json()) as { id: string }
  await page.goto(`/shelf/${id}`)
  await expect(page.getByLabel('Name, as you call it')).toHaveValue('Shared')
  const other = await context.newPage()
  await other.goto(`/shelf/${id}`)
  await other.getByLabel('Name, as you call it').fill('Shared by the other')
  await page.getByLabel('Stays on, min').fill('6')
  await page.getByRole('button', { name: 'Save it' }).click()
  await expect(page.getByText('Shared is kept.')).toBeVisible()
  await other.getByRole('button', { name: 'Save it' }).click()
  await expect(other.getByRole('alert')).toContainText('changed elsewhere')
  await expect(other.getByLabel('Name, as you call it')).toHaveValue('Shared by the other')
  await other.getByRole('button', { name: 'Save mine over it' }).click()
  await expect(other.getByText('Shared by the other is kept.')).toBeVisible()
})

test('a bottle deleted in another window: so it is said, what was typed stays, and it can be brought back', async ({
  page,
}) => {
  const made = await page.request.post('/api/products', { data: { name: 'Fleeting', kind: 'scent', form: 'spray' } })
  const { id } = (await made.json()) as { id: string }
  await page.goto(`/shelf/${id}`)
  const name = page.getByLabel('Name, as you call it')
  await expect(name).toHaveValue('Fleeting')
  await name.fill('Fleeting and half typed')
  await page.request.delete(`/api/products/${id}`)
  await expect(page.getByText(/Fleeting was deleted elsewhere/)).toBeVisible()
  await expect(name).toHaveValue('Fleeting and half typed')
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(page.getByText('Fleeting is back.')).toBeVisible()
  await page.getByRole('button', { name: 'Save it' }).click()
  // it was deleted and brought back meanwhile: both are there, and one is chosen
  await page.getByRole('button', { name: 'Save mine over it' }).click()
  await expect(page.getByText('Fleeting and half typed is kept.')).toBeVisible()
})

test('on a phone a bottle opens from below', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 })
  await page.goto('/shelf')
  await page.getByRole('link', { name: 'Add a bottle' }).click()
  const sheet = page.getByRole('dialog', { name: 'A bottle' })
  await choose(page, page.getByLabel('What it is for'), 'Ear cleaner')
  await expect(sheet.getByLabel('Ratio on the label')).toHaveValue('ready to use')
  await sheet.getByLabel('Name, as you call it').fill('Pocket drops')
  await sheet.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(sheet).toHaveCount(0)
  await expect(page.getByRole('link', { name: /^Pocket drops/ })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)
})
