import { z } from 'zod'
import { said } from './said'
import type { Quantity } from './units'

/** What an amount with a range of its own is of. */
export type RangeName =
  | 'weight'
  | 'coatLength'
  | 'tubHeight'
  | 'crate'
  | 'vessel'
  | 'marks'
  | 'stroke'
  | 'bottle'
  | 'earRound'
  | 'shower'
  | 'tank'
  | 'coldTap'
  | 'hotTap'

declare module './said' {
  interface Codes {
    'range.outside': { what: RangeName; quantity: Quantity; least: number; most: number }
  }
}

/** A number of SI within a range, both ends included; refused with a statement, so that a house reads it in its units. */
export const amountIn = (what: RangeName, quantity: Quantity, least: number, most: number) =>
  z.number().superRefine((value, context) => {
    if (value >= least && value <= most) return
    const params = said('range.outside', { what, quantity, least, most })
    context.addIssue({ code: 'custom', message: params.code, params })
  })
