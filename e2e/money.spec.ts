import type { Page } from '@playwright/test'
import { openDay, slip } from './day'
import { freshDay, inWords, now, today } from './dates'
import { expect, test } from './program'
import { expectAccessible } from './steps'

/** Begins a visit's first step an hour ago, and ends it. */
async function endVisit(page: Page, visitId: string) {
  const { plan } = await (await page.request.get(`/api/visits/${visitId}`)).json()
  const tap = (at: number, what: object) => ({ id: crypto.randomUUID(), at, device: 'other', ...what })
  const began = now() - 3_600_000
  const events = [
    tap(began, { kind: 'step', step: (plan.steps as { id: string }[])[0]!.id }),
    tap(began + 3_500_000, { kind: 'finish' }),
  ]
  await page.request.post(`/api/visits/${visitId}/events`, { data: { events } })
}

/** A dog with an owner of its own, and its visit of today, at its end. */
async function visitEnded(page: Page, name: string, owner: string, condition: object = {}) {
  const post = async (path: string, data: object) => (await page.request.post(`/api${path}`, { data })).json()
  const dog = await post('/dogs', { name, weightKg: 12, coat: 'curly', owner, ownerContact: '07700 900999' })
  const visit = await post('/visits', { dogId: dog.id, today: { date: today(), ...condition } })
  await endVisit(page, visit.id)
  return { dogId: dog.id as string, visitId: visit.id as string }
}

