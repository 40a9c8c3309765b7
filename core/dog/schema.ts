import { z } from 'zod'
import { amountIn } from '../range'
import { constants, house, practice } from '../constants'
import { COATS, CoatType, Density, type Coat, isDouble } from './coats'
import { Price } from '../price'
import { OwnRules } from '../rules'
import { Condition } from './condition'
import { Build, Muzzle, Shade, Tail } from './looks'
import { SURFACE } from './surface'
import { Way } from './way'
import { Zone, ZONES, ZONE_SHARES } from './zones'

/** How the ear flap hangs. */
export const EarCarriage = z.enum(['erect', 'semi', 'drop'])
export type EarCarriage = z.infer<typeof EarCarriage>

/** How a dog takes the visit: sets the pace of every hands-on step. */
export const Mood = z.enum(['calm', 'wary', 'anxious'])
export type Mood = z.infer<typeof Mood>

/** Where a dog is in its life, as far as washing goes. */
export const Stage = z.enum(['puppy', 'adult', 'senior'])
export type Stage = z.infer<typeof Stage>

/** What is lifted by a vet's word, so far as stops of this app go. */
export const ClearanceCover = z.enum(['left ear', 'right ear', 'skin', 'wounds', 'whole visit'])
export type ClearanceCover = z.infer<typeof ClearanceCover>

/** A real calendar date in ISO form, "2026-11-24". */
export const Day = z.iso.date({ error: 'Give a date as year-month-day, for example 2026-11-24.' })

/** A vet's word that lifts a stop: who said it, when, what it covers and until when. */
export const Clearance = z.object({
  by: z.string().trim().min(1, 'Say who gave the clearance.').max(80, 'Keep it under 80 characters.'),
  on: Day,
  covers: ClearanceCover,
  until: Day,
})
export type Clearance = z.infer<typeof Clearance>

/** A dog's weight in kg, within the range of the surface table. */
export const WeightKg = amountIn('weight', 'weight', SURFACE.smallest.value, SURFACE.largest.value)

const LengthCm = amountIn('coatLength', 'length', 0.1, 60)

/** Things a dog may fear in a visit. */
export const Fear = z.enum(['water', 'face', 'feet', 'tail', 'ears', 'brush', 'dryer', 'crate', 'strangers'])
export type Fear = z.infer<typeof Fear>

const shortText = (most: number) => z.string().trim().max(most, `Keep it to ${most} characters.`).default('')

/** Lines of one's own in a list, a few words each. */
export const OwnLines = z
  .array(z.string().trim().min(1).max(60, 'Keep each to 60 characters.'))
  .max(20, 'Keep at most 20.')
  .default([])

/** How many colours dogs are told apart by. A dog is given one when first entered and keeps it for life. */
export const COLOURS = 8

/** What the record says of a dog. Weights in kg, lengths in cm. */
export const Dog = z.object({
  name: z
    .string({ error: 'Give the dog a name.' })
    .trim()
    .min(1, 'Give the dog a name.')
    .max(80, 'Keep the name to 80 characters.'),
  breed: z.string().trim().max(80, 'Keep the breed to 80 characters.').default(''),
  sex: z.enum(['female', 'male', 'unknown']).default('unknown'),
  born: Day.nullable().default(null),
  stage: Stage.default('adult'),
  weightKg: WeightKg,
  coat: CoatType,
  coatLengthCm: LengthCm.nullable().default(null),
  zoneLengthsCm: z.partialRecord(Zone, LengthCm).default({}),
  density: Density.default('usual'),
  /** Whether it sheds an undercoat; null: as its coat does. */
  undercoat: z.boolean().nullable().default(null),
  white: z.boolean().default(false),
  build: Build.default('usual'),
  /** How it looks where its breed doesn't say so, or says otherwise. */
  tail: Tail.nullable().default(null),
  muzzle: Muzzle.nullable().default(null),
  shade: Shade.nullable().default(null),
  shortNose: z.boolean().default(false),
  thinSkin: z.boolean().default(false),
  folds: z.boolean().default(false),
  earCarriage: EarCarriage.default('semi'),
  earHair: z.boolean().default(false),
  outdoors: z.boolean().default(false),
  mood: Mood.default('calm'),
  fears: z.array(Fear).max(9).default([]),
  mayBite: z.boolean().default(false),
  muzzleConsent: z.boolean().default(false),
  rescue: z.boolean().default(false),
  firstBath: z.boolean().default(false),
  plugsTolerated: z.boolean().default(true),
  topknot: z.boolean().default(false),
  earTrouble: z.boolean().default(false),
  allergies: z
    .array(z.string().trim().min(1).max(40, 'Keep each to 40 characters.'))
    .max(20, 'Keep at most 20.')
    .default([]),
  pregnant: z.boolean().default(false),
  seizures: z.boolean().default(false),
  heart: z.boolean().default(false),
  windpipe: z.boolean().default(false),
  joints: z.boolean().default(false),
  blind: z.boolean().default(false),
  deaf: z.boolean().default(false),
  known: Condition.default(Condition.parse({})),
  /** What is always done this dog's way; null: nothing. */
  usual: Way.nullable().default(null),
  clearances: z.array(Clearance).max(50, 'Keep at most 50 clearances.').default([]),
  colour: z
    .number()
    .int()
    .min(0)
    .max(COLOURS - 1)
    .nullable()
    .default(null),
  rules: OwnRules.default({}),
  /** What a vaccination against rabies, or another that the place asks for, holds until; null: not known. */
  vaccinatedUntil: Day.nullable().default(null),
  learnFrom: Day.nullable().default(null),
  /** What is laid out for it beside the usual. */
  layOut: OwnLines,
  owner: shortText(120),
  ownerContact: shortText(200),
  /** Whom to reach when the owner can't be. */
  secondContact: shortText(200),
  /** What is agreed for its usual visit; null: nothing is. */
  price: Price.nullable().default(null),
  vet: shortText(120),
  vetContact: shortText(200),
  consent: shortText(1000),
  notes: z.string().max(4000, 'Keep the notes to 4000 characters.').default(''),
})
export type Dog = z.infer<typeof Dog>

