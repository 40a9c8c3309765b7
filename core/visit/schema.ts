import { z } from 'zod'
import { Condition, Day, Mood, WeightKg, type Dog } from '../dog'
import { Technique } from '../drying'
import { say } from '../units'
import { WATER } from '../water'

/** Signs on the whole dog that end the visit before it begins. */
export const HealthSign = z.enum([
  'collapse',
  'heat stress',
  'laboured breathing',
  'suspected ringworm',
  'suspected scabies',
])
export type HealthSign = z.infer<typeof HealthSign>

/** The numbers of a recipe that the user may replace by their own. */
export const OverrideTarget = z.enum(['ratio', 'water', 'rinse', 'contact', 'drying'])
export type OverrideTarget = z.infer<typeof OverrideTarget>

/** What may be given for each, and in what unit. The water's limits are the bath's own. */
export const OVERRIDE_LIMITS: Record<OverrideTarget, { unit: string; least: number; most: number; what: string }> = {
  ratio: { unit: 'parts water', least: 0, most: 512, what: 'parts of water to one of product' },
  water: { unit: '°C', least: WATER.coolest.value, most: WATER.warmest.value, what: 'bath temperature' },
  rinse: { unit: 'min', least: 0.5, most: 60, what: 'minutes of the last rinse' },
  contact: { unit: 'min', least: 0, most: 60, what: 'minutes the last shampoo stays on' },
  drying: { unit: 'min', least: 1, most: 600, what: 'minutes of drying' },
}

/** A number of the user's own in place of a reckoned one, with the reason. */
export const Override = z
  .object({
    target: OverrideTarget,
    value: z.number({ error: 'Give a number.' }),
    reason: z
      .string()
      .trim()
      .min(1, 'Say why, in a few words: it is kept with the number.')
      .max(200, 'Keep the reason to 200 characters.'),
  })
  .superRefine(({ target, value }, context) => {
    const { least, most, unit, what } = OVERRIDE_LIMITS[target]
    if (value >= least && value <= most) return
    context.addIssue({
      code: 'custom',
      path: ['value'],
      message: `Give ${what} from ${say(least)} to ${say(most)} ${unit}.`,
    })
  })
export type Override = z.infer<typeof Override>

/** The passes of a wash that take a product. */
export const PassName = z.enum(['clean', 'treat', 'mild', 'conditioner'])
export type PassName = z.infer<typeof PassName>

/** A product of the user's own choice for a pass, with the reason. A label or allergy still forbids it. */
export const OwnProduct = z.object({
  pass: PassName,
  productId: z.string().min(1).max(80),
  reason: z
    .string()
    .trim()
    .min(1, 'Say why, in a few words: it is kept with the choice.')
    .max(200, 'Keep the reason to 200 characters.'),
})
export type OwnProduct = z.infer<typeof OwnProduct>

/** The dog as it is today: what the hands find before the bath, and the user's own numbers. */
export const Today = Condition.extend({
  date: Day,
  weightKg: WeightKg.nullable().default(null),
  wounds: z.enum(['none', 'small', 'wide']).default('none'),
  health: z.array(HealthSign).max(5).default([]),
  biteRisk: z.boolean().default(false),
  helper: z.boolean().default(false),
  mood: Mood.nullable().default(null),
  overrides: z.array(Override).max(10).default([]),
  technique: Technique.nullable().default(null),
  products: z.array(OwnProduct).max(4).default([]),
})
export type Today = z.infer<typeof Today>

/** Today as the record expects it, before the hands have found anything. */
export function todayFromRecord(dog: Dog, date: string): Today {
  return Today.parse({ ...dog.known, date })
}
