import type { Page } from '@playwright/test'
import { clockTest, coldTest, expect, test } from './program'
import { daysAfter, freshDay, freshWeeks, now } from './dates'
import { addDog, expectAccessible, openPart } from './steps'
import { primary } from './tub'

interface Kept {
  id: string
  record: { name: string }
}
const idOf = async (page: Page, name: string) => {
  const dogs = (await (await page.request.get('/api/dogs')).json()) as Kept[]
  return dogs.find((d) => d.record.name === name)!.id
}
/** Keeps a dog's recipe for a day and opens it at the tub at one of its steps. */
async function atStep(page: Page, name: string, today: { date: string } & object, step: string): Promise<string> {
  const { id } = await (
    await page.request.post('/api/visits', { data: { dogId: await idOf(page, name), today } })
  ).json()
  await page.request.post(`/api/visits/${id}/events`, {
    data: { events: [{ id: crypto.randomUUID(), at: now(), device: '', kind: 'step', step }] },
  })
  await page.goto(`/tub/${id}`)
  await expect(page.getByTestId('tub-step')).toBeVisible()
  return id as string
}
/** A picture as a camera gives it: 12 megapixels. */
async function picture(page: Page): Promise<Buffer> {
  const bytes = await page.evaluate(async () => {
    const canvas = document.createElement('canvas')
    Object.assign(canvas, { width: 4000, height: 3000 })
    const drawing = canvas.getContext('2d')!
    for (let i = 0; i < 400; i++) {
      drawing.fillStyle = `hsl(${i} 60% 50%)`
      drawing.fillRect((i * 97) % 4000, (i * 53) % 3000, 260, 190)
    }
    const blob = await new Promise<Blob>((done) => canvas.toBlob((b) => done(b!), 'image/jpeg'))
    return [...new Uint8Array(await blob.arrayBuffer())]
  })
  return Buffer.from(bytes)
}
const more = async (page: Page, what: string) => {
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('button', { name: what }).click()
}

clockTest(
  'an ear from looking to clean: filled, massaged by its own clock, wiped; a sign found stops the other',
  async ({ page }) => {
    const date = freshDay()
    const waxy = { wax: 2, moist: false }
    const id = await atStep(page, 'Pesto', { date, leftEar: waxy, rightEar: waxy } as never, 'ears')
    const ears = page.getByTestId('ears')
    await expect(ears).toContainText('Normal: pale pink or greyish')
    await expectAccessible(page)
    await page.clock.install({ time: now() })
    await ears.getByRole('button', { name: 'Looks and smells healthy' }).click()
    await expect(ears).toContainText('Never swabs, vinegar')
    await ears.getByRole('button', { name: /It is in: massage/ }).click()
    await expect(ears.getByRole('timer')).toContainText('25')
    await page.clock.fastForward('00:26')
    await expect(ears).toContainText('Real cotton round a finger, only as far as you see')
    await ears.getByRole('button', { name: /^Still dirty/ }).click()
    await expect(ears.getByRole('button', { name: 'Left: round 2' })).toBeVisible()
    await ears.getByRole('button', { name: /^Cotton clean/ }).click()
    await expect(ears).toContainText('what got wet is dried')
    await ears.getByRole('button', { name: 'Dried' }).click()
    await expect(ears.getByRole('button', { name: 'Left: clean, 2 rounds' })).toBeVisible()
    await ears.getByRole('button', { name: 'A stop sign' }).click()
    await ears.getByRole('button', { name: 'Bad smell' }).click()
    await expect(ears).toContainText('Stop here: nothing goes in. The vet should look.')
    await expect(ears.getByRole('button', { name: /It is in/ })).toHaveCount(0)
    const kinds = async () => {
      const { events } = await (await page.request.get(`/api/visits/${id}/events`)).json()
      return (events as { kind: string }[]).map((e) => e.kind)
    }
    // what was tapped last is sent a moment later
    await expect.poll(kinds).toEqual(expect.arrayContaining(['earDid', 'ear', 'earSigns']))
  },
)

