import { ReceiptRecord } from '@core/money'
import { sameData } from '@core/same'
import type { Db, Queries } from './db'

/** A receipt that was given, and of which visit or payment. */
export interface Receipt {
  number: number
  of: string
  record: ReceiptRecord
}

interface Row extends Omit<Receipt, 'record'> {
  record: unknown
  printed: number
}
const toReceipt = ({ number, of, record }: Row): Receipt => ({ number, of, record: ReceiptRecord.parse(record) })
const COLUMNS = 'number, of_id as of, record, printed'

async function lastOf(db: Queries, id: string): Promise<Receipt | undefined> {
  const { rows } = await db.query<Row>(
    `select ${COLUMNS} from receipts where of_id = $1 or record -> 'also' @> jsonb_build_array(jsonb_build_object('visitId', $1::text))
      order by number desc limit 1`,
    [id],
  )
  return rows[0] && toReceipt(rows[0])
}

/** Whether a receipt says of a visit what its own would: it stands on another's, as much as was paid. */
const isOnIt = ({ of, record }: Receipt, id: string, own: ReceiptRecord) =>
  of !== id &&
  own.also.length === 0 &&
  record.also.some((a) => a.visitId === id && a.paid === own.paid.reduce((sum, p) => sum + p.cents, 0))

/** The receipt of a visit or a payment: the last one while it says the same, else the next number. One is numbered after the other, whoever asks at once. */
export const giveReceipt = (db: Db, id: string, record: ReceiptRecord): Promise<Receipt> =>
  db.transaction(async (tx) => {
    await tx.exec('lock table receipts in exclusive mode')
    const last = await lastOf(tx, id)
    if (last && (sameData(last.record, record) || isOnIt(last, id, record))) return last
    const { rows } = await tx.query<Row>(
      `insert into receipts (number, of_id, record)
         select coalesce(max(number), 0) + 1, $1, $2 from receipts returning ${COLUMNS}`,
      [id, JSON.stringify(record)],
    )
    return toReceipt(rows[0]!)
  })

/** The last receipt of a visit or a payment for a print, and whether it was printed before; undefined where none was given. */
export async function printReceipt(db: Queries, id: string): Promise<(Receipt & { copy: boolean }) | undefined> {
  const { rows } = await db.query<Row>(
    `update receipts set printed = printed + 1
      where number = (select max(number) from receipts where of_id = $1) returning ${COLUMNS}`,
    [id],
  )
  return rows[0] && { ...toReceipt(rows[0]), copy: rows[0].printed > 1 }
}
