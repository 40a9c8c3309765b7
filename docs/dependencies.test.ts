import { readFileSync } from 'node:fs'
import { join } from 'node:path'

const read = (name: string) => readFileSync(join(import.meta.dirname, name), 'utf8')

test('every package stands in the list with the reason it is here, and no other', () => {
  const { dependencies, devDependencies } = JSON.parse(read('../package.json')) as Record<
    string,
    Record<string, string>
  >
  const here = Object.keys({ ...dependencies, ...devDependencies }).filter((name) => !name.startsWith('@types/'))
  const listed = [...read('dependencies.md').matchAll(/^\| (?!package|-)([^|]+)\|/gm)]
    .flatMap((row) => row[1]!.split(','))
    .map((name) => name.trim())
    .filter((name) => name !== '@types/*')
  expect(listed.sort()).toEqual(here.sort())
})
