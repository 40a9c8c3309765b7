import Papa from 'papaparse'
import type { z } from 'zod'
import { fieldErrors, type CsvPreview } from '@contract'
import { Dog } from '@core/dog'
import type { Brief } from '@core/logbook'
import { Product } from '@core/mix'
import { handedBy, owesBy, type MoneyVisit, type WrittenEntry } from '@core/money'
import { owedCents, paymentsOf } from '@core/tubside'
import type { TimedStep } from '../db/outcomes'

/** What can come and go as a table. */
export const TABLES = { products: Product, dogs: Dog } as const
export type TableOf = keyof typeof TABLES
type RecordOf<T extends TableOf> = z.output<(typeof TABLES)[T]>

/** The columns of a table, in the order of the record's fields. */
export const columnsOf = (of: TableOf): string[] => Object.keys(TABLES[of].shape)

/** Signs with which a spreadsheet takes a cell for a formula. */
const FORMULA = /^[=+\-@\t\r]/
/** A sign that keeps a spreadsheet from reading a cell as a formula; one that stood there already is doubled, so that reading takes one away. */
const GUARD = "'"

/** Where a spreadsheet that parts cells by another sign than commas would begin one with a formula, and where that was guarded. */
const CELL_BEGINS = /([;|\t\r\n])(?=['=+\-@\t\r])/g
const CELL_BEGAN = /([;|\t\r\n])'(?=['=+\-@\t\r])/g

/** A value as a cell: text and numbers plain, what has parts as JSON; what a spreadsheet would run is guarded. */
function toCell(value: unknown): string {
  const text =
    value === null || value === undefined ? '' : typeof value === 'object' ? JSON.stringify(value) : String(value)
  if (typeof value === 'number') return text
  const within = text.replace(CELL_BEGINS, `$1${GUARD}`)
  return FORMULA.test(within) || within.startsWith(GUARD) ? GUARD + within : within
}
const unguarded = (cell: string) => (cell.startsWith(GUARD) ? cell.slice(1) : cell).replace(CELL_BEGAN, '$1')

/** Rows as CSV (RFC 4180), guarded, with a head. */
const written = (fields: string[], rows: readonly (readonly unknown[])[]): string =>
  Papa.unparse({ fields, data: rows.map((row) => row.map(toCell)) }, { newline: '\r\n' })

/** Ended visits, a line each: minutes, litres, millilitres (a bar: grams), what was found. */
export const visitsCsv = (visits: readonly Brief[]): string =>
  written(
    [
      'visit',
      'date',
      'dog',
      'dogName',
      'coat',
      'minutes',
      'planned',
      'by',
      'litres',
      'towels',
      'products',
      'damp',
      'happened',
      'skipped',
      'next',
    ],
    visits.map((v) => [
      v.visitId,
      v.date,
      v.dogId,
      v.dog,
      v.coat,
      v.minutes,
      v.planned,
      v.by,
      v.litres,
      v.towels,
      v.used.map((u) => `${u.name} ${u.amount}`).join('; '),
      v.damp.join('; '),
      v.happened.map((h) => h.what).join('; '),
      v.skipped.map((s) => JSON.stringify(s)).join('; '),
      v.next,
    ]),
  )

/** Steps of ended visits, a line each: minutes of the model and as they were, and why nothing is learned from it. */
export const stepsCsv = (steps: readonly TimedStep[]): string =>
  written(
    ['visit', 'date', 'dog', 'coat', 'kind', 'model', 'actual', 'aside'],
    steps.map((s) => [s.visit, s.date, s.dog, s.coat, s.kind, s.model, s.actual, s.aside]),
  )

const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10)
const amount = (cents: number) => (cents / 100).toFixed(2)

/** What was written into accounts, a line each: what it changes of what is owed; one that was taken back is named by the line that does so. */
export const accountsCsv = (
  accounts: readonly { ownerId: string; owner: string; entries: readonly WrittenEntry[] }[],
  within: (day: string) => boolean = () => true,
): string =>
  written(
    [
      'date',
      'entry',
      'owner',
      'kind',
      'dog',
      'visitDate',
      'owes',
      'handed',
      'how',
      'visits',
      'hours',
      'note',
      'takesBack',
      'currency',
    ],
    accounts.flatMap(({ owner, entries }) =>
      entries.flatMap(({ id, at, entry }) => {
        if (!within(dayOf(at))) return []
        const has = entry as Partial<Record<'dog' | 'date' | 'how' | 'visits' | 'hours' | 'note' | 'entry', unknown>>
        const currency =
          'currency' in entry
            ? entry.currency
            : 'fee' in entry
              ? entry.fee.currency
              : 'price' in entry
                ? entry.price.currency
                : ''
        return [
          [
            dayOf(at),
            id,
            owner,
            entry.kind,
            has.dog,
            has.date,
            amount(owesBy(entry, currency)),
            amount(handedBy(entry, currency)),
            has.how,
            has.visits,
            has.hours,
            has.note,
            has.entry,
            currency,
          ].map((cell) => cell ?? ''),
        ]
      }),
    ),
  )

