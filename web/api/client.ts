import { createEventHook } from '@vueuse/core'
import { v4 as uuid } from 'uuid'
import { ref } from 'vue'
import type { Address, Answer, Call, FieldError, Problem } from '@contract'
import { ROWS } from '@contract/rows'
import { hearClock } from '../device/clock'
import { forgetRoom, heardFromRoom } from '../device/lent'

/** A refusal or failure of the server, in words for the user. Status 0: it couldn't be reached. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly errors: FieldError[] = [],
    readonly body: unknown = undefined,
  ) {
    super(detail)
  }

  /** The message for a field, or undefined. */
  of(field: string): string | undefined {
    return this.errors.find((e) => e.field === field)?.message
  }
}

const UNREACHABLE = new ApiProblem(
  0,
  'No connection',
  'The server can’t be reached. What you typed is still here; try again when it runs.',
)

/** Any thrown thing as a problem that can be shown. */
export function asProblem(error: unknown): ApiProblem {
  if (error instanceof ApiProblem) return error
  return new ApiProblem(0, 'Something broke here', error instanceof Error ? error.message : String(error))
}

async function problemOf(response: Response): Promise<ApiProblem> {
  const body = (await response.json().catch(() => undefined)) as Problem | undefined
  if (!body?.title)
    return new ApiProblem(
      response.status,
      'Something broke there',
      `The server answered ${response.status}. What you typed is still here; try again.`,
    )
  return new ApiProblem(response.status, body.title, body.detail, body.errors, body)
}

/** Whether the server lets this device in. */
export const letIn = ref(true)

/** How the last question went: `there`: the server answered; `kept`: this device did, for want of a network; `none`: nobody did. */
export const network = ref<'there' | 'kept' | 'none'>('there')

/** The address of a request: parts of the path filled in, what isn't asked left out. */
export function urlOf(address: Address, { params = {}, query = {} }: { params?: object; query?: object } = {}): string {
  const path = address.slice(address.indexOf(' ') + 1)
  const filled = path.replace(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(String(params[name as never])))
  const asked = Object.entries(query).filter(([, value]) => value !== undefined)
  const search = new URLSearchParams(asked.map(([name, value]) => [name, String(value)])).toString()
  return `/api${filled}${search ? `?${search}` : ''}`
}

const writes = createEventHook<{ address: Address; params: Record<string, string> }>()
/** Called after anything was written by this window. */
export const onWritten = writes.on

/** What a call gives after the address; nothing where nothing must be given. */
export type Given<A extends Address> = object extends Call<A> ? [call?: Call<A>] : [call: Call<A>]

/** How long an answer is waited for, ms; what works on everything that is kept takes longer. */
const WAIT_MS = 30_000
const LONG_MS = 600_000

/** Ends a request that takes longer; nothing where the browser is too old to know that. */
const withinMs = (ms: number): AbortSignal | undefined =>
  'timeout' in AbortSignal ? AbortSignal.timeout(ms) : undefined

/** The keys of what was asked and not answered yet. */
const keys = new Map<string, string>()

let firstAnswer: number | undefined
/** When the server was asked for what it answered first, ms of its clock; undefined before. */
export const firstAnswerAt = (): number | undefined => firstAnswer

/** The kind of file that is sent. */
const UPLOAD = 'application/zip'

/** Asks an endpoint of the table and answers its JSON; throws an ApiProblem. */
export async function ask<A extends Address>(address: A, ...[call]: Given<A>): Promise<Answer<A>> {
  const { body, file, ...where } = (call ?? {}) as { params?: object; query?: object; body?: unknown; file?: Blob }
  const row = ROWS[address]
  const asked = Date.now()
  const text = body === undefined ? undefined : JSON.stringify(body)
  const made = 'once' in row && row.once ? `${urlOf(address, where)} ${text}` : undefined
  if (made !== undefined && !keys.has(made)) keys.set(made, uuid())
  const response = await fetch(urlOf(address, where), {
    signal: withinMs(row.long ? LONG_MS : WAIT_MS),
    method: address.slice(0, address.indexOf(' ')),
    headers: {
      ...(file ? { 'content-type': UPLOAD } : text !== undefined && { 'content-type': 'application/json' }),
      ...(made !== undefined && { 'idempotency-key': keys.get(made)! }),
    },
    body: file ?? text,
  }).catch(() => {
    network.value = 'none'
    throw UNREACHABLE
  })
  const { headers } = response
  network.value = headers.get('x-juvant-kept') === null ? 'there' : 'kept'
  const server = headers.get('x-juvant-now')
  if (network.value === 'there' && server !== null) {
    hearClock(Number(server), asked)
    firstAnswer ??= Number(server)
  }
  if (response.status === 401) {
    letIn.value = false
    // whoever put it out wants nothing left on it
    void forgetRoom()
  } else if (network.value === 'there') heardFromRoom()
  // answered: whoever asks the same again means another one
  if (made !== undefined && response.status < 500) keys.delete(made)
  if (!response.ok) throw await problemOf(response)
  const answer = (response.status === 204 ? undefined : await response.json()) as Answer<A>
  if (!address.startsWith('GET ')) void writes.trigger({ address, params: (where.params ?? {}) as never })
  return answer
}
