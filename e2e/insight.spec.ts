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
