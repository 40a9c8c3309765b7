import { appendFileSync, cpSync, mkdtempSync, symlinkSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import type { StoredDay } from '../contract'
import { openDay } from './day'
import { dropFolder, expect, killProgram, newFolder, startProgram, test } from './program'
import { freshDay } from './dates'
import { loggedVisits } from './steps'

test.use({ cold: true, serviceWorkers: 'allow' })

test('the built app opens without network on what was seen before, and says so', async ({ page, context }) => {
  await page.goto('/logbook')
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
  await page.reload()
  await expect(loggedVisits(page).first()).toBeVisible()
  await page.goto('/dogs')
  await expect(page.getByRole('link', { name: 'Recipe for Bosun' })).toBeVisible()
  await context.setOffline(true)
  await page.reload()
  await expect(page.getByRole('link', { name: 'Recipe for Bosun' })).toBeVisible()
  const banner = page.getByText('No network. This is what was seen last.')
  await expect(banner).toBeVisible()
  await expect(banner).not.toContainText('waiting here')
  await page.getByRole('link', { name: 'Logbook' }).click()
  await expect(loggedVisits(page).first()).toBeVisible()
  await context.setOffline(false)
})

test('what was done without network and left is sent from any view once there is one', async ({ page, context }) => {
  const date = freshDay()
  await openDay(page, date, ['Moss', 'Fig'])
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
  await context.setOffline(true)
  await page.getByRole('button', { name: 'Hours, helper, water' }).click()
  await page.getByRole('group', { name: 'Window open' }).getByLabel('yes').check()
  await expect(page.getByRole('alert')).toContainText('What you did is saved on this device')
  await page.getByRole('link', { name: 'Dogs', exact: true }).click()
  await expect(page.getByText('1 changed day waiting here')).toBeVisible()
  await context.setOffline(false)
  const onServer = async () =>
    ((await (await page.request.get(`/api/days/${date}`)).json()) as StoredDay).record.windowOpen
  await expect.poll(onServer).toBe(true)
  await expect(page.getByText(/waiting here/)).toHaveCount(0)
})

test('a view that isn’t there yet when the network goes: the window stays as it is and says so', async ({
  browser,
  baseURL,
}) => {
  const page = await browser.newPage({ baseURL, serviceWorkers: 'block' })
  await page.goto('/dogs')
  await page.getByLabel('Name', { exact: true }).fill('Halfway')
  await page.context().setOffline(true)
  await page.getByRole('link', { name: 'House' }).click()
  await expect(page.getByText(/What wasn’t opened before can’t be opened now/)).toBeVisible()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Halfway')
  await page.context().setOffline(false)
  await page.getByRole('link', { name: 'House' }).click()
  await expect(page).toHaveURL(/\/house$/)
  await page.close()
})

test('it can be installed: a manifest with a name, icons that are there, and a start', async ({ page }) => {
  await page.goto('/dogs')
  const href = await page.locator('link[rel="manifest"]').getAttribute('href')
  const manifest = (await (await page.request.get(href!)).json()) as {
    name: string
    icons: { src: string }[]
    display: string
  }
  expect(manifest).toMatchObject({ name: 'Juvant', display: 'standalone', start_url: '/' })
  for (const { src } of manifest.icons)
    expect((await page.request.get(src)).headers()['content-type']).toMatch(/^image\//)
})

test('a newer version waits until it is taken: what is open goes on, also to views not opened before', async ({
  page,
}) => {
  const copy = mkdtempSync(join(tmpdir(), 'juvant-copy-'))
  for (const part of ['dist', 'package.json', 'server/db/migrations'])
    cpSync(part, join(copy, part), { recursive: true })
  symlinkSync(resolve('node_modules'), join(copy, 'node_modules'))
  const data = newFolder()
  const program = await startProgram(data, { empty: true, root: copy })
  await page.goto(`${program.address}/dogs`)
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null)
  appendFileSync(join(copy, 'dist/web/sw.js'), '\n// a newer version\n')
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update())
  const ready = page.getByText('A newer Juvant is ready.')
  await expect(ready).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Halfway')
  await page.getByRole('link', { name: 'House' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.getByRole('link', { name: 'Dogs', exact: true }).click()
  await page.getByRole('button', { name: 'Take it now' }).click()
  await expect(ready).toHaveCount(0)
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Halfway')
  await killProgram(program)
  dropFolder(data)
  dropFolder(copy)
})
