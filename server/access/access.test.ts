import { once } from 'node:events'
import { createServer, get, type IncomingMessage } from 'node:http'
import type { AddressInfo } from 'node:net'
import { pino } from 'pino'
import request from 'supertest'
import { buildApp } from '../app'
import type { Db } from '../db/db'
import { DEMO } from '../../demo/scenario'
import { ENDPOINTS, type Endpoint } from '@contract'
import { fieldsAbout } from '@core/dog'
import { seed } from '../seed'
import { Devices } from './devices'
import { hostsFor, nameIn, reachableAt } from './hosts'
import { openMigrated } from '../fixtures/db'

let db: Db
let now = Date.parse('2026-11-26T10:00:00Z')
let app: ReturnType<typeof buildApp>
/** As another device on the network asks: by a name that isn't the machine's own for itself. */
const FROM = 'wash-room.local:4870'
beforeAll(async () => {
  db = await openMigrated()
  await seed(db, { ...DEMO, past: undefined }, '2026-11-25')
  app = buildApp({
    db,
    log: pino({ level: 'silent' }),
    checkAnswers: true,
    hosts: [...hostsFor('127.0.0.1'), 'wash-room.local'],
    devices: new Devices(db, () => now),
    reachable: () => ({
      safe: ['https://192.168.1.5:4871'],
      plain: ['http://192.168.1.5:4870'],
      fingerprint: 'AB CD',
      authority: 'its certificate',
    }),
  })
})
afterAll(() => db.close())

const here = () => request(app)
const from = (method: 'get' | 'post' | 'put' | 'delete', path: string, cookie = '') =>
  request(app)[method](`/api${path}`).set('host', FROM).set('cookie', cookie)
async function pairedAs(role: 'whole' | 'tub' | 'look', name: string = role) {
  const { code } = (await here().post('/api/devices/code').send({ role }).expect(201)).body as { code: string }
  const answer = await from('post', '/pair').send({ code, name }).expect(204)
  const [cookie] = answer.headers['set-cookie'] as unknown as string[]
  expect(cookie).toMatch(/^juvant-device=[^;]+; Path=\/; Max-Age=\d+; HttpOnly; SameSite=Strict$/)
  return cookie!.split(';')[0]!
}

test('without being paired a device learns nothing but that the server is there', async () => {
  const { body: health } = await from('get', '/health').expect(200)
  expect(health).toMatchObject({ ready: true, well: null })
  expect((await here().get('/api/health')).body.well).toMatchObject({ keptBy: 'server', troubles: [] })
  const trusted = await from('get', '/trust.crt')
    .buffer(true)
    .parse((res, done) => res.on('data', (part: Buffer) => done(null, part.toString())))
    .expect(200)
  expect(trusted.body).toBe('its certificate')
  for (const path of ['/dogs', '/house', '/changes', '/backups', '/openapi.json', '/nothing'])
    expect((await from('get', path)).status).toBe(401)
  await from('post', '/dogs').send({}).expect(401)
  await from('get', '/dogs', 'juvant-device=abc.def').expect(401)
  await here().get('/api/dogs').expect(200)
})

test('a code lets one device in, once, for ten minutes', async () => {
  const { code, addresses, until } = (await here().post('/api/devices/code').send({ role: 'whole' })).body
  expect([addresses, new Date(until).getTime() - now]).toEqual([
    ['https://192.168.1.5:4871', 'http://192.168.1.5:4870'],
    600_000,
  ])
  await from('post', '/pair').send({ code, name: '' }).expect(422)
  const spaced = `${code.slice(0, 4)} ${code.slice(4)}`
  await from('post', '/pair').send({ code: spaced, name: 'Tablet' }).expect(204)
  await from('post', '/pair').send({ code, name: 'Another' }).expect(422)
  const late = (await here().post('/api/devices/code').send({ role: 'whole' })).body.code
  now += 601_000
  await from('post', '/pair').send({ code: late, name: 'Late' }).expect(422)
  now += 61_000
})

test('codes can’t be guessed: five wrong ones a minute, and a code that was guessed at ten times holds no more', async () => {
  const { code } = (await here().post('/api/devices/code').send({ role: 'whole' })).body as { code: string }
  const wrong = () => from('post', '/pair').send({ code: code === '00000000' ? '1'.repeat(8) : '00000000', name: 'x' })
  for (let i = 0; i < 5; i++) expect((await wrong()).status).toBe(422)
  expect((await wrong()).status).toBe(429)
  await from('post', '/pair').send({ code, name: 'Right, but too soon' }).expect(429)
  now += 61_000
  for (let i = 0; i < 5; i++) expect((await wrong()).status).toBe(422)
  now += 61_000
  await from('post', '/pair').send({ code, name: 'Right, too late' }).expect(422)
  now += 61_000
})

