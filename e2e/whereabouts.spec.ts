import { now, today } from './dates'
import { expect, test } from './program'
import { addDog, expectAccessible } from './steps'

test('what changes while a window opens is seen there, however late it hears of changes', async ({ page }) => {
  let begin = () => {}
  const held = new Promise<void>((resolve) => (begin = resolve))
  await page.route('**/api/changes', async (route) => {
    await held
    await route.continue()
  })
  await page.goto('/dogs')
  const known = page.getByRole('link', { name: / Moss / }).first()
  await expect(known).toBeVisible()
  await page.request.post('/api/dogs', { data: { name: 'Swift', breed: '', coat: 'wire', weightKg: 7 } })
  await expect(known).toBeVisible()
  begin()
  await expect(page.getByRole('link', { name: / Swift / }).first()).toBeVisible()
})

test('where each dog is, on the day and at the tub, a tap on one is seen on the other; a message, and the evening', async ({
  page,
  context,
}) => {
  await addDog(page, 'Sorrel', 'Whippet')
  const date = today()
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  const dogId = dogs.find((d) => d.record.name === 'Sorrel')!.id
  const { version, record } = await (await page.request.get(`/api/days/${date}`)).json()
  const seat = { id: 'sorrel', dogId, arrive: 540, pickup: 1020 }
  await page.request.put(`/api/days/${date}`, {
    data: { version, record: { ...record, seats: [...record.seats, seat] } },
  })
  await page.goto(`/days/${date}`)
  const where = page.getByRole('region', { name: 'Where they are' })
  const sorrel = where.getByRole('listitem').filter({ hasText: 'Sorrel' })
  await expect(sorrel.getByTestId('whereabouts')).toHaveText('expected')
  await expectAccessible(page)
  const tub = await context.newPage()
  await tub.goto(`/tub?date=${date}`)
  const atTub = tub.getByRole('list', { name: 'Dogs of the day' }).getByRole('listitem').filter({ hasText: 'Sorrel' })
  await sorrel.getByRole('button', { name: 'Has come' }).click()
  await expect(sorrel.getByTestId('whereabouts')).toHaveText('here')
  await expect(atTub.getByTestId('whereabouts')).toHaveText('here')
  await atTub.getByRole('button', { name: /^Sorrel/ }).click()
  await tub.getByRole('button', { name: 'Begin' }).click()
  await expect(sorrel.getByTestId('whereabouts')).toHaveText('in hand')
  await expect(sorrel).toContainText(/Ready about \d+:\d\d, 9 in 10 by/)
  await sorrel.getByRole('button', { name: /^Message/ }).click()
  await expect(page.getByLabel('Message to the owner of Sorrel')).toHaveValue(/^Sorrel (will be ready|takes longer)/)
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  const id = tub.url().split('/').at(-1)!
  await page.request.post(`/api/visits/${id}/events`, {
    data: { events: [{ id: crypto.randomUUID(), at: now() + 1000, device: '', kind: 'finish' }] },
  })
  await expect(sorrel.getByTestId('whereabouts')).toHaveText('ready')
  await sorrel.getByRole('button', { name: 'Picked up' }).click()
  await expect(sorrel.getByTestId('whereabouts')).toHaveText('gone home')
  await page.getByRole('link', { name: 'Evening' }).click()
  await expect(page.getByRole('region', { name: 'What differed' })).toContainText('Sorrel')
  await page.getByRole('checkbox', { name: /leftovers thrown away/ }).check()
  await expectAccessible(page)
  await page.reload()
  await expect(page.getByRole('checkbox', { name: /leftovers thrown away/ })).toBeChecked()
})
