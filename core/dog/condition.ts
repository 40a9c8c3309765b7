import { z } from 'zod'

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

/** The state of coat, skin and ears: from the record before a visit, from the hands on the day. */
export const Condition = z.object({
  skin: z.array(Skin).max(8).default([]),
  soil: Soil.default('usual'),
  matScore: z.number().int().min(0).max(3, 'Mats run from 0 to 3.').default(0),
  shedding: z.boolean().default(false),
  stained: z.boolean().default(false),
  fleas: z.boolean().default(false),
  leftEar: EarLook.default(SOUND_EAR),
  rightEar: EarLook.default(SOUND_EAR),
})
export type Condition = z.infer<typeof Condition>