test('a device that may do everything does; put out, it is out at once', async () => {
  const cookie = await pairedAs('whole', 'Laptop')
  const { body: dog } = await from('post', '/dogs', cookie)
    .send({ name: 'Far', weightKg: 9, coat: 'smooth' })
    .expect(201)
  await from('delete', `/dogs/${dog.id}`, cookie).expect(204)
  // which of them did it stands in the history
  await here().post(`/api/dogs/${dog.id}/restore`).expect(200)
  const { body: history } = await here().get(`/api/history?what=dogs&id=${dog.id}`).expect(200)
  expect(history.map((l: { device: string | null }) => l.device)).toEqual([null, 'Laptop', 'Laptop'])
  const { body: all } = await from('get', '/devices', cookie).expect(200)
  const { id } = all.find((d: { name: string }) => d.name === 'Laptop')
  expect(JSON.stringify(all)).not.toContain(cookie.split('.')[1])
  await here().delete(`/api/devices/${id}`).expect(204)
  await from('get', '/dogs', cookie).expect(401)
  await here().delete(`/api/devices/${id}`).expect(404)
})

test('a device at the tub reads the day and adds taps; it isn’t told of owners, and deletes and changes nothing', async () => {
  const owner = {
    owner: 'Mina Vale',
    ownerContact: '0123 456',
    vet: 'Dr. Reed',
    vetContact: '0987 654',
    consent: 'May be muzzled',
    notes: 'Her mother brings the dog',
  }
  const [today, longAgo] = [0, 90].map((days) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10))
  const { body: dog } = await here()
    .post('/api/dogs')
    .send({ name: 'Secret', weightKg: 9, coat: 'smooth', ...owner })
  const { body: visit } = await here()
    .post('/api/visits')
    .send({ dogId: dog.id, today: { date: today } })
  const { body: old } = await here()
    .post('/api/visits')
    .send({ dogId: dog.id, today: { date: longAgo } })
  const cookie = await pairedAs('tub')
  expect((await from('get', '/me', cookie)).body).toEqual({
    role: 'tub',
    here: false,
    lock: null,
    reachable: { safe: [], plain: [], fingerprint: null },
  })
  for (const path of ['/dogs', `/dogs/${dog.id}`, `/visits/${visit.id}`, `/days/${today}`, `/days/${today}/tub`]) {
    const { status, text } = await from('get', path, cookie)
    expect([path, status]).toEqual([path, 200])
    for (const word of Object.values(owner)) expect(text).not.toContain(word)
  }
  expect((await from('get', `/visits/${visit.id}`, cookie)).body.inputs.dog).toMatchObject({
    name: 'Secret',
    owner: '',
  })
  const tap = { id: crypto.randomUUID(), at: 1000, device: 'tablet', kind: 'step', step: 'look' }
  await from('post', `/visits/${visit.id}/events`, cookie)
    .send({ events: [tap] })
    .expect(200)
  // what is long done is changed elsewhere
  await from('post', `/visits/${old.id}/events`, cookie)
    .send({ events: [{ ...tap, id: crypto.randomUUID() }] })
    .expect(403)
  for (const path of [`/visits/${old.id}`, `/visits/${old.id}/events`])
    expect([path, (await from('get', path, cookie)).status]).toEqual([path, 403])
  const listed = await from('get', '/visits', cookie).expect(200)
  expect(listed.body.map((v: { id: string }) => v.id)).toEqual([visit.id])
  expect((await from('get', '/health', cookie)).body.well).toBeNull()
  const { body: all } = await here().get('/api/devices').expect(200)
  expect(all.find((d: { name: string }) => d.name === 'tub').did).toMatchObject({ what: 'visit_events' })
  // nor is an owner's name spelled out by asking for it
  expect((await from('get', '/dogs?text=Vale', cookie)).body).toEqual([])
  expect((await here().get('/api/dogs?text=Vale')).body).toHaveLength(1)
  for (const [address, row] of Object.entries(ENDPOINTS)) {
    if ('tub' in row) continue
    const [method, path] = address.split(' ') as [string, string]
    const filled = path
      .replace('{id}', dog.id)
      .replace('{date}', '2026-11-28')
      .replace('{table}', 'dogs')
      .replace('{kind}', 'scale')
      .replace('{backup}', 'juvant-2026-11-26T00-00-00Z.jsonl.gz')
    const asked = from(method.toLowerCase() as 'get', filled, cookie)
    expect([address, (await (method === 'GET' ? asked : asked.send({}))).status]).toEqual([address, 403])
  }
})

