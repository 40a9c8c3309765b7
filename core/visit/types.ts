import type { Notice } from '../caution'
import type { Zone } from '../dog'
import type { DryingPlan } from '../drying'
import type { EarPlan } from '../ears'
import type { LiftPlan } from '../groomer'
import type { HandlingPlan, LadderStep } from '../handling'
import type { Likely } from '../learn'
import type { OtherProduct } from '../mix'
import type { Reckoned } from '../reckoned'
import type { FirstRinse, RinsePlan } from '../rinse'
import type { Code, Said } from '../said'
import type { TapMix, WaterTarget } from '../water'
import type { Service } from '../dog'
import type { Course } from './courseTypes'
import type { NextVisit } from './interval'
import type { Question } from './questions'
import type { LeftOut, ShortBecause } from './short'
import type { StepName } from './stepName'
import type { WashPlan } from './washTypes'

declare module '../said' {
  interface Codes {
    'plugs.shakesOut': None
    'plugs.fewSteps': None
    'plugs.byCloth': None
    'plugs.vetFirst': None
    'plugs.dry': None
    'plugs.you': None
  }
}

/** Where a step happens. */
export type Place = 'table' | 'tub' | 'crate' | 'door'

/**
 * One step of a visit. `hands`: the groomer's hands are on the dog or the work. `withDog`: the dog is in it.
 * `pass`: the wash it belongs to, from 1, or the conditioner. Once the log says something of it: `model` the
 * minutes before that, `likely` the bands around the middle.
 */
export interface Step extends StepName {
  id: string
  pass?: number | 'conditioner'
  detail: Said<Extract<Code, `step.${string}`>>[]
  minutes: Reckoned
  place: Place
  hands: boolean
  withDog: boolean
  zones: Zone[]
  /** Which half of a step that is done in two. */
  half?: 1 | 2
  model?: number
  likely?: Likely
}

/** Bath water: target and band, how the taps make it, litres, and when the tank runs short, min. */
export interface WaterPlan extends WaterTarget {
  tap: TapMix
  hotFlow: number
  coldFlow: number
  litres: Reckoned
  hotLitres: number
  runOff: number
  /** The hot tap, °C, for the scald line. */
  hotTapC: number
  shortAt?: number
}

/** Both ears, left and right apart. `plugs`: how many go in before the water, and why. */
export interface EarsPlan {
  left: EarPlan
  right: EarPlan
  plugs: number
  plugsWhy: Said<Extract<Code, `plugs.${string}` | 'rule.says'>>
  minutes: Reckoned
}

/** What the visit asks of the groomer: a day's noise in percent (with the protector), and the lift. */
export interface GroomerPlan {
  dose: Reckoned
  lift: LiftPlan
}

/** A dog's plan for one day: every number with its reasons, ordered steps, cautions and stops. */
export interface Plan {
  engine: string
  go: boolean
  /** Why the visit is kept short, and what that leaves out. */
  short?: ShortBecause
  leftOut: LeftOut[]
  /** When what was left out may be done, in a second short visit. */
  again?: string
  /** What the dog came for, and what the groomer changed; plans made before there were other visits than baths have neither. */
  service?: Service
  course?: Course
  surface: Reckoned
  mix: WashPlan
  /** What might have stayed on the coat and doesn't, with the reason; plans made before don't say. */
  finishing?: OtherProduct[]
  water: WaterPlan
  rinse: RinsePlan & { conditioner?: FirstRinse }
  ears: EarsPlan
  drying: DryingPlan
  /** Towels to lay out: those that dry the dog (none where a chamois does), and the dry ones on the table. */
  towels: Reckoned
  chamois: boolean
  steps: Step[]
  minutes: Reckoned
  handMinutes: Reckoned
  /** Bands of the whole visit's minutes, once the log says something of it. */
  likely?: Pick<Likely, 'half' | 'most'>
  groomer: GroomerPlan
  handling: HandlingPlan
  ladder: LadderStep[]
  next: NextVisit
  questions: Question[]
  stops: Notice[]
  cautions: Notice[]
}
