import fc from 'fast-check'
import { CoatType, Density, Dog, EarCarriage, Mood, Skin, Soil, Stage, ZONES } from '../core/dog'
import { planVisit, Today, type Plan } from '../core/visit'
import { WATER } from '../core/water'
import { DEMO } from '../demo/scenario'
import { REFERENCES } from './references'

const shelf = DEMO.products.map((p) => ({ ...p, id: p.name }))
const SATURDAY = '2026-11-28'
const planOf = (dog: object, today: object = {}, house = DEMO.house): Plan =>
  planVisit(
    Dog.parse({ name: 'Fig', coat: 'wire', weightKg: 8, ...dog }),
    Today.parse({ date: SATURDAY, ...today }),
    shelf,
    house,
  )

type Case = [dog: object, today?: object]
const puppy = (coat: CoatType, weightKg: number): Case => [{ coat, weightKg, stage: 'puppy', firstBath: true }]
const shihTzu = { coat: 'drop', weightKg: 6, coatLengthCm: 15, shortNose: true, earCarriage: 'drop' }
const poodle = { coat: 'curly', weightKg: 25, coatLengthCm: 8, earCarriage: 'drop' }

describe(`minutes of the hands: ${REFERENCES.handMinutes.source}`, () => {
  const cases: Record<(typeof REFERENCES.handMinutes.values)[number][0], Case> = {
    'Whippet, 13 kg': [{ coat: 'smooth', weightKg: 13, thinSkin: true }],
    'French Bulldog, 12 kg': [{ coat: 'smooth', weightKg: 12, shortNose: true, folds: true }],
    'Boxer, 28 kg': [{ coat: 'smooth', weightKg: 28 }],
    'Beagle, 12 kg': [{ coat: 'short double', weightKg: 12, earCarriage: 'drop' }],
    'Labrador, 31 kg': [{ coat: 'short double', weightKg: 31, earCarriage: 'drop' }],
    'Cairn Terrier, 7 kg, 5 cm': [{ coat: 'wire', weightKg: 7, coatLengthCm: 5 }],
    'Papillon, 4 kg': [{ coat: 'feathered', weightKg: 4 }],
    'Irish Setter, 28 kg': [{ coat: 'feathered', weightKg: 28, earCarriage: 'drop' }],
    'Golden Retriever, 30 kg': [{ coat: 'feathered', weightKg: 30, earCarriage: 'drop', undercoat: true }],
    'Keeshond, 18 kg, shedding': [{ coat: 'long double', weightKg: 18 }, { shedding: true }],
    'Samoyed, 22 kg, shedding': [{ coat: 'long double', weightKg: 22 }, { shedding: true }],
    'Newfoundland, 58 kg, dense': [{ coat: 'long double', weightKg: 58, density: 'dense', earCarriage: 'drop' }],
    'Yorkshire Terrier, 3.2 kg, long, greasy': [
      { coat: 'drop', weightKg: 3.2, coatLengthCm: 15 },
      { skin: ['greasy'] },
    ],
    'Shih Tzu, 6 kg, long': [shihTzu],
    'Bichon, 6 kg, 4 cm': [{ coat: 'curly', weightKg: 6, coatLengthCm: 4, earCarriage: 'drop' }],
    'Standard Poodle, 25 kg, 8 cm': [poodle],
    'Puli, 13 kg, corded': [{ coat: 'corded', weightKg: 13, coatLengthCm: 20, earCarriage: 'drop' }],
    'puppy, 2 kg, wire': puppy('wire', 2),
    'puppy, 5 kg, curly': puppy('curly', 5),
    'puppy, 8 kg, long double': puppy('long double', 8),
  }
  test.each(REFERENCES.handMinutes.values)('%s takes %d to %d min', (name, least, most) => {
    const minutes = planOf(...cases[name]).handMinutes.value
    expect(minutes).toBeGreaterThanOrEqual(least)
    expect(minutes).toBeLessThanOrEqual(most + 0.5)
  })

  test.each(REFERENCES.clippedShare.values)('%s clipped takes %d to %d %% of its full coat', (name, least, most) => {
    const dog = name.startsWith('Shih') ? shihTzu : poodle
    const clipped = planOf({ ...dog, coatLengthCm: 1.25 }).handMinutes.value
    const share = (100 * clipped) / planOf(dog).handMinutes.value
    expect(share).toBeGreaterThanOrEqual(least)
    expect(share).toBeLessThanOrEqual(most)
  })

  test('a puppy’s first bath is few steps and one wash', () => {
    const plan = planOf(...puppy('long double', 8))
    expect(plan.mix.passes).toHaveLength(1)
    expect(plan.steps.length).toBeLessThan(planOf({ coat: 'long double', weightKg: 8 }).steps.length)
  })
})

const anyDog = fc.record({
  weightKg: fc.double({ min: 1.5, max: 70, noNaN: true }),
  coat: fc.constantFrom(...CoatType.options),
  density: fc.constantFrom(...Density.options),
  stage: fc.constantFrom(...Stage.options),
  shortNose: fc.boolean(),
  thinSkin: fc.boolean(),
  earCarriage: fc.constantFrom(...EarCarriage.options),
  mood: fc.constantFrom(...Mood.options),
})
const anyToday = fc.record({
  skin: fc.subarray([...Skin.options], { maxLength: 2 }),
  soil: fc.constantFrom(...Soil.options),
  shedding: fc.boolean(),
})
const whole = (plan: Plan) => plan.handMinutes.value
/** Bare of what makes a plan turn to another way: the work itself is compared. */
const sameWay = (a: Plan, b: Plan) =>
  a.drying.choice.technique === b.drying.choice.technique && a.drying.choice.warm?.name === b.drying.choice.warm?.name

