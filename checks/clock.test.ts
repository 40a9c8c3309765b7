import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

const ROOT = join(import.meta.dirname, '..')
const files = (folder: string, what: RegExp): string[] =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .map((name) => join(folder, name))
    .filter((name) => what.test(name) && !name.includes('node_modules'))
/** Every line that holds something, with its place. */
const linesWith = (names: readonly string[], what: RegExp): string[] =>
  names.flatMap((name) =>
    readFileSync(join(ROOT, name), 'utf8')
      .split('\n')
      .flatMap((line, i) => (what.test(line) ? [`${name}:${i + 1}: ${line.trim()}`] : [])),
  )

const FLOORS = ['core', 'words', 'contract', 'server', 'web', 'demo', 'checks', 'docs']
const units = FLOORS.flatMap((floor) => files(floor, /[.]test[.]ts$/)).filter((f) => f !== 'checks/clock.test.ts')
const browser = files('e2e', /[.]ts$/).filter((f) => f !== 'e2e/dates.ts')

test('the clock of a unit test is that of its run, and stands', () => {
  const [first, second] = [Date.now(), new Date().getTime()]
  expect(second - first).toBeLessThan(10)
  expect(Math.abs(first - (globalThis as unknown as { RUN_BEGAN: number }).RUN_BEGAN)).toBeLessThan(60_000)
})

test('no test goes by a real clock or waits by it', () => {
  expect(units.length).toBeGreaterThan(100)
  expect(browser.length).toBeGreaterThan(15)
  expect(linesWith(units, /hrtime|waitForTimeout|setTimeout\([^)]*[1-9]\d+\)/)).toEqual([])
  expect(linesWith(browser, /Date[.]now\(\)|new Date\(\)|hrtime|waitForTimeout|setTimeout\(/)).toEqual([])
})

test('no browser test names a date that comes or has just been: dates are handed out by e2e/dates.ts', () => {
  expect(linesWith(browser, /20(2[1-9]|[3-8]\d)-\d\d-\d\d/)).toEqual([])
})
