import fc from 'fast-check'
import { CoatType, Density, skinMap, Skin, ZONES } from '../dog'
import { allOver } from '../fixtures'
import { replay, set } from '../reckoned'
import {
  appliedResidue,
  conditionerRinse,
  litresAMinute,
  passOver,
  planRinse,
  type Lather,
  type Load,
  type RinseFacts,
} from '.'

const facts: fc.Arbitrary<RinseFacts> = fc.record({
  coat: fc.record({ coat: fc.constantFrom(...CoatType.options), density: fc.constantFrom(...Density.options) }),
  surface: fc.double({ min: 0.06, max: 2.1, noNaN: true }),
  skin: fc.subarray([...Skin.options]).map((skin) => allOver(...skin)),
  puppy: fc.boolean(),
  tool: fc.double({ min: 2, max: 15, noNaN: true }).map((flow) => ({ kind: 'shower' as const, flow })),
  hardness: fc.integer({ min: 0, max: 40 }),
  hardAbove: fc.constant(14),
})
const load: fc.Arbitrary<Load> = fc.record({
  zones: fc.subarray([...ZONES], { minLength: 1 }),
  surface: fc.double({ min: 0.03, max: 2.1, noNaN: true }),
  volume: fc.double({ min: 20, max: 2000, noNaN: true }),
  ratio: fc.double({ min: 3, max: 60, noNaN: true }),
  labelRatio: fc.double({ min: 3, max: 60, noNaN: true }),
})
const lather: fc.Arbitrary<Lather> = fc.array(load, { minLength: 1, maxLength: 3 })
const own = (minutes: number) => ({ minutes: set('you.number', { reason: '' }, minutes, 'you') })
const base: RinseFacts = {
  coat: { coat: 'long double', density: 'usual' },
  surface: 0.7,
  skin: allOver(),
  puppy: false,
  tool: { kind: 'shower', flow: 7 },
  hardness: 8,
  hardAbove: 14,
}
const load1: Load = { zones: ZONES, surface: 0.7, volume: 450, ratio: 10, labelRatio: 10 }
const wash: Lather = [load1]

