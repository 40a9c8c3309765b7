import axe, { type AxeResults, type RunOptions } from 'axe-core'
import { expect, type Locator, type Page } from '@playwright/test'

/** Adds a dog by the quick form and lands on its recipe. */
export async function addDog(page: Page, name: string, breed: string, weight?: string) {
  await page.goto('/dogs')
  await page.getByLabel('Name', { exact: true }).fill(name)
  await page.getByLabel('Breed or mix').fill(breed)
  await page.keyboard.press('Escape')
  if (weight) await page.getByLabel(/^Weight, (kg|lb)$/).fill(weight)
  await page.getByRole('button', { name: 'Add and plan the wash' }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
  await expect(page.getByTestId('water')).toBeVisible()
}

/** Opens the recipe of a dog of the demonstration. */
export async function openRecipe(page: Page, name: string) {
  await page.goto('/dogs')
  await page.getByRole('link', { name: `Recipe for ${name}` }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
}

/** Goes to a part of a dog's record that is open. */
export async function openPart(page: Page, part: string) {
  const link = page.getByRole('navigation', { name: 'Parts of the record' }).getByRole('link', { name: part })
  await link.click()
  await expect(link).toHaveAttribute('aria-current', 'page')
}

/** The first number in an element's text. */
export async function numberIn(page: Page, testId: string): Promise<number> {
  const text = await page.getByTestId(testId).innerText()
  return Number(/[\d.]+/.exec(text)?.[0])
}

/** The rule of the contrast of colours, which takes longer than all others together. */
const CONTRAST = 'color-contrast'

/** What is seriously wrong on the page as it stands, by its place. What looks at it is given to each page once. */
async function seriousIn(page: Page, how: RunOptions): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  // sheets aren't fetched anew, and what is well isn't gathered
  const { violations } = await page.evaluate<AxeResults, RunOptions>(
    (options) => (window as unknown as { axe: typeof import('axe-core') }).axe.run(options),
    { ...how, preload: false, resultTypes: ['violations'] },
  )
  const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical')
  return serious.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.target.join(' ')}: ${n.any[0]?.message ?? ''}`))
}

/** Fails on any serious or critical accessibility violation of the page as it stands, but for contrast: every view is looked at for that once in each theme (`contrast.spec.ts`). */
export async function expectAccessible(page: Page) {
  const tags = ['wcag2a', 'wcag2aa', 'wcag21aa']
  const wrong = await seriousIn(page, { runOnly: tags, rules: { [CONTRAST]: { enabled: false } } })
  expect(wrong).toEqual([])
}

/** Texts of the page as it stands that are hard to tell from their ground, by their place. */
export const faintIn = (page: Page) => seriousIn(page, { runOnly: [CONTRAST] })

/** A field that is a list, by what is typed in. */
export const listOf = (page: Page, field: Locator) => page.getByTestId('select').filter({ has: field })

/** Chooses an option of a list by its words. */
export async function choose(page: Page, field: Locator, option: string | RegExp) {
  await listOf(page, field).click()
  const shown = page.getByTestId('option').filter({ visible: true })
  const wanted = shown.filter({ hasText: option }).first()
  // a long list draws only what is in sight: what is looked for is typed
  if (typeof option === 'string' && (await field.getAttribute('readonly')) === null) await field.fill(option)
  await wanted.click()
  await expect(shown).toHaveCount(0)
}

/** What a list stands at. */
export const chosenIn = (page: Page, field: Locator) => listOf(page, field).getByTitle(/./)

/** Types a date and confirms it. */
export async function giveDate(field: Locator, iso: string) {
  // a click opens the calendar and lets the field be typed in
  await field.click()
  await field.fill(iso)
  await field.press('Enter')
}

/** Takes what is offered under a field that may hold anything. */
export const takeOffered = (page: Page, text: string | RegExp) =>
  page.getByTestId('option').filter({ hasText: text, visible: true }).first().click()

interface Point {
  x: number
  y: number
}
/** How often a finger reaches for something. */
const REACHES = 4
/** Where the middle of something is, once it stands still and nothing lies over it. */
async function reachFor(what: Locator, by: 'mouse' | 'finger'): Promise<Point> {
  // away from the edges, where a little more above it would push it out of sight
  await what.evaluate((element) => element.scrollIntoView({ block: 'center', inline: 'nearest' }))
  await what.hover({ trial: by === 'finger' })
  const box = (await what.boundingBox())!
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
}

/**
 * Takes hold of something in its middle, by mouse or by one finger, and lets it go at a point of the window, which is
 * asked for once it is in hand.
 */
export async function drag(
  page: Page,
  what: Locator,
  by: 'mouse' | 'finger',
  to: (from: Point) => Point | Promise<Point>,
) {
  let from = await reachFor(what, by)
  const along = ({ x, y }: Point) =>
    [0.2, 0.4, 0.6, 0.8, 1].map((part) => ({ x: from.x + (x - from.x) * part, y: from.y + (y - from.y) * part }))
  if (by === 'mouse') {
    await page.mouse.move(from.x, from.y)
    await page.mouse.down()
    for (const at of along(await to(from))) await page.mouse.move(at.x, at.y)
    return page.mouse.up()
  }
  const finger = await page.context().newCDPSession(page)
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', touchPoints: Point[]) =>
    finger.send('Input.dispatchTouchEvent', { type, touchPoints })
  // what is still being put up may have moved on: a finger that came down beside it is lifted, and reaches for it again
  const touched = () => what.evaluate((element) => (element as { touched?: boolean }).touched === true)
  await what.evaluate((element) => {
    Object.assign(element, { touched: false })
    element.addEventListener('pointerdown', () => Object.assign(element, { touched: true }), { once: true })
  })
  await touch('touchStart', [from])
  for (let tries = 1; tries < REACHES && !(await touched()); tries++) {
    await touch('touchEnd', [])
    from = await reachFor(what, by)
    await touch('touchStart', [from])
  }
  for (const at of along(await to(from))) await touch('touchMove', [at])
  await touch('touchEnd', [])
  await finger.detach()
}

/** What a page saves at an address doesn’t get through, until the route is taken away. */
export const cutOff = (page: Page, address: string) =>
  page.route(address, (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()))

/** The visits of the logbook, the newest first; whose they are depends on which tests ran before on the same room. */
export const loggedVisits = (page: Page) => page.getByRole('listitem').filter({ hasText: /, planned \d/ })
