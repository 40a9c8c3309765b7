import { arranged, openDay, openDayToArrange, ribbon, slip } from './day'
import { expect, test } from './program'
import { daysAfter, freshDay, freshWeeks, inWords } from './dates'
import { addDog, choose, expectAccessible, giveDate } from './steps'

test('the next Saturday opens by itself, arranged: every dog on the clock, the gauges under it, accessible', async ({
  page,
}) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Saturday /)
  await arranged(page)
  for (const name of ['Quill', 'Moss', 'Fig', 'Pesto', 'Juniper', 'Rook'])
    await expect(ribbon(page, new RegExp(`^${name}, .*bath`))).toHaveCount(1)
  // what is fine is a line; it opens
  await page.getByRole('button', { name: /is fine/ }).click()
  for (const gauge of ['Hot water', 'Circuit', 'Noise', 'Room air'])
    await expect(page.getByRole('img', { name: new RegExp(`^${gauge}:`) })).toBeVisible()
  await expect(page.getByTestId('finding')).toBeVisible()
  const list = page.getByRole('list', { name: 'Dogs of the day' })
  await expect(list.getByRole('button', { name: /Quill.*Bath.*Ida Moreau.*comes at.*ready at.*by/ })).toBeVisible()
  await expectAccessible(page)
})

test('a fix that is offered was tried: doing it mends the trouble, undo brings it back', async ({ page }) => {
  const date = freshDay()
  await openDay(page, date, ['Juniper', 'Pesto', 'Otis', 'Nimbus'], {
    helper: { name: 'Dunja', from: 480, to: 1020 },
  })
  const finding = page.getByTestId('finding')
  const noise = page.getByRole('img', { name: /^Noise:/ })
  await expect(noise).toBeVisible()
  const more = finding.getByRole('button', { name: /more to know/ })
  if (!(await finding.getByRole('heading').innerText()).includes('noise dose')) {
    await more.click()
    await finding
      .getByRole('list', { name: 'Other things to know' })
      .getByRole('button', { name: /noise dose/ })
      .click()
  }
  await expect(finding.getByRole('heading')).toContainText('noise dose')
  await finding.getByRole('button', { name: /Do it ?: Earmuffs on/ }).click()
  // mended, it is among what is fine
  await expect(noise).toHaveCount(0)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(noise).toBeVisible()
})

test('an arranged day says how good its order is: of a small one that none is better, until it is changed', async ({
  page,
}) => {
  const date = freshDay()
  await openDayToArrange(page, date, ['Moss', 'Fig', 'Quill'])
  await arranged(page)
  const take = page.getByRole('button', { name: 'Take it' })
  const none = page.getByText(
    /^(No better day exists\.|No order is less late or quicker\.|The quickest order there is would save)/,
  )
  await expect(none.or(take)).toBeVisible({ timeout: 60_000 })
  if (await take.isVisible()) await take.click()
  await expect(none).toBeVisible({ timeout: 60_000 })
  await ribbon(page, /^Fig, .*bath/).focus()
  await page.keyboard.press('Shift+ArrowRight')
  await expect(none).toHaveCount(0)
  // of a day that was changed, or opened again, it is looked for when that is asked
  await page.reload()
  await page.getByRole('button', { name: 'Look for a better order' }).click()
  await expect(none.or(take)).toBeVisible({ timeout: 60_000 })
})

test('what an order gives and takes: each wish as it stands, what another order would cost, and a time asked for', async ({
  page,
}) => {
  const date = freshDay()
  await openDay(page, date, ['Moss', 'Fig', 'Pesto', 'Juniper'])
  await arranged(page)
  await page.getByRole('button', { name: 'What another order would change' }).click()
  const trades = page.getByRole('region', { name: 'What another order would change' })
  await expect(trades.getByText('The end of your work')).toBeVisible()
  await expect(trades.getByText(/^Trying/)).toHaveCount(0, { timeout: 60_000 })
  await expectAccessible(page)
  const end = trades.locator('dd', { hasText: /^\d+:\d\d/ }).first()
  // when the work ends; what a better order would cost may be told beside it by now
  const time = async () => /\d+:\d\d/.exec(await end.innerText())![0]
  const before = await time()
  await trades.getByLabel('ready by').fill('20:00')
  await trades.getByRole('button', { name: 'Work it out' }).click()
  await expect(trades.getByText(/^Everyone by 20:00: That costs/)).toBeVisible({ timeout: 60_000 })
  // by the keyboard: what the day above is offered meanwhile moves the button
  await trades.getByLabel('ready by').fill('8:05')
  await trades.getByLabel('ready by').press('Enter')
  await expect(trades.getByText(/No order was found for that. The nearest: .* at \d+:\d\d/)).toBeVisible({
    timeout: 60_000,
  })
  // nothing of that was taken
  expect(await time()).toBe(before)
})

