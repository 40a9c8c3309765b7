import fc from 'fast-check'
import { CoatType, skinMap, ZONES, type Zone } from '../dog'
import { allOver } from '../fixtures'
import {
  chooseVessels,
  dilute,
  measure,
  strokeMl,
  mixVolume,
  parseLabel,
  Product,
  chooseByZone,
  chooseCleaning,
  fillBowl,
  fillVessels,
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
})

describe('labels', () => {
  test('the other reading counts the product among the parts', () => {
    expect(parseLabel('1:10', { reading: 'in' })).toMatchObject({
      ok: true,
      water: 9,
      note: { code: 'label.read.oneIn', facts: { parts: 10 } },
    })
    expect(parseLabel('1:10')).toMatchObject({ ok: true, water: 10 })
  })

  test('which side is water resolves to the weaker mix and says so', () => {
    expect(parseLabel('10:1')).toMatchObject({ water: 10, note: { code: 'label.read.weaker' } })
    expect(parseLabel('2:15')).toMatchObject({ water: 7.5 })
  })

  test('pump strokes need the millilitres of one stroke', () => {
    expect(parseLabel('3 pumps per 500 mL')).toMatchObject({ ok: false, why: { code: 'label.no.pump' } })
    const read = parseLabel('3 pumps per 500 mL', { pumpMl: 5 })
    expect(read.ok && read.water).toBeCloseTo(500 / 15, 6)
  })

  test.each<[string, number, string | undefined]>([
    ['10 parts water to 1 part shampoo', 10, undefined],
    ['1 part shampoo to 10 parts water', 10, undefined],
    ['1/10', 10, undefined],
    ['1-10', 10, undefined],
    ['dilute 1:5', 5, undefined],
    ['Dilute to 1:5', 5, undefined],
    ['20:1 dilution', 20, 'label.read.weaker'],
    ['2 capfuls per gallon', 189.27, 'label.read.cap'],
    ['10 drops per 100 mL', 200, 'label.read.drops'],
    ['3 tbsp : 1 tbsp', 3, 'label.read.weaker'],
  ])('%s, as people write it', (text, water, code) => {
    const read = parseLabel(text)
    expect(read).toMatchObject({ ok: true })
    if (!read.ok) return
    expect(read.water).toBeCloseTo(water, 1)
    expect(read.note?.code).toBe(code)
  })

  test('a range is asked about: which end is meant', () => {
    expect(parseLabel('1:10 to 1:20')).toMatchObject({
      ok: false,
      why: { code: 'label.no.range', facts: { strong: 10, weak: 20 } },
    })
    expect(parseLabel('20:1 - 50:1')).toMatchObject({ why: { facts: { strong: 20, weak: 50 } } })
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
    if (!read.ok) expect(read.why.code).toMatch(/^label[.]no[.]/)
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
      tool: 'pump',
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

  test('over 15 % by the pump, a syringe takes its place', () => {
    expect(measure(11, 110, 8)).toMatchObject({ ok: true, tool: 'syringe', product: 11 })
    expect(measure(0.3, 3)).toMatchObject({ ok: false, steps: 0, ratio: Infinity })
  })

  test('whatever is accepted lies within 15 %, in whole steps', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 400, noNaN: true }),
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.double({ min: 1, max: 30, noNaN: true }),
        (product, r, pump) => {
          const measured = measure(product, product * r, pump)
          expect(measured.product).toBeCloseTo(measured.steps * measured.step, 9)
          if (measured.ok) expect(measured.error).toBeLessThanOrEqual(0.15 + 1e-9)
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
    skin: allOver(),
    coat: 'wire',
    undercoat: null,
    stained: [],
    white: true,
    puppy: false,
    shedding: false,
    date: '2026-11-28',
    allergies: [],
    face: true,
  }

  test.each<[string, Partial<ChoiceFacts>, string, string]>([
    ['nothing special', {}, 'plain', 'plain'],
    ['greasy skin', { skin: allOver('greasy') }, 'plain', 'grease'],
    ['itchy skin', { skin: allOver('itchy') }, 'calm', 'calm'],
    ['itchy before greasy', { skin: allOver('greasy', 'itchy') }, 'calm', 'calm'],
    ['a puppy', { puppy: true }, 'calm', 'calm'],
  ])('%s', (_what, more, cleaning, treating) => {
    expect(chooseCleaning(shelf, { ...facts, ...more })?.product.name).toBe(cleaning)
    expect(chooseTreating(shelf, { ...facts, ...more })?.product.name).toBe(treating)
  })

  test('a medicated product without its written instruction stays on the shelf', () => {
    const treated: ChoiceFacts = { ...facts, skin: allOver('vet-treated') }
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
    expect(others.every((o) => o.why.code.startsWith('not.'))).toBe(true)
  })

  test('conditioner by coat and rule', () => {
    const soft = (more: Partial<ChoiceFacts>, rule: 'coat' | 'always' | 'never') =>
      chooseConditioner(shelf, { ...facts, ...more }, rule).product?.name
    expect(soft({ coat: 'wire' }, 'coat')).toBeUndefined()
    expect(soft({ coat: 'drop' }, 'coat')).toBe('soft')
    expect(soft({ coat: 'short double', shedding: true }, 'coat')).toBe('soft')
    expect(soft({ coat: 'wire' }, 'always')).toBe('soft')
    expect(soft({ coat: 'drop' }, 'never')).toBeUndefined()
  })

  describe('by zone', () => {
    const wider = [...shelf, product('stand', 'texturing'), product('face', 'tear-free')]
    const zoned = (more: Partial<ChoiceFacts>, rule: 'zones' | 'both' | 'blend' = 'zones', treating = true) => {
      const all = { ...facts, coat: 'smooth' as const, ...more }
      const whole = treating ? chooseTreating(wider, all)! : chooseCleaning(wider, all)!
      return Object.fromEntries(chooseByZone(wider, all, whole, rule, treating).map((c) => [c.product.name, c]))
    }

    test('every zone that is washed gets a product, and only one unless blended', () => {
      for (const coat of CoatType.options) {
        for (const stained of [[], ['feet'], ['feet', 'tail', 'head']] as Zone[][]) {
          for (const face of [true, false]) {
            for (const rule of ['zones', 'both'] as const) {
              const zones = Object.values(zoned({ coat, stained, face }, rule)).flatMap((c) => c.zones)
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
      expect(others.find((o) => o.name === 'white')!.why.code).toBe('not.whiteOnly')
    })

    test('whitening by the house’s rule: after cleaning, in both, or blended half and half', () => {
      expect(zoned({ stained: ['feet'] }, 'zones', false).white).toBeUndefined()
      expect(zoned({ stained: ['feet'] }, 'both', false).white!.zones).toEqual(['feet'])
      const blend = zoned({ stained: ['feet'] }, 'blend')
      expect(blend.white!.blend!.name).toBe('calm')
      expect(blend.white!.zones).toEqual(['feet'])
      expect(blend.calm).toBeUndefined()
    })

    test('tender skin and puppies get one mild product, tear-free on the face aside', () => {
      expect(Object.keys(zoned({ skin: allOver('itchy'), stained: ['feet'], coat: 'wire' })).sort()).toEqual([
        'calm',
        'face',
      ])
      expect(Object.keys(zoned({ puppy: true, face: false }))).toEqual(['calm'])
    })
  })

  test('what a dog reacts to stays on the shelf, whatever its skin asks for', () => {
    const oaty = shelf.map((p) => (p.id === 'calm' ? { ...p, contains: ['Oat'] } : p))
    const itchy: ChoiceFacts = { ...facts, skin: allOver('itchy'), allergies: ['oat'] }
    expect(chooseTreating(oaty, itchy)?.product.name).toBe('plain')
    expect(chooseTreating(oaty, itchy)!.others.find((o) => o.name === 'calm')!.why).toEqual({
      code: 'not.contains',
      facts: { allergen: 'oat' },
    })
  })

  test('an empty shelf chooses nothing', () => {
    expect(chooseTreating([], facts)).toBeUndefined()
    expect(chooseCleaning([], facts)).toBeUndefined()
  })
})

describe('how a mix is made', () => {
  const bottles = [
    { mL: 500, count: 3, markMl: 50 },
    { mL: 250, count: 2, markMl: 25 },
  ]

  test('a bottle is filled with water to one of its own marks, then product, and never past its brim', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 4000, noNaN: true }),
        fc.integer({ min: 2, max: 60 }),
        fc.array(
          fc.record({
            mL: fc.integer({ min: 50, max: 5000 }),
            count: fc.integer({ min: 0, max: 3 }),
            markMl: fc.constantFrom(10, 25, 50, 100),
          }),
          { maxLength: 3 },
        ),
        (mL, parts, sizes) => {
          const [filled] = fillVessels(sizes, [{ mL, ratio: parts }])
          if (!filled) return
          for (const { mL: vessel, waterMl, fill } of filled) {
            const size = sizes.find((s) => s.mL === vessel && s.count > 0 && Math.abs(waterMl % s.markMl) < 1e-6)
            expect(size).toBeDefined()
            expect(fill).toBeLessThanOrEqual(0.95 * vessel + 1e-9)
          }
          expect(filled.reduce((sum, f) => sum + f.fill, 0)).toBeGreaterThanOrEqual(mL - 1e-6)
          for (const s of sizes)
            expect(filled.filter((f) => f.mL === s.mL).length).toBeLessThanOrEqual(
              sizes.filter((o) => o.mL === s.mL).reduce((sum, o) => sum + o.count, 0),
            )
        },
      ),
    )
  })

  test('what the house’s vessels don’t hold is in none of them', () => {
    expect(fillVessels(bottles, [{ mL: 5000, ratio: 10 }])).toEqual([undefined])
    expect(fillVessels([], [{ mL: 100, ratio: 10 }])).toEqual([undefined])
  })

  test('one mix in one bottle where it fits', () => {
    const [filled] = fillVessels(bottles, [{ mL: 300, ratio: 10 }])
    expect(filled).toHaveLength(1)
    expect(filled![0]).toMatchObject({ mL: 500, waterMl: 300, productMl: 30, fill: 330 })
  })

  test('a bowl takes no less product than can be measured: a tiny mix is made larger, never stronger', () => {
    const bowl = fillBowl({ mL: 27.5, ratio: 10 })
    expect(bowl.measured.ok).toBe(true)
    expect(bowl.measured.ratio).toBeGreaterThan(10 / 1.15 - 1e-9)
    expect(bowl.measured.ratio).toBeLessThan(10 / 0.85 + 1e-9)
    fc.assert(
      fc.property(fc.double({ min: 5, max: 600, noNaN: true }), fc.integer({ min: 2, max: 60 }), (mL, parts) => {
        const { measured } = fillBowl({ mL, ratio: parts })
        if (measured.ok)
          expect(Math.abs(measured.product / ((measured.ratio * measured.product) / parts) - 1)).toBeLessThanOrEqual(
            0.1501,
          )
      }),
    )
  })

  test('neat by hand and by bar have their own amounts', () => {
    expect(neatVolume(false, 0.5).value).toBe(20)
    expect(neatVolume(true, 0.5).value).toBe(30)
    expect(barGrams(0.5)).toMatchObject({ value: 4, unit: 'g' })
  })
})