test('no row that the tub may ask tells it a word of owners, vets or free notes', async () => {
  const people = Object.fromEntries(fieldsAbout('owner', 'vet', 'noted').map((field) => [field, `secret ${field}`]))
  const { body: dog } = await here()
    .post('/api/dogs')
    .send({ name: 'Secretive', weightKg: 9, coat: 'smooth', price: { cents: 98_765, currency: 'GBP' }, ...people })
    .expect(201)
  const on = (await here().get('/api/days/2026-11-28')).body
  const seat = { id: 'secretive', dogId: dog.id, arrive: 540, pickup: 600 }
  const agreed = { note: 'secret of the booking', price: { cents: 98_766, currency: 'GBP' } }
  await here()
    .put('/api/days/2026-11-28')
    .send({ version: on.version, record: { ...on.record, seats: [...on.record.seats, { ...seat, ...agreed }] } })
    .expect(200)
  expect((await here().get('/api/days/2026-11-28')).body.record.seats.at(-1)).toMatchObject(agreed)
  const { body: visit } = await here()
    .post('/api/visits')
    .send({ dogId: dog.id, today: { date: '2026-11-28' } })
    .expect(201)
  const paid = { kind: 'paid', price: { cents: 98_767, currency: 'GBP' }, how: 'card' }
  const events = [{ kind: 'finish' }, paid].map((e, at) => ({ ...e, id: crypto.randomUUID(), at, device: '' }))
  await here().post(`/api/visits/${visit.id}/events`).send({ events }).expect(200)
  expect((await here().get(`/api/visits/${visit.id}/events`)).text).toContain('"cents":98767')
  const cookie = await pairedAs('tub', 'Word by word')
  let read = 0
  for (const [address, row] of Object.entries<Endpoint>(ENDPOINTS)) {
    if (!row.tub || row.stream || row.file || !address.startsWith('GET ')) continue
    const id = address.includes('/visits/') ? visit.id : dog.id
    const path = address.slice(4).replace('{id}', id).replace('{date}', '2026-11-28')
    const query = row.query?.shape.dogs ? `?dogs=${dog.id}` : ''
    const { text, status } = await from('get', `${path}${query}`, cookie)
    if (status === 200) read++
    expect([address, text.includes('secret '), text.includes('"cents":9876')]).toEqual([address, false, false])
  }
  expect(read).toBeGreaterThan(8)
})

test('a device that looks on reads what the tub reads, and changes nothing', async () => {
  const cookie = await pairedAs('look')
  await from('get', '/dogs', cookie).expect(200)
  await from('get', '/logbook', cookie).expect(403)
  const { body: dogs } = await here().get('/api/dogs')
  for (const [address, row] of Object.entries(ENDPOINTS)) {
    const [method, path] = address.split(' ') as [string, string]
    if (method === 'GET' || !('tub' in row) || ['POST /pair', 'POST /unlock'].includes(address)) continue
    const filled = path.replace('{id}', dogs[0].id).replace('{date}', '2026-11-28').replace('{kind}', 'scale')
    expect([address, (await from(method.toLowerCase() as 'post', filled, cookie).send({})).status]).toEqual([
      address,
      403,
    ])
  }
})

