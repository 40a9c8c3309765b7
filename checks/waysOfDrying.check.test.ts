import fc from 'fast-check'
import { CoatType, Density, Skin } from '@core/dog'
import type { Technique } from '@core/drying'
import type { House } from '@core/house'
import { DEMO } from '../demo/scenario'
import { DRYING_CASES, DRYING_WAYS } from './dogs'
import { planOf } from './plans'
import { REFERENCES } from './references'

const [force, stand, hand, fan] = DEMO.house.dryers as [
  House['dryers'][0],
  House['dryers'][0],
  House['dryers'][0],
  House['dryers'][0],
]
const dryingBy = (dog: object, technique: Technique, dryers: House['dryers']) =>
  planOf(dog, { technique }, { dryers }).drying
const minutesBy = (dog: object, technique: Technique, dryers: House['dryers']) =>
  dryingBy(dog, technique, dryers).minutes.value

describe(`minutes of drying by each way: ${REFERENCES.dryingWays.source}`, () => {
  const cells = REFERENCES.dryingWays.values.flatMap(([name, ...bands]) =>
    DRYING_WAYS.map(([technique, dryers], i) => [name, technique, bands[2 * i]!, bands[2 * i + 1]!, dryers] as const),
  )
  const asked = cells.filter(([, , least]) => Number(least) > 0)
  test.each(asked)('%s, %s: %d to %d min', (name, technique, least, most, dryers) => {
    const minutes = minutesBy(DRYING_CASES[name]!, technique, dryers)
    expect(minutes).toBeGreaterThanOrEqual(Number(least) - 0.5)
    expect(minutes).toBeLessThanOrEqual(Number(most) + 0.5)
  })

  test('a long coat dries in room air where its owner wants it: combed through all the while, and not warned of', () => {
    const air = planOf({ coat: 'feathered', weightKg: 28 }, { technique: 'air' })
    expect(air.drying.choice).toMatchObject({ technique: 'air' })
    expect(air.drying.choice.against).toBeUndefined()
    expect(air.drying.combAt).toEqual([30, 60, 90, 120])
    expect(air.cautions.map((c) => c.code)).not.toContain('caution.yourWay')
    // a coat that stays damp at its skin is another matter
    const damp = planOf({ coat: 'long double', weightKg: 22 }, { technique: 'air' })
    expect(damp.cautions.map((c) => c.code)).toEqual(expect.arrayContaining(['caution.yourWay', 'caution.wontDry']))
  })
  test('a dense double coat doesn’t dry by a fan, and long hair isn’t dried by fast air alone', () => {
    expect(dryingBy(DRYING_CASES['Malamute, 40 kg, dense, shedding']!, 'fan', [fan]).dries).toBe(false)
    expect(dryingBy(DRYING_CASES['Shih Tzu, 6 kg, long']!, 'velocity', [force]).choice.against?.code).toBe('bar.knots')
  })
})

const anyDog = fc.record({
  weightKg: fc.double({ min: 2, max: 40, noNaN: true }),
  coat: fc.constantFrom(...CoatType.options.filter((c) => c !== 'corded' && c !== 'hairless')),
  density: fc.constantFrom(...Density.options),
})

describe('directions of drying', () => {
  test('fast air first saves a quarter and more where much water is left, and never costs more than a twentieth', () => {
    fc.assert(
      fc.property(anyDog, (dog) => {
        const [fast, slow] = [
          dryingBy(dog, 'velocity, then brush', [force, stand]),
          dryingBy(dog, 'warm brush', [stand]),
        ]
        const ratio = fast.minutes.value / slow.minutes.value
        if (slow.stages.at(-1)!.grams > 150) expect(ratio).toBeLessThanOrEqual(0.75)
        else expect(fast.minutes.value).toBeLessThanOrEqual(1.05 * slow.minutes.value + 0.5)
      }),
      { numRuns: 150 },
    )
  })

  test('a fan alone takes 2.2 times what hands take, and more', () => {
    fc.assert(
      fc.property(anyDog, (dog) => {
        fc.pre(dog.weightKg <= 25)
        const [alone, byHand] = [minutesBy(dog, 'fan', [fan]), minutesBy(dog, 'warm brush', [stand])]
        // a thin drop coat is brushed slowly, and a fan has little to carry off
        const times = dog.coat === 'drop' && dog.density === 'thin' ? 1.85 : 2.2
        expect(alone).toBeGreaterThanOrEqual(Math.min(times * byHand, 300))
      }),
      { numRuns: 150 },
    )
  })

  test('fast air comes no nearer to a head than 60 cm, whatever the rule, and not at all to the face of a short nose or a puppy', () => {
    const anyHead = fc.record({
      shortNose: fc.boolean(),
      stage: fc.constantFrom('puppy', 'adult', 'senior'),
      heat: fc.constantFrom('none', 'further', 'lowest'),
      skin: fc.subarray([...Skin.options], { maxLength: 1 }),
      own: fc.option(fc.double({ min: 0.15, max: 0.6, noNaN: true })),
      dryers: fc.subarray([force, stand, hand], { minLength: 1 }),
    })
    fc.assert(
      fc.property(anyDog, anyHead, (dog, { shortNose, stage, heat, skin, own, dryers }) => {
        const house = { dryers, rules: { ...DEMO.house.rules, heat } as House['rules'] }
        const overrides = own === null ? [] : [{ target: 'distance', value: own, unit: 'm', reason: '' }]
        const { zones, choice } = planOf({ ...dog, shortNose, stage }, { skin, overrides }, house).drying
        for (const zone of zones.filter((z) => z.zone === 'head' || z.zone === 'ears')) {
          expect(zone.velocityDistance).toBeNull()
          const fast = (choice.warm ?? choice.velocity)?.kind === 'velocity'
          if (!fast || zone.distance === null) continue
          expect(zone.distance).toBeGreaterThanOrEqual(0.6)
          expect(zone.zone === 'head' && (shortNose || stage === 'puppy')).toBe(false)
        }
      }),
      { numRuns: 300 },
    )
  })

  test('the whole dog by fast air, then the brush: one change of dryer; zone by zone as a house rule', () => {
    const drying = (rules: object) =>
      planOf({ coat: 'curly', weightKg: 25, rules }).steps.filter((s) => s.kind === 'dry' || s.id === 'dry-fast')
    const whole = drying({})
    expect(whole.map((s) => s.id)).toEqual(['dry-fast', 'dry'])
    const zone = drying({ dryerTurns: 'zone' })
    expect(zone.map((s) => s.id)).toEqual(['dry'])
    const sum = (steps: typeof whole) => steps.reduce((m, s) => m + s.minutes.value, 0)
    expect(sum(whole)).toBeCloseTo(sum(zone), 6)
  })

  test('a second fan and warmer air from further away change minutes', () => {
    const poodle = { coat: 'curly', weightKg: 25, coatLengthCm: 5 }
    const two = [fan, { ...fan, name: 'Second fan' }]
    expect(minutesBy(poodle, 'fan', two)).toBeLessThan(0.9 * minutesBy(poodle, 'fan', [fan]))
    const whippet = DRYING_CASES['Whippet, 13 kg']!
    expect(minutesBy(whippet, 'fan', two)).toBe(minutesBy(whippet, 'fan', [fan]))
    const golden = DRYING_CASES['Golden Retriever, 30 kg']!
    const warmer = { ...golden, rules: { dryerHeat: 'further' } }
    const fast = (dog: object) => minutesBy(dog, 'velocity, then brush', [force, stand])
    expect(fast(warmer)).toBeLessThan(fast(golden))
  })
})
