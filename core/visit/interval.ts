import { constants, practice } from '../constants'
import { worstMats, type CoatType, type Dog } from '../dog'
import { reckon, set, start, times, note, type Reckoned } from '../reckoned'
import { schoolWords, type Schools } from '../schools'
import type { Today } from './schema'

/** Days between visits, by coat and condition. */
export const INTERVAL = constants({
  smooth: practice(84, 'days', [42, 120]),
  shortDouble: practice(84, 'days', [56, 120]),
  longDouble: practice(56, 'days', [42, 84]),
  wire: practice(56, 'days', [42, 90]),
  curly: practice(35, 'days', [28, 42]),
  drop: practice(35, 'days', [21, 42]),
  feathered: practice(49, 'days', [35, 60]),
  corded: practice(90, 'days', [60, 120]),
  hairless: practice(14, 'days', [7, 21]),
  seldom: practice(120, 'days', [90, 180]),
  fortnight: practice(14, 'days', [14, 14]),
  monthly: practice(35, 'days', [28, 42]),
  greasy: practice(0.7, 'factor', [0.5, 0.9]),
  dry: practice(1.25, 'factor', [1, 1.5]),
  outdoors: practice(1.2, 'factor', [1, 1.5]),
  fewMats: practice(0.8, 'factor', [0.6, 1]),
  manyMats: practice(0.6, 'factor', [0.4, 0.8]),
  longCoat: practice(56, 'days', [42, 70]),
})

const BY_COAT: Record<CoatType, keyof typeof INTERVAL> = {
  smooth: 'smooth',
  'short double': 'shortDouble',
  'long double': 'longDouble',
  wire: 'wire',
  curly: 'curly',
  drop: 'drop',
  feathered: 'feathered',
  corded: 'corded',
  hairless: 'hairless',
}

/** The next visit: days from today with reasons, and the date. */
export interface NextVisit {
  days: Reckoned
  date: string
}

/** `date` (ISO) and a number of days. */
export function addDays(date: string, days: number): string {
  return new Date(Date.parse(date) + days * 24 * 3600 * 1000).toISOString().slice(0, 10)
}

/**
 * When to come again: by coat, shortened by grease and mats, lengthened by dry or itchy skin; or as the
 * school says, though a long coat that mats is never left for longer than 8 weeks. Common practice.
 */
export function nextVisit(
  dog: Pick<Dog, 'coat' | 'outdoors'>,
  today: Pick<Today, 'date' | 'skin' | 'mats'>,
  schools: Schools,
): NextVisit {
  const base = INTERVAL[BY_COAT[dog.coat]].value
  const mats = worstMats(today.mats)
  const tender = today.skin.includes('dry') || today.skin.includes('itchy')
  const school = schools.S8
  const matting = dog.coat === 'drop' || dog.coat === 'curly' || dog.coat === 'long double' || dog.coat === 'feathered'
  const first =
    school === 'coat'
      ? start(`usual for a ${dog.coat} coat`, base)
      : start(schoolWords('S8', school), INTERVAL[school].value)
  const capped = school === 'seldom' && matting
  const days = reckon(
    'days',
    first,
    capped && set('a coat that mats is not left longer', INTERVAL.longCoat.value),
    school !== 'fortnight' && today.skin.includes('greasy') && times('greasy skin', INTERVAL.greasy.value),
    school === 'coat' &&
      tender &&
      !today.skin.includes('greasy') &&
      times('dry or itchy skin: washing strips it', INTERVAL.dry.value),
    school === 'coat' && dog.outdoors && times('lives outdoors: the coat keeps its oil', INTERVAL.outdoors.value),
    mats === 1 && times('a few mats', INTERVAL.fewMats.value),
    mats >= 2 && times('many mats', INTERVAL.manyMats.value),
    today.skin.includes('vet-treated') && note('under treatment: the vet’s interval rules'),
  )
  const whole = Math.max(7, Math.round(days.value))
  const rounded = whole === days.value ? days : reckon('days', ...days.because, set('whole days', whole))
  return { days: rounded, date: addDays(today.date, whole) }
}
