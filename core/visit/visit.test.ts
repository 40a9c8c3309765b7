import fc from 'fast-check'
import { CoatType, Density, Dog, EarCarriage, EarSign, Mood, Skin, Soil, Stage, ZONES, type EarLook } from '../dog'
import { House } from '../house'
import { Product, type ShelvedProduct } from '../mix'
import { replay, type Reckoned } from '../reckoned'
import { SCHOOLS } from '../schools'
import { comparePlans, HealthSign, OVERRIDE_LIMITS, Override, planVisit, Today, todayFromRecord, type Plan } from '.'

const off = { name: 'heat off', heatW: 0 }
const house = House.parse({
  name: 'Test room',
  dryers: [
    { name: 'Velocity', kind: 'velocity', airflow: 4.5, nozzleMm: 40, motorW: 1200, settings: [off], level: 94 },
    {
      name: 'Stand',
      kind: 'stand',
      airflow: 2.2,
      nozzleMm: 60,
      motorW: 100,
      settings: [off, { name: 'low', heatW: 700 }, { name: 'warm', heatW: 1700 }],
      level: 76,
    },
    { name: 'Fan', kind: 'fan', airflow: 50, nozzleMm: 400, motorW: 60, settings: [off], level: 62 },
  ],
})
const product = (name: string, kind: ShelvedProduct['kind'], ratio = '1:10'): ShelvedProduct => ({
  ...Product.parse({ name, kind, ratio }),
  id: name,
})
const shelf = [
  product('Plain', 'cleaning'),
  product('Grease', 'degreasing', '1+15'),
  product('Calm', 'soothing', '1+12'),
  product('White', 'whitening', '1+8'),
  product('Soft', 'conditioner', '1+5'),
  product('Ear', 'ear cleaner', ''),
  product('EarDry', 'ear drying', ''),
]
const date = '2026-11-28'
const dog = (more: Partial<Dog> = {}) => Dog.parse({ name: 'Test', weightKg: 18, coat: 'long double', ...more })
const today = (more: Partial<Today> = {}) => Today.parse({ date, ...more })
const plan = (d: Partial<Dog> = {}, t: Partial<Today> = {}, h: Partial<House> = {}) =>
  planVisit(dog(d), today(t), shelf, { ...house, ...h })
const ids = (p: Plan) => p.steps.map((s) => s.id)

const ear: fc.Arbitrary<EarLook> = fc.record({
  signs: fc.subarray([...EarSign.options], { maxLength: 2 }),
  wax: fc.integer({ min: 0, max: 3 }),
  moist: fc.boolean(),
  hairBlocks: fc.boolean(),
})
const anyDog = fc
  .record({
    weightKg: fc.double({ min: 0.5, max: 100, noNaN: true }),
    coat: fc.constantFrom(...CoatType.options),
    density: fc.constantFrom(...Density.options),
    coatLengthCm: fc.option(fc.double({ min: 0.1, max: 60, noNaN: true })),
    stage: fc.constantFrom(...Stage.options),
    shortNose: fc.boolean(),
    thinSkin: fc.boolean(),
    dryerShy: fc.boolean(),
    earCarriage: fc.constantFrom(...EarCarriage.options),
    mood: fc.constantFrom(...Mood.options),
  })
  .map((d) => dog(d))
const anyToday = fc
  .record({
    skin: fc.subarray([...Skin.options]),
    soil: fc.constantFrom(...Soil.options),
    matScore: fc.integer({ min: 0, max: 3 }),
    shedding: fc.boolean(),
    stained: fc.boolean(),
    fleas: fc.boolean(),
    wounds: fc.constantFrom('none' as const, 'small' as const, 'wide' as const),
    health: fc.subarray([...HealthSign.options], { maxLength: 2 }),
    biteRisk: fc.boolean(),
    helper: fc.boolean(),
    leftEar: ear,
    rightEar: ear,
  })
  .map((t) => today(t))
const anyHouse = fc
  .record(
    Object.fromEntries(Object.entries(SCHOOLS).map(([id, s]) => [id, fc.constantFrom(...Object.keys(s.choices))])),
  )
  .map((schools) => House.parse({ ...house, schools }))

