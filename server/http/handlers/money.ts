import { booksOf, owedOf } from '@core/money'
import { theHouse } from '../../db/house'
import type { Db } from '../../db/db'
import { moneyVisits } from '../../db/money'
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
export const moneyHandlers = (db: Db) =>
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
  }) satisfies Partial<Handlers>
