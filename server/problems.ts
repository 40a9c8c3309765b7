import type { ErrorRequestHandler, RequestHandler } from 'express'
import type { Logger } from 'pino'
import { type z } from 'zod'
import { DatabaseAway } from './db/db'
import { MadeBefore } from './db/stored'
import { fieldErrors, type FieldError, type Problem } from '@contract'

/** An expected refusal, answered as problem details. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly errors: FieldError[] = [],
    readonly extra: Record<string, unknown> = {},
  ) {
    super(detail)
  }
}

/** Nothing of that kind has this id. */
export function notFound(what: string): Refusal {
  return new Refusal(404, 'Not found', `There is no such ${what}. It may have been deleted; go back to the list.`)
}

/** The record was changed by someone else since it was read. `current` is what is stored now. */
export function conflict(current: { version: number }): Refusal {
  return new Refusal(
    409,
    'Changed meanwhile',
    'This was changed elsewhere since you opened it. Nothing of yours was lost and nothing of theirs overwritten: compare, then save again.',
    [],
    { current },
  )
}

/** Parses input at the edge; refuses it by field. */
export function parseInput<T>(schema: z.ZodType<T>, input: unknown): T {
  const parsed = schema.safeParse(input)
  if (parsed.success) return parsed.data
  const errors = fieldErrors(parsed.error)
  const first = errors[0]!
  throw new Refusal(422, 'Some of it can’t be taken', `${first.field || 'body'}: ${first.message}`, errors)
}

/** Answers what no route took under the interface. */
export const noSuchRoute: RequestHandler = (req) => {
  throw new Refusal(
    404,
    'Not found',
    `There is nothing at ${req.method} ${req.baseUrl}${req.path.slice(0, 100)}. See /api/openapi.json.`,
  )
}

/** What the database says of a value that it can't hold: signs that are no text, numbers and dates beyond its own. */
const CANT_HOLD = ['22003', '22007', '22008', '22021', '22P02', '22P03', '22P05']

/** What a database's server says as it goes, as it gives up what waited or lay too long, or as nobody is there. */
const AWAY = ['57P01', '57P02', '57P03', '55P03', '25P03', 'ECONNREFUSED', 'ECONNRESET']

function asRefusal(error: unknown): Refusal | undefined {
  if (error instanceof Refusal) return error
  if (error instanceof MadeBefore)
    return new Refusal(409, 'Made already', 'Something else was made under this key. Use another for another thing.')
  if (error instanceof DatabaseAway || AWAY.includes((error as { code?: string }).code ?? ''))
    return new Refusal(
      503,
      'The database doesn’t answer',
      'Its server can’t be reached. What you typed is still here; try again.',
    )
  const { type, limit, code, status } = error as { type?: string; limit?: number; code?: string; status?: number }
  if (code !== undefined && CANT_HOLD.includes(code))
    return new Refusal(
      422,
      'Some of it can’t be taken',
      'It holds a sign, a number or a date that can’t be kept. Nothing was stored.',
    )
  if (error instanceof URIError) return new Refusal(400, 'Not an address', 'The address isn’t written in UTF-8.')
  if (type === 'entity.parse.failed') return new Refusal(400, 'Not JSON', 'The body is not valid JSON.')
  if (type === 'entity.too.large') return new Refusal(413, 'Too large', `The body is over ${(limit ?? 0) >> 20} MB.`)
  if (type === 'encoding.unsupported' || type === 'charset.unsupported')
    return new Refusal(415, 'Not JSON', 'Send application/json in UTF-8.')
  // what else couldn't be read of a request
  if (status !== undefined && status >= 400 && status < 500)
    return new Refusal(status, 'Not understood', 'The request can’t be read. Nothing was stored.')
  return undefined
}

/** Turns every error into problem details; bugs are logged and answered without their inside. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error, _req, res, next) => {
    if (res.headersSent) return next(error)
    const known = asRefusal(error)
    if (!known) log.error({ err: error, id: res.locals.id as string }, 'unexpected error')
    const refusal =
      known ??
      new Refusal(
        500,
        'Something broke here',
        'It is a fault of the program, not of what you typed. Nothing was stored; try again.',
      )
    const body: Problem & Record<string, unknown> = {
      type: 'about:blank',
      title: refusal.title,
      status: refusal.status,
      detail: refusal.detail,
      errors: refusal.errors,
      ...refusal.extra,
    }
    res.status(refusal.status).type('application/problem+json').send(JSON.stringify(body))
  }
}