test('what the hands do stands at the zone in hand, with why for whoever asks', async ({ page }) => {
  const date = freshDay()
  await atStep(page, 'Nimbus', { date }, 'lather-1')
  await expect(page.getByTestId('next-zone')).toHaveText('Next: feet')
  await expect(page.getByTestId('how-to')).toContainText('Between the toes, top and bottom.')
  await page.getByRole('button', { name: 'feet', exact: true }).click()
  await expect(page.getByTestId('how-to')).toContainText('Legs forward and back only')
  await page.getByText(/^Why/).click()
  await expect(page.getByText('Shoulders and hips don’t turn outwards')).toBeVisible()
})

test('dryer, setting and distance of the zone in hand; damp here; all dry already', async ({ page }) => {
  const date = freshDay()
  await atStep(page, 'Nimbus', { date }, 'dry-fast')
  await expect(page.getByTestId('fast-air')).toContainText(/(Hindlegs|All but).*from \d+ cm/)
  await expect(page.getByTestId('fast-air')).toContainText(/No fast air: .*head/)
  await primary(page).click()
  await expect(page.getByTestId('next-zone')).toContainText('Hindlegs and inner thighs')
  await expect(page.locator('.step')).toContainText(/Stand dryer, [\d.]+ min, \w+, from \d+ cm, nozzle/)
  await page.getByRole('button', { name: 'Damp here' }).click()
  await page.getByRole('button', { name: 'Dry to the skin' }).click()
  await expect(page.getByTestId('next-zone')).toContainText('Tail and its root')
  await page.getByRole('button', { name: 'All dry already' }).click()
  await expect(page.getByTestId('next-zone')).toHaveText('Every zone is done')
})

test('on a phone the mix, the zones and the next action are seen without scrolling', async ({ page }) => {
  const date = freshDay()
  await page.setViewportSize({ width: 390, height: 844 })
  await atStep(page, 'Nimbus', { date }, 'lather-1')
  await expect(page.getByTestId('say-now')).toBeInViewport({ ratio: 1 })
  for (const zone of ['feet', 'ears', 'tail and its root'])
    await expect(page.getByRole('button', { name: zone, exact: true })).toBeInViewport({ ratio: 1 })
  await expect(page.getByRole('button', { name: /^Done: / })).toBeInViewport({ ratio: 1 })
  await expect(page.getByRole('button', { name: 'Something happened' })).toBeInViewport({ ratio: 1 })
  const mind = await page.getByTestId('mind').boundingBox()
  expect(mind!.height).toBeLessThan(844 / 3)
})

coldTest(
  'a photograph is kept scaled and shown; a broken one says what to do; without network it waits here',
  async ({ page, context }) => {
    const date = freshDay()
    await addDog(page, 'Cinder', 'Border Collie')
    await atStep(page, 'Cinder', { date }, 'look')
    const jpeg = { name: 'before.jpg', mimeType: 'image/jpeg', buffer: await picture(page) }
    await more(page, 'Photograph')
    const camera = (nth: number) => page.locator('.ui-camera input').nth(nth)
    await camera(0).setInputFiles(jpeg)
    await expect(page.getByRole('img', { name: /^Before, / })).toBeVisible()
    const [photo] = await (await page.request.get(`/api/photos?dog=${await idOf(page, 'Cinder')}`)).json()
    expect([photo.width, photo.height]).toEqual([1600, 1200])
    await camera(1).setInputFiles({ name: 'x.heic', mimeType: 'image/heic', buffer: Buffer.from('broken') })
    await expect(page.getByRole('alert')).toContainText('set the phone’s camera to JPEG')
    await context.setOffline(true)
    await camera(1).setInputFiles(jpeg)
    await expect(page.getByText(/saved on this device, and sent when/)).toBeVisible()
    await context.setOffline(false)
    await page.goto(`/dogs/${photo.dogId}?part=body`)
    await openPart(page, 'Body')
    const photos = page.getByRole('region', { name: 'Photographs' })
    await expect(photos.getByRole('img', { name: /^After, / })).toBeVisible({ timeout: 60_000 })
    await expectAccessible(page)
    await photos.getByRole('button', { name: /^Delete After/ }).click()
    await expect(photos.getByRole('img', { name: /^After, / })).toHaveCount(0)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(photos.getByRole('img', { name: /^After, / })).toBeVisible()
  },
)

