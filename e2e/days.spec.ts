import { openDay, ribbon } from './day'
import { expect, test, touchTest } from './program'
import { dayAndMonth, daysAfter, freshDay, freshWeeks, inWords, thirdSaturday } from './dates'
import { drag, choose, expectAccessible, giveDate } from './steps'

/** A date as calendar files write it: "20270306". */
const compact = (date: string) => date.replaceAll('-', '')

test('the plan leaves as a calendar file and comes back as the same bookings', async ({ page }) => {
  const monday = freshWeeks(1)
  const friday = daysAfter(monday, 4)
  const saturday = daysAfter(monday, 5)
  const sunday = daysAfter(monday, 6)
  await openDay(page, saturday, ['Moss', 'Pesto', 'Quill'])
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Calendar file', exact: true }).click(),
  ])
  const path = await file.path()
  await page.goto('/days')
  await giveDate(page.getByLabel('From', { exact: true }), friday)
  await giveDate(page.getByLabel('Until', { exact: true }), sunday)
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
  const monday = freshWeeks(1)
  const wednesday = daysAfter(monday, 2)
  const friday = daysAfter(monday, 4)
  const saturday = daysAfter(monday, 5)
  const sunday = daysAfter(monday, 6)
  await page.goto('/days')
  await giveDate(page.getByLabel('From', { exact: true }), friday)
  await giveDate(page.getByLabel('Until', { exact: true }), sunday)
  const ics = [
    'BEGIN:VCALENDAR',
    'BEGIN:VEVENT',
    'UID:1',
    `DTSTART:${compact(saturday)}T090000`,
    `DTEND:${compact(saturday)}T110000`,
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
  await page.goto(`/days?from=${wednesday}`)
  await expect(page.getByRole('link', { name: `${inWords(saturday)}, 1 dog: Otis` })).toBeVisible()
})

test('a booking of a dog that isn’t known yet: it is entered there, for every booking that says the same', async ({
  page,
}) => {
  const monday = freshWeeks(3)
  const friday = daysAfter(monday, 4)
  const saturday = daysAfter(monday, 5)
  const sunday = daysAfter(monday, 20)
  await page.goto('/days')
  await giveDate(page.getByLabel('From', { exact: true }), friday)
  await giveDate(page.getByLabel('Until', { exact: true }), sunday)
  const event = (uid: number, date: string) => [
    'BEGIN:VEVENT',
    `UID:${uid}`,
    `DTSTART:${date}T090000`,
    `DTEND:${date}T110000`,
    'SUMMARY:Waffle (new customer)',
    'END:VEVENT',
  ]
  const ics = [
    'BEGIN:VCALENDAR',
    ...event(1, compact(saturday)),
    ...event(2, compact(daysAfter(saturday, 7))),
    'END:VCALENDAR',
    '',
  ].join('\r\n')
  const file = { name: 'bookings.ics', mimeType: 'text/calendar', buffer: Buffer.from(ics) }
  await page.getByLabel('Calendar file', { exact: true }).setInputFiles(file)
  await expect(page.getByText(/2 without a dog/)).toBeVisible()
  await choose(page, page.getByLabel(new RegExp(`^Dog for Waffle.*${saturday}`)), 'a new dog')
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
  const first = thirdSaturday(freshWeeks(10))
  const next = thirdSaturday(daysAfter(first, 1))
  await page.goto('/days')
  await page.getByRole('button', { name: 'Add one' }).click()
  await choose(page, page.getByLabel('Dog', { exact: true }), 'Saffron')
  await giveDate(page.getByLabel('For the first time on'), first)
  await page.getByLabel('third', { exact: true }).check()
  await expect(page.getByText('So: the third Saturday of every month.')).toBeVisible()
  await page.getByRole('button', { name: 'Put it down' }).click()
  await expect(page.getByText(/^the third Saturday of every month/)).toBeVisible()
  await openDay(page, next, ['Moss'])
  await expect(page.getByText(/Comes regularly and is due/)).toContainText('Saffron')
  await page.getByRole('button', { name: /^Put (it|them) on the day/ }).click()
  await expect(ribbon(page, /^Saffron, .*bath/)).toHaveCount(1)
})

