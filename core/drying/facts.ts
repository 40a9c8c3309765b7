import { zoneWaterShares, ZONES, type Coat, type Mood, type SkinMap, type Stage, type Way, type Zone } from '../dog'
import type { Reason } from '../reckoned'
import type { Rules } from '../rules'
import type { RoomAir, Dryer } from './dryer'
import type { Technique } from './technique'

/** The facts that set the drying. Surface m². */
export interface DryingFacts {
  coat: Coat
  surface: number
  skin: SkinMap
  stage: Stage
  shortNose: boolean
  thinSkin: boolean
  dryerShy: boolean
  crateShy: boolean
  head: Rules['headDrying']
  topknot: boolean
  mood: Mood
  room: RoomAir
  heat: Rules['dryerHeat']
  order: Rules['dryingOrder']
  /** Whether the whole dog is blown before the brush begins, or zone by zone. */
  turns: Rules['dryerTurns']
  dryers: readonly Dryer[]
  /** The dog fits a crate in front of a fan. */
  crateFits: boolean
  chamois: boolean
  /** Water stays off an ear, and so does air. */
  earsOff?: boolean
  /** The user's own number of towels or wrings, way of drying, and distance (m). */
  towels?: number
  technique?: Technique
  distance?: Reason
  /** The zones that get wet; all of them where nothing is said. */
  zones?: readonly Zone[]
  /** How zones are to lie when they are dry. */
  styling?: Way['styling']
}

/** Whether a zone gets wet. */
export const wet = ({ zones }: Pick<DryingFacts, 'zones'>, zone: Zone): boolean => zones?.includes(zone) ?? true

/** Share of the whole dog's water that is in the zones that get wet. */
export function wetShare({ coat, zones }: Pick<DryingFacts, 'coat' | 'zones'>): number {
  if (!zones || zones.length === ZONES.length) return 1
  const shares = zoneWaterShares(coat.coat)
  return zones.reduce((sum, zone) => sum + shares[zone], 0)
}
