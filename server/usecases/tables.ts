import type { CsvPreview, CsvResult, TableName, WrittenQuery, WrittenTable } from '@contract'
import { sameData } from '@core/same'
import { addDog, dogRecords, findDogs } from '../db/dogs'
import type { Db, Queries } from '../db/db'
import { moneyVisits } from '../db/money'
import { allEntries } from '../db/owners'
import { allBriefs, allSteps } from '../db/outcomes'
import { allProducts, productRecords } from '../db/products'
import { accountsCsv, paymentsCsv, stepsCsv, toCsv, visitsCsv, type ReadTable } from '../formats/csv'
import { Refusal } from '../problems'
import type { ServerWork } from '../work/jobs'

const MOST_DOGS = 10_000

type Kept = { id: string; version: number; record: { name: string } }
const keptOf = (db: Queries, of: TableName): Promise<Kept[]> =>
  of === 'dogs' ? findDogs(db, { text: '', limit: MOST_DOGS }) : allProducts(db)

/** All of a table as CSV; payments and what was written into accounts of some days alone, where those are said. */
export async function writeTable(db: Queries, of: WrittenTable, { from, to }: WrittenQuery = {}): Promise<string> {
  const within = (day: string) => (!from || day >= from) && (!to || day <= to)
  if (of === 'visits') return visitsCsv(await allBriefs(db))
  if (of === 'steps') return stepsCsv(await allSteps(db))
  if (of === 'payments') return paymentsCsv(await moneyVisits(db, {}), within)
  if (of === 'accounts') return accountsCsv(await allEntries(db), within)
  const kept = await keptOf(db, of)
  return toCsv(of, kept.map((k) => k.record) as never)
}

const key = (name: string) => name.trim().toLowerCase()

/** How long a file may take to be read, ms. */
const READ_MS = 20_000
/** A file as it stands in itself, read where long jobs are done. */
const readFile = (work: ServerWork, of: TableName, text: string): Promise<ReadTable<TableName>> =>
  work.do('csv', { of, text }, { deadlineMs: READ_MS, tooMuch: 'Split the file.' })

/** What every row of a file would do beside what is kept: a name that is there means that one; a second of a name is a fault. */
async function besideKept(db: Queries, of: TableName, { records, errors, unknown }: ReadTable<TableName>) {
  const kept = await keptOf(db, of)
  const there = new Map<string, Kept>()
  const doubled = new Set<string>()
  for (const k of kept) {
    if (there.has(key(k.record.name))) doubled.add(key(k.record.name))
    there.set(key(k.record.name), k)
  }
  const faults = [...errors]
  const seen = new Map<string, number>()
  const rows = records.flatMap(({ line, record }) => {
    const name = key(record.name)
    const before = seen.get(name)
    if (before !== undefined)
      faults.push({ line, column: 'name', message: `Line ${before} has this name already. Give each its own.` })
    else if (doubled.has(name))
      faults.push({ line, column: 'name', message: 'Two of this name are kept. Tell them apart first.' })
    if (before !== undefined || doubled.has(name)) return []
    seen.set(name, line)
    const now = there.get(name)
    const does = now === undefined ? 'adds' : sameData(now.record, record) ? 'nothing' : 'changes'
    return [{ line, record, now, does } as const]
  })
  faults.sort((a, b) => a.line - b.line)
  return { rows, errors: faults, unknown }
}

/** What a file would do; nothing is kept. */
export async function previewTable(db: Db, work: ServerWork, of: TableName, text: string): Promise<CsvPreview> {
  const { rows, errors, unknown } = await besideKept(db, of, await readFile(work, of, text))
  return { rows: rows.map(({ line, record, does }) => ({ line, name: record.name, does })), errors, unknown }
}

/** Takes a file whole or, when anything in it can't be, not at all. `over`: what is there by that name is changed, otherwise passed over. */
export async function takeTable(
  db: Db,
  work: ServerWork,
  of: TableName,
  { text, over }: { text: string; over: boolean },
): Promise<CsvResult> {
  const read = await readFile(work, of, text)
  return db.transaction(async (tx) => {
    const { rows, errors } = await besideKept(tx, of, read)
    if (errors.length > 0) {
      const { line, column, message } = errors[0]!
      const more = errors.length > 1 ? ` And ${errors.length - 1} more.` : ''
      throw new Refusal(
        422,
        'Nothing was taken',
        `Line ${line}${column === '' ? '' : `, ${column}`}: ${message}${more}`,
      )
    }
    const done: CsvResult = { added: 0, changed: 0, same: 0 }
    for (const { record, now, does } of rows) {
      if (does === 'adds') {
        await (of === 'dogs' ? addDog(tx, record as never) : productRecords.add(tx, record as never))
        done.added++
      } else if (does === 'changes' && over) {
        const records = of === 'dogs' ? dogRecords : productRecords
        await records.change(tx, now!.id, now!.version, record as never)
        done.changed++
      } else done.same++
    }
    return done
  })
}