test('the weeks ahead at a glance, earlier and later ones, on a phone the days with dogs', async ({ page }) => {
  const monday = freshWeeks(1)
  const wednesday = daysAfter(monday, 2)
  const saturday = daysAfter(monday, 5)
  await openDay(page, saturday, ['Moss', 'Quill'])
  await page.goto(`/days?from=${wednesday}`)
  const day = page.getByRole('link', { name: `${inWords(saturday)}, 2 dogs: Moss and Quill` })
  await expect(day).toBeVisible()
  await expect(page.getByRole('link', { name: inWords(daysAfter(monday, 4)), exact: true })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Later' }).click()
  await expect(day).toHaveCount(0)
  await page.getByRole('link', { name: 'Earlier' }).click()
  await expect(day).toBeVisible()
  // the week of a day, and back to the month around it
  await day.click()
  await page.getByRole('link', { name: 'Week', exact: true }).click()
  await expect(day).toBeVisible()
  await expect(page.getByRole('link', { name: inWords(daysAfter(monday, 12)) })).toHaveCount(0)
  await page.getByRole('link', { name: 'Month', exact: true }).click()
  await expect(page.getByRole('link', { name: inWords(daysAfter(monday, 12)), exact: true })).toBeVisible()
  await page.setViewportSize({ width: 360, height: 740 })
  await expect(day).toBeVisible()
  await expect(page.getByRole('link', { name: inWords(daysAfter(monday, 4)), exact: true })).toBeHidden()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)
  await day.click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(inWords(saturday))
})

test('a dog goes to another day with its hours, and comes back by undo', async ({ page }) => {
  const monday = freshWeeks(2)
  const saturday = daysAfter(monday, 5)
  const nextSaturday = daysAfter(monday, 12)
  await openDay(page, saturday, ['Moss', 'Quill'])
  const slips = page.getByRole('list', { name: 'Dogs of the day' }).getByRole('listitem')
  await expect(slips).toHaveCount(2)
  await slips.filter({ hasText: 'Quill' }).getByRole('button').first().click()
  const panel = page.getByRole('region', { name: 'Quill' })
  await panel.getByRole('button', { name: 'Another day' }).click()
  const choice = panel.getByRole('group', { name: 'Move to another day' })
  await giveDate(choice.getByRole('textbox'), nextSaturday)
  await expect(page.getByText(`Quill comes on ${inWords(nextSaturday)} now.`)).toBeVisible()
  await expect(slips).toHaveCount(1)
  const there = async () =>
    ((await (await page.request.get(`/api/days/${nextSaturday}`)).json()) as { record: { seats: unknown[] } }).record
      .seats
  await expect.poll(async () => (await there()).length).toBe(1)
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await expect(page.getByText(`Quill is back on ${inWords(saturday)}.`)).toBeVisible()
  await expect(slips).toHaveCount(2)
  await expect.poll(async () => (await there()).length).toBe(0)
})

