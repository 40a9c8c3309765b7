import fc from 'fast-check'
import { AddedStep, CoatType, Dog, HouseHabit, Service, Skin, Way, ZONES, type Zone } from '../dog'
import { FAN, FORCE_DRYER, roomWith, STAND_DRYER } from '../fixtures'
import { labelForbids, Product, ProductKind, SAMPLES, type ShelvedProduct } from '../mix'
import { partsOf } from '../washday'
import {
  canSplit,
  choicesOf,
  hasChoice,
  mixesOf,
  neededOf,
  placesFor,
  planVisit,
  productCost,
  Today,
  todayFromRecord,
  whyNeeded,
  withChoice,
  withoutChoice,
  type Plan,
} from '.'

const shelf: ShelvedProduct[] = ProductKind.options.map((kind) => ({ ...SAMPLES[kind], id: kind }))
const date = '2026-11-28'
const planOf = (today: object = {}, dog: object = {}, room: Record<string, unknown> = {}, products = shelf): Plan =>
  planVisit(
    Dog.parse({ name: 'Fig', coat: 'drop', weightKg: 8, ...dog }),
    Today.parse({ date, ...today }),
    products,
    roomWith({ dryers: [FORCE_DRYER, STAND_DRYER, FAN], ...room }),
  )
const ids = (plan: Plan) => plan.steps.map((s) => s.id)
const minutes = (plan: Plan) => plan.minutes.value
/** A dog on which nothing of the house's own accord stays. */
const BARE = { rules: { finishing: 'no' } }
const refusals = (plan: Plan) => plan.course!.refused.map((r) => r.code)
const own = (more: object = {}) =>
  AddedStep.parse({ id: 'own-1', name: 'Bow', minutes: 4, place: 'table', after: 'comb', ...more })

