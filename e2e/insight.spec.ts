import type { Page } from '@playwright/test'
import { arranged } from './day'
import { firstSaturday } from './dates'
import { expect, test } from './program'

// the demonstration as it is made: no other test has put a dog on its days
test.use({ room: 'untouched' })

/** What can be in sight of a view before it is too much: controls, words, and how high it is at 1280 wide, px. */
interface Budget {
  controls: number
  words: number
  height: number
}

/** What a person sees of a view: a control within another counts once, what is folded up doesn't. */
const inSight = (page: Page): Promise<Budget> =>
  page.evaluate(() => {
    const seen = (element: Element) => {
      const { width, height } = element.getBoundingClientRect()
      return width >= 1 && height >= 1 && element.checkVisibility({ visibilityProperty: true })
    }
    const main = document.querySelector('main')!
    const controls = [
      ...main.querySelectorAll('a[href],button,input,select,textarea,[role=button],[role=tab],[role=combobox]'),
    ].filter(seen)
    const outer = controls.filter((c) => !controls.some((other) => other !== c && other.contains(c)))
    return {
      controls: outer.length,
      words: (main.innerText.match(/\p{L}{2,}/gu) ?? []).length,
      height: document.documentElement.scrollHeight,
    }
  })

async function expectWithin(page: Page, budget: Budget) {
  const { controls, words, height } = await inSight(page)
  const over = Object.entries({ controls, words, height }).filter(([what, n]) => n > budget[what as keyof Budget])
  expect(over).toEqual([])
}

test('the day of the demonstration answers at the first look: few controls, few words, one verdict', async ({
  page,
}) => {
  await page.goto(`/days/${firstSaturday()}`)
  await arranged(page)
  await expect(page.getByText('Trying ways out')).toHaveCount(0)
  await expectWithin(page, { controls: 45, words: 260, height: 1000 })
})

test('a dog is added from the keyboard within six steps of the day’s top', async ({ page }) => {
  await page.goto(`/days/${firstSaturday()}`)
  await arranged(page)
  await page.getByRole('heading', { level: 1 }).click()
  const add = page.getByRole('button', { name: 'Add a dog' })
  let steps = 0
  while (steps < 6 && !(await add.evaluate((button) => button === document.activeElement))) {
    await page.keyboard.press('Tab')
    steps++
  }
  await expect(add).toBeFocused()
})

test('a recipe is a card of five lines; each opens to all that it rests on, and the device remembers who wants all', async ({
  page,
}) => {
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  const { id } = dogs.find((d) => d.record.name === 'Juniper')!
  await page.goto(`/dogs/${id}/recipe`)
  await page.getByRole('button', { name: 'Fold it up' }).click()
  const line = (about: string) => page.getByRole('button', { name: new RegExp(`^${about} `) })
  await expect(line('Wash')).toContainText(/1 part \+ \d+ water.*mL/)
  await expect(line('Water')).toContainText(/\d+ °C/)
  await expect(line('Rinse')).toContainText(/pass/)
  await expect(line('Ears')).toBeVisible()
  await expect(line('Dry')).toContainText(/\d+ min/)
  await expect(page.getByRole('button', { name: 'Change the water' })).toHaveCount(0)
  await expectWithin(page, { controls: 40, words: 300, height: 900 })

  await line('Water').click()
  await page.getByRole('button', { name: 'Change the water' }).click()
  await page.getByLabel('the water, °C').fill('35')
  await page.getByRole('button', { name: 'Use mine' }).click()
  await expect(line('Water')).toContainText('35 °C')

  await page.reload()
  await expect(page.getByRole('button', { name: 'Change the water' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Open all of it' }).click()
  await expect(page.getByRole('button', { name: 'Change the minutes' }).first()).toBeVisible()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Change the minutes' }).first()).toBeVisible()
})

test('each page of the house is small; what is looked for is found by any of its words', async ({ page }) => {
  await page.goto('/house')
  const pages = page.getByRole('navigation', { name: 'Pages of the house' }).getByRole('link')
  await expect(pages.first()).toHaveAttribute('aria-current', 'page')
  for (const address of await pages.evaluateAll((all) => all.map((a) => a.getAttribute('href')!))) {
    await page.goto(address)
    await expect(page.locator('main [aria-current=page]')).toHaveAttribute('href', address)
    await expectWithin(page, { controls: 25, words: 260, height: 1000 })
  }
  for (const [word, found] of [
    ['noise', 'Dryers, ears and back'],
    ['tank', 'Water and power'],
    ['export', 'Records, backups, devices'],
  ] as const) {
    await page.getByLabel('Find in the house').fill(word)
    await expect(pages.first()).toHaveText(found)
  }
  await page.getByLabel('Find in the house').fill('no such thing')
  await expect(page.getByText('Nothing of the house is called that.')).toBeVisible()
})

test('a record opens with its dog, and a row of the list is a few facts', async ({ page }) => {
  await page.goto('/dogs')
  const row = page.getByRole('link', { name: / Juniper / }).first()
  await expect(row).toContainText(/^Juniper\s*Keeshond, 18 kg\s*Tom Arkwright: \D+\d+ \p{L}+$/u)
  await row.click()
  await expect(page.getByRole('heading', { name: 'Juniper', level: 1 })).toBeVisible()
  await expectWithin(page, { controls: 35, words: 200, height: 1000 })
})

test('the logbook opens with its visits; what it taught and figures are behind a tap', async ({ page }) => {
  await page.goto('/logbook')
  await expect(page.getByRole('link', { name: 'Pesto' }).first()).toBeVisible()
  await expectWithin(page, { controls: 40, words: 300, height: 1400 })
})

test('a check-in on a phone is one and a half screens, with what it takes and Done always at hand', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; record: { name: string } }[]
  const { id } = dogs.find((d) => d.record.name === 'Juniper')!
  await page.goto(`/dogs/${id}/check-in?date=${firstSaturday()}`)
  await expect(page.getByText('As last time')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Picked up by / })).toBeVisible()
  await expectWithin(page, { controls: 30, words: 150, height: 1.5 * 844 })
  const done = page.getByRole('link', { name: /^Done/ })
  await expect(done).toBeInViewport({ ratio: 1 })
  await page.getByRole('checkbox', { name: 'greasy' }).check()
  await page.getByRole('radio', { name: 'filthy' }).check()
  await page.getByRole('checkbox', { name: 'fleas' }).check()
  // what changed is a line, the fields stay in sight; it opens
  const changed = page.getByRole('button', { name: /^What changed: \d/ })
  await expect(changed).toBeInViewport({ ratio: 1 })
  expect((await changed.boundingBox())!.y).toBeGreaterThan(844 - 130)
  await changed.press('Enter')
  await expect(page.getByRole('region', { name: 'What changed' })).toContainText('→')
  await expect(done).toBeInViewport({ ratio: 1 })
  const { y } = (await done.boundingBox())!
  expect(y).toBeGreaterThan(844 - 70)
})
