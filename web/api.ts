import { ref } from 'vue'
import type { FieldError, Problem } from '../contract'

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

/** Whether the last answer came from what this device keeps, for want of a network. */
export const keptAnswer = ref(false)

/** Sends a request to the interface and answers its JSON; throws an ApiProblem. */
export async function api<T>(method: 'GET' | 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown): Promise<T> {
  const response = await fetch(`/api${path}`, {
    method,
    headers: body === undefined ? undefined : { 'content-type': 'application/json' },
    body: body === undefined ? undefined : JSON.stringify(body),
  }).catch(() => {
    throw UNREACHABLE
  })
  keptAnswer.value = response.headers.get('x-juvant-kept') !== null
  if (!response.ok) throw await problemOf(response)
  return (response.status === 204 ? undefined : await response.json()) as T
}
