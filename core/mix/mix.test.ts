import fc from 'fast-check'
import { CoatType, ZONES, type Zone } from '../dog'
import {
  dilute,
  measure,
  strokeMl,
  mixVolume,
  parseLabel,
  Product,
  spellRatio,
  chooseByZone,
  chooseCleaning,
  fillingText,
  neatVolume,
  barGrams,
  chooseConditioner,
  chooseTreating,
} from '.'
import type { ChoiceFacts, Method, ShelvedProduct } from '.'

const ratio = fc.double({ min: 0, max: 300, noNaN: true })
const volume = fc.double({ min: 1, max: 5000, noNaN: true })

describe('dilution', () => {
  test('product and water add up to the mix, at the ratio asked for', () => {
    fc.assert(
      fc.property(volume, ratio, (v, r) => {
        const { product, water, strength } = dilute(v, r)
        expect(product + water).toBeCloseTo(v, 6)
        expect(water).toBeCloseTo(product * r, 6)
        expect(strength).toBeCloseTo(product / v, 9)
      }),
    )
  })

  test('both readings are spelled so that they cannot be turned round', () => {
    expect(spellRatio(10)).toBe('1 part product + 10 parts water (11 parts)')
    expect(spellRatio(0)).toBe('as it comes, no water')
  })
})

describe('labels', () => {
  test('the other reading counts the product among the parts', () => {
    expect(parseLabel('1:10', { reading: 'in' })).toMatchObject({ ok: true, water: 9, note: 'read as one part in 10' })
    expect(parseLabel('1:10')).toMatchObject({ ok: true, water: 10 })
  })

  test('which side is water resolves to the weaker mix and says so', () => {
    expect(parseLabel('10:1')).toMatchObject({ water: 10, note: expect.stringContaining('weaker') })
    expect(parseLabel('2:15')).toMatchObject({ water: 7.5 })
  })

  test('pump strokes need the millilitres of one stroke', () => {
    expect(parseLabel('3 pumps per 500 mL')).toMatchObject({ ok: false, why: expect.stringContaining('one stroke') })
    const read = parseLabel('3 pumps per 500 mL', { pumpMl: 5 })
    expect(read.ok && read.water).toBeCloseTo(500 / 15, 6)
  })

  test.each([
    '',
    'abc',
    '1:0',
    '0:10',
    '1 in 0.5',
    '0 %',
    '120 %',
    '5 bananas per litre',
    '1:9999',
    '30 mL per bucket',
    '-1:10',
    '1:10:5',
  ])('refuses "%s" and says how to write it', (text) => {
    const read = parseLabel(text)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.why).toMatch(/1:10/)
  })

  test('spaces, capitals and a decimal comma do not matter', () => {
    expect(parseLabel('  1 : 7,5 ')).toMatchObject({ ok: true, water: 7.5 })
    expect(parseLabel('Ready To Use')).toMatchObject({ ok: true, water: 0 })
    expect(parseLabel('2 Parts in 20')).toMatchObject({ ok: true, water: 9 })
    expect(parseLabel('4 fl. oz per US gallon')).toMatchObject({ ok: true })
  })

  test('never throws, whatever is typed', () => {
    fc.assert(fc.property(fc.string({ maxLength: 80 }), (text) => typeof parseLabel(text).ok === 'boolean'))
  })

  test('a ratio printed either way reads back the same', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), (r) => {
        for (const text of [`1:${r}`, `${r}:1`, `1+${r}`, `1 in ${r + 1}`, `${r} to 1`]) {
          const read = parseLabel(text)
          expect(read.ok && read.water).toBeCloseTo(r, 6)
        }
      }),
    )
  })
})

describe('volume of a wash', () => {
  const surface = 0.5
  const coat = { coat: 'drop', density: 'usual' } as const

  test('grows with surface, length, density and dirt, and never past twice the usual', () => {
    const plain = mixVolume(coat, surface, 'usual', 'bottle').value
    expect(plain).toBe(250)
    expect(mixVolume(coat, 2 * surface, 'usual', 'bottle').value).toBeCloseTo(2 * plain, 9)
    expect(mixVolume(coat, surface, 'filthy', 'bottle').value).toBeCloseTo(1.3 * plain, 9)
    expect(mixVolume(coat, surface, 'light', 'bottle').value).toBeCloseTo(0.8 * plain, 9)
    expect(mixVolume({ ...coat, density: 'dense', lengthCm: 60 }, surface, 'filthy', 'bottle').value).toBeCloseTo(
      2 * plain,
      9,
    )
  })

  test.each<[Method, number]>([
    ['spray', 0.8],
    ['bottle', 1],
    ['froth', 0.4],
    ['proportioner', 1.1],
  ])('a %s takes %d of it', (method, factor) => {
    expect(mixVolume(coat, surface, 'usual', method).value).toBeCloseTo(250 * factor, 9)
  })
})

