import { z } from 'zod'

/** What can go wrong at the tub, each with its own safe actions. */
export const Happening = z.enum([
  'soap in the eye',
  'soap swallowed',
  'water too hot or cold',
  'slip or jump',
  'panic',
  'ear hurts or bleeds',
  'nail cut to the quick',
  'nail torn',
  'skin nicked or mat pulled',
  'clipper burn',
  'a person bitten',
  'a dog bitten',
  'dog got away',
  'chilled, shivering',
  'overheated, breathing hard',
  'belly swelling, retching',
  'seizure',
  'collapse',
])
export type Happening = z.infer<typeof Happening>

/** What can kill a dog within the hour, the quickest first. */
export const CAN_KILL: readonly Happening[] = [
  'collapse',
  'seizure',
  'overheated, breathing hard',
  'belly swelling, retching',
]

/** What a dog may have to bear in a visit, one by one. */
export const Stressor = z.enum([
  'running water',
  'face',
  'feet',
  'tail',
  'ears',
  'brush',
  'dryer noise',
  'air on the body',
  'air near the head',
  'the crate alone',
])
export type Stressor = z.infer<typeof Stressor>

/** How it went with a stressor: borne at ease, borne, or fought. */
export const Went = z.enum(['at ease', 'bore it', 'fought it'])
export type Went = z.infer<typeof Went>
/** How soon the dog settled after it. */
export const Settled = z.enum(['at once', 'within minutes', 'not that day'])
export type Settled = z.infer<typeof Settled>
