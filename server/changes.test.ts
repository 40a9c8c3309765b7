import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { pino } from 'pino'
import request from 'supertest'
import type { Change } from '@contract'
import { DEMO } from '../demo/scenario'
import { buildApp } from './app'
import type { Db } from './db/db'
import { seed } from './seed'
import { openMigrated } from './fixtures/db'

let db: Db
let server: Server
beforeAll(async () => {
  db = await openMigrated()
  await seed(db, DEMO, '2026-11-25')
  server = buildApp({ db, log: pino({ level: 'silent' }), checkAnswers: true }).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
})
afterAll(async () => {
  server.closeAllConnections()
  await new Promise((resolve) => server.close(resolve))
  await db.close()
})

/** What the stream tells while something is done, until the last change that is waited for. */
async function toldBy(done: () => Promise<unknown>, last: (change: Change) => boolean): Promise<Change[]> {
  const leave = new AbortController()
  const { port } = server.address() as AddressInfo
  const { body } = await fetch(`http://127.0.0.1:${port}/api/changes`, { signal: leave.signal })
  const reader = body!.pipeThrough(new TextDecoderStream()).getReader()
  await reader.read()
  await done()
  const told: Change[] = []
  let text = ''
  while (!told.some(last)) {
    text += (await reader.read()).value ?? ''
    const events = text.split('\n\n')
    text = events.pop()!
    for (const event of events) if (event.startsWith('data: ')) told.push(JSON.parse(event.slice(6)) as Change)
  }
  leave.abort()
  return told
}

test('a stream tells of every kind of change, by id, date and dog, once it is kept', async () => {
  const [dog] = (await request(server).get('/api/dogs')).body
  const date = '2031-05-01'
  const tap = { id: crypto.randomUUID(), at: 1, device: 'a', kind: 'finish' }
  let visit = ''
  const told = await toldBy(
    async () => {
      const { version, record } = (await request(server).get(`/api/days/${date}`)).body
      await request(server).put(`/api/days/${date}`).send({ version, record }).expect(200)
      const draft = { dogId: dog.id, today: { date } }
      visit = (await request(server).post('/api/visits').send(draft).expect(201)).body.id
      const taps = `/api/visits/${visit}/events`
      await request(server)
        .post(taps)
        .send({ events: [tap] })
        .expect(200)
      await request(server).delete(`/api/visits/${visit}`).expect(204)
      const change = { version: dog.version, record: dog.record }
      await request(server).put(`/api/dogs/${dog.id}`).send(change).expect(200)
    },
    ({ what }) => what === 'dogs',
  )
  const about = { id: visit, date, dog: dog.id }
  expect(told).toEqual([
    { what: 'days', date },
    { what: 'visits', ...about },
    { what: 'taps', ...about, taps: [tap.id] },
    { what: 'outcomes', ...about },
    { what: 'visits', ...about },
    { what: 'outcomes', ...about },
    { what: 'dogs', id: dog.id },
  ])
})

test('a stream begins with since when it tells everything: whatever was answered before the last change is out of date', async () => {
  const { port } = server.address() as AddressInfo
  const since = async () => {
    const leave = new AbortController()
    const { body } = await fetch(`http://127.0.0.1:${port}/api/changes`, { signal: leave.signal })
    const { value } = await body!.pipeThrough(new TextDecoderStream()).getReader().read()
    leave.abort()
    return Number(/^event: since\ndata: (\d+)\n\n$/.exec(value!)![1])
  }
  const answered = async () => Number((await request(server).get('/api/dogs')).headers['x-juvant-now'])
  const before = await answered()
  await toldBy(
    () => request(server).post('/api/dogs').send({ name: 'Since', breed: '', coat: 'wire', weightKg: 7 }).expect(201),
    ({ what }) => what === 'dogs',
  )
  expect(await since()).toBeGreaterThanOrEqual(before)
  expect(await since()).toBeLessThanOrEqual(await answered())
})

test('what is taken back before it is kept is never told', async () => {
  const [dog] = (await request(server).get('/api/dogs')).body
  const told = await toldBy(
    async () => {
      const failing = db.transaction(async (tx) => {
        await tx.query("insert into dogs (record) values ('{}')")
        throw new Error('no')
      })
      await expect(failing).rejects.toThrow('no')
      await request(server).delete(`/api/dogs/${dog.id}`).expect(204)
    },
    ({ what }) => what === 'dogs',
  )
  expect(told).toEqual([{ what: 'dogs', id: dog.id }])
})

test('a device follows so many streams, and is refused one more in words until it closes one', async () => {
  const { port } = server.address() as AddressInfo
  const stops: AbortController[] = []
  const open = async () => {
    const stop = new AbortController()
    const answer = await fetch(`http://127.0.0.1:${port}/api/changes`, { signal: stop.signal })
    if (answer.ok) stops.push(stop)
    return answer
  }
  let refused: Response | undefined
  while (!refused && stops.length < 50) {
    const answer = await open()
    if (!answer.ok) refused = answer
  }
  expect([refused!.status, stops.length]).toEqual([429, 12])
  expect(((await refused!.json()) as { detail: string }).detail).toMatch(/12 streams already/)
  stops[0]!.abort()
  let again = await open()
  // the server hears of it a moment later
  for (let i = 0; i < 200 && !again.ok; i++) {
    await new Promise((resolve) => setImmediate(resolve))
    again = await open()
  }
  expect(again.status).toBe(200)
  stops.forEach((stop) => stop.abort())
})

test('streams end when something may have been missed, so that whoever follows comes again; what is told in that moment breaks nothing', async () => {
  let tell: Parameters<Db['listen']>[1]
  let miss: () => void
  const listen: Db['listen'] = (_, heard, missed) => {
    ;[tell, miss] = [heard, missed]
    return Promise.resolve(() => Promise.resolve())
  }
  const cut = buildApp({ db: { ...db, listen }, log: pino({ level: 'silent' }) }).listen(0, '127.0.0.1')
  await new Promise((resolve) => cut.once('listening', resolve))
  const address = `http://127.0.0.1:${(cut.address() as AddressInfo).port}/api`
  const { body } = await fetch(`${address}/changes`)
  const reader = body!.pipeThrough(new TextDecoderStream()).getReader()
  await reader.read()
  miss!()
  tell!(JSON.stringify({ what: 'dogs', id: 'one' }))
  expect(await reader.read()).toEqual({ done: true, value: undefined })
  expect((await fetch(`${address}/dogs`)).status).toBe(200)
  await new Promise((resolve) => cut.close(resolve))
})