test('times for the owners who can come whenever it suits: chosen around the work, written to each, and taken', async ({
  page,
}) => {
  const date = freshDay()
  await openDay(page, date, ['Moss', 'Fig', 'Quill'])
  await arranged(page)
  await page.getByRole('button', { name: 'Messages' }).click()
  await page.getByRole('button', { name: 'Find times that suit the work better' }).click()
  const panel = page.getByRole('region', { name: 'Times for the owners' })
  await panel.getByRole('checkbox', { name: 'Quill' }).uncheck({ force: true })
  await panel.getByRole('button', { name: 'Find times' }).click()
  const take = panel.getByRole('button', { name: 'Take these times' })
  await expect(take).toBeVisible({ timeout: 60_000 })
  await expect(panel.getByRole('listitem')).toHaveCount(2)
  await expectAccessible(page)
  const times = /(\d+:\d\d) to (\d+:\d\d)/.exec(
    await panel.getByRole('listitem').filter({ hasText: 'Fig' }).innerText(),
  )!
  await panel.getByRole('button', { name: /^Message ?to the owner of Fig$/ }).click()
  await expect(panel.getByLabel('Message to the owner of Fig')).toHaveValue(
    new RegExp(`please bring Fig at ${times[1]!} and pick up from ${times[2]!} on`),
  )
  await take.click()
  await expect(panel).toHaveCount(0)
  await expect(page.getByRole('list', { name: 'Dogs of the day' })).toContainText(`by ${times[2]!}`)
})

test('what counts how much is the house’s own: a breather that counts for nothing says so', async ({ page }) => {
  const date = freshDay()
  const counts = async (option: string) => {
    await page.goto('/house/wishes')
    await choose(page, page.getByLabel('A breather after long drying'), option)
    await expect(page.getByRole('status')).toHaveText('Saved.')
  }
  await counts('not at all')
  await openDay(page, date, ['Moss', 'Fig'])
  await arranged(page)
  await page.getByRole('button', { name: 'What another order would change' }).click()
  await expect(page.getByText('Counts for nothing in this house.')).toHaveCount(1)
  await counts('as usual')
})

test('a visit is moved by keys, held there, arranged around, and let go', async ({ page }) => {
  const date = freshDay()
  await openDay(page, date, ['Moss', 'Fig', 'Quill'])
  const bath = ribbon(page, /^Fig, .*bath/)
  const before = await bath.getAttribute('aria-label')
  await bath.focus()
  await page.keyboard.press('Shift+ArrowRight')
  await expect(bath).toHaveAttribute('aria-label', /held$/)
  const held = await bath.getAttribute('aria-label')
  expect(held).not.toBe(`${before}, held`)
  const time = /(\d+:\d\d) to/.exec(held!)![1]!
  await page.getByRole('button', { name: 'Arrange again' }).click()
  await arranged(page)
  await expect(bath).toHaveAttribute('aria-label', new RegExp(`bath.*, ${time} to .*held$`))
  await page.reload()
  await arranged(page)
  await expect(bath).toHaveAttribute('aria-label', new RegExp(`${time} to .*held$`))
  await bath.focus()
  await page.keyboard.press('p')
  await expect(bath).not.toHaveAttribute('aria-label', /held$/)
})

