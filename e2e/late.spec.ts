import type { Page } from '@playwright/test'
import { expect, test } from './program'
import { daysAfter, freshDay } from './dates'

/** Holds the answer to an address back: when it is asked, and what lets it go and waits for it. */
async function holdBack(page: Page, address: RegExp) {
  let letGo = () => {}
  const held = new Promise<void>((resolve) => (letGo = resolve))
  await page.route(address, async (route) => {
    await held
    await route.continue()
  })
  const asked = page.waitForRequest(address)
  return {
    asked,
    async letGo() {
      const came = page.waitForResponse(address)
      letGo()
      await (await came).finished()
      // the page has had every chance to take it up
      await page.evaluate(async () => {
        for (let turn = 0; turn < 20; turn++) await new Promise((next) => requestAnimationFrame(next))
      })
    },
  }
}
/** Goes to another address as a link does, without a reload. */
async function goTo(page: Page, path: string) {
  // the address can be open before the program is
  await page.waitForFunction(() => document.querySelector('#app')?.hasAttribute('data-v-app'))
  await page.evaluate((to) => {
    const root = document.querySelector('#app') as unknown as {
      __vue_app__: { config: { globalProperties: { $router: { push: (to: string) => void } } } }
    }
    root.__vue_app__.config.globalProperties.$router.push(to)
  }, path)
}

/** A dog of the test's own, which no other test brings on any day. */
async function newDog(page: Page, name: string): Promise<string> {
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { record: { name: string } }[]
  const record = { ...dogs.find((d) => d.record.name === 'Moss')!.record, name }
  const made = await page.request.post('/api/dogs', { data: record })
  expect(made.status()).toBe(201)
  return ((await made.json()) as { id: string }).id
}

async function dogIds(page: Page, ...names: string[]) {
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  return names.map((name) => dogs.find((d) => d.record.name === name)!.id)
}

test('an answer that comes late shows and changes no other day', async ({ page }) => {
  const first = freshDay()
  const second = daysAfter(first, 1)
  for (const [date, dogId, id] of [
    [first, await newDog(page, 'Earlier'), 'a'],
    [second, await newDog(page, 'Later'), 'b'],
  ] as const) {
    const day = await (await page.request.get(`/api/days/${date}`)).json()
    const seats = [{ id, dogId, arrive: 540, pickup: 960 }]
    await page.request.put(`/api/days/${date}`, { data: { version: day.version, record: { ...day.record, seats } } })
  }
  await page.goto('/dogs')
  const late = await holdBack(page, new RegExp(`/api/days/${first}$`))
  await goTo(page, `/days/${first}`)
  await late.asked
  await goTo(page, `/days/${second}`)
  const list = page.locator('main')
  await expect(list.getByText('Later').first()).toBeVisible()
  await late.letGo()
  await expect(page).toHaveURL(new RegExp(second))
  await expect(list.getByText('Later').first()).toBeVisible()
  await expect(list.getByText('Earlier')).toHaveCount(0)
})

test('an answer that comes late shows no other dog’s recipe', async ({ page }) => {
  const date = freshDay()
  const [moss, fig] = await dogIds(page, 'Moss', 'Fig')
  await page.goto('/dogs')
  const late = await holdBack(page, new RegExp(`/api/dogs/${moss}$`))
  await goTo(page, `/dogs/${moss}/recipe?date=${date}`)
  await late.asked
  await goTo(page, `/dogs/${fig}/recipe?date=${date}`)
  await expect(page.getByRole('heading', { level: 1, name: 'Fig' })).toBeVisible()
  await late.letGo()
  await expect(page.getByRole('heading', { level: 1, name: 'Fig' })).toBeVisible()
  await expect(page.getByRole('heading', { level: 1, name: 'Moss' })).toHaveCount(0)
})

test('an answer that comes late shows no other dog’s record', async ({ page }) => {
  const [moss, fig] = await dogIds(page, 'Moss', 'Fig')
  await page.goto('/dogs')
  const late = await holdBack(page, new RegExp(`/api/dogs/${moss}$`))
  await goTo(page, `/dogs/${moss}`)
  await late.asked
  await goTo(page, `/dogs/${fig}`)
  await expect(page.getByRole('heading', { level: 1, name: 'Fig' })).toBeVisible()
  await late.letGo()
  await expect(page.getByRole('heading', { level: 1, name: 'Fig' })).toBeVisible()
})

test('a dog added before it was known when it can come goes on the day that was in sight, though another is by then', async ({
  page,
}) => {
  const first = freshDay()
  const second = daysAfter(first, 1)
  const id = await newDog(page, 'Hasty')
  await page.goto('/dogs')
  const late = await holdBack(page, /\/api\/memory\?/)
  await goTo(page, `/days/${first}`)
  await page.getByLabel('Find a dog').fill('Hasty')
  await late.asked
  await page.getByRole('button', { name: 'Add Hasty' }).click()
  await goTo(page, `/days/${second}`)
  await late.letGo()
  const dogsOn = async (date: string) =>
    (
      (await (await page.request.get(`/api/days/${date}`)).json()) as { record: { seats: { dogId: string }[] } }
    ).record.seats.map((s) => s.dogId)
  await expect.poll(() => dogsOn(first)).toEqual([id])
  await expect(page.getByRole('heading', { name: 'No dogs on this day' })).toBeVisible()
  expect(await dogsOn(second)).toEqual([])
})
