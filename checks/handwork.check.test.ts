import { bodySurface, type Coat } from '../core/dog'
import {
  blowOutMinutes,
  brushMinutes,
  cleanTubMinutes,
  combMinutes,
  conditionMinutes,
  handOverMinutes,
  latherMinutes,
  liftMinutes,
  lookMinutes,
  nailMinutes,
  paceFactor,
  setUpMinutes,
  squeezeMinutes,
  towelMinutes,
  washingOrder,
} from '../core/groomer'
import { addDays, nextVisit, type Today } from '../core/visit'
import { schoolsFor } from '../core/schools'
import { REFERENCES } from './references'

const surface = bodySurface(20)
const coatOf = (coat: Coat['coat'], density: Coat['density'] = 'usual'): Coat => ({ coat, density })

describe(`work by hand: ${REFERENCES.handwork.source}`, () => {
  const minutes: Record<(typeof REFERENCES.handwork.values)[number][0], () => number> = {
    'look over, 20 kg': () => lookMinutes(20, 'calm').value,
    'brush out, smooth': () => brushMinutes(coatOf('smooth'), surface, 0, 'calm').value,
    'brush out, wire': () => brushMinutes(coatOf('wire'), surface, 0, 'calm').value,
    'brush out, drop': () => brushMinutes(coatOf('drop'), surface, 0, 'calm').value,
    'brush out, drop, mats 2': () => brushMinutes(coatOf('drop'), surface, 2, 'calm').value,
    'blow out': () => blowOutMinutes(surface, 'calm').value,
    nails: () => nailMinutes(false, 'calm').value,
    'nails, touch-shy': () => nailMinutes(true, 'calm').value,
    'lather, wire': () => latherMinutes(coatOf('wire'), surface, false, 'calm').value,
    'lather, wire, with the face': () => latherMinutes(coatOf('wire'), surface, true, 'calm').value,
    'lather, drop': () => latherMinutes(coatOf('drop'), surface, false, 'calm').value,
    'lather, dense wire': () => latherMinutes(coatOf('wire', 'dense'), surface, false, 'calm').value,
    'conditioner, wire': () => conditionMinutes(coatOf('wire'), surface, 0, 'calm').value,
    'conditioner, drop': () => conditionMinutes(coatOf('drop'), surface, 0, 'calm').value,
    'hand squeeze': () => squeezeMinutes('calm').value,
    'three towels': () => towelMinutes(3, false, 'calm').value,
    'three wrings of a chamois': () => towelMinutes(3, true, 'calm').value,
    'lift, 25 kg': () => liftMinutes(25, 'calm').value,
    'lift, 26 kg': () => liftMinutes(26, 'calm').value,
    'set up the dryer': () => setUpMinutes().value,
    'comb through, wire': () => combMinutes(coatOf('wire'), surface, 0, 'calm').value,
    'comb through, drop': () => combMinutes(coatOf('drop'), surface, 0, 'calm').value,
    'clean the tub': () => cleanTubMinutes(false).value,
    'clean the tub, fleas': () => cleanTubMinutes(true).value,
    'hand over': () => handOverMinutes().value,
  }
  test.each(REFERENCES.handwork.values)('%s: %d min', (name, expected) => {
    expect(minutes[name]()).toBeCloseTo(expected, 2)
  })

  test('a wary dog takes a quarter longer, an anxious one half', () => {
    expect([paceFactor('calm'), paceFactor('wary'), paceFactor('anxious')]).toEqual([1, 1.25, 1.5])
    expect(lookMinutes(20, 'anxious').value).toBeCloseTo(7.5, 9)
  })

  test('corded and hairless coats are neither brushed nor combed', () => {
    for (const coat of ['corded', 'hairless'] as const) {
      expect(brushMinutes(coatOf(coat), surface, 0, 'calm').value).toBe(0)
      expect(combMinutes(coatOf(coat), surface, 0, 'calm').value).toBe(0)
    }
  })
})

describe(`washing order: ${REFERENCES.washingOrders.source}`, () => {
  test.each(REFERENCES.washingOrders.values)('%s begins with %s and ends with %s', (school, first, last) => {
    const order = washingOrder(school, false)
    expect([order[0], order.at(-1)]).toEqual([first, last])
    expect(new Set(order).size).toBe(9)
  })

  test('with fleas the neck ring comes first in every school, then backwards', () => {
    for (const school of ['under', 'neck', 'face'] as const) {
      expect(washingOrder(school, true).slice(0, 3)).toEqual(['neck', 'back', 'tail'])
      expect(new Set(washingOrder(school, true)).size).toBe(9)
    }
  })
})

describe(`interval: ${REFERENCES.intervals.source}`, () => {
  const today = (more: Partial<Today> = {}) => ({ date: '2026-11-28', skin: [], mats: {}, ...more })
  const schools = schoolsFor({})

  test.each(REFERENCES.intervals.values)('a %s coat comes again in %d days', (coat, days) => {
    expect(nextVisit({ coat, outdoors: false }, today(), schools).days.value).toBe(days)
    expect(nextVisit({ coat, outdoors: false }, today(), schools).date).toBe(addDays('2026-11-28', days))
  })

  test('grease and mats shorten it, dry or itchy skin lengthens it, never under a week', () => {
    const days = (more: Partial<Today>) => nextVisit({ coat: 'wire', outdoors: false }, today(more), schools).days.value
    expect(days({ skin: ['greasy'] })).toBe(39)
    expect(days({ skin: ['dry'] })).toBe(70)
    expect(days({ skin: ['greasy', 'itchy'] })).toBe(39)
    expect(days({ mats: { belly: 1 } })).toBe(45)
    expect(days({ mats: { belly: 3 } })).toBe(34)
    expect(
      nextVisit({ coat: 'hairless', outdoors: false }, today({ skin: ['greasy'], mats: { head: 3 } }), schools).days
        .value,
    ).toBe(7)
  })

  test('a dog that lives outdoors comes less often', () => {
    expect(nextVisit({ coat: 'short double', outdoors: true }, today(), schools).days.value).toBe(101)
  })

  test('days are counted over the turn of month and year', () => {
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01')
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29')
  })
})
