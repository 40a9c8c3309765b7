import type { DayProblem, DaySchedule } from '../day'
import type { Code, Said } from '../said'
import type { DayFacts, SeatPlan } from './assemble'
import type { DayRun } from './run'

/** What kind of thing does not hold. */
export type FindingKind =
  | 'late'
  | 'water'
  | 'low water'
  | 'circuit'
  | 'load'
  | 'noise'
  | 'humid'
  | 'dry longer'
  | 'towels'
  | 'crates'
  | 'wait'
  | 'wet wait'
  | 'hours'
  | 'bites'

/** What the day says of a finding. */
export type FoundCode = Extract<Code, `found.${string}`>

/** Something in a day that does not hold, or asks for care: for whom, when, how much. `words/` says it. */
export type DayFinding = Said<FoundCode> & {
  id: string
  kind: FindingKind
  level: 'stop' | 'watch'
  seat?: string
  /** A minute of the clock. */
  at?: number
  /** How bad, in the finding's own unit: minutes late, watts over, towels short. */
  amount: number
}

/** A day as it stands: its plans, its problem (with what is done), and, once arranged, its schedule run through and judged. */
export interface DayState {
  seats: SeatPlan[]
  /** What must hold, before anything was done. */
  whole: DayProblem
  problem: DayProblem
  schedule?: DaySchedule
  run?: DayRun
  findings: DayFinding[]
  /** Pins that can't hold any more: the schedule stands without them. */
  lost?: LostPin[]
}

/** A pin that can't hold under the facts as they are now: of which part of which seat, held to and standing at (minutes of the clock). */
export interface LostPin {
  seat: string
  part: string
  at: number
  now: number
}

/** A day as it is judged: its dogs, its problem as planned and as it stands now, and how it runs. */
export interface Judged {
  seats: readonly SeatPlan[]
  whole: DayProblem
  problem: DayProblem
  schedule: DaySchedule
  run: DayRun
}

/** What of a subject does not hold on a day. */
export type Judge = (facts: DayFacts, judged: Judged) => DayFinding[]

export const nameOf = (seats: readonly SeatPlan[], id: string): string =>
  seats.find((s) => s.seat.id === id)?.dog.name ?? id

/** First minute of the clock at which a line is past a limit, and its furthest value; undefined when it never is. */
export function crossing({ from }: DayRun, line: readonly number[], past: (value: number) => boolean, most = Math.max) {
  const first = line.findIndex(past)
  if (first < 0) return undefined
  const worst = line.reduce((a, b) => most(a, b), line[0]!)
  return { at: from + first, worst, worstAt: from + line.indexOf(worst) }
}
