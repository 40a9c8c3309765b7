import { arranged, openDay, partsOf, ribbon, type DogRow } from './day'
import { clockTest, expect, test } from './program'
import { daysAfter, freshDay, freshWeeks } from './dates'
import { expectAccessible } from './steps'

clockTest('running late: what is done stays, the rest is arranged from now', async ({ page }) => {
  const monday = freshWeeks(1)
  const saturday = daysAfter(monday, 5)
  const sunday = daysAfter(monday, 6)
  await page.clock.setFixedTime(`${saturday}T07:05:00`)
  await openDay(page, sunday, ['Moss'])
  // a day to come can’t run late
  await expect(page.getByRole('button', { name: 'Running late' })).toHaveCount(0)
  await openDay(page, saturday, ['Moss', 'Fig', 'Quill'])
  const before = await partsOf(page)
  expect(before.size).toBeGreaterThan(8)
  await page.clock.setFixedTime(`${saturday}T09:05:00`)
  await page.reload()
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

clockTest(
  'today begins now: nothing that wasn’t begun is planned before, until somebody says that it was',
  async ({ page }) => {
    const date = freshDay()
    await page.clock.setFixedTime(`${date}T07:30:00`)
    await openDay(page, date, ['Moss', 'Fig', 'Quill'])
    const planned = await partsOf(page)
    await expect(page.getByTestId('not-begun')).toHaveCount(0)
    await page.clock.setFixedTime(`${date}T13:07:00`)
    await page.reload()
    await expect(page.getByTestId('not-begun')).toContainText('It is 13:07 and nothing was begun yet')
    await expect(page.getByTestId('finding')).toBeVisible()
    for (const [part, { from }] of await partsOf(page)) expect([part, from >= 787]).toEqual([part, true])
    await page.getByRole('button', { name: 'Add a dog' }).click()
    const add = page.getByRole('region', { name: 'Add a dog' })
    await expect(add.getByRole('status').first()).not.toHaveText('trying')
    for (const said of await add.getByRole('status').allInnerTexts()) {
      const ready = /ready at (\d+):(\d+)/.exec(said)
      if (ready) expect([said, 60 * Number(ready[1]) + Number(ready[2]) > 787]).toEqual([said, true])
    }
    await page.getByRole('button', { name: 'It goes as planned' }).click()
    await expect(page.getByText(/The day stands at 13:07/)).toBeVisible()
    expect(await partsOf(page)).toEqual(planned)
    await page.getByRole('button', { name: /^Undo/ }).click()
    await expect(page.getByTestId('not-begun')).toBeVisible()
  },
)

clockTest(
  'today follows the tub: what was begun there stands, the rest begins from now, and it is not planned again',
  async ({ page }) => {
    const date = freshDay()
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
  },
)

test('two pins that can’t both be: the day says which facts clash', async ({ page }) => {
  const date = freshDay()
  const dogs = (await (await page.request.get('/api/dogs')).json()) as DogRow[]
  const id = (name: string) => dogs.find((d) => d.record.name === name)!.id
  const { record } = await (await page.request.get(`/api/days/${date}`)).json()
  const seats = ['Moss', 'Fig'].map((name) => ({
    id: name.toLowerCase(),
    dogId: id(name),
    arrive: 480,
    pickup: 1020,
    pins: { bath: 600 },
  }))
  await page.request.put(`/api/days/${date}`, { data: { version: 0, record: { ...record, seats } } })
  await page.goto(`/days/${date}`)
  await expect(page.getByTestId('clash')).toContainText('the pin of Moss at 10:00')
  await expect(page.getByTestId('clash')).toContainText('the pin of Fig at 10:00')
})

test('a pin that a later arrival makes impossible is told and let go, the day stays in sight', async ({ page }) => {
  const date = freshDay()
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

test('an overfull day says what it takes; the rest comes off, or goes on another date', async ({ page }) => {
  const monday = freshWeeks(1)
  const sunday = daysAfter(monday, 6)
  const giants: string[] = []
  for (let n = 1; n <= 4; n++) {
    const giant = { name: `Giant ${n}`, coat: 'long double', weightKg: 65, coatLengthCm: 12, density: 'dense' }
    giants.push((await (await page.request.post('/api/dogs', { data: giant })).json()).id)
  }
  const date = daysAfter(monday, 5)
  const { record } = await (await page.request.get(`/api/days/${date}`)).json()
  const seats = giants.map((dogId, i) => ({ id: `giant-${i}`, dogId, arrive: 480, pickup: 1020 }))
  // one pair of hands, and too much for one day
  const data = { version: 0, record: { ...record, helper: null, seats } }
  expect((await page.request.put(`/api/days/${date}`, { data })).status()).toBe(200)
  await page.goto(`/days/${date}`)
  const clash = page.getByTestId('clash')
  await expect(clash).toContainText(
    /The 4 dogs need \d+ h .* of hands, and the house is open for 9 h. It takes Giant 1/,
  )
  await expectAccessible(page)
  await clash.getByLabel('Or put them on').click()
  await clash.getByLabel('Or put them on').fill(sunday)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(new RegExp(sunday))
  const on = async (of: string) =>
    ((await (await page.request.get(`/api/days/${of}`)).json()) as { record: { seats: { id: string }[] } }).record.seats
  await expect.poll(async () => (await on(date)).length).toBe(1)
  expect((await on(sunday)).map((s) => s.id)).toEqual(['giant-1', 'giant-2', 'giant-3'])
})

test('dogs that a day can’t take: the next days are tried, and they move to the first that takes them', async ({
  page,
}) => {
  const monday = freshWeeks(6)
  const sunday = daysAfter(monday, 6)
  const saturday = daysAfter(monday, 40)
  const date = daysAfter(monday, 5)
  const seats: object[] = []
  for (let n = 1; n <= 3; n++) {
    const titan = { name: `Titan ${n}`, coat: 'long double', weightKg: 50, coatLengthCm: 9, density: 'dense' }
    const { id } = await (await page.request.post('/api/dogs', { data: titan })).json()
    seats.push({ id: `titan-${n}`, dogId: id, arrive: 480, pickup: 1020 })
  }
  const { record } = await (await page.request.get(`/api/days/${date}`)).json()
  const data = { version: 0, record: { ...record, helper: null, seats } }
  expect((await page.request.put(`/api/days/${date}`, { data })).status()).toBe(200)
  await page.goto(`/days/${date}`)
  const clash = page.getByTestId('clash')
  const move = clash.getByRole('button', { name: /^Move it ?there: Titan/ })
  await expect(move).toHaveCount(2, { timeout: 60_000 })
  await expect(clash).toContainText(/Titan \d: \w+ \d+ \w+ fits, ends \d+:\d\d/)
  await expectAccessible(page)
  await move.first().click()
  await expect(page.getByText(/^Titan \d comes on \w+ \d+ \w+ \d{4} now\.$/)).toBeVisible()
  const on = async (from: string, to: string) =>
    (
      (await (await page.request.get(`/api/weeks?from=${from}&to=${to}`)).json()) as { record: { seats: object[] } }[]
    ).flatMap((d) => d.record.seats).length
  await expect.poll(() => on(date, date)).toBe(2)
  expect(await on(sunday, saturday)).toBe(1)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect.poll(() => on(date, date)).toBe(3)
})
