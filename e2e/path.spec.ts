import { ribbon, slip } from './day'
import { daysAfter, firstSaturday } from './dates'
import { expect, test } from './program'
import { drag, expectAccessible, giveDate } from './steps'

/** A groomer's own dogs, entered one by one where the day asks who comes. */
const DOGS = [
  ['Bracken', 'Border Terrier'],
  ['Teasel', 'Cockapoo'],
  ['Vole', 'Whippet'],
  ['Heather', 'Shih Tzu'],
  ['Otter', 'Labrador Retriever'],
  ['Plover', 'Bichon Frise'],
  ['Sorrel', 'Pug'],
  ['Wigeon', 'Golden Retriever'],
] as const

for (const [device, width] of [
  ['laptop', 1280],
  ['phone', 390],
] as const)
  test.describe(`the groomer’s own path on a ${device}`, () => {
    test.use({ room: 'own', setsClock: true, touch: device === 'phone' })
    test('from nothing: eight dogs at times that are offered; one called off, dragged, a helper; a walk-in, late', async ({
      page,
    }) => {
      await page.setViewportSize({ width, height: 844 })
      const date = daysAfter(firstSaturday(), 7)
      await page.clock.setFixedTime(`${date}T07:05:00`)
      await page.goto(`/days/${date}`)
      await expect(page.getByRole('heading', { name: 'Who comes?' })).toBeVisible()
      for (const [name, breed] of DOGS) {
        const panel = page.getByRole('region', { name: 'Add a dog' })
        await panel.getByLabel('Find a dog').fill(name)
        await panel.getByRole('button', { name: /^Enter (it first|the first|another)$/ }).click()
        const form = page.getByRole('form', { name: 'Add a dog' })
        await form.getByLabel('Breed or mix').fill(breed)
        await form.getByRole('button', { name: /^Add/ }).click()
        await expect(slip(page, name)).toBeVisible()
        await page.getByRole('button', { name: 'Add a dog' }).click()
      }
      await page.getByRole('region', { name: 'Add a dog' }).getByRole('button', { name: 'Close' }).click()
      const stored = async () => (await (await page.request.get(`/api/days/${date}`)).json()).record
      await expect.poll(async () => (await stored()).seats.length).toBe(DOGS.length)
      const { seats, hours } = (await stored()) as {
        seats: { arrive: number; pickup: number }[]
        hours: { from: number; to: number }
      }
      // those that fit come staggered and are fetched soon after they are ready; who doesn't stays for as long as it is open
      const offered = seats.filter((s) => s.arrive > hours.from || s.pickup < hours.to)
      expect(offered.length).toBeGreaterThanOrEqual(4)
      expect(new Set(offered.map((s) => s.arrive)).size).toBe(offered.length)
      await expectAccessible(page)

      await slip(page, 'Wigeon').click()
      const wigeon = page.getByRole('region', { name: 'Wigeon' })
      await wigeon.getByRole('button', { name: 'Take off the day' }).click()
      const waiting = page.getByRole('region', { name: 'To be placed' })
      await expect(waiting.getByRole('listitem')).toHaveCount(1)
      await waiting.getByRole('button', { name: 'Next days' }).click()
      await giveDate(waiting.getByRole('group', { name: 'A day for Wigeon' }).getByRole('textbox'), daysAfter(date, 7))
      await expect(waiting).toHaveCount(0)

      await slip(page, 'Vole').click()
      const vole = page.getByRole('region', { name: 'Vole' })
      await vole.getByRole('button', { name: '5 min later' }).click()
      // held, and let go again: nothing stands in the way of the next one
      await vole.getByRole('button', { name: /^Let go/ }).click()
      await expect(vole.getByRole('button', { name: /^Let go/ })).toHaveCount(0)
      await vole.getByRole('button', { name: 'Close' }).click()

      const bath = ribbon(page, /^Teasel, .*bath/)
      await drag(page, bath, device === 'laptop' ? 'mouse' : 'finger', ({ x, y }) => ({ x: x + 40, y }))
      await expect(bath).toHaveAttribute('aria-label', /held$/)

      await page.getByRole('button', { name: 'Hours, helper, water' }).click()
      await page
        .getByRole('group', { name: /helps$/ })
        .getByRole('radio', { name: 'yes' })
        .check()
      await expect.poll(async () => (await stored()).helper).not.toBeNull()
      await page.getByRole('button', { name: 'Arrange again' }).click()
      await expect(page.getByTestId('day-end')).toBeVisible()

      await page.clock.setFixedTime(`${date}T10:10:00`)
      await page.reload()
      await page.getByRole('button', { name: 'It goes as planned' }).click()
      await page.getByRole('button', { name: 'Add a dog' }).click()
      const walkIn = page.getByRole('region', { name: 'Add a dog' })
      await walkIn.getByLabel('Find a dog').fill('Nettle')
      await walkIn.getByRole('button', { name: /^Enter it first$/ }).click()
      const form = page.getByRole('form', { name: 'Add a dog' })
      await form.getByLabel('Breed or mix').fill('Whippet')
      await form.getByRole('button', { name: /^Add/ }).click()
      await expect(slip(page, 'Nettle')).toBeVisible()
      await expect.poll(async () => (await stored()).seats.length).toBe(DOGS.length)
      // whoever comes unasked comes from now on
      expect((await stored()).seats.at(-1).arrive).toBeGreaterThanOrEqual(610)

      await page.getByRole('button', { name: 'Running late' }).click()
      const stands = page.getByRole('region', { name: 'Where the day stands' })
      await stands.getByRole('button', { name: 'Arrange the rest' }).click()
      await expect(page.getByText(/The day stands at 10:10/)).toBeVisible()
      const wide = await page.evaluate(() => document.documentElement.scrollWidth)
      expect(wide).toBeLessThanOrEqual(width)
    })
  })
