import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { eachPart, workHere, workInThreads, type Work } from './work'

type Probe = {
  double: (n: number) => number
  fail: (why: string) => never
  never: (input: null) => void
  fill: (input: null) => void
  count: (to: number) => Generator<number, string>
}
const SERVES = `
import { parentPort } from 'node:worker_threads'
const jobs = {
  double: (n) => 2 * n,
  fail: (why) => { throw new Error(why) },
  never: () => { for (;;); },
  fill: () => { const all = []; for (;;) all.push(new Array(1e6).fill(Math.random())) },
}
parentPort.on('message', ({ id, job, input }) => {
  parentPort.postMessage({ id, began: true })
  if (job === 'count') {
    for (let i = 1; i <= input; i++) parentPort.postMessage({ id, part: i })
    return parentPort.postMessage({ id, result: 'counted' })
  }
  try { parentPort.postMessage({ id, result: jobs[job](input) }) }
  catch (error) { parentPort.postMessage({ id, error: error.message }) }
})
`
const LONG = { deadlineMs: 60_000, tooMuch: '' }

let folder: string
let work: Work<Probe>
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'juvant-work-'))
  writeFileSync(join(folder, 'jobs.mjs'), SERVES)
  work = workInThreads<Probe>(join(folder, 'jobs.mjs'))
})
afterAll(async () => {
  await work.close()
  rmSync(folder, { recursive: true, force: true })
})

test('more jobs than threads are all done, each with its own answer', async () => {
  const all = await Promise.all(Array.from({ length: 9 }, (_, i) => work.do('double', i, LONG)))
  expect(all).toEqual([0, 2, 4, 6, 8, 10, 12, 14, 16])
})

test('one that fails says why, and the thread goes on', async () => {
  await expect(work.do('fail', 'no such dog', LONG)).rejects.toThrow('no such dog')
  expect(await work.do('double', 21, LONG)).toBe(42)
})

test('one that never ends is ended and refused with what to do; others are done meanwhile and after', async () => {
  const stuck = work.do('never', null, { deadlineMs: 300, tooMuch: 'Give it fewer dogs.' })
  const refused = expect(stuck).rejects.toMatchObject({
    status: 422,
    detail: 'It took longer than 0.3 s or too much memory. Give it fewer dogs.',
  })
  expect(await work.do('double', 1, LONG)).toBe(2)
  await refused
  expect(await Promise.all([1, 2, 3].map((n) => work.do('double', n, LONG)))).toEqual([2, 4, 6])
})

test('one that fills its memory is refused, and takes nothing else with it', async () => {
  await expect(work.do('fill', null, LONG)).rejects.toMatchObject({ status: 422 })
  expect(await work.do('double', 4, LONG)).toBe(8)
})

test('parts come in order, from threads and on the spot, then the end', async () => {
  const here = workHere<Pick<Probe, 'count'>>({
    *count(to: number) {
      for (let i = 1; i <= to; i++) yield i
      return 'counted'
    },
  })
  for (const place of [work, here] as Work<Pick<Probe, 'count'>>[]) {
    const parts: number[] = []
    for await (const part of eachPart(place, 'count', 5, LONG)) parts.push(part)
    expect(parts).toEqual([1, 2, 3, 4, 5])
    expect(await place.do('count', 2, LONG)).toBe('counted')
  }
})
