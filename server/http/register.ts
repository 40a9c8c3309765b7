import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import express, { type Request, type RequestHandler, type Response } from 'express'
import { z } from 'zod'
import { ENDPOINTS, PATH_PARTS, type Address, type Answer, type Asked, type Endpoint } from '@contract'
import { fieldsAbout } from '@core/dog'
import { PriceList } from '@core/house'
import { askerOf, cookieFor } from '../access/guard'
import { onBehalfOf } from '../db/db'
import { PARENTS, type ParentTable } from '../db/stored'
import { notFound, parseInput, Refusal } from '../problems'

/** A file that an endpoint answers: its content, its name, and whether it is shown or saved. */
export interface FileReply {
  content: Buffer | string | AsyncIterable<Uint8Array>
  name: string
  open: 'inline' | 'attachment'
}

/** Since when a stream tells everything, ms of the server's clock; sent under a name of its own. */
export interface Since {
  since: number
}
/** Server-sent events: gets a way to send one (or, without one, a sign of life), and to end them; answers how to stop. */
export type StreamReply<T> = (send: (event?: T | Since) => void, end: () => void) => () => void

type Table = typeof ENDPOINTS
type Reply<A extends Address> = Table[A] extends { file: string }
  ? FileReply
  : Table[A] extends { stream: infer S extends z.ZodType }
    ? StreamReply<z.output<S>>
    : Answer<A> | (Answer<A> extends undefined ? void : never)

/** What answers an endpoint. */
export type Handler<A extends Address> = (asked: Asked<A>) => Reply<A> | Promise<Reply<A>>
/** A handler for each of some endpoints; for all of them, so that one left out is an error of types. */
export type Handlers<A extends Address = Address> = { [K in A]: Handler<K> }

const BODY_LIMIT = '1mb'
const LARGE_BODY_LIMIT = '16mb'

/** Sends server-sent events until the other side closes. */
function sendStream(res: Response, reply: StreamReply<object>) {
  res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform', Connection: 'keep-alive' })
  res.flushHeaders()
  const send = (event?: object) => {
    // one that has ended is followed until it is closed
    if (res.writableEnded) return
    if (event === undefined) res.write(': quiet\n\n')
    else if ('since' in event) res.write(`event: since\ndata: ${String(event.since)}\n\n`)
    else res.write(`data: ${JSON.stringify(event)}\n\n`)
  }
  const stop = reply(send, () => res.end())
  res.on('close', stop)
}

