import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

const ROOT = join(import.meta.dirname, '..')

test('every test of the server is told to run on both databases, or why on the embedded one alone', () => {
  const lists = JSON.parse(readFileSync(join(ROOT, 'server/fixtures/drivers.json'), 'utf8')) as Record<
    'onServer' | 'embedded',
    Record<string, string>
  >
  const there = readdirSync(join(ROOT, 'server'), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => `server/${name}`)
  const told = [...Object.keys(lists.onServer), ...Object.keys(lists.embedded)]
  expect(told.sort()).toEqual(there.sort())
  for (const why of [...Object.values(lists.onServer), ...Object.values(lists.embedded)]) expect(why).not.toBe('')
})