test('the move is undone on the day it was made from, whichever day is open; who was on the other day stays', async ({
  page,
}) => {
  const monday = freshWeeks(2)
  const saturday = daysAfter(monday, 5)
  const sunday = daysAfter(monday, 6)
  const nextSaturday = daysAfter(monday, 12)
  const seats = async (date: string) =>
    ((await (await page.request.get(`/api/days/${date}`)).json()) as { record: { seats: unknown[] } }).record.seats
      .length
  await openDay(page, nextSaturday, ['Quill'])
  await openDay(page, saturday, ['Moss', 'Quill'])
  const slips = page.getByRole('list', { name: 'Dogs of the day' }).getByRole('listitem')
  for (const [name, undone] of [
    ['Moss', 1],
    ['Quill', 1],
  ] as const) {
    await page.goto(`/days/${saturday}`)
    await slips.filter({ hasText: name }).getByRole('button').first().click()
    const panel = page.getByRole('region', { name })
    await panel.getByRole('button', { name: 'Another day' }).click()
    await giveDate(panel.getByRole('group', { name: 'Move to another day' }).getByRole('textbox'), nextSaturday)
    await expect(page.getByText(`${name} comes on ${inWords(nextSaturday)} now.`)).toBeVisible()
    await expect.poll(() => seats(saturday)).toBe(1)
    // what is in sight is another day by then, and stays as it is
    await page.getByRole('link', { name: 'Day after' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(inWords(sunday))
    await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
    await expect(page.getByText(`${name} is back on ${inWords(saturday)}.`)).toBeVisible()
    await expect.poll(() => seats(saturday)).toBe(2)
    expect(await seats(nextSaturday)).toBe(undone)
    expect(await seats(sunday)).toBe(0)
  }
})

test('dogs added without hours: times to tell the owners are proposed, and taken', async ({ page }) => {
  const date = freshDay()
  await page.goto(`/days/${date}`)
  for (const name of ['Moss', 'Quill', 'Otis']) {
    if (name !== 'Moss') await page.getByRole('button', { name: 'Add a dog' }).click()
    await page.getByLabel('Find a dog').fill(name)
    await page.getByRole('button', { name: `Other times for ${name}` }).click()
    await page.getByRole('button', { name: 'Any time' }).click()
    await expect(page.getByRole('list', { name: 'Dogs of the day' })).toContainText(name)
  }
  const times = page.getByRole('region', { name: 'Nobody has to wait all day' })
  await expect(times.getByRole('listitem')).toHaveCount(3)
  await expect(times.getByRole('listitem').first()).toContainText(/\d+:\d\d to \d+:\d\d/)
  await expectAccessible(page)
  await times.getByRole('button', { name: 'Take these times' }).click()
  await expect(times).toHaveCount(0)
  const seats = async () =>
    (
      (await (await page.request.get(`/api/days/${date}`)).json()) as {
        record: { hours: { from: number; to: number }; seats: { arrive: number; pickup: number }[] }
      }
    ).record
  await expect
    .poll(async () => {
      const { seats: all, hours } = await seats()
      return all.length === 3 && all.every((s) => s.arrive > hours.from || s.pickup < hours.to)
    })
    .toBe(true)
  expect(new Set((await seats()).seats.map((s) => s.arrive)).size).toBeGreaterThan(1)
})

test('a dog moves to another day of the weeks, by taps and by dragging, and back', async ({ page }) => {
  const monday = freshWeeks(5)
  const wednesday = daysAfter(monday, 2)
  const saturday = daysAfter(monday, 5)
  const friday = daysAfter(monday, 11)
  const sunday = daysAfter(monday, 34)
  const dog = { name: 'Cumulus', coat: 'smooth', weightKg: 8 }
  const { id } = await (await page.request.post('/api/dogs', { data: dog })).json()
  const { record } = await (await page.request.get(`/api/days/${wednesday}`)).json()
  const seats = [{ id: 'cumulus', dogId: id, arrive: 600, pickup: 900 }]
  await page.request.put(`/api/days/${wednesday}`, { data: { version: 0, record: { ...record, seats } } })
  const where = async () =>
    (
      (await (await page.request.get(`/api/weeks?from=${monday}&to=${sunday}`)).json()) as {
        record: { date: string; seats: { dogId: string; arrive: number }[] }
      }[]
    ).flatMap(({ record: { date, seats: on } }) => on.flatMap((s) => (s.dogId === id ? [[date, s.arrive]] : [])))

  await page.goto(`/days?from=${monday}`)
  await expect(page.getByText(/Room for about \d/)).toBeVisible()
  await page.getByRole('button', { name: `Move Cumulus, ${dayAndMonth(wednesday)}` }).click()
  await expect(page.getByText(new RegExp(`^ ?Cumulus of ${dayAndMonth(wednesday)}: choose another day`))).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: `Put Cumulus on ${dayAndMonth(friday)}` }).click()
  await expect(page.getByText(`Cumulus comes on ${inWords(friday)} now.`)).toBeVisible()
  expect(await where()).toEqual([[friday, 600]])
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByText(`Cumulus is back on ${inWords(wednesday)}.`)).toBeVisible()
  expect(await where()).toEqual([[wednesday, 600]])
  const cumulus = (date: string) => page.getByRole('button', { name: `Move Cumulus, ${dayAndMonth(date)}` })
  const target = (await page.getByRole('link', { name: inWords(saturday), exact: true }).boundingBox())!
  await drag(page, cumulus(wednesday), 'mouse', () => ({
    x: target.x + target.width / 2,
    y: target.y + target.height + 10,
  }))
  await expect.poll(where).toEqual([[saturday, 600]])
})

