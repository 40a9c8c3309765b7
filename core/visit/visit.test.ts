import fc from 'fast-check'
import {
  CoatType,
  Density,
  Dog,
  EarCarriage,
  EarSign,
  Fear,
  matsEverywhere,
  Mood,
  Skin,
  Soil,
  Stage,
  LOWER,
  ZONES,
  type EarLook,
} from '../dog'
import { Technique } from '../drying'
import { House } from '../house'
import { labelForbids, Product, type ShelvedProduct } from '../mix'
import { replay, type Reckoned } from '../reckoned'
import { said } from '../said'
import { RULES, type OwnRules } from '../rules'
import {
  comparePlans,
  HealthSign,
  mainMix,
  OVERRIDE_LIMITS,
  Override,
  planVisit,
  Today,
  todayFromRecord,
  type Plan,
} from '.'

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
const product = (
  name: string,
  kind: ShelvedProduct['kind'],
  ratio = '1:10',
  contains: string[] = [],
): ShelvedProduct => ({
  ...Product.parse({ name, kind, ratio, contains }),
  id: name,
})
const shelf = [
  product('Plain', 'cleaning'),
  product('Grease', 'degreasing', '1+15'),
  product('Calm', 'soothing', '1+12', ['oat']),
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
    fears: fc.subarray([...Fear.options], { maxLength: 3 }),
    rescue: fc.boolean(),
    white: fc.boolean(),
    outdoors: fc.boolean(),
    firstBath: fc.boolean(),
    topknot: fc.boolean(),
    earHair: fc.boolean(),
    mayBite: fc.boolean(),
    allergies: fc.subarray(['oat', 'tea tree']),
    earCarriage: fc.constantFrom(...EarCarriage.options),
    mood: fc.constantFrom(...Mood.options),
  })
  .map((d) => dog(d))
