import { paceFactor } from '../groomer'
import { Dog } from '../dog'
import { FAN, FORCE_DRYER, roomWith, STAND_DRYER } from '../fixtures'
import { Product, type ShelvedProduct } from '../mix'
import { handOver, planVisit, Today } from '.'

const product = (name: string, kind: ShelvedProduct['kind'], more: Record<string, unknown> = {}) => ({
  ...Product.parse({ name, kind, ratio: '1+10', ...more }),
  id: name,
})
const plain = product('Plain', 'cleaning')
const white = product('White', 'whitening')
const soft = product('Soft', 'conditioner', { ratio: '1+5' })
const dryers = [FORCE_DRYER, STAND_DRYER, FAN]
const planOf = (
  dog: object,
  today: object = {},
  house: Record<string, unknown> = {},
  shelf: ShelvedProduct[] = [plain, soft],
) =>
  planVisit(
    Dog.parse({ name: 'Fig', coat: 'long double', weightKg: 18, ...dog }),
    Today.parse({ date: '2026-11-28', ...today }),
    shelf,
    roomWith({ dryers, ...house }),
  )
const stepOf = (plan: ReturnType<typeof planOf>, id: string) => plan.steps.find((s) => s.id === id)!
const codes = (plan: ReturnType<typeof planOf>) => plan.cautions.map((c) => c.code)

describe('fast air', () => {
  const hot = { ...FORCE_DRYER, nozzleMm: 25, motorW: 3600, airflow: 4.5 }
  test('keeps its own distance: nearer for a grown dog than for a senior, never where it is too warm', () => {
    const at = (stage: string) =>
      planOf({ stage }, {}, { dryers: [hot, STAND_DRYER] }).drying.zones.find((z) => z.zone === 'back')!
    const [adult, senior] = [at('adult').velocityDistance, at('senior').velocityDistance]
    expect(adult).not.toBeNull()
    expect(senior === null || senior > adult!).toBe(true)
  })

  test('a room as warm as the skin bears has no distance at all, and says so', () => {
    const plan = planOf({ stage: 'senior' }, {}, { room: { celsius: 36, humidity: 40 } })
    expect(plan.drying.zones.every((z) => z.by !== 'warm')).toBe(true)
    expect(JSON.stringify([plan.drying.minutes.because, plan.drying.others])).toMatch(
      /dry[.]noWarmAir|bar[.]roomTooWarm/,
    )
  })
})

test('a cold tap warmer than the bath: no hot water is mixed in, and the plan says that the bath is warmer', () => {
  const water = { coldC: 35, hotC: 60 }
  const plan = planOf({}, { skin: ['inflamed'] }, { water })
  expect(plan.water.tap).toMatchObject({ hotShare: 0, ok: false })
  expect(plan.water.hotLitres).toBe(0)
  expect(codes(plan)).toContain('caution.tap')
})

test('a medicated shampoo without a time on its label stays on a puppy as long as on a grown dog', () => {
  const cure = product('Cure', 'medicated', { instruction: 'weekly' })
  const plan = planOf({ stage: 'puppy', weightKg: 5 }, { skin: ['vet-treated'] }, {}, [plain, cure])
  expect(plan.mix.passes.at(-1)!.mixes[0]!.contact.value).toBe(10)
})

test('noise counts the minutes at this dog’s pace: a wary dog’s dryer runs longer', () => {
  const house = { dryers: [FORCE_DRYER, STAND_DRYER] }
  const dose = (mood: string) => planOf({ mood }, {}, house).groomer.dose.value
  expect(dose('wary') / dose('calm')).toBeCloseTo(paceFactor('wary'), 1)
})

test('noise counts the undercoat blown out before the bath too', () => {
  const dose = (shedding: boolean) => planOf({}, { shedding }).groomer.dose.value
  expect(dose(true)).toBeGreaterThan(1.2 * dose(false))
})

test('conditioner is rinsed for a minute at least, and the fingers feel after it', () => {
  const rinse = stepOf(planOf({ weightKg: 2, coat: 'drop' }), 'rinse-conditioner')
  expect(rinse.minutes.value).toBeGreaterThanOrEqual(1)
  expect(rinse.detail.map((d) => d.code)).toContain('step.fingersLast')
})

test('an ear that must stay dry is lathered and dried by nobody', () => {
  const plan = planOf({}, { leftEar: { signs: ['discharge'] } })
  for (const pass of plan.mix.passes) for (const mix of pass.mixes) expect(mix.zones).not.toContain('ears')
  expect(plan.drying.zones.find((z) => z.zone === 'ears')!.by).toBe('cloth')
})

test('one mat under the rule "straight to the tub" costs that mat, not a brush-out', () => {
  const rules = { coatPreparation: 'straight' }
  const [bare, matted] = [planOf({}, {}, { rules }), planOf({}, { mats: { ears: 1 } }, { rules })]
  expect(bare.steps.map((s) => s.kind)).not.toContain('brush')
  expect(matted.handMinutes.value - bare.handMinutes.value).toBeLessThan(5)
})

test('a dog rinsed by cup has the cup’s minutes and litres', () => {
  const [shower, cup] = [planOf({}), planOf({ fears: ['water'] })]
  expect([shower.rinse.tool, cup.rinse.tool]).toEqual(['shower', 'cup'])
  expect(cup.rinse.last.minutes.value).toBeGreaterThan(shower.rinse.last.minutes.value)
  expect(cup.rinse.last.litres).toBeLessThan(shower.rinse.last.litres)
})

