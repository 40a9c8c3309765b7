import { z } from 'zod'
import { byZone, Zone, ZONES, ZONE_SHARES } from './zones'

/** What the skin is like; several can be true at once. An empty list means nothing found. */
export const Skin = z.enum(['dry', 'greasy', 'itchy', 'flea-bitten', 'sensitive', 'inflamed', 'broken', 'vet-treated'])
export type Skin = z.infer<typeof Skin>

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
  skin: z.array(Skin).max(8).default([]),
  soil: Soil.default('usual'),
  mats: Mats.default({}),
  shedding: z.boolean().default(false),
  stained: z.array(Zone).max(9).default([]),
  fleas: z.boolean().default(false),
  leftEar: EarLook.default(SOUND_EAR),
  rightEar: EarLook.default(SOUND_EAR),
})
export type Condition = z.infer<typeof Condition>
