import { Router } from 'express'
import { z } from 'zod'
import { change } from '../../contract'
import type { Db } from '../db/db'
import type { recordQueries } from '../db/stored'
import { conflict, notFound, parseInput } from '../problems'

const Id = z.uuid()

/** An id from the address, or the refusal that nothing has it. */
export function idOf(what: string, text: string | undefined): string {
  const id = Id.safeParse(text)
  if (!id.success) throw notFound(what)
  return id.data
}

/** Reads, adds (where that needs nothing else), changes, deletes and brings back records of one kind. */
export function recordRoutes<T>(
  db: Db,
  what: string,
  schema: z.ZodType<T>,
  queries: Pick<ReturnType<typeof recordQueries<T>>, 'find' | 'change' | 'remove' | 'restore'> &
    Partial<Pick<ReturnType<typeof recordQueries<T>>, 'add'>>,
): Router {
  const router = Router()
  router.get('/:id', async (req, res) => {
    const found = await queries.find(db, idOf(what, req.params.id))
    if (!found) throw notFound(what)
    res.json(found)
  })
  const { add } = queries
  if (add) {
    router.post('/', async (req, res) => {
      res.status(201).json(await add(db, parseInput(schema, req.body)))
    })
  }
  router.put('/:id', async (req, res) => {
    const id = idOf(what, req.params.id)
    const { version, record } = parseInput(change(schema), req.body)
    const changed = await queries.change(db, id, version, record)
    if (changed.state === 'missing') throw notFound(what)
    if (changed.state === 'conflict') throw conflict(changed.row)
    res.json(changed.row)
  })
  router.delete('/:id', async (req, res) => {
    if (!(await queries.remove(db, idOf(what, req.params.id)))) throw notFound(what)
    res.status(204).end()
  })
  router.post('/:id/restore', async (req, res) => {
    const restored = await queries.restore(db, idOf(what, req.params.id))
    if (!restored) throw notFound(what)
    res.json(restored)
  })
  return router
}
