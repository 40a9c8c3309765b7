import fc from 'fast-check'
import type { Plan } from '@core/visit'
import { planOf } from './plans'

const minutesOf = (plan: Plan, id: string) =>
  plan.steps.filter((s) => s.id === id).reduce((sum, s) => sum + s.minutes.value, 0)
const prepared = (dog: object, coatPreparation: string) =>
  planOf({ ...dog, rules: { coatPreparation } }, { shedding: true })
const volume = (plan: Plan) => plan.mix.passes[0]!.mixes[0]!.volume.value

/** Common practice, no source. */
describe('shed undercoat', () => {
  const DOGS: [string, object, number, number][] = [
    ['Golden Retriever, 30 kg', { coat: 'feathered', undercoat: true, weightKg: 30 }, 8, 15],
    ['Husky, 23 kg', { coat: 'long double', weightKg: 23 }, 8, 15],
    ['Labrador, 31 kg', { coat: 'short double', weightKg: 31 }, 8, 15],
  ]
  test.each(DOGS)('%s is blown out in 8 to 15 minutes', (_name, dog, least, most) => {
    const blown = minutesOf(prepared(dog, 'blow'), 'blow-out')
    expect(blown).toBeGreaterThanOrEqual(least)
    expect(blown).toBeLessThanOrEqual(most + 0.5)
  })
  test.each(DOGS)('%s: mix, rinse, drying and combing are less for it', (_name, dog) => {
    const [blown, straight] = [prepared(dog, 'blow'), prepared(dog, 'straight')]
    const less = (of: (plan: Plan) => number) => 1 - of(blown) / of(straight)
    const within = (share: number, least: number, most: number) => {
      expect(share).toBeGreaterThanOrEqual(least)
      expect(share).toBeLessThanOrEqual(most)
    }
    within(less(volume), 0.1, 0.15)
    within(
      less((p) => p.rinse.last.minutes.value),
      0.1,
      0.17,
    )
    within(
      less((p) => p.drying.minutes.value),
      0.15,
      0.25,
    )
    within(
      less((p) => minutesOf(p, 'comb')),
      0.36,
      0.42,
    )
  })
  test('blowing out gives back as many minutes of hands as it takes, within a fiftieth', () => {
    const shedding = fc.record({
      weightKg: fc.double({ min: 10, max: 45, noNaN: true }),
      coat: fc.constantFrom('long double', 'short double'),
    })
    fc.assert(
      fc.property(shedding, (dog) => {
        const [blown, straight] = [prepared(dog, 'blow'), prepared(dog, 'straight')]
        expect(blown.handMinutes.value).toBeLessThanOrEqual(1.02 * straight.handMinutes.value)
      }),
      { numRuns: 60 },
    )
  })
})

/** Common practice, no source. */
describe('dirt', () => {
  test('a filthy dog is lathered longer, and its first rinse goes on until the water is clear', () => {
    const [usual, filthy] = (['usual', 'filthy'] as const).map((soil) =>
      planOf({ coat: 'short double', weightKg: 31 }, { soil }),
    ) as [Plan, Plan]
    expect(minutesOf(filthy, 'lather-1')).toBeCloseTo(1.5 * minutesOf(usual, 'lather-1'), 6)
    expect(minutesOf(filthy, 'lather-2')).toBeCloseTo(minutesOf(usual, 'lather-2'), 6)
    expect(minutesOf(filthy, 'rinse-1')).toBeGreaterThan(1.4 * minutesOf(usual, 'rinse-1'))
    const rinse = filthy.steps.find((s) => s.id === 'rinse-1')!.detail[0]
    expect(rinse).toMatchObject({ code: 'step.looseDirt', facts: { untilClear: true } })
  })
  test('one wash by rule is lathered longer too', () => {
    const once = (soil: string) => planOf({ weightKg: 20, rules: { washCount: 'one' } }, { soil })
    expect(minutesOf(once('filthy'), 'lather-1')).toBeGreaterThan(minutesOf(once('usual'), 'lather-1'))
  })
})

/** Common practice, no source. */
describe('towels', () => {
  test.each([
    ['Chihuahua, 2.5 kg', { coat: 'smooth', weightKg: 2.5 }, 2, 2],
    ['Yorkshire Terrier, 3 kg', { coat: 'drop', weightKg: 3 }, 2, 3],
    ['Newfoundland, 58 kg', { coat: 'long double', density: 'dense', weightKg: 58 }, 4, 6],
  ])('%s has %d to %d laid out', (_name, dog, least, most) => {
    const { value } = planOf(dog).towels
    expect(value).toBeGreaterThanOrEqual(least)
    expect(value).toBeLessThanOrEqual(most)
  })
})
