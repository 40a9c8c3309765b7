import { z } from 'zod'
import type { Said } from '@core/said'
import { METRIC_SAY, type Say } from '@words'

const KINDS: Record<string, string> = {
  number: 'Give a number.',
  int: 'Give a whole number.',
  string: 'Give text.',
  boolean: 'Say true or false.',
  array: 'Give a list.',
  object: 'Give an object.',
  record: 'Give an object.',
}

// What has no words of its own is refused in the same ones everywhere.
z.config({
  customError: (issue) => {
    if (issue.code === 'invalid_value') return `Choose one of: ${issue.values.map(String).join(', ')}.`
    if (issue.code !== 'invalid_type') return undefined
    return issue.input === undefined && issue.expected !== 'number' ? 'This is missing.' : KINDS[issue.expected]
  },
})

/** One field that was refused: where it is, and what is allowed there. */
export const FieldError = z.object({ field: z.string(), message: z.string() })
export type FieldError = z.infer<typeof FieldError>

/** Problem details for HTTP interfaces (RFC 9457), with the fields that were refused. */
export const Problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  errors: z.array(FieldError).default([]),
})
export type Problem = z.infer<typeof Problem>

/** A path of keys as a person reads it: `dryers[0].airflow`. */
export function fieldPath(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) => (typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key)),
    '',
  )
}

/** What is wrong in one place: the statement that came with it in words, else the schema's own. */
function messageOf(issue: z.core.$ZodIssue, say: Say): string {
  const statement = 'params' in issue ? (issue.params as Said | undefined) : undefined
  return statement?.code === undefined ? issue.message : say.said(statement)
}

/** The refused fields of a failed parse, first message of each field only, in a house's own units. */
export function fieldErrors(error: z.ZodError, say: Say = METRIC_SAY): FieldError[] {
  const seen = new Map<string, FieldError>()
  for (const issue of error.issues) {
    const field = fieldPath(issue.path)
    if (!seen.has(field)) seen.set(field, { field, message: messageOf(issue, say) })
  }
  return [...seen.values()]
}
