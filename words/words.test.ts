import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { said, type Code, type Said } from '@core/said'
import { METRIC, US_CUSTOMARY } from '@core/units'
import { foundText, moneyRefused, noticeNext, sayIn, type Say } from '.'

const ROOT = join(import.meta.dirname, '..')
const config = ts.parseJsonConfigFileContent(
  ts.parseConfigFileTextToJson('tsconfig.core.json', readFileSync(join(ROOT, 'tsconfig.core.json'), 'utf8')).config,
  ts.sys,
  ROOT,
)
const program = ts.createProgram(
  config.fileNames.filter((name) => /\/core\/.*\.ts$/.test(name) && !name.endsWith('.test.ts')),
  { ...config.options, types: [], noEmit: true },
)
const checker = program.getTypeChecker()

/** The type of every statement's facts, as the rooms of the core declare them. */
function codes(): Map<Code, ts.Type> {
  const file = program.getSourceFile(join(ROOT, 'core/said.ts'))!
  const found = new Map<Code, ts.Type>()
  file.forEachChild((node) => {
    if (!ts.isInterfaceDeclaration(node) || node.name.text !== 'Codes') return
    for (const property of checker.getTypeAtLocation(node).getProperties())
      found.set(property.name as Code, checker.getTypeOfSymbolAtLocation(property, node))
  })
  return found
}

const NUMBERS = [1, 2, 37.5, 0, 600, 0.25]
const TEXTS: Record<string, string> = { date: '2026-11-28', month: '2026-11', since: '2026-10', last: '2026-11-28' }

/** Some value of a type: another one for another `turn`. Strings are a dog's name, or a date where they are named so. */
function sample(type: ts.Type, turn: number, name = '', depth = 0): unknown {
  if (type.isUnion()) return sample(type.types[(turn + depth) % type.types.length]!, turn, name, depth)
  if (type.isStringLiteral() || type.isNumberLiteral()) return type.value
  if (type.flags & ts.TypeFlags.BooleanLiteral) return checker.typeToString(type) === 'true'
  if (type.flags & ts.TypeFlags.Null) return null
  if (type.flags & (ts.TypeFlags.Undefined | ts.TypeFlags.Void)) return undefined
  if (type.flags & ts.TypeFlags.Number) return NUMBERS[(turn + depth) % NUMBERS.length]
  if (type.flags & ts.TypeFlags.String) return TEXTS[name] ?? 'Fig'
  if (checker.isTupleType(type))
    return checker.getTypeArguments(type as ts.TypeReference).map((t, i) => sample(t, turn + i, name, depth))
  if (checker.isArrayType(type)) {
    const [of] = checker.getTypeArguments(type as ts.TypeReference)
    return Array.from({ length: 1 + (turn % 2) }, (_, i) => sample(of!, turn + i, name, depth + 1))
  }
  if (depth > 4) return {}
  return Object.fromEntries(
    type.getProperties().map((p) => {
      const of = checker.getTypeOfSymbol(p)
      return [p.name, sample(of, turn, p.name, depth + 1)]
    }),
  )
}

const ALL = codes()
const TURNS = Array.from({ length: 12 }, (_, i) => i)
const SAYS: [string, Say][] = [
  ['in metric units', sayIn(METRIC)],
  ['in US units', sayIn(US_CUSTOMARY)],
]
const spoken = new Map<Say, Map<Code, string[]>>()
/** A statement's sentences for all turns, made once. */
function sentences(code: Code, say: Say): string[] {
  const known = spoken.get(say) ?? new Map<Code, string[]>()
  spoken.set(say, known)
  const made = known.get(code) ?? speak(code, say)
  known.set(code, made)
  return made
}
const speak = (code: Code, say: Say) =>
  TURNS.flatMap((turn) => {
    const statement = { code, facts: sample(ALL.get(code)!, turn) } as Said
    const text = [say.said(statement)]
    if (/^(stop|caution)[.]/.test(code)) text.push(noticeNext(statement as never, say))
    if (code.startsWith('found.')) text.push(foundText(statement as never, say))
    return text
  })
const KEPT = /^(kept[.]words|stop[.]kept|caution[.]kept)$/

test('there are statements to say', () => expect(ALL.size).toBeGreaterThan(300))

test('dates are written as each place writes them', () => {
  const of = (say: Say) => (['long', 'day', 'short'] as const).map((style) => say.date('2026-12-05', style))
  expect(of(SAYS[0]![1])).toEqual(['Saturday 5 December 2026', '5 December', '5 Dec 2026'])
  expect(of(SAYS[1]![1])).toEqual(['Saturday, December 5, 2026', 'December 5', 'Dec 5, 2026'])
})

test('what guards against current has the name that stands on the socket there', () => {
  const [metric, us] = SAYS.map(([, say]) => noticeNext(said('caution.current') as never, say))
  expect(metric).toContain('residual-current device')
  expect(us).toContain('GFCI outlet')
})

describe.each(SAYS)('%s', (_name, say) => {
  test.each([...ALL.keys()].map((code) => [code]))('%s is said in a sentence', (code) => {
    const long = (text: string) => !KEPT.test(code) && text.split(/(?<=[.:]) /).some((part) => part.length > 140)
    const wrong = (text: string) =>
      text === '' || text === code || /undefined|NaN|null|Infinity|\[object/.test(text) || / {2}|^ | $/.test(text)
    const texts = sentences(code, say)
    expect(texts.length).toBeGreaterThan(0)
    expect(texts.filter((text) => wrong(text) || long(text))).toEqual([])
  })

  test('one is one, and two are more', () => {
    const all = [...ALL.keys()].flatMap((code) => sentences(code, say))
    const things = 'visit|pass|round|towel|step|dog|day|zone|pair|place|thing|bottle|cup|wash|plug|vessel|mark'
    const one = new RegExp(`(^|[^.\\d/])1 (${things})(s|es)\\b`)
    const more = new RegExp(`(^|[^.\\d/])([2-9]|\\d\\d+) (${things})(?![\\w’-])`)
    expect(all.filter((text) => one.test(text) || more.test(text))).toEqual([])
  })
})

test('amounts follow the units: none of the other kind is left in a sentence', () => {
  const us = [...ALL.keys()]
    .filter((c) => !KEPT.test(c) && !c.startsWith('label.'))
    .flatMap((code) => sentences(code, SAYS[1]![1]))
  expect(us.filter((text) => /\d ?(kg|°C|mL|L|cm|m²)\b/.test(text) && !/mg|mL of one|m²/.test(text))).toEqual([])
  const metric = [...ALL.keys()].filter((c) => !c.startsWith('label.')).flatMap((code) => sentences(code, SAYS[0]![1]))
  expect(metric.filter((text) => /\d ?(lb|oz|°F|fl oz|gal)\b/.test(text))).toEqual([])
})

test('an amount that can’t be read is told by what its currency has', () => {
  expect(moneyRefused('JPY')).toMatch(/whole amount/)
  expect(moneyRefused('KWD')).toMatch(/to the hundredth/)
  expect(moneyRefused('EUR')).toBeUndefined()
})
