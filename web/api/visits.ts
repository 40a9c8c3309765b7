import { v4 as uuid } from 'uuid'
import type { NewVisit, StoredVisit } from '@contract'
import { sameData } from '@core/same'
import { Today, todayFromRecord } from '@core/visit'
import { device } from '../device/device'
import { addSender } from '../device/outbox'
import { ask, asProblem } from './client'
import { askKept } from './queries'
import { days } from './days'

/** Keeps a recipe as a visit; with an id it is made once, however often it is sent. */
const add = (dogId: string, today: Today, id?: string) =>
  ask('POST /visits', { body: { id, dogId, today } as NewVisit })

/** Keeps a recipe as the dog's record expects the day. */
async function begin(dogId: string, date: string): Promise<StoredVisit> {
  const { record } = await askKept('GET /dogs/{id}', { params: { id: dogId } })
  return add(dogId, todayFromRecord(record, date))
}

/** Changes a kept recipe from a version. The very same being there already counts: its answer was lost. Throws an ApiProblem. */
async function change(id: string, version: number, dogId: string, today: Today): Promise<StoredVisit> {
  try {
    return await ask('PUT /visits/{id}', { params: { id }, body: { version, record: { dogId, today } } })
  } catch (error) {
    const { current } = (asProblem(error).body ?? {}) as { current?: StoredVisit }
    if (current && sameData(Today.parse(current.inputs.today), today)) return current
    throw error
  }
}

/** Kept recipes. */
export const visits = {
  get: (id: string) => askKept('GET /visits/{id}', { params: { id } }),
  add,
  begin,
  change,
}

/**
 * What was found at a dog's check-in and the server hasn't yet: the visit that it changes and from which version, or
 * the id of the visit that it makes.
 */
export interface CheckInDraft {
  dogId: string
  visitId: string
  /** Null: the visit is to be made. */
  version: number | null
  today: Today
}
const DRAFT = 'juvant.checkIn.'
/** The key of a dog's check-in of a day on this device. */
export const checkInKey = (dogId: string, date: string) => `${DRAFT}${dogId}.${date}`

/** What waits under a check-in's key; undefined where nothing does, or it can't be read. */
export function readCheckIn(key: string): CheckInDraft | undefined {
  try {
    const draft = JSON.parse(device.read(key) ?? '') as CheckInDraft
    return { ...draft, today: Today.parse(draft.today) }
  } catch {
    return undefined
  }
}

/** Sends a check-in; throws an ApiProblem. */
export const sendCheckIn = ({ dogId, visitId, version, today }: CheckInDraft): Promise<StoredVisit> =>
  version === null ? add(dogId, today, visitId) : change(visitId, version, dogId, today)

/** An id for a visit that a check-in makes. */
export const newVisitId = (): string => uuid()

addSender({
  prefix: DRAFT,
  of: 'checkIns',
  count: () => 1,
  async send(key) {
    const draft = readCheckIn(key)
    if (!draft) return
    const text = device.read(key)
    if (draft.version === null) {
      // another device may have checked the dog in meanwhile: a person decides then
      const { kept } = await days.get(draft.today.date)
      if (kept.some((k) => k.dogId === draft.dogId && k.visitId !== draft.visitId)) return
    }
    await sendCheckIn(draft)
    if (device.read(key) === text) device.drop(key)
  },
})
