import { z } from 'zod'
import { createDocument, type ZodOpenApiPathsObject } from 'zod-openapi'
import {
  ArrangeRequest,
  CalendarFile,
  CalendarImport,
  CalendarPreview,
  CalendarResult,
  change,
  DayChange,
  DayQuery,
  DaySummary,
  DogQuery,
  EventBatch,
  EventList,
  EventReceipt,
  FaultChange,
  InstrumentsAnswer,
  LoadChange,
  LogbookAnswer,
  LogQuery,
  MemoryAnswer,
  MemoryQuery,
  OutcomeAnswer,
  PlanDocument,
  Problem,
  SceneQuery,
  StoredDay,
  StoredDog,
  StoredFinding,
  StoredHouse,
  StoredProduct,
  StoredStanding,
  StoredVisit,
  TaughtAnswer,
  TubDay,
  VisitDraft,
  VisitQuery,
  VisitSummary,
} from '../contract'
import { DayProblem } from '../core/day'
import { Day, Dog, Finding } from '../core/dog'
import { House } from '../core/house'
import { InstrumentKind } from '../core/instruments'
import { Product } from '../core/mix'
import { Standing } from '../core/washday'
import { RECKONINGS } from './routes/reckon'

const json = (schema: z.ZodType) => ({ content: { 'application/json': { schema } } })
const problem = { description: 'Refused, and why', content: { 'application/problem+json': { schema: Problem } } }
const ok = (description: string, schema: z.ZodType) => ({ description, ...json(schema) })
const date = { path: z.object({ date: Day }) }
const id = { path: z.object({ id: z.uuid() }) }

function changePaths(path: string, what: string, record: z.ZodType, storedRecord: z.ZodType): ZodOpenApiPathsObject {
  return {
    [`${path}/{id}`]: {
      get: {
        summary: `One ${what}`,
        requestParams: id,
        responses: { 200: ok(`The ${what}`, storedRecord), default: problem },
      },
      put: {
        summary: `Change a ${what} from a version`,
        requestParams: id,
        requestBody: json(change(record)),
        responses: { 200: ok('Changed', storedRecord), default: problem },
      },
      delete: {
        summary: `Delete a ${what}`,
        requestParams: id,
        responses: { 204: { description: 'Deleted' }, default: problem },
      },
    },
    [`${path}/{id}/restore`]: {
      post: {
        summary: `Bring a deleted ${what} back as it was`,
        requestParams: id,
        responses: { 200: ok(`The ${what}`, storedRecord), default: problem },
      },
    },
  }
}

function recordPaths(path: string, what: string, record: z.ZodType, storedRecord: z.ZodType): ZodOpenApiPathsObject {
  const post = {
    summary: `Add a ${what}`,
    requestBody: json(record),
    responses: { 201: ok('Added', storedRecord), default: problem },
  }
  return { [path]: { post }, ...changePaths(path, what, record, storedRecord) }
}

function withList(
  paths: ZodOpenApiPathsObject,
  path: string,
  summary: string,
  item: z.ZodType,
  query?: z.ZodObject,
): ZodOpenApiPathsObject {
  const get = {
    summary,
    ...(query ? { requestParams: { query } } : {}),
    responses: { 200: ok('The list', z.array(item)), default: problem },
  }
  return { ...paths, [path]: { ...paths[path], get } }
}

function reckonPaths(): ZodOpenApiPathsObject {
  return Object.fromEntries(
    Object.entries(RECKONINGS).map(([name, { what, request }]) => [
      `/api/reckon/${name}`,
      {
        post: {
          summary: what,
          requestBody: json(request),
          responses: {
            200: ok('Reckoned', name === 'visit' ? PlanDocument : z.record(z.string(), z.unknown())),
            default: problem,
          },
        },
      },
    ]),
  )
}

