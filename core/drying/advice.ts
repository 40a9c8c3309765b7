import type { CoatType, Zone } from '../dog'
import type { Technique } from './technique'

/** How a zone is dried, in a few words each. */
export interface ZoneAdvice {
  direction: string
  nozzle: string
  caution?: string
}

const DIRECTIONS: Record<CoatType, string> = {
  smooth: 'with the lie',
  'short double': 'any direction, air at the skin',
  'long double': 'any direction, air at the skin: it splits the coat',
  wire: 'with the lie',
  curly: 'brushed straight from the skin; what dries by itself stays crimped',
  drop: 'downwards with the lie, section by section',
  feathered: 'flat on the body, with the lie',
  corded: 'cord by cord, squeezed first',
  hairless: 'patted, not rubbed',
}

const CAUTIONS: Partial<Record<Zone, string>> = {
  head: 'never into eyes or nose; free hand between air and eye',
  ears: 'never into the canal; hold the flap shut over it',
  belly: 'not on the genitals; groin and teats by hand',
  tail: 'never at the anus; to the root',
  forelegs: 'armpits stay damp: lift the leg forward',
  hindlegs: 'inner thighs stay damp',
  feet: 'between the toes',
}

const FURNISHED: readonly Zone[] = ['ears', 'belly', 'forelegs', 'hindlegs', 'tail']

/** Direction, nozzle and the caution for one zone of a coat. */
export function zoneAdvice(coat: CoatType, zone: Zone, technique: Technique): ZoneAdvice {
  const caution = CAUTIONS[zone]
  if (technique === 'fan' || technique === 'air')
    return { direction: 'by itself; combed through now and then', nozzle: 'none', caution }
  const direction = coat === 'feathered' && FURNISHED.includes(zone) ? 'straight and downwards' : DIRECTIONS[coat]
  if (zone === 'head' || zone === 'ears')
    return { direction: 'away from the eyes, with the lie', nozzle: 'off', caution }
  const nozzle =
    coat === 'drop' || coat === 'corded'
      ? 'none: gentle air that pushes, not whips'
      : technique === 'velocity, then brush'
        ? 'flat and wide'
        : 'wide'
  return { direction, nozzle, caution }
}