describe('directions', () => {
  test('a longer coat is never quicker', () => {
    fc.assert(
      fc.property(anyDog, fc.double({ min: 0.5, max: 12, noNaN: true }), (dog, cm) => {
        fc.pre(dog.coat !== 'hairless' && dog.coat !== 'smooth')
        const [short, long] = [planOf({ ...dog, coatLengthCm: cm }), planOf({ ...dog, coatLengthCm: cm * 1.5 })]
        fc.pre(sameWay(short, long))
        expect(whole(long)).toBeGreaterThanOrEqual(whole(short) - 1e-6)
      }),
      { numRuns: 150 },
    )
  })

  test('a mat in one zone costs there alone: no other zone is dried, washed or rinsed longer for it', () => {
    fc.assert(
      fc.property(anyDog, anyToday, fc.constantFrom(...ZONES), (dog, today, zone) => {
        const [bare, matted] = [planOf(dog, today), planOf(dog, { ...today, mats: { [zone]: 1 } })]
        const kinds = new Set(['brush', 'condition', 'comb'])
        const other = (p: Plan) => p.steps.filter((s) => !kinds.has(s.kind)).map((s) => [s.id, s.minutes.value])
        expect(other(matted)).toEqual(other(bare))
        expect(whole(matted) - whole(bare)).toBeLessThan(15 * (1 + dog.weightKg / 40))
      }),
      { numRuns: 150 },
    )
  })

  test('a sore place of one zone changes drying and product there alone', () => {
    fc.assert(
      fc.property(anyDog, fc.constantFrom('belly' as const, 'tail' as const, 'head' as const), (dog, zone) => {
        fc.pre(dog.stage !== 'puppy')
        const today = { skinAt: [{ zone, side: 'both' as const, skin: ['inflamed'] }] }
        const [sound, sore] = [planOf(dog), planOf(dog, today)]
        fc.pre(sameWay(sound, sore))
        const there = (p: Plan) => p.drying.zones.filter((z) => z.zone !== zone).map((z) => [z.zone, z.by, z.minutes])
        expect(there(sore)).toEqual(there(sound))
        expect(sore.drying.zones.find((z) => z.zone === zone)!.by).not.toBe('warm')
        const main = (p: Plan) => p.mix.passes.at(-1)?.mixes.find((m) => m.zones.includes('back'))?.product.name
        expect(main(sore)).toBe(main(sound))
      }),
      { numRuns: 100 },
    )
  })

  test('more equipment is never slower', () => {
    const dryers = DEMO.house.dryers
    fc.assert(
      fc.property(anyDog, anyToday, fc.subarray([...dryers]), fc.constantFrom(...dryers), (dog, today, some, one) => {
        const few = planOf(dog, today, { ...DEMO.house, dryers: some })
        const more = planOf(dog, today, { ...DEMO.house, dryers: [...some.filter((d) => d.name !== one.name), one] })
        fc.pre(dog.stage !== 'puppy')
        const bar = (p: Plan) => p.cautions.some((c) => c.code === 'caution.leastBad' || c.code === 'caution.wontDry')
        fc.pre(!bar(few) && !bar(more))
        expect(more.drying.minutes.value).toBeLessThanOrEqual(few.drying.minutes.value + 1e-6)
      }),
      { numRuns: 200 },
    )
  })

  test('no water of a bath or a mix reaches the alarm, whatever the tap, the room and the way of putting it on', () => {
    fc.assert(
      fc.property(
        anyDog,
        anyToday,
        fc.constantFrom('spray' as const, 'bottle' as const, 'froth' as const, 'proportioner' as const),
        fc.integer({ min: 35, max: 80 }),
        (dog, today, method, hotC) => {
          const plan = planOf(dog, today, { ...DEMO.house, method, water: { ...DEMO.house.water, hotC } })
          expect(plan.water.target.value).toBeLessThan(WATER.alarm.value)
          for (const b of plan.mix.bottles) expect(b.waterC).toBeLessThan(WATER.alarm.value)
        },
      ),
      { numRuns: 200 },
    )
  })

  test('no fill line that a vessel of the house lacks, and no vessel that the house lacks', () => {
    fc.assert(
      fc.property(anyDog, anyToday, (dog, today) => {
        for (const { filled } of planOf(dog, today).mix.bottles)
          for (const { mL, waterMl, fill } of filled.filter((f) => f.mL > 0)) {
            const own = DEMO.house.vessels.filter((v) => v.mL === mL && v.count > 0)
            expect(own).not.toEqual([])
            expect(own.some((v) => Math.abs(waterMl / v.markMl - Math.round(waterMl / v.markMl)) < 1e-6)).toBe(true)
            expect(fill).toBeLessThanOrEqual(mL)
          }
      }),
      { numRuns: 200 },
    )
  })
})