/** Payments for ended visits, a line each, and one for a visit that isn't paid at all: amounts with two decimals, what of the price is owed after all of them. */
export const paymentsCsv = (visits: readonly MoneyVisit[], within: (day: string) => boolean = () => true): string =>
  written(
    ['date', 'visit', 'visitDate', 'dog', 'owner', 'service', 'price', 'paid', 'tip', 'how', 'owed', 'currency'],
    visits.flatMap(({ visitId, date, dog, owner, service, paid }) => {
      if (!paid) return []
      const { price, how } = paid
      const payments = paymentsOf(paid, 0)
      const owed = amount(owedCents(paid))
      const row = (on: string, cents: number, tip: number, by: string) => [
        on,
        visitId,
        date,
        dog,
        owner,
        service,
        amount(price.cents),
        amount(cents),
        amount(tip),
        by,
        owed,
        price.currency,
      ]
      const rows =
        payments.length === 0
          ? [row(date, 0, 0, how)]
          : payments.map((p) => row(p.at > 0 ? dayOf(p.at) : date, p.cents, p.tip, p.how))
      return rows.filter(([on]) => within(on as string))
    }),
  )

/** A table of records as CSV (RFC 4180), one column for each field. */
export function toCsv<T extends TableOf>(of: T, records: readonly RecordOf<T>[]): string {
  const fields = columnsOf(of)
  return written(
    fields,
    records.map((r) => fields.map((f) => (r as Record<string, unknown>)[f])),
  )
}

/** A cell as the value that its field takes; undefined leaves the field to its default. What can't be read stays text, for the schema to refuse. */
function fromCell(raw: string, field: z.ZodType): unknown {
  const text = unguarded(raw)
  const nullable = field.safeParse(null).success
  if (raw.trim() === '') return nullable ? null : undefined
  if (field.safeParse(text).success) return text
  try {
    return JSON.parse(text.trim().replace(/^(-?\d+),(\d+)$/, '$1.$2')) as unknown
  } catch {
    return text
  }
}

/** A table as it was read: the records that stand, and what is wrong where; `line` counts from 1 with the head as the first. */
export interface ReadTable<T extends TableOf> {
  records: { line: number; record: RecordOf<T> }[]
  errors: CsvPreview['errors']
  unknown: string[]
}

/**
 * Reads CSV with a head that names the fields, in any order, others left out; comma, semicolon or tab between them.
 * Nothing of a row with a fault is taken.
 */
export function fromCsv<T extends TableOf>(of: T, text: string): ReadTable<T> {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const [head = [], ...rows] = parsed.data
  const names = head.map((h) => h.trim())
  const shape = TABLES[of].shape as Record<string, z.ZodType>
  const unknown = names.filter((n) => !(n in shape))
  const errors: CsvPreview['errors'] = parsed.errors
    .filter((e) => e.code !== 'UndetectableDelimiter')
    .map((e) => ({ line: (e.row ?? 0) + 1, column: '', message: e.message }))
  if (!names.includes('name'))
    errors.push({ line: 1, column: 'name', message: 'There is no column "name". The first line names the columns.' })
  const records: ReadTable<T>['records'] = []
  for (const [i, row] of rows.entries()) {
    const line = i + 2
    const given = names.flatMap((name, c) => {
      const field = shape[name]
      const value = field && row[c] !== undefined ? fromCell(row[c], field) : undefined
      return value === undefined ? [] : [[name, value] as const]
    })
    const read = TABLES[of].safeParse(Object.fromEntries(given))
    if (read.success) records.push({ line, record: read.data as RecordOf<T> })
    else
      for (const { field, message } of fieldErrors(read.error))
        errors.push({ line, column: field.replace(/[.[].*/, ''), message })
  }
  return { records, errors, unknown }
}
