import type { NewVisit, StoredVisit, VisitDraft } from '@contract'
import { sameData } from '@core/same'
import { planVisit, Today, type Memory } from '@core/visit'
import type { Db, Queries } from '../db/db'
import { dogRecords } from '../db/dogs'
import { theHouse } from '../db/house'
import { shelf } from '../db/products'
import { addVisit, changeVisit, findVisit, type VisitContent } from '../db/visits'
import { conflict, notFound } from '../problems'
import { memoryOf } from './memory'
import { keepOutcome } from './outcome'

/** What the log knows of a draft's dog. */
async function memoryFor(db: Db, { dogId }: VisitDraft): Promise<Memory> {
  const dog = await dogRecords.find(db, dogId)
  if (!dog) throw notFound('dog')
  return memoryOf(db, dogId, dog.record)
}

/** Reckons a draft from what is stored now: the dog, the shelf and the house as they stand, and what the log knows. */
async function reckonDraft(db: Queries, { dogId, today }: VisitDraft, memory: Memory): Promise<VisitContent> {
  const dog = await dogRecords.find(db, dogId)
  if (!dog) throw notFound('dog')
  const [products, house] = [await shelf(db), await theHouse(db)]
  const inputs = { dog: dog.record, today, products, house: house.record, memory }
  return { dogId, inputs, plan: planVisit(inputs.dog, today, products, inputs.house, memory) }
}

/**
 * Keeps a draft as a visit, with the plan reckoned here. Sent a second time under the same id it is the visit that is
 * there; another draft under that id is refused with it.
 */
export async function keepDraft(db: Db, { id, ...draft }: NewVisit): Promise<StoredVisit> {
  const memory = await memoryFor(db, draft)
  return db.transaction(async (tx) => {
    const made = await addVisit(tx, await reckonDraft(tx, draft, memory), id)
    if (made) return made
    const there = (await findVisit(tx, id!))!
    const same = there.dogId === draft.dogId && sameData(Today.parse(there.inputs.today), draft.today)
    if (!same) throw conflict(there)
    return there
  })
}

/** Changes a kept visit from a version: reckoned anew, and its outcome told anew. */
export async function changeDraft(db: Db, id: string, version: number, draft: VisitDraft) {
  const memory = await memoryFor(db, draft)
  return db.transaction(async (tx) => {
    const done = await changeVisit(tx, id, version, await reckonDraft(tx, draft, memory))
    await keepOutcome(tx, id)
    return done
  })
}