describe('measuring', () => {
  test('rounds to whole strokes, water held, and shows the ratio that results', () => {
    expect(measure(24.5, 245, 8)).toEqual({
      ok: true,
      tool: 'pump strokes',
      steps: 3,
      step: 8,
      product: 24,
      ratio: 245 / 24,
      error: expect.closeTo(0.0204, 3),
    })
  })

  test('a tie goes to the weaker mix', () => {
    expect(measure(52.5, 500, 15)).toMatchObject({ steps: 3 })
  })

  test('over 15 % is refused, and the vessel offered can be measured', () => {
    const refused = measure(11, 110, 8)
    expect(refused).toMatchObject({ ok: false, vessel: 250 })
    const offered = dilute(250, 10)
    expect(measure(offered.product, offered.water, 8).ok).toBe(true)
  })

  test('whatever is accepted lies within 15 %, whatever is offered can be measured', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 400, noNaN: true }),
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.double({ min: 1, max: 30, noNaN: true }),
        (product, r, pump) => {
          const measured = measure(product, product * r, pump)
          if (measured.ok) {
            expect(measured.error).toBeLessThanOrEqual(0.15)
            expect(measured.product).toBeCloseTo(measured.steps * measured.step, 9)
          } else if (measured.vessel) {
            const next = dilute(measured.vessel, r)
            expect(measure(next.product, next.water, pump).ok).toBe(true)
          }
        },
      ),
    )
  })
})

describe('what a pump gives', () => {
  test('is its weighed strokes shared out: 10 strokes of 23 g are 2.3 mL each', () => {
    expect(strokeMl(23, 10)).toBeCloseTo(2.3, 9)
    expect(strokeMl(600, 10)).toBe(60)
  })
  test.each([
    [0, 10],
    [-4, 10],
    [601, 10],
    [20, 0],
    [20, 2.5],
    [NaN, 10],
  ])('is not told from %d g and %d strokes', (grams, strokes) => expect(strokeMl(grams, strokes)).toBeUndefined())
})

