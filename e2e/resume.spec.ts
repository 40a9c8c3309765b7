import { coldTest, dropFolder, expect, forgetDevice, killProgram, newFolder, startProgram } from './program'
import { freshDay } from './dates'

coldTest(
  'the server killed in the middle of a visit: taps go on, and each is there once when it is back',
  async ({ page }) => {
    const date = freshDay()
    const data = newFolder()
    const first = await startProgram(data, { empty: true })
    const post = async (path: string, body: unknown) =>
      (await page.request.post(`${first.address}/api${path}`, { data: body })).json()
    const dog = await post('/dogs', { name: 'Moss', weightKg: 8, coat: 'wire' })
    const visit = await post('/visits', { dogId: dog.id, today: { date } })
    const title = page.getByTestId('tub-step')
    const primary = page.getByRole('button', { name: /^(Begin|Done: )/ })
    const stored = async (): Promise<{ id: string; kind: string }[]> =>
      (await (await page.request.get(`${first.address}/api/visits/${visit.id}/events`)).json()).events

    await page.goto(`${first.address}/tub/${visit.id}`)
    await primary.click()
    await primary.click()
    await expect.poll(async () => (await stored()).length).toBe(2)

    await killProgram(first)
    const before = await title.innerText()
    await primary.click()
    await expect(title).not.toHaveText(before)
    await page.getByRole('button', { name: 'Pause' }).click()
    await expect(page.getByText(/No network. Everything is saved on this device, 2 taps to send/)).toBeVisible()
    const at = await title.innerText()

    const second = await startProgram(data, { port: new URL(first.address).port, empty: true })
    await expect(page.getByText(/No network/)).toHaveCount(0)
    await expect.poll(async () => (await stored()).map((e) => e.kind)).toEqual(['step', 'step', 'step', 'pause'])
    expect(new Set((await stored()).map((e) => e.id)).size).toBe(4)
    await forgetDevice(page)
    await page.reload()
    await expect(title).toHaveText(at)
    await expect(page.getByRole('button', { name: 'Go on' })).toBeVisible()
    await killProgram(second)
    dropFolder(data)
  },
)
