import { expect, test } from './program'
import { daysAfter, freshDay, now } from './dates'
import { openDay } from './day'
import { addDog, choose, chosenIn, expectAccessible, openRecipe } from './steps'

test('a step left out always for this dog: the next recipe begins without it and says so', async ({ page }) => {
  await addDog(page, 'Wayfarer', 'Whippet', '13')
  const whole = await page.getByText(/of your hands/).innerText()
  await page.getByRole('button', { name: 'Nails', exact: true }).click()
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await expect(page.getByText('Left out: nails', { exact: true })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Nails', exact: true })).toHaveCount(0)
  expect(await page.getByText(/of your hands/).innerText()).not.toBe(whole)
  await choose(page, page.getByLabel('How long it holds: Left out: nails'), 'always for Wayfarer')
  await expect(chosenIn(page, page.getByLabel('How long it holds: Left out: nails'))).toHaveText('always for Wayfarer')
  await page.getByRole('button', { name: 'Undo all' }).click()
  await expect(page.getByText('always for Wayfarer, not this time')).toBeVisible()
  await page.reload()
  await expect(page.getByText('Left out: nails', { exact: true })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Nails', exact: true })).toHaveCount(0)
  await expectAccessible(page)
  await page.getByRole('button', { name: /^Put back ?: Left out: nails/ }).click()
  await expect(page.getByRole('button', { name: 'Nails', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Never again' }).click()
  await expect(page.getByRole('heading', { name: 'Your way' })).toHaveCount(0)
})

test('a habit of the house: greasy dogs are always combed longer, and not this one today', async ({ page }) => {
  await addDog(page, 'Habitual', 'Papillon', '4')
  await page.getByLabel('greasy', { exact: true }).check()
  await page.getByRole('button', { name: 'Comb through: change the minutes' }).click()
  await page.getByLabel('Comb through, minutes').fill('33')
  await page.getByRole('button', { name: 'Use', exact: true }).click()
  await choose(page, page.getByLabel(/^How long it holds: Comb through/), 'always on greasy skin')
  await expect(page.getByText('always on greasy skin').first()).toBeVisible()
  const comb = page.getByRole('button', { name: 'Comb through: change the minutes' })
  await expect(comb).toHaveText('33 min')
  await page.getByRole('button', { name: 'Not this time' }).click()
  await expect(comb).not.toHaveText('33 min')
  await page.getByRole('button', { name: 'Take it again' }).click()
  await page.getByLabel('greasy', { exact: true }).uncheck()
  await expect(comb).not.toHaveText('33 min')
  await page.goto('/house/rules')
  await expect(page.getByText(/Always on greasy skin/)).toBeVisible()
  await page.getByRole('button', { name: /^Take it away/ }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
})

test('a full clip, an own step with what stays on the coat, a step moved by keys and one by its list', async ({
  page,
}) => {
  await page.request.post('/api/products', { data: { name: 'Silk Mist', kind: 'leave-in', form: 'spray' } })
  await addDog(page, 'Clipper', 'Bichon Frise', '6')
  await choose(page, page.getByLabel('Comes for'), 'Bath and full clip')
  await expect(page.getByRole('button', { name: 'Clip', exact: true })).toBeVisible()
  await choose(page, page.getByLabel('Cut with'), 'Scissors')
  await page.getByLabel(/^Length left/).fill('900')
  await expect(page.getByText(/or leave it empty for short/)).toBeVisible()
  await page.getByLabel(/^Length left/).fill('1.5')

  await page.getByRole('button', { name: 'Add a step of my own' }).click()
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText('Give the step a name.')).toBeVisible()
  await page.getByLabel('What is done').fill('Mist on the wet coat')
  await page.getByLabel('Minutes', { exact: true }).fill('3')
  await choose(page, page.getByLabel('Right after'), 'Towel')
  await choose(page, page.getByLabel('Puts on the coat'), 'Silk Mist')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText(/Silk Mist, about .* It stays on\./)).toBeVisible()

  const order = () => page.locator('.steps .table > li .title').allInnerTexts()
  const at = async (title: string) => (await order()).indexOf(title)
  expect(await at('Mist on the wet coat')).toBe((await at('Towel')) + 1)
  const nails = page.getByRole('button', { name: 'Nails', exact: true })
  const before = await at('Nails')
  await nails.press('Alt+ArrowUp')
  await expect.poll(() => at('Nails')).toBeLessThan(before)
  await nails.click()
  await choose(page, page.getByLabel('Do it'), 'after look over')
  await expect.poll(() => at('Nails')).toBe((await at('Look over')) + 1)
  await page.getByRole('button', { name: 'Dry', exact: true }).click()
  await expect(page.getByText('Dry stays: a wet dog is always dried')).toBeVisible()
  await page.getByRole('button', { name: /^Save for/ }).click()
  await expect(page).toHaveURL(/\/recipes\//)
  await page.reload()
  await expect.poll(() => at('Nails')).toBe(1)
  await expectAccessible(page)
})

test('a product on some zones of one wash, with what it changes told before it is taken', async ({ page }) => {
  await openRecipe(page, 'Bosun')
  await page.getByText('Which product where, and why').click()
  await page.getByRole('button', { name: 'Take another product' }).click()
  const form = page.locator('form').filter({ has: page.getByLabel('Why this one') })
  await form.getByRole('button', { name: 'tail and its root', exact: true }).click()
  await choose(page, page.getByLabel('Product', { exact: true }), 'Bright Coat (whitening)')
  await expect(form.getByRole('status')).toContainText(/Bright Coat|Stays on|Whole visit/)
  await expect(form.getByRole('status')).toContainText('Products for this dog')
  await form.getByRole('button', { name: 'Use this product' }).click()
  await expect(page.getByText(/^Main wash: Bright Coat on .*tail/)).toBeVisible()
  await page.getByRole('button', { name: /^Put back ?: Main wash/ }).click()
  await expect(page.getByText(/^Main wash: Bright Coat/)).toHaveCount(0)
})

test('the owner brought the shampoo: what can’t be read is said, then the recipe washes with it', async ({ page }) => {
  await addDog(page, 'Bringer', 'Border Terrier', '7')
  await page.getByRole('button', { name: 'The owner brought the shampoo' }).click()
  await page.getByLabel('Name on it').fill('Hedge Rose')
  await page.getByLabel('Ratio as printed').fill('a lot')
  await page.getByLabel('Stays on, min').fill('6')
  await page.getByLabel('Stays on, min').press('Enter')
  await expect(page.getByText('"a lot" can’t be read.')).toBeVisible()
  await expect(page.getByLabel('Name on it')).toHaveValue('Hedge Rose')
  await page.getByLabel('Ratio as printed').fill('1:12')
  await page.getByLabel('Ratio as printed').press('Enter')
  await expect(page.getByRole('button', { name: /^Wash .*1 part \+ 12 water.*Hedge Rose/ })).toBeVisible()
  await page.getByRole('button', { name: 'From the shelf after all' }).click()
  await expect(page.getByText('Hedge Rose')).toHaveCount(0)
})

test('a haircut only: no water, cut dry to the length that is wanted', async ({ page }) => {
  await addDog(page, 'Snips', 'Cockapoo', '9')
  await choose(page, page.getByLabel('Comes for'), 'Haircut only')
  await expect(page.getByText('The dog comes for haircut only.')).toBeVisible()
  await expect(page.getByTestId('water')).toHaveCount(0)
  await expect(page.getByLabel(/^Length left/)).toBeVisible()
})

test('nails and ears only: no water, and the day holds it', async ({ page }) => {
  await addDog(page, 'Pawsonly', 'Beagle', '11')
  await choose(page, page.getByLabel('Comes for'), 'Nails and ears only')
  await expect(page.getByText('The dog comes for nails and ears only.')).toBeVisible()
  await expect(page.getByTestId('water')).toHaveCount(0)
})

test('a day says what it would run out of', async ({ page }) => {
  const date = freshDay()
  await page.request.post('/api/products', {
    data: { name: 'Last drops', kind: 'cleaning', ratio: '1:10', rank: -500, sizeMl: 500 },
  })
  const products = (await (await page.request.get('/api/products')).json()) as {
    id: string
    record: { name: string }
  }[]
  const { id } = products.find((p) => p.record.name === 'Last drops')!
  const at = new Date(now()).toISOString()
  await page.request.post(`/api/products/${id}/movements`, { data: { kind: 'counted', mL: 2, at } })
  await openDay(page, date, ['Moss', 'Juniper'])
  const short = page.getByTestId('short')
  await expect(short).toContainText(/Last drops: this day takes .* about 2 mL is left/)
  await expectAccessible(page)
  await page.request.post(`/api/products/${id}/movements`, {
    data: { kind: 'opened', mL: 500, at: new Date(now()).toISOString() },
  })
  await expect(short).toHaveCount(0)
  await page.request.delete(`/api/products/${id}`)
})

test('own steps and a clip are worked through at the tub, and stand in how it went', async ({ page }) => {
  const date = freshDay()
  await addDog(page, 'Tubclip', 'Whippet', '13')
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  const dogId = dogs.find((d) => d.record.name === 'Tubclip')!.id
  const own = { id: 'own-bow', name: 'Bow and photo', minutes: 4, place: 'table', after: 'look' }
  const card = { id: 'own-card', name: 'Write the card', minutes: 3, place: 'table', dog: false, after: 'hand-over' }
  const today = { date, service: 'own', added: [own, card] }
  const visit = (await (await page.request.post('/api/visits', { data: { dogId, today } })).json()) as { id: string }
  await page.goto(`/tub/${visit.id}`)
  const step = page.getByTestId('tub-step')
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(step).toHaveText('Look over')
  await page.getByRole('button', { name: /^Done: / }).click()
  await expect(step).toHaveText('Bow and photo')
  await page.getByRole('button', { name: /^Done: / }).click()
  await expect(step).toHaveText('Hand over')
  await page.getByRole('button', { name: /^(Done|Finish)/ }).click()
  await expect(step).toHaveText('Write the card')
  await page.getByRole('button', { name: /^(Done|Finish)/ }).click()
  await expect(page.getByTestId('ended')).toContainText('Tubclip is done')
  await page.goto(`/logbook/${visit.id}`)
  await expect(page.getByText('Bow and photo').first()).toBeVisible()
})

test('blades by zone are kept with the recipe and told at the cut; what was done lately is done anyway when it is wanted', async ({
  page,
}) => {
  const date = freshDay()
  await addDog(page, 'Ravel', 'Standard Poodle', '24')
  const dogId = page.url().split('/dogs/')[1]!.split('/')[0]!
  await page.goto(`/dogs/${dogId}/recipe?date=${date}`)
  await choose(page, page.getByLabel('Comes for', { exact: true }), 'Bath and full clip')
  await page.getByRole('button', { name: 'Blade or comb by zone' }).click()
  const by = page.getByLabel('Blade or comb', { exact: true })
  await by.fill('7F blade')
  // Escape shuts the list, not the form around it
  await by.press('Escape')
  await expect(by).toHaveValue('7F blade')
  await page.getByRole('button', { name: 'Use it' }).first().click()
  await expect(page.getByText(/The whole dog: 7F blade/)).toBeVisible()
  await page.getByRole('button', { name: /^Save for/ }).click()
  await expect(page).toHaveURL(/\/recipes\//)
  const id = page.url().split('/').pop()!
  const tap = (what: object, at: number) => ({ id: crypto.randomUUID(), device: 'x', at: now() + at, ...what })
  const steps = ['nails', 'clip'].map((step, i) => tap({ kind: 'step', step }, i * 60_000))
  const events = [...steps, tap({ kind: 'finish' }, 200_000)]
  await page.request.post(`/api/visits/${id}/events`, { data: { events } })
  await page.goto(`/dogs/${dogId}/recipe?date=${daysAfter(date, 7)}`)
  await expect(page.getByText(/Not today: nails, done on/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Nails', exact: true })).toHaveCount(0)
  await page.getByRole('button', { name: 'Do it today' }).click()
  await expect(page.getByRole('button', { name: 'Nails', exact: true })).toBeVisible()
  await choose(page, page.getByLabel('Comes for', { exact: true }), 'Bath and full clip')
  await page.getByRole('button', { name: 'As last time' }).click()
  await expect(page.getByText(/The whole dog: 7F blade/)).toBeVisible()
})
