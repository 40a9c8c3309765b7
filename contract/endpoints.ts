import { z } from 'zod'
import { DayProblem } from '@core/day'
import { Day, Dog, Finding } from '@core/dog'
import { House } from '@core/house'
import { InstrumentKind } from '@core/instruments'
import { Product } from '@core/mix'
import { Standing } from '@core/washday'
import {
  ArchivePreview,
  ArchiveProgress,
  ArchiveStop,
  ArchiveTake,
  ArchiveTaken,
  OwnerData,
  OwnerErase,
} from './archive'
import { BackupFile, BackupFolder, BackupName, BackupState, Practised, RestoredBackup } from './backups'
import { BringBack, DeletedThing } from './bin'
import { Change } from './changes'
import {
  CodeWish,
  LockWish,
  PairedDevice,
  PairingCode,
  PairingRequest,
  Unlocking,
  WhoAsks,
  type DeviceRole,
} from './devices'
import { ArrangeRequest, DayRequest } from './day'
import {
  CalendarFile,
  CalendarImport,
  CalendarPreview,
  CalendarResult,
  DayChange,
  DaysChange,
  DayQuery,
  DaySummary,
  DogToPlace,
  StoredDay,
  StoredStanding,
  WeeksQuery,
} from './days'
import { HistoryBack, HistoryLine, HistoryQuery } from './history'
import { FaultChange, InstrumentsAnswer, LoadChange, SceneQuery } from './instruments'
import { LogbookAnswer, LogQuery, MemoryAnswer, MemoryQuery, OutcomeAnswer, TaughtAnswer } from './logbook'
import { DryingRequest, EarsRequest, MixRequest, RinseRequest, VisitRequest, WaterRequest } from './reckon'
import {
  change,
  DogDue,
  DogQuery,
  DueQuery,
  NewMovement,
  PlanDocument,
  StockLine,
  StockQuery,
  StoredMovement,
  StoredDog,
  StoredFinding,
  StoredHouse,
  StoredProduct,
  StoredVisit,
  NewVisit,
  VisitDraft,
  VisitQuery,
  VisitSummary,
} from './records'
import { Owner } from '@core/owner'
import { Entry } from '@core/money'
import {
  Account,
  AccountQuery,
  BooksAnswer,
  ClosingsAnswer,
  NewClosing,
  BooksQuery,
  GivenReceipt,
  OwnerAnswer,
  OwnerJoin,
  OwnerLine,
  OwnerQuery,
  ReceiptWish,
  StoredEntry,
  StoredOwner,
  WhatIfAnswer,
  WhatIfQuery,
} from './money'
import { CardQuery, FollowUp, FollowUpQuery, NewAnswers, StoredAnswers } from './owners'
import { NewPhoto, Photo, PhotoQuery } from './photos'
import {
  DogList,
  BeginOwn,
  Begun,
  BottleLabelQuery,
  CsvFile,
  CsvImport,
  CsvPreview,
  CsvResult,
  TableName,
  WrittenQuery,
  WrittenTable,
} from './tables'
import { Health } from './health'
import { EventBatch, EventList, EventReceipt, TubDay } from './tubside'

/** What stands in braces in a path, the same everywhere. */
export const PATH_PARTS = {
  id: z.uuid(),
  date: Day,
  kind: InstrumentKind,
  table: TableName,
  written: WrittenTable,
  backup: BackupName,
}
type PathPart = keyof typeof PATH_PARTS

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'
/** A method and a path under `/api`, as in `GET /dogs/{id}`. */
type Line = `${Method} /${string}`

/**
 * One endpoint. Exactly one of `answer` (JSON), `file` (its media type) and `stream` (each server-sent event), or
 * none of them: then it answers that it is done. A body that can't be taken is refused with 422, something that
 * isn't there with 404, a change of an older version with 409.
 */
