import { Router } from 'express'
import { change, EventBatch, VisitDraft, VisitQuery, type OutcomeAnswer } from '../../contract'
import { planVisit, type Memory } from '../../core/visit'
import type { Db, Queries } from '../db/db'
import { dogRecords } from '../db/dogs'
import { addEvents, eventsOf } from '../db/events'
import { findingsOf } from '../db/findings'
import { theHouse } from '../db/house'
import { findOutcome, keepOutcome } from '../db/outcomes'
import { shelf } from '../db/products'
import { addVisit, changeVisit, findVisit, listVisits, removeVisit, type VisitContent } from '../db/visits'
import { handOverSlip, vetLetter, type PaperFacts } from '../formats/papers'
import { memoryOf, wildNumbers } from '../memory'
import { conflict, notFound, parseInput } from '../problems'
import { idOf } from './records'

/** What the log knows of a draft's dog; nothing of a dog that isn't there. */
async function memoryFor(db: Db, { dogId }: VisitDraft): Promise<Memory> {
  const dog = await dogRecords.find(db, dogId)
  if (!dog) throw notFound('dog')
  return memoryOf(db, dogId, dog.record)
}

/** Reckons a draft from what is stored now: the dog, the shelf and the house as they stand, and what the log knows. */
export async function reckonDraft(db: Queries, { dogId, today }: VisitDraft, memory: Memory): Promise<VisitContent> {
  const dog = await dogRecords.find(db, dogId)
  if (!dog) throw notFound('dog')
  const [products, house] = [await shelf(db), await theHouse(db)]
  const inputs = { dog: dog.record, today, products, house: house.record, memory }
  return { dogId, inputs, plan: planVisit(inputs.dog, today, products, inputs.house, memory) }
}

/** Kept visits: the server reckons what it stores. */
export function visitRoutes(db: Db): Router {
  const router = Router()
  router.get('/', async (req, res) => {
    res.json(await listVisits(db, parseInput(VisitQuery, req.query)))
  })
  router.get('/:id', async (req, res) => {
    const visit = await findVisit(db, idOf('visit', req.params.id))
    if (!visit) throw notFound('visit')
    res.json(visit)
  })
  router.get('/:id/events', async (req, res) => {
    const visit = await findVisit(db, idOf('visit', req.params.id))
    if (!visit) throw notFound('visit')
    res.json({ events: await eventsOf(db, visit.id) })
  })
  router.post('/:id/events', async (req, res) => {
    const visit = await findVisit(db, idOf('visit', req.params.id))
    if (!visit) throw notFound('visit')
    const { events } = parseInput(EventBatch, req.body)
    res.json(
      await db.transaction(async (tx) => {
        const receipt = await addEvents(tx, visit.id, events)
        if (receipt.kept > 0) await keepOutcome(tx, visit.id)
        return receipt
      }),
    )
  })
  router.get('/:id/outcome', async (req, res) => {
    const visit = await findVisit(db, idOf('visit', req.params.id))
    if (!visit) throw notFound('visit')
    const outcome = (await findOutcome(db, visit.id)) ?? null
    const wild = outcome === null ? [] : (await wildNumbers(db)).filter((w) => w.visitId === visit.id)
    const answer: OutcomeAnswer = { outcome, wild }
    res.json(answer)
  })
  const paper = (path: string, name: string, make: (facts: PaperFacts) => Promise<Buffer>) =>
    router.get(`/:id/${path}.pdf`, async (req, res) => {
      const visit = await findVisit(db, idOf('visit', req.params.id))
      if (!visit) throw notFound('visit')
      const pdf = await make({ visit, findings: await findingsOf(db, visit.dogId) })
      res.type('application/pdf').set('Content-Disposition', `inline; filename="${name}-${visit.date}.pdf"`).send(pdf)
    })
  paper('letter', 'letter-to-the-vet', vetLetter)
  paper('slip', 'going-home', handOverSlip)
  router.post('/', async (req, res) => {
    const draft = parseInput(VisitDraft, req.body)
    const memory = await memoryFor(db, draft)
    const visit = await db.transaction(async (tx) => addVisit(tx, await reckonDraft(tx, draft, memory)))
    res.status(201).json(visit)
  })
  router.put('/:id', async (req, res) => {
    const id = idOf('visit', req.params.id)
    const { version, record } = parseInput(change(VisitDraft), req.body)
    const memory = await memoryFor(db, record)
    const changed = await db.transaction(async (tx) => {
      const done = await changeVisit(tx, id, version, await reckonDraft(tx, record, memory))
      await keepOutcome(tx, id)
      return done
    })
    if (changed.state === 'missing') throw notFound('visit')
    if (changed.state === 'conflict') throw conflict(changed.row)
    res.json(changed.row)
  })
  router.delete('/:id', async (req, res) => {
    if (!(await removeVisit(db, idOf('visit', req.params.id)))) throw notFound('visit')
    res.status(204).end()
  })
  return router
}
