import { normalQuantile, type Done } from '../learn'
import type { Code, Said } from '../said'

/** A step done, with in which visit, when and with which dryer. */
export interface Dated extends Done {
  visitId: string
  date: string
  dryer?: string
}

/** A ratio of minutes with its interval. */
export interface Ratio {
  middle: number
  from: number
  to: number
}

/** What speaks for something that the log taught: an interval and from how many visits, against how many others. */
export type Evidence =
  | { kind: 'interval'; visits: number; others: number | null }
  | { kind: 'damp'; times: number; visits: number }
  | { kind: 'pairs'; pairs: number }

/** Something that the log taught: what, its size as a ratio of minutes with an interval, and what speaks for it. */
export interface Taught {
  id: string
  what: Said<Extract<Code, `taught.${string}`>>
  evidence: Evidence
  ratio?: Ratio
}

/** A ratio with its interval, from logarithms. */
export const ratioOf = (middle: number, reach: number): Ratio => ({
  middle: Math.exp(middle),
  from: Math.exp(middle - reach),
  to: Math.exp(middle + reach),
})

/** How wide the interval is that goes with a sentence: a central 95 %. */
export const INTERVAL = normalQuantile(0.975)
