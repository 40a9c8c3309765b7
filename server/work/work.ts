import { Worker, type MessagePort } from 'node:worker_threads'
import { Refusal } from '../problems'

/** Jobs by name. */
export type Jobs = Record<string, (input: never) => unknown>

/** What a job comes to in the end; what it tells of on the way, when it is a generator. */
export type ResultOf<F> = F extends (input: never) => infer R
  ? R extends Generator<unknown, infer V>
    ? V
    : Awaited<R>
  : never
export type PartOf<F> = F extends (input: never) => Generator<infer P, unknown> ? P : never

/** How long a job may take, and what to do about one that takes longer. */
export interface Limits<P = unknown> {
  deadlineMs: number
  tooMuch: string
  onPart?: (part: P) => void
  /** What of its input moves over to the thread instead of being copied. */
  moved?: readonly MessagePort[]
}

/** Where long jobs are done, so that nothing else waits for them. */
export interface Work<J extends Jobs> {
  /**
   * Does a job; what it tells of on the way goes to `onPart`. One that takes longer than `deadlineMs`, or more memory
   * than a job may, is ended, and refused with 422 and `tooMuch`, what to do about it.
   */
  do<K extends keyof J & string>(
    job: K,
    input: Parameters<J[K]>[0],
    limits: Limits<PartOf<J[K]>>,
  ): Promise<ResultOf<J[K]>>
  /** Threads that are at nothing. */
  idle(): number
  /** Jobs that wait for a thread. */
  waiting(): number
  close(): Promise<void>
}

/** Runs a job through, telling of its parts. */
export function runJob(job: Jobs[string], input: unknown, onPart: (part: unknown) => void = () => undefined): unknown {
  const made = job(input as never)
  if (typeof made !== 'object' || made === null || !('next' in made)) return made
  const steps = made as Generator<unknown>
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
    onPart(value)
  }
}

/** Jobs done on the spot, without threads: for programs that don't run from a build. */
export const workHere = <J extends Jobs>(jobs: J): Work<J> => ({
  do: async (job, input, { onPart }) => (await runJob(jobs[job]!, input, onPart as (part: unknown) => void)) as never,
  idle: () => 0,
  waiting: () => 0,
  close: () => Promise.resolve(),
})

/** Threads at work at once at the most, and the memory that one may take, MB. */
const THREADS = 3
const MEMORY_MB = 768
/** How long a thread may take to begin, ms. */
const STARTS_MS = 30_000

/** What goes to a thread, and what comes back. */
export interface Sent {
  id: number
  job: string
  input: unknown
}
export type Heard =
  | { id: number; began: true }
  | { id: number; part: unknown }
  | { id: number; result: unknown }
  | { id: number; error: string }

interface Waiting {
  sent: Sent
  limits: Limits
  resolve: (result: unknown) => void
  reject: (error: Error) => void
}

/** One thread: what it is at, if anything. */
interface Thread {
  worker: Worker
  at?: Waiting
  timer?: NodeJS.Timeout
}

/**
 * Jobs done in threads that run `file`, which serves them (`serveJobs`). A thread is made when it is first needed and
 * stays for the next job; one that had to be ended is made anew. Jobs beyond the threads wait for their turn.
 */
export function workInThreads<J extends Jobs>(file: string): Work<J> {
  const threads: Thread[] = []
  const queue: Waiting[] = []
  let newest = 0

  function drop(thread: Thread) {
    const at = threads.indexOf(thread)
    if (at >= 0) threads.splice(at, 1)
    clearTimeout(thread.timer)
    void thread.worker.terminate()
    return thread.at
  }
  const tooMuch = ({ limits }: Waiting) =>
    new Refusal(
      422,
      'Too much at once',
      `It took longer than ${limits.deadlineMs / 1000} s or too much memory. ${limits.tooMuch}`,
    )

  /** Ends a thread that takes longer for what it is at. */
  function endAfter(thread: Thread, waiting: Waiting, ms: number) {
    clearTimeout(thread.timer)
    thread.timer = setTimeout(() => {
      drop(thread)
      waiting.reject(tooMuch(waiting))
      next()
    }, ms)
  }

  function thread(): Thread {
    const made: Thread = { worker: new Worker(file, { resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB } }) }
    made.worker.unref()
    made.worker.on('message', (heard: Heard) => {
      const { at } = made
      if (!at || heard.id !== at.sent.id) return
      if ('began' in heard) return endAfter(made, at, at.limits.deadlineMs)
      if ('part' in heard) return at.limits.onPart?.(heard.part)
      clearTimeout(made.timer)
      made.at = undefined
      if ('error' in heard) at.reject(new Error(heard.error))
      else at.resolve(heard.result)
      next()
    })
    made.worker.on('error', (error: NodeJS.ErrnoException) => {
      const at = drop(made)
      at?.reject(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? tooMuch(at) : error)
      next()
    })
    threads.push(made)
    return made
  }

  /** Gives the next job to a thread that is free. */
  function next(): void {
    if (queue.length === 0) return
    const free = threads.find((t) => !t.at) ?? (threads.length < THREADS ? thread() : undefined)
    if (!free) return
    const waiting = queue.shift()!
    free.at = waiting
    // the job's own time begins when the thread takes it up: a busy machine may be long in starting one
    endAfter(free, waiting, STARTS_MS + waiting.limits.deadlineMs)
    free.worker.postMessage(waiting.sent, waiting.limits.moved)
    next()
  }

  return {
    do: (job, input, limits) =>
      new Promise((resolve, reject) => {
        queue.push({
          sent: { id: ++newest, job, input },
          limits: limits as Limits,
          resolve: resolve as (r: unknown) => void,
          reject,
        })
        next()
      }),
    idle: () => (queue.length > 0 ? 0 : THREADS - threads.filter((t) => t.at).length),
    waiting: () => queue.length,
    async close() {
      const ended = threads.splice(0).map(({ worker, timer }) => (clearTimeout(timer), worker.terminate()))
      await Promise.all(ended)
    },
  }
}

/** The parts of a job as they come; begun at once, whoever waits for them. */
export function eachPart<J extends Jobs, K extends keyof J & string>(
  work: Work<J>,
  job: K,
  input: Parameters<J[K]>[0],
  limits: Limits,
): AsyncIterable<PartOf<J[K]>> {
  const come: PartOf<J[K]>[] = []
  let wake = () => {}
  let over = false
  const done = work.do(job, input, {
    ...limits,
    onPart(part) {
      come.push(part)
      wake()
    },
  })
  const end = () => {
    over = true
    wake()
  }
  done.then(end, end)
  return {
    async *[Symbol.asyncIterator]() {
      for (;;) {
        while (come.length > 0) yield come.shift()!
        if (over) break
        await new Promise<void>((resolve) => (wake = resolve))
      }
      await done
    },
  }
}
