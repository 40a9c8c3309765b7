import type { Dog } from '@core/dog'
import { ask } from './client'
import { askKept } from './queries'

/** Dogs of exactly this name, capitals aside. */
async function named(name: string) {
  const wanted = name.trim().toLowerCase()
  const found = await ask('GET /dogs', { query: { text: name.trim() } })
  return found.filter((d) => d.record.name.toLowerCase() === wanted)
}

/** The dogs that the server keeps. */
export const dogs = {
  all: () => askKept('GET /dogs'),
  named,
  get: (id: string) => askKept('GET /dogs/{id}', { params: { id } }),
  add: (dog: Dog) => ask('POST /dogs', { body: dog }),
  change: (id: string, version: number, record: Dog) =>
    ask('PUT /dogs/{id}', { params: { id }, body: { version, record } }),
  remove: (id: string) => ask('DELETE /dogs/{id}', { params: { id } }),
  restore: (id: string) => ask('POST /dogs/{id}/restore', { params: { id } }),
}