/** A file that comes in pieces; one that can't be written to its end is cut off, so that nobody takes it for whole. */
async function sendPieces(res: Response, pieces: AsyncIterable<Uint8Array>) {
  try {
    await pipeline(Readable.from(pieces, { objectMode: false }), res)
  } catch (error) {
    // whoever asked may have gone
    if ((error as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error
  }
}

function send(res: Response, row: Endpoint, reply: unknown) {
  if (row.stream) return sendStream(res, reply as StreamReply<object>)
  if (row.file) {
    const { content, name, open } = reply as FileReply
    res.type(row.file).set('Content-Disposition', `${open}; filename="${name}"`)
    return typeof content === 'object' && Symbol.asyncIterator in content ? sendPieces(res, content) : res.send(content)
  }
  if (!row.answer) return res.status(204).end()
  return res.status(row.made ? 201 : 200).json(reply)
}

/** By what a request that makes something new is known when it comes again. */
function keyOf(req: Request, { made }: Endpoint): string | undefined {
  const key = req.get('idempotency-key')
  return made && key !== undefined
    ? parseInput(z.object({ 'Idempotency-Key': z.uuid() }), { 'Idempotency-Key': key })['Idempotency-Key']
    : undefined
}

/** How many streams a device may follow at once: several windows, not a flood. */
const STREAMS = 12
const following = new Map<string, Set<Response>>()
/** Counts a stream of a device until it closes; refuses one too many. */
function countStream(res: Response, device = '') {
  const open = following.get(device) ?? new Set()
  if (open.size >= STREAMS)
    throw new Refusal(429, 'Too many windows', `This device follows ${STREAMS} streams already. Close some windows.`)
  following.set(device, open.add(res))
  res.on('close', () => open.delete(res))
}
/** Ends what a device follows, as it is put out. */
export const endStreamsOf = (device: string): void => following.get(device)?.forEach((res) => res.end())

/** How large a file that is sent may be. */
const UPLOAD_MB = 256

/** Takes the file that a request sends; answers where it lies. */
async function receive(req: Request, type: string, incoming: string): Promise<string> {
  if (!req.is(type)) throw new Refusal(415, 'Not that kind of file', `Send ${type}.`)
  await mkdir(incoming, { recursive: true, mode: 0o700 })
  const path = join(incoming, `${randomUUID()}.sent`)
  let bytes = 0
  const counted = new Transform({
    transform(piece: Buffer, _encoding, next) {
      bytes += piece.length
      next(
        bytes > UPLOAD_MB * 1024 * 1024
          ? new Refusal(413, 'Too large', `The file is larger than ${UPLOAD_MB} MB.`)
          : null,
        piece,
      )
    },
  })
  try {
    await pipeline(req, counted, createWriteStream(path, { mode: 0o600 }))
  } catch (error) {
    await rm(path, { force: true })
    throw error
  }
  return path
}

/** What of a dog's record is about people; free words of it may be too, what is noted at a zone or a step isn't. */
const PEOPLE = new Set<string>(fieldsAbout('owner', 'vet'))
const NOTED = new Set<string>(fieldsAbout('money', 'noted'))
const MONEY = new Set<string>(fieldsAbout('money'))
/** What of a tap that says what was paid is between the groomer and the owner. */
const PAID_ALONE = new Set<string>(['price', 'cents', 'tip', 'payments'])
/** Whether a field is about people and so isn't a tub device's to know, by its name and by what it stands in. */
const isPeoples = (inside: object, key: string) =>
  PEOPLE.has(key) ||
  (NOTED.has(key) && !MONEY.has(key) && 'ownerContact' in inside) ||
  (key === 'note' && 'dogId' in inside && 'pickup' in inside)
/** Whether it is of money, which a tub device is told only where the house says so. */
const isOfMoney = (inside: object, key: string) =>
  (MONEY.has(key) && 'ownerContact' in inside) ||
  (key === 'price' && 'dogId' in inside && 'pickup' in inside) ||
  (PAID_ALONE.has(key) && 'how' in inside)
/** What a house asks is told to nobody at the tub. */
const NO_PRICES = PriceList.parse({})
/** Nothing of a kind of value. */
const nothingOf = (value: unknown) => (typeof value === 'string' ? '' : Array.isArray(value) ? [] : null)
/** The same without anything about owners and vets, which a device at the tub isn't told, and without money unless `money`. */
const withoutPeople = (reply: unknown, money: boolean): unknown =>
  JSON.parse(
    JSON.stringify(reply, function (this: object, key, value: unknown) {
      if (key === 'priceList' && !money) return NO_PRICES
      if (!isPeoples(this, key) && (money || !isOfMoney(this, key))) return value
      return typeof value === 'number' ? undefined : nothingOf(value)
    }),
  )

/** The record that a path asks a part of: what comes after its id is nowhere when it is nowhere. */
function parentOf(path: string): ParentTable | undefined {
  const [, table, id, part] = path.split('/')
  const isPart = id === '{id}' && part !== undefined && part !== 'restore'
  return isPart ? PARENTS.find((p) => p === table) : undefined
}

/** The parts of a path, or the refusal that nothing has this name. */
function partsOf(row: Endpoint, params: Request['params']) {
  return Object.fromEntries(
    Object.entries(params).map(([name, text]) => {
      const part = PATH_PARTS[name as keyof typeof PATH_PARTS].safeParse(text)
      if (!part.success) throw notFound(row.of ?? name)
      return [name, part.data]
    }),
  )
}

/**
 * A router of all endpoints of the table, with their handlers. Input is parsed before a handler sees it.
 * `checkAnswers`: what a handler answers is parsed too, and fails when it isn't what the table says (for tests).
 * `incoming`: where files that are sent lie until they are answered. `stands`: whether a record is there, which is asked before
 * a part of it is read or written. `tellsMoney`: whether the house lets devices at the tub know of money.
 */
export function register(
  handlers: Handlers,
  {
    checkAnswers = false,
    incoming,
    stands,
    tellsMoney,
  }: {
    checkAnswers?: boolean
    incoming: string
    stands: (table: ParentTable, id: string) => Promise<boolean>
    tellsMoney: () => Promise<boolean>
  },
) {
  const router = express.Router()
  for (const [address, row] of Object.entries<Endpoint>(ENDPOINTS)) {
    const [method, path] = address.split(' ') as [string, string]
    const parent = parentOf(path)
    const handle = handlers[address as Address] as (asked: unknown) => unknown
    const answer: RequestHandler = async (req, res) => {
      res.locals.ask = address
      const asker = askerOf(req)
      if (asker.role === 'look' && method !== 'GET' && address !== 'POST /unlock')
        throw new Refusal(403, 'Looking on', 'This device looks on, and changes nothing. Do it on another one.')
      if (asker.role !== 'whole' && !row.tub)
        throw new Refusal(
          403,
          'Not at the tub',
          'This device is for the tub alone. Do it on a device that may do everything.',
        )
      if (row.stream) countStream(res, asker.device)
      const file = row.upload && (await receive(req, row.upload, incoming))
      try {
        const asked = {
          params: partsOf(row, req.params),
          query: row.query && parseInput(row.query, req.query),
          body: row.body && parseInput(row.body, req.body),
          file,
          key: keyOf(req, row),
          asker,
          keep: (token: string) => res.append('Set-Cookie', cookieFor(token, req.secure)),
        }
        if (parent && !(await stands(parent, String((asked.params as { id: string }).id))))
          throw notFound(row.of ?? parent)
        const reply = await onBehalfOf(asker.device, () => handle(asked))
        if (checkAnswers && row.answer) row.answer.parse(JSON.parse(JSON.stringify(reply)))
        await send(res, row, asker.role !== 'whole' && row.answer ? withoutPeople(reply, await tellsMoney()) : reply)
      } finally {
        if (file) await rm(file, { force: true })
      }
    }
    const json = row.body ? [express.json({ limit: row.large ? LARGE_BODY_LIMIT : BODY_LIMIT })] : []
    const at = path.replace(/\{(\w+)\}/g, ':$1')
    router[method.toLowerCase() as 'get' | 'post' | 'put' | 'delete'](at, ...json, answer)
  }
  return router
}