/** Every reckoned number inside a plan, however deep. */
function numbersIn(value: unknown, found: Reckoned[] = []): Reckoned[] {
  if (typeof value !== 'object' || value === null) return found
  if ('because' in value && 'value' in value && 'unit' in value) found.push(value as Reckoned)
  Object.values(value).forEach((inner) => numbersIn(inner, found))
  return found
}

describe('any dog, any day, any school', () => {
  test('every number has reasons that make it; minutes add up; stops stand; every zone is dried', () => {
    fc.assert(
      fc.property(anyDog, anyToday, anyHouse, (d, t, h) => {
        const p = planVisit(d, t, shelf, h)
        const numbers = numbersIn(p)
        expect(numbers.length).toBeGreaterThan(12)
        for (const n of numbers) {
          expect(n.because.length).toBeGreaterThan(0)
          expect(Number.isFinite(n.value)).toBe(true)
          expect(Math.abs(replay(n.because) - n.value)).toBeLessThan(1e-6)
        }
        expect(p.steps.reduce((sum, s) => sum + s.minutes.value, 0)).toBeCloseTo(p.minutes.value, 6)
        expect(p.steps.every((s) => s.minutes.value >= 0 && s.detail !== '')).toBe(true)
        expect(new Set(ids(p)).size).toBe(p.steps.length)
        expect(p.drying.zones.map((z) => z.zone).sort()).toEqual([...ZONES].sort())
        expect(p.water.target.value).toBeLessThanOrEqual(38.5)
        expect(p.rinse.last.end).toBeLessThanOrEqual(p.rinse.last.limit.value * 1.000001)
        expect(p.go).toBe(!p.stops.some((s) => s.scope === 'visit' || s.scope === 'bath'))
        expect(ids(p).includes('wet')).toBe(p.go)
        const before = (a: string, b: string) => ids(p).indexOf(a) < ids(p).indexOf(b)
        if (p.go)
          expect(
            before('look', 'wet') &&
              before('wet', 'rinse-last') &&
              before('rinse-last', 'dry') &&
              before('dry', 'hand-over'),
          ).toBe(true)
        expect(ids(p).includes('plugs-in')).toBe(ids(p).includes('plugs-out'))
      }),
      { numRuns: 400 },
    )
  })

  test('adding a fact never loses a stop', () => {
    fc.assert(
      fc.property(anyDog, anyToday, anyToday, (d, a, b) => {
        const worse = today({
          ...a,
          skin: [...new Set([...a.skin, ...b.skin])],
          health: [...new Set([...a.health, ...b.health])],
          matScore: Math.max(a.matScore, b.matScore),
          wounds: a.wounds === 'wide' || b.wounds === 'wide' ? 'wide' : a.wounds === 'small' ? 'small' : b.wounds,
          biteRisk: a.biteRisk || b.biteRisk,
          helper: a.helper,
          fleas: a.fleas || b.fleas,
          leftEar: {
            ...a.leftEar,
            signs: [...new Set([...a.leftEar.signs, ...b.leftEar.signs])],
            wax: Math.max(a.leftEar.wax, b.leftEar.wax),
          },
          rightEar: { ...a.rightEar, signs: [...new Set([...a.rightEar.signs, ...b.rightEar.signs])] },
        })
        const had = planVisit(d, a, shelf, house).stops.map((s) => s.id)
        const has = planVisit(d, worse, shelf, house).stops.map((s) => s.id)
        expect(has).toEqual(expect.arrayContaining(had))
      }),
    )
  })

  test('the same facts give the same plan', () => {
    fc.assert(
      fc.property(anyDog, anyToday, (d, t) =>
        expect(planVisit(d, t, shelf, house)).toEqual(planVisit(d, t, shelf, house)),
      ),
      { numRuns: 20 },
    )
  })
})

