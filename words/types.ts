import type { Code, Codes } from '@core/said'
import type { Say } from './say'

/** How one statement is worded: as it stands, or from its facts and with the house's amounts. */
export type Phrase<C extends Code> = string | ((facts: Codes[C], say: Say) => string)

/** The words of every statement of some subjects; one that is missing doesn't compile. */
export type Words<Subject extends string> = { [C in Extract<Code, `${Subject}.${string}`>]: Phrase<C> }

/** The words of a notice: what is so, and what to do next. */
export interface NoticePhrases<C extends Code> {
  title: Phrase<C>
  next: Phrase<C>
}
