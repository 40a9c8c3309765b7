import type { Content } from 'pdfmake/interfaces'
import type { ReceiptRecord } from '@core/money'
import { PAID_HOW_NAMES, receiptLine, type Say } from '@words'
import { said, type Paper } from './pdf'
import { runsOf } from './runs'

/** A receipt to print; `copy`: it was printed before. */
export function receiptPaper(
  { number, record, copy }: { number: number; record: ReceiptRecord; copy: boolean },
  say: Say,
): Paper {
  const { house, groomer, contact, date, price, also, paid, tax } = record
  const money = (cents: number) => say.money({ cents, currency: price.currency })
  const sum = paid.reduce((all, p) => all + p.cents, 0)
  const row = (what: string, amount: string, bold = false): Content => ({
    columns: [
      { text: runsOf(what), bold },
      { text: amount, alignment: 'right', bold, width: 110 },
    ],
    margin: [0, 3, 0, 3],
  })
  const asked = also.reduce((all, a) => all + a.cents, price.cents)
  return {
    title: `Receipt ${number}`,
    content: [
      {
        columns: [
          { text: `Receipt ${number}${copy ? ', copy' : ''}`, style: 'title' },
          {
            stack: [
              { text: runsOf(house), bold: true },
              ...[groomer, contact].filter(Boolean).map((line) => ({ text: runsOf(line) })),
            ],
            alignment: 'right',
          },
        ],
      },
      { text: say.date(date), margin: [0, 0, 0, 14] },
      row(receiptLine(record, say), money(price.cents)),
      ...also.map((a) => {
        const on = a.date === date ? '' : `, ${say.date(a.date, 'short')}`
        return row(`${receiptLine({ ...a, ahead: null }, say)}${on}`, money(a.cents))
      }),
      ...(also.length > 0 ? [row('In all', money(asked))] : []),
      ...paid.map(({ cents, how }) => row(`Paid, ${PAID_HOW_NAMES[how]}`, money(cents))),
      row('Paid in all', money(sum), true),
      ...(sum < asked ? [row('Still owed', money(asked - sum))] : []),
      ...(tax ? [row(`Of what is paid, tax at ${say.number(tax.percent, 2)} %`, money(tax.cents))] : []),
      { ...(said('With thanks.') as object), margin: [0, 16, 0, 0] } as Content,
    ],
  }
}