/** The description of the HTTP interface, made from the schemas that guard it. */
export function openApiDocument() {
  return createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Juvant',
      version: '1',
      description: 'Wash-day planning for a home dog groomer. SI units: kg, m², L, mL, °C, minutes.',
    },
    paths: {
      '/api/health': {
        get: {
          summary: 'Ready',
          responses: { 200: ok('Ready', z.object({ ready: z.boolean(), engine: z.string() })) },
        },
      },
      ...withList(
        recordPaths('/api/dogs', 'dog', Dog, StoredDog),
        '/api/dogs',
        'Dogs by name or breed',
        StoredDog,
        DogQuery,
      ),
      ...withList(
        recordPaths('/api/products', 'product', Product, StoredProduct),
        '/api/products',
        'The shelf',
        StoredProduct,
      ),
      '/api/dogs/{id}/findings': {
        get: {
          summary: 'What was found on a dog',
          requestParams: id,
          responses: { 200: ok('The findings', z.array(StoredFinding)), default: problem },
        },
        post: {
          summary: 'Pin a finding on a dog',
          requestParams: id,
          requestBody: json(Finding),
          responses: { 201: ok('Pinned', StoredFinding), default: problem },
        },
      },
      ...changePaths('/api/findings', 'finding', Finding, StoredFinding),
      ...Object.fromEntries(
        [
          ['letter', 'The letter to the vet'],
          ['slip', 'The slip that goes home'],
        ].map(([name, summary]) => [
          `/api/visits/{id}/${name}.pdf`,
          {
            get: {
              summary,
              requestParams: id,
              responses: { 200: { description: summary!, content: { 'application/pdf': {} } }, default: problem },
            },
          },
        ]),
      ),
      '/api/house': {
        get: { summary: 'The house', responses: { 200: ok('The house', StoredHouse), default: problem } },
        put: {
          summary: 'Change the house from a version',
          requestBody: json(change(House)),
          responses: { 200: ok('Changed', StoredHouse), default: problem },
        },
      },
      ...withList(
        recordPaths('/api/visits', 'visit', VisitDraft, StoredVisit),
        '/api/visits',
        'Kept visits, newest first',
        VisitSummary,
        VisitQuery,
      ),
      '/api/visits/{id}/events': {
        get: {
          summary: 'All taps of a visit',
          requestParams: id,
          responses: { 200: ok('The taps', EventList), default: problem },
        },
        post: {
          summary: 'Keep taps of a visit; those known by their id change nothing',
          requestParams: id,
          requestBody: json(EventBatch),
          responses: { 200: ok('What was kept', EventReceipt), default: problem },
        },
      },
      '/api/visits/{id}/outcome': {
        get: {
          summary: 'A visit as it went, once it has ended, and what is not learned from it',
          requestParams: id,
          responses: { 200: ok('The outcome, or null', OutcomeAnswer), default: problem },
        },
      },
      '/api/memory': {
        get: {
          summary: 'What the log knows of dogs, as their plans use it',
          requestParams: { query: MemoryQuery },
          responses: { 200: ok('By the dog’s id', MemoryAnswer), default: problem },
        },
      },
      '/api/logbook': {
        get: {
          summary: 'Ended visits, and the numbers of every chart',
          requestParams: { query: LogQuery },
          responses: { 200: ok('The logbook', LogbookAnswer), default: problem },
        },
      },
      '/api/logbook/taught': {
        get: {
          summary: 'What the whole log taught, each with its evidence, and what it set aside',
          responses: { 200: ok('Sentences', TaughtAnswer), default: problem },
        },
      },
      '/api/instruments': {
        get: {
          summary: 'The instruments with their faults, and what lies on the scale',
          responses: { 200: ok('The instruments', InstrumentsAnswer), default: problem },
        },
      },
      '/api/instruments/{kind}': {
        put: {
          summary: 'Give an instrument a fault to practise with',
          requestParams: { path: z.object({ kind: InstrumentKind }) },
          requestBody: json(FaultChange),
          responses: { 200: ok('The instruments', InstrumentsAnswer), default: problem },
        },
      },
      '/api/instruments/scale/load': {
        put: {
          summary: 'Lay something on the made-up scale, g',
          requestBody: json(LoadChange),
          responses: { 200: ok('The instruments', InstrumentsAnswer), default: problem },
        },
      },
      '/api/instruments/readings': {
        get: {
          summary: 'Readings every second, as server-sent events; each is a list of readings',
          requestParams: { query: SceneQuery },
          responses: {
            200: { description: 'The stream', content: { 'text/event-stream': {} } },
            default: problem,
          },
        },
      },
      '/api/days/{date}/tub': {
        get: {
          summary: 'A day at the tub: its dogs in the order of the plan, its visits with their taps',
          requestParams: date,
          responses: { 200: ok('The day', TubDay), default: problem },
        },
      },
      '/api/days': {
        get: {
          summary: 'Kept days that have dogs, newest first',
          requestParams: { query: DayQuery },
          responses: { 200: ok('The days', z.array(DaySummary)), default: problem },
        },
      },
      '/api/days/{date}': {
        get: {
          summary: 'A day; empty with version 0 when nothing is kept of it',
          requestParams: date,
          responses: { 200: ok('The day', StoredDay), default: problem },
        },
        put: {
          summary: 'Keep a day from a version (0: make it)',
          requestParams: date,
          requestBody: json(DayChange),
          responses: { 200: ok('Kept', StoredDay), default: problem },
        },
        delete: {
          summary: 'Forget a day',
          requestParams: date,
          responses: { 204: { description: 'Forgotten' }, default: problem },
        },
      },
      '/api/days/{date}/plan.ics': {
        get: {
          summary: 'The day as iCalendar (RFC 5545)',
          requestParams: date,
          responses: { 200: { description: 'The calendar', content: { 'text/calendar': {} } }, default: problem },
        },
      },
      '/api/days/{date}/sheet.pdf': {
        get: {
          summary: 'The day sheet',
          requestParams: date,
          responses: { 200: { description: 'The day sheet', content: { 'application/pdf': {} } }, default: problem },
        },
      },
      ...withList(
        recordPaths('/api/standings', 'standing dog', Standing, StoredStanding),
        '/api/standings',
        'Dogs that come again and again',
        StoredStanding,
      ),
      '/api/calendar/preview': {
        post: {
          summary: 'The bookings of an iCalendar file, with the dogs they seem to mean; nothing is kept',
          requestBody: json(CalendarFile),
          responses: { 200: ok('The bookings', CalendarPreview), default: problem },
        },
      },
      '/api/calendar/import': {
        post: {
          summary: 'Put bookings on their days, all or none',
          requestBody: json(CalendarImport),
          responses: { 200: ok('What was done', CalendarResult), default: problem },
        },
      },
      '/api/days/arrange': {
        post: {
          summary: 'Arrange a day of kept recipes',
          requestBody: json(ArrangeRequest),
          responses: {
            200: ok(
              'The problem and the day',
              z.object({ problem: DayProblem, day: z.record(z.string(), z.unknown()) }),
            ),
            default: problem,
          },
        },
      },
      ...reckonPaths(),
    },
  })
}
