import { z } from 'zod'
import { Day, Dog, Finding } from '@core/dog'
import { House } from '@core/house'
import { Product } from '@core/mix'
import { Entry, ReceiptRecord } from '@core/money'
import { Owner } from '@core/owner'
import { TubEvent } from '@core/tubside'
import { Standing, WashDay } from '@core/washday'
import { PhotoShows } from './photos'
import { VisitInputs } from './records'

/** A moment as the archive writes it: ISO 8601 with its offset. */
const Moment = z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d/, 'Give the moment as ISO 8601.')
const version = z.number().int().min(1).max(2_000_000_000)
const record = <R extends z.ZodType>(of: R) =>
  z.object({ id: z.uuid(), version, record: of, changedAt: Moment, deletedAt: Moment.nullable() })
/** Where among its kind it stands. */
const position = z.number().int()

/** What came or went of a product. */
export const ArchivedMovement = z.object({
  id: z.uuid(),
  productId: z.uuid(),
  kind: z.enum(['opened', 'used', 'counted', 'thrown', 'lost']),
  ml: z.number().min(0).meta({ description: 'Millilitres; of a bar or a powder grams' }),
  at: Moment,
  note: z.string(),
  visitId: z.uuid().nullable(),
})

/** Something reckoned, of which this much is relied on; versions before and after have more or less beside it. */
const relied = <S extends z.ZodRawShape>(shape: S, description: string) => z.looseObject(shape).meta({ description })
const number = z.number()
const list = z.array(z.unknown())
const about = z.record(z.string(), z.unknown())
const spent = z.looseObject({ actual: number, planned: number })

/** A plan of whatever version. */
const AnyPlan = relied(
  { minutes: z.looseObject({ value: number }), steps: z.array(z.looseObject({ id: z.string() })) },
  'The plan as it was reckoned; every number with unit and reasons',
)
/** How a visit went, told by whatever version. */
const AnyOutcome = relied(
  {
    began: number,
    ended: number,
    minutes: number,
    planned: number,
    steps: z.array(
      z.looseObject({
        id: z.string(),
        step: z.unknown(),
        model: number,
        planned: number,
        actual: number,
        state: z.string(),
      }),
    ),
    zones: list,
    used: z.array(z.looseObject({ name: z.string(), amount: number })),
    litres: spent,
    towels: spent,
    damp: list,
    happened: list,
    found: list,
    rinse: about,
    ears: about,
    notes: z.array(z.string()),
    settled: about,
    noise: list,
    skin: list,
    stops: list,
  },
  'How it went',
)
/** The same in brief. */
const AnyBrief = relied(
  {
    visitId: z.string(),
    dogId: z.string(),
    dog: z.string(),
    coat: z.string(),
    date: Day,
    began: number,
    ended: number,
    minutes: number,
    planned: number,
    half: z.tuple([number, number]),
    most: z.tuple([number, number]),
    used: z.array(z.looseObject({ name: z.string(), amount: number })),
    cost: about,
    litres: number,
    towels: number,
    damp: list,
    found: list,
    happened: list,
    settled: about,
    skin: list,
    skipped: list,
    next: z.string(),
  },
  'The same in brief',
)

/** A visit whole: its plan, its taps, and what they told once it had ended. */
export const ArchivedVisit = z.object({
  id: z.uuid(),
  version,
  dogId: z.uuid(),
  date: Day,
  engine: z.string(),
  inputs: VisitInputs,
  plan: AnyPlan,
  changedAt: Moment,
  taps: z.array(z.object({ event: TubEvent, receivedAt: Moment })),
  outcome: z.object({ coat: z.string(), record: AnyOutcome, summary: AnyBrief }).nullable(),
  minutes: z.array(
    z.object({
      kind: z.string(),
      model: z.number(),
      actual: z.number(),
      aside: z.string().nullable().meta({ description: 'Why nothing is learned from it' }),
    }),
  ),
  used: z.array(ArchivedMovement),
})
export type ArchivedVisit = z.infer<typeof ArchivedVisit>

/** What an archive says of itself. */
export const ArchiveHead = z.object({
  juvant: z.literal('archive'),
  format: z.literal(1),
  engine: z.string(),
  at: Moment,
  migrations: z.array(z.string()).meta({ description: 'The steps that its data had been brought through' }),
})
export type ArchiveHead = z.infer<typeof ArchiveHead>

