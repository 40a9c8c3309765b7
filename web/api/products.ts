import type { NewMovement } from '@contract'
import type { Product } from '@core/mix'
import { ask } from './client'
import { askKept } from './queries'

/** The products that the server keeps. */
export const products = {
  all: () => askKept('GET /products'),
  add: (product: Product) => ask('POST /products', { body: product }),
  change: (id: string, version: number, record: Product) =>
    ask('PUT /products/{id}', { params: { id }, body: { version, record } }),
  remove: (id: string) => ask('DELETE /products/{id}', { params: { id } }),
  restore: (id: string) => ask('POST /products/{id}/restore', { params: { id } }),
  /** Writes down that it was opened, counted, thrown away or lost. */
  move: (id: string, movement: NewMovement) => ask('POST /products/{id}/movements', { params: { id }, body: movement }),
  takeBack: (id: string) => ask('DELETE /movements/{id}', { params: { id } }),
}
