import { z } from 'zod'
import type { ConstantGrid } from '../constants'
import type { CoatType } from './coats'

/** The zones of the body, as the hands meet them. */
export const Zone = z.enum(['head', 'ears', 'neck', 'back', 'belly', 'forelegs', 'hindlegs', 'feet', 'tail'])
export type Zone = z.infer<typeof Zone>
export const ZONES: readonly Zone[] = Zone.options

/** The furnishings: the longer hair of a feathered or wire dog, and where texture is not wanted. */
export const FURNISHINGS: readonly Zone[] = ['ears', 'belly', 'forelegs', 'hindlegs', 'tail']

/** What gets dirty first and is washed alone where the whole dog would be too much: legs, belly and tail. */
export const LOWER: readonly Zone[] = ['belly', 'forelegs', 'hindlegs', 'feet', 'tail']

/** Zones that a left and a right can be told apart on. */
export const SIDED_ZONES: readonly Zone[] = ['ears', 'neck', 'back', 'forelegs', 'hindlegs', 'feet']

/** Which side of a zone something is on. */
export const Side = z.enum(['both', 'left', 'right'])
export type Side = z.infer<typeof Side>

/** One value for every zone. */
export function byZone<T>(of: (zone: Zone) => T): Record<Zone, T> {
  return Object.fromEntries(ZONES.map((zone) => [zone, of(zone)])) as Record<Zone, T>
}

const share = { unit: 'share', kind: 'house', source: 'estimate chosen for Juvant' } as const

/** Share of the body's surface in each zone; they add up to 1. */
export const ZONE_SHARES: ConstantGrid<Zone, 'surface'> = {
  columns: { surface: share },
  rows: {
    head: { surface: 0.09 },
    ears: { surface: 0.03 },
    neck: { surface: 0.12 },
    back: { surface: 0.28 },
    belly: { surface: 0.12 },
    forelegs: { surface: 0.12 },
    hindlegs: { surface: 0.16 },
    feet: { surface: 0.05 },
    tail: { surface: 0.03 },
  },
}

const even = byZone(() => 1)

/** How much more or less water than its share a zone holds, by coat: furnishings hold more. */
export const ZONE_HOLD: ConstantGrid<CoatType, Zone> = {
  columns: byZone(() => ({ ...share, unit: 'factor' })),
  rows: {
    smooth: even,
    hairless: even,
    'short double': { ...even, head: 0.6, ears: 0.6, neck: 1.1, hindlegs: 1.1, feet: 0.7, tail: 1.2 },
    'long double': { ...even, head: 0.4, ears: 0.6, neck: 1.3, hindlegs: 1.2, feet: 0.6, tail: 1.6 },
    wire: { ...even, head: 1.2, forelegs: 1.2, hindlegs: 1.1, feet: 1.1 },
    curly: { ...even, ears: 1.3, head: 1.1, forelegs: 1.1, hindlegs: 1.1 },
    drop: { ...even, ears: 1.5, head: 1.2, belly: 1.2, forelegs: 1.2, hindlegs: 1.2, tail: 1.5 },
    feathered: { ...even, head: 0.5, ears: 2, back: 0.7, belly: 1.5, forelegs: 1.4, hindlegs: 1.4, tail: 2.2 },
    corded: { ...even, head: 0.8, feet: 0.8 },
  },
}

/**
 * The share of a dog's water that stands in each zone: surface share times the coat's multiplier,
 * scaled so that the shares add up to 1 and the dog's total is unchanged.
 */
export function zoneWaterShares(coat: CoatType): Readonly<Record<Zone, number>> {
  return WATER_SHARES[coat]
}

function waterShares(coat: CoatType): Readonly<Record<Zone, number>> {
  const weighed = byZone((zone) => ZONE_SHARES.rows[zone].surface * ZONE_HOLD.rows[coat][zone])
  const total = ZONES.reduce((all, zone) => all + weighed[zone], 0)
  return byZone((zone) => weighed[zone] / total)
}

/** Share of the body's surface that some zones make, 0 to 1. */
export function surfaceShare(zones: readonly Zone[]): number {
  return zones.reduce((sum, zone) => sum + ZONE_SHARES.rows[zone].surface, 0)
}

const WATER_SHARES = Object.fromEntries(
  (Object.keys(ZONE_HOLD.rows) as CoatType[]).map((coat) => [coat, waterShares(coat)]),
) as Record<CoatType, Readonly<Record<Zone, number>>>
