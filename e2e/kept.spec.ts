import { rmSync } from 'node:fs'
import { dropFolder, expect, killProgram, newFolder, startProgram, test } from './program'
import { expectAccessible } from './steps'

test('a backup is made from the House, restored beside with what was typed since, and started with', async ({
  page,
}) => {
  const data = newFolder()
  const program = await startProgram(data, { empty: true })
  await page.request.post(`${program.address}/api/dogs`, { data: { name: 'Twice kept', weightKg: 9, coat: 'smooth' } })
  await page.goto(`${program.address}/house/records`)
  const backups = page.getByRole('region', { name: 'Backups' })
  await expect(backups.getByTestId('backed-up')).toContainText('nothing yet')
  await backups.getByRole('button', { name: 'Make a backup now' }).click()
  await expect(backups.getByTestId('backed-up')).toContainText('read back and counted')
  await expectAccessible(page)

  await backups.getByRole('button', { name: 'Keep them elsewhere' }).click()
  const folder = backups.getByLabel('Folder, the whole path')
  await folder.fill('stick')
  await backups.getByRole('button', { name: 'Keep them there' }).click()
  await expect(backups.getByText('Give the whole path, from the root of the disk.')).toBeVisible()
  await expect(folder).toHaveValue('stick')
  await folder.fill(`${data}/backups/stick`)
  await backups.getByRole('button', { name: 'Keep them there' }).click()
  await expect(backups.getByText(`${data}/backups/stick`)).toBeVisible()

  await backups.getByText('1 backup').click()
  await backups.getByRole('button', { name: /^Restore the backup of/ }).click()
  await page.getByRole('button', { name: 'Restore it' }).click()
  const said = backups.getByRole('status').filter({ hasText: 'Restored: 1 dog' })
  await expect(said).toBeVisible()
  const into = /JUVANT_DATA=(\S+)/.exec(await said.innerText())![1]!
  expect(into).not.toBe(data)
  const restored = await startProgram(into)
  await page.goto(`${restored.address}/dogs`)
  await expect(page.getByText('Twice kept')).toBeVisible()
  await killProgram(restored)
  await killProgram(program)
  dropFolder(data)
  rmSync(into, { recursive: true, force: true })
})

test('what was deleted waits on the House, and comes back as it was', async ({ page }) => {
  const made = await page.request.post('/api/dogs', { data: { name: 'Thrown out', weightKg: 9, coat: 'smooth' } })
  const { id } = (await made.json()) as { id: string }
  await page.goto('/house/records')
  const bin = page.getByRole('region', { name: 'Deleted in the last 30 days' })
  await expect(bin.getByText(/^(Nothing. What is deleted waits here|[A-Z][a-z ]+: )/).first()).toBeVisible()
  const back = bin.getByRole('button', { name: 'Bring back: Dog: Thrown out' })
  await expect(back).toHaveCount(0)
  // deleted in another window
  await page.request.delete(`/api/dogs/${id}`)
  await back.click()
  await expect(back).toHaveCount(0)
  await page.goto('/dogs')
  await expect(page.getByText('Thrown out')).toBeVisible()
  await page.request.delete(`/api/dogs/${id}`)
})

test('everything leaves as an archive and comes into another room; a dog goes back to what it was; an owner’s data goes for good', async ({
  page,
}) => {
  const data = newFolder()
  const other = await startProgram(data, { empty: true })
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    page.goto('/house/records').then(() => page.getByRole('link', { name: 'Save everything as an archive' }).click()),
  ])
  const path = `${data}/out.zip`
  await saved.saveAs(path)
  await page.goto(`${other.address}/house/records`)
  const region = page.getByRole('region', { name: 'In and out' })
  await region
    .getByLabel('Bring in an archive')
    .setInputFiles({ name: 'no.zip', mimeType: 'application/zip', buffer: Buffer.from('no') })
  await expect(region.getByText('The file isn’t a zip, or is damaged. Nothing was kept.')).toBeVisible()
  await region.getByLabel('Bring in an archive').setInputFiles(path)
  await expect(region.getByText(/^\d+ owners, \d+ dogs, \d+ bottles/)).toBeVisible()
  await expectAccessible(page)
  await region.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByText(/records came in. A backup of what was here was made before/)).toBeVisible()
  await page.goto(`${other.address}/logbook`)
  await expect(page.getByText('Nimbus').first()).toBeVisible()

  // a step back in a dog's history
  const [dog] = (await (await page.request.get(`${other.address}/api/dogs?text=Nimbus`)).json()) as [
    { id: string; version: number; record: object },
  ]
  const changed = { version: dog.version, record: { ...dog.record, owner: 'Ada Vale', weightKg: 33 } }
  await page.request.put(`${other.address}/api/dogs/${dog.id}`, { data: changed })
  await page.goto(`${other.address}/dogs/${dog.id}`)
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('button', { name: 'What it was before' }).press('Enter')
  await expect(page.getByText(/^weight kg: [\d.]+ to 33$/)).toBeVisible()
  await page
    .getByRole('button', { name: /^As before .* changed/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Put it back' }).click()
  await expect(page.getByText(/^weight kg: 33 to/)).toBeVisible()
  const now = (await (await page.request.get(`${other.address}/api/dogs/${dog.id}`)).json()) as typeof dog
  await page.request.put(`${other.address}/api/dogs/${dog.id}`, {
    data: { version: now.version, record: { ...now.record, owner: 'Ada Vale' } },
  })

  await page.getByRole('button', { name: 'Delete the owner’s data for good' }).click()
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByText(/^Kept of Ada Vale: Nimbus/)).toBeVisible()
  await sheet.getByRole('radio', { name: 'the dogs with everything' }).check({ force: true })
  await expectAccessible(page)
  await sheet.getByRole('button', { name: 'Delete for good' }).click()
  await page.getByRole('button', { name: 'Delete it for good' }).click()
  await expect(page).toHaveURL(/\/dogs$/)
  await expect(page.getByText('It is deleted for good.')).toBeVisible()
  expect((await page.request.get(`${other.address}/api/dogs/${dog.id}`)).status()).toBe(404)
  await killProgram(other)
  dropFolder(data)
})
