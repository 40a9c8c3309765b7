import { FURNISHINGS, type CoatType, type Zone } from '../dog'
import type { Technique } from './technique'

/** Which way the air goes over a zone. */
export type Direction =
  | 'withTheLie'
  | 'anyDirection'
  | 'straightFromSkin'
  | 'downTheLie'
  | 'flatOnTheBody'
  | 'straightDown'
  | 'cordByCord'
  | 'patted'
  | 'awayFromEyes'
  | 'byItself'

/** What nozzle is on the hose. */
export type Nozzle = 'none' | 'off' | 'gentle' | 'flat' | 'wide'

/** How a zone is dried. `mind`: the zone has a caution of its own. */
export interface ZoneAdvice {
  direction: Direction
  nozzle: Nozzle
  mind: boolean
}

const DIRECTIONS: Record<CoatType, Direction> = {
  smooth: 'withTheLie',
  'short double': 'anyDirection',
  'long double': 'anyDirection',
  wire: 'withTheLie',
  curly: 'straightFromSkin',
  drop: 'downTheLie',
  feathered: 'flatOnTheBody',
  corded: 'cordByCord',
  hairless: 'patted',
}
const MINDED: readonly Zone[] = ['head', 'ears', 'belly', 'tail', 'forelegs', 'hindlegs', 'feet']

/** Direction, nozzle and whether to mind something, for one zone of a coat. */
export function zoneAdvice(coat: CoatType, zone: Zone, technique: Technique): ZoneAdvice {
  const mind = MINDED.includes(zone)
  if (technique === 'fan' || technique === 'air') return { direction: 'byItself', nozzle: 'none', mind }
  if (zone === 'head' || zone === 'ears') return { direction: 'awayFromEyes', nozzle: 'off', mind }
  const direction = coat === 'feathered' && FURNISHINGS.includes(zone) ? 'straightDown' : DIRECTIONS[coat]
  if (coat === 'drop' || coat === 'corded') return { direction, nozzle: 'gentle', mind }
  const fast = technique === 'velocity, then brush' || technique === 'velocity'
  return { direction, nozzle: fast ? 'flat' : 'wide', mind }
}
