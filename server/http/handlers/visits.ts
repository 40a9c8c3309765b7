import type { StoredVisit } from '@contract'
import { visitRecord } from '@core/tubside'
import { addDays } from '@core/visit'
import type { Db } from '../../db/db'
import { eventsOf } from '../../db/events'
import { findingsOf } from '../../db/findings'
import { findOutcome } from '../../db/outcomes'
import { findVisit, listVisits } from '../../db/visits'
import { handOverSlip, vetLetter, type PaperFacts } from '../../formats/papers'
import type { Paper } from '../../formats/pdf'
import { conflict, notFound, Refusal } from '../../problems'
import { changeDraft, keepDraft } from '../../usecases/draft'
import { wildNumbers } from '../../usecases/memory'
import { pdfOf } from '../../usecases/pdf'
import { dropVisit, inOurTime, keepTaps } from '../../usecases/outcome'
import type { ServerWork } from '../../work/jobs'
import type { Asker } from '../../access/guard'
import type { FileReply, Handlers } from '../register'

/** For how many days after a visit a device that isn't for everything reads it and sends taps: some wait on it for a network. */
const LATE_DAYS = 7

/** Kept visits with their taps, outcomes and papers: the server reckons what it stores. */
export function visitHandlers(db: Db, work: ServerWork) {
  const theVisit = async (id: string): Promise<StoredVisit> => {
    const visit = await findVisit(db, id)
    if (!visit) throw notFound('visit')
    return visit
  }
  const oldest = (asker: Asker) =>
    asker.role === 'whole' ? undefined : addDays(new Date().toISOString().slice(0, 10), -LATE_DAYS)
  /** A visit that whoever asks may see. */
  const visitFor = async (id: string, asker: Asker): Promise<StoredVisit> => {
    const visit = await theVisit(id)
    const since = oldest(asker)
    if (since !== undefined && visit.date < since)
      throw new Refusal(
        403,
        'Not at the tub',
        `This visit is of ${visit.date}. It is read and changed on a device that may do everything.`,
      )
    return visit
  }
  const paper = async (id: string, name: string, make: (facts: PaperFacts) => Paper): Promise<FileReply> => {
    const visit = await theVisit(id)
    const [findings, taps] = [await findingsOf(db, visit.dogId), await eventsOf(db, id)]
    const { began, ears, happened } = visitRecord(taps)
    const content = await pdfOf(work, make({ visit, findings, begun: began !== undefined, ears, happened }))
    return { content, name: `${name}-${visit.date}.pdf`, open: 'inline' }
  }
  return {
    'GET /visits': ({ query, asker }) => listVisits(db, { ...query, since: oldest(asker) }),
    'POST /visits': ({ body }) => keepDraft(db, body),
    'GET /visits/{id}': ({ params, asker }) => visitFor(params.id, asker),
    'PUT /visits/{id}': async ({ params, body: { version, record } }) => {
      const changed = await changeDraft(db, params.id, version, record)
      if (changed.state === 'missing') throw notFound('visit')
      if (changed.state === 'conflict') throw conflict(changed.row)
      return changed.row
    },
    'DELETE /visits/{id}': ({ params }) => dropVisit(db, params.id),
    'GET /visits/{id}/events': async ({ params, asker }) => {
      const { id } = await visitFor(params.id, asker)
      return { events: await eventsOf(db, id) }
    },
    'POST /visits/{id}/events': async ({ params, body, asker }) => {
      const { id } = await visitFor(params.id, asker)
      return keepTaps(db, id, inOurTime(body.events, body.sentAt))
    },
    'GET /visits/{id}/outcome': async ({ params }) => {
      const { id } = await theVisit(params.id)
      const outcome = (await findOutcome(db, id)) ?? null
      return {
        outcome,
        wild: outcome === null ? [] : (await wildNumbers(db, work)).made.filter((w) => w.visitId === id),
      }
    },
    'GET /visits/{id}/letter.pdf': ({ params }) => paper(params.id, 'letter-to-the-vet', vetLetter),
    'GET /visits/{id}/slip.pdf': ({ params }) => paper(params.id, 'going-home', handOverSlip),
  } satisfies Partial<Handlers>
}