test('a visit is dragged with the mouse; everything else makes room, and a place that can’t be is refused in words', async ({
  page,
}) => {
  const date = freshDay()
  await openDay(page, date, ['Moss', 'Fig'])
  const bath = ribbon(page, /^Fig, .*bath/)
  const box = (await bath.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2, { steps: 4 })
  await page.mouse.move(box.x + box.width / 2 + 90, box.y + box.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect(bath).toHaveAttribute('aria-label', /held$/)
  await slip(page, 'Fig').click()
  const panel = page.getByRole('region', { name: 'Fig' })
  await panel.getByLabel('Bath begins').fill('07:00')
  await panel.getByLabel('Bath begins').blur()
  await expect(page.getByRole('alert')).toContainText('the dog comes at 8:15')
  await panel.getByLabel('Picked up by').fill('08:00')
  await panel.getByLabel('Picked up by').blur()
  await expect(panel.getByRole('alert').filter({ hasText: 'The pick-up must come after the arrival.' })).toBeVisible()
})

test('a dog is added from those that fit, taken off again; the day is copied to another date', async ({ page }) => {
  const monday = freshWeeks(2)
  const saturday = daysAfter(monday, 5)
  const nextSaturday = daysAfter(monday, 12)
  await openDay(page, saturday, ['Moss'])
  await page.getByRole('button', { name: 'Add a dog' }).click()
  const add = page.getByRole('region', { name: 'Add a dog' })
  await add.getByLabel('Find a dog').fill('pixel')
  await expect(add.getByText(/^ready at \d+:\d\d/)).toBeVisible()
  await expect(add.getByRole('button', { name: /^Add Pixel at \d+:\d\d$/ })).toBeVisible()
  // another time than the first: Moss has the morning
  await add.getByRole('button', { name: 'Other times for Pixel' }).click()
  await expect(add.getByRole('button', { name: 'Any time' })).toBeVisible()
  const times = add.getByRole('button', { name: /^\d+:\d\d, ready \d+:\d\d$/ })
  await expect(times).toHaveCount(3)
  const [, arrive, ready] = /^(\S+), ready (\S+)$/.exec((await times.last().innerText()).trim())!
  await times.last().click()
  await expect(ribbon(page, /^Pixel, .*bath/)).toHaveCount(1)
  await expect(slip(page, 'Pixel')).toContainText(arrive!)
  await expect(slip(page, 'Pixel')).toContainText(ready!)
  await giveDate(page.getByLabel('Copy these dogs to'), nextSaturday)
  await page.getByRole('link', { name: new RegExp(`Open ${inWords(nextSaturday)}`) }).click()
  await expect(ribbon(page, /^Pixel, .*bath/)).toHaveCount(1)
  await slip(page, 'Pixel').click()
  await page.getByRole('button', { name: 'Take off the day' }).click()
  await expect(ribbon(page, /^Pixel/)).toHaveCount(0)
})

test('undo and redo say what they are about, and last over a reload', async ({ page }) => {
  const date = freshDay()
  await openDay(page, date, ['Moss', 'Fig'])
  await page.getByRole('button', { name: 'Hours, helper, water' }).click()
  const window = page.getByRole('group', { name: 'Window open' })
  const kept = page.waitForResponse((r) => /"windowOpen":true/.test(r.request().postData() ?? ''))
  await window.getByLabel('yes').check()
  await expect(page.getByRole('button', { name: 'Undo the window' })).toBeEnabled()
  await kept
  await page.reload()
  await arranged(page)
  await page.getByRole('button', { name: 'Hours, helper, water' }).click()
  await page.getByRole('button', { name: 'Undo the window' }).click()
  await expect(window.getByLabel('no')).toBeChecked()
  await page.getByRole('button', { name: 'Redo the window' }).click()
  await expect(window.getByLabel('yes')).toBeChecked()
})

test('the mixing list is ticked, and the ticks survive a reload; the same day as a table and as a PDF', async ({
  page,
}) => {
  const date = freshDay()
  await openDay(page, date, ['Moss', 'Pesto'])
  await page.getByRole('link', { name: 'Mix and lay out' }).click()
  const first = page.getByRole('checkbox').first()
  await first.check()
  await expect(page.getByText(/ to go\./)).toBeVisible()
  await expect
    .poll(
      async () =>
        ((await (await page.request.get(`/api/days/${date}`)).json()) as { record: { ticks: string[] } }).record.ticks
          .length,
    )
    .toBe(1)
  await page.reload()
  await expect(page.getByRole('checkbox').first()).toBeChecked()
  await page.getByRole('link', { name: 'As a table' }).click()
  await expect(page.getByRole('row').filter({ hasText: 'Bath' })).toHaveCount(2)
  const pdf = await page.request.get((await page.getByRole('link', { name: 'Day sheet, PDF' }).getAttribute('href'))!)
  expect(pdf.headers()['content-type']).toBe('application/pdf')
  await expectAccessible(page)
})

test('an empty day says what to do; a day that can’t be reached says so and keeps what was done', async ({ page }) => {
  const date = freshDay()
  await page.goto(`/days/${date}`)
  await expect(page.getByRole('heading', { name: 'No dogs on this day' })).toBeVisible()
  await page.getByLabel('Find a dog').fill('Moss')
  await page.getByRole('button', { name: 'Add Moss' }).click()
  await arranged(page)
  await page.route('**/api/days/**', (route) => route.abort())
  await page.getByRole('button', { name: 'Hours, helper, water' }).click()
  await page.getByRole('group', { name: 'Window open' }).getByLabel('yes').check()
  await expect(page.getByRole('alert')).toContainText('What you did is saved on this device')
  await page.unroute('**/api/days/**')
  await expect
    .poll(
      async () =>
        ((await (await page.request.get(`/api/days/${date}`)).json()) as { record: { windowOpen: boolean } }).record
          .windowOpen,
    )
    .toBe(true)
})

test('changed here without a connection and elsewhere meanwhile: both are still there after a reload', async ({
  page,
}) => {
  const date = freshDay()
  await openDay(page, date, ['Moss'])
  const stored = async () =>
    (await (await page.request.get(`/api/days/${date}`)).json()) as {
      version: number
      record: { plan: unknown; extraTowels: number; windowOpen: boolean }
    }
  await expect.poll(async () => (await stored()).record.plan !== null).toBe(true)
  await page.route('**/api/days/**', (route) => route.abort())
  await page.getByRole('button', { name: 'Hours, helper, water' }).click()
  await page.getByRole('group', { name: 'Extra towels' }).getByLabel('8').check()
  await expect(page.getByRole('alert')).toContainText('saved on this device')
  const { version, record } = await stored()
  await page.request.put(`/api/days/${date}`, { data: { version, record: { ...record, windowOpen: true } } })
  await page.unroute('**/api/days/**')
  await page.reload()
  await expect(page.getByRole('alert')).toContainText('Both are still there: choose.')
  await page.getByRole('button', { name: 'Keep mine' }).click()
  await expect.poll(async () => (await stored()).record.extraTowels).toBe(8)
  await expect(page.getByRole('alert')).toHaveCount(0)
})

test('two windows on one day: a change shows in the other at once; changed in both, both can be had', async ({
  page,
  context,
}) => {
  const date = freshDay()
  await openDay(page, date, ['Moss'])
  const stored = async () =>
    (await (await page.request.get(`/api/days/${date}`)).json()) as {
      record: { plan: unknown; windowOpen: boolean }
    }
  await expect.poll(async () => (await stored()).record.plan !== null).toBe(true)
  const second = await context.newPage()
  await second.goto(`/days/${date}`)
  await arranged(second)
  await page.getByRole('button', { name: 'Hours, helper, water' }).click()
  await second.getByRole('button', { name: 'Hours, helper, water' }).click()
  await page.getByRole('group', { name: 'Extra towels' }).getByLabel('4').check()
  await expect(second.getByRole('group', { name: 'Extra towels' }).getByLabel('4')).toBeChecked()

  await second.route('**/api/days/**', (route) => route.abort())
  await second.getByRole('group', { name: 'Extra towels' }).getByLabel('8').check()
  await expect(second.getByRole('alert')).toContainText('saved on this device')
  await page.getByRole('group', { name: 'Window open' }).getByLabel('yes').check()
  await expect.poll(async () => (await stored()).record.windowOpen).toBe(true)
  await second.unroute('**/api/days/**')
  await expect(second.getByRole('alert')).toContainText('Changed meanwhile')
  await second.getByRole('button', { name: 'Take the other' }).click()
  await expect(second.getByRole('group', { name: 'Window open' }).getByLabel('yes')).toBeChecked()
})

test('at phone width nothing runs off the side but the clock inside its own frame', async ({ page }) => {
  const date = freshDay()
  await page.setViewportSize({ width: 360, height: 740 })
  await openDay(page, date, ['Moss', 'Pesto'])
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)
  await expectAccessible(page)
})