test.each(['0 in 5', '5 in 2'])('"%s" is told to be no share of a whole', (text) => {
  expect(parseLabel(text)).toMatchObject({ ok: false, why: { code: 'label.no.lessThanOne' } })
})

test.each([
  ['1:1,000', false],
  ['1:1.000', false],
  ['1,000 mL per 10 L', true],
  ['1:1 000', false],
])('thousands on a label are understood or refused, never cut: "%s"', (text, read) => {
  const label = parseLabel(text)
  expect(label.ok).toBe(read)
  if (label.ok) expect(label.water).toBeCloseTo(10, 6)
})

describe('skin in places', () => {
  const product = (name: string, kind: ShelvedProduct['kind'], more: Partial<ShelvedProduct> = {}): ShelvedProduct => ({
    ...Product.parse({ name, kind, ratio: '1:10' }),
    id: name,
    ...more,
  })
  const shelf = [product('plain', 'cleaning'), product('calm', 'soothing'), product('grease', 'degreasing')]
  const at = (zone: Zone, skin: 'itchy' | 'broken' | 'greasy'): ChoiceFacts => ({
    skin: skinMap({ skin: [], skinAt: [{ zone, side: 'both', skin: [skin] }] }),
    coat: 'smooth',
    undercoat: null,
    stained: [],
    white: true,
    puppy: false,
    shedding: false,
    date: '2026-11-28',
    allergies: [],
    face: true,
  })
  const chosen = (facts: ChoiceFacts) =>
    Object.fromEntries(
      chooseByZone(shelf, facts, chooseTreating(shelf, facts)!, 'zones', true).map((c) => [c.product.name, c]),
    )

  test('an itchy belly gets the soothing shampoo there, and the rest its usual one', () => {
    const { calm, plain } = chosen(at('belly', 'itchy'))
    expect(calm!.zones).toEqual(['belly'])
    expect(plain!.zones).not.toContain('belly')
    expect(plain!.zones).toHaveLength(ZONES.length - 1)
  })

  test('a sore place is washed around, and greasy feet are degreased alone', () => {
    expect(chosen(at('tail', 'broken')).calm).toMatchObject({ zones: ['tail'], why: { code: 'choose.around' } })
    expect(chosen(at('feet', 'greasy')).grease!.zones).toEqual(['feet'])
  })

  test('conditioner stays off a sore place', () => {
    const soft = [...shelf, product('soft', 'conditioner')]
    const { zones } = chooseConditioner(soft, { ...at('belly', 'broken'), coat: 'drop' }, 'coat')
    expect(zones).not.toContain('belly')
    expect(zones).toContain('back')
  })
})

