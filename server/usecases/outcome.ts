import type { StoredVisit } from '@contract'
import { briefOf } from '@core/logbook'
import type { ShelvedProduct } from '@core/mix'
import { doneOf, outcomeOf, type Outcome, type TubEvent } from '@core/tubside'
import { withHabits } from '@core/visit'
import { partsOf, plannedMinutes, type WashDay } from '@core/washday'
import { findDay } from '../db/days'
import type { Db, Queries } from '../db/db'
import { addEvents, eventsOf } from '../db/events'
import { addFindingOnce } from '../db/findings'
import { findOutcome, isFinished, replaceOutcome } from '../db/outcomes'
import { replaceUse } from '../db/stock'
import { findVisit, removeVisit } from '../db/visits'
import { notFound } from '../problems'
import { leaveClosed } from './closings'

/** Minutes of the clock at which an arranged day had a visit begin and end; null when it isn't on it. */
function slotOf({ seats, plan }: WashDay, visit: StoredVisit): [number, number] | null {
  const seat = seats.find((s) => s.dogId === visit.dogId)
  if (!seat || !plan) return null
  const times = [...partsOf(visit.plan, false), ...partsOf(visit.plan, true)].flatMap(({ key, steps }) => {
    const at = plan.tasks[`${seat.id}.${key}`]
    return at === undefined ? [] : [[at, at + steps.reduce((sum, s) => sum + plannedMinutes(s.step), 0)] as const]
  })
  if (times.length === 0) return null
  return [Math.min(...times.map((t) => t[0])), Math.max(...times.map((t) => t[1]))]
}

/** What was found at the tub goes on the dog's body map, once: its tap's id is its own. */
async function keepFindings(db: Queries, visit: StoredVisit, events: readonly TubEvent[], outcome: Outcome) {
  const idAt = new Map(events.flatMap((e) => (e.kind === 'found' ? [[e.at, e.id]] : [])))
  for (const { at, kind, view, zone, x, y, sizeMm = null } of outcome.found) {
    const seen = [{ date: visit.date, sizeMm, gone: false, note: '' }]
    await addFindingOnce(db, visit.dogId, { kind, view, zone, x, y, seen }, idAt.get(at)!)
  }
}

/** What of which bottle a visit used, as it was done; by the name that the bottle had that day where its id isn't known. */
const usesOf = ({ used, others = [] }: Outcome, shelf: readonly ShelvedProduct[]) =>
  [...used, ...others].flatMap(({ id, name, amount }) => {
    const of = id ?? shelf.find((p) => p.name === name)?.id
    return of === undefined || amount <= 0 ? [] : [{ id: of, mL: amount }]
  })

/** Keeps how a visit went, as its taps tell it, with the minutes that are learned from; one that hasn't ended has none. */
export async function keepOutcomeOf(db: Queries, visit: StoredVisit, events: readonly TubEvent[], day: WashDay) {
  const { id: visitId, dogId, date, plan } = visit
  const { dog, today, house, products } = visit.inputs
  const outcome = outcomeOf({ plan, today, mood: dog.mood, shelf: products }, events, house.water.flow)
  if (!outcome) {
    await replaceUse(db, visitId, 0, [])
    return replaceOutcome(db, visitId)
  }
  const slot = slotOf(day, visit)
  const { cut } = withHabits(today, dog, house.habits)
  const brief = briefOf(outcome, { visitId, dogId, dog, date, plan, shelf: products, house, slot, cut })
  await replaceOutcome(db, visitId, { outcome, brief, done: doneOf(outcome, dogId, dog.coat) })
  await replaceUse(db, visitId, outcome.ended, usesOf(outcome, products))
  await keepFindings(db, visit, events, outcome)
}

/** Tells a visit's outcome anew from its events. A visit that hasn't ended (any more) has none. */
export async function keepOutcome(db: Queries, visitId: string): Promise<void> {
  const visit = (await isFinished(db, visitId)) ? await findVisit(db, visitId) : undefined
  if (!visit) return
  const { record: day } = await findDay(db, visit.date)
  await keepOutcomeOf(db, visit, await eventsOf(db, visitId), day)
}

/** A device's clock that differs by less is taken as it is; one that differs by more has the wrong date, ms. */
const CLOCK = { least: 60_000, most: 12 * 3_600_000 }
/** Taps by the server's clock, where that of the device which sends them is plainly wrong; so those of all devices have one order. */
export function inOurTime(events: readonly TubEvent[], sentAt: number | undefined, now = Date.now()): TubEvent[] {
  const wrong = sentAt === undefined ? 0 : Math.round(now - sentAt)
  const off = Math.abs(wrong)
  return events.map((e) => (off > CLOCK.least && off < CLOCK.most ? { ...e, at: e.at + wrong } : e))
}

/** Keeps taps of a visit, and tells its outcome anew where that changes it. */
export async function keepTaps(db: Db, visitId: string, events: readonly TubEvent[]) {
  return db.transaction(async (tx) => {
    const before = await findOutcome(tx, visitId)
    const receipt = await addEvents(tx, visitId, events)
    if (receipt.kept === 0) return receipt
    await keepOutcome(tx, visitId)
    if (before?.paid) await leaveClosed(tx, visitId, before.paid, (await findOutcome(tx, visitId))?.paid)
    return receipt
  })
}

/** Deletes a visit; one with money of a day that is closed stays. */
export const dropVisit = (db: Db, id: string): Promise<void> =>
  db.transaction(async (tx) => {
    const before = await findOutcome(tx, id)
    if (before?.paid) await leaveClosed(tx, id, before.paid, undefined)
    if (!(await removeVisit(tx, id))) throw notFound('visit')
  })
