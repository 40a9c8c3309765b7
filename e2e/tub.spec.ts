import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './steps'

/** Keeps a dog's recipe for a date and opens it at the tub. */
async function openTub(page: Page, name: string, date: string): Promise<string> {
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  const dogId = dogs.find((d) => d.record.name === name)!.id
  const visit = await (await page.request.post('/api/visits', { data: { dogId, today: { date } } })).json()
  await page.goto(`/tub/${visit.id}`)
  await expect(page.getByTestId('tub-step')).toBeVisible()
  return visit.id
}
const primary = (page: Page) => page.getByRole('button', { name: /^(Begin|Done: |Finish)/ })
const eventCount = async (page: Page, id: string) =>
  ((await (await page.request.get(`/api/visits/${id}/events`)).json()) as { events: unknown[] }).events.length

/** Taps on to the step with this title. */
async function onTo(page: Page, title: string) {
  for (let i = 0; i < 40; i++) {
    if ((await page.getByTestId('tub-step').innerText()) === title) return
    await primary(page).click()
  }
  throw new Error(`no step ${title}`)
}

test('a whole visit by taps: the network cut in the middle, a second window agrees, closing refused with a plug in', async ({
  page,
  context,
}) => {
  const id = await openTub(page, 'Moss', '2027-09-04')
  await expectAccessible(page)
  await primary(page).click()
  await onTo(page, 'Cotton in')
  await page.getByRole('button', { name: 'left ear: out' }).click()
  await page.getByRole('button', { name: 'right ear: out' }).click()
  await expect(page.getByRole('button', { name: 'left ear: in' })).toBeVisible()
  await context.setOffline(true)
  await onTo(page, 'Last rinse')
  await expect(page.getByText(/No network. Everything is kept on this device, \d+ taps to send/)).toBeVisible()
  await page.getByRole('button', { name: /^Pass 0 of/ }).click()
  await context.setOffline(false)
  await expect(page.getByText(/No network/)).toHaveCount(0, { timeout: 15_000 })
  const second = await context.newPage()
  await second.goto(`/tub/${id}`)
  await expect(second.getByTestId('tub-step')).toHaveText('Last rinse')
  await onTo(page, 'Towel')
  await page.getByRole('button', { name: /^Towel: 0 of/ }).click()
  await expect(second.getByTestId('tub-step')).toHaveText('Towel', { timeout: 15_000 })
  await second.close()
  await onTo(page, 'Hand over')
  await primary(page).click()
  await expect(page.getByRole('alert')).toContainText('the left plug and the right plug are still in')
  for (let i = 0; i < 40 && (await page.getByTestId('tub-step').innerText()) !== 'Cotton out'; i++)
    await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('button', { name: 'left ear: in' }).click()
  await page.getByRole('button', { name: 'right ear: in' }).click()
  await onTo(page, 'Towel')
  await page.getByRole('button', { name: /^Towel: 0 of/ }).click()
  await onTo(page, 'Hand over')
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
  await page.reload()
  await expect(page.getByTestId('ended')).toContainText('1 towel.')
})

test('every tap reaches the server once, and a closed tab goes on where it was', async ({ page }) => {
  const id = await openTub(page, 'Fig', '2027-09-11')
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
  await openTub(page, 'Quill', '2027-09-18')
  await primary(page).click()
  await page.getByRole('button', { name: 'Something happened' }).click()
  await page.getByRole('button', { name: 'Soap in the eye' }).click()
  await expect(page.getByText(/clean water over the eye/)).toBeVisible()
  await expect(page.getByText(/the vet today/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible()
  await page.getByRole('button', { name: 'Skip' }).click()
  await page.getByRole('button', { name: 'The dog has had enough' }).click()
  await expect(page.getByTestId('tub-step')).not.toHaveText('Look over')
})
