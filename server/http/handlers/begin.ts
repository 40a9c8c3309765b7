import type { Keeper } from '../../backup/keeper'
import type { Db } from '../../db/db'
import { theHouse } from '../../db/house'
import { productRecords } from '../../db/products'
import { bottleLabels } from '../../formats/bottleLabel'
import { notFound } from '../../problems'
import type { Beginning } from '../../seed'
import { beginDemonstration, beginOwn } from '../../usecases/begin'
import { pdfOf } from '../../usecases/pdf'
import { previewTable, takeTable, writeTable } from '../../usecases/tables'
import type { ServerWork } from '../../work/jobs'
import type { Handlers } from '../register'

/** What a room can be begun with, and who makes backups of it. */
export interface Beginnings {
  demonstration?: Beginning
  backups?: Keeper
  /** Free space where the data lies, bytes. */
  free?: () => number
}

/** Beginning anew, tables that come and go, and labels for bottles. */
export const beginHandlers = (db: Db, work: ServerWork, { demonstration, backups }: Beginnings) =>
  ({
    'GET /products/{id}/label.pdf': async ({ params, query }) => {
      const product = await productRecords.find(db, params.id)
      if (!product) throw notFound('product')
      const { record: house } = await theHouse(db)
      return {
        content: await pdfOf(work, bottleLabels(params.id, product.record, house, query)),
        name: 'label.pdf',
        open: 'inline',
      }
    },
    'GET /tables/{written}': async ({ params, query }) => ({
      content: await writeTable(db, params.written, query),
      name: `${params.written}.csv`,
      open: 'attachment',
    }),
    'POST /tables/{table}/preview': ({ params, body }) => previewTable(db, work, params.table, body.text),
    'POST /tables/{table}/import': ({ params, body }) => takeTable(db, work, params.table, body),
    'POST /begin/own': ({ body }) => beginOwn(db, body.units, backups && ((work) => backups.across(work))),
    'POST /begin/demonstration': () => beginDemonstration(db, demonstration, new Date().toISOString().slice(0, 10)),
  }) satisfies Partial<Handlers>
