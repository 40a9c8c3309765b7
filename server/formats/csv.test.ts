import fc from 'fast-check'
import Papa from 'papaparse'
import { CoatType, Dog, Skin, Zone } from '@core/dog'
import { Form, Product, ProductKind } from '@core/mix'
import { columnsOf, fromCsv, toCsv } from './csv'

const words = fc.string({ minLength: 1, maxLength: 30, unit: 'grapheme' }).filter((t) => t.trim() === t && t !== '')
const odd = fc.constantFrom(
  '=1+1',
  '+49 30',
  '-x',
  '@me',
  "'quoted",
  'a,b;"c"',
  'a;=1+1',
  "x;'=2",
  'y|@z',
  'line\n=3',
  "';-4",
  'line\nbreak',
  '12',
  'true',
  'null',
  '[1]',
)
const named = fc.oneof(words, odd)
const product = fc
  .record({
    name: named,
    kind: fc.constantFrom(...ProductKind.options),
    form: fc.constantFrom(...Form.options),
    ratio: fc.constantFrom('', '1:10', '8 %', '30 mL/L'),
    contains: fc.array(fc.constantFrom('oat', '=cmd', '12', 'a, b'), { maxLength: 3 }),
    pricePerLitre: fc.option(fc.double({ min: 0, max: 500, noNaN: true }), { nil: null }),
    contactMinutes: fc.option(fc.integer({ min: 0, max: 60 }), { nil: null }),
    expires: fc.constantFrom(null, '2027-01-31'),
    retired: fc.boolean(),
    notes: fc.oneof(fc.constant(''), odd),
    forSkin: fc.subarray([...Skin.options]),
  })
  .map((p) => Product.parse(p))
const dog = fc
  .record({
    name: named,
    coat: fc.constantFrom(...CoatType.options),
    weightKg: fc.double({ min: 1.5, max: 80, noNaN: true }),
    undercoat: fc.constantFrom(null, true, false),
    allergies: fc.array(fc.constantFrom('oat', '=cmd'), { maxLength: 2 }),
    zoneLengthsCm: fc.dictionary(fc.constantFrom(...Zone.options), fc.double({ min: 0.2, max: 50, noNaN: true })),
    notes: fc.oneof(fc.constant(''), odd),
    usual: fc.constantFrom(null, { skipped: [{ step: 'nails', reason: '=1' }] }),
  })
  .map((d) => Dog.parse(d))

test('no cell begins with a formula, whatever sign a spreadsheet parts cells by', () => {
  fc.assert(
    fc.property(fc.array(dog, { maxLength: 6 }), (dogs) => {
      const text = toCsv('dogs', dogs)
      for (const delimiter of [',', ';', '\t', '|'])
        for (const cell of Papa.parse<string[]>(text, { delimiter }).data.flat())
          if (cell !== '' && !Number.isFinite(Number(cell))) expect(cell).not.toMatch(/^[=+\-@]/)
    }),
    { numRuns: 150 },
  )
})

test.each([
  ['products', product],
  ['dogs', dog],
] as const)('%s come back from a table exactly as they went', (of, any) => {
  fc.assert(
    fc.property(fc.array(any as fc.Arbitrary<Product | Dog>, { maxLength: 6 }), (records) => {
      const read = fromCsv(of, toCsv(of, records as never))
      expect(read.errors).toEqual([])
      expect(read.records.map((r) => r.record)).toEqual(records)
    }),
    { numRuns: 150 },
  )
})

test('no cell is one that a spreadsheet would run', () => {
  const text = toCsv('products', [Product.parse({ name: '=HYPERLINK("x")', kind: 'cleaning', notes: '@SUM(A1)' })])
  expect(text).toContain(`"'=HYPERLINK(""x"")"`)
  expect(text).toContain("'@SUM(A1)")
})

test('columns in any order, some left out, semicolons and a comma in the number: read all the same', () => {
  const { records, unknown } = fromCsv('products', '\uFEFFkind;pricePerLitre;Colour;name\ncleaning;12,5;red;Plain\n')
  expect(records[0]!.record).toMatchObject({
    name: 'Plain',
    kind: 'cleaning',
    pricePerLitre: 12.5,
    form: 'concentrate',
  })
  expect(unknown).toEqual(['Colour'])
})

test('faults are told by line and column; rows with one are not taken', () => {
  const { records, errors } = fromCsv(
    'products',
    'name,kind,ratio,pricePerLitre\nGood,cleaning,1:10,5\nBad,soap,1:10,5\nOther,cleaning,1.000,-3\n',
  )
  expect(records.map((r) => r.record.name)).toEqual(['Good'])
  expect(errors.map((e) => `${e.line} ${e.column}`)).toEqual(['3 kind', '4 pricePerLitre', '4 ratio'])
  expect(errors[1]!.message).toBe('A price is 0 or more.')
  expect(fromCsv('products', 'kind\ncleaning\n').errors[0]).toMatchObject({ line: 1, column: 'name' })
  expect(fromCsv('products', 'name,kind,ratio\nNo,cleaning,1.000:1\n').errors[0]!.message).toMatch(/thousand/)
})

test('every field of a record has a column', () => {
  expect(columnsOf('products')).toEqual(expect.arrayContaining(['name', 'kind', 'ratio', 'sizeMl', 'expires', 'rank']))
  expect(columnsOf('dogs')).toEqual(expect.arrayContaining(['name', 'coat', 'weightKg', 'known', 'usual']))
})
