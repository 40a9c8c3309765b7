import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'

const PAGES = ['README.md', ...readdirSync('docs/guide').map((page) => join('docs/guide', page))]

test.each(PAGES)('every link and picture of %s leads somewhere', (page) => {
  const links = [...readFileSync(page, 'utf8').matchAll(/\]\(([^)#]+)[^)]*\)/g)].map((m) => m[1]!)
  const near = links.filter((link) => !/^[a-z]+:/.test(link))
  expect(near.length).toBeGreaterThan(0)
  expect(near.filter((link) => !existsSync(join(dirname(page), link)))).toEqual([])
})

test('the guide is reached from the first page, sheet by sheet', () => {
  const readme = readFileSync('README.md', 'utf8')
  expect(PAGES.slice(1).filter((page) => !readme.includes(`(${page})`))).toEqual([])
})
