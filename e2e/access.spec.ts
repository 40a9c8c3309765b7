import { createHash, X509Certificate } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { chromium, type LaunchOptions, type Page } from '@playwright/test'
import { dropFolder, expect, goByTheClock, killProgram, newFolder, startProgram, test } from './program'
import { freshDay, now } from './dates'
import { expectAccessible } from './steps'

/** A room of its own with a dog's visit, and a tablet that reaches it by a name on the network. */
async function roomAndTablet(
  page: Page,
  launch: LaunchOptions,
  dog: { name: string; owner?: string; ownerContact?: string },
  setsClock = false,
) {
  const data = newFolder()
  const program = await startProgram(data, { empty: true, host: '0.0.0.0', hosts: 'wash-room.test' })
  const port = new URL(program.address).port
  const post = async (path: string, body: object) =>
    (await (await page.request.post(`${program.address}/api${path}`, { data: body })).json()) as {
      id: string
      code: string
    }
  const { id: dogId } = await post('/dogs', { weightKg: 9, coat: 'smooth', ...dog })
  const date = freshDay()
  const { id: visitId } = await post('/visits', { dogId, today: { date } })
  const names = '--host-resolver-rules=MAP *.test 127.0.0.1'
  const browser = await chromium.launch({ ...launch, args: [...(launch.args ?? []), names] })
  const context = await browser.newContext({ locale: 'en-GB', serviceWorkers: 'block' })
  await goByTheClock(context, setsClock)
  const tablet = await context.newPage()
  if (setsClock) await tablet.clock.install({ time: now() })
  return {
    program,
    post,
    dogId,
    visitId,
    date,
    tablet,
    at: (path: string, name = 'wash-room.test') => `http://${name}:${port}${path}`,
    async end() {
      await browser.close()
      await killProgram(program)
      dropFolder(data)
    },
  }
}

test('a tablet is let in by a code for the tub alone, and put out again; another name leads nowhere', async ({
  page,
  launchOptions,
}) => {
  const dog = { name: 'Tabby', owner: 'Mina Vale', ownerContact: '0123 456' }
  const { program, dogId, visitId, tablet, at, end } = await roomAndTablet(page, launchOptions, dog)
  const elsewhere = await tablet.goto(at('/', 'other.test'))
  expect(elsewhere!.status()).toBe(421)
  await tablet.goto(at('/dogs'))
  await expect(tablet.getByRole('heading', { name: 'Let this device in' })).toBeVisible()
  await expect(tablet.getByText('Tabby')).toHaveCount(0)
  await expectAccessible(tablet)
  await tablet.getByLabel('The 8 digits').fill('1234')
  await tablet.getByRole('button', { name: 'Let it in' }).click()
  await expect(tablet.getByText('The code has 8 digits.')).toBeVisible()
  await expect(tablet.getByText('Give the device a name.')).toBeVisible()

  await page.goto(`${program.address}/house/records`)
  const devices = page.getByRole('region', { name: 'Devices' })
  await devices.getByRole('button', { name: 'Make a code' }).click()
  const digits = devices.getByText(/^\d{4} \d{4}$/)
  await expect(digits).toBeVisible()
  await expectAccessible(page)
  await tablet.getByLabel('The 8 digits').fill(await digits.innerText())
  await tablet.getByLabel('What this device is called').fill('Tablet by the tub')
  await tablet.getByRole('button', { name: 'Let it in' }).click()

  await expect(tablet.getByRole('navigation', { name: 'Main' }).getByRole('link')).toHaveText(['Tub'])
  await tablet.goto(at(`/tub/${visitId}`))
  await tablet.getByRole('button', { name: 'Begin' }).click()
  await tablet.getByRole('button', { name: /^Done: / }).click()
  const taps = `${program.address}/api/visits/${visitId}/events`
  await expect
    .poll(async () => ((await (await page.request.get(taps)).json()) as { events: unknown[] }).events.length)
    .toBeGreaterThan(1)
  const seen = await tablet.evaluate(async (id) => {
    const [whole, gone] = [await fetch(`/api/dogs/${id}`), await fetch(`/api/dogs/${id}`, { method: 'DELETE' })]
    return { text: await whole.text(), gone: gone.status, cookie: document.cookie }
  }, dogId)
  expect(seen).toMatchObject({ gone: 403, cookie: '' })
  expect(seen.text).toContain('Tabby')
  expect(seen.text).not.toContain('0123 456')

  await page.reload()
  await expect(devices.getByText('Tablet by the tub')).toBeVisible()
  await devices.getByRole('button', { name: 'Put Tablet by the tub out' }).click()
  await page.getByRole('button', { name: 'Put it out', exact: true }).last().click()
  await expect(devices.getByText('No other device is let in.')).toBeVisible()
  await tablet.goto(at('/tub'))
  await expect(tablet.getByRole('heading', { name: 'Let this device in' })).toBeVisible()
  await end()
})

