import { z } from 'zod'
import { Day, Dog, Finding } from '@core/dog'
import { House } from '@core/house'
import { Product } from '@core/mix'
import { Movement, type WhyBuy } from '@core/stock'
import { Memory, Today, type Plan } from '@core/visit'

/** A stored record: its id, its version (raised by every change), when it changed, and what it says. */
export const stored = <T extends z.ZodType>(record: T) =>
  z.object({ id: z.uuid(), version: z.number().int().min(1), changedAt: z.string(), record })

/** A change to a stored record: the version it was made from. An older version is refused, nothing is overwritten. */
export const change = <T extends z.ZodType>(record: T) =>
  z.object({ version: z.number({ error: 'Say which version this changes.' }).int().min(1), record })

export const StoredDog = stored(Dog)
export type StoredDog = z.infer<typeof StoredDog>
export const StoredProduct = stored(Product)
export type StoredProduct = z.infer<typeof StoredProduct>
export const StoredFinding = stored(Finding)
export type StoredFinding = z.infer<typeof StoredFinding>
export const StoredHouse = stored(House)
export type StoredHouse = z.infer<typeof StoredHouse>

/** What happened to a product, as it is written down; what a visit used has the visit. */
export const StoredMovement = Movement.extend({ id: z.uuid(), productId: z.uuid(), visitId: z.uuid().nullable() })
export type StoredMovement = z.infer<typeof StoredMovement>

/** What is written down by hand: everything but what visits use. */
export const NewMovement = Movement.extend({
  kind: Movement.shape.kind.exclude(['used'], { error: 'What is used is written down by visits.' }),
})

export type NewMovement = z.infer<typeof NewMovement>

/** On which day one asks for the stock. */
export const StockQuery = z.object({ on: Day })

/** How a product stands: mL left (a bar or a powder: g; null: never opened or counted), what a wash day takes of it, for how many it will do, and why it is to be bought. */
export const StockLine = z.object({
  productId: z.uuid(),
  level: z.number().nullable(),
  perWashDay: z.number().nullable(),
  washDaysLeft: z.number().nullable(),
  buy: z
    .custom<WhyBuy>((why) => typeof why === 'object' && why !== null)
    .meta({ type: 'object', description: 'Why it is to be bought: a code with its facts' })
    .nullable(),
})
export type StockLine = z.infer<typeof StockLine>

/** A dog's visits on one side of today and on the other: the last that ended, when it is due by that, the next day it is on. */
export const DogDue = z.object({
  dogId: z.uuid(),
  last: Day.nullable(),
  due: Day.nullable(),
  booked: Day.nullable(),
})
export type DogDue = z.infer<typeof DogDue>

/** On which day one asks. */
export const DueQuery = z.object({ on: Day })

/** A search over dogs: text in name, breed or owner's name. */
export const DogQuery = z.object({
  text: z.string().max(100, 'Search for at most 100 characters.').default(''),
  limit: z.coerce.number().int().min(1).max(500).default(200),
})
export type DogQuery = z.infer<typeof DogQuery>

/** What the user saves: which dog, and today's condition with own numbers. The server reckons the plan. */
export const VisitDraft = z.object({ dogId: z.uuid({ error: 'Say which dog.' }), today: Today })
/** A new visit; with an id of the sender's own it is made once, however often it is sent. */
export const NewVisit = VisitDraft.extend({ id: z.uuid({ error: 'An id is a UUID.' }).optional() })
export type NewVisit = z.infer<typeof NewVisit>
export type VisitDraft = z.infer<typeof VisitDraft>

/** Everything a stored plan was reckoned from. */
export const VisitInputs = z.object({
  dog: Dog,
  today: Today,
  products: z.array(Product.and(z.object({ id: z.string() }))),
  house: House,
  memory: Memory.default(Memory.parse({})),
})
export type VisitInputs = z.infer<typeof VisitInputs>

/** A plan as the reckoning gives it; its parts are described by the engine's own types. */
export const PlanDocument = z
  .custom<Plan>((plan) => typeof plan === 'object' && plan !== null && 'engine' in plan)
  .meta({
    type: 'object',
    description:
      'A visit’s plan: mix, water, rinse, ears, drying, steps, minutes, stops, cautions; every number as { value, unit, because }.',
  })

/** A kept visit: inputs, plan and the version of the reckoning that made it. */
export const StoredVisit = z.object({
  id: z.uuid(),
  version: z.number().int().min(1),
  changedAt: z.string(),
  dogId: z.uuid(),
  date: Day,
  engine: z.string(),
  inputs: VisitInputs,
  plan: PlanDocument,
})
export type StoredVisit = z.infer<typeof StoredVisit>

/** A kept visit in a list. Minutes for the whole visit. */
export const VisitSummary = z.object({
  id: z.uuid(),
  dogId: z.uuid(),
  dogName: z.string(),
  colour: z.number().int().nullable(),
  date: Day,
  minutes: z.number(),
  stops: z.number().int(),
  skin: z.array(z.string()),
  products: z.array(z.string()),
  changedAt: z.string(),
})
export type VisitSummary = z.infer<typeof VisitSummary>

/** Which kept visits to list: of one dog, of one day, or the newest of all. */
export const VisitQuery = z.object({
  dogId: z.uuid().optional(),
  date: Day.optional(),
  limit: z.coerce.number().int().min(1).max(500).default(100),
})
export type VisitQuery = z.infer<typeof VisitQuery>
