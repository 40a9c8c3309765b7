import { z } from 'zod'
import { constants, house } from '../constants'
import { byZone, Side, SIDED_ZONES, Zone, ZONES, ZONE_SHARES } from './zones'

/** What the skin is like; several can be true at once. An empty list means nothing found. */
export const Skin = z.enum(['dry', 'greasy', 'itchy', 'flea-bitten', 'sensitive', 'inflamed', 'broken', 'vet-treated'])
export type Skin = z.infer<typeof Skin>

/** A place of the body and what its skin is like there. `both` sides, or where a left and a right are told apart, one. */
export const SkinPlace = z.object({
  zone: Zone,
  side: Side.default('both'),
  skin: z.array(Skin).min(1, 'Say what the skin is like there.').max(8),
})
export type SkinPlace = z.infer<typeof SkinPlace>

/** How dirty the dog is. */
export const Soil = z.enum(['light', 'usual', 'filthy'])
export type Soil = z.infer<typeof Soil>

/** Signs that leave an ear to the vet: no cleaner, no plucking. */
export const EarSign = z.enum([
  'bad smell',
  'discharge',
  'flaming red',
  'swelling',
  'pain on touch',
  'shaking or scratching',
  'dark crumbs',
  'growth',
  'wound',
  'known infection',
])
export type EarSign = z.infer<typeof EarSign>

/** What one ear looks like. `wax` from 0 none to 3 full. */
export const EarLook = z.object({
  signs: z.array(EarSign).max(10).default([]),
  wax: z.number().int().min(0).max(3, 'Wax runs from 0 to 3.').default(0),
  moist: z.boolean().default(false),
  hairBlocks: z.boolean().default(false),
})
export type EarLook = z.infer<typeof EarLook>

/** An ear with nothing to note. */
export const SOUND_EAR: EarLook = { signs: [], wax: 0, moist: false, hairBlocks: false }

/** Mats in one zone: 0 none, 1 a few small ones, 2 many, 3 felted to the skin. */
export const MatScore = z
  .number({ error: 'Mats run from 0 to 3.' })
  .int()
  .min(0, 'Mats run from 0 to 3.')
  .max(3, 'Mats run from 0 to 3.')

/** Mats by zone; a zone left out has none. */
export const Mats = z.partialRecord(Zone, MatScore)
export type Mats = z.infer<typeof Mats>

/** The worst score of any zone, 0 to 3. */
export function worstMats(mats: Mats): number {
  return ZONES.reduce((worst, zone) => Math.max(worst, mats[zone] ?? 0), 0)
}

/** The mean score over the whole body, by surface: what mats cost in brushing, 0 to 3. `only` leaves other scores out. */
export function meanMats(mats: Mats, only: (score: number) => boolean = () => true): number {
  return ZONES.reduce((sum, zone) => {
    const score = mats[zone] ?? 0
    return only(score) ? sum + score * ZONE_SHARES.rows[zone].surface : sum
  }, 0)
}

/** The same score in every zone. */
export function matsEverywhere(score: number): Mats {
  return byZone(() => score)
}

/** The state of coat, skin and ears: from the record before a visit, from the hands on the day. */
export const Condition = z.object({
  /** What the skin is like all over. */
  skin: z.array(Skin).max(8).default([]),
  /** And what it is like in places. */
  skinAt: z.array(SkinPlace).max(27).default([]),
  soil: Soil.default('usual'),
  mats: Mats.default({}),
  shedding: z.boolean().default(false),
  stained: z.array(Zone).max(9).default([]),
  fleas: z.boolean().default(false),
  leftEar: EarLook.default(SOUND_EAR),
  rightEar: EarLook.default(SOUND_EAR),
})
export type Condition = z.infer<typeof Condition>

/** From which share of the body on a condition in places counts as one of the whole dog. */
export const SKIN = constants({
  wide: house(0.35, 'share of the surface', [0.2, 0.5]),
})

/** Skin that nothing goes on but what a vet ordered. */
export const SORE: readonly Skin[] = ['broken', 'inflamed']

/** Skin that wants the mildest product and the strictest rinse, the most delicate first. */
export const TENDER: readonly Skin[] = ['broken', 'inflamed', 'itchy', 'sensitive', 'flea-bitten', 'dry']

/** The skin of a day: all over, and zone by zone with what is all over in each. */
export interface SkinMap {
  whole: readonly Skin[]
  zones: Readonly<Record<Zone, readonly Skin[]>>
}

const shareOf = ({ zone, side }: SkinPlace) =>
  ZONE_SHARES.rows[zone].surface * (side !== 'both' && SIDED_ZONES.includes(zone) ? 0.5 : 1)

/**
 * The skin of a dog on a day. A wound whose place isn't said is taken for the whole dog; a condition in places
 * that cover more than 0.35 of the surface counts as all over.
 */
export function skinMap({
  skin,
  skinAt,
  wounds = 'none',
}: Pick<Condition, 'skin' | 'skinAt'> & { wounds?: 'none' | 'small' | 'wide' }): SkinMap {
  const whole = new Set<Skin>(skin)
  if (wounds === 'wide' || (wounds === 'small' && !skinAt.some((p) => p.skin.includes('broken')))) whole.add('broken')
  for (const kind of Skin.options) {
    const share = skinAt.filter((p) => p.skin.includes(kind)).reduce((sum, p) => sum + shareOf(p), 0)
    if (share > SKIN.wide.value) whole.add(kind)
  }
  const everywhere = Skin.options.filter((s) => whole.has(s))
  return {
    whole: everywhere,
    zones: byZone((zone) => {
      const here = new Set([...everywhere, ...skinAt.filter((p) => p.zone === zone).flatMap((p) => p.skin)])
      return Skin.options.filter((s) => here.has(s))
    }),
  }
}

/** Everything that the skin has, anywhere. */
export function anySkin({ zones }: SkinMap): Skin[] {
  return Skin.options.filter((s) => ZONES.some((z) => zones[z].includes(s)))
}

/** The first of `kinds` that some skin has, or undefined. */
export const firstSkin = (skin: readonly Skin[], kinds: readonly Skin[]): Skin | undefined =>
  kinds.find((k) => skin.includes(k))

/** The zones in which the skin has any of `kinds`. */
export const zonesWith = ({ zones }: SkinMap, kinds: readonly Skin[]): Zone[] =>
  ZONES.filter((z) => firstSkin(zones[z], kinds) !== undefined)
