import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'

/** Words that only this program’s makers would understand so; what a groomer says instead stands in docs/words.md. */
const PRIVATE = /\b(scraps?|gives? and takes?|(in|at) one go|by the clock|fetch(ed)?)\b/i

/** Private where they say that something is saved, shown or true; a tank holds water and a dog stands as anybody's do. */
const OTHERWISE =
  /\b(is|are|be|was|what|none|nothing|not) kept\b(?! (short|apart|crisp|together|inside))|^kept\b(?! (short|at another))|\bstands? (here|above|below|beside|with it)\b|\b(it|something) holds\b/i

/** What a file of words can say: its strings, without names of codes. */
function saidIn(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.ES2022, true)
  const said: string[] = []
  const visit = (node: ts.Node) => {
    const isText = ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)
    const isKey = ts.isPropertyAssignment(node.parent ?? node) && (node.parent as ts.PropertyAssignment).name === node
    if (isText && !isKey && /\s/.test(node.text)) said.push(node.text)
    if (ts.isTemplateExpression(node))
      said.push(node.head.text + node.templateSpans.map((span) => `X${span.literal.text}`).join(''))
    ts.forEachChild(node, visit)
  }
  visit(source)
  return said
}
/** What a view writes itself: text between its tags, and the words of its parts. */
function writtenIn(file: string): string[] {
  const [, template = ''] = /<template>([\s\S]*)<\/template>/.exec(readFileSync(file, 'utf8')) ?? []
  const plain = template.replace(/<!--[\s\S]*?-->/g, '').replace(/\{\{[\s\S]*?\}\}/g, 'X')
  const between = [...plain.matchAll(/>([^<>]+)</g)].map((m) => m[1]!.trim().replace(/\s+/g, ' '))
  const words = [...plain.matchAll(/\s(?:label|title|text|hint|placeholder|question|yes|no|about)="([^"]+)"/g)]
  return [...between, ...words.map((m) => m[1]!)].filter((text) => text !== '')
}

const under = (folder: string) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((file) => join(folder, file))
const WORDS = under('words').filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
const VIEWS = under('web').filter((file) => file.endsWith('.vue'))

test('no screen uses a word that only its makers understand', () => {
  const all = [...WORDS.flatMap(saidIn), ...VIEWS.flatMap(writtenIn)]
  expect(all.length).toBeGreaterThan(1500)
  expect(all.filter((text) => PRIVATE.test(text) || OTHERWISE.test(text))).toEqual([])
})

/** What is read in one breath, X for each fact in it: up to a full stop, a colon or a semicolon. */
const breaths = (text: string) => text.split(/(?<=[.!?:;])\s+/)
const wordsOf = (text: string) => text.split(/[\s/]+/).filter((word) => /\p{L}/u.test(word))
const MOST_WORDS = 14

test('nothing on a screen is longer than can be read in one breath', () => {
  const all = [...WORDS.flatMap(saidIn), ...VIEWS.flatMap(writtenIn)].flatMap(breaths)
  expect(all.filter((breath) => wordsOf(breath).length > MOST_WORDS)).toEqual([])
})

/** Syllables of an English word, roughly: its groups of vowels, without a silent e. */
const syllables = (word: string) =>
  Math.max(
    1,
    (
      word
        .toLowerCase()
        .replace(/(?<=[^aeiouyl])e(d|s)?$/, '')
        .match(/[aeiouy]+/g) ?? []
    ).length,
  )

test('all that a screen says together reads as easily as talk', () => {
  const said = [...WORDS.flatMap(saidIn), ...VIEWS.flatMap(writtenIn)]
    .flatMap(breaths)
    .filter((b) => /[.!?:;]$/.test(b))
  const words = said.flatMap(wordsOf).map((word) => word.replace(/[^\p{L}]/gu, ''))
  const spoken = words.reduce((sum, word) => sum + syllables(word), 0)
  // Flesch's reading ease (1948, value from memory): 70 and more is easy
  const ease = 206.835 - (1.015 * words.length) / said.length - (84.6 * spoken) / words.length
  expect(said.length).toBeGreaterThan(800)
  expect(ease).toBeGreaterThanOrEqual(70)
})

test('one that did would be found', () => {
  expect(
    ['Fetched by 9:30', 'waits 1 h in one go', 'No scraps of time'].filter((text) => PRIVATE.test(text)),
  ).toHaveLength(3)
  expect(['Picked up by 9:30', 'scraping', 'one gold'].filter((text) => PRIVATE.test(text))).toEqual([])
  const otherwise = ['It is kept on this device', 'Kept.', 'what stands above', 'as long as it holds']
  expect(otherwise.filter((text) => OTHERWISE.test(text))).toEqual(otherwise)
  const usual = ['Kept short for a puppy', 'a tank holds 200 L', 'when it stands quietly', 'Hold the flap']
  expect(usual.filter((text) => OTHERWISE.test(text))).toEqual([])
})
