import { z } from 'zod'
import { constants, memory } from '../constants'

const NIOSH = 'NIOSH 98-126 (1998), derating of labelled protection'

/** How much of a protector's labelled rating is believed. */
export const PROTECTION = constants({
  dBAOffset: memory(7, 'dB', NIOSH),
  earmuff: memory(0.25, 'share off', NIOSH),
  foam: memory(0.5, 'share off', NIOSH),
  other: memory(0.7, 'share off', NIOSH),
})

/** What the groomer wears over or in the ears; `nrr` as printed, dB. */
export const Protector = z.object({
  kind: z.enum(['none', 'earmuff', 'foam', 'other']).default('none'),
  nrr: z.number().min(0, 'A rating is 0 to 40 dB.').max(40, 'A rating is 0 to 40 dB.').default(0),
})
export type Protector = z.infer<typeof Protector>

/** Decibels a protector takes off a level in dBA: max(0, NRR·(1 − derate) − 7). */
export function protection({ kind, nrr }: Protector): number {
  if (kind === 'none') return 0
  return Math.max(0, nrr * (1 - PROTECTION[kind].value) - PROTECTION.dBAOffset.value)
}
