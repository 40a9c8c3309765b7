import { z } from 'zod'

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

/** The refused fields of a failed parse, first message of each field only. */
export function fieldErrors(error: z.ZodError): FieldError[] {
  const seen = new Map<string, FieldError>()
  for (const issue of error.issues) {
    const field = fieldPath(issue.path)
    if (!seen.has(field)) seen.set(field, { field, message: issue.message })
  }
  return [...seen.values()]
}
