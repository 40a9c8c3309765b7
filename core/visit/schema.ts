import { z } from 'zod'
import {
  anySkin,
  Condition,
  Day,
  Mood,
  OwnNumber,
  skinMap,
  StepMinutes,
  Way,
  WeightKg,
  type Dog,
  type HouseHabit,
  type OverrideTarget,
} from '../dog'
export { OwnProduct, OverrideTarget, PassName } from '../dog'
import type { Unit } from '../reckoned'
import { said } from '../said'
import { WATER } from '../water'
import { Brought } from './brought'

/** Signs on the whole dog that end the visit before it begins. */
export const HealthSign = z.enum([
  'collapse',
  'heat stress',
  'laboured breathing',
  'suspected ringworm',
  'suspected scabies',
])
export type HealthSign = z.infer<typeof HealthSign>

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

/** A number of the user's own in place of a reckoned one; the reason is optional. */
export const Override = OwnNumber.superRefine(({ target, value }, context) => {
  const { least, most, unit } = OVERRIDE_LIMITS[target]
  if (value >= least && value <= most) return
  const params = said('own.outside', { target, least, most, unit })
  context.addIssue({ code: 'custom', path: ['value'], message: params.code, params })
})
export type Override = z.infer<typeof Override>

const STEP_MOST = 600

/** Minutes of the user's own for one step of the visit. */
export const OwnMinutes = StepMinutes.superRefine(({ minutes }, context) => {
  if (minutes >= 0 && minutes <= STEP_MOST) return
  const params = said('own.outside', { target: 'step', least: 0, most: STEP_MOST, unit: 'min' })
  context.addIssue({ code: 'custom', path: ['minutes'], message: params.code, params })
})
export type OwnMinutes = z.infer<typeof OwnMinutes>

/** The dog as it is today: what the hands find before the bath, and the user's own numbers. */
export const Today = Condition.extend({
  date: Day,
  weightKg: WeightKg.nullable().default(null),
  wounds: z.enum(['none', 'small', 'wide']).default('none'),
  health: z.array(HealthSign).max(5).default([]),
  biteRisk: z.boolean().default(false),
  helper: z.boolean().default(false),
  mood: Mood.nullable().default(null),
  ...Way.shape,
  /** A shampoo that the owner brought; it is used in place of the shelf's. */
  brought: Brought.nullable().default(null),
  overrides: z.array(Override).max(20).default([]),
  minutes: z.array(OwnMinutes).max(40).default([]),
  /** Habits of the house that don't hold this time. */
  notThisTime: z.array(z.string().max(60)).max(50).default([]),
})
export type Today = z.infer<typeof Today>

/** What of a way stands within its limits; the rest of it is left out. */
function withinLimits(way: Way): Way {
  return {
    ...way,
    overrides: way.overrides.filter((o) => Override.safeParse(o).success),
    minutes: way.minutes.filter((m) => OwnMinutes.safeParse(m).success),
  }
}

/** Today as the record expects it, before the hands have found anything: with the way that is always this dog's. */
export function todayFromRecord(dog: Dog, date: string): Today {
  return Today.parse({ ...dog.known, ...(dog.usual ? withinLimits(dog.usual) : {}), date })
}

/** The groomer's own way in a day's facts. */
export const wayOf = (today: Today): Way => Way.parse(today)

/**
 * What of an earlier visit is usual again: how the coat and the skin were and what was done; not what is looked at anew
 * each time (weight, ears, fleas, wounds, illness, whether it may bite, the hands that help).
 */
export const asLastTime = (then: Today): Partial<Today> => {
  const { skin, skinAt, soil, shedding, mats, stained, mood } = then
  return { ...wayOf(then), skin, skinAt, soil, shedding, mats, stained, mood }
}

const byKey = <T>(house: readonly T[], own: readonly T[], key: (item: T) => string): T[] => [
  ...house.filter((h) => !own.some((o) => key(o) === key(h))),
  ...own,
]

/**
 * Today with the habits of the house that hold for it (by the dog's coat and the skin that any part of it has), but
 * those left away this time. What is said for this dog or today goes before a habit.
 */
export function withHabits(today: Today, dog: Dog, habits: readonly HouseHabit[]): Today {
  const skin = anySkin(skinMap(today))
  return habits
    .filter(
      (h) =>
        !today.notThisTime.includes(h.id) &&
        (h.skin === null || skin.includes(h.skin)) &&
        (h.coat === null || h.coat === dog.coat),
    )
    .reduce((now, { way: given }): Today => {
      const way = withinLimits(given)
      return {
        ...now,
        service: now.service === 'bath' ? way.service : now.service,
        technique: now.technique ?? way.technique,
        overrides: byKey(way.overrides, now.overrides, (o) => o.target),
        minutes: byKey(way.minutes, now.minutes, (m) => m.step),
        products: byKey(way.products, now.products, (p) => `${p.pass} ${p.zones.join()}`),
        skipped: byKey(way.skipped, now.skipped, (s) => s.step),
        added: byKey(way.added, now.added, (s) => s.id),
        moved: byKey(way.moved, now.moved, (m) => m.step),
        split: [...new Set([...way.split, ...now.split])],
        styling: { ...way.styling, ...now.styling },
        anyway: [...new Set([...way.anyway, ...now.anyway])],
        cut: { ...way.cut, ...now.cut },
      }
    }, today)
}

/** Whether today leaves a step out that other parts of the plan follow: a wash, the conditioner, the plugs, the face. */
export const leavesOut = (today: Pick<Today, 'skipped'>, step: string): boolean =>
  today.skipped.some((s) => s.step === step)
