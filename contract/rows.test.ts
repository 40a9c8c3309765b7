import { changeBy, ENDPOINTS, isAbout, isKeptOffline, READINGS, ROWS, type Address, type Endpoint } from '.'
import { ChangeOf } from './changes'

const tables = Object.entries<Endpoint>(ENDPOINTS) as [Address, Endpoint][]

test('every endpoint of the table has its facts, and no other', () => {
  expect(Object.keys(ROWS).sort()).toEqual(tables.map(([address]) => address).sort())
})

test('whatever can change makes some answer old', () => {
  for (const what of ChangeOf.options)
    expect([what, READINGS.some((address) => ROWS[address].reads.includes(what))]).toEqual([what, true])
})

test('what a record’s own endpoint answers is old once that record is written, and another’s isn’t', () => {
  const records = tables.filter(([address]) => /^PUT \/\w+\/\{id\}$/.test(address)).map(([address]) => address)
  expect(records.length).toBeGreaterThan(4)
  for (const written of records) {
    const read = `GET ${written.slice(4)}` as (typeof READINGS)[number]
    if (!READINGS.includes(read)) continue
    const change = changeBy(written, { id: 'a' })
    if (change === 'all' || change === undefined) throw new Error(`${written} says nothing of what it changes`)
    expect([read, isAbout(change, read, { params: { id: 'a' } })]).toEqual([read, true])
    expect([read, isAbout(change, read, { params: { id: 'b' } })]).toEqual([read, false])
  }
})

test('what is written under a dog makes that dog’s list old, and no other dog’s', () => {
  for (const what of ['findings', 'answers'] as const) {
    const change = changeBy(`POST /dogs/{id}/${what}`, { id: 'a' })
    if (change === 'all' || change === undefined) throw new Error('nothing changed')
    expect(isAbout(change, `GET /dogs/{id}/${what}`, { params: { id: 'a' } })).toBe(true)
    expect(isAbout(change, `GET /dogs/{id}/${what}`, { params: { id: 'b' } })).toBe(false)
  }
})

test('what changes more than a word says makes all old; what only reckons changes nothing', () => {
  expect(changeBy('POST /archive/take', {})).toBe('all')
  expect(changeBy('POST /tables/{table}/import', {})).toBe('all')
  expect(changeBy('POST /reckon/visit', {})).toBeUndefined()
  expect(changeBy('GET /dogs', {})).toBeUndefined()
})

test('a device keeps what the work needs without network: no file, no table, no photograph, nothing of owners alone', () => {
  for (const path of ['/api/days/2026-11-28', '/api/days/2026-11-28/tub', '/api/visits/a/events', '/api/house'])
    expect([path, isKeptOffline(path)]).toEqual([path, true])
  const files = tables.filter(([, row]) => row.file || row.stream).map(([address]) => address)
  for (const address of files) if (address.startsWith('GET ')) expect(ROWS[address]).toMatchObject({ offline: false })
  for (const path of [
    '/api/tables/dogs',
    '/api/dogs/a/record.json',
    '/api/photos/a/picture.jpg',
    '/api/archive.zip',
    '/api/dogs/a/owner',
    '/api/dogs/a/answers',
    '/api/changes',
  ])
    expect([path, isKeptOffline(path)]).toEqual([path, false])
})
