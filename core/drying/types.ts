import type { Zone } from '../dog'
import type { Reckoned } from '../reckoned'
import type { Code, Said } from '../said'
import type { WaterLeft } from './afterBath'
import type { ZoneAdvice } from './advice'
import type { Technique } from './technique'
import type { WayChoice } from './ways'

/** One zone's drying: minutes by stage, grams at its start and grams that go into the room's air, what air, and how near. */
export interface ZoneDrying {
  zone: Zone
  velocity: number
  warm: number
  minutes: number
  /** Minutes before the log's say, once it has one. */
  model?: number
  grams: number
  evaporates: number
  /** Grams that a fan has carried off before. */
  evaporatesFan?: number
  /** What dries it: warm air by a named setting, air with the heat off, or a cloth. */
  by: 'warm' | 'off' | 'cloth'
  setting: string
  /** Nearest distance, m, of the warm stage and of the fast air; null where no distance is gentle enough. */
  distance: number | null
  velocityDistance: number | null
  /** Warmest air allowed at the coat, and the air at the nozzle, °C. */
  limit: number
  air: number
  advice: ZoneAdvice
  /** Why the zone is left a little damp on purpose, or undefined when it is dried to the skin. */
  damp?: Said<Extract<Code, `damp.${string}`>>
}

/** Minutes of a zone in its turn with the brush: without the fast air, where that went over the whole dog before. */
export const turnMinutes = (z: Pick<ZoneDrying, 'minutes' | 'velocity'>, turns: DryingPlan['turns']): number =>
  turns === 'whole' ? z.minutes - z.velocity : z.minutes

/** A way that the house could dry this dog, with its minutes and what speaks against it. */
export interface OtherWay {
  technique: Technique
  minutes: number
  handMinutes: number
  dries: boolean
  against: Said<Extract<Code, `bar.${string}`>>
}

/** A visit's drying, zone by zone, with its total and the way there. */
export interface DryingPlan {
  choice: WayChoice
  others: OtherWay[]
  stages: WaterLeft[]
  /** How much more water than its table the coat holds, once towels were weighed. */
  held?: number
  towels: number
  water: Reckoned
  zones: ZoneDrying[]
  /** Set where fast air goes over the whole dog before the brush begins, and its minutes at this dog’s pace. */
  turns?: 'whole'
  fastMinutes?: number
  minutes: Reckoned
  /** Minutes before the log's say, once it has one. */
  model?: number
  handMinutes: number
  /** Minutes in front of a fan or in the room, without hands. */
  aloneMinutes: number
  dries: boolean
  combAt: number[]
  reminders: Said<Extract<Code, `remind.${string}`>>[]
}