export interface Endpoint {
  summary: string
  /** What the part of the path names, in words: "dog". */
  of?: string
  query?: z.ZodObject
  body?: z.ZodType
  /** A body of up to 16 MB instead of 1 MB. */
  large?: true
  answer?: z.ZodType
  /** The answer is something new: 201. */
  made?: true
  /** What is stored may stand against it: 409 with what is there now. */
  versioned?: true
  file?:
    | 'application/pdf'
    | 'text/calendar'
    | 'text/csv'
    | 'application/zip'
    | 'application/json'
    | 'application/x-x509-ca-cert'
    | 'image/jpeg'
    | 'text/html'
  /** The body is a file of this type; its handler gets where it lies. */
  upload?: 'application/zip'
  stream?: z.ZodType
  /** A device that is for the tub alone may ask it, and isn't told of owners and vets. */
  tub?: true
}

const one = <S extends z.ZodType>(of: string, answer: S) => ({ summary: `One ${of}`, of, answer })
const add = <R extends z.ZodType, S extends z.ZodType>(of: string, body: R, answer: S) => ({
  summary: `Add a ${of}`,
  body,
  answer,
  made: true as const,
})
const put = <R extends z.ZodType, S extends z.ZodType>(of: string, record: R, answer: S) => ({
  summary: `Change a ${of} from a version`,
  of,
  body: change(record),
  answer,
  versioned: true as const,
})
const drop = (of: string) => ({ summary: `Delete a ${of}`, of })
const back = <S extends z.ZodType>(of: string, answer: S) => ({
  summary: `Bring a deleted ${of} back as it was`,
  of,
  answer,
})
/** A JSON object that the engine's own types describe. */
const document = z
  .custom<object>((value) => typeof value === 'object' && value !== null)
  .meta({ type: 'object', description: 'As the reckoning gives it; every number with unit and reasons' })
const reckoned = <R extends z.ZodType>(summary: string, body: R) => ({ summary, body, answer: document })

/**
 * Every endpoint of the HTTP interface, by its method and path under `/api`: the server's handlers, its
 * description (`/api/openapi.json`) and the interface's requests are typed and made by this table alone.
 */
