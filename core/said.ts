import { sameData } from './same'

/**
 * Every statement that the core can make, by its code, with the facts that it carries: SI numbers, enums and
 * names, never a sentence. Each subject adds its own beside the function that makes them; `words/` has a
 * sentence for every one.
 */
export interface Codes {
  /** Words that were kept before statements had codes, or that a person typed. */
  'kept.words': { text: string }
}

/** The code of a statement: the subject, a dot, and what acted there. */
export type Code = keyof Codes

/** Facts of a statement that needs none. */
export type None = Readonly<Record<never, never>>

/** A statement: what is meant, not how it is worded. */
export type Said<C extends Code = Code> = { [K in C]: { code: K; facts: Codes[K] } }[C]

/** A statement from its code and its facts. */
export function said<C extends Code>(
  code: C,
  ...[facts]: keyof Codes[C] extends never ? [] : [facts: Codes[C]]
): Said<C> {
  return { code, facts: facts ?? {} } as unknown as Said<C>
}

/** Whether two statements mean the same, facts and all. */
export function sameSaid(a: Said, b: Said): boolean {
  return a.code === b.code && sameData(a.facts, b.facts)
}
