import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

const root = join(import.meta.dirname, '..')
const rows = [
  ...readFileSync(join(root, 'docs/security.md'), 'utf8').matchAll(/`([\w./]+\.(?:test|spec)\.ts): ([^`]+)`/g),
]

test('every row that applies names a test, and that test is there', () => {
  expect(rows.length).toBeGreaterThan(20)
  const missing = rows.filter(([, file, name]) => {
    const path = join(root, file!)
    return !existsSync(path) || !readFileSync(path, 'utf8').includes(name!)
  })
  expect(missing.map(([row]) => row)).toEqual([])
})

test('nothing is shown unescaped', () => {
  const files = readdirSync(join(root, 'web'), { recursive: true, encoding: 'utf8' }).filter((f) =>
    /\.(vue|ts)$/.test(f),
  )
  expect(files.length).toBeGreaterThan(100)
  const unescaped = files.filter((f) =>
    /v-html|innerHTML|insertAdjacentHTML/.test(readFileSync(join(root, 'web', f), 'utf8')),
  )
  expect(unescaped).toEqual([])
})