/** Ages at which a dog counts as a puppy or a senior. */
export const AGES = constants({
  puppyWeeks: practice(26, 'weeks', [20, 52]),
  seniorYears: practice(10, 'years', [8, 12]),
  seniorYearsLarge: practice(8, 'years', [6, 9]),
  large: practice(25, 'kg', [20, 35]),
  puppyCoat: house(0.4, 'share of the grown length', [0.25, 0.6]),
})

/** Days from one ISO date to another; negative when `on` lies before `from`. */
export const daysBetween = (from: string, on: string): number =>
  Math.round((Date.parse(on) - Date.parse(from)) / 86_400_000)

/** Whole weeks from one ISO date to another; negative when `on` lies before `born`. */
export function ageInWeeks(born: string, on: string): number {
  return Math.floor((Date.parse(on) - Date.parse(born)) / (7 * 24 * 3600 * 1000))
}

/** Puppy, adult or senior on a day: by the date of birth when it is known, else as recorded. */
export function stageOn(dog: Pick<Dog, 'born' | 'stage' | 'weightKg'>, on: string): Stage {
  if (!dog.born) return dog.stage
  const weeks = ageInWeeks(dog.born, on)
  if (weeks < AGES.puppyWeeks.value) return 'puppy'
  const senior = dog.weightKg > AGES.large.value ? AGES.seniorYearsLarge.value : AGES.seniorYears.value
  return weeks >= senior * 52 ? 'senior' : 'adult'
}

/**
 * The coat of a record as the reckoning takes it. Where zones are kept at lengths of their own, the
 * length is the mean over the body by surface; zones without one have the coat's length, or its usual one.
 * A puppy's coat of unknown length is taken for 0.4 of the grown one.
 */
export function coatOf(
  dog: Pick<Dog, 'coat' | 'coatLengthCm' | 'zoneLengthsCm' | 'density'> & Partial<Pick<Dog, 'undercoat'>>,
  stage: Stage = 'adult',
): Coat {
  const { coat, coatLengthCm, zoneLengthsCm, density } = dog
  const { reference } = COATS.rows[coat]
  const known = coatLengthCm ?? (stage === 'puppy' && reference > 0 ? reference * AGES.puppyCoat.value : undefined)
  const usual = known ?? reference
  const puppy = stage === 'puppy' ? { puppy: true } : {}
  // a puppy's is to come
  const under = dog.undercoat === true && !isDouble(coat) && stage !== 'puppy' ? { undercoat: true } : {}
  if (Object.keys(zoneLengthsCm).length === 0 || usual === 0)
    return { coat, lengthCm: known, density, ...puppy, ...under }
  const lengthCm = ZONES.reduce((sum, zone) => sum + ZONE_SHARES.rows[zone].surface * (zoneLengthsCm[zone] ?? usual), 0)
  return { coat, lengthCm, density, ...puppy, ...under }
}

/** The mail address in how an owner is reached; undefined where there is none. */
export const mailOf = (contact: string): string | undefined => /[\w.+-]+@[\w-]+(?:\.[\w-]+)+/.exec(contact)?.[0]

/** The telephone number in how an owner is reached, as a link to call it wants it; undefined where there is none. */
export function telOf(contact: string): string | undefined {
  const found = /\+?\(?\d[\d\s()./-]{5,}\d/.exec(contact)
  return found?.[0].replace(/[^\d+]/g, '')
}
