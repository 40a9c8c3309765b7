import { Router } from 'express'
import { ArrangeRequest } from '../../contract'
import { dayFromVisits, type DayVisit } from '../../core/day'
import { arrangeInTurns } from '../arranging'
import type { Db } from '../db/db'
import { theHouse } from '../db/house'
import { findVisit } from '../db/visits'
import { notFound, parseInput } from '../problems'

/** Days of kept recipes: arranged over the house as it stands, nothing stored. */
export function dayRoutes(db: Db): Router {
  const router = Router()
  router.post('/arrange', async (req, res) => {
    const { visits, helper, horizon, breaks, seed, budgetMs } = parseInput(ArrangeRequest, req.body)
    const kept: DayVisit[] = []
    for (const { visitId, arrive, pickup } of visits) {
      const visit = await findVisit(db, visitId)
      if (!visit) throw notFound('visit')
      const { dog, today } = visit.inputs
      kept.push({ id: visitId, coat: dog.coat, plan: visit.plan, arrive, pickup, lastInTub: today.fleas })
    }
    const { record: house } = await theHouse(db)
    const problem = dayFromVisits(kept, { house, helper, horizon, breaks })
    res.json({ problem, day: await arrangeInTurns(problem, seed, budgetMs) })
  })
  return router
}