test('over https a device that trusts the room is let in for good: a safe page, kept for when there is no network', async ({
  page,
  launchOptions,
}) => {
  const data = newFolder()
  const program = await startProgram(data, { empty: true, host: '0.0.0.0', hosts: 'wash-room.test' })
  await page.goto(`${program.address}/house/records`)
  const devices = page.getByRole('region', { name: 'Devices' })
  const trust = await devices.getByText(/trust\.crt$/).innerText()
  // the certificate is there for anybody; nothing else is
  const got = await page.request.get(trust.replace(/\/\/[^:/]+/, '//127.0.0.1'))
  expect(await got.text()).toBe(readFileSync(`${data}/certificates/authority.crt`, 'utf8'))
  await expect(devices.getByText(new X509Certificate(await got.text()).fingerprint256.replace(/:/g, ' '))).toBeVisible()
  // its words, as a finger would: they are waited for until they keep still
  await devices.locator('label').filter({ hasText: 'everything' }).click()
  await expect(devices.getByRole('radio', { name: 'everything' })).toBeChecked()
  await devices.getByRole('button', { name: 'Make a code' }).click()
  const digits = await devices.getByText(/^\d{4} \d{4}$/).innerText()
  const port = /https:\/\/[^:]+:(\d+)/.exec(
    await devices
      .getByText(/^https:/)
      .last()
      .innerText(),
  )![1]!
  await expectAccessible(page)

  // this browser trusts the key of the server’s certificate, as one would that trusts its authority
  const cert = new X509Certificate(readFileSync(`${data}/certificates/server.crt`))
  const key = createHash('sha256')
    .update(cert.publicKey.export({ type: 'spki', format: 'der' }))
    .digest('base64')
  const args = ['--host-resolver-rules=MAP *.test 127.0.0.1', `--ignore-certificate-errors-spki-list=${key}`]
  const browser = await chromium.launch({ ...launchOptions, args: [...(launchOptions.args ?? []), ...args] })
  const context = await browser.newContext({ locale: 'en-GB', serviceWorkers: 'allow' })
  await goByTheClock(context)
  const tablet = await context.newPage()
  await tablet.goto(`https://wash-room.test:${port}/`)
  await tablet.getByLabel('The 8 digits').fill(digits)
  await tablet.getByLabel('What this device is called').fill('Safe tablet')
  await tablet.getByRole('button', { name: 'Let it in' }).click()
  await expect(tablet.getByRole('link', { name: 'House' })).toBeVisible()
  expect(await tablet.evaluate(() => window.isSecureContext)).toBe(true)
  expect((await context.cookies()).map((c) => [c.name, c.secure, c.httpOnly, c.sameSite])).toEqual([
    ['juvant-device', true, true, 'Strict'],
  ])
  await tablet.evaluate(async () => void (await navigator.serviceWorker.ready))
  await tablet.goto(`https://wash-room.test:${port}/dogs`)
  await expect(tablet.getByRole('heading', { name: 'Dogs' })).toBeVisible()
  await killProgram(program)
  await tablet.reload()
  await expect(tablet.getByText(/^No network/)).toBeVisible()
  await expect(tablet.getByRole('heading', { name: 'Dogs' })).toBeVisible()
  await browser.close()
  dropFolder(data)
})

test('a shared tablet that lies untouched shows nothing until its four digits are typed, but for a dog under way', async ({
  page,
  launchOptions,
}) => {
  const dog = { name: 'Lockhart' }
  const { program, post, visitId, date, tablet, at, end } = await roomAndTablet(page, launchOptions, dog, true)
  const { code } = await post('/devices/code', { role: 'tub' })
  await tablet.goto(at(`/#code=${code}`))
  await tablet.getByLabel('What this device is called').fill('Shared tablet')
  await tablet.getByRole('button', { name: 'Let it in' }).click()
  await expect(tablet.getByRole('navigation', { name: 'Main' })).toBeVisible()

  await page.goto(`${program.address}/house/records`)
  const devices = page.getByRole('region', { name: 'Devices' })
  await devices.getByRole('button', { name: 'Ask for digits' }).click()
  await devices.getByLabel('Four digits').fill('41')
  await devices.getByRole('button', { name: 'Ask for them' }).click()
  await expect(devices.getByText('Give four digits.')).toBeVisible()
  await devices.getByLabel('Four digits').fill('0417')
  await expectAccessible(page)
  await devices.getByRole('button', { name: 'Ask for them' }).click()
  await expect(devices.getByRole('button', { name: 'asks for digits after 5 min' })).toBeVisible()

  await tablet.reload()
  await tablet.goto(at(`/tub/${visitId}`))
  await tablet.getByRole('button', { name: 'Begin' }).click()
  const done = tablet.getByRole('button', { name: /^Done: / })
  await expect(done).toBeVisible()
  await tablet.clock.runFor('12:00')
  await expect(done).toBeVisible()
  // away from the dog it locks
  await tablet.goto(at(`/tub?date=${date}`))
  await expect(tablet.getByText('Lockhart').first()).toBeVisible()
  await tablet.clock.runFor('06:00')
  await expect(tablet.getByRole('heading', { name: 'Four digits' })).toBeVisible()
  await expect(tablet.getByText('Lockhart').first()).toBeHidden()
  await expectAccessible(tablet)
  await tablet.getByRole('button', { name: 'A dog is in trouble' }).click()
  await expect(tablet.getByText('Collapse')).toBeVisible()
  await tablet.reload()
  for (const digit of '1111') await tablet.getByRole('button', { name: digit, exact: true }).click()
  await expect(tablet.getByRole('alert')).toContainText('These aren’t its digits')
  await tablet.keyboard.type('0417')
  await expect(tablet.getByText('Lockhart').first()).toBeVisible()
  await end()
})