describe('stops', () => {
  test.each<[string, Partial<Today>, string, boolean]>([
    ['collapse', { health: ['collapse'] }, 'health-collapse', false],
    ['ringworm', { health: ['suspected ringworm'] }, 'health-suspected-ringworm', false],
    ['wide wounds', { wounds: 'wide' }, 'wounds,skin', false],
    ['may bite, alone', { biteRisk: true }, 'bite', false],
    ['felted', { matScore: 3 }, 'felted', false],
    ['small wounds', { wounds: 'small' }, 'skin', true],
    ['inflamed skin', { skin: ['inflamed'] }, 'skin', true],
    [
      'an ear that smells',
      { leftEar: { signs: ['bad smell'], wax: 0, moist: false, hairBlocks: false } },
      'ear-left',
      true,
    ],
  ])('%s', (_what, t, id, go) => {
    const p = plan({}, t)
    expect(p.stops.map((s) => s.id)).toEqual(id.split(','))
    expect(p.go).toBe(go)
    expect(p.stops[0]!.next).not.toBe('')
  })

  test('a second person lifts the bite stop, nothing else', () => {
    expect(plan({}, { biteRisk: true, helper: true }).stops).toEqual([])
  })

  test('a clearance lifts what it covers, from its day until its date', () => {
    const smelly: Partial<Today> = { leftEar: { signs: ['bad smell'], wax: 1, moist: false, hairBlocks: false } }
    const cleared = (more: object) =>
      plan({ clearances: [{ by: 'Vet', on: '2026-11-20', covers: 'left ear', until: '2026-12-01', ...more }] }, smelly)
    expect(cleared({}).stops).toEqual([])
    expect(cleared({}).ears.left.action).toBe('clean')
    expect(cleared({ until: '2026-11-27' }).stops).toHaveLength(1)
    expect(cleared({ on: '2026-11-29' }).stops).toHaveLength(1)
    expect(cleared({ covers: 'right ear' }).stops).toHaveLength(1)
    expect(cleared({ covers: 'whole visit' }).stops).toEqual([])
  })

  test('no clearance lifts a collapse', () => {
    const p = plan(
      { clearances: [{ by: 'Vet', on: '2026-11-20', covers: 'whole visit', until: '2026-12-30' }] },
      { health: ['collapse'] },
    )
    expect(p.go).toBe(false)
  })

  test('a medicated product without instruction is a stop for that product', () => {
    const withCure = [...shelf, product('Cure', 'medicated')]
    const p = planVisit(dog(), today({ skin: ['vet-treated'] }), withCure, house)
    expect(p.stops.map((s) => s.id)).toContain('medicated')
    expect(p.mix.washes.map((w) => w.product.name)).not.toContain('Cure')
  })

  test('a stopped ear gets no plug and the head no shower', () => {
    const p = plan({}, { leftEar: { signs: ['bad smell'], wax: 0, moist: false, hairBlocks: false } })
    expect(p.ears.plugs).toBe(1)
    expect(p.steps.find((s) => s.id === 'rinse-last')!.detail).toContain('head by cloth')
  })
})

