import type { Page } from '@playwright/test'
import { expect, test } from './program'
import { choose, expectAccessible, giveDate } from './steps'

interface DogRow {
  id: string
  record: { name: string }
}

/** Puts a day of some dogs of the demonstration on the server and opens it arranged. */
async function openDay(page: Page, date: string, names: readonly string[], more: object = {}) {
  const dogs = (await (await page.request.get('/api/dogs')).json()) as DogRow[]
  const { record } = await (await page.request.get(`/api/days/${date}`)).json()
  const seats = names.map((name, i) => ({
    id: name.toLowerCase(),
    dogId: dogs.find((d) => d.record.name === name)!.id,
    arrive: 480 + 15 * i,
    pickup: 1020,
  }))
  const kept = await page.request.put(`/api/days/${date}`, {
    data: { version: 0, record: { ...record, seats, ...more } },
  })
  expect(kept.status()).toBe(200)
  await page.goto(`/days/${date}`)
  await arranged(page)
}
async function arranged(page: Page) {
  await expect(page.getByRole('button', { name: 'Arrange again' })).toBeVisible({ timeout: 20_000 })
  await expect(page.getByTestId('day-end')).toBeVisible()
}
const ribbon = (page: Page, name: RegExp) =>
  page.getByRole('group', { name: /^The day’s clock/ }).getByRole('button', { name })

/** Every ribbon by dog and part, with its minutes of the clock. */
async function partsOf(page: Page): Promise<Map<string, { from: number; to: number }>> {
  const labels = await ribbon(page, /./).evaluateAll((all) => all.map((r) => r.getAttribute('aria-label') ?? ''))
  const minute = (text: string) => {
    const [h, m] = text.split(':').map(Number)
    return 60 * h! + m!
  }
  return new Map(
    labels.map((label) => {
      const [, what, from, to] = /^(.*), (\d+:\d\d) to (\d+:\d\d)/.exec(label)!
      return [what!, { from: minute(from!), to: minute(to!) }]
    }),
  )
}

test('the next Saturday opens by itself, arranged: every dog on the clock, the gauges under it, accessible', async ({
  page,
}) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Saturday /)
  await arranged(page)
  for (const name of ['Quill', 'Moss', 'Fig', 'Pesto', 'Juniper', 'Rook'])
    await expect(ribbon(page, new RegExp(`^${name}, .*bath`))).toHaveCount(1)
  for (const gauge of ['Hot water', 'Circuit', 'Noise', 'Room air'])
    await expect(page.getByRole('img', { name: new RegExp(`^${gauge}:`) })).toBeVisible()
  await expect(page.getByTestId('finding')).toBeVisible()
  await expect(page.getByText(/on time:/).first()).toBeVisible()
  await expectAccessible(page)
})

test('a fix that is offered was tried: doing it mends the trouble, undo brings it back', async ({ page }) => {
  await openDay(page, '2027-03-06', ['Juniper', 'Pesto', 'Otis', 'Nimbus'], {
    helper: { name: 'Dunja', from: 480, to: 1020 },
  })
  const finding = page.getByTestId('finding')
  const loud = page.getByText(/noise dose/).first()
  await expect(loud).toBeVisible()
  const others = page.getByRole('list', { name: 'Other things to know' }).getByRole('button', { name: /noise dose/ })
  if ((await others.count()) > 0) await others.click()
  await expect(finding).toContainText('noise dose')
  await finding.getByRole('button', { name: /Do it ?: Earmuffs on/ }).click()
  await expect(page.getByText(/noise dose/)).toHaveCount(0)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByText(/noise dose/).first()).toBeVisible()
})