describe('what a dog comes for', () => {
  test.each([
    ['bathAndTidy', {}, 'tidy'],
    ['deShed', { coat: 'long double' }, 'de-shed'],
    ['fullClip', {}, 'clip'],
  ] as const)('%s adds its step on the dry coat', (service, dog, id) => {
    const plan = planOf({ service }, dog)
    const bath = planOf({}, dog)
    expect(ids(plan)).toContain(id)
    expect(ids(bath)).not.toContain(id)
    expect(ids(plan).indexOf(id)).toBeGreaterThan(ids(plan).lastIndexOf('dry'))
    // what is cut off first needs no brush and dries quickly
    if (!ids(plan).includes('clip-rough')) expect(minutes(plan)).toBeGreaterThan(minutes(bath))
  })

  test('nails and ears only: no water, no mix, no towels for the dog', () => {
    const plan = planOf({ service: 'nailsAndEars' })
    expect(ids(plan)).toEqual(['look', 'ears', 'nails', 'hand-over'])
    expect(plan.go).toBe(false)
    expect(plan.stops).toEqual([])
  })

  test('a haircut only: brushed and cut dry, no water; felt is cut off first; a coat with nothing to cut is tidied', () => {
    const cut = (dog: object, today: object = {}) => planOf({ service: 'haircut', ...today }, dog)
    expect(ids(cut({ coat: 'wire', coatLengthCm: 2 }))).toEqual(['look', 'brush', 'ears', 'clip', 'nails', 'hand-over'])
    expect(ids(cut({ coat: 'curly' }, { mats: { back: 2 } }))).toContain('clip-rough')
    expect(ids(cut({ coat: 'smooth' }))).toEqual(['look', 'brush', 'ears', 'tidy', 'nails', 'hand-over'])
    for (const plan of [cut({ coat: 'wire' }), cut({ coat: 'long double' }, { shedding: true })])
      expect([plan.go, ids(plan).includes('blow-out')]).toEqual([false, false])
    expect(cut({ coat: 'wire' }).handMinutes.value).toBeLessThan(planOf({ service: 'fullClip' }).handMinutes.value)
    // fever or a wide wound: looked at, and no more
    expect(ids(cut({ coat: 'wire' }, { wounds: 'wide' }))).not.toContain('clip')
  })

  test('the owner’s shampoo washes in place of the shelf’s, by its own label, and costs the house nothing', () => {
    const brought = { name: 'Oat Bar Liquid', ratio: '1:4', contactMinutes: 8 }
    const plan = planOf({ brought }, { coat: 'wire' })
    const mixes = plan.mix.passes.flatMap((p) => p.mixes)
    expect(new Set(mixes.map((m) => m.product.name))).toEqual(new Set(['Oat Bar Liquid']))
    expect(mixes[0]!.ratio.value).toBe(4)
    expect(plan.mix.passes.at(-1)!.wait.value).toBe(8)
    expect(plan.cautions.map((c) => c.code)).toContain('caution.brought')
    expect(neededOf(plan, shelf).map((n) => n.name)).toContain('Oat Bar Liquid')
    expect(productCost(plan, shelf).unknown).not.toContain('Oat Bar Liquid')
    // without a ratio it goes on as it is
    expect(planOf({ brought: { name: 'Ready' } }).mix.passes[0]!.mixes[0]!.ratio.value).toBe(0)
    expect(() => planOf({ brought: { name: 'Odd', ratio: 'lots' } })).toThrow()
    // two dogs' bottles of one name are two
    const id = (name: string) => planOf({ brought }, { name }).mix.passes[0]!.mixes[0]!.product.id
    expect(id('Fig')).not.toBe(id('Moss'))
  })

  test('nothing but what is added', () => {
    expect(ids(planOf({ service: 'own', added: [own({ after: 'look' })] }))).toEqual(['look', 'own-1', 'hand-over'])
  })

  test('a coat with nothing to cut isn’t cut; a larger dog and scissors take longer', () => {
    const clip = (today: object, dog: object) =>
      planOf({ service: 'fullClip', ...today }, dog)
        .steps.filter((s) => s.kind === 'clip')
        .reduce((sum, s) => sum + s.minutes.value, 0)
    expect(clip({}, { coat: 'smooth' })).toBe(0)
    expect(clip({}, { coat: 'curly', weightKg: 25 })).toBeGreaterThan(clip({}, { coat: 'curly', weightKg: 6 }))
    expect(clip({ clipTool: 'scissors' }, {})).toBeGreaterThan(clip({ clipTool: 'blade' }, {}))
    expect(clip({ clipCm: 4 }, {})).toBeGreaterThan(clip({ clipCm: 1 }, {}))
    expect(clip({}, { density: 'dense' })).toBeGreaterThan(clip({}, { density: 'thin' }))
    // a small curly dog in half an hour, a large one in one to one and a half (common practice, no source)
    expect(clip({}, { coat: 'curly', weightKg: 6 })).toBeGreaterThan(25)
    expect(clip({}, { coat: 'curly', weightKg: 6 })).toBeLessThan(45)
    expect(clip({}, { coat: 'curly', weightKg: 25 })).toBeGreaterThan(55)
    expect(clip({}, { coat: 'curly', weightKg: 25 })).toBeLessThan(95)
  })

  test('teeth and glands only where the house does them, never on a puppy', () => {
    const rules = { teeth: 'yes', glands: 'yes' }
    expect(ids(planOf())).not.toEqual(expect.arrayContaining(['teeth']))
    expect(ids(planOf({}, {}, { rules }))).toEqual(expect.arrayContaining(['teeth', 'glands']))
    expect(ids(planOf({}, { stage: 'puppy' }, { rules }))).not.toContain('glands')
  })
})