test('asked on the telephone, booked, mats found, paid in part, the rest the next time, a receipt, the month', async ({
  page,
}) => {
  // the price before there is a dog
  await page.goto('/dogs')
  const asked = page.getByTestId('asked')
  await expect(asked).toHaveCount(0)
  await page.getByLabel(/^Weight, (kg|lb)$/).fill('24')
  await expect(asked).toContainText('Bath €58, bath and tidy €70')
  await page.getByLabel(/^Weight, (kg|lb)$/).fill('')
  await expect(asked).toHaveCount(0)
  await page.getByLabel('Name', { exact: true }).fill('Chervil')
  await page.getByLabel('Breed or mix').fill('Tibetan Terrier')
  await page.keyboard.press('Escape')
  await page.getByLabel(/^Weight, (kg|lb)$/).fill('11')
  await expect(asked).toContainText('Bath €45')
  await page.getByRole('button', { name: 'Add and plan the wash' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Chervil' })).toBeVisible()
  const dogId = /dogs\/([^/]+)\/recipe/.exec(page.url())![1]!
  const stored = await (await page.request.get(`/api/dogs/${dogId}`)).json()
  const people = { owner: 'Tamsin Ode', ownerContact: '07700 900999' }
  await page.request.put(`/api/dogs/${dogId}`, {
    data: { version: stored.version, record: { ...stored.record, ...people } },
  })

  // booked: the price stands where it is picked and on its place
  const date = freshDay()
  await openDay(page, date, ['Moss'])
  await page.getByRole('button', { name: 'Add a dog' }).click()
  const add = page.getByRole('region', { name: 'Add a dog' })
  await add.getByLabel('Find a dog').fill('Chervil')
  await expect(add.getByText(/€45/).first()).toBeVisible()
  await add.getByRole('button', { name: /^Add Chervil/ }).click()
  await expect(slip(page, 'Chervil')).toContainText('€45')
  const stands = async () => (await page.request.get(`/api/days/${date}`)).text()
  await expect.poll(stands).toContain(dogId)

  // mats make it another, which the owner is told before the work
  await page.goto(`/dogs/${dogId}/check-in?date=${date}`)
  await page.getByRole('button', { name: /^Mats: / }).click()
  const belly = page.getByRole('button', { name: /^belly and groin/ })
  await belly.click()
  await belly.click()
  const changed = page.getByTestId('price-changed')
  await expect(changed).toContainText(/€\d+ instead of €45: mats, \d+ min\./)
  await changed.getByRole('button', { name: 'Tell the owner' }).click()
  await expect(changed.getByLabel('Message to the owner')).toHaveValue(
    /Chervil: I found mats, \d+ min\. Today it would be €\d+ instead of €45\./,
  )
  await expectAccessible(page)
  const price = Number(/€(\d+) instead/.exec(await changed.innerText())![1])
  await changed.getByRole('button', { name: 'It is agreed' }).click()
  await expect(changed).toHaveCount(0)
  await expect(page.getByRole('button', { name: new RegExp(`^Picked up by .*, €${price}$`) })).toBeVisible()
  await page.getByRole('link', { name: 'To the recipe' }).click()
  await page.getByRole('button', { name: /^Price/ }).click()
  await expect(page.getByTestId('price')).toContainText('what is agreed for this visit')

  // handed over, paid in part; owed on its record
  const { kept } = await (await page.request.get(`/api/days/${date}`)).json()
  const { visitId } = (kept as { dogId: string; visitId: string }[]).find((k) => k.dogId === dogId)!
  await endVisit(page, visitId)
  await page.goto(`/tub/${visitId}`)
  const paid = page.getByTestId('paid')
  await expect(paid).toHaveText(`€${price}: paid how?`)
  await page.getByRole('button', { name: 'Another amount' }).click()
  await page.getByLabel(/^Amount/).fill('20')
  await page.getByRole('button', { name: 'Cash', exact: true }).click()
  await expect(paid).toHaveText(`€20 of €${price} paid, €${price - 20} owed.`)
  await page.goto(`/dogs/${dogId}`)
  await expect(page.getByTestId('owed')).toContainText(`€${price - 20} owed since`)

  // the next time: exact by card is one tap, with what was left; one receipt; the month has it
  const next = await visitEnded(page, 'Burnet', 'Tamsin Ode')
  await page.goto(`/tub/${next.visitId}`)
  await page.getByRole('button', { name: `All of it: €${45 + price - 20}` }).click()
  await page.getByRole('button', { name: 'Card', exact: true }).click()
  await expect(paid).toHaveText('€45 paid by card.')
  await page.getByRole('button', { name: 'Receipt for both' }).click()
  const receipt = await page.getByRole('link', { name: /^Receipt \d+, PDF$/ }).getAttribute('href')
  expect((await page.request.get(receipt!)).headers()['content-type']).toBe('application/pdf')
  await page.goto('/logbook?part=money&by=owners')
  await expect(page.getByRole('row', { name: /Tamsin Ode/ })).toContainText(`€${45 + price}`)
  await page.getByRole('link', { name: 'By month' }).click()
  const month = inWords(today()).split(' ').slice(2).join(' ')
  await expect(page.getByRole('row', { name: new RegExp(`^${month}`) })).toContainText(/€\d/)
})

test('a visit is paid in part, the rest the next time, with a tip; the books and the record say so', async ({
  page,
}) => {
  const { dogId, visitId } = await visitEnded(page, 'Rusk', 'Wilma Ostrow')
  await page.goto(`/tub/${visitId}`)
  const paid = page.getByTestId('paid')
  await expect(paid).toHaveText('€45: paid how?')
  await page.getByRole('button', { name: 'Another amount' }).click()
  await page.getByLabel(/^Amount/).fill('20')
  await expect(page.getByRole('button', { name: 'A part, €25 stay owed' })).toBeVisible()
  await page.getByRole('button', { name: 'Cash', exact: true }).click()
  await expect(paid).toHaveText('€20 of €45 paid, €25 owed.')
  await expectAccessible(page)

  await page.goto(`/dogs/${dogId}`)
  await expect(page.getByTestId('owed')).toContainText('€25 owed since')
  await page.goto('/logbook?part=money')
  const owed = page.getByRole('region', { name: 'Owed' })
  await expect(owed.getByRole('listitem').filter({ hasText: 'Rusk' })).toContainText('€25')
  await expect(page.getByTestId('books')).toContainText(/Taken €[\d,.]+, .*earned an hour of hands/)
  await expectAccessible(page)
  await page.getByRole('link', { name: 'By owner' }).click()
  await expect(page.getByRole('row', { name: /Wilma Ostrow/ })).toContainText('€45')

  // the next time, another dog of hers
  const next = await visitEnded(page, 'Rye', 'Wilma Ostrow')
  await page.goto(`/tub/${next.visitId}`)
  await expect(page.getByText('€25 owed for Rusk.')).toBeVisible()
  await page.getByRole('button', { name: 'All of it: €70' }).click()
  await expect(paid).toHaveText('€70: paid how?')
  await page.getByRole('button', { name: 'Card', exact: true }).click()
  await expect(paid).toHaveText('€45 paid by card.')
  await page.getByRole('button', { name: 'Receipt for both' }).click()
  const both = await page.getByRole('link', { name: /^Receipt \d+, PDF$/ }).innerText()
  await page.goto(`/logbook/${visitId}`)
  await expect(page.getByTestId('paid')).toHaveText('€45 paid, the last €25 by card.')
  await page.getByRole('button', { name: 'Receipt' }).click()
  await expect(page.getByRole('link', { name: both })).toBeVisible()
  const receipt = await page.getByRole('link', { name: /^Receipt \d+, PDF$/ }).getAttribute('href')
  expect((await page.request.get(receipt!)).headers()['content-type']).toBe('application/pdf')

  const third = await visitEnded(page, 'Spelt', 'Wilma Ostrow')
  await page.goto(`/tub/${third.visitId}`)
  await page.getByRole('button', { name: 'Another amount' }).click()
  await page.getByLabel(/^Amount/).fill('50')
  await expect(page.getByRole('button', { name: '€45 and a tip of €5' })).toBeVisible()
  await page.getByRole('button', { name: 'Card', exact: true }).click()
  await expect(paid).toHaveText('€45 paid, €5 tip.')
})

test('an owner pays visits ahead and uses them up, is asked where a dog didn’t come, and is one with its namesake', async ({
  page,
}) => {
  const { dogId, visitId } = await visitEnded(page, 'Barley', 'Vera Holt')
  await page.goto(`/dogs/${dogId}`)
  await page.getByRole('link', { name: 'Vera Holt' }).click()
  const stands = page.getByTestId('stands')
  await expect(stands).toHaveText('Nothing is owed.')
  const account = page.url()
  await page.getByRole('button', { name: 'Visits ahead' }).click()
  await page.getByLabel('Visits', { exact: true }).fill('1')
  await page.getByLabel('Amount, EUR').fill('120')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText('Give 2 to 50 visits.')).toBeVisible()
  await page.getByLabel('Visits', { exact: true }).fill('3')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(stands).toHaveText('3 visits paid ahead.')
  await expectAccessible(page)

  await page.goto(`/tub/${visitId}`)
  await page.getByRole('button', { name: 'One paid ahead, 3 left' }).click()
  await expect(page.getByTestId('paid')).toHaveText('€40 paid ahead.')

  const { version, record } = await (await page.request.get(`/api/days/${today()}`)).json()
  const seat = { id: 'barley', dogId, arrive: 0, pickup: 60 }
  const kept = await page.request.put(`/api/days/${today()}`, {
    data: { version, record: { ...record, toPlace: [...record.toPlace, { seat, why: 'takenOff' }] } },
  })
  expect(kept.status()).toBe(200)
  await page.goto('/days')
  await page.getByRole('button', { name: /^Nobody came ?: Barley/ }).click()
  await expect(page.getByText('Barley didn’t come: your rule asks €23.')).toBeVisible()
  await page.getByRole('button', { name: 'Ask €23' }).click()
  await expect(page.getByText('Barley is off the list.')).toBeVisible()
  await page.goto(account)
  await expect(stands).toHaveText('€23 owed beside visits and 2 visits paid ahead.')
  await expect(page.getByText('Came once, 1 visit missed.')).toBeVisible()
  await page.getByRole('button', { name: /^Take back ?: Barley didn’t come/ }).click()
  await expect(stands).toHaveText('2 visits paid ahead.')

  const namesake = { name: 'Millet', weightKg: 9, coat: 'curly', owner: 'Vera Holt', ownerContact: 'vera@example.org' }
  expect((await page.request.post('/api/dogs', { data: namesake })).status()).toBe(201)
  await expect(page.getByText(/Another Vera Holt, vera@example.org, has Millet/)).toBeVisible()
  await page.getByRole('button', { name: 'Join them' }).click()
  await page.getByRole('tooltip').getByRole('button', { name: 'Join them' }).click()
  await expect(page.getByRole('link', { name: 'Millet' })).toBeVisible()
  await page.getByRole('button', { name: 'Name and contact' }).click()
  await expect(page.getByLabel('How to reach the owner')).toHaveValue('07700 900999, vera@example.org')
  await page.getByLabel('How to reach the owner').fill('01234 555')
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible()
  await page.goto(`/dogs/${dogId}`)
  await expect(page.getByRole('link', { name: '01234 555' })).toBeVisible()
})

test.describe('in a room of its own', () => {
  test.use({ room: 'own' })
  test('credit pays a visit; days are counted and closed, and a closed price stays', async ({ page }) => {
    const { dogId, visitId } = await visitEnded(page, 'Sorrel', 'Nell Farrow')
    const { version, record } = await (await page.request.get('/api/house')).json()
    const list = { ...record.priceList, services: { bath: [30_00, 36_00, 45_00, 58_00, 70_00] } }
    await page.request.put('/api/house', { data: { version, record: { ...record, priceList: list } } })
    await page.goto(`/dogs/${dogId}`)
    await page.getByRole('link', { name: 'Nell Farrow' }).click()
    await page.getByRole('button', { name: 'Take a payment' }).click()
    await page.getByLabel(/^Amount/).fill('50')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await expect(page.getByTestId('stands')).toHaveText(/^£50 credit\./)
    await page.goto(`/tub/${visitId}`)
    await page.getByRole('button', { name: /^(From )?credit/i }).click()
    await expect(page.getByTestId('paid')).toContainText('45')

    await page.goto('/logbook?part=money')
    await page.getByRole('button', { name: 'Count and close days' }).click()
    const till = page.getByTestId('till')
    await expect(till).toHaveText(/^Changed hands, no day closed yet: card £50$/)
    const close = async () => {
      await page.getByRole('button', { name: 'Close them' }).click()
      await page.getByRole('tooltip').getByRole('button', { name: 'Close them' }).click()
    }
    await close()
    await expect(till).toHaveText(/^Since .* changed hands: nothing$/)
    await expectAccessible(page)
    await close()
    await expect(page.getByText(/are closed already\./)).toBeVisible()
    await page.goto(`/tub/${visitId}`)
    await expect(page.getByText('Its day is closed: put it right in the owner’s account.')).toBeVisible()
    await expect(page.getByRole('button', { name: 'Cash', exact: true })).toHaveCount(0)
    const undone = await page.request.delete(`/api/visits/${visitId}`)
    expect([undone.status(), (await undone.json()).title]).toEqual([422, 'Its day is closed'])
  })
})

test('what the log would have brought by another list is reckoned from it', async ({ page }) => {
  await page.goto('/logbook?part=money')
  await page.getByRole('button', { name: 'What if your list were another?' }).click()
  const brings = page.getByTestId('what-if')
  await expect(brings).toHaveText(/^€[\d,]+ instead of €[\d,]+ for \d+ visits: \+€[\d,]+\.$/)
  await page.getByLabel('More, %').fill('0')
  await expect(brings).toHaveText(/: \+€0\.$/)
  await page.getByLabel('More, %').fill('900')
  await expect(page.getByText('Give -50 to 100 %.')).toBeVisible()
})

test('paid without network: it isn’t asked for twice, and is paid once when the network is back', async ({
  page,
  context,
}) => {
  const { dogId, visitId } = await visitEnded(page, 'Pilchard', 'Nell Quist')
  const later = { id: crypto.randomUUID(), at: now(), device: 'other', kind: 'paid', how: 'later' }
  const price = { cents: 4500, currency: 'EUR' }
  await page.request.post(`/api/visits/${visitId}/events`, { data: { events: [{ ...later, price }] } })
  await page.goto(`/dogs/${dogId}`)
  await page.getByRole('button', { name: 'Paid now' }).click()
  await context.setOffline(true)
  await page.getByRole('button', { name: /^Card for Pilchard/ }).click()
  await expect(page.getByTestId('owed')).toHaveCount(0)
  await context.setOffline(false)
  const owed = async () => (await (await page.request.get(`/api/account?dog=${dogId}`)).json()).owed
  await expect.poll(owed).toEqual([])
  const { outcome } = await (await page.request.get(`/api/visits/${visitId}/outcome`)).json()
  expect(outcome.paid.payments).toMatchObject([{ cents: 4500, how: 'card' }])
})

test('a kind of visit without a price asks for the amount; what is no amount is said so', async ({ page }) => {
  const { visitId } = await visitEnded(page, 'Thrift', 'Odd Fenn', { service: 'own' })
  await page.goto(`/tub/${visitId}`)
  await expect(page.getByTestId('paid')).toHaveText('What was paid?')
  await page.getByRole('button', { name: 'Cash', exact: true }).click()
  await expect(page.getByText('Give the amount first.')).toBeVisible()
  await page.getByLabel(/^Amount/).fill('ten')
  await expect(page.getByText('Give an amount, for example 45 or 45.50.', { exact: true })).toBeVisible()
  await page.getByLabel(/^Amount/).fill('10,50')
  await page.getByRole('button', { name: 'Cash', exact: true }).click()
  await expect(page.getByTestId('paid')).toHaveText('€10.50 paid in cash.')
})

test('the price list is typed, saved as it is typed, and asked by at once', async ({ page }) => {
  await page.goto('/house/prices')
  await page.getByRole('button', { name: 'De-shed: €40 to €110' }).click()
  const large = page.getByRole('textbox', { name: /^Large,/ })
  await large.fill('7x')
  await expect(page.getByText('Give an amount, for example 45 or 45.50.', { exact: true })).toBeVisible()
  await large.fill('77.50')
  await page.getByRole('button', { name: /^Extras and rules/ }).click()
  await page.getByLabel('Rounded to').fill('0.50')
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await expectAccessible(page)
  const { record } = await (await page.request.get('/api/house')).json()
  expect(record.priceList.services.deShed[3]).toBe(7750)
  await large.fill('76')
  await page.getByLabel('Rounded to').fill('1')
  await expect.poll(async () => (await (await page.request.get('/api/house')).json()).record.priceList.step).toBe(100)
})