describe('what makes a visit', () => {
  test('a puppy has a short one: one shampoo, no conditioner, no nails, no long rest, head by cloth', () => {
    const puppy = plan({ stage: 'puppy', weightKg: 3 })
    expect(puppy.mix.washes).toHaveLength(1)
    expect(puppy.mix.conditioner).toBeUndefined()
    expect(ids(puppy)).not.toContain('nails')
    expect(puppy.steps.find((s) => s.id === 'shake')!.minutes.value).toBe(1)
    expect(puppy.minutes.value).toBeLessThan(plan({ weightKg: 3 }).minutes.value)
  })

  test('age follows the date of birth', () => {
    expect(plan({ born: '2026-09-10' }).mix.washes).toHaveLength(1)
    expect(plan({ born: '2020-09-10', stage: 'puppy' }).mix.washes).toHaveLength(2)
  })

  test('shedding is blown out first; mats are brushed before water', () => {
    expect(ids(plan({}, { shedding: true }))).toContain('blow-out')
    expect(ids(plan({}, { shedding: true }))).not.toContain('brush')
    expect(ids(plan({}, { shedding: true, matScore: 1 }))).toEqual(expect.arrayContaining(['blow-out', 'brush']))
    const brush = (matScore: number) => plan({}, { matScore }).steps.find((s) => s.id === 'brush')!.minutes.value
    expect(brush(2) / brush(0)).toBeCloseTo(1.8, 9)
  })

  test('fleas put the neck first, whatever the school', () => {
    for (const S3 of ['under', 'neck', 'face'] as const) {
      const p = plan({}, { fleas: true }, { schools: { ...house.schools, S3 } })
      expect(p.steps.find((s) => s.id === 'lather-1')!.zones[0]).toBe('neck')
      expect(p.steps.find((s) => s.id === 'clean')!.minutes.value).toBe(10)
    }
  })

  test('schools change the plan they should change', () => {
    const withSchool = (schools: Partial<House['schools']>, d: Partial<Dog> = {}, t: Partial<Today> = {}) =>
      plan(d, t, { schools: { ...house.schools, ...schools } })
    const at = (p: Plan, id: string) => ids(p).indexOf(id)
    expect(ids(withSchool({ S1: 'straight' }))).not.toContain('brush')
    expect(ids(withSchool({ S1: 'brush' }, {}, { shedding: true }))).not.toContain('blow-out')
    expect(withSchool({ S2: 'neutral' }).water.target.value).toBe(35)
    expect(withSchool({ S3: 'face' }).steps.find((s) => s.id === 'lather-1')!.zones[0]).toBe('head')
    expect(withSchool({ S4: 'one' }).mix.washes).toHaveLength(1)
    expect(withSchool({ S4: 'three' }, {}, { skin: ['greasy'] }).mix.washes).toHaveLength(3)
    expect(withSchool({ S4: 'three' }).mix.washes).toHaveLength(2)
    expect(withSchool({ S5: 'never' }).mix.conditioner).toBeUndefined()
    expect(withSchool({ S5: 'always' }, { coat: 'smooth' }).mix.conditioner).toBeDefined()
    const before = withSchool({ S6: 'before' })
    const between = withSchool({ S6: 'between' })
    const after = withSchool({ S6: 'after' })
    expect(at(before, 'ears')).toBeLessThan(at(before, 'wet'))
    expect(at(between, 'ears')).toBeGreaterThan(at(between, 'towel'))
    expect(at(between, 'ears')).toBeLessThan(at(between, 'dry'))
    expect(at(after, 'ears')).toBeGreaterThan(at(after, 'dry'))
    expect(withSchool({ S10: 'never' }).ears.plugs).toBe(0)
    expect(withSchool({ S10: 'always' }, { plugsTolerated: false }).ears.plugs).toBe(2)
    expect(withSchool({ S10: 'tolerated' }, { plugsTolerated: false }).ears.plugs).toBe(0)
    const nailsFirst = withSchool({ S11: 'before' })
    expect(at(nailsFirst, 'nails')).toBeLessThan(at(nailsFirst, 'wet'))
    expect(withSchool({ S12: 'none' }).drying.zones.every((z) => z.setting === 'heat off')).toBe(true)
    expect(withSchool({ S13: 'belly' }).drying.zones[0]!.zone).toBe('belly')
    expect(withSchool({ S15: 'up' }).steps.find((s) => s.id === 'rinse-last')!.detail).toContain('chin up')
  })

  test('both passes of one product are mixed in one bottle', () => {
    const [bottle, ...rest] = plan({ coat: 'wire' }).mix.bottles
    expect(rest).toEqual([])
    expect(bottle!.passes).toEqual([1, 2])
    const washes = plan({ coat: 'wire' }).mix.washes
    expect(bottle!.productMl).toBeCloseTo(washes[0]!.productMl + washes[1]!.productMl, 9)
    expect(plan({}, { skin: ['greasy'] }).mix.bottles).toHaveLength(2)
  })

  test('an empty shelf washes with water and says so', () => {
    const p = planVisit(dog(), today(), [], house)
    expect(p.mix.washes).toEqual([])
    expect(p.cautions.map((c) => c.id)).toContain('no-shampoo')
  })
})

describe('cautions', () => {
  const cautions = (p: Plan) => p.cautions.map((c) => c.id)
  test.each<[string, Partial<Dog>, Partial<Today>, Partial<House>, string]>([
    ['heavy', { weightKg: 31 }, {}, {}, 'lift'],
    ['short nose', { shortNose: true }, {}, {}, 'heat'],
    ['pregnant', { pregnant: true }, {}, {}, 'vet'],
    ['fleas', {}, { fleas: true }, {}, 'fleas'],
    ['weak circuit', {}, {}, { circuit: { volts: 230, amps: 6 } }, 'load'],
    ['cold boiler', {}, {}, { water: { ...house.water, hotC: 35 } }, 'tap'],
    ['small tank', { weightKg: 60 }, {}, { water: { ...house.water, tankL: 30 } }, 'short'],
    ['weak tankless heater', {}, {}, { water: { ...house.water, heater: 'tankless', heaterKw: 3 } }, 'tankless'],
    ['giant with fast air', { weightKg: 60, density: 'dense' }, {}, {}, 'noise'],
  ])('%s', (_what, d, t, h, id) => {
    expect(cautions(plan(d, t, h))).toContain(id)
  })

  test('an ordinary dog has only the two that always stand', () => {
    expect(cautions(plan({ weightKg: 10, coat: 'wire' }))).toEqual(['scald', 'current'])
  })

  test('a pH outside 6 to 8 is questioned', () => {
    const sharp = shelf.map((p) => ({ ...p, pH: 5.4 }))
    expect(planVisit(dog({ coat: 'wire' }), today(), sharp, house).cautions.map((c) => c.id)).toContain('ph-Plain')
  })
})

