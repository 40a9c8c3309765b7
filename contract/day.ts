import { z } from 'zod'
import { DayBreak, DayProblem } from '@core/day'

const clock = z.number().int().min(0).max(2000, 'A day is counted in minutes from its start, up to 2000.')

/** How a search for a day is steered: a seed for repeatable chance, and how long it may take, ms. */
const SearchLimits = z.object({
  seed: z
    .number()
    .int()
    .min(0)
    .max(2 ** 31)
    .default(1),
  budgetMs: z
    .number()
    .int()
    .min(1, 'A search takes 1 to 10 000 ms.')
    .max(10_000, 'A search takes 1 to 10 000 ms.')
    .default(1000),
})

/** A wash day to arrange, as a problem of its own. */
export const DayRequest = z.object({ instance: DayProblem, ...SearchLimits.shape })

/** A day of kept recipes to arrange: which visits, when each dog comes and should be ready, in minutes from the start. */
export const ArrangeRequest = z.object({
  visits: z
    .array(z.object({ visitId: z.uuid(), arrive: clock.default(0), pickup: clock }))
    .min(1, 'Choose at least one kept recipe.')
    .max(20, 'A day takes at most 20 dogs.'),
  helper: z.boolean().default(false),
  horizon: z
    .number()
    .int()
    .min(60, 'A day is 60 to 1440 minutes.')
    .max(1440, 'A day is 60 to 1440 minutes.')
    .default(720),
  breaks: z.array(DayBreak).max(5).default([]),
  ...SearchLimits.shape,
})
export type ArrangeRequest = z.infer<typeof ArrangeRequest>
