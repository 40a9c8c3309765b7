import { z } from 'zod'
import { createDocument, type ZodOpenApiOperationObject, type ZodOpenApiPathsObject } from 'zod-openapi'
import { ENDPOINTS, PATH_PARTS, Problem, type Endpoint } from '@contract'

const json = (schema: z.ZodType) => ({ content: { 'application/json': { schema } } })
const problem = { description: 'Refused, and why', content: { 'application/problem+json': { schema: Problem } } }

function success({ summary, answer, file, stream, made }: Endpoint) {
  if (file) return { 200: { description: summary, content: { [file]: {} } } }
  if (stream) return { 200: { description: summary, content: { 'text/event-stream': { schema: stream } } } }
  if (!answer) return { 204: { description: 'Done' } }
  return { [made ? 201 : 200]: { description: summary, ...json(answer) } }
}

function operation(path: string, row: Endpoint): ZodOpenApiOperationObject {
  const names = [...path.matchAll(/\{(\w+)\}/g)].map((m) => m[1] as keyof typeof PATH_PARTS)
  const parts = names.length > 0 ? z.object(Object.fromEntries(names.map((n) => [n, PATH_PARTS[n]]))) : undefined
  return {
    summary: row.summary,
    ...(parts || row.query || row.made
      ? {
          requestParams: {
            ...(parts && { path: parts }),
            ...(row.query && { query: row.query }),
            ...(row.made && { header: z.object({ 'Idempotency-Key': z.uuid().optional() }) }),
          },
        }
      : {}),
    ...(row.body ? { requestBody: json(row.body) } : {}),
    ...(row.upload ? { requestBody: { content: { [row.upload]: {} } } } : {}),
    responses: {
      ...success(row),
      ...(row.of ? { 404: { ...problem, description: `There is no such ${row.of}` } } : {}),
      ...(row.versioned
        ? { 409: { ...problem, description: 'Changed meanwhile; `current` is what is stored now' } }
        : {}),
      ...((row.body ?? row.query ?? row.upload)
        ? { 422: { ...problem, description: 'Some of it can’t be taken; `errors` by field' } }
        : {}),
      default: problem,
    },
  }
}

/** The description of the HTTP interface, made from the table that it is served by. */
export function openApiDocument() {
  const paths: ZodOpenApiPathsObject = {}
  for (const [address, row] of Object.entries<Endpoint>(ENDPOINTS)) {
    const [method, path] = address.split(' ') as [string, string]
    const at = `/api${path}`
    paths[at] = { ...paths[at], [method.toLowerCase()]: operation(path, row) }
  }
  return createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Juvant',
      version: '1',
      description: 'Wash-day planning for a home dog groomer. SI units: kg, m², L, mL, °C, minutes.',
    },
    paths,
  })
}
