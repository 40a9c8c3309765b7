import fc from 'fast-check'
import { CoatType, Density, EarCarriage, Mood, Skin, Soil, Stage, ZONES } from '@core/dog'
import type { Plan } from '@core/visit'
import { WATER } from '@core/water'
import { DEMO } from '../demo/scenario'
import { planOf } from './plans'
import { HAND_CASES, POODLE, SHIH_TZU } from './dogs'
import { REFERENCES } from './references'

describe(`minutes of the hands: ${REFERENCES.handMinutes.source}`, () => {
  test.each(REFERENCES.handMinutes.values)('%s takes %d to %d min', (name, least, most) => {
    const minutes = planOf(...HAND_CASES[name]).handMinutes.value
    expect(minutes).toBeGreaterThanOrEqual(least)
    expect(minutes).toBeLessThanOrEqual(most + 0.5)
  })

  test.each(REFERENCES.clippedShare.values)('%s clipped takes %d to %d %% of its full coat', (name, least, most) => {
    const dog = name.startsWith('Shih') ? SHIH_TZU : POODLE
    const clipped = planOf({ ...dog, coatLengthCm: 1.25 }).handMinutes.value
    const share = (100 * clipped) / planOf(dog).handMinutes.value
    expect(share).toBeGreaterThanOrEqual(least)
    expect(share).toBeLessThanOrEqual(most)
  })

  test('a puppy’s first bath is few steps and one wash', () => {
    const plan = planOf(...HAND_CASES['puppy, 8 kg, long double'])
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
        // one towel more takes its water off the dryer, and the dryer is set up while a longer coat rests
        const steps = (p: Plan) => `${p.drying.towels} ${p.steps.map((s) => s.id).join(' ')}`
        // and of one that would take too long only half is washed
        const half = (p: Plan) => p.leftOut.some((l) => l.what === 'upperBody')
        const alike = (a: Plan, b: Plan) => sameWay(a, b) && steps(a) === steps(b) && half(a) === half(b)
        fc.pre(alike(short, long))
        // a frightened dog's visit is no longer than its calm one, which may turn to another way
        const calm = (coatLengthCm: number) => planOf({ ...dog, mood: 'calm', coatLengthCm })
        fc.pre(dog.mood !== 'anxious' || alike(calm(cm), calm(cm * 1.5)))
        expect(whole(long)).toBeGreaterThanOrEqual(whole(short) - 1e-6)
      }),
      { numRuns: 150 },
    )
  })

  test('a mat in one zone costs there alone: no other zone is dried, washed or rinsed longer for it', () => {
    fc.assert(
      fc.property(anyDog, anyToday, fc.constantFrom(...ZONES), (dog, today, zone) => {
        // what keeps a visit short gives way to mats
        fc.pre(dog.stage !== 'puppy' && dog.mood !== 'anxious')
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
        fc.pre(dog.stage !== 'puppy' && dog.mood !== 'anxious')
        const today = { skinAt: [{ zone, side: 'both' as const, skin: ['inflamed'] }] }
        const [sound, sore] = [planOf(dog), planOf(dog, today)]
        fc.pre(sameWay(sound, sore))
        const there = (p: Plan) => p.drying.zones.filter((z) => z.zone !== zone).map((z) => [z.zone, z.by, z.minutes])
        expect(there(sore)).toEqual(there(sound))
        const at = (p: Plan) => p.drying.zones.find((z) => z.zone === zone)!
        expect(at(sore).by).not.toBe('warm')
        // what fast air saves elsewhere isn't saved on a sore place
        expect(at(sore).minutes).toBeLessThanOrEqual(3.2 * at(sound).minutes + 3)
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
        fc.pre(dog.stage !== 'puppy' && dog.mood !== 'anxious')
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
