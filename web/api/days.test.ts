/** @jest-environment jsdom */
import { emptyDay, seatFor, type WashDay } from '@core/washday'
import { roomWith } from '@core/fixtures'
import { changeSeat } from './days'
import { kept } from './queries'

const DATE = '2026-11-28'
const day = emptyDay(DATE, roomWith())
/** What the server has, and how many changes it let in. */
let server: { version: number; changedAt: null; record: WashDay; kept: [] }
/** What somebody else does right before a change arrives here. */
let meanwhile: () => void

beforeEach(() => {
  kept.clear()
  server = { version: 1, changedAt: null, kept: [], record: { ...day, seats: [seatFor('moss', day)] } }
  meanwhile = () => undefined
  Object.assign(globalThis, {
    fetch: async (_url: string, { method, body }: { method: string; body?: string }) => {
      const sent = body ? (JSON.parse(body) as { version: number; record: WashDay }) : undefined
      if (sent) meanwhile()
      const stale = sent !== undefined && sent.version !== server.version
      if (sent && !stale) server = { ...server, version: server.version + 1, record: sent.record }
      const answer = stale
        ? { title: 'Changed meanwhile', status: 409, detail: '', errors: [], current: server }
        : server
      return {
        status: stale ? 409 : 200,
        ok: !stale,
        headers: new Headers(),
        json: async () => JSON.parse(JSON.stringify(answer)) as unknown,
        method,
      }
    },
  })
})

test('changes of a seat that come close together are all kept', async () => {
  await Promise.all([
    changeSeat(DATE, 'moss', { price: { cents: 4500, currency: 'EUR' } }),
    changeSeat(DATE, 'moss', { note: 'back door' }),
    changeSeat(DATE, 'moss', { pickup: 990 }),
  ])
  expect(server.record.seats[0]).toMatchObject({ price: { cents: 4500 }, note: 'back door', pickup: 990 })
})

test('what somebody else changes meanwhile stays, and what was asked for is made in it', async () => {
  const others = [480, 485]
  meanwhile = () => {
    const heaterFrom = others.pop()
    if (heaterFrom !== undefined)
      server = { ...server, version: server.version + 1, record: { ...server.record, heaterFrom } }
  }
  await changeSeat(DATE, 'moss', { note: 'side gate' })
  expect(server.record).toMatchObject({ heaterFrom: 480, seats: [{ note: 'side gate' }] })
})

test('one that can’t be made is told, and the next is made all the same', async () => {
  meanwhile = () => (server = { ...server, version: server.version + 1 })
  const refused = changeSeat(DATE, 'moss', { note: 'never' })
  const next = refused.catch(() => {
    meanwhile = () => undefined
  })
  await expect(refused).rejects.toMatchObject({ status: 409 })
  await next
  await changeSeat(DATE, 'moss', { pickup: 900 })
  expect(server.record.seats[0]).toMatchObject({ note: '', pickup: 900 })
})