describe('leaving out', () => {
  test('the first wash: one lather, less shampoo, told', () => {
    const [two, one] = [planOf(), planOf({ skipped: [{ step: 'first-wash', reason: 'hardly dirty' }] })]
    expect(two.mix.passes).toHaveLength(2)
    expect(one.mix.passes).toHaveLength(1)
    expect(minutes(one)).toBeLessThan(minutes(two))
    expect(one.course!.left).toEqual([
      { id: 'first-wash', step: { kind: 'wash', role: 'clean' }, minutes: 0, reason: 'hardly dirty' },
    ])
  })
  test('the conditioner takes its wait and its rinse along; plugs in take plugs out along', () => {
    const plan = planOf({ skipped: [{ step: 'condition' }, { step: 'plugs-in' }] })
    expect(ids(plan).filter((id) => /condition|plugs/.test(id))).toEqual([])
    expect(plan.mix.conditionerWhy.code).toBe('conditioner.you')
  })
  test('nails go and their minutes with them; drying, rinse and look stay, and say why', () => {
    const plan = planOf({ skipped: ['nails', 'dry', 'rinse-last', 'look', 'towel'].map((step) => ({ step })) })
    expect(ids(plan)).not.toContain('nails')
    expect(ids(plan)).toEqual(expect.arrayContaining(['dry', 'rinse-last', 'look', 'towel']))
    expect(plan.course!.refused.map((r) => r.code === 'course.needed' && r.facts.because)).toEqual([
      'wet',
      'soap',
      'first',
      'wet',
    ])
    expect(plan.course!.left[0]!.minutes).toBeCloseTo(minutes(planOf()) - minutes(plan), 9)
  })
})

describe('an own step', () => {
  test('stands where it was put, with its minutes, in the day’s last part', () => {
    const plan = planOf({ added: [own()] })
    const at = ids(plan).indexOf('own-1')
    expect(ids(plan)[at - 1]).toBe('comb')
    expect(minutes(plan) - minutes(planOf())).toBeCloseTo(4, 9)
    expect(partsOf(plan).find((p) => p.steps.some((s) => s.step.id === 'own-1'))!.part).toBe('finish')
  })
  test('out of the tub it isn’t done in the tub', () => {
    expect(refusals(planOf({ added: [own({ after: 'lather-1' })] }))).toEqual(['course.inTub'])
    expect(refusals(planOf({ added: [own({ place: 'tub', after: 'comb' })] }))).toEqual(['course.outOfTub'])
    expect(refusals(planOf({ added: [own({ place: 'tub', after: 'lather-1' })] }))).toEqual([])
  })
  test('without the dog it takes hands alone, before the water or once the dog is dry, or after it has gone', () => {
    const after = (step: string) => planOf({ added: [own({ dog: false, after: step })] })
    for (const free of ['look', 'comb', 'hand-over']) {
      const plan = after(free)
      expect(refusals(plan)).toEqual([])
      expect(plan.steps.find((s) => s.id === 'own-1')).toMatchObject({ withDog: false, hands: true })
      expect(
        partsOf(plan)
          .find((p) => p.part === 'away')!
          .steps.map((s) => s.step.id),
      ).toEqual(['own-1'])
    }
    for (const wet of ['lift-in', 'towel']) expect(refusals(after(wet))).toEqual(['course.wetDog'])
    const without = planOf({ added: [own({ dog: false, productId: 'leave-in' })] }, BARE)
    expect(without.course!.applied).toEqual([])
  })
  test('puts what stays on a coat there, in mL by surface; not a shampoo, not past a label', () => {
    const on = (productId: string, zones: Zone[] = [], products = shelf) =>
      planOf({ added: [own({ productId, zones, after: 'towel' })] }, BARE, {}, products).course!
    const whole = on('leave-in').applied[0]!
    expect(whole).toMatchObject({ id: 'leave-in', name: 'Detangling spray' })
    expect(on('leave-in', ['tail']).applied[0]!.mL).toBeLessThan(whole.mL / 4)
    expect(on('cleaning').refused.map((r) => r.code)).toEqual(['course.needsRinse'])
    const old = shelf.map((p) => (p.id === 'leave-in' ? { ...p, expires: '2026-01-01' } : p))
    expect(on('leave-in', [], old)).toMatchObject({ applied: [], refused: [{ code: 'course.product' }] })
  })
})

