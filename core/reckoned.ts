import { z } from 'zod'

/**
 * Why a number is what it is: one fact and what it did.
 * `start` begins the sum, `add` and `times` change it, `set` puts a limit, a rounding or the user's
 * own number in its place, `note` explains without changing anything (its effect is ignored).
 */
export const Reason = z.object({
  how: z.enum(['start', 'add', 'times', 'set', 'note']),
  fact: z.string(),
  effect: z.number(),
})
export type Reason = z.infer<typeof Reason>

/** A reckoned number with its unit; replaying `because` from top to bottom gives `value`. */
export const Reckoned = z.object({
  value: z.number(),
  unit: z.string(),
  because: z.array(Reason),
})
export type Reckoned = z.infer<typeof Reckoned>

export const start = (fact: string, effect: number): Reason => ({ how: 'start', fact, effect })
export const add = (fact: string, effect: number): Reason => ({ how: 'add', fact, effect })
export const times = (fact: string, effect: number): Reason => ({ how: 'times', fact, effect })
export const set = (fact: string, effect: number): Reason => ({ how: 'set', fact, effect })
export const note = (fact: string): Reason => ({ how: 'note', fact, effect: 0 })

/** The number that a list of reasons makes, read from top to bottom; 0 for an empty list. */
export function replay(because: readonly Reason[]): number {
  return because.reduce((value, reason) => {
    switch (reason.how) {
      case 'start':
      case 'set':
        return reason.effect
      case 'add':
        return value + reason.effect
      case 'times':
        return value * reason.effect
      case 'note':
        return value
    }
  }, 0)
}

/**
 * A number made from its reasons, so that the two cannot disagree.
 * Factors of exactly 1 and additions of exactly 0 move nothing and are left out.
 */
export function reckon(unit: string, ...reasons: (Reason | false | undefined)[]): Reckoned {
  const because = reasons.filter(
    (r): r is Reason => !!r && !(r.how === 'times' && r.effect === 1) && !(r.how === 'add' && r.effect === 0),
  )
  return { value: replay(because), unit, because }
}

/** The same number with further reasons at its end. */
export function further(number: Reckoned, ...reasons: (Reason | false | undefined)[]): Reckoned {
  return reckon(number.unit, ...number.because, ...reasons)
}

/** The sum of several named numbers of one unit, each becoming one reason. */
export function sum(unit: string, parts: readonly { fact: string; value: number }[]): Reckoned {
  const [first, ...rest] = parts
  if (!first) return { value: 0, unit, because: [] }
  return reckon(unit, start(first.fact, first.value), ...rest.map((p) => add(p.fact, p.value)))
}
