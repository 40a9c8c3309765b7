import { z } from 'zod'
import { Skin } from './condition'
import { CoatType } from './coats'
import { Zone } from './zones'

/** How a coat is dried. */
export const Technique = z.enum([
  'velocity, then brush',
  'velocity',
  'warm brush',
  'fan',
  'fan, then brush',
  'brush, then air',
  'air',
])
export type Technique = z.infer<typeof Technique>

/** What a dog comes for. It sets which steps there are; `own`: only what the groomer adds. */
export const Service = z.enum(['bath', 'bathAndTidy', 'deShed', 'fullClip', 'haircut', 'nailsAndEars', 'own'])
export type Service = z.infer<typeof Service>
/** Whether a dog is bathed for what it comes for. */
export const bathes = (service: Service): boolean => !['haircut', 'nailsAndEars', 'own'].includes(service)
/** Whether its coat is cut all over. */
export const cutsAll = (service: Service): boolean => service === 'fullClip' || service === 'haircut'

/** Words by which people write down what a dog comes for, the most work first: "full groom" is more than its bath. */
const SERVICE_WORDS: readonly (readonly [Service, RegExp])[] = [
  ['haircut', /\b(hair ?cut|clip(ping)?|cut) only\b|\bdry (hair ?cut|clip|cut)\b|\bno bath\b/i],
  ['fullClip', /\b(full (clip|groom|cut)|clip(ping)?|hair ?cut)\b/i],
  ['deShed', /\bde-?shed(ding)?\b/i],
  ['bathAndTidy', /\b(tidy|trim)\b/i],
  ['bath', /\b(bath|wash)\b/i],
  ['nailsAndEars', /\b(nails?|ears?)\b/i],
]
/** What a dog comes for by the words of a booking: "Fig, full clip"; null where they don't say. */
export const serviceIn = (words: string): Service | null =>
  SERVICE_WORDS.find(([, pattern]) => pattern.test(words))?.[0] ?? null

/** With what a coat is cut: a blade on the skin, a blade under a comb, or scissors. */
export const ClipTool = z.enum(['blade', 'comb', 'scissors'])
export type ClipTool = z.infer<typeof ClipTool>

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

/** Why something is done one's own way; may be left empty. */
export const OwnReason = z.string().trim().max(200, 'Keep the reason to 200 characters.').default('')

/** A number of the user's own in place of a reckoned one, as it is stored. */
export const OwnNumber = z.object({
  target: OverrideTarget,
  value: z.number({ error: 'Give a number.' }),
  reason: OwnReason,
})
export type OwnNumber = z.infer<typeof OwnNumber>

const StepId = z.string().min(1).max(60)
const Minutes = z.number({ error: 'Give a number.' })

/** Minutes of the user's own for one step of the visit, as they are stored. */
export const StepMinutes = z.object({ step: StepId, minutes: Minutes, reason: OwnReason })

/** The passes of a wash that take a product. */
export const PassName = z.enum(['clean', 'treat', 'mild', 'conditioner'])
export type PassName = z.infer<typeof PassName>

/**
 * A product of the user's own choice for a pass, on some zones (none: wherever the pass goes), thinned in a ratio of its
 * own where one is given (parts of water to one; null: as everywhere). A label or allergy still forbids it.
 */
export const OwnProduct = z.object({
  pass: PassName,
  productId: z.string().min(1).max(80),
  zones: z.array(Zone).max(9).default([]),
  ratio: z
    .number()
    .min(0, 'Give 0 to 512 parts of water.')
    .max(512, 'Give 0 to 512 parts of water.')
    .nullable()
    .default(null),
  reason: OwnReason,
})
export type OwnProduct = z.infer<typeof OwnProduct>

/** A step that isn't done. */
export const SkippedStep = z.object({ step: StepId, reason: OwnReason })
export type SkippedStep = z.infer<typeof SkippedStep>

/**
 * A step of the groomer's own: where, for how long, with hands or the dog alone, perhaps with a product on some zones;
 * or work without the dog, which waits meanwhile or has gone. It comes after another step.
 */
export const AddedStep = z.object({
  id: z.string().regex(/^own-[\w-]{1,40}$/),
  name: z.string().trim().min(1, 'Give the step a name.').max(60, 'Keep the name to 60 characters.'),
  minutes: Minutes.min(0.5, 'A step takes half a minute at least.').max(240, 'A step takes up to 240 minutes.'),
  place: z.enum(['table', 'tub', 'crate']),
  hands: z.boolean().default(true),
  dog: z.boolean().default(true),
  after: StepId,
  zones: z.array(Zone).max(9).default([]),
  productId: z.string().min(1).max(80).nullable().default(null),
})
export type AddedStep = z.infer<typeof AddedStep>

/** A step that is done elsewhere in the visit: right after another. */
export const MovedStep = z.object({ step: StepId, after: StepId })
export type MovedStep = z.infer<typeof MovedStep>

/** How a zone is to lie when it is dry. */
export const Styling = z.enum(['lift', 'flat', 'against', 'damp'])
export type Styling = z.infer<typeof Styling>

/** The length that may be left where a coat is cut, cm. */
export const CLIP_CM = { least: 0.05, most: 15 }

/** Everything about a visit that is the groomer's own way and not reckoned. */
export const Way = z.object({
  service: Service.default('bath'),
  /** The length wanted, cm, where the coat is cut; null: a short one. */
  clipCm: z
    .number()
    .min(CLIP_CM.least, 'Give 0.05 to 15 cm.')
    .max(CLIP_CM.most, 'Give 0.05 to 15 cm.')
    .nullable()
    .default(null),
  clipTool: ClipTool.default('comb'),
  overrides: z.array(OwnNumber).max(20).default([]),
  minutes: z.array(StepMinutes).max(40).default([]),
  technique: Technique.nullable().default(null),
  products: z.array(OwnProduct).max(12).default([]),
  skipped: z.array(SkippedStep).max(20).default([]),
  added: z.array(AddedStep).max(20, 'Keep at most 20 steps of your own.').default([]),
  moved: z.array(MovedStep).max(20).default([]),
  /** Steps that are done in two halves, with the second right after the first until it is moved. */
  split: z.array(StepId).max(10).default([]),
  styling: z.partialRecord(Zone, Styling).default({}),
  /** What is done though it was done lately. */
  anyway: z.array(StepId).max(8).default([]),
  /** With which blade or comb a zone is cut, as the groomer calls it. */
  cut: z.partialRecord(Zone, z.string().trim().min(1).max(30, 'Keep each to 30 characters.')).default({}),
})
export type Way = z.infer<typeof Way>

/** A way in which nothing is one's own. */
export const NO_WAY: Way = Way.parse({})

/** What of a way may be kept for always: one dog's, or the house's when something holds. */
export const HouseHabit = z.object({
  id: z.string().min(1).max(60),
  /** Skin that any part of the dog has that day, and its coat; null: any. */
  skin: Skin.nullable().default(null),
  coat: CoatType.nullable().default(null),
  way: Way,
})
export type HouseHabit = z.infer<typeof HouseHabit>
