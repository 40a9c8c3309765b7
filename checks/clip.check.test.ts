import type { Plan } from '@core/visit'
import { planOf } from './plans'

// Bands: common practice, no source.

/** The plan of a dog that comes for a full clip where nothing else is said. */
const clipOf = (dog: object, today: object = {}) =>
  planOf({ coat: 'drop', weightKg: 6, ...dog }, { service: 'fullClip', ...today })
const SHIH_TZU = { coat: 'drop', weightKg: 6, coatLengthCm: 15, shortNose: true }
const POODLE = { coat: 'curly', weightKg: 25, coatLengthCm: 6 }
const ids = (plan: Plan) => plan.steps.map((s) => s.id)
const minutesOf = (plan: Plan, kind: string) =>
  plan.steps.filter((s) => s.kind === kind).reduce((sum, s) => sum + s.minutes.value, 0)

describe('a coat that is cut off is cut off first', () => {
  test('a Shih Tzu’s full clip takes 65 to 95 min of hands in all', () => {
    const hands = clipOf(SHIH_TZU).handMinutes.value
    expect(hands).toBeGreaterThanOrEqual(65)
    expect(hands).toBeLessThanOrEqual(95)
  })

  test('nothing is brushed out that will be cut off, and what stays is washed and dried as a short coat', () => {
    for (const dog of [SHIH_TZU, POODLE]) {
      const [clipped, bathed] = [clipOf(dog, { mats: { hindlegs: 2 } }), clipOf(dog, { service: 'bath' })]
      expect(ids(clipped)).not.toContain('brush')
      expect(ids(clipped).indexOf('clip-rough')).toBeLessThan(ids(clipped).indexOf('lift-in'))
      expect(ids(clipped).indexOf('clip')).toBeGreaterThan(ids(clipped).indexOf('dry'))
      expect(clipped.drying.minutes.value).toBeLessThan(0.8 * bathed.drying.minutes.value)
    }
  })

  test('felted and booked for a clip: a visit with the clip in it, not a stop; felted for a bath stops as before', () => {
    const felted = { mats: { back: 3, hindlegs: 3, belly: 3 } }
    const plan = clipOf(POODLE, felted)
    expect(plan.go).toBe(true)
    expect(plan.stops).toEqual([])
    expect(minutesOf(plan, 'clip')).toBeGreaterThanOrEqual(15)
    expect(minutesOf(plan, 'clip')).toBeGreaterThan(minutesOf(clipOf(POODLE), 'clip'))
    expect(minutesOf(clipOf(SHIH_TZU, felted), 'clip')).toBeLessThanOrEqual(45)
    const bath = clipOf(POODLE, { ...felted, service: 'bath' })
    expect(bath.stops.map((s) => s.code)).toContain('stop.felted')
  })

  test('a coat that is left nearly as long as it is gets brushed and clipped after the bath, as before', () => {
    const plan = clipOf({ coat: 'wire', weightKg: 8, coatLengthCm: 3 }, { clipCm: 2 })
    expect(ids(plan)).toContain('brush')
    expect(ids(plan)).not.toContain('clip-rough')
  })
})

describe('without a bath', () => {
  test('nothing is said of water, cold, dryers and current, and no lift that isn’t one', () => {
    const plan = clipOf({ coat: 'short double', weightKg: 31 }, { service: 'nailsAndEars' })
    const bath = clipOf({ coat: 'short double', weightKg: 31 }, { service: 'bath' })
    expect(bath.cautions.map((c) => c.code)).toEqual(expect.arrayContaining(['caution.scald', 'caution.current']))
    expect(plan.cautions).toEqual([])
  })
})
