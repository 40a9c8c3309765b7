import type { Page } from '@playwright/test'
import { expect, test } from './program'
import { arranged, ribbon } from './day'
import { expectAccessible } from './steps'

// a program with nothing in it, for one test
test.use({ room: 'own' })

const primary = (page: Page) => page.getByRole('button', { name: /^(Begin|Done: |Finish)/ })
async function enter(page: Page, name: string, breed: string, weight: string) {
  await page.getByLabel('Name', { exact: true }).fill(name)
  await page.getByLabel('Breed or mix').fill(breed)
  await page.keyboard.press('Escape')
  await page.getByLabel(/^Weight, (kg|lb)$/).fill(weight)
  await page.getByRole('button', { name: /^Add/ }).first().click()
  await expect(page.getByText(`${name} is entered.`)).toBeVisible()
  // the form is there for the next one
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('')
  await expect(page.getByLabel('Breed or mix')).toHaveValue('')
}

test('from nothing: a room, own bottles, three dogs, an arranged day, a visit; the stock has gone down by what was used', async ({
  page,
}) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { level: 1, name: 'Your room' })).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('What you call it').fill('The back room')
  await page.getByLabel('heats as it flows').check()
  await page.getByLabel('hand dryer').uncheck()
  await page.getByRole('button', { name: 'Keep it and go on' }).click()
  await expect(page.getByText('Choose one at least')).toBeVisible()
  await page.getByLabel('hand dryer').check()
  await page.getByLabel('stand dryer').check()
  await page.getByRole('button', { name: 'Keep it and go on' }).click()

  await expect(page.getByRole('heading', { level: 1, name: 'Your bottles' })).toBeVisible()
  await page.getByLabel('Cleaning', { exact: true }).uncheck()
  const own = page.getByRole('form', { name: 'A bottle of my own' })
  await own.getByLabel('Name of the bottle').fill('Kitchen oats')
  await own.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(own.getByText('Give the ratio as the label prints it')).toBeVisible()
  await own.getByLabel('Ratio on the label').fill('1 in 9')
  await expect(own.getByText(/1 part product \+ 8 parts water/i)).toBeVisible()
  // a bottle that is being typed isn’t left behind
  await page.getByRole('button', { name: /^Put 3 bottles on the shelf/ }).click()

  await expect(page.getByRole('heading', { level: 1, name: 'Your first dog and day' })).toBeVisible()
  await enter(page, 'Pip', 'Beagle', '11')
  await enter(page, 'Quill', 'Whippet', '13')
  await enter(page, 'Reed', 'Cairn Terrier', '7')
  await page.getByRole('button', { name: 'Plan this day' }).click()
  await expect(page).toHaveURL(/\/days\/\d{4}-\d\d-\d\d$/)
  await arranged(page)
  for (const name of ['Pip', 'Quill', 'Reed']) await expect(ribbon(page, new RegExp(`^${name}`)).first()).toBeVisible()
  await page.goto('/')
  await expect(page).toHaveURL(/\/days\//)

  // the bottle is opened, a recipe made one's own, the dog washed
  await page.goto('/shelf')
  await page.getByRole('link', { name: /^Kitchen oats/ }).click()
  await page.getByRole('button', { name: 'Opened a new one' }).click()
  await page.getByRole('textbox', { name: /^A full one holds/ }).fill('-5')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText(/Give how much|from/).first()).toBeVisible()
  await page.getByRole('textbox', { name: /^A full one holds/ }).fill('500 mL')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText(/500 mL left/).first()).toBeVisible()

  await page.goto('/dogs')
  await page.getByRole('link', { name: 'Recipe for Pip' }).click()
  await page.getByRole('button', { name: 'Cotton in', exact: true }).click()
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await expect(page.getByText('Left out: cotton in', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: /^Save for/ }).click()
  await expect(page).toHaveURL(/\/recipes\//)
  const id = page.url().split('/').pop()!
  const visit = (await (await page.request.get(`/api/visits/${id}`)).json()) as {
    plan: { mix: { passes: { mixes: { product: { name: string }; productMl: number }[] }[] } }
  }
  const used = visit.plan.mix.passes
    .flatMap((p) => p.mixes)
    .filter((m) => m.product.name === 'Kitchen oats')
    .reduce((sum, m) => sum + m.productMl, 0)
  expect(used).toBeGreaterThan(5)
  await page.goto(`/tub/${id}`)
  await expect(page.getByTestId('tub-step')).toBeVisible()
  for (let i = 0; i < 60 && (await page.getByTestId('ended').count()) === 0; i++) {
    const dry = page.getByRole('button', { name: 'All felt, all dry' })
    if (await dry.isVisible()) await dry.click()
    else await primary(page).click()
  }
  await expect(page.getByTestId('ended')).toContainText('Pip is done')
  await page.goto('/shelf')
  const left = 5 * Math.round((500 - used) / 5)
  await expect(page.getByRole('link', { name: /^Kitchen oats/ })).toContainText(`${left} mL left`)
})

test('every step can be passed over; what is typed in an own room stays when the demonstration is shown and cleared', async ({
  page,
}) => {
  await page.goto('/start')
  await page.getByRole('button', { name: 'Go on without' }).click()
  await page.getByRole('button', { name: 'Go on without' }).click()
  await expect(page.getByRole('button', { name: 'Plan this day' })).toBeDisabled()
  await page.goBack()
  await page.goBack()
  await page.getByRole('button', { name: 'Show me the demonstration' }).click()
  await expect(page).toHaveURL(/\/days\/\d{4}-\d\d-\d\d$/, { timeout: 60_000 })
  await page.getByRole('link', { name: 'Demonstration' }).click()
  await expect(page.getByRole('heading', { name: 'This is the demonstration' })).toBeVisible()
  await page.getByRole('button', { name: 'Begin with my own' }).click()
  await page.getByRole('button', { name: 'Clear it' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Your room' })).toBeVisible({ timeout: 30_000 })
  await expect(page.getByText(/A copy lies in/)).toBeVisible()
  expect(await (await page.request.get('/api/dogs')).json()).toEqual([])
})

test('bottles come as a table: what each row would do, faults by line and column, nothing half taken', async ({
  page,
}) => {
  await page.goto('/shelf')
  await page.getByText('As a table (CSV)').click()
  const choose = (text: string) =>
    page
      .locator('input[type=file]')
      .setInputFiles({ name: 'bottles.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await choose('name,kind,ratio\nOne,cleaning,1:10\nTwo,soap,1:10\n')
  await expect(page.getByText('Line 3, kind')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Take it over' })).toHaveCount(0)
  await choose('name,kind,ratio\nOne,cleaning,1:10\nTwo,conditioner,1:5\n')
  await expect(page.getByText('2 bottles to add')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Take it over' }).click()
  await expect(page.getByRole('link', { name: /^Two/ })).toBeVisible()
  const saved = await page.request.get('/api/tables/products')
  expect(saved.headers()['content-type']).toContain('text/csv')
  expect(await saved.text()).toContain('Two,conditioner')
})
