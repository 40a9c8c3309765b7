import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { CONSTANT_TABLES } from '@core/sources'
import { sourcesPage } from './sources'

test('docs/sources.md is what the tables say; run npm run docs after changing one', () => {
  expect(readFileSync(fileURLToPath(new URL('sources.md', import.meta.url)), 'utf8')).toBe(sourcesPage())
})

test('every table of constants in the core is on the page', () => {
  const root = fileURLToPath(new URL('..', import.meta.url))
  const tables = readdirSync(`${root}/core`, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts'))
    .flatMap((file) => {
      const code = readFileSync(`${root}/core/${file}`, 'utf8')
      return [...code.matchAll(/(\w+)(?:: ConstantGrid<[^=]*>)? = (?:constants\(|\{\s*columns:)/g)].map((m) => m[1])
    })
  const listed = readFileSync(`${root}/core/sources.ts`, 'utf8').split('CONSTANT_TABLES')[1]!
  expect(tables.length).toBeGreaterThan(45)
  expect(tables.filter((name) => !new RegExp(`\\b${name}\\b`).test(listed))).toEqual([])
})

test('every constant has a unit and a source, every estimate a range around its value', () => {
  for (const [subject, table] of Object.entries(CONSTANT_TABLES)) {
    for (const [name, c] of Object.entries(table)) {
      const where = `${subject}: ${name}`
      expect([where, c.unit.length > 0 && c.source.length > 0]).toEqual([where, true])
      if (!c.range) continue
      expect([where, c.range[0] <= c.value && c.value <= c.range[1]]).toEqual([where, true])
    }
  }
})