export const ENDPOINTS = {
  'GET /health': {
    tub: true,
    summary: 'Whether the program and its database answer, and to who may know how well they are',
    answer: Health,
  },
  'GET /openapi.json': { summary: 'This description', answer: document },
  'GET /changes': {
    tub: true,
    summary: 'Every change of what is kept, as it happens, as server-sent events',
    stream: Change,
  },

  'GET /dogs': { tub: true, summary: 'Dogs by name, breed or owner', query: DogQuery, answer: z.array(StoredDog) },
  'GET /dues': {
    summary: 'When every dog was here, is due again, and comes next',
    query: DueQuery,
    answer: z.array(DogDue),
  },
  'POST /dogs': add('dog', Dog, StoredDog),
  'POST /dogs/list': {
    summary: 'Take the dogs of a list of clients: all of them or none',
    body: DogList,
    large: true,
    answer: z.object({ added: z.number().int() }),
  },
  'GET /dogs/{id}': { ...one('dog', StoredDog), tub: true },
  'PUT /dogs/{id}': put('dog', Dog, StoredDog),
  'DELETE /dogs/{id}': drop('dog'),
  'POST /dogs/{id}/restore': back('dog', StoredDog),
  'GET /dogs/{id}/record.json': { summary: 'All of a dog, for its owner', of: 'dog', file: 'application/json' },
  'GET /dogs/{id}/record.pdf': { summary: 'The same to read', of: 'dog', file: 'application/pdf' },
  'GET /dogs/{id}/owner': { summary: 'What is kept of its owner, in all its dogs', of: 'dog', answer: OwnerData },
  'POST /dogs/{id}/owner/erase': {
    summary: 'Delete what is kept of its owner for good',
    of: 'dog',
    body: OwnerErase,
    answer: OwnerData,
  },
  'GET /dogs/{id}/findings': {
    tub: true,
    summary: 'What was found on a dog',
    of: 'dog',
    answer: z.array(StoredFinding),
  },
  'POST /dogs/{id}/findings': {
    ...add('finding', Finding, StoredFinding),
    summary: 'Pin a finding on a dog',
    of: 'dog',
  },

  'GET /findings/{id}': one('finding', StoredFinding),
  'PUT /findings/{id}': put('finding', Finding, StoredFinding),
  'DELETE /findings/{id}': drop('finding'),
  'POST /findings/{id}/restore': back('finding', StoredFinding),

  'GET /dogs/{id}/answers': {
    summary: 'What its owner answered before and after visits, the newest first',
    of: 'dog',
    answer: z.array(StoredAnswers),
  },
  'POST /dogs/{id}/answers': {
    summary: 'Keep what its owner answers',
    of: 'dog',
    body: NewAnswers,
    answer: StoredAnswers,
    made: true,
  },
  'DELETE /answers/{id}': drop('answer'),
  'GET /dogs/{id}/card.html': {
    summary: 'A page for its owner to fill in and hand back',
    of: 'dog',
    query: CardQuery,
    file: 'text/html',
  },
  'GET /followups': {
    summary: 'Visits whose owners are to be asked how it went since',
    query: FollowUpQuery,
    answer: z.array(FollowUp),
  },

  'GET /photos': {
    tub: true,
    summary: 'Photographs of a dog or a visit, without the pictures',
    query: PhotoQuery,
    answer: z.array(Photo),
  },
  'POST /photos': { ...add('photograph', NewPhoto, Photo), large: true, tub: true },
  'GET /photos/{id}/picture.jpg': { tub: true, summary: 'The picture itself', of: 'photograph', file: 'image/jpeg' },
  'DELETE /photos/{id}': { summary: 'Delete a photograph for good', of: 'photograph' },

  'GET /products': { tub: true, summary: 'The shelf', answer: z.array(StoredProduct) },
  'POST /products': add('product', Product, StoredProduct),
  'GET /products/{id}': one('product', StoredProduct),
  'PUT /products/{id}': put('product', Product, StoredProduct),
  'DELETE /products/{id}': drop('product'),
  'POST /products/{id}/restore': back('product', StoredProduct),
  'GET /products/{id}/movements': {
    summary: 'What came and went of a product, newest first',
    of: 'product',
    answer: z.array(StoredMovement),
  },
  'POST /products/{id}/movements': {
    summary: 'Write down that a product was opened, counted, thrown away or lost',
    of: 'product',
    body: NewMovement,
    answer: StoredMovement,
    made: true,
  },
  'GET /products/{id}/label.pdf': {
    summary: 'Labels for a bottle of its mix',
    of: 'product',
    query: BottleLabelQuery,
    file: 'application/pdf',
  },
  'GET /tables/{written}': {
    summary: 'All products, dogs, visits, their steps or payments, or what was written into accounts, as CSV',
    of: 'table',
    query: WrittenQuery,
    file: 'text/csv',
  },
  'POST /tables/{table}/preview': {
    summary: 'What a CSV file would do; nothing is kept',
    of: 'table',
    body: CsvFile,
    large: true,
    answer: CsvPreview,
  },
  'POST /tables/{table}/import': {
    summary: 'Take a CSV file, all or none',
    of: 'table',
    body: CsvImport,
    large: true,
    answer: CsvResult,
  },
  'POST /begin/own': {
    summary: 'Clear the demonstration, after a copy of it was put aside, and begin with an empty room',
    body: BeginOwn,
    answer: Begun,
  },
  'POST /begin/demonstration': { summary: 'Put the demonstration into an empty room' },
  'GET /me': { summary: 'Who asks, and where others reach this program', answer: WhoAsks, tub: true },
  'GET /trust.crt': {
    summary: 'The certificate of this room’s authority, which a device trusts once to reach it by https',
    tub: true,
    file: 'application/x-x509-ca-cert',
  },
  'POST /pair': { summary: 'Let this device in by a code', body: PairingRequest, tub: true },
  'GET /devices': { summary: 'Devices that are let in', answer: z.array(PairedDevice) },
  'POST /devices/code': { summary: 'A code that lets one device in', body: CodeWish, answer: PairingCode, made: true },
  'DELETE /devices/{id}': { summary: 'Put a device out', of: 'device' },
  'PUT /devices/{id}/lock': {
    summary: 'Let a device ask for four digits once it lies untouched',
    of: 'device',
    body: LockWish,
  },
  'DELETE /devices/{id}/lock': { summary: 'Let a device ask for no digits any more', of: 'device' },
  'POST /unlock': { summary: 'Unlock this device by its digits', body: Unlocking, tub: true },
  'GET /bin': { summary: 'What was deleted in the last 30 days', answer: z.array(DeletedThing) },
  'POST /bin/restore': { summary: 'Bring something deleted back as it was', body: BringBack },
  'GET /history': {
    summary: 'What a record was before, and what changed it, the last first',
    query: HistoryQuery,
    answer: z.array(HistoryLine),
  },
  'POST /history/back': { summary: 'Put a record back to what it was before a change', body: HistoryBack },
  'GET /backups': { summary: 'Where backups lie, and how old they are', answer: BackupState },
  'POST /backups': { summary: 'Make a backup now', answer: BackupFile, made: true },
  'PUT /backups/folder': {
    summary: 'Keep backups in another folder from now on',
    body: BackupFolder,
    answer: BackupState,
  },
  'POST /backups/practise': {
    summary: 'Restore the newest backup into a folder that is thrown away, and compare',
    answer: Practised,
  },
  'POST /backups/{backup}/restore': {
    summary: 'Restore a backup into a new folder beside the data; nothing that is kept is touched',
    of: 'backup',
    answer: RestoredBackup,
    made: true,
  },
  'GET /archive.zip': { summary: 'Everything that is kept, as a zip of JSON', file: 'application/zip' },
  'GET /archive.schema.json': { summary: 'The JSON Schema of the archive’s files', answer: document },
  'POST /archive/preview': {
    summary: 'What an archive would do here; nothing is kept',
    upload: 'application/zip',
    answer: ArchivePreview,
  },
  'GET /archive/taking': { summary: 'How far an archive is that is being taken', answer: ArchiveProgress },
  'POST /archive/stop': { summary: 'Take an archive no further; nothing of it is kept', body: ArchiveStop },
  'POST /archive/take': { summary: 'Take an archive that was looked at', body: ArchiveTake, answer: ArchiveTaken },
  'DELETE /movements/{id}': { summary: 'Take back what was written down by hand', of: 'movement' },
  'GET /stock': {
    summary: 'What is left of every product, for how many wash days, and what is to be bought',
    query: StockQuery,
    answer: z.array(StockLine),
  },

  'GET /house': { tub: true, summary: 'The house', answer: StoredHouse },
  'PUT /house': put('house', House, StoredHouse),

  'GET /visits': { tub: true, summary: 'Kept visits, newest first', query: VisitQuery, answer: z.array(VisitSummary) },
  'POST /visits': { ...add('visit', NewVisit, StoredVisit), versioned: true },
  'GET /visits/{id}': { ...one('visit', StoredVisit), tub: true },
  'PUT /visits/{id}': put('visit', VisitDraft, StoredVisit),
  'DELETE /visits/{id}': drop('visit'),
  'GET /visits/{id}/events': { tub: true, summary: 'All taps of a visit', of: 'visit', answer: EventList },
  'POST /visits/{id}/events': {
    tub: true,
    summary: 'Keep taps of a visit; those known by their id change nothing',
    of: 'visit',
    body: EventBatch,
    answer: EventReceipt,
  },
  'GET /visits/{id}/outcome': {
    tub: true,
    summary: 'A visit as it went, once it has ended, and what is not learned from it',
    of: 'visit',
    answer: OutcomeAnswer,
  },
  'GET /visits/{id}/letter.pdf': { summary: 'The letter to the vet', of: 'visit', file: 'application/pdf' },
  'GET /visits/{id}/slip.pdf': { summary: 'The slip that goes home', of: 'visit', file: 'application/pdf' },

  'POST /visits/{id}/receipt': {
    summary: 'The receipt for what was paid of a visit: the last one while it says the same, else the next number',
    of: 'visit',
    body: ReceiptWish,
    answer: GivenReceipt,
  },
  'GET /visits/{id}/receipt.pdf': {
    summary: 'The last receipt of a visit to print; printed again it says copy',
    of: 'receipt',
    file: 'application/pdf',
  },

  'GET /memory': {
    tub: true,
    summary: 'What the log knows of dogs, as their plans use it',
    query: MemoryQuery,
    answer: MemoryAnswer,
  },
  'GET /logbook': {
    summary: 'Ended visits, and the numbers of every chart',
    query: LogQuery,
    answer: LogbookAnswer,
  },
  'GET /logbook/taught': {
    summary: 'What the whole log taught, each with its evidence, and what it set aside',
    answer: TaughtAnswer,
  },

  'GET /books': {
    summary: 'What ended visits asked, brought and cost, and what is owed',
    query: BooksQuery,
    answer: BooksAnswer,
  },
  'GET /books/what-if': {
    summary: 'What visits would have asked by another price list',
    query: WhatIfQuery,
    answer: WhatIfAnswer,
  },
  'GET /owners': { summary: 'Owners by name, contact or dog', query: OwnerQuery, answer: z.array(OwnerLine) },
  'GET /owners/{id}': one('owner', OwnerAnswer),
  'PUT /owners/{id}': put('owner', Owner, StoredOwner),
  'POST /owners/{id}/join': {
    summary: 'Make one of two owners: dogs, account and notes of the other become this one’s',
    of: 'owner',
    body: OwnerJoin,
    answer: StoredOwner,
  },
  'POST /owners/{id}/entries': {
    summary: 'Write into an owner’s account; nothing there is ever changed',
    of: 'owner',
    body: Entry,
    answer: StoredEntry,
    made: true,
  },
  'POST /entries/{id}/receipt': {
    summary: 'The receipt for a payment into an account: the one that was given, else the next number',
    of: 'payment',
    answer: GivenReceipt,
  },
  'GET /entries/{id}/receipt.pdf': {
    summary: 'The receipt of a payment into an account to print; printed again it says copy',
    of: 'receipt',
    file: 'application/pdf',
  },
  'GET /closings': {
    summary: 'What changed hands since days were closed, and what was closed',
    answer: ClosingsAnswer,
  },
  'POST /closings': {
    summary: 'Count and close all open days up to one: what was said of their money stays',
    body: NewClosing,
    answer: ClosingsAnswer,
    made: true,
  },
  'GET /account': {
    summary: 'What a dog’s owner owes, for all its dogs',
    query: AccountQuery,
    answer: Account,
  },

  'GET /instruments': {
    tub: true,
    summary: 'The instruments with their faults, and what lies on the scale',
    answer: InstrumentsAnswer,
  },
  'PUT /instruments/scale/load': {
    summary: 'Lay something on the made-up scale, g',
    body: LoadChange,
    answer: InstrumentsAnswer,
  },
  'PUT /instruments/{kind}': {
    summary: 'Give an instrument a fault to practise with',
    of: 'instrument',
    body: FaultChange,
    answer: InstrumentsAnswer,
  },
  'GET /instruments/readings': {
    tub: true,
    summary: 'Readings every second, as server-sent events; each is a list of readings',
    query: SceneQuery,
    stream: z.array(document),
  },

  'GET /days': {
    tub: true,
    summary: 'Kept days that have dogs, newest first',
    query: DayQuery,
    answer: z.array(DaySummary),
  },
  'PUT /days': {
    summary: 'Keep several days, each from a version (0: make it): all of them or none',
    body: DaysChange,
    large: true,
    answer: z.array(StoredDay),
    versioned: true,
  },
  'GET /to-place': {
    summary: 'Dogs that were taken off a day of late and are on none since, the newest first',
    query: DueQuery,
    answer: z.array(DogToPlace),
  },
  'GET /weeks': {
    summary: 'Days of some weeks that have dogs, whole, the first first',
    query: WeeksQuery,
    answer: z.array(StoredDay),
  },
  'POST /days/arrange': {
    summary: 'Arrange a day of kept recipes',
    body: ArrangeRequest,
    answer: z.object({ problem: DayProblem, day: document }),
  },
  'GET /days/{date}': {
    tub: true,
    summary: 'A day; empty with version 0 when nothing is kept of it',
    of: 'day',
    answer: StoredDay,
  },
  'PUT /days/{date}': {
    summary: 'Keep a day from a version (0: make it)',
    of: 'day',
    body: DayChange,
    answer: StoredDay,
    versioned: true,
  },
  'DELETE /days/{date}': { summary: 'Forget a day', of: 'day' },
  'GET /days/{date}/tub': {
    tub: true,
    summary: 'A day at the tub: its dogs in the order of the plan, its visits with their taps',
    of: 'day',
    answer: TubDay,
  },
  'GET /days/{date}/plan.ics': { summary: 'The day as iCalendar (RFC 5545)', of: 'day', file: 'text/calendar' },
  'GET /days/{date}/sheet.pdf': { summary: 'The day sheet', of: 'day', file: 'application/pdf' },

  'GET /standings': { tub: true, summary: 'Dogs that come again and again', answer: z.array(StoredStanding) },
  'POST /standings': add('standing dog', Standing, StoredStanding),
  'GET /standings/{id}': one('standing dog', StoredStanding),
  'PUT /standings/{id}': put('standing dog', Standing, StoredStanding),
  'DELETE /standings/{id}': drop('standing dog'),
  'POST /standings/{id}/restore': back('standing dog', StoredStanding),

  'POST /calendar/preview': {
    summary: 'The bookings of an iCalendar file, with the dogs they seem to mean; nothing is kept',
    body: CalendarFile,
    large: true,
    answer: CalendarPreview,
  },
  'POST /calendar/import': {
    summary: 'Put bookings on their days, all or none',
    body: CalendarImport,
    large: true,
    answer: CalendarResult,
  },

  'POST /reckon/visit': { summary: 'One dog’s plan for one day', body: VisitRequest, answer: PlanDocument },
  'POST /reckon/mix': reckoned('A printed ratio, split into product and water', MixRequest),
  'POST /reckon/water': reckoned('Bath temperature, tap mixing and scald line', WaterRequest),
  'POST /reckon/rinse': reckoned('Rinse minutes, litres and the residue curve', RinseRequest),
  'POST /reckon/drying': reckoned('Drying zone by zone', DryingRequest),
  'POST /reckon/ears': reckoned('One ear by the decision table', EarsRequest),
  'POST /reckon/day': reckoned('A wash day over hands, tub, table, water and the clock', DayRequest),
} as const satisfies Record<Line, Endpoint>