test('whitening on stained feet stays, whatever the main product is, and a blend fills one bottle', () => {
  const shelf = [plain, product('Calm', 'soothing'), white]
  const own = [{ pass: 'treat', productId: 'Calm' }]
  const plan = planOf({ white: true }, { stained: ['feet'], products: own }, {}, shelf)
  const names = plan.mix.passes.at(-1)!.mixes.map((m) => [m.product.name, m.zones.includes('feet')])
  expect(names).toContainEqual(['White', true])
  const blend = planOf({ white: true }, { stained: ['feet'] }, { rules: { whitening: 'blend' } }, shelf)
  expect(blend.mix.bottles.filter((b) => b.blend !== undefined)).toHaveLength(1)
})

test('one’s own ratio goes for every wash with that product', () => {
  const plan = planOf({}, { overrides: [{ target: 'ratio', value: 20 }] })
  expect(plan.mix.passes.map((p) => p.mixes[0]!.ratio.value)).toEqual([20, 20])
})

test('treated by a vet and nothing medicated on the shelf: said, not passed over', () => {
  expect(codes(planOf({}, { skin: ['vet-treated'] }))).toContain('caution.notMedicated')
  expect(codes(planOf({}))).not.toContain('caution.notMedicated')
})

test('what is left damp on purpose isn’t asked to be dry at the hand-over', () => {
  const topknot = planOf({ coat: 'drop', topknot: true })
  expect(topknot.drying.zones.find((z) => z.zone === 'head')!.damp).toBeDefined()
  expect(stepOf(topknot, 'dry').detail).toContainEqual({ code: 'step.dampLeft', facts: { zones: ['head'] } })
  const dog = Dog.parse({ name: 'Fig', coat: 'drop', weightKg: 18, topknot: true })
  expect(handOver(dog, Today.parse({ date: '2026-11-28' }), topknot).used).not.toEqual([])
})

test('a greasy toy dog stays below the ceiling of warmth, and a cool-water house is heard before grease', () => {
  const water = (rules: object) =>
    planOf({ coat: 'drop', weightKg: 3 }, { skin: ['greasy'] }, { rules }).water.target.value
  expect(water({})).toBeLessThanOrEqual(38)
  expect(water({ waterWarmth: 'neutral' })).toBeLessThanOrEqual(36)
})

test('a small froth mix is not made stronger by the spoon', () => {
  for (const weightKg of [1.5, 3, 6]) {
    const plan = planOf({ coat: 'smooth', weightKg }, {}, { method: 'froth' })
    for (const { filled } of plan.mix.bottles)
      for (const { measured, waterMl } of filled) {
        expect(measured.ok).toBe(true)
        expect(waterMl / measured.product).toBeGreaterThan(10 / 1.16)
      }
  }
})

test('a chamois takes the water in its place: no towels are laid out for the dog', () => {
  const [towels, chamois] = [planOf({}), planOf({}, {}, { chamois: true })]
  expect(towels.towels.value).toBeGreaterThan(chamois.towels.value)
  expect(chamois.towels.because[0]!.code).toBe('towels.chamois')
})

test('a dog that fears the dryer gets the lowest warm air, and no zone says otherwise', () => {
  const two = { ...STAND_DRYER, settings: [...STAND_DRYER.settings, { name: 'warm', heatW: 1700 }] }
  const plan = planOf({ fears: ['dryer'] }, {}, { dryers: [two] })
  const used = new Set(plan.drying.zones.filter((z) => z.by === 'warm').map((z) => z.setting))
  expect([...used].filter((s) => s !== 'low')).toEqual([])
})

describe('every number can be the user’s own', () => {
  const own = (target: string, value: number) => planOf({ coat: 'drop' }, { overrides: [{ target, value }] })
  test.each<[string, number, (plan: ReturnType<typeof planOf>) => number]>([
    ['volume', 300, (p) => p.mix.passes.at(-1)!.mixes.reduce((sum, m) => sum + m.productMl + m.waterMl, 0)],
    ['passes', 5, (p) => p.rinse.last.passes],
    ['firstContact', 6, (p) => p.mix.passes[0]!.mixes[0]!.contact.value],
    ['conditioner', 9, (p) => p.mix.conditioner!.contact.value],
    ['towels', 7, (p) => p.drying.towels],
    ['distance', 0.8, (p) => p.drying.zones.find((z) => z.zone === 'back')!.distance!],
    ['water', 35, (p) => p.water.target.value],
    ['drying', 55, (p) => p.drying.minutes.value],
  ])('%s', (target, value, read) => expect(read(own(target, value))).toBeCloseTo(value, 6))

  test('minutes of any step, with or without a reason; the others stay', () => {
    const minutes = [{ step: 'comb', minutes: 21 }]
    const [plan, before] = [planOf({}, { minutes }), planOf({})]
    expect(stepOf(plan, 'comb').minutes.value).toBe(21)
    expect(stepOf(plan, 'comb').minutes.because.find((r) => r.by === 'you')).toMatchObject({ code: 'you.number' })
    expect(stepOf(plan, 'towel').minutes.value).toBe(stepOf(before, 'towel').minutes.value)
  })
})
