import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { GUIDE, GUIDE_OF } from '@words'

const PAGES = ['README.md', ...readdirSync('docs/guide').map((page) => join('docs/guide', page))]

test.each(PAGES)('every link and picture of %s leads somewhere', (page) => {
  const links = [...readFileSync(page, 'utf8').matchAll(/\]\(([^)#]+)[^)]*\)/g)].map((m) => m[1]!)
  const near = links.filter((link) => !/^[a-z]+:/.test(link))
  expect(near.length).toBeGreaterThan(0)
  expect(near.filter((link) => !existsSync(join(dirname(page), link)))).toEqual([])
})

test('every sheet of the guide has its title in the program, and is reached from the help of some view', () => {
  const sheets = PAGES.slice(1).map((page) => basename(page, '.md'))
  expect(Object.keys(GUIDE).sort()).toEqual(sheets.sort())
  expect([...new Set(Object.values(GUIDE_OF).flat())].sort()).toEqual(sheets.sort())
})

/** All that the interface is written in, in one. */
const SOURCES = ['web', 'words']
  .flatMap((room) => readdirSync(room, { recursive: true, encoding: 'utf8' }).map((name) => join(room, name)))
  .filter((name) => /\.(vue|ts)$/.test(name) && !/\.test\.ts$/.test(name))
  .map((name) => readFileSync(name, 'utf8'))
  .join('\n')
  .replaceAll(/\s+/g, ' ')

test.each(PAGES.slice(1))('what %s says to tap stands on a screen', (page) => {
  const named = [...readFileSync(page, 'utf8').matchAll(/(?:^|[\s(])_([^_]+)_/g)].map((m) =>
    m[1]!.replaceAll('\n', ' '),
  )
  // the day's own name stands at its end
  expect(named.map((n) => n.replace(/ Saturday$/, '')).filter((n) => !SOURCES.includes(n))).toEqual([])
})

test('the guide is reached from the first page, sheet by sheet', () => {
  const readme = readFileSync('README.md', 'utf8')
  expect(PAGES.slice(1).filter((page) => !readme.includes(`(${page})`))).toEqual([])
})