describe('the last rinse', () => {
  test('always reaches its limit, and its reasons make its minutes', () => {
    fc.assert(
      fc.property(facts, fc.array(lather, { minLength: 1, maxLength: 3 }), (f, lathers) => {
        const { last } = planRinse(lathers, f)
        expect(last.end).toBeLessThanOrEqual(last.limit.value * (1 + 1e-9))
        expect(last.minutes.value).toBeGreaterThanOrEqual(2)
        expect(replay(last.minutes.because)).toBeCloseTo(last.minutes.value, 9)
        expect(last.litres).toBeCloseTo(last.minutes.value * litresAMinute(f.tool), 9)
        expect(last.curve[0]!.residue).toBeCloseTo(last.begin, 6)
      }),
    )
  })

  test('more rinsing never leaves more', () => {
    fc.assert(
      fc.property(
        facts,
        lather,
        fc.double({ min: 0.5, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (f, l, minutes, more) => {
          expect(planRinse([l], f, own(minutes + more)).last.end).toBeLessThanOrEqual(
            planRinse([l], f, own(minutes)).last.end + 1e-9,
          )
        },
      ),
    )
  })

  test('residue only falls along the curve', () => {
    fc.assert(
      fc.property(facts, lather, (f, l) => {
        const { curve } = planRinse([l], f).last
        curve.slice(1).forEach((p, i) => expect(p.residue).toBeLessThanOrEqual(curve[i]!.residue + 1e-9))
      }),
    )
  })

  test('a stronger or larger dose costs minutes', () => {
    const minutes = (l: Partial<Load>) => planRinse([[{ ...load1, ...l }]], base).last.minutes.value
    expect(minutes({ ratio: 5 })).toBeGreaterThan(minutes({}))
    expect(minutes({ volume: 900 })).toBeGreaterThan(minutes({}))
    expect(minutes({ labelRatio: 16 })).toBeGreaterThan(minutes({ labelRatio: 15 }))
  })

  test('tender skin, puppies and hard water cost minutes, and say so', () => {
    const plain = planRinse([wash], base).last
    const itchy = planRinse([wash], { ...base, skin: allOver('itchy') }).last
    const hard = planRinse([wash], { ...base, hardness: 20 }).last
    expect(itchy.minutes.value).toBeGreaterThan(plain.minutes.value)
    expect(itchy.passes).toBeGreaterThan(plain.passes)
    expect(itchy.limit.value).toBe(3)
    expect(itchy.minutes.because.some((r) => r.code === 'rinse.stricter')).toBe(true)
    expect(planRinse([wash], { ...base, puppy: true }).last.limit.value).toBe(3)
    expect(hard.minutes.because.some((r) => r.code === 'rinse.hardWater')).toBe(true)
    const fingers = 0.7 / 0.25
    expect(hard.minutes.value - fingers).toBeCloseTo(1.2 * (plain.minutes.value - fingers), 9)
  })

  test('too short a rinse of one’s own is not hidden', () => {
    expect(planRinse([wash], base, own(3)).last.end).toBeGreaterThan(10)
  })
})

test('between shampoos a twentieth is left, and it is carried on', () => {
  const one = planRinse([wash], base)
  const two = planRinse([wash, wash], base)
  expect(one.between).toHaveLength(0)
  expect(two.between).toHaveLength(1)
  expect(two.last.begin).toBeCloseTo(one.last.begin * 1.05, 6)
})

test('applied residue is dose by strength by active share', () => {
  expect(appliedResidue(450, 0.5, 9, 10)).toBeCloseTo((900 / 10) * 0.15 * 1000, 6)
  expect(appliedResidue(450, 0.5, 9, 20)).toBeCloseTo((900 / 10) * 0.3 * 1000, 6)
})

test('the zone that carries most sets the rinse; a blend on one zone adds up', () => {
  const begin = (lather: Lather) => planRinse([lather], base).last.begin
  const feet: Load = { ...load1, zones: ['feet'], surface: 0.07, volume: 90 }
  const back: Load = { ...load1, zones: ['back'], surface: 0.2, volume: 130 }
  expect(begin([feet, back])).toBeCloseTo(begin([feet]), 9)
  const half = { ...feet, volume: 45 }
  expect(begin([half, half])).toBeCloseTo(begin([feet]), 9)
})

test('passes are shown from two to four, whatever the minutes', () => {
  const passes = (minutes: number) => planRinse([wash], base, own(minutes)).last.passes
  expect([passes(1), passes(2.8 * 3), passes(2.8 * 4), passes(60)]).toEqual([2, 3, 4, 4])
})

test('skin that bears less soap on one zone makes the rinse stricter, and says where', () => {
  const skin = skinMap({ skin: [], skinAt: [{ zone: 'belly', side: 'both', skin: ['sensitive'] }] })
  const { last } = planRinse([wash], { ...base, skin })
  expect(last.limit.value).toBe(3)
  expect(last.minutes.because.find((r) => r.code === 'rinse.stricter')!.facts).toMatchObject({ zones: ['belly'] })
})

test('by cup it takes longer than under the shower, in whole cups and their litres', () => {
  const cup = planRinse([wash], { ...base, tool: { kind: 'cup' } }).last
  const shower = planRinse([wash], base).last
  expect(cup.minutes.value).toBeGreaterThan(shower.minutes.value)
  expect(cup.litres).toBeLessThan(shower.litres)
  expect(cup.end).toBeLessThanOrEqual(cup.limit.value)
  expect(litresAMinute({ kind: 'cup' })).toBeGreaterThan(0)
})

test('conditioner is rinsed out of a small dog for a minute at least, and longer out of a large one', () => {
  expect(conditionerRinse({ ...base, surface: 0.1 }, ZONES).minutes.value).toBe(1)
  expect(conditionerRinse({ ...base, surface: 1.5 }, ZONES).minutes.value).toBeGreaterThan(
    conditionerRinse(base, ZONES).minutes.value,
  )
  expect(conditionerRinse({ ...base, surface: 1.5 }, ['feet']).minutes.value).toBe(1)
})

test('one’s own number of passes is taken, minutes stay', () => {
  const { last } = planRinse([wash], base, { passes: set('you.number', { reason: '' }, 6, 'you') })
  expect(last.passes).toBe(6)
  expect(last.minutes.value).toBe(planRinse([wash], base).last.minutes.value)
})

test('the first pass goes over all of the dog, the last ends with the fingers, those between over what holds soap', () => {
  expect([1, 2, 3, 4].map((pass) => passOver(pass, 4))).toEqual(['all', 'places', 'places', 'fingers'])
  expect([1, 2].map((pass) => passOver(pass, 2))).toEqual(['all', 'fingers'])
})
