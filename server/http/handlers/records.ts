import type { Address } from '@contract'
import type { Db } from '../../db/db'
import type { recordQueries } from '../../db/stored'
import { conflict, notFound } from '../../problems'
import type { Handlers } from '../register'

type Kind = 'dogs' | 'findings' | 'products' | 'standings'
type Lines<K extends Kind> = Extract<Address, `${string} /${K}/{id}` | `POST /${K}/{id}/restore`>
interface Asked {
  params: { id: string }
}

/** Reads, changes, deletes and brings back records of one kind. */
export function recordHandlers<K extends Kind, T>(
  db: Db,
  kind: K,
  of: string,
  queries: Pick<ReturnType<typeof recordQueries<T>>, 'find' | 'change' | 'remove' | 'restore'>,
): Handlers<Lines<K>> {
  const there = <R>(row: R | undefined): R => {
    if (row === undefined) throw notFound(of)
    return row
  }
  const lines = {
    [`GET /${kind}/{id}`]: async ({ params }: Asked) => there(await queries.find(db, params.id)),
    [`PUT /${kind}/{id}`]: async ({ params, body }: Asked & { body: { version: number; record: T } }) => {
      const changed = await queries.change(db, params.id, body.version, body.record)
      if (changed.state === 'missing') throw notFound(of)
      if (changed.state === 'conflict') throw conflict(changed.row)
      return changed.row
    },
    [`DELETE /${kind}/{id}`]: async ({ params }: Asked) => {
      if (!(await queries.remove(db, params.id))) throw notFound(of)
    },
    [`POST /${kind}/{id}/restore`]: async ({ params }: Asked) => there(await queries.restore(db, params.id)),
  }
  // names made from the kind are plain strings to the compiler
  return lines as unknown as Handlers<Lines<K>>
}
