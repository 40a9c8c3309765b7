import { VisitInputs } from '@contract'
import { Dog, Finding } from '@core/dog'
import { House } from '@core/house'
import { Product } from '@core/mix'
import { TubEvent } from '@core/tubside'
import { Standing, WashDay } from '@core/washday'
import type { z } from 'zod'
import type { Db } from '../db/db'
import { eachRow, rowKey, tablesThere, type TableName, type WholeRow } from '../db/whole'

/** What in a row is a record, by which schema, and what a row is called. */
const RECORDS: Partial<Record<TableName, { name: string; schema: z.ZodType; of: (row: WholeRow) => unknown }>> = {
  house: { name: 'the house', schema: House, of: (r) => r.record },
  dogs: { name: 'dog', schema: Dog, of: (r) => r.record },
  products: { name: 'product', schema: Product, of: (r) => r.record },
  findings: { name: 'finding', schema: Finding, of: (r) => r.record },
  standings: { name: 'standing dog', schema: Standing, of: (r) => r.record },
  days: { name: 'day', schema: WashDay, of: (r) => r.record },
  visits: { name: 'visit', schema: VisitInputs, of: (r) => r.inputs },
  visit_events: { name: 'tap', schema: TubEvent, of: (r) => r.event },
}

/** A record that can't be read: what it is, its id, the name it goes by, and why. */
export interface Unreadable {
  table: TableName
  what: string
  id: string
  name: string
  why: string
}

/** Opens every record of a database; answers how many of each table there are, and those that can't be read. */
export async function checkRecords(db: Db): Promise<{ counts: Record<string, number>; unreadable: Unreadable[] }> {
  const counts: Record<string, number> = {}
  const unreadable: Unreadable[] = []
  for (const table of await tablesThere(db)) {
    counts[table] = 0
    const record = RECORDS[table]
    for await (const row of eachRow(db, table, 500)) {
      counts[table]++
      const read = record?.schema.safeParse(record.of(row))
      if (!read || read.success) continue
      const [issue] = read.error.issues
      const name = (row.record as { name?: unknown } | undefined)?.name
      unreadable.push({
        table,
        what: record!.name,
        id: rowKey(table, row),
        name: typeof name === 'string' ? name : '',
        why: `${issue!.path.join('.') || 'all of it'}: ${issue!.message}`,
      })
    }
  }
  return { counts, unreadable }
}