describe('own numbers', () => {
  const own = (target: Override['target'], value: number) =>
    plan({}, { overrides: [{ target, value, reason: 'because I say so' }] })

  test('take the reckoned one’s place, are signed, and have their consequences', () => {
    const strong = own('ratio', 5)
    expect(strong.mix.washes.at(-1)!.ratio.value).toBe(5)
    expect(strong.mix.washes.at(-1)!.ratio.because.some((r) => r.fact === 'You: because I say so')).toBe(true)
    expect(strong.rinse.last.minutes.value).toBeGreaterThan(plan().rinse.last.minutes.value)
    expect(strong.cautions.map((c) => c.id)).toContain('strong-Plain')
    expect(own('water', 34)).toMatchObject({ water: { low: 32, high: 36, target: { value: 34 } } })
    expect(own('rinse', 3).cautions.map((c) => c.id)).toContain('residue')
    expect(own('contact', 8).steps.find((s) => s.id === 'wait-2')!.minutes.value).toBe(8)
    expect(own('drying', 30).steps.find((s) => s.id === 'dry')!.minutes.value).toBe(30)
  })

  test.each(Object.entries(OVERRIDE_LIMITS))(
    '%s outside its limits is refused with the limits named',
    (target, { least, most }) => {
      for (const value of [least - 1, most + 1]) {
        const parsed = Override.safeParse({ target, value, reason: 'x' })
        expect(parsed.success).toBe(false)
        expect(parsed.error!.issues[0]!.message).toContain(String(most))
      }
      expect(Override.safeParse({ target, value: most, reason: 'x' }).success).toBe(true)
      expect(Override.safeParse({ target, value: most, reason: '  ' }).success).toBe(false)
    },
  )

  test('no number of one’s own lifts a stop or warms past the ceiling', () => {
    expect(Override.safeParse({ target: 'water', value: 39, reason: 'likes it' }).success).toBe(false)
    const p = plan({}, { health: ['collapse'], overrides: [{ target: 'water', value: 34, reason: 'x' }] })
    expect(p.go).toBe(false)
  })
})

describe('what changed', () => {
  test('an itch is told as cooler water, stricter rinse and another shampoo, with reasons', () => {
    const changes = comparePlans(plan(), plan({}, { skin: ['itchy'] }))
    const of = (what: string) => changes.find((c) => c.what === what)
    expect(of('Water')).toMatchObject({ from: '37.5 °C', to: '33.5 °C', why: ['itchy skin'] })
    expect(of('Shampoo')).toMatchObject({ from: 'Plain', to: 'Calm' })
    expect(Number(of('Rinse passes')!.to)).toBeGreaterThan(Number(of('Rinse passes')!.from))
    expect(of('Rinse passes')!.why.join()).toContain('itchy')
  })

  test('a fact that goes is told too, and nothing when nothing changed', () => {
    expect(comparePlans(plan({}, { skin: ['itchy'] }), plan()).find((c) => c.what === 'Water')!.why).toEqual([
      'no longer: itchy skin',
    ])
    expect(comparePlans(plan(), plan())).toEqual([])
  })

  test('a stop comes first', () => {
    expect(comparePlans(plan(), plan({}, { matScore: 3 }))[0]).toMatchObject({ what: 'Stops', from: 'none' })
  })
})

test('today begins as the record expects it', () => {
  const d = dog({ known: { ...dog().known, skin: ['itchy'], shedding: true } })
  expect(todayFromRecord(d, date)).toMatchObject({ date, skin: ['itchy'], shedding: true, overrides: [], mood: null })
})
