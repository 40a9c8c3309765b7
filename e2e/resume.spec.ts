import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'

const data = mkdtempSync(join(tmpdir(), 'juvant-killed-'))
const running = new Set<ChildProcess>()

test.afterAll(() => {
  for (const child of running) child.kill('SIGKILL')
  rmSync(data, { recursive: true, force: true })
})

/** Starts a program of its own on this folder; answers its address once it is ready. */
function begin(port = '0'): Promise<{ child: ChildProcess; address: string }> {
  const env = { ...process.env, PORT: port, HOST: '127.0.0.1', JUVANT_DATA: data }
  const child = spawn(process.execPath, ['dist/server/main.js', '--empty'], { env })
  running.add(child)
  return new Promise((resolve, reject) => {
    let said = ''
    const listen = (chunk: Buffer) => {
      said += chunk.toString()
      const address = /http:\/\/127\.0\.0\.1:\d+/.exec(said)?.[0]
      if (address) resolve({ child, address })
    }
    child.stdout.on('data', listen)
    child.stderr.on('data', listen)
    child.on('exit', () => reject(new Error(said)))
  })
}

function kill(child: ChildProcess): Promise<void> {
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()))
  child.kill('SIGKILL')
  return ended
}

test('the server killed in the middle of a visit: taps go on, and each is there once when it is back', async ({
  page,
}) => {
  const first = await begin()
  const post = async (path: string, body: unknown) =>
    (await page.request.post(`${first.address}/api${path}`, { data: body })).json()
  const dog = await post('/dogs', { name: 'Moss', weightKg: 8, coat: 'wire' })
  const visit = await post('/visits', { dogId: dog.id, today: { date: '2027-04-03' } })
  const title = page.getByTestId('tub-step')
  const primary = page.getByRole('button', { name: /^(Begin|Done: )/ })
  const stored = async (): Promise<{ id: string; kind: string }[]> =>
    (await (await page.request.get(`${first.address}/api/visits/${visit.id}/events`)).json()).events

  await page.goto(`${first.address}/tub/${visit.id}`)
  await primary.click()
  await primary.click()
  await expect.poll(async () => (await stored()).length).toBe(2)

  await kill(first.child)
  const before = await title.innerText()
  await primary.click()
  await expect(title).not.toHaveText(before)
  await page.getByRole('button', { name: 'Pause' }).click()
  await expect(page.getByText(/No network. Everything is kept on this device, 2 taps to send/)).toBeVisible()
  const at = await title.innerText()

  const second = await begin(new URL(first.address).port)
  await expect(page.getByText(/No network/)).toHaveCount(0, { timeout: 20_000 })
  await expect.poll(async () => (await stored()).map((e) => e.kind)).toEqual(['step', 'step', 'step', 'pause'])
  expect(new Set((await stored()).map((e) => e.id)).size).toBe(4)
  await page.evaluate(() => localStorage.clear())
  await page.reload()
  await expect(title).toHaveText(at)
  await expect(page.getByRole('button', { name: 'Go on' })).toBeVisible()
  await kill(second.child)
})