test('a note in one’s own words about a zone is shown there next time; a finding is slid to its size', async ({
  page,
}) => {
  const monday = freshWeeks(5)
  const tuesday = daysAfter(monday, 1)
  const wednesday = daysAfter(monday, 30)
  await addDog(page, 'Ember', 'Border Collie')
  const id = await atStep(page, 'Ember', { date: tuesday }, 'lather-1')
  await more(page, 'Put down a note')
  await page.getByLabel('In your own words').fill('pulls this foot away, hold the toe')
  // what was typed is there again after leaving and after a reload
  await page.getByRole('button', { name: 'Back to the step' }).click()
  await page.reload()
  await more(page, 'Put down a note')
  await expect(page.getByLabel('In your own words')).toHaveValue('pulls this foot away, hold the toe')
  await page.getByRole('button', { name: 'feet', exact: true }).click()
  await page.getByRole('button', { name: 'Keep the note' }).click()
  await more(page, 'Pin a finding')
  await page
    .getByRole('img', { name: /^Left side/ })
    .locator('path.zone')
    .first()
    .click()
  await page.getByRole('button', { name: 'Lump', exact: true }).click()
  await page.getByRole('slider').focus()
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight')
  await page.getByRole('button', { name: 'Pin it', exact: true }).click()
  await page.getByRole('button', { name: 'Back to the step' }).click()
  await page.request.post(`/api/visits/${id}/events`, {
    data: { events: [{ id: crypto.randomUUID(), at: now() + 60_000, device: '', kind: 'finish' }] },
  })
  const findings = await (await page.request.get(`/api/dogs/${await idOf(page, 'Ember')}/findings`)).json()
  expect(findings[0].record.seen[0].sizeMm).toBe(12)
  await atStep(page, 'Ember', { date: wednesday }, 'lather-1')
  await expect(page.getByTestId('noted')).toContainText('pulls this foot away')
})

test('on a phone: ears thinned first, a bite with what to do, the visit stopped early in a safe order', async ({
  page,
}) => {
  const date = freshDay()
  await page.setViewportSize({ width: 390, height: 844 })
  const blocked = { leftEar: { wax: 2, hairBlocks: true } }
  const id = await atStep(page, 'Pesto', { date, ...blocked } as never, 'ears')
  const ears = page.getByTestId('ears')
  await ears.getByRole('button', { name: 'Looks and smells healthy' }).click()
  await expect(ears).toContainText('Powder on your fingers, never puffed in.')
  await expect(ears).toContainText('Stop when it is open, at a flinch, or redness.')
  await ears.getByRole('button', { name: 'Thinned, no powder left' }).click()
  await expect(ears.getByRole('button', { name: /It is in: massage/ })).toBeVisible()
  await page.getByRole('button', { name: /^Done: / }).click()
  await page.getByRole('button', { name: 'Something happened' }).click()
  await page.getByRole('button', { name: 'A person bitten' }).click()
  await expect(page.getByText(/doctor/).first()).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Stop the visit early' }).click()
  await page.getByRole('button', { name: 'Hurt, or skin not fit' }).click()
  await expect(page.getByTestId('tub-step')).toHaveText('Hand over')
  const { events } = await (await page.request.get(`/api/visits/${id}/events`)).json()
  expect((events as { kind: string }[]).map((e) => e.kind)).toEqual(expect.arrayContaining(['happened', 'stop early']))
})
