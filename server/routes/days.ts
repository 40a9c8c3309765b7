import { Router } from 'express'
import { ArrangeRequest, DayChange, DayQuery } from '../../contract'
import { Day } from '../../core/dog'
import { dogOn, emptyDay, planSeats, problemOfDay, seatFor, standDay, type DayFacts } from '../../core/washday'
import { arrangeInTurns } from '../arranging'
import { factsOfDay, findDay, keepDay, listDays, removeDay } from '../db/days'
import type { Db } from '../db/db'
import { tubDay } from '../db/events'
import { theHouse } from '../db/house'
import { shelf } from '../db/products'
import { findVisit } from '../db/visits'
import { daySheet } from '../formats/daySheet'
import { writeCalendar } from '../formats/calendar'
import { memoryOf } from '../memory'
import { conflict, notFound, parseInput } from '../problems'

function dateOf(text: string | undefined): string {
  const date = Day.safeParse(text)
  if (!date.success) throw notFound('day')
  return date.data
}

/** A day of kept recipes, arranged over the house as it stands; nothing stored. */
async function arrangeKept(db: Db, request: ArrangeRequest) {
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
  return { problem, day: await arrangeInTurns(problem, seed, budgetMs) }
}

/** Wash days by their date: kept, listed, printed, written as a calendar; and days of kept recipes arranged. */
export function dayRoutes(db: Db): Router {
  const router = Router()
  router.post('/arrange', async (req, res) => {
    res.json(await arrangeKept(db, parseInput(ArrangeRequest, req.body)))
  })
  router.get('/', async (req, res) => {
    res.json(await listDays(db, parseInput(DayQuery, req.query)))
  })
  router.get('/:date', async (req, res) => {
    res.json(await findDay(db, dateOf(req.params.date)))
  })
  router.put('/:date', async (req, res) => {
    const date = dateOf(req.params.date)
    const { version, record } = parseInput(DayChange, { ...req.body, record: { ...req.body?.record, date } })
    const changed = await keepDay(db, version, record)
    if (changed.state === 'missing') throw notFound('day')
    if (changed.state === 'conflict') throw conflict(changed.row)
    res.json(changed.row)
  })
  router.delete('/:date', async (req, res) => {
    if (!(await removeDay(db, dateOf(req.params.date)))) throw notFound('day')
    res.status(204).end()
  })
  router.get('/:date/tub', async (req, res) => {
    res.json(await tubDay(db, dateOf(req.params.date)))
  })
  router.get('/:date/plan.ics', async (req, res) => {
    const stored = await findDay(db, dateOf(req.params.date))
    const facts = await factsOfDay(db, stored, (id, dog) => memoryOf(db, id, dog))
    const text = writeCalendar(stored.record, standDay(facts), facts.house, new Date(stored.changedAt ?? 0))
    res
      .type('text/calendar')
      .set('Content-Disposition', `attachment; filename="wash-day-${stored.record.date}.ics"`)
      .send(text)
  })
  router.get('/:date/sheet.pdf', async (req, res) => {
    const stored = await findDay(db, dateOf(req.params.date))
    const facts = await factsOfDay(db, stored, (id, dog) => memoryOf(db, id, dog))
    const pdf = await daySheet(facts, standDay(facts))
    res
      .type('application/pdf')
      .set('Content-Disposition', `inline; filename="wash-day-${stored.record.date}.pdf"`)
      .send(pdf)
  })
  return router
}