test('a shared device asks for four digits: right ones unlock it, wrong ones are counted, the main device changes or drops them', async () => {
  const cookie = await pairedAs('look', 'Shared tablet')
  const { body: all } = await here().get('/api/devices').expect(200)
  const { id, lock } = (all as { id: string; name: string; lock: number | null }[]).find(
    (d) => d.name === 'Shared tablet',
  )!
  expect(lock).toBeNull()
  const unlock = (code: string) => from('post', '/unlock', cookie).send({ code })
  // one that asks for none is unlocked by any
  await unlock('9999').expect(204)
  const refused = await here().put(`/api/devices/${id}/lock`).send({ code: '12a4', minutes: 0 }).expect(422)
  expect(refused.body.errors.map((e: { field: string }) => e.field).sort()).toEqual(['code', 'minutes'])
  await here().put(`/api/devices/${id}/lock`).send({ code: '0417', minutes: 5 }).expect(204)
  expect((await from('get', '/me', cookie)).body.lock).toBe(5)
  expect((await here().get('/api/me')).body.lock).toBeNull()
  expect((await here().get('/api/devices')).text).not.toContain('0417')
  const { rows } = await db.query<{ kept: string }>('select lock_hash as kept from devices where id = $1', [id])
  // salt and hash, and nothing else: the digits aren’t among them but by chance
  expect(rows[0]!.kept).toMatch(/^[0-9a-f]{32}\.[0-9a-f]{64}$/)
  await unlock('0417').expect(204)
  for (let i = 0; i < 5; i++) expect((await unlock('1111').expect(422)).body.errors[0].field).toBe('code')
  await unlock('0417').expect(429)
  // who forgot them has new ones given, which count from the beginning
  await here().put(`/api/devices/${id}/lock`).send({ code: '2222', minutes: 2 }).expect(204)
  await unlock('2222').expect(204)
  await from('put', `/devices/${id}/lock`, cookie).send({ code: '3333', minutes: 2 }).expect(403)
  await here().delete(`/api/devices/${id}/lock`).expect(204)
  expect((await from('get', '/me', cookie)).body.lock).toBeNull()
})

test('a device that is put out follows nothing any more', async () => {
  const cookie = await pairedAs('tub', 'Lost tablet')
  const server = createServer(app).listen(0, '127.0.0.1')
  await once(server, 'listening')
  const { port } = server.address() as AddressInfo
  const asked = get({ host: '127.0.0.1', port, path: '/api/changes', headers: { host: FROM, cookie } })
  const [stream] = (await once(asked, 'response')) as [IncomingMessage]
  expect(stream.statusCode).toBe(200)
  await once(stream, 'data')
  stream.resume()
  const ended = once(stream, 'end')
  const { body: all } = await here().get('/api/devices').expect(200)
  await here()
    .delete(`/api/devices/${all.find((d: { name: string }) => d.name === 'Lost tablet').id}`)
    .expect(204)
  await ended
  server.close()
})

test('a name that isn’t its own, or a page of another site, gets nothing done', async () => {
  for (const host of ['evil.example', '192.168.1.77', 'localhost.evil.example'])
    expect((await request(app).get('/api/dogs').set('host', host)).status).toBe(421)
  const dog = { name: 'Foreign', weightKg: 9, coat: 'smooth' }
  for (const origin of ['https://evil.example', 'null', 'http://127.0.0.1.evil.example'])
    expect((await here().post('/api/dogs').set('origin', origin).send(dog)).status).toBe(403)
  const asked = (host: string, origin: string) =>
    here().post('/api/dogs').set('host', host).set('origin', origin).send(dog)
  await asked('localhost:4870', 'http://localhost:4870').expect(201)
  // another program on this machine is another site, also where nothing is sent along
  await asked('localhost:4870', 'http://localhost:5555').expect(403)
  await here().post('/api/backups').set('host', 'localhost:4870').set('origin', 'http://localhost:5555').expect(403)
  // a proxy asks by an address of its own for a page that came by a name that was added
  await asked('127.0.0.1:4870', 'https://wash-room.local').expect(201)
  await asked('127.0.0.1:4870', 'https://wash-room.local:8443').expect(403)
  await asked('127.0.0.1:4870', 'http://localhost').expect(403)
})

test('beyond loopback the server answers to its own addresses, its name and what is added, and nothing else', () => {
  expect(hostsFor('127.0.0.1', 'ignored.example')).toEqual(['127.0.0.1', 'localhost', '::1'])
  const hosts = hostsFor('0.0.0.0', ' Wash.Example , ')
  expect(hosts).toEqual(expect.arrayContaining(['localhost', 'wash.example']))
  expect(hosts).not.toContain('')
  expect(['localhost:80', '[::1]:4870', 'Wash.Example'].map(nameIn)).toEqual(['localhost', '::1', 'wash.example'])
  const at = { address: '192.168.1.5', port: 4870, family: 'IPv4' }
  expect(reachableAt('127.0.0.1', at)).toEqual([])
  expect(reachableAt('192.168.1.5', at)).toEqual(['http://192.168.1.5:4870'])
  expect(reachableAt('192.168.1.5', at, 'https')).toEqual(['https://192.168.1.5:4870'])
})
