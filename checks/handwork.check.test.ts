import { bodySurface, type Coat } from '@core/dog'
import {
  blowOutMinutes,
  brushMinutes,
  cleanTubMinutes,
  combMinutes,
  conditionMinutes,
  faceMinutes,
  handOverMinutes,
  latherMinutes,
  liftMinutes,
  lookMinutes,
  matMinutes,
  matsOnlyMinutes,
  nailMinutes,
  paceFactor,
  setUpMinutes,
  squeezeMinutes,
  towelMinutes,
  washingOrder,
} from '@core/groomer'
import { addDays, nextVisit, type Today } from '@core/visit'
import { rulesFor } from '@core/rules'
import { REFERENCES } from './references'

const surface = bodySurface(20)
const coatOf = (coat: Coat['coat'], density: Coat['density'] = 'usual'): Coat => ({ coat, density })

describe(`work by hand: ${REFERENCES.handwork.source}`, () => {
  const minutes: Record<(typeof REFERENCES.handwork.values)[number][0], () => number> = {
    'look over, 20 kg': () => lookMinutes(20, 'calm').value,
    'rubber brush, smooth': () => brushMinutes(coatOf('smooth'), surface, 'calm').value,
    'brush out, wire': () => brushMinutes(coatOf('wire'), surface, 'calm').value,
    'brush out, drop': () => brushMinutes(coatOf('drop'), surface, 'calm').value,
    'few mats on the back': () => matsOnlyMinutes(matMinutes({ back: 1 }, surface), 'calm').value,
    'many mats on the back': () => matsOnlyMinutes(matMinutes({ back: 2 }, surface), 'calm').value,
    'blow out': () => blowOutMinutes(coatOf('long double'), surface, 'calm').value,
    nails: () => nailMinutes(false, 'calm').value,
    'nails, touch-shy': () => nailMinutes(true, 'calm').value,
    'nails, a puppy’s tips': () => nailMinutes(false, 'calm', true).value,
    'lather, wire': () => latherMinutes(coatOf('wire'), surface, 'calm').value,
    'lather, drop': () => latherMinutes(coatOf('drop'), surface, 'calm').value,
    'lather, dense wire': () => latherMinutes(coatOf('wire', 'dense'), surface, 'calm').value,
    'face, washed': () => faceMinutes('wash', false, 'calm').value,
    'face by cloth, with folds': () => faceMinutes('cloth', true, 'calm').value,
    'conditioner, wire': () => conditionMinutes(coatOf('wire'), surface, 'calm').value,
    'conditioner, drop': () => conditionMinutes(coatOf('drop'), surface, 'calm').value,
    'hand squeeze': () => squeezeMinutes(coatOf('wire'), surface, 'calm').value,
    'hand squeeze, corded': () => squeezeMinutes(coatOf('corded'), surface, 'calm').value,
    'three towels': () => towelMinutes(3, false, 'calm').value,
    'three wrings of a chamois': () => towelMinutes(3, true, 'calm').value,
    'lift, 25 kg': () => liftMinutes(25, 'calm').value,
    'lift, 26 kg': () => liftMinutes(26, 'calm').value,
    'set up the dryer': () => setUpMinutes().value,
    'cloth over, smooth': () => combMinutes(coatOf('smooth'), surface, 'calm').value,
    'comb through, wire': () => combMinutes(coatOf('wire'), surface, 'calm').value,
    'comb through, drop': () => combMinutes(coatOf('drop'), surface, 'calm').value,
    'clean the tub': () => cleanTubMinutes(false).value,
    'clean the tub, fleas': () => cleanTubMinutes(true).value,
    'hand over': () => handOverMinutes().value,
  }
  test.each(REFERENCES.handwork.values)('%s: %d min', (name, expected) => {
    expect(minutes[name]()).toBeCloseTo(expected, 2)
  })

  test('a wary dog takes a quarter longer, an anxious one half', () => {
    expect([paceFactor('calm'), paceFactor('wary'), paceFactor('anxious')]).toEqual([1, 1.25, 1.5])
    expect(lookMinutes(20, 'anxious').value).toBeCloseTo(6, 9)
  })

  test('corded and hairless coats are neither brushed nor combed', () => {
    for (const coat of ['corded', 'hairless'] as const) {
      expect(brushMinutes(coatOf(coat), surface, 'calm').value).toBe(0)
      expect(combMinutes(coatOf(coat), surface, 'calm').value).toBe(0)
    }
  })
})

describe(`washing order: ${REFERENCES.washingOrders.source}`, () => {
  test.each(REFERENCES.washingOrders.values)('%s begins with %s and ends with %s', (rule, first, last) => {
    const order = washingOrder(rule, false)
    expect([order[0], order.at(-1)]).toEqual([first, last])
    expect(new Set(order).size).toBe(9)
  })

  test('with fleas the neck ring comes first whatever the rule, then backwards', () => {
    for (const rule of ['under', 'neck', 'face'] as const) {
      expect(washingOrder(rule, true).slice(0, 3)).toEqual(['neck', 'back', 'tail'])
      expect(new Set(washingOrder(rule, true)).size).toBe(9)
    }
  })
})

describe(`interval: ${REFERENCES.intervals.source}`, () => {
  const today = (more: Partial<Today> = {}) => ({ date: '2026-11-28', skin: [], mats: {}, ...more })
  const rules = rulesFor({})

  test.each(REFERENCES.intervals.values)('a %s coat comes again in %d days', (coat, days) => {
    expect(nextVisit({ coat, outdoors: false }, today(), rules).days.value).toBe(days)
    expect(nextVisit({ coat, outdoors: false }, today(), rules).date).toBe(addDays('2026-11-28', days))
  })

  test('grease and mats shorten it, dry or itchy skin lengthens it, never under a week', () => {
    const days = (more: Partial<Today>) => nextVisit({ coat: 'wire', outdoors: false }, today(more), rules).days.value
    expect(days({ skin: ['greasy'] })).toBe(39)
    expect(days({ skin: ['dry'] })).toBe(70)
    expect(days({ skin: ['greasy', 'itchy'] })).toBe(39)
    expect(days({ mats: { belly: 1 } })).toBe(45)
    expect(days({ mats: { belly: 3 } })).toBe(34)
    expect(
      nextVisit({ coat: 'hairless', outdoors: false }, today({ skin: ['greasy'], mats: { head: 3 } }), rules).days
        .value,
    ).toBe(7)
  })

  test('a dog that lives outdoors comes less often', () => {
    expect(nextVisit({ coat: 'short double', outdoors: true }, today(), rules).days.value).toBe(101)
  })

  test('days are counted over the turn of month and year', () => {
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01')
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29')
  })
})
