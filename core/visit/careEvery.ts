import { z } from 'zod'
import { constants, house, practice } from '../constants'
import { Day, daysBetween } from '../dog'
import type { Rules } from '../rules'
import type { Today } from './schema'

/** What is done at intervals of its own, whenever a dog comes. */
export const Care = z.enum(['nails', 'earHair', 'teeth', 'glands'])
export type Care = z.infer<typeof Care>

/** When each was last done. */
export const Cared = z.partialRecord(Care, Day)
export type Cared = z.infer<typeof Cared>

/** Days until each is done again; a visit a little early counts. */
export const CARE_EVERY = constants({
  nails: practice(21, 'days', [14, 35]),
  nailsSeldom: practice(42, 'days', [35, 56]),
  earHair: practice(28, 'days', [28, 42]),
  teeth: practice(7, 'days', [1, 14]),
  glands: practice(28, 'days', [21, 42]),
  early: house(4, 'days', [2, 6]),
})

function everyDays(care: Care, { nailsEvery }: Pick<Rules, 'nailsEvery'>): number {
  if (care !== 'nails') return CARE_EVERY[care].value
  if (nailsEvery === 'visit') return 0
  return nailsEvery === 'sixWeeks' ? CARE_EVERY.nailsSeldom.value : CARE_EVERY.nails.value
}

/** When something was last done, where that is too short a time ago for doing it today; undefined where it may be, or is wanted anyway. */
export function doneLately(
  care: Care,
  cared: Cared,
  today: Pick<Today, 'date' | 'anyway'>,
  rules: Pick<Rules, 'nailsEvery'>,
): string | undefined {
  const last = cared[care]
  if (last === undefined || today.anyway.includes(care)) return undefined
  const days = daysBetween(last, today.date)
  return days > 0 && days < everyDays(care, rules) - CARE_EVERY.early.value ? last : undefined
}
