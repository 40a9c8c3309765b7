import { z } from 'zod'
import { Price } from '../price'
import { BodyView, EarSign, FindingKind, Zone } from '../dog'
import { Happening, Settled, Stressor, Went } from '../handling'
import { EAR_DEEDS } from './earDeeds'

const stamp = {
  /** Made where the tap was made, so that sending it twice is harmless. */
  id: z.uuid({ error: 'An event has an id of its own.' }),
  /** Milliseconds since 1970 on the device's clock. */
  at: z.number().int().min(0).max(8.64e15),
  device: z.string().trim().max(60).default(''),
}
const StepId = z.string().min(1).max(40)
const Words = z.string().trim().min(1, 'Say it in a few words.').max(300, 'Keep it to 300 characters.')

/** How money changes hands. */
export const MoneyHow = z.enum(['cash', 'card', 'transfer'])
export type MoneyHow = z.infer<typeof MoneyHow>
/** How a visit was paid; `later`: it is still owed; `package`: as one of visits paid ahead; `credit`: from what its owner has left with the house. */
export const PaidHow = z.enum([...MoneyHow.options, 'later', 'package', 'credit'])
export type PaidHow = z.infer<typeof PaidHow>

/** Why a dog's clock stops when another one is taken in hand: there is one pair of hands. */
export const HANDS_AWAY = 'hands on another dog'

/** What a correction may put right afterwards: minutes of a step, towels, or millilitres of a product. */
export const CorrectedField = z
  .string()
  .max(130)
  .regex(
    /^(minutes: .+|zone: .+|used: .+|towels|litres)$/,
    'Say what is corrected: minutes, a zone, towels, litres or a product.',
  )

/** One tap at the tub, or a word put in afterwards. Events are only ever added; an undo is an event too. */
export const TubEvent = z.discriminatedUnion('kind', [
  /** `by`: whose hands take it up, when they aren't those that usually work here. */
  z.object({ ...stamp, kind: z.literal('step'), step: StepId, by: z.string().trim().min(1).max(40).optional() }),
  z.object({ ...stamp, kind: z.literal('done'), step: StepId }),
  z.object({ ...stamp, kind: z.literal('skip'), step: StepId, why: Words }),
  /** `why` when the clock stops by itself: the hands went to another dog. */
  z.object({ ...stamp, kind: z.literal('pause'), why: z.literal(HANDS_AWAY).optional() }),
  z.object({ ...stamp, kind: z.literal('resume') }),
  z.object({
    ...stamp,
    kind: z.literal('plug'),
    side: z.enum(['left', 'right']),
    way: z.enum(['in', 'out']),
    set: z.enum(['water', 'noise']),
  }),
  z.object({ ...stamp, kind: z.literal('lathered'), pass: z.number().int().min(1).max(4), zone: Zone }),
  z.object({ ...stamp, kind: z.literal('rinsed'), pass: z.number().int().min(1).max(12) }),
  /** Fingers run through the rinsed coat: where it is still slippery, or nowhere. */
  z.object({ ...stamp, kind: z.literal('fingers'), slippery: Zone.nullable() }),
  z.object({
    ...stamp,
    kind: z.literal('ear'),
    side: z.enum(['left', 'right']),
    cotton: z.enum(['clean', 'dirty']),
  }),
  /** One thing done with an ear beside the cotton. */
  z.object({ ...stamp, kind: z.literal('earDid'), side: z.enum(['left', 'right']), did: z.enum(EAR_DEEDS) }),
  /** Stop signs found in an ear at the table: nothing more goes in. None: it was a mistake. */
  z.object({
    ...stamp,
    kind: z.literal('earSigns'),
    side: z.enum(['left', 'right']),
    signs: z.array(EarSign).max(10),
  }),
  z.object({ ...stamp, kind: z.literal('towel') }),
  z.object({ ...stamp, kind: z.literal('damp'), zone: Zone }),
  z.object({ ...stamp, kind: z.literal('dry'), zone: Zone }),
  /** `step` and `zone`: what it is about; neither: the dog. */
  z.object({
    ...stamp,
    kind: z.literal('note'),
    text: Words,
    step: StepId.optional(),
    zone: Zone.optional(),
  }),
  z.object({ ...stamp, kind: z.literal('happened'), what: Happening, text: z.string().trim().max(300).default('') }),
  z.object({
    ...stamp,
    kind: z.literal('add'),
    step: StepId,
    title: z.string().trim().min(1, 'Say what is added.').max(60, 'Keep it to 60 characters.'),
    after: StepId,
    minutes: z.number().min(0.5, 'Give 0.5 to 120 min.').max(120, 'Give 0.5 to 120 min.'),
  }),
  z.object({
    ...stamp,
    kind: z.literal('found'),
    what: FindingKind,
    view: BodyView,
    zone: Zone,
    x: z.number().min(0).max(1),
    y: z.number().min(0).max(1),
    /** Across, mm, as it was slid beside a scale. */
    sizeMm: z.number().min(1).max(500).optional(),
  }),
  z.object({
    ...stamp,
    kind: z.literal('weighed'),
    what: z.enum(['dry', 'wet']),
    grams: z.number().min(0).max(20_000),
  }),
  z.object({
    ...stamp,
    kind: z.literal('noise'),
    level: z.number().min(20).max(140),
    minutes: z.number().min(0).max(600),
    /** Whose ears it was in, when they aren't those that usually work here. */
    by: z.string().trim().min(1).max(40).optional(),
  }),
  z.object({ ...stamp, kind: z.literal('settled'), stressor: Stressor, went: Went, settled: Settled }),
  z.object({
    ...stamp,
    kind: z.literal('correct'),
    field: CorrectedField,
    value: z.number({ error: 'Give a number.' }).min(0, 'Give 0 or more.').max(100_000),
    why: Words.or(z.literal('')).default(''),
  }),
  z.object({ ...stamp, kind: z.literal('leave out'), why: Words }),
  z.object({ ...stamp, kind: z.literal('stop early'), why: Words }),
  /** Whether a visit whose steps were ticked through is to be learned from. */
  z.object({ ...stamp, kind: z.literal('learn'), from: z.boolean() }),
  z.object({ ...stamp, kind: z.literal('finish') }),
  /**
   * The price of the visit and how it is paid, or that it is paid another time: in place of what was said before. With `cents` it is a
   * payment beside those before: so much towards the price, and a tip.
   */
  z.object({
    ...stamp,
    kind: z.literal('paid'),
    price: Price,
    how: PaidHow,
    cents: Price.shape.cents.optional(),
    tip: Price.shape.cents.optional(),
  }),
  /** The dog has come, and has gone home: the day knows where it is. */
  z.object({ ...stamp, kind: z.literal('arrived') }),
  z.object({ ...stamp, kind: z.literal('gone') }),
  z.object({ ...stamp, kind: z.literal('undo'), event: z.uuid() }),
])
export type TubEvent = z.infer<typeof TubEvent>