test('the house’s equipment: a smaller tank and another crate are kept, a wrong number is named by its field', async ({
  page,
}) => {
  await page.goto('/house/water')
  await page.getByLabel('Tank, L').fill('2000')
  await expect(page.getByText('Give what the tank holds from 0 L to 1000 L.').first()).toBeVisible()
  await page.getByLabel('Tank, L').fill('180')
  await expect(page.getByRole('status')).toHaveText('Saved.')
  await page.goto('/house/tub')
  await page.getByRole('button', { name: 'Add a size of crate' }).click()
  await page.getByLabel('For dogs up to, kg').last().fill('')
  await expect(page.getByText('Give a number.').first()).toBeVisible()
  await page.getByLabel('For dogs up to, kg').last().fill('60')
  await expect(page.getByRole('status')).toHaveText('Saved.')
  await page.reload()
  await expect(page.getByLabel('For dogs up to, kg').last()).toHaveValue('60')
  await page.goto('/house/water')
  await expect(page.getByLabel('Tank, L')).toHaveValue('180')
  await page.getByLabel('Find in the house').fill('noise')
  await page.getByRole('link', { name: 'Dryers, ears and back' }).click()
  await expect(page.getByRole('group', { name: 'On your ears while drying' })).toBeVisible()
  await page.getByText(/^Force dryer: velocity/).click()
  await page.getByLabel('fills in, s').first().fill('0.8')
  await page.getByRole('button', { name: 'Take as its air' }).first().click()
  await expect(page.getByLabel('Air, m³/min').first()).toHaveValue('4.5')
  await expectAccessible(page)
})

