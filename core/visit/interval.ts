import { constants, practice } from '../constants'
import { worstMats, type CoatType, type Dog, type Skin } from '../dog'
import { reckon, set, start, times, note, type Reckoned } from '../reckoned'
import type { Rules } from '../rules'
import type { Memory } from './memory'
import type { Today } from './schema'

declare module '../said' {
  interface Codes {
    'again.coat': { coat: CoatType }
    'again.mattingCoat': None
    'again.greasy': None
    'again.tender': None
    'again.outdoors': None
    'again.fewMats': None
    'again.manyMats': None
    'again.treatment': None
    'again.fleas': None
    'again.agreed': { days: number }
    'again.kept': { visits: number }
    'again.wholeDays': None
  }
}

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
  soon: practice(7, 'days', [7, 14]),
  fleas: practice(12, 'days', [10, 14]),
  keptFrom: practice(4, 'visits', [3, 6]),
  keptWithin: practice(0.35, 'share of the usual days', [0.2, 0.5]),
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

/** After how many days a dog has come again of itself, visit after visit; undefined while that isn't regular. */
function keptDays(came: readonly string[]): number | undefined {
  if (came.length < INTERVAL.keptFrom.value) return undefined
  const between = came.slice(1).map((date, i) => (Date.parse(date) - Date.parse(came[i]!)) / 86_400_000)
  const middle = [...between].sort((a, b) => a - b)[Math.floor((between.length - 1) / 2)]!
  const regular = between.filter((d) => Math.abs(d - middle) <= INTERVAL.keptWithin.value * middle)
  return middle >= INTERVAL.soon.value && regular.length >= 0.7 * between.length ? middle : undefined
}

/**
 * When to come again: as it is agreed, else as it has come so far where that is regular, else by coat, shortened by grease and mats, lengthened by dry or itchy skin; or as the
 * house rule says, though a long coat that mats is never left for longer than 8 weeks. Common practice.
 */
export function nextVisit(
  dog: Pick<Dog, 'coat' | 'outdoors'>,
  today: Pick<Today, 'date' | 'mats'> & Partial<Pick<Today, 'fleas'>> & { skin: readonly Skin[] },
  rules: Rules,
  { came, agreed }: Pick<Memory, 'came' | 'agreed'> = { came: [], agreed: null },
): NextVisit {
  const { skin } = today
  const mats = worstMats(today.mats)
  const tender = skin.includes('dry') || skin.includes('itchy')
  const greasy = skin.includes('greasy')
  const choice = rules.interval
  const matting = dog.coat === 'drop' || dog.coat === 'curly' || dog.coat === 'long double' || dog.coat === 'feathered'
  const byCoat = choice === 'coat'
  const kept = agreed ?? (byCoat ? keptDays(came) : undefined)
  const first =
    agreed !== null
      ? start('again.agreed', { days: agreed }, agreed)
      : kept !== undefined
        ? start('again.kept', { visits: came.length }, kept)
        : byCoat
          ? start('again.coat', { coat: dog.coat }, INTERVAL[BY_COAT[dog.coat]].value)
          : start('rule.says', { rule: 'interval', choice }, INTERVAL[choice].value, 'rule')
  const capped = agreed === null && choice === 'seldom' && matting
  const days = reckon(
    'days',
    first,
    capped && set('again.mattingCoat', {}, INTERVAL.longCoat.value),
    kept === undefined && choice !== 'fortnight' && greasy && times('again.greasy', {}, INTERVAL.greasy.value),
    kept === undefined && byCoat && tender && !greasy && times('again.tender', {}, INTERVAL.dry.value),
    kept === undefined && byCoat && dog.outdoors && times('again.outdoors', {}, INTERVAL.outdoors.value),
    agreed === null && mats === 1 && times('again.fewMats', {}, INTERVAL.fewMats.value),
    agreed === null && mats >= 2 && times('again.manyMats', {}, INTERVAL.manyMats.value),
    skin.includes('vet-treated') && note('again.treatment', {}),
    // eggs that are laid now hatch by then
    today.fleas === true && set('again.fleas', {}, INTERVAL.fleas.value),
  )
  const whole = Math.max(7, Math.round(days.value))
  const rounded = whole === days.value ? days : reckon('days', ...days.because, set('again.wholeDays', {}, whole))
  return { days: rounded, date: addDays(today.date, whole) }
}

/** When a dog was here last, when it is due again and the next day that it is on: dates, null where there is none. */
export interface Due {
  last: string | null
  due: string | null
  booked: string | null
}

/** `over`: its date has gone by; `soon`: within a week; a dog that was never here is `new`. */
type DueState = 'booked' | 'over' | 'soon' | 'later' | 'new'

/** How it stands with a dog's next visit on a day (ISO dates). What is booked already isn't due any more. */
export function dueState({ due, booked }: Due, today: string): DueState {
  if (booked !== null) return 'booked'
  if (due === null) return 'new'
  if (due < today) return 'over'
  return due <= addDays(today, INTERVAL.soon.value) ? 'soon' : 'later'
}

/** Whether a dog should come within a week, or should have come, and is on no day yet. */
export const isDue = (due: Due, today: string): boolean => ['over', 'soon'].includes(dueState(due, today))
