import type { Page } from '@playwright/test'
import { coldTest, expect, goByTheClock, test } from './program'
import { daysAfter, firstSaturday, freshDay, inWords, now } from './dates'
import { expectAccessible, giveDate } from './steps'
import { onTo, openTub, primary } from './tub'

const eventCount = async (page: Page, id: string) =>
  ((await (await page.request.get(`/api/visits/${id}/events`)).json()) as { events: unknown[] }).events.length

test('a whole visit by taps: the network cut in the middle, a second window agrees, closing refused with a plug in', async ({
  page,
  context,
}) => {
  const date = freshDay()
  const id = await openTub(page, 'Moss', date)
  await expectAccessible(page)
  await primary(page).click()
  await onTo(page, 'Cotton in')
  await page.getByRole('button', { name: 'left ear: out' }).click()
  await page.getByRole('button', { name: 'right ear: out' }).click()
  await expect(page.getByRole('button', { name: 'left ear: in' })).toBeVisible()
  await context.setOffline(true)
  await onTo(page, 'Last rinse')
  await expect(page.getByText(/No network. Everything is saved on this device, \d+ taps to send/)).toBeVisible()
  await page.getByRole('button', { name: /^Pass 1 of \d done/ }).click()
  await context.setOffline(false)
  await expect(page.getByText(/No network/)).toHaveCount(0)
  const second = await context.newPage()
  await second.goto(`/tub/${id}`)
  await expect(second.getByTestId('tub-step')).toHaveText('Last rinse')
  await onTo(page, 'Towel')
  await page.getByRole('button', { name: /^Towel: 0 of/ }).click()
  await expect(second.getByTestId('tub-step')).toHaveText('Towel')
  await second.close()
  await onTo(page, 'Hand over')
  await primary(page).click()
  await expect(page.getByRole('alert')).toContainText('the left plug and the right plug are still in')
  // what is asked for stands at the button, with the tap that does it
  await expect(page.getByRole('button', { name: 'Left plug is out' })).toBeInViewport()
  await page.getByRole('button', { name: 'Left plug is out' }).click()
  await page.getByRole('button', { name: 'Right plug is out' }).click()
  await expect(page.getByRole('alert')).toContainText('not felt dry yet: hindlegs')
  await expect(page.getByRole('button', { name: 'All felt, all dry' })).toBeInViewport()
  for (const zone of [
    'head',
    'ears',
    'neck and chest',
    'back and sides',
    'belly and groin',
    'forelegs and armpits',
    'hindlegs and inner thighs',
    'feet',
    'tail and its root',
  ])
    await page.getByRole('button', { name: zone, exact: true }).click()
  await onTo(page, 'Clean the tub')
  await page.getByRole('button', { name: 'Finish' }).click()
  await expect(page.getByTestId('ended')).toContainText('Moss is done')
  const asked = page.getByTestId('quick')
  await expect(asked).toContainText(/\d+ of \d+ steps ticked in a fraction of the planned minutes/)
  await asked.getByRole('button', { name: 'Catching up' }).click()
  await expect(asked).toContainText('Nothing is learned from this visit')
  await page.reload()
  await expect(page.getByTestId('ended')).toContainText('1 towel.')
  // one total, wherever the visit is told
  const [total] = /^[^.]*, planned [^.]*/.exec(await page.getByTestId('ended').locator('.support').first().innerText())!
  await page.goto(`/logbook/${id}`)
  await expect(page.getByText(total)).toBeVisible()
  await page.goto('/logbook')
  await expect(page.getByRole('listitem').filter({ hasText: 'Moss' }).first()).toContainText(total)
})

test('the last rinse ends with the fingers: asked once, a slippery place is rinsed again', async ({ page }) => {
  const date = freshDay()
  const id = await openTub(page, 'Moss', date)
  await primary(page).click()
  await onTo(page, 'Last rinse')
  await expect(page.getByTestId('water-watch')).toContainText('in its band')
  await primary(page).click()
  await expect(page.getByRole('alert')).toContainText('Fingers first')
  await expect(page.getByTestId('tub-step')).toHaveText('Last rinse')
  const pass = page.getByRole('button', { name: /^Pass \d of \d done/ })
  while (await pass.isVisible()) await pass.click()
  await expect(page.getByTestId('say-now')).toHaveText('Fingers through the coat: is it slippery anywhere?')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Slippery: Under the tail' }).click()
  await expect(page.getByTestId('say-now')).toContainText('Rinse again: under the tail')
  await page.getByRole('button', { name: 'Under the tail: rinsed again' }).click()
  await page.getByRole('button', { name: 'Nothing slippery' }).click()
  await primary(page).click()
  await expect(page.getByTestId('tub-step')).toHaveText('Squeeze')
  const events = [{ id: crypto.randomUUID(), at: now() + 1, device: 'other', kind: 'finish' }]
  await page.request.post(`/api/visits/${id}/events`, { data: { events } })
  await page.goto(`/logbook/${id}`)
  await expect(page.getByTestId('recorded')).toContainText(
    'slippery at first: tail and its root; nothing slippery at the end',
  )
})