test('a visit is moved by keys, held there, arranged around, and let go', async ({ page }) => {
  await openDay(page, '2027-03-13', ['Moss', 'Fig', 'Quill'])
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
  await openDay(page, '2027-03-20', ['Moss', 'Fig'])
  const bath = ribbon(page, /^Fig, .*bath/)
  const box = (await bath.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2, { steps: 4 })
  await page.mouse.move(box.x + box.width / 2 + 90, box.y + box.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect(bath).toHaveAttribute('aria-label', /held$/)
  await page.getByRole('button', { name: /Fig ?8 kg/ }).click()
  const panel = page.getByRole('region', { name: 'Fig' })
  await panel.getByLabel('Bath begins').fill('07:00')
  await panel.getByLabel('Bath begins').blur()
  await expect(page.getByRole('alert')).toContainText('the dog comes at 8:15')
  await panel.getByLabel('Fetched by').fill('08:00')
  await panel.getByLabel('Fetched by').blur()
  await expect(panel.getByRole('alert')).toContainText('The pick-up must come after the arrival.')
})

test('running late: what is done stays, the rest is arranged from now', async ({ page }) => {
  await page.clock.setFixedTime('2027-03-27T09:05:00')
  await openDay(page, '2027-03-28', ['Moss'])
  // a day to come can’t run late
  await expect(page.getByRole('button', { name: 'Running late' })).toHaveCount(0)
  await openDay(page, '2027-03-27', ['Moss', 'Fig', 'Quill'])
  const before = await partsOf(page)
  expect(before.size).toBeGreaterThan(8)
  await page.getByRole('button', { name: 'Running late' }).click()
  const panel = page.getByRole('region', { name: 'Where the day stands' })
  await panel.getByLabel('The clock says').fill('09:10')
  await panel.getByLabel('The clock says').blur()
  await panel.getByRole('button', { name: 'Arrange the rest' }).click()
  await arranged(page)
  await expect(page.getByText(/The day stands at 9:10/)).toBeVisible()
  const after = await partsOf(page)
  for (const [part, { from, to }] of before) {
    const now = after.get(part)!
    if (to <= 550) expect([part, now]).toEqual([part, { from, to }])
    else if (from >= 550) expect([part, now.from >= 550]).toEqual([part, true])
  }
  await page.reload()
  await expect(page.getByText(/The day stands at 9:10/)).toBeVisible()
  await page.getByRole('button', { name: /Forget that/ }).click()
  await expect(page.getByText(/The day stands at/)).toHaveCount(0)
})

test('today follows the tub: what was begun there stands, the rest begins from now, and it is not planned again', async ({
  page,
}) => {
  const date = '2027-10-02'
  await page.clock.setFixedTime(`${date}T09:30:00`)
  await openDay(page, date, ['Moss', 'Fig'])
  const dogs = (await (await page.request.get('/api/dogs')).json()) as DogRow[]
  const dogId = dogs.find((d) => d.record.name === 'Fig')!.id
  const visit = await (await page.request.post('/api/visits', { data: { dogId, today: { date } } })).json()
  const at = new Date(`${date}T09:02:00`).getTime()
  const tap = { id: crypto.randomUUID(), at, device: 'other', kind: 'step', step: 'look' }
  await page.request.post(`/api/visits/${visit.id}/events`, { data: { events: [tap] } })
  await expect(page.getByTestId('follows')).toContainText('begins no earlier than 9:30')
  await expect(ribbon(page, /^Fig, look and brush.*, 9:02 to/)).toHaveCount(1)
  await expect(page.getByRole('list', { name: 'Dogs of the day' })).toContainText('under way')
  for (const [part, { from }] of await partsOf(page))
    if (part.startsWith('Moss')) expect(from).toBeGreaterThanOrEqual(570)
  // nothing of it was kept as a plan of its own
  const { record } = await (await page.request.get(`/api/days/${date}`)).json()
  expect(record.progress).toBeNull()
})

test('two pins that can’t both be: the day says which facts clash', async ({ page }) => {
  const dogs = (await (await page.request.get('/api/dogs')).json()) as DogRow[]
  const id = (name: string) => dogs.find((d) => d.record.name === name)!.id
  const { record } = await (await page.request.get('/api/days/2027-04-03')).json()
  const seats = ['Moss', 'Fig'].map((name) => ({
    id: name.toLowerCase(),
    dogId: id(name),
    arrive: 480,
    pickup: 1020,
    pins: { bath: 600 },
  }))
  await page.request.put('/api/days/2027-04-03', { data: { version: 0, record: { ...record, seats } } })
  await page.goto('/days/2027-04-03')
  await expect(page.getByTestId('clash')).toContainText('the pin of Moss at 10:00')
  await expect(page.getByTestId('clash')).toContainText('the pin of Fig at 10:00')
})

test('a pin that a later arrival makes impossible is told and let go, the day stays in sight', async ({ page }) => {
  const date = '2027-10-09'
  await openDay(page, date, ['Quill', 'Moss', 'Fig'])
  const stored = async () => (await page.request.get(`/api/days/${date}`)).json()
  await expect.poll(async () => (await stored()).record.plan !== null).toBe(true)
  const { version, record } = await stored()
  const at = record.plan.tasks['moss.bath']
  const seats = record.seats.map((s: { id: string }) =>
    s.id === 'moss' ? { ...s, arrive: at + 40, pins: { bath: at } } : s,
  )
  await page.request.put(`/api/days/${date}`, { data: { version, record: { ...record, seats } } })
  const lost = page.getByTestId('lost')
  await expect(lost).toContainText(/^ ?Moss, bath: it can’t be held at \d+:\d\d any more. It stands at \d+:\d\d/)
  await expect(ribbon(page, /^Moss, .*bath/)).toHaveCount(1)
  await expect(ribbon(page, /^Quill, .*bath/)).toHaveCount(1)
  await expectAccessible(page)
  await lost.getByRole('button', { name: 'Let it go' }).click()
  await expect(lost).toHaveCount(0)
  await expect(ribbon(page, /^Moss, .*bath/)).toHaveCount(1)
})

test('a dog is added from those that fit, taken off again; the day is copied to another date', async ({ page }) => {
  await openDay(page, '2027-04-10', ['Moss'])
  await page.getByRole('button', { name: 'Add a dog' }).click()
  const add = page.getByRole('region', { name: 'Add a dog' })
  await add.getByLabel('Find a dog').fill('pixel')
  await expect(add.getByText(/^fits, ends \d+:\d\d/)).toBeVisible({ timeout: 20_000 })
  await add.getByRole('button', { name: 'Add Pixel' }).click()
  await expect(ribbon(page, /^Pixel, .*bath/)).toHaveCount(1)
  await giveDate(page.getByLabel('Copy these dogs to'), '2027-04-17')
  await page.getByRole('link', { name: /Open Saturday 17 April 2027/ }).click()
  await expect(ribbon(page, /^Pixel, .*bath/)).toHaveCount(1)
  await page.getByRole('button', { name: /Pixel ?4 kg/ }).click()
  await page.getByRole('button', { name: 'Take off the day' }).click()
  await expect(ribbon(page, /^Pixel/)).toHaveCount(0)
})

test('undo and redo say what they are about, and last over a reload', async ({ page }) => {
  await openDay(page, '2027-09-25', ['Moss', 'Fig'])
  await page.getByRole('button', { name: 'Hours, helper, water' }).click()
  const window = page.getByRole('group', { name: 'Window open' })
  await window.getByLabel('yes').check()
  await expect(page.getByRole('button', { name: 'Undo the window' })).toBeEnabled()
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
  await openDay(page, '2027-04-24', ['Moss', 'Pesto'])
  await page.getByRole('link', { name: 'Mix and lay out' }).click()
  const first = page.getByRole('checkbox').first()
  await first.check()
  await expect(page.getByText(/ to go\./)).toBeVisible()
  await expect
    .poll(
      async () =>
        ((await (await page.request.get('/api/days/2027-04-24')).json()) as { record: { ticks: string[] } }).record
          .ticks.length,
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

test('an empty day says what to do; a day that can’t be reached says so and keeps what was done', async ({ page }) => {
  await page.goto('/days/2027-08-07')
  await expect(page.getByRole('heading', { name: 'No dogs on this day' })).toBeVisible()
  await page.getByRole('button', { name: 'Add Moss' }).click()
  await arranged(page)
  await page.route('**/api/days/**', (route) => route.abort())
  await page.getByRole('button', { name: 'Hours, helper, water' }).click()
  await page.getByRole('group', { name: 'Window open' }).getByLabel('yes').check()
  await expect(page.getByRole('alert')).toContainText('What you did is kept on this device')
  await page.unroute('**/api/days/**')
  await expect
    .poll(
      async () =>
        ((await (await page.request.get('/api/days/2027-08-07')).json()) as { record: { windowOpen: boolean } }).record
          .windowOpen,
    )
    .toBe(true)
})

test('changed here without a connection and elsewhere meanwhile: both are still there after a reload', async ({
  page,
}) => {
  await openDay(page, '2027-08-28', ['Moss'])
  const stored = async () =>
    (await (await page.request.get('/api/days/2027-08-28')).json()) as {
      version: number
      record: { plan: unknown; extraTowels: number; windowOpen: boolean }
    }
  await expect.poll(async () => (await stored()).record.plan !== null).toBe(true)
  await page.route('**/api/days/**', (route) => route.abort())
  await page.getByRole('button', { name: 'Hours, helper, water' }).click()
  await page.getByRole('group', { name: 'Extra towels' }).getByLabel('8').check()
  await expect(page.getByRole('alert')).toContainText('kept on this device')
  const { version, record } = await stored()
  await page.request.put('/api/days/2027-08-28', { data: { version, record: { ...record, windowOpen: true } } })
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
  await openDay(page, '2027-08-14', ['Moss'])
  const stored = async () =>
    (await (await page.request.get('/api/days/2027-08-14')).json()) as {
      record: { plan: unknown; windowOpen: boolean }
    }
  await expect.poll(async () => (await stored()).record.plan !== null).toBe(true)
  const second = await context.newPage()
  await second.goto('/days/2027-08-14')
  await arranged(second)
  await page.getByRole('button', { name: 'Hours, helper, water' }).click()
  await second.getByRole('button', { name: 'Hours, helper, water' }).click()
  await page.getByRole('group', { name: 'Extra towels' }).getByLabel('4').check()
  await expect(second.getByRole('group', { name: 'Extra towels' }).getByLabel('4')).toBeChecked()

  await second.route('**/api/days/**', (route) => route.abort())
  await second.getByRole('group', { name: 'Extra towels' }).getByLabel('8').check()
  await expect(second.getByRole('alert')).toContainText('kept on this device')
  await page.getByRole('group', { name: 'Window open' }).getByLabel('yes').check()
  await expect.poll(async () => (await stored()).record.windowOpen).toBe(true)
  await second.unroute('**/api/days/**')
  await expect(second.getByRole('alert')).toContainText('Changed meanwhile')
  await second.getByRole('button', { name: 'Take the other' }).click()
  await expect(second.getByRole('group', { name: 'Window open' }).getByLabel('yes')).toBeChecked()
})

test('at phone width nothing runs off the side but the clock inside its own frame', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 })
  await openDay(page, '2027-08-21', ['Moss', 'Pesto'])
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)
  await expectAccessible(page)
})

