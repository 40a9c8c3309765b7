import { readFileSync } from 'node:fs'
import { daysAfter, freshDay, today } from './dates'
import { expect, test } from './program'
import { addDog, expectAccessible } from './steps'

test('an owner’s card goes out, is filled in, and comes back by its file, its letters and a photograph of its code', async ({
  page,
  context,
}) => {
  await addDog(page, 'Thistle', 'Cocker Spaniel, English')
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  const id = dogs.find((d) => d.record.name === 'Thistle')!.id
  await page.goto(`/dogs/${id}/check-in?date=${freshDay()}`)
  const says = page.getByRole('region', { name: 'Ask the owner' })
  const unfold = () => says.getByRole('button', { name: 'Ask the owner' }).press('Enter')
  await unfold()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    says.getByRole('link', { name: 'Card to give, a page' }).click(),
  ])
  // the owner opens it somewhere else, without network
  const card = await context.newPage()
  await card.setContent(readFileSync(await download.path(), 'utf8'))
  await card.getByLabel('How many weeks since the last bath?').fill('9')
  await card.getByLabel('a few').check()
  await card.getByLabel('behind the ears').check()
  await card.getByRole('group', { name: 'Fleas' }).getByLabel('yes').check()
  await card.getByLabel('Anything else we should know?').fill('Hates the dryer — gently!')
  const [, kept] = await Promise.all([
    card.getByRole('button', { name: 'Make my answer' }).click(),
    card.getByRole('link', { name: 'Keep the file' }).waitFor(),
  ])
  void kept
  const letters = await card.getByLabel('The same in letters').inputValue()
  const code = await card.locator('#picture').screenshot()
  const file = await card.evaluate(async () =>
    (await fetch(document.querySelector<HTMLAnchorElement>('#file')!.href)).text(),
  )
  await card.close()

  await says.getByRole('button', { name: 'Take an answer' }).click()
  await expectAccessible(page)
  await says.getByLabel('Or its letters').fill('nonsense')
  await says.getByRole('button', { name: 'Take the letters' }).click()
  await expect(says.getByRole('alert')).toContainText('It isn’t an answer from a card')
  await says.locator('.ui-camera input').setInputFiles({ name: 'code.png', mimeType: 'image/png', buffer: code })
  const said = page.getByRole('region', { name: 'The owner says' })
  await expect(said).toContainText('Last bath 9 weeks ago')
  await expect(said).toContainText('Hates the dryer — gently!')
  await expect(said).toContainText('The owner’s word')
  // what the owner says is in the check-in, for the hands to confirm
  await expect(page.getByRole('checkbox', { name: 'fleas' })).toBeChecked()
  await said.getByRole('button', { name: 'Delete' }).click()
  await unfold()
  await says.getByRole('button', { name: 'Take an answer' }).click()
  await says.getByLabel('Or its letters').fill(letters)
  await says.getByRole('button', { name: 'Take the letters' }).click()
  await expect(said).toContainText('Mats: a few, ears')
  await said.getByRole('button', { name: 'Delete' }).click()
  await unfold()
  await says.getByRole('button', { name: 'Take an answer' }).click()
  const json = { name: 'Thistle.json', mimeType: 'application/json', buffer: Buffer.from(file) }
  await says.locator('.ui-upload input').setInputFiles(json)
  await expect(said).toContainText('Has fleas')
})

test('two days later the owner is asked: a message to copy, the answers typed in, and how it went says so', async ({
  page,
}) => {
  await addDog(page, 'Bramble', 'Border Collie')
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  const dogId = dogs.find((d) => d.record.name === 'Bramble')!.id
  const day = daysAfter(today(), -3)
  const visit = await (await page.request.post('/api/visits', { data: { dogId, today: { date: day } } })).json()
  const at = Date.parse(`${day}T08:00:00Z`)
  const events = [
    { kind: 'step', step: 'wet', at },
    { kind: 'finish', at: at + 600_000 },
  ].map((e) => ({ id: crypto.randomUUID(), device: '', ...e }))
  await page.request.post(`/api/visits/${visit.id}/events`, { data: { events } })
  await page.goto(`/logbook/${visit.id}`)
  await page.getByRole('button', { name: 'What the owner said days later' }).click()
  await page.getByRole('radio', { name: 'a lot' }).check({ force: true })
  // half answered it outlasts a reload
  await page.reload()
  await page.getByRole('button', { name: 'What the owner said days later' }).click()
  await expect(page.getByRole('radio', { name: 'a lot' })).toBeChecked()
  await page.getByRole('button', { name: 'Three answers, then keep them' }).click()
  const no = page.getByRole('radio', { name: 'no', exact: true })
  await no.nth(1).check({ force: true })
  await no.nth(2).check({ force: true })
  await page.getByRole('button', { name: 'Keep the answers' }).click()
  await expect(page.getByTestId('after')).toContainText('Scratches a lot, ears quiet, no damp smell.')
})
