import { openDay, ribbon } from './day'
import { expect, test } from './program'
import { choose, expectAccessible, giveDate } from './steps'

test('the plan leaves as a calendar file and comes back as the same bookings', async ({ page }) => {
  await openDay(page, '2027-05-01', ['Moss', 'Pesto', 'Quill'])
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Calendar file', exact: true }).click(),
  ])
  const path = await file.path()
  await page.goto('/days')
  await giveDate(page.getByLabel('From', { exact: true }), '2027-04-30')
  await giveDate(page.getByLabel('Until', { exact: true }), '2027-05-02')
  await page.getByLabel('Calendar file', { exact: true }).setInputFiles(path)
  await expect(page.getByText('3 bookings')).toBeVisible()
  await expect(page.getByText(/0 without a dog/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Put 3 on their days' }).click()
  await expect(page.getByText(/0 put on 0 days, 0 moved, 3 there already/)).toBeVisible()
})

test('a foreign calendar: a dog is chosen where none was found, and a broken file is refused in words', async ({
  page,
}) => {
  await page.goto('/days')
  await giveDate(page.getByLabel('From', { exact: true }), '2027-05-07')
  await giveDate(page.getByLabel('Until', { exact: true }), '2027-05-09')
  const ics = [
    'BEGIN:VCALENDAR',
    'BEGIN:VEVENT',
    'UID:1',
    'DTSTART:20270508T090000',
    'DTEND:20270508T110000',
    'SUMMARY:the brown one',
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ].join('\r\n')
  const file = (body: string) => ({ name: 'bookings.ics', mimeType: 'text/calendar', buffer: Buffer.from(body) })
  await page.getByLabel('Calendar file', { exact: true }).setInputFiles(file('no calendar'))
  await expect(page.getByRole('alert')).toContainText('The calendar can’t be read')
  await page.getByLabel('Calendar file', { exact: true }).setInputFiles(file(ics))
  await expect(page.getByText('1 booking', { exact: true })).toBeVisible()
  await choose(page, page.getByLabel(/^Dog for the brown one/), 'Otis')
  await page.getByRole('button', { name: 'Put 1 on their days' }).click()
  await expect(page.getByText(/1 put on 1 day/)).toBeVisible()
  await expect(page.getByRole('link', { name: /Saturday 8 May 2027/ })).toContainText('Otis')
})

test('a booking of a dog that isn’t known yet: it is entered there, for every booking that says the same', async ({
  page,
}) => {
  await page.goto('/days')
  await giveDate(page.getByLabel('From', { exact: true }), '2027-05-14')
  await giveDate(page.getByLabel('Until', { exact: true }), '2027-05-30')
  const event = (uid: number, date: string) => [
    'BEGIN:VEVENT',
    `UID:${uid}`,
    `DTSTART:${date}T090000`,
    `DTEND:${date}T110000`,
    'SUMMARY:Waffle (new customer)',
    'END:VEVENT',
  ]
  const ics = ['BEGIN:VCALENDAR', ...event(1, '20270515'), ...event(2, '20270522'), 'END:VCALENDAR', ''].join('\r\n')
  const file = { name: 'bookings.ics', mimeType: 'text/calendar', buffer: Buffer.from(ics) }
  await page.getByLabel('Calendar file', { exact: true }).setInputFiles(file)
  await expect(page.getByText(/2 without a dog/)).toBeVisible()
  await choose(page, page.getByLabel(/^Dog for Waffle.*2027-05-15/), 'a new dog')
  const form = page.getByRole('form', { name: 'Add a dog' })
  await expect(form.getByLabel('Name', { exact: true })).toHaveValue('Waffle')
  await form.getByLabel('Breed or mix').fill('Pug')
  await page.keyboard.press('Escape')
  await form.getByRole('button', { name: 'Add it' }).click()
  await expect(form).toHaveCount(0)
  await page.getByRole('button', { name: 'Put 2 on their days' }).click()
  await expect(page.getByText(/2 put on 2 days/)).toBeVisible()
  // the same file again is read again
  await page.getByLabel('Calendar file', { exact: true }).setInputFiles(file)
  await expect(page.getByText(/0 without a dog/)).toBeVisible()
})

test('a standing dog asks for its place on the day it is due', async ({ page }) => {
  await page.goto('/days')
  await page.getByRole('button', { name: 'Add one' }).click()
  await choose(page, page.getByLabel('Dog', { exact: true }), 'Saffron')
  await giveDate(page.getByLabel('For the first time on'), '2027-06-19')
  await page.getByLabel('third', { exact: true }).check()
  await expect(page.getByText('So: the third Saturday of every month.')).toBeVisible()
  await page.getByRole('button', { name: 'Put it down' }).click()
  await expect(page.getByText(/^the third Saturday of every month/)).toBeVisible()
  await openDay(page, '2027-07-17', ['Moss'])
  await expect(page.getByText(/Comes regularly and is due/)).toContainText('Saffron')
  await page.getByRole('button', { name: /^Put (it|them) on the day/ }).click()
  await expect(ribbon(page, /^Saffron, .*bath/)).toHaveCount(1)
})