test('the house’s equipment: a smaller tank and another crate are kept, a wrong number is named by its field', async ({
  page,
}) => {
  await page.goto('/house')
  await page.getByLabel('Tank, L').fill('2000')
  await page.getByRole('button', { name: 'Save the house' }).click()
  await expect(page.getByText('Give what the tank holds from 0 L to 1000 L.')).toBeVisible()
  await page.getByLabel('Tank, L').fill('180')
  await page.getByRole('button', { name: 'Add a size of crate' }).click()
  await page.getByLabel('For dogs up to, kg').last().fill('')
  await page.getByRole('button', { name: 'Save the house' }).click()
  await expect(page.getByText('Give a number.')).toBeVisible()
  await page.getByLabel('For dogs up to, kg').last().fill('60')
  await page.getByRole('button', { name: 'Save the house' }).click()
  await expect(page.getByRole('status')).toHaveText('Saved.')
  await page.reload()
  await expect(page.getByLabel('Tank, L')).toHaveValue('180')
  await expect(page.getByLabel('For dogs up to, kg').last()).toHaveValue('60')
  await page.getByText(/^Force dryer: velocity/).click()
  await page.getByLabel('fills in, s').first().fill('0.8')
  await page.getByRole('button', { name: 'Take as its air' }).first().click()
  await expect(page.getByLabel('Air, m³/min').first()).toHaveValue('4.5')
  await expectAccessible(page)
})
