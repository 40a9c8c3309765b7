import type { Code, Codes, Said } from './said'

declare module './said' {
  interface Codes {
    /** A number of the user's own; the reason is optional. */
    'you.number': { reason: string }
    /** What the reckoning had before the user's own number. */
    'you.instead': { value: number; unit: Unit }
  }
}

/** What numbers are counted in. SI, and what the trade counts. */
export type Unit =
  'min' | 'L' | 'mL' | 'g' | 'm' | 'm²' | '°C' | 'mg/m²' | 'parts water' | '%' | 'days' | 'towels' | 'passes' | 'cents'

/** Who moved a number: the model, the log of past visits, the user, or a house rule. */
export type By = 'model' | 'log' | 'you' | 'rule'

/**
 * Why a number is what it is: a statement and what it did.
 * `start` begins the sum, `add` and `times` change it, `set` puts a limit, a rounding or the user's
 * own number in its place, `note` explains without changing anything (its effect is ignored).
 */
export type Reason = Said & { how: 'start' | 'add' | 'times' | 'set' | 'note'; effect: number; by: By }

/** A reckoned number with its unit; replaying `because` from top to bottom gives `value`. */
export interface Reckoned {
  value: number
  unit: Unit
  because: Reason[]
}

const reason = (how: Reason['how'], code: Code, facts: object, effect: number, by: By): Reason =>
  ({ how, code, facts, effect, by }) as unknown as Reason

export const start = <C extends Code>(code: C, facts: Codes[C], effect: number, by: By = 'model'): Reason =>
  reason('start', code, facts, effect, by)
export const add = <C extends Code>(code: C, facts: Codes[C], effect: number, by: By = 'model'): Reason =>
  reason('add', code, facts, effect, by)
export const times = <C extends Code>(code: C, facts: Codes[C], effect: number, by: By = 'model'): Reason =>
  reason('times', code, facts, effect, by)
export const set = <C extends Code>(code: C, facts: Codes[C], effect: number, by: By = 'model'): Reason =>
  reason('set', code, facts, effect, by)
export const note = <C extends Code>(code: C, facts: Codes[C], by: By = 'model'): Reason =>
  reason('note', code, facts, 0, by)

/** The number that a list of reasons makes, read from top to bottom; 0 for an empty list. */
export function replay(because: readonly Pick<Reason, 'how' | 'effect'>[]): number {
  return because.reduce((value, { how, effect }) => {
    switch (how) {
      case 'start':
      case 'set':
        return effect
      case 'add':
        return value + effect
      case 'times':
        return value * effect
      case 'note':
        return value
    }
  }, 0)
}

/**
 * A number made from its reasons, so that the two cannot disagree.
 * Factors of exactly 1 and additions of exactly 0 move nothing and are left out.
 */
export function reckon(unit: Unit, ...reasons: (Reason | false | undefined)[]): Reckoned {
  const because = reasons.filter(
    (r): r is Reason => !!r && !(r.how === 'times' && r.effect === 1) && !(r.how === 'add' && r.effect === 0),
  )
  return { value: replay(because), unit, because }
}

/** The same number with further reasons at its end. */
export function further(number: Reckoned, ...reasons: (Reason | false | undefined)[]): Reckoned {
  return reckon(number.unit, ...number.because, ...reasons)
}

/** The sum of several stated numbers of one unit, each becoming one reason. */
export function sum(unit: Unit, parts: readonly (Said & { value: number })[]): Reckoned {
  const [first, ...rest] = parts
  if (!first) return { value: 0, unit, because: [] }
  return reckon(
    unit,
    reason('start', first.code, first.facts, first.value, 'model'),
    ...rest.map((p) => reason('add', p.code, p.facts, p.value, 'model')),
  )
}

/** The number with the user's own in its place, and what the reckoning had; as it is without one. */
export function withOwn(number: Reckoned, own: Reason | undefined): Reckoned {
  if (!own) return number
  return further(number, own, note('you.instead', { value: number.value, unit: number.unit }))
}

/** Whether the user's own number stands in place of the reckoned one. */
export const isOwn = ({ because }: Reckoned): boolean => because.some((r) => r.by === 'you')
