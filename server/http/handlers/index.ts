import { ENGINE } from '@core/visit'
import type { Db } from '../../db/db'
import { practiceInstruments } from '../../devices/instruments'
import { openApiDocument } from '../openapi'
import type { Handlers } from '../register'
import { beginHandlers, type Beginnings } from './begin'
import { changeHandlers } from './changes'
import { dayHandlers } from './days'
import { houseHandlers } from './house'
import { instrumentHandlers } from './instruments'
import { logbookHandlers } from './logbook'
import { reckonHandlers } from './reckon'
import { visitHandlers } from './visits'

/** A handler for every endpoint of the table. */
export function handlersFor(db: Db, beginnings: Beginnings = {}): Handlers {
  const description = openApiDocument()
  return {
    'GET /health': () => ({ ready: true, engine: ENGINE }),
    'GET /openapi.json': () => description,
    ...changeHandlers(db),
    ...houseHandlers(db),
    ...beginHandlers(db, beginnings),
    ...visitHandlers(db),
    ...dayHandlers(db),
    ...logbookHandlers(db),
    ...instrumentHandlers(db, practiceInstruments()),
    ...reckonHandlers(),
  }
}
