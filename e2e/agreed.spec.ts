import { arranged, openDay, slip } from './day'
import { daysAfter, freshDay, freshWeeks, inWords, today } from './dates'
import { expect, test } from './program'
import { addDog, expectAccessible, giveDate } from './steps'

interface Seated {
  version: number
  record: { seats: { id: string; dogId: string }[]; toPlace: object[] }
}

test('what is agreed about a visit goes with the dog: off the day, on the list of those to be placed, on another day', async ({
  page,
}) => {
  const monday = freshWeeks(2)
  const [date, other] = [daysAfter(monday, 5), daysAfter(monday, 12)]
  await openDay(page, date, ['Pesto', 'Moss'])
  await slip(page, 'Pesto').click()
  const panel = page.getByRole('region', { name: 'Pesto' })
  await panel.getByRole('radio', { name: 'Bath and full clip' }).check()
  await panel.getByLabel(/^Length left/).fill('2')
  await panel.getByLabel(/^Price/).fill('62,50')
  await panel.getByLabel('Note for this day').fill('side gate, back at 5')
  await panel.getByLabel('Picked up by').focus()
  await expect(slip(page, 'Pesto')).toContainText('€62.50')
  await expect(slip(page, 'Pesto')).toContainText('side gate, back at 5')
  await expectAccessible(page)
  await panel.getByRole('button', { name: 'Take off the day' }).click()
  const waiting = page.getByRole('region', { name: 'To be placed' })
  const pesto = waiting.getByRole('listitem').filter({ hasText: 'Pesto' })
  await expect(pesto).toContainText('side gate, back at 5')
  await expect(slip(page, 'Pesto')).toHaveCount(0)
  await expectAccessible(page)
  await pesto.getByRole('button', { name: 'Next days' }).click()
  await giveDate(pesto.getByRole('group', { name: 'A day for Pesto' }).getByRole('textbox'), other)
  await expect(page.getByText(`Pesto comes on ${inWords(other)}.`)).toBeVisible()
  await expect(pesto).toHaveCount(0)
  const seats = async (on: string) =>
    ((await (await page.request.get(`/api/days/${on}`)).json()) as Seated).record.seats
  expect(await seats(other)).toMatchObject([
    { service: 'fullClip', clipCm: 2, price: { cents: 6250, currency: 'EUR' }, note: 'side gate, back at 5' },
  ])
  expect((await seats(date)).length).toBe(1)
})

test('a dog that was left out comes back to its day, or isn’t to come any more, which can be undone', async ({
  page,
}) => {
  const date = freshDay()
  await openDay(page, date, ['Moss', 'Quill'])
  const waiting = page.getByRole('region', { name: 'To be placed' })
  const off = async (name: string) => {
    await slip(page, name).click()
    await page.getByRole('region', { name }).getByRole('button', { name: 'Take off the day' }).click()
    return waiting.getByRole('listitem').filter({ hasText: name })
  }
  const moss = await off('Moss')
  await moss.getByRole('button', { name: 'Back to it' }).click()
  await expect(slip(page, 'Moss')).toHaveCount(1)
  await expect(moss).toHaveCount(0)
  const quill = await off('Quill')
  await quill.getByRole('button', { name: 'Isn’t coming' }).click()
  await expect(quill).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(quill).toHaveCount(1)
  await quill.getByRole('button', { name: 'Isn’t coming' }).click()
  await expect(quill).toHaveCount(0)
})

test('price, note and a later pick-up are agreed at check-in, one right after the other', async ({ page }) => {
  const date = freshDay()
  await openDay(page, date, ['Moss', 'Fig'])
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  const { id } = dogs.find((d) => d.record.name === 'Moss')!
  await page.goto(`/dogs/${id}/check-in?date=${date}`)
  await page.getByRole('button', { name: /^Picked up by 17:00/ }).press('Enter')
  await page.getByLabel(/^Price/).fill('45')
  await page.getByLabel('Note for this day').fill('back door')
  await page.getByLabel('Picked up by', { exact: true }).fill('16:30')
  await page.getByLabel('Picked up by', { exact: true }).blur()
  const seat = async () =>
    ((await (await page.request.get(`/api/days/${date}`)).json()) as Seated).record.seats.find((s) => s.dogId === id)
  await expect.poll(seat).toMatchObject({ price: { cents: 4500, currency: 'EUR' }, note: 'back door', pickup: 990 })
  await expect(page.getByRole('button', { name: 'Picked up by 16:30, €45, back door' })).toBeVisible()
})

