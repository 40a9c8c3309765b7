import { z } from 'zod'
import { Zone } from '../dog'

const stamp = {
  /** Made where the tap was made, so that sending it twice is harmless. */
  id: z.uuid({ error: 'An event has an id of its own.' }),
  /** Milliseconds since 1970 on the device's clock. */
  at: z.number().int().min(0).max(8.64e15),
  device: z.string().trim().max(60).default(''),
}
const StepId = z.string().min(1).max(40)
const Words = z.string().trim().min(1, 'Say it in a few words.').max(300, 'Keep it to 300 characters.')

/** What can go wrong at the tub, each with its own safe actions. */
export const Happening = z.enum([
  'soap in the eye',
  'soap swallowed',
  'water too hot or cold',
  'slip or jump',
  'panic',
  'ear hurts or bleeds',
  'nail cut to the quick',
  'skin nicked or mat pulled',
  'chilled, shivering',
  'overheated, breathing hard',
  'collapse',
])
export type Happening = z.infer<typeof Happening>

/** One tap at the tub. Events are only ever added; an undo is an event too. */
export const TubEvent = z.discriminatedUnion('kind', [
  z.object({ ...stamp, kind: z.literal('step'), step: StepId }),
  z.object({ ...stamp, kind: z.literal('done'), step: StepId }),
  z.object({ ...stamp, kind: z.literal('skip'), step: StepId, why: Words }),
  z.object({ ...stamp, kind: z.literal('pause') }),
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
  z.object({ ...stamp, kind: z.literal('towel') }),
  z.object({ ...stamp, kind: z.literal('damp'), zone: Zone }),
  z.object({ ...stamp, kind: z.literal('dry'), zone: Zone }),
  z.object({ ...stamp, kind: z.literal('note'), text: Words }),
  z.object({ ...stamp, kind: z.literal('happened'), what: Happening, text: z.string().trim().max(300).default('') }),
  z.object({ ...stamp, kind: z.literal('stop early'), why: Words }),
  z.object({ ...stamp, kind: z.literal('finish') }),
  z.object({ ...stamp, kind: z.literal('undo'), event: z.uuid() }),
])
export type TubEvent = z.infer<typeof TubEvent>