const anyToday = fc
  .record({
    skin: fc.subarray([...Skin.options]),
    soil: fc.constantFrom(...Soil.options),
    mats: fc.dictionary(fc.constantFrom(...ZONES), fc.integer({ min: 0, max: 3 })),
    shedding: fc.boolean(),
    stained: fc.subarray([...ZONES]),
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
    Object.fromEntries(
      Object.entries(RULES).map(([id, choices]) => [id, fc.constantFrom(...(choices as readonly string[]))]),
    ),
  )
  .map((rules) => House.parse({ ...house, rules }))

/** Every reckoned number inside a plan, however deep. */
function numbersIn(value: unknown, found: Reckoned[] = []): Reckoned[] {
  if (typeof value !== 'object' || value === null) return found
  if ('because' in value && 'value' in value && 'unit' in value) found.push(value as Reckoned)
  Object.values(value).forEach((inner) => numbersIn(inner, found))
  return found
}

describe('any dog, any day, any house rule', () => {
  test('every number has reasons that make it; minutes add up; stops stand; every wet zone is dried', () => {
    fc.assert(
      fc.property(anyDog, anyToday, anyHouse, (d, t, h) => {
        const p = planVisit(d, t, shelf, h)
        // what is wrong is gathered: to ask for each number by itself takes longer than to reckon it
        const wrong: string[] = []
        const holds = (what: string, held: boolean) => void (held || wrong.push(what))
        const numbers = numbersIn(p)
        holds('a dozen numbers', numbers.length > 12)
        for (const n of numbers) {
          holds('a number has reasons', n.because.length > 0)
          holds('a number is one', Number.isFinite(n.value))
          holds('its reasons make it', Math.abs(replay(n.because) - n.value) < 1e-6)
        }
        const sum = p.steps.reduce((sum, s) => sum + s.minutes.value, 0)
        holds('minutes add up', Math.abs(sum - p.minutes.value) < 5e-7)
        for (const s of p.steps) holds('a step has minutes and details', s.minutes.value >= 0 && s.detail.length > 0)
        const steps = ids(p)
        holds('a step has an id of its own', new Set(steps).size === steps.length)
        const dried = p.drying.zones.map((z) => z.zone).sort()
        const wetted = p.leftOut.some((l) => l.what === 'upperBody') ? LOWER : ZONES
        holds('every zone that gets wet is dried, once', dried.join() === [...wetted].sort().join())
        holds('water is never hot', p.water.target.value <= 38.5)
        holds('the last rinse comes to its limit', p.rinse.last.end <= p.rinse.last.limit.value * 1.000001)
        holds('a stop stands', p.go === !p.stops.some((s) => s.scope === 'visit' || s.scope === 'bath'))
        holds('no bath where it is stopped', steps.includes('wet') === p.go)
        if (p.go)
          for (const [a, b] of [
            ['look', 'wet'],
            ['wet', 'rinse-last'],
            ['rinse-last', 'dry'],
            ['dry', 'hand-over'],
          ] as const)
            holds(`${a} before ${b}`, steps.indexOf(a) < steps.indexOf(b))
        for (const m of p.mix.passes.flatMap((pass) => pass.mixes)) {
          const facts = { allergies: d.allergies, puppy: d.stage === 'puppy', date: t.date }
          const forbids = labelForbids(
            shelf.find((x) => x.id === m.product.id)!,
            facts,
          )
          holds('a label is kept to', !forbids)
        }
        holds('plugs that go in come out', steps.includes('plugs-in') === steps.includes('plugs-out'))
        expect(wrong).toEqual([])
      }),
      { numRuns: 2500, seed: 20261124 },
    )
  })

  test('adding a fact never loses a stop', () => {
    fc.assert(
      fc.property(anyDog, anyToday, anyToday, (d, a, b) => {
        const worse = today({
          ...a,
          skin: [...new Set([...a.skin, ...b.skin])],
          health: [...new Set([...a.health, ...b.health])],
          mats: Object.fromEntries(ZONES.map((z) => [z, Math.max(a.mats[z] ?? 0, b.mats[z] ?? 0)])),
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
    ['collapse', { health: ['collapse'] }, 'stop.health collapse', false],
    ['ringworm', { health: ['suspected ringworm'] }, 'stop.health suspected ringworm', false],
    ['wide wounds', { wounds: 'wide' }, 'stop.wounds,stop.skin broken', false],
    ['may bite, alone', { biteRisk: true }, 'stop.bite', false],
    ['felted', { mats: { belly: 3 } }, 'stop.felted', false],
    ['small wounds', { wounds: 'small' }, 'stop.skin broken', true],
    ['inflamed skin', { skin: ['inflamed'] }, 'stop.skin inflamed', true],
    [
      'an ear that smells',
      { leftEar: { signs: ['bad smell'], wax: 0, moist: false, hairBlocks: false } },
      'stop.ear left',
      true,
    ],
  ])('%s', (_what, t, id, go) => {
    const p = plan({}, t)
    expect(p.stops.map((s) => s.id)).toEqual(id.split(','))
    expect(p.go).toBe(go)
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
    expect(p.stops.map((s) => s.id)).toContain('stop.medicated')
    expect(p.mix.passes.flatMap((w) => w.mixes.map((m) => m.product.name))).not.toContain('Cure')
  })

  test('a stopped ear gets no plug and the head no shower', () => {
    const p = plan({}, { leftEar: { signs: ['bad smell'], wax: 0, moist: false, hairBlocks: false } })
    expect(p.ears.plugs).toBe(1)
    expect(p.steps.find((s) => s.id === 'rinse-last')!.detail).toContainEqual(
      expect.objectContaining({ code: 'step.lastRinse', facts: expect.objectContaining({ head: 'cloth' }) }),
    )
  })
})

describe('what makes a visit', () => {
  test('a puppy has a short one: one shampoo, no conditioner, no long rest, the tips of its nails alone', () => {
    const puppy = plan({ stage: 'puppy', weightKg: 3 })
    expect(puppy.mix.passes).toHaveLength(1)
    expect(puppy.mix.conditioner).toBeUndefined()
    expect(puppy.steps.find((s) => s.id === 'nails')!.detail).toEqual([said('step.nails', { tips: true })])
    expect(puppy.steps.find((s) => s.id === 'shake')!.minutes.value).toBe(1)
    const hands = (p: Plan) => p.steps.reduce((sum, x) => sum + (x.hands ? x.minutes.value : 0), 0)
    expect(hands(puppy)).toBeLessThan(hands(plan({ weightKg: 3 })))
  })

  test('age follows the date of birth', () => {
    expect(plan({ born: '2026-09-10' }).mix.passes).toHaveLength(1)
    expect(plan({ born: '2020-09-10', stage: 'puppy' }).mix.passes).toHaveLength(2)
  })

  test('shedding is blown out first; mats are brushed before water', () => {
    expect(ids(plan({}, { shedding: true }))).toContain('blow-out')
    expect(ids(plan({}, { shedding: true }))).not.toContain('brush')
    expect(ids(plan({}, { shedding: true, mats: { hindlegs: 1 } }))).toEqual(
      expect.arrayContaining(['blow-out', 'brush']),
    )
    const brush = (score: number) =>
      plan({}, { mats: matsEverywhere(score) }).steps.find((s) => s.id === 'brush')!.minutes.value
    expect(brush(1)).toBeGreaterThan(brush(0))
    expect(brush(2)).toBeGreaterThan(brush(1))
  })

  test('fleas put the neck first, whatever the rule', () => {
    for (const washingOrder of ['under', 'neck', 'face'] as const) {
      const p = plan({}, { fleas: true }, { rules: { washingOrder } })
      expect(p.steps.find((s) => s.id === 'lather-1')!.zones[0]).toBe('neck')
      expect(p.steps.find((s) => s.id === 'clean')!.minutes.value).toBe(10)
    }
  })

  test('rules change the plan they should change', () => {
    const withRule = (rules: OwnRules, d: Partial<Dog> = {}, t: Partial<Today> = {}) => plan(d, t, { rules })
    const at = (p: Plan, id: string) => ids(p).indexOf(id)
    expect(ids(withRule({ coatPreparation: 'straight' }))).not.toContain('brush')
    expect(ids(withRule({ coatPreparation: 'brush' }, {}, { shedding: true }))).not.toContain('blow-out')
    expect(withRule({ waterWarmth: 'neutral' }).water.target.value).toBe(35)
    expect(withRule({ washingOrder: 'face' }).steps.find((s) => s.id === 'lather-1')!.zones[0]).toBe('head')
    expect(withRule({ washCount: 'one' }).mix.passes).toHaveLength(1)
    expect(withRule({ washCount: 'three' }, {}, { skin: ['greasy'] }).mix.passes).toHaveLength(3)
    expect(withRule({ washCount: 'three' }).mix.passes).toHaveLength(2)
    expect(withRule({ conditioner: 'never' }).mix.conditioner).toBeUndefined()
    expect(withRule({ conditioner: 'always' }, { coat: 'smooth' }).mix.conditioner).toBeDefined()
    const before = withRule({ earsWhen: 'before' })
    const between = withRule({ earsWhen: 'between' })
    const after = withRule({ earsWhen: 'after' })
    expect(at(before, 'ears')).toBeLessThan(at(before, 'wet'))
    expect(at(between, 'ears')).toBeGreaterThan(at(between, 'towel'))
    expect(at(between, 'ears')).toBeLessThan(at(between, 'dry'))
    expect(at(after, 'ears')).toBeGreaterThan(at(after, 'dry'))
    expect(withRule({ earPlugs: 'never' }).ears.plugs).toBe(0)
    expect(withRule({ earPlugs: 'always' }, { plugsTolerated: false }).ears.plugs).toBe(2)
    expect(withRule({ earPlugs: 'tolerated' }, { plugsTolerated: false }).ears.plugs).toBe(0)
    const nailsFirst = withRule({ nails: 'before' })
    expect(at(nailsFirst, 'nails')).toBeLessThan(at(nailsFirst, 'wet'))
    expect(withRule({ dryerHeat: 'none' }).drying.zones.every((z) => z.by === 'off')).toBe(true)
    expect(withRule({ dryingOrder: 'belly' }).drying.zones[0]!.zone).toBe('belly')
    const matted: Partial<Today> = { mats: { hindlegs: 1, ears: 1 } }
    const minutes = (p: Plan, id: string) => p.steps.find((x) => x.id === id)?.minutes.value ?? 0
    const inBrush = withRule({ smallMats: 'before' }, {}, matted)
    const inConditioner = withRule({ smallMats: 'conditioner' }, {}, matted)
    const atTheEnd = withRule({ smallMats: 'after' }, {}, matted)
    expect(minutes(inBrush, 'brush')).toBeGreaterThan(minutes(inConditioner, 'brush'))
    expect(minutes(inConditioner, 'condition')).toBeGreaterThan(minutes(inBrush, 'condition'))
    expect(minutes(atTheEnd, 'comb')).toBeGreaterThan(minutes(inBrush, 'comb'))
    expect(minutes(withRule({ smallMats: 'after' }, {}, { mats: { hindlegs: 2 } }), 'brush')).toBeGreaterThan(
      minutes(atTheEnd, 'brush'),
    )
    const combing = (p: Plan) => p.steps.find((x) => x.id === 'comb')!.detail.map((x) => x.code)
    expect(
      [combing(atTheEnd), combing(inBrush), combing(withRule({ smallMats: 'after' }))].map((d) =>
        d.includes('step.smallMatsNow'),
      ),
    ).toEqual([true, false, false])
    expect(withRule({ headDrying: 'cloth' }).drying.zones.find((z) => z.zone === 'head')!.by).toBe('cloth')
    expect(withRule({ interval: 'fortnight' }).next.date).toBe('2026-12-12')
    expect(withRule({ earHair: 'routine' }, { earHair: true }).ears.left.thinHair).toBe(true)
    expect(withRule({ mixing: 'fresh' }, { coat: 'wire' }).mix.bottles).toHaveLength(2)
    const stains: Partial<Today> = { stained: ['feet'] }
    const pale: Partial<Dog> = { white: true }
    const whitens = (p: Plan) => p.mix.passes.map((pass) => pass.mixes.some((m) => m.product.name === 'White'))
    expect(whitens(withRule({ whitening: 'zones' }, pale, stains))).toEqual([false, true])
    expect(whitens(withRule({ whitening: 'both' }, pale, stains))).toEqual([true, true])
    expect(
      withRule({ whitening: 'blend' }, pale, stains)
        .mix.passes[1]!.mixes.filter((m) => m.zones.join() === 'feet')
        .map((m) => [m.product.name, m.blend?.product.name]),
    ).toEqual([['White', 'Calm']])
    expect(
      withRule({ earCleaner: 'cotton' }, {}, { leftEar: { signs: [], wax: 2, moist: false, hairBlocks: false } }).ears
        .left.because,
    ).toContainEqual({ code: 'ear.giving', facts: { giving: 'cotton' } })
    expect(withRule({ headRinse: 'up' }).steps.find((s) => s.id === 'rinse-last')!.detail[0]!.facts).toMatchObject({
      head: 'up',
    })
  })

  test('a dog’s own rule goes before the house’s, and never lifts a stop', () => {
    expect(plan({ rules: { washCount: 'one' } }).mix.passes).toHaveLength(1)
    expect(plan({ rules: { waterWarmth: 'warm' } }, {}, { rules: { waterWarmth: 'neutral' } }).water.target.value).toBe(
      37.5,
    )
    expect(plan({ rules: { coatPreparation: 'straight' } }, { mats: { belly: 3 } }).go).toBe(false)
  })

  test('whitening waits ten minutes on the feet, side by side with the rest, and shares the rinse', () => {
    const p = plan({ white: true }, { stained: ['feet'] })
    const [, treat] = p.mix.passes
    expect(treat!.mixes.map((m) => [m.product.name, m.zones.length])).toEqual([
      ['Plain', 8],
      ['White', 1],
    ])
    expect(treat!.wait.value).toBe(10)
    expect(treat!.wait.because.some((r) => r.code === 'contact.sideBySide')).toBe(true)
    expect(p.steps.filter((x) => x.id.startsWith('wait-'))).toHaveLength(2)
    expect(p.steps.filter((x) => x.id === 'rinse-last')).toHaveLength(1)
  })

  test('the head is washed once, and not when it must stay dry', () => {
    const heads = (p: Plan) => p.mix.passes.map((pass) => pass.mixes.some((m) => m.zones.includes('head')))
    expect(heads(plan())).toEqual([false, true])
    expect(heads(plan({ shortNose: true }))).toEqual([false, false])
    expect(heads(plan({ fears: ['face'] }))).toEqual([false, false])
    expect(heads(plan({ rescue: true }))).toEqual([false])
  })

  test('both passes of one product are mixed in one bottle', () => {
    const [bottle, ...rest] = plan({ coat: 'wire' }).mix.bottles
    expect(rest).toEqual([])
    expect(bottle!.passes).toEqual([1, 2])
    const mixes = plan({ coat: 'wire' }).mix.passes.map((p) => p.mixes[0]!)
    expect(bottle!.productMl).toBeCloseTo(mixes[0]!.productMl + mixes[1]!.productMl, 9)
    expect(bottle!.how).toBe('bottle')
    expect(plan({ coat: 'wire' }, {}, { rules: { mixing: 'fresh' } }).mix.bottles).toHaveLength(2)
    expect(plan({}, { skin: ['greasy'] }).mix.bottles.map((b) => b.passes)).toEqual([[1], [2], ['conditioner']])
  })

  test('an empty shelf washes with water and says so', () => {
    const p = planVisit(dog(), today(), [], house)
    expect(p.mix.passes).toEqual([])
    expect(p.cautions.map((c) => c.code)).toContain('caution.noShampoo')
  })
})

describe('cautions', () => {
  const cautions = (p: Plan): string[] => p.cautions.map((c) => c.code.replace('caution.', ''))
  test.each<[string, Partial<Dog>, Partial<Today>, Partial<House>, string]>([
    ['heavy', { weightKg: 31 }, {}, {}, 'lift'],
    ['ears that keep coming back', { earTrouble: true }, {}, {}, 'earTrouble'],
    ['a cool room and a long wait', { coat: 'wire', weightKg: 8 }, {}, {}, 'chill'],
    ['short nose', { shortNose: true }, {}, {}, 'heat'],
    ['pregnant', { pregnant: true }, {}, {}, 'vet'],
    ['fleas', {}, { fleas: true }, {}, 'fleas'],
    ['weak circuit', {}, {}, { circuits: [{ name: 'Sockets', volts: 230, amps: 6, otherW: 0 }] }, 'load'],
    ['cold boiler', {}, {}, { water: { ...house.water, hotC: 35 } }, 'tap'],
    ['small tank', { weightKg: 60 }, {}, { water: { ...house.water, tankL: 30 } }, 'short'],
    ['weak tankless heater', {}, {}, { water: { ...house.water, heater: 'tankless', heaterKw: 3 } }, 'tankless'],
    ['giant with fast air', { weightKg: 60, density: 'dense' }, {}, {}, 'noise'],
  ])('%s', (_what, d, t, h, id) => {
    expect(cautions(plan(d, t, h))).toContain(id)
  })

  test('an ordinary dog has only the two that always stand', () => {
    expect(cautions(plan({ weightKg: 8, coat: 'wire' }, {}, { room: { celsius: 23, humidity: 50 } }))).toEqual([
      'scald',
      'current',
    ])
  })

  test('a pH outside 6 to 8 is questioned', () => {
    const sharp = shelf.map((p) => ({ ...p, pH: 5.4 }))
    expect(planVisit(dog({ coat: 'wire' }), today(), sharp, house).cautions.map((c) => c.id)).toContain(
      'caution.pH Plain',
    )
  })
})

describe('own numbers', () => {
  const own = (target: Override['target'], value: number) =>
    plan({}, { overrides: [{ target, value, reason: 'because I say so' }] })

  test('take the reckoned one’s place, are signed, and have their consequences', () => {
    const strong = own('ratio', 5)
    expect(mainMix(strong.mix)!.ratio.value).toBe(5)
    expect(
      mainMix(strong.mix)!.ratio.because.some((r) => r.code === 'you.number' && r.facts.reason === 'because I say so'),
    ).toBe(true)
    expect(strong.rinse.last.minutes.value).toBeGreaterThan(plan().rinse.last.minutes.value)
    expect(strong.cautions.map((c) => c.id)).toContain('caution.stronger Plain')
    expect(own('water', 34)).toMatchObject({ water: { low: 32, high: 36, target: { value: 34 } } })
    expect(own('rinse', 3).cautions.map((c) => c.code)).toContain('caution.residue')
    expect(mainMix(own('contact', 8).mix)!.contact.value).toBe(8)
    expect(own('drying', 30).steps.find((s) => s.id === 'dry')!.minutes.value).toBe(30)
  })

  test.each(Object.entries(OVERRIDE_LIMITS))(
    '%s outside its limits is refused with the limits named',
    (target, { least, most }) => {
      for (const value of [least - 1, most + 1]) {
        const parsed = Override.safeParse({ target, value, reason: 'x' })
        expect(parsed.success).toBe(false)
        expect(parsed.error!.issues[0]).toMatchObject({
          params: { code: 'own.outside', facts: { target, least, most } },
        })
      }
      expect(Override.safeParse({ target, value: most, reason: 'x' }).success).toBe(true)
      expect(Override.safeParse({ target, value: most }).success).toBe(true)
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
    expect(of('water')).toMatchObject({
      from: { value: 37.5 },
      to: { value: 33.5 },
      came: [{ code: 'water.skin', facts: { skin: 'itchy' } }],
    })
    expect(of('shampoo')).toMatchObject({ from: { name: 'Plain' }, to: { name: 'Calm' } })
    expect(of('lastRinse')!.came.map((r) => r.code)).toContain('rinse.stricter')
  })

  test('a fact that goes is told too, and nothing when nothing changed', () => {
    const stronger = comparePlans(plan(), plan({}, { overrides: [{ target: 'ratio', value: 6, reason: '' }] }))
    expect(stronger.find((c) => c.what === 'ratio')).toMatchObject({ from: { value: 10 }, to: { value: 6 } })
    expect(comparePlans(plan({}, { skin: ['itchy'] }), plan()).find((c) => c.what === 'water')).toMatchObject({
      came: [],
      went: [{ code: 'water.skin', facts: { skin: 'itchy' } }],
    })
    expect(comparePlans(plan(), plan())).toEqual([])
  })

  test('a stop comes first', () => {
    expect(comparePlans(plan(), plan({}, { mats: { belly: 3 } }))[0]).toMatchObject({
      what: 'stops',
      from: { kind: 'none' },
    })
  })
})

test('today begins as the record expects it', () => {
  const d = dog({ known: { ...dog().known, skin: ['itchy'], shedding: true } })
  expect(todayFromRecord(d, date)).toMatchObject({ date, skin: ['itchy'], shedding: true, overrides: [], mood: null })
})

describe('a product of one’s own', () => {
  const choose = (productId: string, t: Partial<Today> = {}, d: Partial<Dog> = {}) =>
    plan(d, { ...t, products: [{ pass: 'treat', productId, zones: [], ratio: null, reason: 'she asked for it' }] })

  test('is taken, signed, and has its consequences', () => {
    const p = choose('Grease')
    expect(mainMix(p.mix)).toMatchObject({
      product: { name: 'Grease' },
      why: { code: 'choose.you', facts: { reason: 'she asked for it' } },
      own: true,
    })
    expect(mainMix(p.mix)!.others[0]).toMatchObject({ name: 'Plain' })
    expect(p.cautions.map((c) => c.code)).toContain('caution.strips')
    expect(p.mix.bottles.map((b) => b.product.name)).toEqual(['Plain', 'Grease', 'Soft'])
    expect(choose('Grease', { skin: ['itchy'] }).cautions.find((c) => c.code === 'caution.dries')!.facts).toMatchObject(
      {
        skin: 'itchy',
      },
    )
    expect(choose('Grease', { skin: ['greasy'] }).cautions.map((c) => c.code)).not.toContain('caution.strips')
  })

  test('is refused by an allergy or its label, and Juvant’s stands', () => {
    const reacting = shelf.map((p) => (p.id === 'Calm' ? { ...p, contains: ['oat'] } : p))
    const p = planVisit(
      dog({ allergies: ['oat'] }),
      today({ products: [{ pass: 'treat', productId: 'Calm', zones: [], ratio: null, reason: 'x' }] }),
      reacting,
      house,
    )
    expect(mainMix(p.mix)!.product.name).toBe('Plain')
    expect(p.cautions.find((c) => c.code === 'caution.refused')!.facts).toMatchObject({
      product: 'Calm',
      why: { code: 'not.contains', facts: { allergen: 'oat' } },
    })
  })
})

describe('a way of drying of one’s own', () => {
  test('is taken when the house has it, with what speaks against it', () => {
    const p = plan({}, { technique: 'fan' })
    expect(p.drying.choice).toMatchObject({ technique: 'fan', why: { code: 'way.yours' } })
    expect(p.drying.minutes.value).toBeGreaterThan(plan().drying.minutes.value)
    const drop = plan({ coat: 'drop' }, { technique: 'velocity, then brush' })
    expect(drop.cautions.find((c) => c.code === 'caution.yourWay')!.facts).toMatchObject({
      against: { code: 'bar.knots' },
    })
    expect(drop.drying.others.map((o) => o.technique)).toContain('warm brush')
  })

  test('is not taken when the house has no such dryer, and says so', () => {
    const p = plan({}, { technique: 'fan' }, { dryers: house.dryers.slice(0, 2) })
    expect(p.drying.choice.technique).toBe('velocity, then brush')
    expect(p.drying.choice.against).toMatchObject({ code: 'bar.missing', facts: { technique: 'fan' } })
  })

  test('every coat can be dried every way the house has, to the end', () => {
    for (const coat of CoatType.options) {
      for (const technique of Technique.options) {
        const { drying } = plan({ coat }, { technique })
        const wraps = technique === 'brush, then air'
        expect([coat, drying.choice.technique === technique, drying.zones.length]).toEqual([coat, !wraps, 9])
        expect(drying.minutes.value).toBeGreaterThan(0)
      }
    }
  })
})

describe('handling', () => {
  test('what is feared is dropped first; rinsing never is', () => {
    const { drop } = plan({ fears: ['dryer', 'feet'] }).handling
    expect(drop.slice(0, 2).map((d) => d.what)).toEqual(['nails', 'dryer'])
    expect(drop.flatMap((d) => d.steps)).not.toContain('rinse-last')
    const nails = plan({ fears: ['feet'] })
    expect(nails.handling.drop[0]!.minutes).toBe(nails.steps.find((x) => x.id === 'nails')!.minutes.value)
    expect(new Set(drop.map((d) => d.what)).size).toBe(drop.length)
  })

  test('cup and bucket for first baths, rescues and fear of water; two people and a muzzle only by consent', () => {
    for (const d of [{ firstBath: true }, { rescue: true }, { fears: ['water' as const] }]) {
      expect(plan(d).handling.tool).toBe('cup')
      expect(plan(d).steps.find((x) => x.id === 'wet')!.detail[0]!.facts).toMatchObject({ tool: 'cup' })
    }
    expect(plan({ mayBite: true }).handling).toMatchObject({ people: 2, muzzle: false })
    expect(plan({ mayBite: true }).handling.notes.map((n) => n.code)).toContain('handle.noMuzzle')
    expect(plan({ mayBite: true, muzzleConsent: true }).handling.muzzle).toBe(true)
  })

  test.each<[string, Partial<Dog>, boolean]>([
    ['calm and grown', {}, false],
    ['anxious', { mood: 'anxious' }, true],
    ['a puppy', { stage: 'puppy' }, true],
    ['a senior', { stage: 'senior' }, true],
    ['a first bath', { firstBath: true }, true],
  ])('breaks every ten minutes: %s', (_what, d, often) => {
    expect(plan(d).handling.breaks === 'everyTenMinutes').toBe(often)
  })

  test('every fear has a note of its own', () => {
    for (const fear of Fear.options)
      expect(plan({ fears: [fear] }).handling.notes.filter((n) => n.code === 'handle.fear')).toHaveLength(1)
  })

  test('a wary dog takes a quarter longer at the hands, an anxious one half', () => {
    const ears = (mood: Dog['mood']) => plan({ mood }).steps.find((x) => x.id === 'ears')!.minutes.value
    expect([ears('wary') / ears('calm'), ears('anxious') / ears('calm')]).toEqual([1.25, 1.5])
  })
})

describe('the groomer', () => {
  test('a protector lowers the dose; ramp or helper lower the lift', () => {
    const loud = plan({ weightKg: 58 })
    const muffed = plan({ weightKg: 58 }, {}, { protector: { kind: 'earmuff', nrr: 24 } })
    expect(muffed.groomer.dose.value).toBeLessThan(loud.groomer.dose.value / 5)
    expect(loud.groomer.lift.index).toBeGreaterThan(1)
    expect(plan({ weightKg: 58 }, {}, { tub: { heightCm: 70, ramp: true } }).groomer.lift.index).toBe(0)
    expect(plan({ weightKg: 31 }, { helper: true }).groomer.lift.index).toBeCloseTo(
      plan({ weightKg: 31 }).groomer.lift.index / 2,
      9,
    )
  })
})

describe('coming again', () => {
  const days = (d: Partial<Dog>, t: Partial<Today> = {}, rules: OwnRules = {}) => plan(d, t, { rules }).next.days.value
  test('by coat and condition, and by rule', () => {
    expect(days({ coat: 'drop' })).toBe(35)
    expect(days({ coat: 'drop' }, { mats: { belly: 2 } })).toBe(21)
    expect(days({ coat: 'short double' }, { skin: ['greasy'] })).toBe(59)
    expect(days({ coat: 'short double' }, { skin: ['itchy'] })).toBe(105)
    expect(days({ coat: 'drop' }, {}, { interval: 'monthly' })).toBe(35)
    expect(days({ coat: 'smooth' }, {}, { interval: 'seldom' })).toBe(120)
    expect(days({ coat: 'drop' }, {}, { interval: 'seldom' })).toBe(56)
    expect(plan({ coat: 'drop' }).next.date).toBe('2027-01-02')
  })
})

describe('contradictions are asked, not refused', () => {
  test.each<[string, Partial<Dog>, Partial<Today>, string]>([
    ['hairless with mats', { coat: 'hairless' }, { mats: { head: 1 } }, 'hairlessMats'],
    ['a puppy of 70 kg', { stage: 'puppy', weightKg: 70 }, {}, 'puppyWeight'],
    ['a pug of 30 kg', { breed: 'Pug', weightKg: 30 }, {}, 'breedWeight'],
    ['half its weight', { weightKg: 18 }, { weightKg: 9 }, 'weightChange'],
    ['itchy, nothing seen', {}, { skin: ['itchy'] }, 'itchyNothing'],
    ['fleas, no bites', {}, { fleas: true }, 'fleasNoBites'],
    ['dry and greasy', {}, { skin: ['dry', 'greasy'] }, 'dryGreasy'],
    ['a smooth coat of 20 cm', { coat: 'smooth', coatLengthCm: 20 }, {}, 'smoothLong'],
    ['a grown puppy', { stage: 'puppy', born: '2020-01-01' }, {}, 'grownPuppy'],
    ['signs in one ear', {}, { leftEar: { signs: ['discharge'], wax: 0, moist: false, hairBlocks: false } }, 'oneEar'],
  ])('%s', (_what, d, t, id) => {
    const p = plan(d, t)
    expect(p.questions.map((q) => q.code)).toContain(`ask.${id}`)
    expect(p.steps.length).toBeGreaterThan(0)
  })

  test('an ordinary dog is asked nothing', () => {
    expect(plan({ breed: 'Keeshond' }).questions).toEqual([])
  })
})

describe('a short visit', () => {
  const left = (d: Partial<Dog>) => plan(d).leftOut.map((l) => l.what)
  test('says what it leaves out, and an ordinary one leaves out nothing', () => {
    expect(left({})).toEqual([])
    expect(left({ stage: 'puppy', weightKg: 3 })).toEqual(expect.arrayContaining(['secondWash', 'face', 'brushing']))
    expect(left({ firstBath: true })).toEqual(expect.arrayContaining(['secondWash', 'face', 'nails']))
    expect(left({ mood: 'anxious' })).toContain('nails')
    expect(left({ stage: 'senior' })).toContain('secondWash')
  })
})
