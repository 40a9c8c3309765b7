import { standDay, type DayFacts, type WashDay } from '@core/washday'
import type { StoredDay } from '@contract'
import { daysBetween, dogsToPlace, findDay, keepDay, listDays, removeDay } from '../../db/days'
import type { Db, Queries } from '../../db/db'
import { writeCalendar } from '../../formats/calendar'
import { daySheet } from '../../formats/daySheet'
import { conflict, notFound } from '../../problems'
import { arrangeKept } from '../../usecases/arrangeKept'
import { previewBookings, takeBookings } from '../../usecases/bookings'
import type { ServerWork } from '../../work/jobs'
import { pdfOf } from '../../usecases/pdf'
import { factsOfDay } from '../../usecases/dayFacts'
import { tubDay } from '../../usecases/tubDay'
import type { FileReply, Handlers } from '../register'

/** Keeps a day; refused where it is another by now. */
async function keep(db: Queries, version: number, record: WashDay): Promise<StoredDay> {
  const changed = await keepDay(db, version, record)
  if (changed.state === 'missing') throw notFound('day')
  if (changed.state === 'conflict') throw conflict(changed.row)
  return changed.row
}

/** Wash days by their date: kept, listed, printed, written as a calendar and read from one; days of kept recipes arranged. */
export function dayHandlers(db: Db, work: ServerWork) {
  const written = async (
    date: string,
    write: (
      stored: StoredDay,
      facts: DayFacts,
    ) => Promise<Pick<FileReply, 'content' | 'open'>> | Pick<FileReply, 'content' | 'open'>,
    ending: string,
  ): Promise<FileReply> => {
    const stored = await findDay(db, date)
    return { ...(await write(stored, await factsOfDay(db, stored))), name: `wash-day-${date}.${ending}` }
  }
  return {
    'GET /days': ({ query }) => listDays(db, query),
    'GET /to-place': ({ query }) => dogsToPlace(db, query.on),
    'GET /weeks': ({ query: { from, to } }) => daysBetween(db, from, to),
    'POST /days/arrange': ({ body }) => arrangeKept(db, work, body),
    'GET /days/{date}': ({ params }) => findDay(db, params.date),
    'PUT /days': ({ body }) =>
      db.transaction(async (tx) => {
        const kept: StoredDay[] = []
        for (const { version, record } of body.days) kept.push(await keep(tx, version, record))
        return kept
      }),
    'PUT /days/{date}': ({ params: { date }, body: { version, record } }) => keep(db, version, { ...record, date }),
    'DELETE /days/{date}': async ({ params }) => {
      if (!(await removeDay(db, params.date))) throw notFound('day')
    },
    'GET /days/{date}/tub': ({ params }) => tubDay(db, params.date),
    'GET /days/{date}/plan.ics': ({ params }) =>
      written(
        params.date,
        ({ record, changedAt }, facts) => ({
          content: writeCalendar(record, standDay(facts), facts.house, new Date(changedAt ?? 0)),
          open: 'attachment',
        }),
        'ics',
      ),
    'GET /days/{date}/sheet.pdf': ({ params }) =>
      written(
        params.date,
        async (_stored, facts) => ({
          content: await pdfOf(work, daySheet(facts, standDay(facts))),
          open: 'inline',
        }),
        'pdf',
      ),
    'POST /calendar/preview': ({ body }) => previewBookings(db, work, body),
    'POST /calendar/import': ({ body }) => takeBookings(db, body.bookings),
  } satisfies Partial<Handlers>
}
