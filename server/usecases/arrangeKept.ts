import type { ArrangeRequest } from '@contract'
import { dogOn, emptyDay, planSeats, problemOfDay, seatFor, type DayFacts } from '@core/washday'
import type { Db } from '../db/db'
import { theHouse } from '../db/house'
import { shelf } from '../db/products'
import { findVisit } from '../db/visits'
import { notFound } from '../problems'
import type { ServerWork } from '../work/jobs'
import { arrangeWithin } from './arranging'

/** A day of kept recipes, arranged over the house as it stands; nothing stored. */
export async function arrangeKept(db: Db, work: ServerWork, request: ArrangeRequest) {
  const { visits, helper, horizon, breaks, seed, budgetMs } = request
  const { record: house } = await theHouse(db)
  const day = { ...emptyDay('2000-01-01', house), pauses: [], heaterFrom: null, hours: { from: 0, to: 1439 } }
  const facts: DayFacts = { day, dogs: {}, shelf: await shelf(db), house }
  for (const { visitId, arrive, pickup } of visits) {
    const visit = await findVisit(db, visitId)
    if (!visit) throw notFound('visit')
    facts.dogs[visitId] = dogOn(visit.inputs.dog, visit.date, visit.inputs.today, visit.inputs.memory)
    day.seats.push(
      seatFor(visitId, day, { arrive: Math.min(arrive, 1438), pickup: Math.min(1439, Math.max(pickup, arrive + 1)) }),
    )
  }
  const whole = problemOfDay(facts, planSeats(facts))
  const resources = { ...whole.resources, hands: helper ? 2 : 1 }
  const problem = { ...whole, horizon, breaks, resources }
  return { problem, day: await arrangeWithin(work, { problem, seed, budgetMs }) }
}
