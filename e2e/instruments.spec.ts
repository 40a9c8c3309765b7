import type { Page } from '@playwright/test'
import { expect, test } from './program'
import { freshDay } from './dates'
import { choose, expectAccessible } from './steps'
import { onTo, openTub, primary } from './tub'

/** Puts the demonstration's instruments in order again. */
const mend = (page: Page) => page.request.put('/api/instruments/thermometer', { data: { fault: 'none' } })

test('water that shoots up at the nozzle stops the rinse, is written down, and goes on when it is right again', async ({
  page,
}) => {
  const date = freshDay()
  const id = await openTub(page, 'Moss', date)
  await primary(page).click()
  await onTo(page, 'Last rinse')
  await expect(page.getByTestId('water-watch')).toContainText('in its band')
  await page.request.put('/api/instruments/thermometer', { data: { fault: 'hot spike' } })
  await expect(page.getByTestId('water-watch')).toContainText('STOP: water off')
  await expect(page.getByTestId('water-watch')).toContainText('scalds in 5 s')
  await page.getByRole('button', { name: 'Too warm: what to do' }).click()
  await expect(page.getByTestId('tub-step')).toHaveText('Last rinse')
  await expect(page.getByText('Turn to cold, away from the dog')).toBeVisible()
  await expectAccessible(page)
  await mend(page)
  await expect(primary(page)).toBeVisible()
  const { events } = await (await page.request.get(`/api/visits/${id}/events`)).json()
  const kinds = (events as { kind: string; text?: string }[]).map((e) => e.kind)
  expect(kinds).toEqual(expect.arrayContaining(['happened', 'pause', 'resume']))
  expect((events as { text?: string }[]).find((e) => e.text)!.text).toMatch(/^4\d\.\d °C at the nozzle$/)
})

test('a thermometer that is wrong doesn’t hold the step up: the wrist tells, and it is noted', async ({ page }) => {
  const date = freshDay()
  const id = await openTub(page, 'Moss', date)
  await primary(page).click()
  await onTo(page, 'Wet down')
  await page.request.put('/api/instruments/thermometer', { data: { fault: 'hot spike' } })
  await page.getByRole('button', { name: 'Too warm: what to do' }).click()
  await page.getByRole('button', { name: 'The thermometer is wrong: tested by wrist' }).click()
  await mend(page)
  await expect(page.getByTestId('water-watch')).toContainText('test it by wrist')
  await onTo(page, 'Wash one')
  const { events } = await (await page.request.get(`/api/visits/${id}/events`)).json()
  expect((events as { text?: string }[]).map((e) => e.text)).toContain(
    'Thermometer not believed: water tested by wrist',
  )
})

test('water that is too cool holds the wetting until it is said to go on anyway', async ({ page }) => {
  const date = freshDay()
  await openTub(page, 'Moss', date)
  await primary(page).click()
  await onTo(page, 'Wet down')
  await page.request.put('/api/instruments/thermometer', { data: { fault: 'cold water' } })
  await expect(page.getByTestId('water-watch')).toContainText('too cool')
  await primary(page).click()
  await expect(page.getByRole('alert').getByText(/at the nozzle, .* wanted: let it run/)).toBeVisible()
  await expect(page.getByTestId('tub-step')).toHaveText('Wet down')
  await primary(page).click()
  await expect(page.getByTestId('tub-step')).toHaveText('Wash one')
  await mend(page)
})

test('a thermometer that falls silent is shown as silent, not as its last figure', async ({ page }) => {
  const date = freshDay()
  await openTub(page, 'Moss', date)
  await primary(page).click()
  await onTo(page, 'Wet down')
  await expect(page.getByTestId('water-watch')).toContainText('in its band')
  await page.request.put('/api/instruments/thermometer', { data: { fault: 'silent' } })
  await expect(page.getByTestId('water-watch')).toContainText(/Thermometer quiet for \d+ s. Test by wrist/)
  await mend(page)
})

test('what a pump gives is weighed on the scale; a silent scale gives no weight', async ({ page }) => {
  const lay = (grams: number) => page.request.put('/api/instruments/scale/load', { data: { grams } })
  await lay(30)
  await page.goto('/house/instruments')
  await page.getByRole('button', { name: 'On the scale' }).click()
  await expect(page.getByTestId('scale')).toContainText(/The scale reads (29|30|31) g/)
  await page.getByRole('button', { name: 'Weigh the strokes' }).click()
  await expect(page.getByText('Choose the product first.')).toBeVisible()
  await page.getByRole('button', { name: 'Weigh the empty cup' }).click()
  await choose(page, page.getByLabel('Product', { exact: true }), 'Oat Plain')
  await lay(53)
  await expect(page.getByTestId('scale')).toContainText(/The scale reads 5[234] g/)
  await page.getByRole('button', { name: 'Weigh the strokes' }).click()
  await expect(page.getByText(/Oat Plain: 2\.\d mL a stroke, from 2\d g in 10 strokes. Saved./)).toBeVisible()
  await expect(page.getByText(/now 2\.\d mL a stroke/)).toBeVisible()
  await page.request.put('/api/instruments/scale', { data: { fault: 'silent' } })
  await expect(page.getByTestId('scale')).toContainText(/silent for \d+ s: no weight is taken/)
  await expect(page.getByRole('button', { name: 'Weigh the strokes' })).toBeDisabled()
  await page.request.put('/api/instruments/scale', { data: { fault: 'none' } })
  await lay(0)
})
