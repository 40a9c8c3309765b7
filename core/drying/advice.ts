import { FURNISHINGS, type CoatType, type Styling, type Zone } from '../dog'
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
  | 'againstTheLie'
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
/** Which way the air goes where a zone is to lie in a certain way. */
const STYLED: Partial<Record<Styling, Direction>> = {
  lift: 'straightFromSkin',
  flat: 'downTheLie',
  against: 'againstTheLie',
}
const MINDED: readonly Zone[] = ['head', 'ears', 'belly', 'tail', 'forelegs', 'hindlegs', 'feet']

/** Direction, nozzle and whether to mind something, for one zone of a coat; `styling`: how the groomer wants it to lie. */
export function zoneAdvice(coat: CoatType, zone: Zone, technique: Technique, styling?: Styling): ZoneAdvice {
  const mind = MINDED.includes(zone)
  if (technique === 'fan' || technique === 'air') return { direction: 'byItself', nozzle: 'none', mind }
  if (zone === 'head' || zone === 'ears') return { direction: 'awayFromEyes', nozzle: 'off', mind }
  const wished = styling && STYLED[styling]
  if (wished) return { direction: wished, nozzle: styling === 'flat' ? 'gentle' : 'wide', mind }
  const direction = coat === 'feathered' && FURNISHINGS.includes(zone) ? 'straightDown' : DIRECTIONS[coat]
  if (coat === 'drop' || coat === 'corded') return { direction, nozzle: 'gentle', mind }
  const fast = technique === 'velocity, then brush' || technique === 'velocity'
  return { direction, nozzle: fast ? 'flat' : 'wide', mind }
}
