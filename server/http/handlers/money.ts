import { unitsOf } from '@core/house'
import { booksOf, owedOf, receiptOf } from '@core/money'
import { sayIn } from '@words'
import { theHouse } from '../../db/house'
import type { Db } from '../../db/db'
import { moneyVisits } from '../../db/money'
import { findOutcome } from '../../db/outcomes'
import { giveReceipt, printReceipt } from '../../db/receipts'
import { findVisit } from '../../db/visits'
import { receiptPaper } from '../../formats/receipt'
import { notFound, Refusal } from '../../problems'
import { pdfOf } from '../../usecases/pdf'
import type { ServerWork } from '../../work/jobs'
import { dogsOfOwner } from '../../usecases/ownerData'
import type { Handlers } from '../register'

/** The month of a moment where the house is. */
function monthIn(timeZone: string): (at: number) => string {
  const format = new Intl.DateTimeFormat('en-CA', {
    year: 'numeric',
    month: '2-digit',
    ...(timeZone !== '' && { timeZone }),
  })
  return (at) => format.format(at).slice(0, 7)
}

/** The books: what visits asked and brought, and what is owed. */
export const moneyHandlers = (db: Db, work: ServerWork) =>
  ({
    'GET /books': async ({ query }) => {
      const [visits, { record: house }] = await Promise.all([moneyVisits(db, query), theHouse(db)])
      return booksOf(visits, house.prices.currency, monthIn(house.timeZone))
    },
    'GET /account': async ({ query }) => {
      const [dogs, { record: house }] = await Promise.all([dogsOfOwner(db, query.dog), theHouse(db)])
      const { currency } = house.prices
      const visits = await moneyVisits(db, { dogs: dogs.map((d) => d.id) })
      const here = visits.filter((v) => v.paid?.price.currency === currency)
      return { owner: dogs[0]!.owner, currency, owed: owedOf(here) }
    },
    'POST /visits/{id}/receipt': async ({ params }) => {
      const [visit, outcome, { record: house }] = await Promise.all([
        findVisit(db, params.id),
        findOutcome(db, params.id),
        theHouse(db),
      ])
      if (!visit) throw notFound('visit')
      const { dog, today } = visit.inputs
      const paid = outcome?.paid
      const record = paid && receiptOf({ dog: dog.name, date: visit.date, service: today.service, paid, house })
      if (!record) throw new Refusal(422, 'Nothing was paid yet', 'Say first how it was paid; then there is a receipt.')
      const { number } = await giveReceipt(db, params.id, record)
      return { number }
    },
    'GET /visits/{id}/receipt.pdf': async ({ params }) => {
      const receipt = await printReceipt(db, params.id)
      if (!receipt) throw notFound('receipt')
      const { record: house } = await theHouse(db)
      const content = await pdfOf(work, receiptPaper(receipt, sayIn(unitsOf(house))))
      return { content, name: `receipt-${receipt.number}.pdf`, open: 'inline' as const }
    },
  }) satisfies Partial<Handlers>