test('one pair of hands: a dog in hand waits when another is taken, and is taken up again', async ({ page }) => {
  const date = freshDay()
  await openTub(page, 'Fig', date)
  await primary(page).click()
  await openTub(page, 'Moss', date)
  const strip = page.getByRole('navigation', { name: 'Dogs of the day' })
  await expect(strip.getByRole('button', { name: /Fig Look over \d+:\d\d left/ })).toBeVisible()
  await primary(page).click()
  await expect(strip.getByRole('button', { name: 'Fig Look over waits for hands' })).toBeVisible()
  await strip.getByRole('button', { name: /Fig/ }).click()
  await page.getByRole('button', { name: 'Hands back on Fig' }).click()
  await expect(strip.getByRole('button', { name: 'Moss Look over waits for hands' })).toBeVisible()
})

test('a helper takes over: her steps carry her name until the usual hands are back', async ({ page }) => {
  const date = freshDay()
  const id = await openTub(page, 'Moss', date)
  await primary(page).click()
  const choose = async (name: string) => {
    await page.getByRole('button', { name: 'More' }).click()
    await page.getByRole('button', { name: 'Whose hands' }).click()
    await page.getByRole('button', { name, exact: true }).click()
  }
  await choose('Dunja')
  await expect(page.getByText(/step 1 of \d+, Dunja/)).toBeVisible()
  await primary(page).click()
  await choose('As usual')
  await primary(page).click()
  await expect
    .poll(async () => {
      const { events } = await (await page.request.get(`/api/visits/${id}/events`)).json()
      return (events as { by?: string }[]).map((e) => e.by ?? '')
    })
    // from the moment she takes over, and back
    .toEqual(['', 'Dunja', 'Dunja', '', ''])
})

test('two people, two devices: each is told whose hands a dog is in, one hands it over, the other takes it', async ({
  page,
  browser,
}) => {
  const date = freshDay()
  const id = await openTub(page, 'Moss', date)
  await primary(page).click()
  const helpers = await browser.newContext({ serviceWorkers: 'block' })
  await goByTheClock(helpers)
  const other = await helpers.newPage()
  await other.addInitScript(() => localStorage.setItem('juvant.tub.hands', 'Dunja'))
  await other.goto(new URL(`/tub/${id}`, page.url()).href)
  await expect(other.getByText('In the usual hands now.')).toBeVisible()
  await other.getByRole('button', { name: 'Take Moss over' }).click()
  await expect(other.getByText('In the usual hands now.')).toHaveCount(0)
  await expect(page.getByText('In Dunja’s hands now.')).toBeVisible()
  await other.getByRole('button', { name: /^Done: / }).click()
  await expect(page.getByText(/step 2 of \d+, Dunja/)).toBeVisible()
  await other.getByRole('button', { name: 'More' }).click()
  await other.getByRole('button', { name: 'Whose hands' }).click()
  await other.getByRole('button', { name: 'To the usual hands' }).click()
  await expect(page.getByText('In Dunja’s hands now.')).toHaveCount(0)
  await expect(other.getByText('In the usual hands now.')).toBeVisible()
  await helpers.close()
})

coldTest('every tap reaches the server once, and a closed tab goes on where it was', async ({ page }) => {
  const date = freshDay()
  const id = await openTub(page, 'Fig', date)
  await primary(page).click()
  await primary(page).click()
  await expect.poll(() => eventCount(page, id)).toBe(2)
  const title = await page.getByTestId('tub-step').innerText()
  await page.reload()
  await expect(page.getByTestId('tub-step')).toHaveText(title)
  await page.keyboard.press('PageDown')
  await expect(page.getByTestId('tub-step')).not.toHaveText(title)
  await page.keyboard.press('PageUp')
  await expect(page.getByTestId('tub-step')).toHaveText(title)
  await expect.poll(() => eventCount(page, id)).toBe(4)
})

