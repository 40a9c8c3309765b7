import { z } from 'zod'
import { TubEvent } from '../core/tubside'

/** Taps to keep: sent again, they change nothing. */
export const EventBatch = z.object({
  events: z.array(TubEvent).min(1, 'Send at least one event.').max(500, 'Send at most 500 events at once.'),
})

/** What was kept, and what was known already. */
export const EventReceipt = z.object({ kept: z.number().int(), known: z.number().int() })
export type EventReceipt = z.infer<typeof EventReceipt>

/** All taps of a visit, in the order of their times. */
export const EventList = z.object({ events: z.array(TubEvent) })
export type EventList = z.infer<typeof EventList>
