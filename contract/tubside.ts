import { z } from 'zod'
import { Day, RED_FLAGS } from '@core/dog'
import { ClockMinute } from '@core/house'
import { TubEvent } from '@core/tubside'
import { StepName } from '@core/visit'

/** Taps to keep: sent again, they change nothing. */
export const EventBatch = z.object({
  events: z.array(TubEvent).min(1, 'Send at least one event.').max(500, 'Send at most 500 events at once.'),
  /** The moment of sending by the clock that the taps bear, ms since 1970: one that is wrong is seen by it. */
  sentAt: z.number().optional(),
})

/** What was kept, and what was known already. */
export const EventReceipt = z.object({ kept: z.number().int(), known: z.number().int() })
export type EventReceipt = z.infer<typeof EventReceipt>

/** All taps of a visit, in the order of their times. */
export const EventList = z.object({ events: z.array(TubEvent) })
export type EventList = z.infer<typeof EventList>

/** One visit of a day as the tub shows it beside others: its steps in short and its taps. */
const TubVisit = z.object({
  visitId: z.uuid(),
  dogId: z.uuid(),
  name: z.string(),
  colour: z.number().int().nullable(),
  bath: z.boolean(),
  steps: z.array(
    StepName.extend({
      id: z.string(),
      minutes: z.number(),
      hands: z.boolean(),
      /** Spread of the logarithm of its minutes, once the log says something of it. */
      spread: z.number().optional(),
      withDog: z.boolean().optional(),
    }),
  ),
  /** With what it is rinsed, and the shower's flow, L/min: what water it really used. */
  tool: z.enum(['shower', 'low', 'cup']),
  flow: z.number(),
  events: z.array(TubEvent),
})
export type TubVisit = z.infer<typeof TubVisit>

/** A day at the tub: its dogs in the order of the plan (minutes of the clock; null when not arranged), and the visits kept for it. */
export const TubDay = z.object({
  date: Day,
  seats: z.array(
    z.object({
      dogId: z.uuid(),
      name: z.string(),
      colour: z.number().int().nullable(),
      /** What to mind about it first, the worst first. */
      flags: z.array(z.enum(RED_FLAGS)).default([]),
      at: ClockMinute.nullable(),
      /** When it comes and is fetched, as it was agreed. */
      arrive: ClockMinute,
      pickup: ClockMinute,
    }),
  ),
  /** When a second pair of hands is there. */
  helper: z.object({ name: z.string(), from: ClockMinute, to: ClockMinute }).nullable(),
  visits: z.array(TubVisit),
})
export type TubDay = z.infer<typeof TubDay>
