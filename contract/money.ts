import { z } from 'zod'
import { Day } from '@core/dog'
import type { Books, OwedVisit } from '@core/money'

const document = <T>(description: string) =>
  z.custom<T>((value) => typeof value === 'object' && value !== null).meta({ type: 'object', description })

/** Of which days the books are, both included; from the first to the last where it isn't said. */
export const BooksQuery = z.object({ from: Day.optional(), to: Day.optional() })

/** The books of ended visits, hundredths of the house's currency. */
export const BooksAnswer = document<Books>(
  'Ended visits as the books have them: by month, service, coat and owner; and what is owed',
)

/** A receipt that was given: its number, which no other has. */
export const GivenReceipt = z.object({ number: z.number().int() })

/** Of which dog's owner is asked. */
export const AccountQuery = z.object({ dog: z.uuid() })

/** What an owner owes for visits of all its dogs, the oldest first. */
export const Account = z.object({
  owner: z.string(),
  currency: z.string(),
  owed: z.array(document<OwedVisit>('A visit that isn’t paid whole')),
})
export type Account = z.infer<typeof Account>
