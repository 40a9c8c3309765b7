import { freshDay } from './dates'
import { openDay, type DogRow } from './day'
import { expect, test } from './program'
import { faintIn } from './steps'

test('every text of every view is told from its ground, light and dark', async ({ page }) => {
  const date = freshDay()
  const dogs = (await (await page.request.get('/api/dogs')).json()) as DogRow[]
  const id = dogs.find((d) => d.record.name === 'Clove')!.id
  const [product] = (await (await page.request.get('/api/products')).json()) as { id: string }[]
  const visit = await (await page.request.post('/api/visits', { data: { dogId: id, today: { date } } })).json()
  const { visits } = (await (await page.request.get('/api/logbook')).json()) as { visits: { visitId: string }[] }
  await openDay(page, date, ['Moss', 'Fig'])
  const faint: string[] = []
  for (const path of [
    `/days/${date}`,
    '/days',
    '/dogs',
    `/dogs/${id}`,
    `/dogs/${id}/recipe?date=${date}`,
    `/dogs/${id}/check-in?date=${date}`,
    `/recipes/${visit.id}`,
    '/recipes',
    '/shelf',
    '/shelf/new',
    `/shelf/${product!.id}`,
    '/logbook',
    '/logbook?part=taught',
    '/logbook?part=figures',
    `/logbook/${visits[0]!.visitId}`,
    '/house',
    '/house/dryers',
    '/house/rules',
    '/house/records',
    '/tub',
    `/tub/${visit.id}`,
    '/start',
  ]) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
    for (const colorScheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme })
      // until it is drawn so
      await page.waitForFunction((now) => document.documentElement.style.colorScheme === now, colorScheme)
      await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))))
      faint.push(...(await faintIn(page)).map((what) => `${path}, ${colorScheme}: ${what}`))
    }
  }
  expect(faint).toEqual([])
})