touchTest('a finger that rests on a dog takes it to another day of the weeks', async ({ page }) => {
  const monday = freshWeeks(5)
  const [friday, saturday] = [daysAfter(monday, 4), daysAfter(monday, 5)]
  const ids: Record<string, string> = {}
  // a phone shows the days that have dogs
  for (const [name, date] of [
    ['Cirrus', friday],
    ['Stratus', saturday],
  ] as const) {
    const dog = { name, coat: 'smooth', weightKg: 8 }
    ids[name] = (await (await page.request.post('/api/dogs', { data: dog })).json()).id
    const { record } = await (await page.request.get(`/api/days/${date}`)).json()
    const seats = [{ id: name.toLowerCase(), dogId: ids[name], arrive: 600, pickup: 900 }]
    await page.request.put(`/api/days/${date}`, { data: { version: 0, record: { ...record, seats } } })
  }
  const on = async (date: string) =>
    (await (await page.request.get(`/api/days/${date}`)).json()).record.seats.map((s: { dogId: string }) => s.dogId)
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`/days?from=${monday}`)
  const stratus = page.getByRole('button', { name: `Move Stratus, ${dayAndMonth(saturday)}` })
  await drag(page, stratus, 'finger', async () => {
    await expect(stratus).toHaveAttribute('aria-pressed', 'true')
    const { x, y, height } = (await page.getByRole('link', { name: new RegExp(`^${inWords(friday)}`) }).boundingBox())!
    return { x: x + 40, y: y + height + 10 }
  })
  await expect(page.getByRole('button', { name: `Move Stratus, ${dayAndMonth(friday)}` })).toBeVisible()
  expect(await on(friday)).toEqual([ids.Cirrus, ids.Stratus])
  expect(await on(saturday)).toEqual([])
})

test('who is due in some weeks is put on days that have room, and can be taken off again', async ({ page }) => {
  const monday = freshWeeks(5)
  const thursday1 = daysAfter(monday, 3)
  const thursday3 = daysAfter(monday, 17)
  const thursday5 = daysAfter(monday, 31)
  const sunday = daysAfter(monday, 34)
  const dog = { name: 'Drizzle', coat: 'wire', weightKg: 9 }
  const { id } = await (await page.request.post('/api/dogs', { data: dog })).json()
  const standing = { dogId: id, from: thursday1, rhythm: { kind: 'weeks', every: 2 }, arrive: 570, pickup: 840 }
  expect((await page.request.post('/api/standings', { data: standing })).status()).toBe(201)
  const on = async () =>
    (
      (await (await page.request.get(`/api/weeks?from=${monday}&to=${sunday}`)).json()) as {
        record: { date: string; seats: { dogId: string }[] }
      }[]
    ).flatMap(({ record }) => (record.seats.some((s) => s.dogId === id) ? [record.date] : []))
  await page.goto(`/days?from=${monday}`)
  await page.getByRole('button', { name: 'Find them days' }).click()
  const spread = page.getByRole('region', { name: 'Who is due in these weeks' })
  await expect(spread.getByText('Drizzle')).toHaveCount(3, { timeout: 60_000 })
  await expect(spread).toContainText('9:30 to 14:00')
  await expectAccessible(page)
  await spread.getByRole('button', { name: 'Put them on their days' }).click()
  await expect(page.getByText(/^\d+ visits put down\.$/)).toBeVisible()
  expect(await on()).toEqual([thursday1, thursday3, thursday5])
  await expect(page.getByRole('button', { name: `Move Drizzle, ${dayAndMonth(daysAfter(monday, 17))}` })).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByText('Taken off again.')).toBeVisible()
  expect(await on()).toEqual([])
})
