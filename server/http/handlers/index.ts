import { ENGINE } from '@core/visit'
import type { Db } from '../../db/db'
import type { Devices } from '../../access/devices'
import { practiceInstruments } from '../../devices/instruments'
import { LEAST_FREE } from '../../folder'
import { Refusal } from '../../problems'
import { openApiDocument } from '../openapi'
import type { ServerWork } from '../../work/jobs'
import type { Wellness } from '../../wellness'
import type { Handlers } from '../register'
import type { Archives } from '../../usecases/archives'
import { archiveHandlers } from './archive'
import { backupHandlers } from './backups'
import { beginHandlers, type Beginnings } from './begin'
import { changeHandlers } from './changes'
import { dayHandlers } from './days'
import { deviceHandlers, type Reached } from './devices'
import { houseHandlers } from './house'
import { instrumentHandlers } from './instruments'
import { logbookHandlers } from './logbook'
import { moneyHandlers } from './money'
import { ownerHandlers } from './owners'
import { photoHandlers } from './photos'
import { reckonHandlers } from './reckon'
import { visitHandlers } from './visits'

/** How long the database is waited for when somebody asks whether all is well, ms. */
const ANSWER_MS = 5000

/** Asks the database; throws a refusal where it doesn't answer, or can't keep what it is told. */
async function answers(db: Db) {
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error(`no answer for ${ANSWER_MS / 1000} s`)), ANSWER_MS)
  })
  try {
    await Promise.race([db.query('select 1'), late])
  } catch (error) {
    throw new Refusal(503, 'The database doesn’t answer', `${(error as Error).message}. Start the program again.`)
  } finally {
    clearTimeout(timer)
  }
}

/** A handler for every endpoint of the table. */
export function handlersFor(
  db: Db,
  work: ServerWork,
  beginnings: Beginnings,
  {
    devices,
    archives,
    reachable,
    wellness,
  }: { devices: Devices; archives: Archives; reachable: () => Reached; wellness: Wellness },
): Handlers {
  // made when it is first asked for: a start shouldn't wait for it
  let description: ReturnType<typeof openApiDocument> | undefined
  return {
    'GET /health': async ({ asker }) => {
      await answers(db)
      const free = beginnings.free?.()
      const freeMb = free === undefined ? null : Math.floor(free / 1e6)
      const mayKnow = asker.role === 'whole' && !asker.stranger
      return {
        ready: true,
        engine: ENGINE,
        writable: free === undefined || free >= LEAST_FREE,
        freeMb,
        well: mayKnow ? await wellness.look() : null,
      }
    },
    'GET /openapi.json': () => (description ??= openApiDocument()),
    ...changeHandlers(db),
    ...houseHandlers(db),
    ...beginHandlers(db, work, beginnings),
    ...archiveHandlers(db, work, archives, beginnings.backups),
    ...backupHandlers(beginnings.backups),
    ...deviceHandlers(devices, reachable),
    ...visitHandlers(db, work),
    ...dayHandlers(db, work),
    ...ownerHandlers(db),
    ...photoHandlers(db),
    ...logbookHandlers(db, work),
    ...moneyHandlers(db, work),
    ...instrumentHandlers(db, practiceInstruments()),
    ...reckonHandlers(work),
  }
}
