import { randomUUID } from 'node:crypto'
import { unitsOf, type House } from '@core/house'
import { changesClosed, inTill, tillOf, type Closings } from '@core/money'
import type { Paid } from '@core/tubside'
import { sayIn } from '@words'
import { addClosing, awaitClosing, closedTo, findClosings, holdClosings } from '../db/closings'
import type { Db, Queries } from '../db/db'
import { theHouse } from '../db/house'
import { paidOfVisits } from '../db/money'
import { allEntries } from '../db/owners'
import { dateOfVisit } from '../db/visits'
import { dayIn, zoneOf } from '../formats/zones'
import { Refusal } from '../problems'

/** How many closings are told. */
const MOST_TOLD = 60

/** The day of a moment (ms) where the house is. */
export const dayAtHouse = ({ timeZone }: Pick<House, 'timeZone'>) => dayIn(zoneOf(timeZone))

/** What is known of the money of some days. */
async function counted(db: Queries) {
  const [{ record: house }, visits, accounts] = [await theHouse(db), await paidOfVisits(db), await allEntries(db)]
  const { currency } = house.prices
  const entries = accounts.flatMap((a) => a.entries)
  const dayAt = dayAtHouse(house)
  return {
    house,
    currency,
    dayAt,
    till: (within: (day: string) => boolean) => tillOf(visits, entries, currency, dayAt, within),
  }
}

/** What changed hands since days were closed last, and what was closed. */
export async function closingsNow(db: Queries): Promise<Closings> {
  const [closed, { currency, till }] = [await findClosings(db), await counted(db)]
  const to = closed[0]?.until ?? null
  const told = closed.filter((c) => c.currency === currency).reduce((sum, c) => sum + inTill(c.till), 0)
  return {
    currency,
    closedTo: to,
    open: till((day) => to === null || day > to),
    late: to === null ? 0 : inTill(till((day) => day <= to)) - told,
    closed: closed.slice(0, MOST_TOLD),
  }
}

const cantClose = (message: string) =>
  new Refusal(422, 'These days can’t be closed', message, [{ field: 'until', message }])

/** Counts and closes all days up to one that are open; asked for again under the same id, it was done once. */
export const closeDays = (db: Db, until: string, id: string = randomUUID(), now = Date.now()): Promise<Closings> =>
  db.transaction(async (tx) => {
    await holdClosings(tx)
    const closed = await findClosings(tx)
    if (!closed.some((c) => c.id === id)) {
      const { currency, till, dayAt, house } = await counted(tx)
      const last = closed[0]?.until ?? null
      const say = sayIn(unitsOf(house))
      if (until > dayAt(now)) throw cantClose('Close days that have begun: today or earlier.')
      if (last !== null && until <= last) throw cantClose(`All days up to ${say.date(last, 'day')} are closed already.`)
      const sum = till((day) => day <= until && (last === null || day > last))
      await addClosing(tx, { id, until, at: now, currency, till: sum })
    }
    return closingsNow(tx)
  })

/** Refuses what would change the money that closed days have by a visit. */
export async function leaveClosed(tx: Queries, visitId: string, before: Paid, after: Paid | undefined): Promise<void> {
  await awaitClosing(tx)
  const to = await closedTo(tx)
  const { record: house } = await theHouse(tx)
  if (!changesClosed(before, after, (await dateOfVisit(tx, visitId))!, to, dayAtHouse(house))) return
  const day = sayIn(unitsOf(house)).date(to!, 'day')
  throw new Refusal(
    422,
    'Its day is closed',
    `Money of days up to ${day} stays as it is. Put it right in the owner’s account, with today’s date.`,
  )
}