describe('choosing from the shelf', () => {
  const product = (name: string, kind: ShelvedProduct['kind'], more: Partial<ShelvedProduct> = {}): ShelvedProduct => ({
    ...Product.parse({ name, kind, ratio: '1:10' }),
    id: name,
    ...more,
  })
  const shelf = [
    product('plain', 'cleaning'),
    product('grease', 'degreasing'),
    product('white', 'whitening'),
    product('calm', 'soothing'),
    product('soft', 'conditioner'),
    product('cure', 'medicated'),
  ]
  const facts: ChoiceFacts = {
    skin: [],
    coat: 'wire',
    stained: [],
    white: true,
    puppy: false,
    shedding: false,
    allergies: [],
    face: true,
  }

  test.each<[string, Partial<ChoiceFacts>, string, string]>([
    ['nothing special', {}, 'plain', 'plain'],
    ['greasy skin', { skin: ['greasy'] }, 'plain', 'grease'],
    ['itchy skin', { skin: ['itchy'] }, 'calm', 'calm'],
    ['itchy before greasy', { skin: ['greasy', 'itchy'] }, 'calm', 'calm'],
    ['a puppy', { puppy: true }, 'calm', 'calm'],
  ])('%s', (_what, more, cleaning, treating) => {
    expect(chooseCleaning(shelf, { ...facts, ...more })?.product.name).toBe(cleaning)
    expect(chooseTreating(shelf, { ...facts, ...more })?.product.name).toBe(treating)
  })

  test('a medicated product without its written instruction stays on the shelf', () => {
    const treated: ChoiceFacts = { ...facts, skin: ['vet-treated'] }
    expect(chooseTreating(shelf, treated)?.product.name).toBe('calm')
    const instructed = shelf.map((p) => (p.id === 'cure' ? { ...p, instruction: 'twice a week' } : p))
    expect(chooseTreating(instructed, treated)?.product.name).toBe('cure')
  })

  test('an age limit on a label is honoured, also when the age is not known', () => {
    const limited = [product('grown', 'soothing', { youngestWeeks: 12 }), product('plain', 'cleaning')]
    expect(chooseTreating(limited, { ...facts, puppy: true, ageWeeks: 11 })?.product.name).toBe('plain')
    expect(chooseTreating(limited, { ...facts, puppy: true })?.product.name).toBe('plain')
    expect(chooseTreating(limited, { ...facts, puppy: true, ageWeeks: 12 })?.product.name).toBe('grown')
  })

  test('says of every other shampoo why it stayed', () => {
    const { others } = chooseTreating(shelf, facts)!
    expect(others.map((o) => o.name).sort()).toEqual(['calm', 'cure', 'grease', 'white'])
    expect(others.every((o) => o.why.length > 0)).toBe(true)
  })

  test('conditioner by coat and school', () => {
    const soft = (more: Partial<ChoiceFacts>, school: 'coat' | 'always' | 'never') =>
      chooseConditioner(shelf, { ...facts, ...more }, school).product?.name
    expect(soft({ coat: 'wire' }, 'coat')).toBeUndefined()
    expect(soft({ coat: 'drop' }, 'coat')).toBe('soft')
    expect(soft({ coat: 'short double', shedding: true }, 'coat')).toBe('soft')
    expect(soft({ coat: 'wire' }, 'always')).toBe('soft')
    expect(soft({ coat: 'drop' }, 'never')).toBeUndefined()
  })

  describe('by zone', () => {
    const wider = [...shelf, product('stand', 'texturing'), product('face', 'tear-free')]
    const zoned = (more: Partial<ChoiceFacts>, school: 'zones' | 'both' | 'blend' = 'zones', treating = true) => {
      const all = { ...facts, coat: 'smooth' as const, ...more }
      const whole = treating ? chooseTreating(wider, all)! : chooseCleaning(wider, all)!
      return Object.fromEntries(chooseByZone(wider, all, whole, school, treating).map((c) => [c.product.name, c]))
    }

    test('every zone that is washed gets a product, and only one unless blended', () => {
      for (const coat of CoatType.options) {
        for (const stained of [[], ['feet'], ['feet', 'tail', 'head']] as Zone[][]) {
          for (const face of [true, false]) {
            for (const school of ['zones', 'both'] as const) {
              const zones = Object.values(zoned({ coat, stained, face }, school)).flatMap((c) => c.zones)
              expect([...zones].sort()).toEqual(ZONES.filter((z) => face || z !== 'head').sort())
            }
          }
        }
      }
    })

    test('tear-free on the face, whitening on stained zones, texture on the body', () => {
      const { face, white, stand, plain } = zoned({ coat: 'wire', stained: ['feet', 'head'] })
      expect(face!.zones).toEqual(['head'])
      expect(white!.zones).toEqual(['feet'])
      expect(stand!.zones).toEqual(['neck', 'back'])
      expect(plain!.zones).not.toContain('back')
    })

    test('whitening is for white or pale hair', () => {
      expect(zoned({ stained: ['feet'], white: false }).white).toBeUndefined()
      const { others } = chooseTreating(shelf, { ...facts, white: false })!
      expect(others.find((o) => o.name === 'white')!.why).toBe('for white or pale hair')
    })

    test('whitening by school: after cleaning, in both, or blended half and half', () => {
      expect(zoned({ stained: ['feet'] }, 'zones', false).white).toBeUndefined()
      expect(zoned({ stained: ['feet'] }, 'both', false).white!.zones).toEqual(['feet'])
      const blend = zoned({ stained: ['feet'] }, 'blend')
      expect([blend.white!.share, blend.calm!.share, blend.calm!.zones]).toEqual([0.5, 0.5, ['feet']])
    })

    test('tender skin and puppies get one mild product, tear-free on the face aside', () => {
      expect(Object.keys(zoned({ skin: ['itchy'], stained: ['feet'], coat: 'wire' })).sort()).toEqual(['calm', 'face'])
      expect(Object.keys(zoned({ puppy: true, face: false }))).toEqual(['calm'])
    })
  })

  test('what a dog reacts to stays on the shelf, whatever its skin asks for', () => {
    const oaty = shelf.map((p) => (p.id === 'calm' ? { ...p, contains: ['Oat'] } : p))
    const itchy: ChoiceFacts = { ...facts, skin: ['itchy'], allergies: ['oat'] }
    expect(chooseTreating(oaty, itchy)?.product.name).toBe('plain')
    expect(chooseTreating(oaty, itchy)!.others.find((o) => o.name === 'calm')!.why).toContain('reacts')
  })

  test('an empty shelf chooses nothing', () => {
    expect(chooseTreating([], facts)).toBeUndefined()
    expect(chooseCleaning([], facts)).toBeUndefined()
  })
})

describe('how a mix is made', () => {
  test.each([
    ['bottle', /Bottle of 500 mL: water at 39 °C to the 250 mL line, then product to 275\./],
    ['spray', /Spray bottle of 500 mL/],
    ['froth', /1 tablespoon and 2 teaspoons into 250 mL/],
    ['proportioner', /25 mL in the proportioner, set to 1 : 10/],
  ] as const)('%s', (method, text) => {
    expect(fillingText(method, 25, 250, 39)).toMatch(text)
  })

  test('neat by hand and by bar have their own amounts', () => {
    expect(neatVolume(false, 0.5).value).toBe(20)
    expect(neatVolume(true, 0.5).value).toBe(30)
    expect(barGrams(0.5)).toMatchObject({ value: 4, unit: 'g' })
  })
})

test.each([
  [5, '1 teaspoon '],
  [10, '2 teaspoons '],
  [15, '1 tablespoon '],
  [35, '2 tablespoons and 1 teaspoon '],
  [1, '1 teaspoon '],
])('%d mL in a froth bowl is %sinto the water', (mL, text) => {
  expect(fillingText('froth', mL, 10 * mL, 37).startsWith(`${text}into`)).toBe(true)
})

test.each(['0 in 5', '5 in 2'])('"%s" is told to be no share of a whole', (text) => {
  expect(parseLabel(text)).toMatchObject({ ok: false, why: expect.stringContaining('One part in less than one') })
})