/** The lists of an archive by the names of their files; visits and photographs are split by year. */
export const ARCHIVED = {
  owners: record(Owner),
  dogs: record(Dog),
  products: record(Product).extend({ position }),
  movements: ArchivedMovement.extend({ visitId: z.null() }),
  findings: record(Finding).extend({ dogId: z.uuid(), position }),
  standings: record(Standing).extend({ position }),
  days: z.object({ id: z.uuid(), version, date: Day, record: WashDay, changedAt: Moment }),
  visits: ArchivedVisit,
  answers: z.object({
    id: z.uuid(),
    dogId: z.uuid(),
    kind: z.enum(['before', 'after']),
    date: Day,
    answers: z.record(z.string(), z.unknown()).meta({ description: 'What the owner answered' }),
    saidAt: Moment,
  }),
  photos: z.object({
    id: z.uuid(),
    dogId: z.uuid(),
    visitId: z.uuid().nullable(),
    findingId: z.uuid().nullable(),
    shows: PhotoShows,
    takenAt: Moment,
    width: z.number().int(),
    height: z.number().int(),
    note: z.string(),
    content: z.base64().meta({ description: 'The picture, a JPEG, in base64' }),
  }),
  entries: z.object({ id: z.uuid(), ownerId: z.uuid(), at: Moment, entry: Entry }),
  closings: z.object({
    id: z.uuid(),
    until: Day.meta({ description: 'The last of the days that were closed' }),
    at: Moment,
    currency: z.string(),
    till: z.object({
      cash: z.number().int(),
      card: z.number().int(),
      transfer: z.number().int(),
      tips: z.number().int(),
    }),
  }),
  receipts: z.object({
    id: z.uuid(),
    number: z.number().int().min(1).meta({ description: 'Of one room; no other receipt of it has it' }),
    ofId: z.uuid().meta({ description: 'The visit or the payment that it is of' }),
    record: ReceiptRecord,
    givenAt: Moment,
    printed: z.number().int().min(0),
  }),
} as const
export type ArchiveKind = keyof typeof ARCHIVED
/** Kinds that have a file for each year. */
export const BY_YEAR: ReadonlySet<ArchiveKind> = new Set(['visits', 'photos'])
export const ARCHIVE_KINDS = Object.keys(ARCHIVED) as ArchiveKind[]
/** One thing of an archive. */
export type Archived<K extends ArchiveKind = ArchiveKind> = z.output<(typeof ARCHIVED)[K]>

/** All files of an archive, for its published schema. */
export const ArchiveFiles = z.object({
  'archive.json': ArchiveHead,
  'house.json': House,
  ...Object.fromEntries(
    ARCHIVE_KINDS.map((kind) => [BY_YEAR.has(kind) ? `${kind}/{year}.json` : `${kind}.json`, z.array(ARCHIVED[kind])]),
  ),
})

/** What an archive would do to one kind: how many it adds, has alike, has otherwise; how many have nothing to belong to. */
const KindCount = z.object({
  kind: z.enum(ARCHIVE_KINDS as [ArchiveKind, ...ArchiveKind[]]),
  adds: z.number().int(),
  same: z.number().int(),
  differs: z.number().int(),
  lost: z.number().int(),
})
export type KindCount = z.infer<typeof KindCount>

/** An archive that was read; nothing is kept until it is taken by its `token`. */
export const ArchivePreview = z.object({
  token: z.uuid(),
  at: z.string(),
  engine: z.string(),
  counts: z.array(KindCount),
  house: z.enum(['same', 'differs']),
  /** Whether nothing is kept here yet. */
  empty: z.boolean(),
  /** Names of dogs that come under an id of their own, while a dog of the name is here. */
  doubles: z.array(z.string()),
  /** What can’t be read, and so isn’t taken: in which list, its place in it, and why. */
  unreadable: z.array(z.object({ kind: z.string(), place: z.number().int(), why: z.string() })),
})
export type ArchivePreview = z.infer<typeof ArchivePreview>

/** Taking an archive that was read: whether what differs is changed here (`over`), and the house too. */
export const ArchiveTake = z.object({
  token: z.uuid(),
  over: z.boolean().default(false),
  house: z.boolean().default(false),
})

/** How far the taking of an archive has come: records looked at, of so many; null: none is being taken. */
export const ArchiveProgress = z.object({ done: z.number().int(), of: z.number().int() }).nullable()
/** Which archive is to be taken no further. */
export const ArchiveStop = z.object({ token: z.uuid() })

/** What came of it, and the backup that was made before. */
export const ArchiveTaken = z.object({ counts: z.array(KindCount), house: z.boolean(), backup: z.string().nullable() })

/** What goes when an owner's data is deleted for good. */
export const OwnerData = z.object({
  owner: z.string(),
  dogs: z.array(z.object({ id: z.uuid(), name: z.string() })),
  visits: z.number().int(),
  findings: z.number().int(),
  photos: z.number().int(),
  days: z.number().int(),
  /** Earlier states that are kept of them. */
  changes: z.number().int(),
  /** Backups that hold them. */
  backups: z.number().int(),
})
export type OwnerData = z.infer<typeof OwnerData>

/** Deleting for good: the people's names and ways to reach them, or the dogs with everything; backups that hold them too. */
export const OwnerErase = z.object({
  what: z.enum(['people', 'dogs'], { error: 'Say whether the people go, or the dogs with everything.' }),
  backups: z.boolean().default(false),
})
