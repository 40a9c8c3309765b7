import { ReceiptRecord } from '@core/money'
import { sameData } from '@core/same'
import type { Db, Queries } from './db'

/** A receipt that was given. */
export interface Receipt {
  number: number
  record: ReceiptRecord
}

interface Row {
  number: number
  record: unknown
  printed: number
}
const toReceipt = ({ number, record }: Row): Receipt => ({ number, record: ReceiptRecord.parse(record) })

async function lastOf(db: Queries, visitId: string): Promise<Receipt | undefined> {
  const { rows } = await db.query<Row>(
    'select number, record, printed from receipts where visit_id = $1 order by number desc limit 1',
    [visitId],
  )
  return rows[0] && toReceipt(rows[0])
}

/** The receipt of a visit: the last one while it says the same, else the next number. One is numbered after the other, whoever asks at once. */
export const giveReceipt = (db: Db, visitId: string, record: ReceiptRecord): Promise<Receipt> =>
  db.transaction(async (tx) => {
    await tx.exec('lock table receipts in exclusive mode')
    const last = await lastOf(tx, visitId)
    if (last && sameData(last.record, record)) return last
    const { rows } = await tx.query<Row>(
      `insert into receipts (number, visit_id, record)
         select coalesce(max(number), 0) + 1, $1, $2 from receipts returning number, record, printed`,
      [visitId, JSON.stringify(record)],
    )
    return toReceipt(rows[0]!)
  })

/** The last receipt of a visit for a print, and whether it was printed before; undefined where none was given. */
export async function printReceipt(db: Queries, visitId: string): Promise<(Receipt & { copy: boolean }) | undefined> {
  const { rows } = await db.query<Row>(
    `update receipts set printed = printed + 1
      where number = (select max(number) from receipts where visit_id = $1) returning number, record, printed`,
    [visitId],
  )
  return rows[0] && { ...toReceipt(rows[0]), copy: rows[0].printed > 1 }
}
