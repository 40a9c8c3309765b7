import fc from 'fast-check'
import { CoatType, Fear, Skin } from '@core/dog'
import { addDays, type Plan } from '@core/visit'
import { DEMO } from '../demo/scenario'
import { planOf, SATURDAY } from './plans'

// Bands: common practice, no source.

const codes = (plan: Plan) => plan.cautions.map((c) => c.code)

describe('a new or frightened dog’s visit is short', () => {
  test.each<[string, object, number]>([
    [
      'curly, 24 kg, anxious, first bath, fears the dryer',
      { coat: 'curly', weightKg: 24, mood: 'anxious', firstBath: true, fears: ['dryer'] },
      60,
    ],
    [
      'drop coat, 7 kg, rescue, anxious, first bath',
      { coat: 'drop', weightKg: 7, rescue: true, mood: 'anxious', firstBath: true },
      45,
    ],
    ['feathered coat, 28 kg, rescue', { coat: 'feathered', weightKg: 28, rescue: true }, 60],
    ['Whippet, 13 kg, first bath', { coat: 'smooth', weightKg: 13, firstBath: true }, 60],
  ])('%s', (_what, dog, most) => {
    const plan = planOf(dog)
    expect(plan.handMinutes.value).toBeLessThanOrEqual((most as number) + 0.5)
    expect(plan.mix.passes).toHaveLength(1)
  })

  test('what it left out is said, with a day for it, isn’t offered to drop again, and the dog isn’t called dry', () => {
    const plan = planOf({ coat: 'curly', weightKg: 24, mood: 'anxious', firstBath: true, fears: ['dryer'] })
    const left = plan.leftOut.map((l) => l.what)
    expect(left).toEqual(expect.arrayContaining(['secondWash', 'nails', 'brushing', 'combing', 'drying']))
    expect(plan.again).toBe(addDays(SATURDAY, 10))
    expect(plan.steps.find((s) => s.kind === 'brush')!.detail.map((d) => d.code)).toEqual(['step.looseHair'])
    const drop = plan.handling.drop.map((d) => d.what)
    for (const what of ['nails', 'oneWash', 'face']) expect(drop).not.toContain(what)
    expect(codes(plan)).toContain('caution.homeDamp')
    // a dog that fears the dryer isn't planned more than a short stretch of it
    expect(plan.drying.handMinutes).toBeLessThanOrEqual(15)
    expect(codes(planOf({ coat: 'curly', weightKg: 24 }))).not.toContain('caution.homeDamp')
  })

  test('no plugs where no water goes on the head', () => {
    const rules = { ...DEMO.house.rules, earPlugs: 'always' as const }
    expect(planOf({}, {}, { ...DEMO.house, rules }).ears.plugs).toBe(2)
    const short = planOf({ firstBath: true }, {}, { ...DEMO.house, rules })
    expect(short.ears.plugs).toBe(0)
    expect(short.ears.plugsWhy.code).toBe('plugs.byCloth')
  })

  const anyDog = {
    weightKg: fc.double({ min: 2, max: 58, noNaN: true }),
    coat: fc.constantFrom(...CoatType.options),
    density: fc.constantFrom('usual', 'dense'),
    fears: fc.subarray([...Fear.options], { maxLength: 3 }),
  }

  test('whatever the dog, its coat and its fears it ends in time; a giant’s and one in full cords as soon as half of it can be washed', () => {
    fc.assert(
      fc.property(
        fc.record({
          ...anyDog,
          shows: fc.constantFrom({ firstBath: true }, { rescue: true }, { mood: 'anxious' }, { stage: 'puppy' }),
        }),
        fc.subarray([...Skin.options], { maxLength: 1 }),
        ({ shows, ...dog }, skin) => {
          const short = planOf({ ...dog, ...shows }, { skin })
          // what a vet ordered goes on all of it, however long that takes
          fc.pre(short.go && !skin.includes('vet-treated'))
          const most = dog.weightKg <= 10 ? 45 : 60
          const half = short.leftOut.some((l) => l.what === 'upperBody')
          if (dog.coat !== 'corded' && dog.weightKg <= 35)
            expect(short.handMinutes.value).toBeLessThanOrEqual(most + 0.6)
          else if (short.handMinutes.value > most + 0.5) expect(half).toBe(true)
          if (dog.coat !== 'corded') expect(short.handMinutes.value).toBeLessThanOrEqual(70)
        },
      ),
      { numRuns: 150 },
    )
  })

  test('a frightened dog’s visit is never longer than its calm one, within half a minute', () => {
    fc.assert(
      fc.property(fc.record({ ...anyDog, firstBath: fc.boolean() }), ({ firstBath, ...dog }) => {
        // cords are squeezed out one by one, however frightened the dog
        fc.pre(dog.coat !== 'corded')
        const hands = (of: object) => planOf({ ...dog, ...of }).handMinutes.value
        expect(hands({ mood: 'anxious', firstBath })).toBeLessThanOrEqual(hands({}) + 0.5)
      }),
      { numRuns: 150 },
    )
  })

  test('where even that is too much only legs, belly and tail are washed, the rest another day: less mix, water and wet coat', () => {
    const dog = { coat: 'long double', density: 'dense', weightKg: 45, rescue: true }
    const [half, whole] = [planOf(dog), planOf(dog, { anyway: ['upperBody'] })]
    expect(half.leftOut.map((l) => l.what)).toContain('upperBody')
    expect(whole.leftOut.map((l) => l.what)).not.toContain('upperBody')
    expect(half.again).toBe(addDays(SATURDAY, 10))
    const wetted = half.mix.passes.flatMap((p) => p.mixes.flatMap((m) => m.zones))
    for (const zones of [
      wetted,
      half.drying.zones.map((z) => z.zone),
      half.steps.find((s) => s.kind === 'rinse')!.zones,
    ])
      expect([...new Set(zones)].sort()).toEqual(['belly', 'feet', 'forelegs', 'hindlegs', 'tail'])
    const mixed = (plan: Plan) => plan.mix.passes[0]!.mixes[0]!.volume.value
    expect(mixed(half) / mixed(whole)).toBeCloseTo(0.48 / 0.91, 3)
    expect(half.water.litres.value).toBeLessThan(0.75 * whole.water.litres.value)
    const grams = (plan: Plan) => plan.drying.zones.reduce((sum, z) => sum + z.grams, 0)
    expect(grams(half) / grams(whole)).toBeGreaterThan(0.4)
    expect(grams(half) / grams(whole)).toBeLessThan(0.6)
    // fleas are on the whole dog, and what a vet ordered goes on all of it
    for (const found of [{ fleas: true }, { skin: ['vet-treated'] }])
      expect(planOf(dog, found).leftOut.map((l) => l.what)).not.toContain('upperBody')
  })

  test('nails are cut whole or not at all, and a tidy that was asked for isn’t called combing', () => {
    for (const weightKg of [3, 8, 12, 20, 30, 40]) {
      const [calm, short] = [planOf({ weightKg, coat: 'drop' }), planOf({ weightKg, coat: 'drop', stage: 'puppy' })]
      const nails = (plan: Plan) => plan.steps.find((s) => s.kind === 'nails')?.minutes.value ?? 0
      expect([0, nails(planOf({ weightKg, coat: 'smooth', stage: 'puppy' }))]).toContain(nails(short))
      expect(nails(calm)).toBeGreaterThan(0)
    }
    const tidied = planOf({ coat: 'curly', weightKg: 24, firstBath: true, mood: 'anxious' }, { service: 'bathAndTidy' })
    expect(tidied.steps.map((s) => s.kind)).not.toContain('tidy')
    expect(tidied.leftOut.map((l) => l.what)).toContain('tidy')
  })

  test('minutes that its user gave stand, however long', () => {
    const own = planOf(
      { coat: 'curly', weightKg: 24, firstBath: true },
      { minutes: [{ step: 'brush', minutes: 40, reason: '' }] },
    )
    expect(own.steps.find((s) => s.id === 'brush')!.minutes.value).toBe(40)
  })
})

describe('live fleas', () => {
  test('come again in 10 to 14 days, whatever the coat, and no answer says that there are none', () => {
    for (const coat of CoatType.options) {
      const { next } = planOf({ coat }, { fleas: true })
      expect([coat, next.days.value >= 10 && next.days.value <= 14]).toEqual([coat, true])
    }
    const plan = planOf({ coat: 'short double', weightKg: 30 }, { fleas: true })
    const others = plan.mix.passes.flatMap((p) => p.mixes.flatMap((m) => m.others.map((o) => o.why)))
    expect(others.filter((o) => o.code === 'not.kind' && (o.facts as { kind: string }).kind === 'flea')).toEqual([])
  })
})
