import { EARS, type EarPlan } from '../ears'
import type { VisitRecord } from './record'

/** One ear as the record has it. `did`: since the last cotton, but for what is done once. */
export type EarRecord = VisitRecord['ears']['left']

/**
 * What comes next at an ear. `leave`: a vet first, by the plan. `stopped`: a sign found now. `look`, `thin`, `soften`, `fill`,
 * `massage` (with when it is over, ms), `wipe`, `dry`, `flap`: the work. `refer`: still dirty after the most rounds.
 * `enough`: the groomer stopped there.
 */
export type EarPhase =
  | {
      at:
        | 'leave'
        | 'stopped'
        | 'look'
        | 'thin'
        | 'soften'
        | 'fill'
        | 'wipe'
        | 'dry'
        | 'flap'
        | 'refer'
        | 'enough'
        | 'over'
    }
  | { at: 'massage'; until: number }

/** What comes next at one ear, `now` in ms. A sign found at the table stops everything, whatever was planned. */
export function earNow(
  ear: EarRecord,
  plan: Pick<EarPlan, 'action' | 'thinHair' | 'thenDry' | 'softenWith' | 'most'>,
  now: number,
): EarPhase {
  if (ear.signs.length > 0) return { at: 'stopped' }
  if (plan.action === 'stop') return { at: 'leave' }
  const { did, rounds, clean } = ear
  if (did.enough !== undefined) return { at: 'enough' }
  const looked = did.looked !== undefined || rounds > 0
  if (!looked) return { at: 'look' }
  if (plan.thinHair && did.thinned === undefined && rounds === 0) return { at: 'thin' }
  if (plan.action === 'wipe') return { at: did.wiped === undefined ? 'flap' : 'over' }
  if (clean) return { at: plan.thenDry && did.dried === undefined ? 'dry' : 'over' }
  if (rounds >= (plan.most ?? EARS.mostRounds.value)) return { at: 'refer' }
  if (plan.softenWith !== undefined && did.softened === undefined && rounds === 0) return { at: 'soften' }
  if (did.filled === undefined) return { at: 'fill' }
  const until = did.filled + EARS.massage.value * 1000
  return now < until ? { at: 'massage', until } : { at: 'wipe' }
}

/** Whether nothing more is to be done at an ear. */
export const earOver = ({ at }: EarPhase): boolean => ['leave', 'stopped', 'refer', 'enough', 'over'].includes(at)
