import { todayFromRecord, type Today } from '@core/visit'
import type { StoredVisit } from '@contract'
import { ask } from './client'
import { askKept } from './queries'

const add = (dogId: string, today: Today) => ask('POST /visits', { body: { dogId, today } })

/** Keeps a recipe as the dog's record expects the day. */
async function begin(dogId: string, date: string): Promise<StoredVisit> {
  const { record } = await askKept('GET /dogs/{id}', { params: { id: dogId } })
  return add(dogId, todayFromRecord(record, date))
}

/** Kept recipes. */
export const visits = {
  get: (id: string) => askKept('GET /visits/{id}', { params: { id } }),
  add,
  begin,
  change: (id: string, version: number, dogId: string, today: Today) =>
    ask('PUT /visits/{id}', { params: { id }, body: { version, record: { dogId, today } } }),
}
