import { archiveSchema, writeArchive } from '../../archive/write'
import type { Keeper } from '../../backup/keeper'
import type { Db } from '../../db/db'
import { dogsPaper } from '../../formats/papers'
import type { Archives } from '../../usecases/archives'
import { dogsRecord, dogsRecordJson } from '../../usecases/dogRecord'
import { pdfOf } from '../../usecases/pdf'
import type { ServerWork } from '../../work/jobs'
import { eraseOwner, ownerData } from '../../usecases/ownerData'
import type { Handlers } from '../register'

const day = () => new Date().toISOString().slice(0, 10)

/** What leaves and comes in open formats, of all and of one dog; what goes for good. */
export const archiveHandlers = (db: Db, work: ServerWork, archives: Archives, backups: Keeper | undefined) =>
  ({
    'GET /archive.zip': () => ({ content: writeArchive(db), name: `juvant-${day()}.zip`, open: 'attachment' }),
    'GET /archive.schema.json': () => archiveSchema(),
    'POST /archive/preview': ({ file }) => archives.look(file),
    'GET /archive/taking': () => archives.progress(),
    'POST /archive/stop': ({ body }) => archives.stop(body.token),
    'POST /archive/take': ({ body }) => archives.take(body),
    'GET /dogs/{id}/record.json': async ({ params }) => ({
      content: dogsRecordJson(await dogsRecord(db, params.id), new Date()),
      name: 'dog.json',
      open: 'attachment',
    }),
    'GET /dogs/{id}/record.pdf': async ({ params }) => ({
      content: await pdfOf(work, dogsPaper(await dogsRecord(db, params.id), day())),
      name: 'dog.pdf',
      open: 'inline',
    }),
    'GET /dogs/{id}/owner': ({ params }) => ownerData(db, params.id, backups),
    'POST /dogs/{id}/owner/erase': ({ params, body }) => eraseOwner(db, params.id, body, backups),
  }) satisfies Partial<Handlers>
