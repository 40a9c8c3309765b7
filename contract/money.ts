import { z } from 'zod'
import { Day } from '@core/dog'
import { Entry, type AccountSum, type Books, type Closings, type OwedVisit, type WhatIf } from '@core/money'
import { Owner } from '@core/owner'

const document = <T>(description: string) =>
  z.custom<T>((value) => typeof value === 'object' && value !== null).meta({ type: 'object', description })

/** Of which days the books are, both included; from the first to the last where it isn't said. */
export const BooksQuery = z.object({ from: Day.optional(), to: Day.optional() })

/** The books of ended visits and of accounts, hundredths of the house's currency. */
export const BooksAnswer = document<Books>(
  'Ended visits as the books have them: by month, service, coat and owner; and what is owed',
)

/** What would be asked by another list: so many percent more (or less), with or without what is asked for mats. */
export const WhatIfQuery = BooksQuery.extend({
  raise: z.coerce.number().min(-50, 'Give -50 to 100 %.').max(100, 'Give -50 to 100 %.').default(0),
  mats: z.enum(['yes', 'no']).default('yes'),
})
export const WhatIfAnswer = document<WhatIf>('What the visits priced by the list would have asked by another one')

/** The last of the days that are closed. */
export const NewClosing = z.object({ until: Day })
/** What changed hands since days were closed last, and what was closed, hundredths. */
export const ClosingsAnswer = document<Closings>('Money of the days that are open, and of those closed')

/** Other visits that were paid with it and stand on the same receipt. */
export const ReceiptWish = z.object({ with: z.array(z.uuid()).max(19).default([]) }).prefault({})
/** A receipt that was given: its number, which no other has, and the visit it is printed by. */
export const GivenReceipt = z.object({ number: z.number().int(), of: z.uuid() })

/** Of which dog's owner is asked. */
export const AccountQuery = z.object({ dog: z.uuid() })

const stands = document<AccountSum>('How an owner stands, hundredths')

/** What an owner owes for visits of all its dogs, the oldest first, and how it stands. */
export const Account = z.object({
  owner: z.string(),
  /** Its record; null where the dog has none. */
  ownerId: z.uuid().nullable(),
  currency: z.string(),
  owed: z.array(document<OwedVisit>('A visit that isn’t paid whole')),
  stands,
  /** Up to which day what was said of money stays; null where no day was closed. */
  closedTo: Day.nullable(),
})
export type Account = z.infer<typeof Account>

/** Owners whose name, contact or dogs hold a text. */
export const OwnerQuery = z.object({
  text: z.string().trim().max(120).default(''),
  limit: z.coerce.number().int().min(1).max(500).default(200),
})

/** An owner in a list, with the names of its dogs. */
export const OwnerLine = z.object({ id: z.uuid(), name: z.string(), contact: z.string(), dogs: z.array(z.string()) })
export type OwnerLine = z.infer<typeof OwnerLine>

/** An owner as it is kept. */
export const StoredOwner = z.object({ id: z.uuid(), version: z.number().int(), changedAt: z.string(), record: Owner })
export type StoredOwner = z.infer<typeof StoredOwner>

/** An entry of an account as it was written, ms. */
export const StoredEntry = z.object({ id: z.uuid(), at: z.number(), entry: Entry })

/** An owner with its dogs, how it stands, what was written into its account, the newest first, and others of its name. */
export const OwnerAnswer = StoredOwner.extend({
  dogs: z.array(z.object({ id: z.uuid(), name: z.string() })),
  currency: z.string(),
  stands,
  owed: Account.shape.owed,
  entries: z.array(StoredEntry),
  twins: z.array(OwnerLine),
})
export type OwnerAnswer = z.infer<typeof OwnerAnswer>

/** Which other owner is the same person. */
export const OwnerJoin = z.object({ other: z.uuid() })
