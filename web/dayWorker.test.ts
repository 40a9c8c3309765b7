import { dayFacts } from '@core/fixtures'

interface Sent {
  id: number
  job?: { kind: string; seed: number; temper?: string }
  told?: unknown
  cancel?: true
}

/** A thread that keeps what it is sent, and says what it is made to. */
class Thread {
  static all: Thread[] = []
  sent: Sent[] = []
  private hear: (event: { data: unknown }) => void = () => {}
  constructor(
    _file: URL,
    readonly options: { name: string },
  ) {
    Thread.all.push(this)
  }
  addEventListener(kind: string, hear: (event: { data: unknown }) => void) {
    if (kind === 'message') this.hear = hear
  }
  postMessage(message: Sent) {
    if ('id' in message) this.sent.push(message)
  }
  get job() {
    return this.sent.findLast((s) => s.job)!
  }
  says(what: object) {
    this.hear({ data: { id: this.job.id, ...what } })
  }
}
Object.assign(globalThis, { Worker: Thread })
const cores = (hardwareConcurrency: number) =>
  Object.defineProperty(globalThis, 'navigator', { value: { hardwareConcurrency }, configurable: true })

const { arrangeDayTwice } = await import('./workers/dayWorker')
const facts = dayFacts(['Ash', 'Birch'])
const JOB = { kind: 'arrange', budgetMs: 1000, seed: 4 } as const
const done = (objective: number) => ({ result: { ok: true, day: { objective } } })

function begin() {
  const shown: unknown[] = []
  for (const thread of Thread.all) thread.sent = []
  const running = arrangeDayTwice(facts, JOB, (value) => shown.push(value))
  return { running, shown }
}

test('a device with several cores arranges in two threads, by two chances and tempers', async () => {
  cores(4)
  const { running } = begin()
  const [first, second] = Thread.all.map((t) => t.job.job!)
  expect(first).toMatchObject({ kind: 'arrange', seed: 4, temper: 'near' })
  expect(second).toMatchObject({ kind: 'arrange', temper: 'whole' })
  expect(second!.seed).not.toBe(4)
  Thread.all[0]!.says(done(12))
  Thread.all[1]!.says(done(11))
  expect(await running.answer).toMatchObject({ day: { objective: 11 } })
})

test('what one search finds goes to the other, and isn’t shown', () => {
  const { shown } = begin()
  const [one, other] = Thread.all as [Thread, Thread]
  // a bound above all numbers comes through as well
  const told = { schedules: [{ tasks: { a: 1 }, breaks: {} }], bound: Infinity }
  one.says({ progress: { told } })
  expect(other.sent.at(-1)).toEqual({ id: other.job.id, told })
  other.says({ progress: { told: { schedules: [], bound: 7 } } })
  expect(one.sent.at(-1)).toEqual({ id: one.job.id, told: { schedules: [], bound: 7 } })
  expect(shown).toEqual([])
})

test('of two searches the best so far is shown, and how far the first one is', () => {
  const { shown } = begin()
  const [one, other] = Thread.all as [Thread, Thread]
  other.says({ progress: { share: 0.1, best: { objective: 20 } } })
  one.says({ progress: { share: 0.2, best: { objective: 25 } } })
  other.says({ progress: { share: 0.3 } })
  one.says({ progress: { share: 0.4, best: { objective: 15 } } })
  expect(shown).toEqual([
    { share: 0.1, best: { objective: 20 } },
    { share: 0.2 },
    { share: 0.4, best: { objective: 15 } },
  ])
})

test('both are cancelled together, and nothing is told to one that is over', async () => {
  const { running } = begin()
  const [one, other] = Thread.all as [Thread, Thread]
  running.cancel()
  expect([one, other].map((t) => t.sent.at(-1)!.cancel)).toEqual([true, true])
  one.says({ cancelled: true })
  other.says({ progress: { told: { schedules: [], bound: 1 } } })
  expect(one.sent.at(-1)).toMatchObject({ cancel: true })
  other.says({ cancelled: true })
  expect(await running.answer).toBeUndefined()
})

test('a device with one core arranges in one thread, which looks at everything', async () => {
  cores(1)
  const { running } = begin()
  expect(Thread.all[0]!.job.job).not.toHaveProperty('temper')
  expect(Thread.all[1]!.sent).toEqual([])
  Thread.all[0]!.says(done(9))
  expect(await running.answer).toMatchObject({ day: { objective: 9 } })
})