test('nails are moved before the bath, brushing never after it, ears never while the plugs are in', () => {
  const plan = planOf({ moved: [{ step: 'nails', after: 'look' }] })
  expect(ids(plan).slice(0, 2)).toEqual(['look', 'nails'])
  expect(refusals(planOf({ moved: [{ step: 'brush', after: 'towel' }] }))).toHaveLength(1)
  expect(refusals(planOf({ moved: [{ step: 'ears', after: 'plugs-in' }] }))).toEqual(['course.plugged'])
  expect(refusals(planOf({ moved: [{ step: 'rinse-last', after: 'lift-in' }] }))).toEqual(['course.order'])
  expect(refusals(planOf({ moved: [{ step: 'nails', after: 'gone' }] }))).toEqual(['course.gone'])
})

test('a brushing is split into halves that make the whole, and one half moved', () => {
  const plan = planOf(
    { split: ['brush'], moved: [{ step: 'brush-b', after: 'nails' }], rules: {} },
    {},
    {
      rules: { nails: 'before' },
    },
  )
  const halves = plan.steps.filter((s) => s.kind === 'brush')
  expect(halves.map((s) => s.id)).toEqual(['brush', 'brush-b'])
  expect(halves.reduce((sum, s) => sum + s.minutes.value, 0)).toBeCloseTo(
    planOf().steps.find((s) => s.id === 'brush')!.minutes.value,
    9,
  )
  expect(ids(plan).indexOf('brush-b')).toBe(ids(plan).indexOf('nails') + 1)
  expect(refusals(planOf({ split: ['rinse-last'] }))).toEqual(['course.whole'])
})