test('the list says who comes for what, whose it is and what to mind; moved to another day it comes for the same', async ({
  page,
}) => {
  const date = freshDay()
  await addDog(page, 'Brisket', 'Standard Poodle', '24')
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; version: number; record: object }[]
  const dog = dogs.find((d) => (d.record as { name: string }).name === 'Brisket')!
  const record = { ...dog.record, mayBite: true, deaf: true, owner: 'Ida Moreau', ownerContact: '07700 900123' }
  await page.request.put(`/api/dogs/${dog.id}`, { data: { version: dog.version, record } })
  const today = { date, service: 'fullClip', clipCm: 2 }
  await page.request.post('/api/visits', { data: { dogId: dog.id, today } })
  const day = await (await page.request.get(`/api/days/${date}`)).json()
  const seats = [{ id: 'brisket', dogId: dog.id, arrive: 540, pickup: 1020 }]
  await page.request.put(`/api/days/${date}`, { data: { version: day.version, record: { ...day.record, seats } } })
  await page.goto(`/days/${date}`)
  const row = page.getByRole('list', { name: 'Dogs of the day' }).getByRole('button', { name: /Brisket/ })
  await expect(row).toContainText('may bite')
  await expect(row).toContainText('deaf')
  await expect(row).toContainText('Bath and full clip')
  await expect(row).toContainText('Ida Moreau')
  await row.click()
  const panel = page.getByRole('region', { name: 'Brisket' })
  await expect(panel.getByRole('link', { name: '07700 900123' })).toHaveAttribute('href', 'tel:07700900123')
  await panel.getByRole('button', { name: 'Another day' }).click()
  const other = daysAfter(date, 1)
  await giveDate(panel.getByRole('group', { name: 'Move to another day' }).getByRole('textbox'), other)
  await expect
    .poll(async () => (await (await page.request.get(`/api/days/${other}`)).json()).record.seats)
    .toMatchObject([{ dogId: dog.id, service: 'fullClip', clipCm: 2 }])
})