describe('vessels', () => {
  const sizes = [
    { mL: 250, count: 2, markMl: 25 },
    { mL: 500, count: 2, markMl: 50 },
    { mL: 1000, count: 1, markMl: 50 },
  ]
  const WATER = 10
  /** Filled to the highest mark that leaves room for its product under the brim. */
  const holds = ({ mL, markMl }: (typeof sizes)[number]) =>
    (Math.floor((0.95 * mL * WATER) / (1 + WATER) / markMl + 1e-9) * markMl * (1 + WATER)) / WATER
  const all = (needed: number, left: readonly number[]) => {
    const found: { cost: number; counts: number[] }[] = []
    for (let a = 0; a <= left[0]!; a++)
      for (let b = 0; b <= left[1]!; b++)
        for (let c = 0; c <= left[2]!; c++) {
          const counts = [a, b, c]
          const whole = counts.reduce((s, n, i) => s + n * holds(sizes[i]!), 0)
          if (whole < needed - 1e-9) continue
          const leftover = Math.min(
            ...sizes.map((s, i) => {
              const rest = needed - (whole - holds(s))
              return counts[i] === 0 || rest <= 0
                ? Infinity
                : (Math.ceil((rest * WATER) / (1 + WATER) / s.markMl - 1e-9) * s.markMl * (1 + WATER)) / WATER - rest
            }),
          )
          if (leftover < Infinity) found.push({ cost: leftover + 50 * (a + b + c), counts })
        }
    return found
  }
  const best = (needs: readonly number[], left: readonly number[]): number => {
    if (needs.length === 0) return 0
    const [first, ...rest] = needs as [number, ...number[]]
    const put = 1e6 + best(rest, left)
    return all(first, left).reduce(
      (least, { cost, counts }) =>
        Math.min(
          least,
          cost +
            best(
              rest,
              left.map((n, i) => n - counts[i]!),
            ),
        ),
      put,
    )
  }

  test('vessels are chosen as well as trying every choice could', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 40, max: 900 }), { minLength: 1, maxLength: 3 }), (needs) => {
        const picks = chooseVessels(
          sizes,
          needs.map((mL) => ({ mL, ratio: WATER })),
        )
        const cost = picks.reduce((sum, p) => sum + (p ? p.cost : 1e6), 0)
        expect(cost).toBeCloseTo(
          best(
            needs,
            sizes.map((s) => s.count),
          ),
          6,
        )
        picks.forEach((p, i) => {
          if (p)
            expect(p.counts.reduce((s, n, k) => s + n * holds(sizes[k]!), 0)).toBeGreaterThanOrEqual(needs[i]! - 1e-9)
        })
      }),
      { numRuns: 60 },
    )
  })
})