describe('products where they are wanted', () => {
  const on = (products: object[], today: object = {}, dog: object = {}) => planOf({ products, ...today }, dog)
  test('whitening on the tail, conditioner on the furnishings, side by side under one rinse', () => {
    const plan = on([
      { pass: 'treat', productId: 'whitening', zones: ['tail'] },
      { pass: 'treat', productId: 'mask', zones: ['forelegs', 'hindlegs'] },
    ])
    const pass = plan.mix.passes.find((p) => p.name === 'treat')!
    const of = (id: string) => pass.mixes.find((m) => m.product.id === id)!
    expect(of('whitening').zones).toEqual(['tail'])
    expect(of('mask').zones).toEqual(['forelegs', 'hindlegs'])
    expect(of('cleaning').zones).not.toEqual(expect.arrayContaining(['tail']))
    expect(pass.wait.value).toBe(Math.max(...pass.mixes.map((m) => m.contact.value)))
    expect(plan.steps.filter((s) => s.kind === 'rinse' && s.role === 'last')).toHaveLength(1)
  })
  test('a ratio of its own there holds there only; elsewhere the label’s or the one for all stands', () => {
    const plan = on([{ pass: 'clean', productId: 'cleaning', zones: ['feet'], ratio: 5 }], {
      overrides: [{ target: 'ratio', value: 20 }],
    })
    const [first, second] = plan.mix.passes
    const ratios = (pass: typeof first) =>
      pass!.mixes.filter((m) => m.product.id === 'cleaning').map((m) => m.ratio.value)
    expect(ratios(first)).toEqual([20, 5])
    expect(ratios(second)).toEqual([20])
    expect(plan.mix.bottles.filter((b) => b.product.id === 'cleaning')).toHaveLength(2)
    const soft = on([{ pass: 'conditioner', productId: 'conditioner', ratio: 9 }])
    expect(soft.mix.conditioner!.ratio.value).toBe(9)
    expect(on([{ pass: 'conditioner', productId: 'conditioner' }]).mix.conditioner!.ratio.value).toBe(5)
  })
  test('in the first wash too; where nothing is washed nothing goes on', () => {
    const plan = on([{ pass: 'clean', productId: 'degreasing', zones: ['belly'] }])
    expect(plan.mix.passes[0]!.mixes.find((m) => m.product.id === 'degreasing')!.zones).toEqual(['belly'])
    const shy = on([{ pass: 'treat', productId: 'whitening', zones: ['head'] }], {}, { shortNose: true })
    expect(mixesOf(shy).some((m) => m.product.id === 'whitening')).toBe(false)
  })
  test('every zone is lathered once a pass, and no product goes against its label, whatever is chosen', () => {
    const zones = fc.uniqueArray(fc.constantFrom(...ZONES), { minLength: 1, maxLength: 5 })
    const choices = fc.array(
      fc.record({
        pass: fc.constantFrom('clean', 'treat', 'mild', 'conditioner'),
        productId: fc.constantFrom(...shelf.map((p) => p.id)),
        zones,
      }),
      { maxLength: 6 },
    )
    const bottles = fc.constantFrom(...ProductKind.options).chain((kind) =>
      fc.record({
        kind: fc.constant(kind),
        contains: fc.subarray(['oat', 'lanolin']),
        youngestWeeks: fc.option(fc.integer({ min: 0, max: 30 }), { nil: null }),
        expires: fc.constantFrom(null, '2026-01-01', '2027-01-01'),
        instruction: fc.constantFrom('', 'twice a week'),
        forSkin: fc.subarray([...Skin.options]),
        forCoats: fc.subarray([...CoatType.options]),
      }),
    )
    const dogs = fc.record({
      coat: fc.constantFrom(...CoatType.options),
      weightKg: fc.double({ min: 2, max: 70, noNaN: true }),
      stage: fc.constantFrom('puppy', 'adult'),
      allergies: fc.subarray(['oat', 'lanolin']),
      white: fc.boolean(),
    })
    fc.assert(
      fc.property(
        dogs,
        choices,
        fc.array(bottles, { maxLength: 12 }),
        fc.subarray([...Skin.options]),
        (dog, products, labels, skin) => {
          const made = labels.map((l, i) => ({
            ...Product.parse({ name: `Bottle ${i}`, ratio: '1:10', ...l }),
            id: `b${i}`,
          }))
          const all = [...shelf, ...made]
          const chosen = products.map((p, i) => (i % 2 && made[i] ? { ...p, productId: made[i].id } : p))
          const plan = planOf({ products: chosen, skin, fleas: products.length > 3 }, dog, {}, all)
          const facts = {
            puppy: dog.stage === 'puppy',
            allergies: dog.allergies,
            date,
            coat: dog.coat,
            skin: { whole: skin, zones: Object.fromEntries(ZONES.map((z) => [z, skin])) as never },
          }
          for (const pass of plan.mix.passes) {
            const on = pass.mixes.flatMap((m) => m.zones)
            expect(new Set(on).size).toBe(on.length)
          }
          for (const m of mixesOf(plan)) {
            expect(
              labelForbids(
                all.find((p) => p.id === m.product.id)!,
                facts,
              ),
            ).toBeUndefined()
            expect(m.zones.length).toBeGreaterThan(0)
          }
        },
      ),
      { numRuns: 150 },
    )
  })
})

/** What holds for every course, whatever was wished. */
function expectSound(plan: Plan) {
  const at = (kind: string) => plan.steps.findIndex((s) => s.kind === kind)
  const last = (kind: string) => plan.steps.findLastIndex((s) => s.kind === kind)
  expect(at('look')).toBe(0)
  expect(plan.steps.filter((s) => s.withDog).at(-1)!.kind).toBe('handOver')
  expect(new Set(ids(plan)).size).toBe(plan.steps.length)
  expect(plan.minutes.value).toBeCloseTo(
    plan.steps.reduce((sum, s) => sum + s.minutes.value, 0),
    6,
  )
  if (!plan.go) return
  const order = ['liftIn', 'wet', 'wash', 'rinse', 'liftOut', 'towel', 'dry'].map(at)
  expect(order).toEqual([...order].sort((a, b) => a - b))
  expect(last('wash')).toBeLessThan(last('rinse'))
  expect(last('condition')).toBeLessThan(last('rinse'))
  expect(at('plugIn') >= 0).toBe(at('plugOut') >= 0)
  for (const [i, s] of plan.steps.entries())
    if (s.withDog && s.place === 'tub') expect([at('liftIn') <= i, i <= at('liftOut')]).toEqual([true, true])
}

