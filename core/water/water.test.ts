import fc from 'fast-check'
import { CoatType, Skin, Stage } from '../dog'
import { replay } from '../reckoned'
import { waterTarget, wettingMinutes, type WaterFacts } from '.'

const facts: fc.Arbitrary<WaterFacts> = fc.record({
  warmth: fc.constantFrom('warm' as const, 'neutral' as const),
  skin: fc.subarray([...Skin.options]),
  shortNose: fc.boolean(),
  coat: fc.constantFrom(...CoatType.options),
  roomC: fc.double({ min: 10, max: 40, noNaN: true }),
  stage: fc.constantFrom(...Stage.options),
  weightKg: fc.double({ min: 0.5, max: 100, noNaN: true }),
})

describe('bath temperature', () => {
  test('stays inside 29 to 38.5 with its band, and its reasons make it', () => {
    fc.assert(
      fc.property(facts, (f) => {
        const { target, low, high, alarm } = waterTarget(f)
        expect(target.value).toBeGreaterThanOrEqual(29)
        expect(target.value).toBeLessThanOrEqual(38.5)
        expect(low).toBeGreaterThanOrEqual(29)
        expect(high).toBeLessThanOrEqual(38.5)
        expect(low).toBeLessThanOrEqual(target.value)
        expect(high).toBeGreaterThanOrEqual(target.value)
        expect(alarm).toBeGreaterThan(high)
        expect(replay(target.because)).toBe(target.value)
      }),
    )
  })

  test('a further sore or itchy finding never warms the water', () => {
    fc.assert(
      fc.property(facts, fc.constantFrom<Skin>('itchy', 'inflamed', 'flea-bitten', 'broken'), (f, more) => {
        expect(waterTarget({ ...f, skin: [...f.skin, more] }).target.value).toBeLessThanOrEqual(
          waterTarget(f).target.value,
        )
      }),
    )
  })

  test('a short nose never warms it', () => {
    fc.assert(
      fc.property(facts, (f) => {
        expect(waterTarget({ ...f, shortNose: true }).target.value).toBeLessThanOrEqual(
          waterTarget({ ...f, shortNose: false }).target.value,
        )
      }),
    )
  })

  test.each<[string, Partial<WaterFacts>]>([
    ['puppy', { stage: 'puppy' }],
    ['senior', { stage: 'senior' }],
    ['under 4 kg', { weightKg: 3.9 }],
    ['hairless', { coat: 'hairless' }],
  ])('half a degree warmer, once, for %s', (_what, more) => {
    const base: WaterFacts = {
      warmth: 'warm',
      skin: [],
      shortNose: false,
      coat: 'wire',
      roomC: 20,
      stage: 'adult',
      weightKg: 8,
    }
    expect(waterTarget({ ...base, ...more }).target.value).toBe(38)
    expect(waterTarget({ ...base, ...more, stage: 'puppy' }).target.value).toBe(38)
  })

  test('grease warms by half a degree unless something cools', () => {
    const base: WaterFacts = {
      warmth: 'warm',
      skin: ['greasy'],
      shortNose: false,
      coat: 'wire',
      roomC: 20,
      stage: 'adult',
      weightKg: 8,
    }
    expect(waterTarget(base).target.value).toBe(38)
    expect(waterTarget({ ...base, skin: ['greasy', 'flea-bitten'] }).target.value).toBe(35.5)
  })
})

test('wetting takes at least a minute, and longer in coats that shed water outside', () => {
  expect(wettingMinutes({ coat: 'hairless', density: 'usual' }, 0.1).value).toBe(1)
  expect(wettingMinutes({ coat: 'short double', density: 'usual' }, 0.5).value).toBeCloseTo(2, 9)
  expect(wettingMinutes({ coat: 'long double', density: 'usual' }, 0.5).value).toBeCloseTo(2 * Math.SQRT2, 9)
})
