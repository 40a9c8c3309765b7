import { unitsOf } from '@core/house'
import { booksOf, paymentReceipt, receiptOf, whatIf, type ReceiptRecord } from '@core/money'
import { sayIn } from '@words'
import { theHouse } from '../../db/house'
import type { Db } from '../../db/db'
import { listedVisits, moneyVisits } from '../../db/money'
import { findOutcome } from '../../db/outcomes'
import { findEntry, findOwners } from '../../db/owners'
import { giveReceipt, printReceipt } from '../../db/receipts'
import { findVisit } from '../../db/visits'
import { receiptPaper } from '../../formats/receipt'
import { notFound, Refusal } from '../../problems'
import { closeDays, closingsNow, dayAtHouse } from '../../usecases/closings'
import { accountOfDog, accountsFor, changeOwner, joinOwners, ownerWhole, writeEntry } from '../../usecases/owners'
import { pdfOf } from '../../usecases/pdf'
import type { ServerWork } from '../../work/jobs'
import type { Handlers } from '../register'

/** A visit as a receipt tells of it; refused where nothing was said of its money. */
async function paidVisit(db: Db, id: string) {
  const [visit, outcome] = await Promise.all([findVisit(db, id), findOutcome(db, id)])
  if (!visit) throw notFound('visit')
  const { dog, today } = visit.inputs
  const { paid } = outcome ?? {}
  if (!paid) throw nothingPaid()
  return { visitId: id, dog: dog.name, date: visit.date, service: today.service, paid }
}
const nothingPaid = () =>
  new Refusal(422, 'Nothing was paid yet', 'Say first how it was paid; then there is a receipt.')

/** The books: what visits asked and brought, and what is owed; accounts of owners, and receipts. */
export function moneyHandlers(db: Db, work: ServerWork) {
  async function give(id: string, record: ReceiptRecord | undefined) {
    if (!record) throw nothingPaid()
    const { number, of } = await giveReceipt(db, id, record)
    return { number, of }
  }
  async function print(id: string) {
    const receipt = await printReceipt(db, id)
    if (!receipt) throw notFound('receipt')
    const { record: house } = await theHouse(db)
    const content = await pdfOf(work, receiptPaper(receipt, sayIn(unitsOf(house))))
    return { content, name: `receipt-${receipt.number}.pdf`, open: 'inline' as const }
  }
  return {
    'GET /books': async ({ query }) => {
      const { from, to } = query
      const { record: house } = await theHouse(db)
      const { currency } = house.prices
      const day = dayAtHouse(house)
      const within = (at: number) => (!from || day(at) >= from) && (!to || day(at) <= to)
      const all = await moneyVisits(db, {})
      const visits = all.filter(({ date }) => (!from || date >= from) && (!to || date <= to))
      const accounts = await accountsFor(db, all, currency, within)
      return booksOf(visits, currency, (at) => day(at).slice(0, 7), accounts)
    },
    'GET /books/what-if': async ({ query: { raise, mats, ...span } }) => {
      const [visits, { record: house }] = await Promise.all([listedVisits(db, span), theHouse(db)])
      return whatIf(visits, house, { raise, mats: mats === 'yes' })
    },
    'GET /owners': ({ query }) => findOwners(db, query.text, query.limit),
    'GET /owners/{id}': ({ params }) => ownerWhole(db, params.id),
    'PUT /owners/{id}': ({ params, body }) => changeOwner(db, params.id, body.version, body.record),
    'POST /owners/{id}/join': ({ params, body }) => joinOwners(db, params.id, body.other),
    'POST /owners/{id}/entries': ({ params, body, key }) => writeEntry(db, params.id, body, key),
    'GET /closings': () => closingsNow(db),
    'POST /closings': ({ body, key }) => closeDays(db, body.until, key),
    'GET /account': ({ query }) => accountOfDog(db, query.dog),
    'POST /visits/{id}/receipt': async ({ params, body }) => {
      const others = body.with.filter((id) => id !== params.id)
      const [first, { record: house }] = await Promise.all([paidVisit(db, params.id), theHouse(db)])
      const also = await Promise.all([...new Set(others)].map((id) => paidVisit(db, id)))
      if (also.some((a) => a.paid.price.currency !== first.paid.price.currency))
        throw new Refusal(422, 'Two currencies', 'Visits in two currencies can’t stand on one receipt.')
      return give(params.id, receiptOf({ ...first, house, also }))
    },
    'GET /visits/{id}/receipt.pdf': ({ params }) => print(params.id),
    'POST /entries/{id}/receipt': async ({ params }) => {
      const [written, { record: house }] = await Promise.all([findEntry(db, params.id), theHouse(db)])
      return give(params.id, written && paymentReceipt(written.entry, dayAtHouse(house)(written.at), house))
    },
    'GET /entries/{id}/receipt.pdf': ({ params }) => print(params.id),
  } satisfies Partial<Handlers>
}
