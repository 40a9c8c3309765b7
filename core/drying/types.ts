import type { Coat, Mood, Skin, Stage, Zone } from '../dog'
import type { Reckoned } from '../reckoned'
import type { ZoneAdvice } from './advice'
import type { WaterLeft } from './afterBath'
import type { Dryer, RoomAir } from './dryer'
import type { Technique, TechniqueChoice } from './technique'

/** The facts that set the drying. Surface m². */
export interface DryingFacts {
  coat: Coat
  surface: number
  skin: readonly Skin[]
  stage: Stage
  shortNose: boolean
  thinSkin: boolean
  dryerShy: boolean
  crateShy: boolean
  head: 'towel' | 'last' | 'cloth'
  topknot: boolean
  mood: Mood
  room: RoomAir
  heat: 'lowest' | 'none' | 'further'
  order: 'rear' | 'shoulders' | 'belly'
  dryers: readonly Dryer[]
  crateFits: boolean
  chamois: boolean
  towels?: number
  technique?: Technique
}

/** One zone's drying: minutes by stage, grams at its start and grams that go into the room's air, heat setting, distance in m and the limit at the coat in °C. */
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
  setting: string
  distance: number
  limit: number
  air: number
  advice: ZoneAdvice
  /** Why the zone is left a little damp on purpose, or undefined when it is dried to the skin. */
  damp?: string
}

/** A visit's drying, zone by zone, with its total and the way there. */
export interface DryingPlan {
  choice: TechniqueChoice
  stages: WaterLeft[]
  /** How much more water than its table the coat holds, once towels were weighed. */
  held?: number
  towels: number
  water: Reckoned
  zones: ZoneDrying[]
  minutes: Reckoned
  /** Minutes before the log's say, once it has one. */
  model?: number
  handMinutes: number
  dries: boolean
  combAt: number[]
  reminders: string[]
}
