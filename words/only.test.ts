import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import ts from 'typescript'

const ROOT = join(import.meta.dirname, '..')

const files = ['core', 'contract', 'server', 'web'].flatMap((floor) =>
  readdirSync(join(ROOT, floor), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(ts|vue)$/.test(name) && !/\.(test|d)\.ts$/.test(name))
    .map((name) => join(ROOT, floor, name)),
)

/** The TypeScript of a file; of a component its script, and every expression of its template. */
function sourceOf(file: string): string {
  const text = readFileSync(file, 'utf8')
  if (!file.endsWith('.vue')) return text
  const script = /<script[^>]*>([\s\S]*?)<\/script>/.exec(text)?.[1] ?? ''
  const template = /<template>([\s\S]*)<\/template>/.exec(text)?.[1] ?? ''
  const shown = [...template.matchAll(/{{([\s\S]*?)}}/g)].map((m) => m[1])
  const bound = [...template.matchAll(/\s[:@#v][\w:.-]*="([^"]*)"/g)].map((m) => m[1])
  const expressions = [...shown, ...bound].filter((e) => e && !/^\s*[\w, ()]+ in |^\s*{/.test(e) && !/=[^=>]/.test(e))
  return `${script}\n${expressions.map((e) => `;(${e})`).join('\n')}`
}

const parsed = files.map((file) => ({
  name: relative(ROOT, file),
  source: ts.createSourceFile(file, sourceOf(file), ts.ScriptTarget.ES2022, true, ts.ScriptKind.TS),
}))

/** Functions that a file takes from the words. */
function wordMakers(source: ts.SourceFile): Set<string> {
  const made = new Set<string>()
  source.forEachChild((node) => {
    if (!ts.isImportDeclaration(node) || !/(^|[/@])words$/.test((node.moduleSpecifier as ts.StringLiteral).text)) return
    const named = node.importClause?.namedBindings
    if (named && ts.isNamedImports(named)) for (const e of named.elements) made.add(e.name.text)
  })
  return made
}

const SENTENCES = /^(said|noticeTitle|noticeNext|foundTitle|foundText|\w+Words|\w+Text)$/
/** Whether an expression is a sentence fresh from the words. */
function isSentence(node: ts.Node, makers: Set<string>): boolean {
  if (ts.isParenthesizedExpression(node)) return isSentence(node.expression, makers)
  if (!ts.isCallExpression(node)) return false
  const { expression } = node
  if (ts.isPropertyAccessExpression(expression))
    return expression.expression.getText() === 'say' && SENTENCES.test(expression.name.text)
  return ts.isIdentifier(expression) && makers.has(expression.text) && SENTENCES.test(expression.text)
}

const CUTS = new Set([
  'includes',
  'startsWith',
  'endsWith',
  'indexOf',
  'match',
  'split',
  'slice',
  'substring',
  'replace',
])

/** Where a file compares, cuts or joins sentences. */
function tampering({ name, source }: (typeof parsed)[number]): string[] {
  const makers = wordMakers(source)
  const found: string[] = []
  const tell = (node: ts.Node, what: string) => found.push(`${name}: ${what}: ${node.getText().slice(0, 90)}`)
  const visit = (node: ts.Node) => {
    if (ts.isCallExpression(node) && ts.isPropertyAccessExpression(node.expression)) {
      const { expression: of, name: method } = node.expression
      if (CUTS.has(method.text) && isSentence(of, makers)) tell(node, 'cuts or looks into a sentence')
      if (method.text === 'test' && node.arguments.some((a) => isSentence(a, makers)))
        tell(node, 'looks into a sentence')
      if (method.text === 'join') {
        const makes = (inner: ts.Node): boolean => isSentence(inner, makers) || (ts.forEachChild(inner, makes) ?? false)
        if (makes(of)) tell(node, 'joins sentences')
      }
    }
    if (ts.isBinaryExpression(node) && /^[!=]==?$/.test(node.operatorToken.getText()))
      if (isSentence(node.left, makers) || isSentence(node.right, makers)) tell(node, 'compares a sentence')
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

test('nothing outside the words compares, cuts or joins sentences', () => {
  expect(parsed.length).toBeGreaterThan(200)
  expect(parsed.flatMap(tampering)).toEqual([])
})

test('a file that did would be found', () => {
  const source = ts.createSourceFile(
    'x.ts',
    "import { noticeTitle } from '@words'\nnoticeTitle(n, say).includes('ear'); list.map((d) => say.said(d)).join(' '); if (say.said(a) === 'x') y()",
    ts.ScriptTarget.ES2022,
    true,
  )
  expect(tampering({ name: 'x.ts', source })).toHaveLength(3)
})

/** Calls in whose arguments the core may have a sentence: sources of constants, what a schema refuses, what a programmer did wrong. */
const MAY =
  /^(published|memory|practice|house|estimate|constants|column|rate|grid|Error|RangeError|TypeError|min|max|int|regex|refine|object|number|string|enum|describe|literal|record|array|gt|gte|lt|lte|positive|check|addIssue|superRefine|iso|date|RegExp|raw)$/

test('the core holds no sentences', () => {
  const found: string[] = []
  for (const { name, source } of parsed.filter(
    (p) => p.name.startsWith('core/') && !p.name.startsWith('core/fixtures'),
  )) {
    const allowed = (node: ts.Node): boolean => {
      for (let up = node.parent; up; up = up.parent) {
        if (ts.isCallExpression(up) || ts.isNewExpression(up)) {
          const called = up.expression
          const last = ts.isPropertyAccessExpression(called) ? called.name.text : called.getText()
          if (MAY.test(last)) return true
        }
        if (ts.isPropertyAssignment(up) && /^(source|unit|error|message)$/.test(up.name.getText())) return true
        if (ts.isVariableDeclaration(up) && /^[A-Z0-9_]+$/.test(up.name.getText()) && ts.isStringLiteral(node))
          return true
      }
      return false
    }
    const visit = (node: ts.Node) => {
      if (
        (ts.isStringLiteral(node) || ts.isTemplateExpression(node)) &&
        /[A-Za-z’]+ [a-z’]+ [a-z’]+ [a-z’]+ [a-z’]+/.test(node.getText())
      )
        if (!allowed(node) && !ts.isImportDeclaration(node.parent))
          found.push(`${name}: ${node.getText().slice(0, 90)}`)
      ts.forEachChild(node, visit)
    }
    visit(source)
  }
  expect(found).toEqual([])
})

test('no step is known by the letters of its id', () => {
  const byId = parsed.flatMap(({ name, source }) =>
    [
      ...source.text.matchAll(
        /\b(?:step|s)\??\.id\.(?:startsWith|includes|match|endsWith)\(|\.test\(\s*(?:step|s)\??\.id/g,
      ),
    ].map((m) => `${name}: ${m[0]}`),
  )
  expect(byId).toEqual([])
})