test('whatever is left out, moved, split and added, a dog is rinsed, dried, counted out and handed over', () => {
  const names = planOf({ service: 'fullClip' }, {}, { rules: { teeth: 'yes' } }).steps.map((s) => s.id)
  const step = fc.constantFrom(...names, 'first-wash', 'own-1', 'own-2', 'brush-b')
  const added = fc
    .array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 20 }),
        place: fc.constantFrom('table', 'tub', 'crate'),
        hands: fc.boolean(),
        after: step,
        productId: fc.constantFrom(null, 'leave-in', 'cleaning', 'scent'),
      }),
      { maxLength: 2 },
    )
    .map((list) => list.map((s, i) => ({ ...s, id: `own-${i + 1}`, name: `Own ${i + 1}` })))
  fc.assert(
    fc.property(
      fc.constantFrom(...Service.options),
      fc.constantFrom(...CoatType.options),
      fc.array(step, { maxLength: 6 }),
      fc.array(fc.record({ step, after: step }), { maxLength: 5 }),
      fc.array(step, { maxLength: 2 }),
      added,
      (service, coat, skipped, moved, split, own) => {
        const way = { service, skipped: skipped.map((s) => ({ step: s })), moved, split, added: own }
        expectSound(planOf(way, { coat }))
      },
    ),
    { numRuns: 200 },
  )
})

test('what the screen offers is what the plan takes', () => {
  const plan = planOf({ service: 'bathAndTidy' })
  const some = plan.steps.filter((s, i) => i % 4 === 0 || s.kind === 'nails')
  for (const { id, ...s } of some) {
    if (id !== 'condition' && id !== 'plugs-in' && id !== 'face')
      expect(planOf({ service: 'bathAndTidy', skipped: [{ step: id }] }).course!.refused.length > 0).toBe(
        whyNeeded({ id, ...s }) !== undefined,
      )
    expect(refusals(planOf({ service: 'bathAndTidy', split: [id] })).length > 0).toBe(!canSplit({ id, ...s }))
    const free = placesFor(id, plan.steps)
    for (const after of ids(plan).filter((a) => a !== id))
      expect(refusals(planOf({ service: 'bathAndTidy', moved: [{ step: id, after }] })).length === 0).toBe(
        free.includes(after),
      )
  }
})

describe('always', () => {
  const way = Way.parse({
    skipped: [{ step: 'nails', reason: 'done at the vet' }],
    minutes: [{ step: 'comb', minutes: 20 }],
    overrides: [
      { target: 'ratio', value: 12 },
      { target: 'water', value: 90 },
    ],
  })
  test('for this dog: the next recipe begins from it; what lies out of its limits doesn’t', () => {
    const dog = Dog.parse({ name: 'Fig', coat: 'drop', weightKg: 8, usual: way })
    const today = todayFromRecord(dog, date)
    expect(today).toMatchObject({ skipped: way.skipped, minutes: way.minutes })
    expect(today.overrides).toEqual([{ target: 'ratio', value: 12, reason: '' }])
    const plan = planVisit(dog, today, shelf, roomWith({ dryers: [STAND_DRYER] }))
    expect(ids(plan)).not.toContain('nails')
  })
  test('for the house when something holds; today and the dog go before it, and it can be left away', () => {
    const habits = [HouseHabit.parse({ id: 'h1', skin: 'greasy', way })]
    const comb = (today: object) => planOf(today, {}, { habits }).steps.find((s) => s.id === 'comb')!.minutes.value
    const usual = planOf().steps.find((s) => s.id === 'comb')!.minutes.value
    expect(comb({})).toBe(usual)
    expect(comb({ skin: ['greasy'] })).toBe(20)
    expect(comb({ skin: ['greasy'], minutes: [{ step: 'comb', minutes: 9 }] })).toBe(9)
    expect(comb({ skin: ['greasy'], notThisTime: ['h1'] })).toBe(
      planOf({ skin: ['greasy'] }).steps.find((s) => s.id === 'comb')!.minutes.value,
    )
  })
})

