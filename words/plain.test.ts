import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'

/** Words that only this program’s makers would understand so; what a groomer says instead stands in docs/words.md. */
const PRIVATE = /\b(scraps?|gives? and takes?|(in|at) one go|by the clock|fetch(ed)?)\b/i

/** What a file of words can say: its strings, without names of codes. */
function saidIn(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.ES2022, true)
  const said: string[] = []
  const visit = (node: ts.Node) => {
    const isText = ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)
    const isKey = ts.isPropertyAssignment(node.parent ?? node) && (node.parent as ts.PropertyAssignment).name === node
    if (isText && !isKey && /\s/.test(node.text)) said.push(node.text)
    if (ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node)) said.push(node.text)
    ts.forEachChild(node, visit)
  }
  visit(source)
  return said
}
/** What a view writes itself: text between its tags, and the words of its parts. */
function writtenIn(file: string): string[] {
  const [, template = ''] = /<template>([\s\S]*)<\/template>/.exec(readFileSync(file, 'utf8')) ?? []
  const plain = template.replace(/<!--[\s\S]*?-->/g, '').replace(/\{\{[\s\S]*?\}\}/g, ' ')
  const between = [...plain.matchAll(/>([^<>]+)</g)].map((m) => m[1]!.trim())
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
  expect(all.filter((text) => PRIVATE.test(text))).toEqual([])
})

test('one that did would be found', () => {
  expect(
    ['Fetched by 9:30', 'waits 1 h in one go', 'No scraps of time'].filter((text) => PRIVATE.test(text)),
  ).toHaveLength(3)
  expect(['Picked up by 9:30', 'scraping', 'one gold'].filter((text) => PRIVATE.test(text))).toEqual([])
})