test('what to mind stands beside the name wherever the dog does', async ({ page }) => {
  const date = freshDay()
  const dog = { name: 'Gorse', coat: 'wire', weightKg: 9, mayBite: true, heart: true, deaf: true }
  const { id } = await (await page.request.post('/api/dogs', { data: dog })).json()
  const { version, record } = await (await page.request.get(`/api/days/${date}`)).json()
  const seats = [{ id: 'gorse', dogId: id, arrive: 540, pickup: 900 }]
  await page.request.put(`/api/days/${date}`, { data: { version, record: { ...record, seats } } })
  const visit = await (await page.request.post('/api/visits', { data: { dogId: id, today: { date } } })).json()
  for (const place of [
    `/dogs?text=Gorse`,
    `/dogs/${id}`,
    `/days/${date}`,
    `/days?from=${date}&span=week`,
    `/days?from=${date}`,
    `/recipes/${visit.id}`,
    `/recipes/${visit.id}/check-in`,
    `/tub?date=${date}`,
    `/tub/${visit.id}`,
  ]) {
    await page.goto(place)
    const named = page.getByRole('main').filter({ hasText: 'Gorse' })
    for (const flag of ['may bite', 'heart']) await expect(named, place).toContainText(flag)
  }
})

test('each owner is told by one message; what was sent is noted', async ({ page }) => {
  const date = freshDay()
  await openDay(page, date, ['Moss', 'Quill'])
  await arranged(page)
  await page.getByRole('button', { name: 'Messages' }).click()
  const list = page.getByRole('region', { name: 'Tell the owners' })
  await expect(list.getByRole('listitem')).toHaveCount(2)
  const moss = list.getByRole('listitem').filter({ hasText: 'Moss' })
  await moss.getByRole('button', { name: 'Message' }).click()
  await expect(moss.getByLabel('Message to the owner of Moss')).toHaveValue(/^Moss on .*please bring Moss at .*\nGull/s)
  await expect(moss.getByRole('link', { name: 'Text message' })).toHaveAttribute(
    'href',
    /^sms:07700900114\?&body=Moss%20on/,
  )
  await moss.getByRole('checkbox', { name: /^sent/ }).check()
  await expectAccessible(page)
  await expect
    .poll(async () => (await (await page.request.get(`/api/days/${date}`)).json()).record.ticks)
    .toHaveLength(1)
  await page.reload()
  await page.getByRole('button', { name: 'Messages' }).click()
  await expect(moss.getByRole('checkbox', { name: /^sent/ })).toBeChecked()
})

test('a dog that isn’t known is entered where it was looked for, and comes on that day; a past day asks first', async ({
  page,
}) => {
  const date = freshDay()
  await page.goto(`/days/${date}`)
  await page.getByLabel('Find a dog').fill('Pimpernel')
  await page.getByRole('button', { name: 'Enter it first' }).click()
  const form = page.getByRole('form', { name: 'Add a dog' })
  await expect(form.getByLabel('Name', { exact: true })).toHaveValue('Pimpernel')
  await form.getByLabel('Breed or mix').fill('Whippet')
  await form.getByRole('button', { name: /^Add/ }).first().click()
  await expect(slip(page, 'Pimpernel')).toHaveCount(1)
  await page.goto(`/days/${daysAfter(today(), -400)}`)
  await expect(page.getByText('It is past.')).toBeVisible()
  await expect(page.getByLabel('Find a dog')).toHaveCount(0)
  await page.getByRole('button', { name: 'Add a dog to it' }).click()
  await expect(page.getByLabel('Find a dog')).toBeVisible()
})

test('a list of clients as people keep it: columns known by their heads, what is in doubt mended, all or none taken', async ({
  page,
}) => {
  await addDog(page, 'Sedge', 'Pug')
  await page.goto('/dogs')
  await page.getByText('As a table (CSV)').click()
  const csv = [
    'Pet Name,Breed,Weight (lbs),Client,Mobile,Comments,Last seen',
    'Barley,Lab,64,Ada Vale,555-010-2000,"Bites!! two people",may',
    'Barley,Pug,heavy,Jo Reed,555-010-2001,,',
    'Linden,mutt,30,Mo Hart,555-010-2002,,',
  ].join('\n')
  await page
    .getByLabel('Bring in a CSV file', { exact: true })
    .setInputFiles({ name: 'clients.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  const list = page.getByRole('region', { name: 'The list clients.csv' })
  await expect(list).toContainText('1 dog is complete, 2 need a word.')
  await expect(list.getByRole('button', { name: /^Take/ })).toBeDisabled()
  await expectAccessible(page)
  await list.getByRole('textbox', { name: /^Weight/ }).fill('9')
  await list
    .getByTestId('select')
    .filter({ has: page.getByLabel('Coat', { exact: true }) })
    .click()
  await page.getByTestId('option').filter({ visible: true, hasText: 'wire coat' }).click()
  await list.getByRole('button', { name: 'Take 3 dogs over' }).click()
  await expect(page.getByText('3 dogs taken over.')).toBeVisible()
  const { 0: bites, length } = (await (await page.request.get('/api/dogs?text=Vale')).json()) as {
    record: { name: string; mayBite: boolean; weightKg: number; ownerContact: string }
  }[]
  expect(length).toBe(1)
  expect(bites!.record).toMatchObject({ name: 'Barley (Vale)', mayBite: true, ownerContact: '555-010-2000' })
  expect(bites!.record.weightKg).toBeCloseTo(29, 0)
})
