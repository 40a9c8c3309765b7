import { mkdir, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Db } from '../../db/db'
import { theHouse } from '../../db/house'
import { productRecords } from '../../db/products'
import { bottleLabels } from '../../formats/bottleLabel'
import { notFound } from '../../problems'
import type { Beginning } from '../../seed'
import { beginDemonstration, beginOwn } from '../../usecases/begin'
import { previewTable, takeTable, writeTable } from '../../usecases/tables'
import type { Handlers } from '../register'

/** What a room can be begun with: the demonstration, and where copies are put. */
export interface Beginnings {
  demonstration?: Beginning
  copies?: string
  /** Free space where the data lies, bytes. */
  free?: () => number
}

/** Puts a copy of everything aside and answers where it lies; it is there whole or not at all. */
async function putAside(db: Db, folder: string): Promise<string> {
  await mkdir(folder, { recursive: true })
  const file = join(folder, `${new Date().toISOString().replace(/[:.]/g, '-')}.tar.gz`)
  await writeFile(`${file}.begun`, Buffer.from(await (await db.archive()).arrayBuffer()))
  await rename(`${file}.begun`, file)
  return file
}

/** Beginning anew, tables that come and go, and labels for bottles. */
export const beginHandlers = (db: Db, { demonstration, copies }: Beginnings) =>
  ({
    'GET /products/{id}/label.pdf': async ({ params, query }) => {
      const product = await productRecords.find(db, params.id)
      if (!product) throw notFound('product')
      const { record: house } = await theHouse(db)
      return { content: await bottleLabels(params.id, product.record, house, query), name: 'label.pdf', open: 'inline' }
    },
    'GET /tables/{table}': async ({ params }) => ({
      content: await writeTable(db, params.table),
      name: `${params.table}.csv`,
      open: 'attachment',
    }),
    'POST /tables/{table}/preview': ({ params, body }) => previewTable(db, params.table, body.text),
    'POST /tables/{table}/import': ({ params, body }) => takeTable(db, params.table, body.text, body.over),
    'POST /begin/own': ({ body }) => beginOwn(db, body.units, copies ? () => putAside(db, copies) : undefined),
    'POST /begin/demonstration': () => beginDemonstration(db, demonstration, new Date().toISOString().slice(0, 10)),
  }) satisfies Partial<Handlers>
