import { rmSync } from 'node:fs'
import { dropFolder, expect, killProgram, newFolder, startProgram, test } from './program'
import { expectAccessible } from './steps'

test('a backup is made from the House, restored beside with what was typed since, and started with', async ({
  page,
}) => {
  const data = newFolder()
  const program = await startProgram(data, { empty: true })
  await page.request.post(`${program.address}/api/dogs`, { data: { name: 'Twice kept', weightKg: 9, coat: 'smooth' } })
  await page.goto(`${program.address}/house`)
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
  await page.goto('/house')
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