test('a way is the sum of its choices: each can be taken out and put in again, and none touches another', () => {
  const way = Way.parse({
    service: 'fullClip',
    clipCm: 1.5,
    technique: 'warm brush',
    overrides: [{ target: 'ratio', value: 12 }],
    minutes: [{ step: 'comb', minutes: 20 }],
    products: [
      { pass: 'treat', productId: 'mask', zones: ['tail', 'back'] },
      { pass: 'treat', productId: 'flea' },
    ],
    skipped: [{ step: 'nails' }],
    added: [own()],
    moved: [{ step: 'ears', after: 'look' }],
    split: ['brush'],
    styling: { tail: 'lift', head: 'damp' },
  })
  const choices = choicesOf(way)
  expect(choices).toHaveLength(12)
  expect(new Set(choices.map((c) => c.key)).size).toBe(12)
  for (const choice of choices) {
    const without = withoutChoice(way, choice.key)
    expect(choicesOf(without)).toEqual(choices.filter((c) => c !== choice))
    expect(hasChoice(without, choice)).toBe(false)
    expect(hasChoice(withChoice(without, choice), choice)).toBe(true)
  }
  const built = choices.reduce(withChoice, Way.parse({}))
  expect(built).toEqual(way)
})

test('a zone lies as it is wanted: air that lifts it, or damp on purpose and not asked for at the end', () => {
  const plan = planOf({ styling: { back: 'lift', neck: 'against', tail: 'damp', head: 'flat' } }, { coat: 'wire' })
  const zone = (z: Zone) => plan.drying.zones.find((d) => d.zone === z)!
  expect(zone('back').advice.direction).toBe('straightFromSkin')
  expect(zone('neck').advice.direction).toBe('againstTheLie')
  expect(zone('belly').advice.direction).toBe('withTheLie')
  expect(zone('head').advice.direction).toBe('awayFromEyes')
  expect(zone('tail').damp?.code).toBe('damp.you')
})

test('a product goes on as its label allows, the others as the house does', () => {
  const only = shelf.map((p) => (p.id === 'cleaning' ? { ...p, ways: ['froth' as const] } : p))
  const how = (products: ShelvedProduct[]) =>
    Object.fromEntries(planOf({}, {}, {}, products).mix.bottles.map((b) => [b.product.id, b.how]))
  expect(how(shelf)).toMatchObject({ cleaning: 'bottle', conditioner: 'bottle' })
  expect(how(only)).toMatchObject({ cleaning: 'froth', conditioner: 'bottle' })
  expect(how(shelf.map((p) => (p.id === 'cleaning' ? { ...p, ways: ['bottle' as const] } : p)))).toMatchObject({
    cleaning: 'bottle',
  })
})

test('what a dog costs in products is by their prices, and names those without one', () => {
  const priced = shelf.map((p) => ({ ...p, pricePerLitre: p.id === 'conditioner' ? null : 20 }))
  const plan = planOf({ leftEar: { wax: 2 }, added: [own({ productId: 'leave-in', after: 'towel' })] }, {}, {}, priced)
  const needed = neededOf(plan, priced)
  expect(needed.map((n) => n.id)).toEqual(
    expect.arrayContaining(['cleaning', 'conditioner', 'leave-in', 'ear cleaner']),
  )
  const { cost, unknown } = productCost(plan, priced)
  const known = needed.filter((n) => n.id !== 'conditioner').reduce((sum, n) => sum + n.mL, 0)
  expect(cost).toBeCloseTo((known / 1000) * 20, 9)
  expect(unknown).toEqual(['Conditioner'])
  expect(neededOf(planOf({ service: 'nailsAndEars' }), shelf).map((n) => n.id)).not.toContain('cleaning')
})