test('something happened: the clocks stop, safe actions and when to call the vet, then on', async ({ page }) => {
  const date = freshDay()
  await openTub(page, 'Quill', date)
  await primary(page).click()
  await page.getByRole('button', { name: 'Something happened' }).click()
  await page.getByRole('button', { name: 'Soap in the eye' }).click()
  await expect(page.getByText(/clean water over the eye/)).toBeVisible()
  await expect(page.getByText(/the vet today/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible()
  // what can’t wait says so, and offers the end first
  await page.getByRole('button', { name: 'Something happened' }).click()
  await page.getByRole('button', { name: 'Seizure' }).click()
  await expect(page.getByText('Call the vet now')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Stop the visit' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByRole('button', { name: 'Back to the day, the clock goes on' })).toBeVisible()
  await page.getByRole('button', { name: 'Skip' }).click()
  await page.getByRole('button', { name: 'The dog has had enough' }).click()
  await expect(page.getByTestId('tub-step')).not.toHaveText('Look over')
})

test('two dogs under way: the strip shows both, one tap switches, the next by the plan is offered', async ({
  page,
}) => {
  const date = freshDay()
  await openTub(page, 'Pesto', date)
  await primary(page).click()
  await onTo(page, 'Shake and rest')
  await openTub(page, 'Moss', date)
  await primary(page).click()
  const strip = page.getByRole('navigation', { name: 'Dogs of the day' })
  await expect(strip.getByRole('button', { name: /Pesto Shake and rest \d+:\d\d left/ })).toBeVisible()
  await strip.getByRole('button', { name: /Pesto/ }).click()
  await expect(page.getByTestId('tub-step')).toHaveText('Shake and rest')
  await expect(strip.getByRole('button', { name: /Moss Look over/ })).toBeVisible()
  await page.goto(`/tub?date=${firstSaturday()}`)
  await page.getByRole('button', { name: /^Next by the plan: / }).click()
  await expect(page.getByTestId('tub-step')).toHaveText('Look over')
})

test('more at the tub: a note by one tap, a step added, a finding pinned, and stopping early in a safe order', async ({
  page,
}) => {
  const date = freshDay()
  const id = await openTub(page, 'Tansy', date)
  await primary(page).click()
  await onTo(page, 'Wash one')
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByRole('button', { name: 'Put down a note' }).click()
  await page.getByRole('button', { name: 'Stood well' }).click()
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByRole('button', { name: 'Add a step' }).click()
  await page.getByRole('button', { name: 'Wash the feet again, 4 min' }).click()
  await expect(primary(page)).toHaveText('Done: wash the feet again next')
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByRole('button', { name: 'Pin a finding' }).click()
  await page
    .getByRole('img', { name: /Left side/ })
    .locator('path.zone')
    .nth(2)
    .click()
  await page.getByRole('button', { name: 'Tick' }).click()
  await page.getByRole('button', { name: 'Pin it, not measured' }).click()
  await page.getByRole('button', { name: 'Something happened' }).click()
  await page.getByRole('button', { name: 'Chilled, shivering' }).click()
  await page.getByRole('button', { name: 'Stop the visit early' }).click()
  await expect(page.getByText(/Still to do, in this order: last rinse, out of the tub, towel, /)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Dog unwell' }).click()
  await expect(page.getByTestId('tub-step')).toHaveText('Last rinse')
  await expect(primary(page)).toHaveText('Done: out of the tub next')
  await expect
    .poll(async () => {
      const { events } = await (await page.request.get(`/api/visits/${id}/events`)).json()
      return (events as { kind: string }[]).map((e) => e.kind)
    })
    .toEqual(expect.arrayContaining(['note', 'add', 'found', 'happened', 'stop early', 'skip']))
})

test('digits choose, a wait counts from the last zone, and after the visit two taps say how it was borne', async ({
  page,
}) => {
  const date = freshDay()
  const id = await openTub(page, 'Quill', date)
  await primary(page).click()
  await onTo(page, 'Wash one')
  const first = await page.getByTestId('next-zone').innerText()
  await page.keyboard.press('1')
  await expect(page.getByTestId('next-zone')).not.toHaveText(first)
  const taps = ['head', 'ears', 'neck', 'back', 'belly', 'forelegs', 'hindlegs', 'feet', 'tail'].map((zone) => ({
    kind: 'dry',
    zone,
  }))
  const events = [...taps, { kind: 'finish' }].map((e, i) => ({
    ...e,
    id: crypto.randomUUID(),
    at: now() + i,
    device: 'other',
  }))
  await page.request.post(`/api/visits/${id}/events`, { data: { events } })
  await expect(page.getByTestId('ended')).toBeVisible()
  await page.getByRole('button', { name: 'Dryer noise' }).click()
  await page.getByRole('button', { name: 'At ease' }).click()
  await page.getByRole('button', { name: 'At once' }).click()
  await expect(page.getByRole('button', { name: 'Dryer noise: at ease' })).toBeVisible()
  await expect(page.getByTestId('paid')).toHaveText('€45: paid how?')
  await page.getByRole('button', { name: 'Another amount' }).click()
  await page.getByLabel(/^Amount/).fill('38')
  await page.getByRole('button', { name: 'The price today' }).click()
  await page.getByRole('button', { name: 'Card', exact: true }).click()
  await expect(page.getByTestId('paid')).toHaveText('€38 paid by card.')
  const next = daysAfter(date, 1)
  await page.getByRole('button', { name: 'Next date' }).click()
  await giveDate(page.getByRole('group', { name: 'Next date' }).getByRole('textbox'), next)
  await expect(page.getByText(`Quill comes again on ${inWords(next)}.`)).toBeVisible()
  await page.getByRole('link', { name: 'See how it went' }).click()
  await expect(page.getByTestId('recorded')).toContainText('Dryer noise at ease, settled at once')
  await expect(page.getByTestId('paid')).toHaveText('€38 paid by card.')
})
