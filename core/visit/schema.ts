import { z } from 'zod'
import { Condition, Day, Mood, WeightKg, type Dog } from '../dog'
import { Technique } from '../drying'
import type { Unit } from '../reckoned'
import { said } from '../said'
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
export const OverrideTarget = z.enum([
  'ratio',
  'volume',
  'water',
  'rinse',
  'passes',
  'firstContact',
  'contact',
  'conditioner',
  'drying',
  'distance',
  'towels',
  'earMl',
])
export type OverrideTarget = z.infer<typeof OverrideTarget>

/** What may be given for each, in its unit: mL of mix for the whole dog, mL of cleaner in each ear and round. The water's limits are the bath's own. */
export const OVERRIDE_LIMITS: Record<OverrideTarget, { unit: Unit; least: number; most: number }> = {
  ratio: { unit: 'parts water', least: 0, most: 512 },
  volume: { unit: 'mL', least: 5, most: 20_000 },
  water: { unit: '°C', least: WATER.coolest.value, most: WATER.warmest.value },
  rinse: { unit: 'min', least: 0.5, most: 60 },
  passes: { unit: 'passes', least: 1, most: 12 },
  firstContact: { unit: 'min', least: 0, most: 60 },
  contact: { unit: 'min', least: 0, most: 60 },
  conditioner: { unit: 'min', least: 0, most: 60 },
  drying: { unit: 'min', least: 1, most: 600 },
  distance: { unit: 'm', least: 0.05, most: 1.5 },
  towels: { unit: 'towels', least: 0, most: 20 },
  earMl: { unit: 'mL', least: 0.1, most: 10 },
}

declare module '../said' {
  interface Codes {
    'own.outside': { target: OverrideTarget | 'step'; least: number; most: number; unit: Unit }
  }
}

const OwnReason = z.string().trim().max(200, 'Keep the reason to 200 characters.').default('')

/** A number of the user's own in place of a reckoned one; the reason is optional. */
export const Override = z
  .object({ target: OverrideTarget, value: z.number({ error: 'Give a number.' }), reason: OwnReason })
  .superRefine(({ target, value }, context) => {
    const { least, most, unit } = OVERRIDE_LIMITS[target]
    if (value >= least && value <= most) return
    const params = said('own.outside', { target, least, most, unit })
    context.addIssue({ code: 'custom', path: ['value'], message: params.code, params })
  })
export type Override = z.infer<typeof Override>

const STEP_MOST = 600

/** Minutes of the user's own for one step of the visit. */
export const OwnMinutes = z
  .object({ step: z.string().min(1).max(40), minutes: z.number({ error: 'Give a number.' }), reason: OwnReason })
  .superRefine(({ minutes }, context) => {
    if (minutes >= 0 && minutes <= STEP_MOST) return
    const params = said('own.outside', { target: 'step', least: 0, most: STEP_MOST, unit: 'min' })
    context.addIssue({ code: 'custom', path: ['minutes'], message: params.code, params })
  })
export type OwnMinutes = z.infer<typeof OwnMinutes>

/** The passes of a wash that take a product. */
export const PassName = z.enum(['clean', 'treat', 'mild', 'conditioner'])
export type PassName = z.infer<typeof PassName>

/** A product of the user's own choice for a pass, with the reason. A label or allergy still forbids it. */
export const OwnProduct = z.object({
  pass: PassName,
  productId: z.string().min(1).max(80),
  reason: OwnReason,
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
  overrides: z.array(Override).max(20).default([]),
  minutes: z.array(OwnMinutes).max(40).default([]),
  technique: Technique.nullable().default(null),
  products: z.array(OwnProduct).max(4).default([]),
})
export type Today = z.infer<typeof Today>

/** Today as the record expects it, before the hands have found anything. */
export function todayFromRecord(dog: Dog, date: string): Today {
  return Today.parse({ ...dog.known, date })
}
