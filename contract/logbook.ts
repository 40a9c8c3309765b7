import { z } from 'zod'
import { Day } from '@core/dog'
import type { Brief, LogTable, Taught, Wild } from '@core/logbook'
import type { Outcome } from '@core/tubside'
import { Memory } from '@core/visit'

/** Which ended visits the logbook is about: of one dog, between two dates (both included), with a product. */
export const LogQuery = z.object({
  dogId: z.uuid().optional(),
  from: Day.optional(),
  to: Day.optional(),
  product: z.string().trim().max(80).optional(),
  /** How many visits are listed at the most; what charts say is over all. */
  most: z.coerce.number().int().min(1).max(10_000).default(40),
  /** Whether the numbers of the charts come along; a list alone is quick to read. */
  figures: z.enum(['yes', 'no']).default('yes'),
})
export type LogQuery = z.infer<typeof LogQuery>

const document = <T>(description: string) =>
  z.custom<T>((value) => typeof value === 'object' && value !== null).meta({ type: 'object', description })

/** The logbook over some visits: the newest in brief, how many there are, and the numbers of every chart where they were asked for. */
export const LogbookAnswer = z.object({
  visits: z.array(document<Brief>('An ended visit in brief')),
  count: z.number().int(),
  dogs: z.array(z.object({ id: z.string(), name: z.string() })),
  products: z.array(z.string()),
  tables: z.array(document<LogTable>('The numbers of a chart, as a table')),
})
export type LogbookAnswer = z.infer<typeof LogbookAnswer>

/** What the whole log taught, each with its evidence; how many numbers it set aside as too far from the others, and the newest of them. */
export const TaughtAnswer = z.object({
  taught: z.array(document<Taught>('A sentence with its evidence')),
  wild: z.array(document<Wild>('A number that is learned nothing from')),
  wildCount: z.number().int(),
  /** It is of an earlier state of the log, and is being worked out anew. */
  older: z.boolean(),
})
export type TaughtAnswer = z.infer<typeof TaughtAnswer>

/** A visit as it went, and its numbers that are too far from the others to be learned from. */
export const OutcomeAnswer = z.object({
  outcome: document<Outcome>('A visit as it went').nullable(),
  wild: z.array(document<Wild>('A number that is learned nothing from')),
})
export type OutcomeAnswer = z.infer<typeof OutcomeAnswer>

/** Of which dogs the log is asked. */
export const MemoryQuery = z.object({
  dogs: z
    .string()
    .max(40 * 500)
    .transform((text) => text.split(',').filter((id) => id !== ''))
    .pipe(z.array(z.uuid({ error: 'Give ids of dogs, with commas between.' })).max(500)),
})

/** What the log knows, by the dog's id. */
export const MemoryAnswer = z.object({ memory: z.record(z.string(), Memory) })
export type MemoryAnswer = z.infer<typeof MemoryAnswer>