type Table = typeof ENDPOINTS
/** A method and path of the table. */
export type Address = keyof Table

type PartsIn<P> = P extends `${string}{${infer N}}${infer Rest}` ? N | PartsIn<Rest> : never
type Of<A extends Address, K extends keyof Endpoint> = Table[A] extends Record<K, infer S> ? S : undefined

/** What is asked of an endpoint, as its handler gets it: parsed. */
export interface Asked<A extends Address> {
  params: { [N in PartsIn<A> & PathPart]: z.output<(typeof PATH_PARTS)[N]> }
  query: Of<A, 'query'> extends z.ZodType ? z.output<Of<A, 'query'> & z.ZodType> : undefined
  body: Of<A, 'body'> extends z.ZodType ? z.output<Of<A, 'body'> & z.ZodType> : undefined
  /** Where a file that was sent lies; until the answer is given. */
  file: Of<A, 'upload'> extends string ? string : undefined
  /** What makes something new once, however often it is asked: the header `Idempotency-Key`, a UUID. */
  key: string | undefined
  /** Who asks. */
  asker: { role: DeviceRole; here: boolean; stranger?: true; device?: string; lock?: number | null; address?: string }
  /** Gives the device what it is known by from now on. */
  keep: (token: string) => void
}

type Given<K extends string, V> = [V] extends [never] ? object : object extends V ? { [k in K]?: V } : { [k in K]: V }

/** What a request to an endpoint must give: parts of the path, query and body, where it has them. */
export type Call<A extends Address> = Given<
  'params',
  [PartsIn<A>] extends [never] ? never : { [N in PartsIn<A> & string]: string }
> &
  Given<'query', Of<A, 'query'> extends z.ZodType ? z.input<Of<A, 'query'> & z.ZodType> : never> &
  Given<'body', Of<A, 'body'> extends z.ZodType ? z.input<Of<A, 'body'> & z.ZodType> : never> &
  Given<'file', Of<A, 'upload'> extends string ? Blob : never>

/** The JSON that an endpoint answers. */
export type Answer<A extends Address> =
  Of<A, 'answer'> extends z.ZodType ? z.output<Of<A, 'answer'> & z.ZodType> : undefined
