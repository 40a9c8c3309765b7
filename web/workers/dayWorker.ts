import type { DayFacts } from '@core/washday'
import type { DayAnswers, DayJob, WeeksAnswers, WeeksJob } from './jobs'

/** A job under way: its answer (undefined when cancelled), and how to cancel it. */
export interface Running<A extends { result: unknown }> {
  answer: Promise<A['result'] | undefined>
  cancel: () => void
}

interface Heard {
  id: number
  progress?: unknown
  result?: unknown
  cancelled?: true
  error?: string
}

let worker: Worker | undefined
/** The facts that the worker holds. */
let held: Partial<DayFacts> = {}
let newest = 0
const open = new Map<number, (heard: Heard) => void>()

function theWorker(): Worker {
  if (worker) return worker
  worker = new Worker(new URL('./day.worker.ts', import.meta.url), { type: 'module', name: 'day' })
  worker.addEventListener('message', ({ data }: MessageEvent<Heard>) => open.get(data.id)?.(data))
  worker.addEventListener('error', (event) => {
    const failed = [...open]
    open.clear()
    worker?.terminate()
    worker = undefined
    held = {}
    for (const [id, hear] of failed) hear({ id, error: event.message || 'The reckoning stopped.' })
  })
  return worker
}

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Tells the worker the facts that it goes by from now on: the parts of them that are others than it holds. */
function hold(facts: DayFacts) {
  const keys = Object.keys(facts) as (keyof DayFacts)[]
  const others = keys.filter((k) => facts[k] !== held[k])
  if (others.length === 0) return
  theWorker().postMessage({ facts: plain(Object.fromEntries(others.map((k) => [k, facts[k]]))) })
  held = { ...facts }
}

/** Sends a job under a number of its own; what it finds on the way comes to `onProgress`. */
function send<A extends { progress: unknown; result: unknown }>(
  job: { job: DayJob } | { weeks: WeeksJob },
  onProgress: (value: A['progress']) => void,
): Running<A> {
  const id = ++newest
  const answer = new Promise<A['result'] | undefined>((resolve, reject) => {
    open.set(id, (heard) => {
      if (heard.progress !== undefined) {
        onProgress(heard.progress)
        return
      }
      open.delete(id)
      if (heard.error !== undefined) reject(new Error(heard.error))
      else resolve(heard.cancelled ? undefined : heard.result)
    })
  })
  theWorker().postMessage({ id, ...plain(job) })
  return { answer, cancel: () => open.has(id) && theWorker().postMessage({ id, cancel: true }) }
}

/** Gives the day's worker a job over some facts; what it finds on the way comes to `onProgress`. */
export function askDay<K extends DayJob['kind']>(
  facts: DayFacts,
  job: Extract<DayJob, { kind: K }>,
  onProgress: (value: DayAnswers[K]['progress']) => void = () => undefined,
): Running<DayAnswers[K]> {
  hold(facts)
  return send<DayAnswers[K]>({ job }, onProgress)
}

/** Gives it a job over some weeks, which come along. */
export const askWeeks = <K extends WeeksJob['kind']>(
  job: Extract<WeeksJob, { kind: K }>,
  onProgress: (value: WeeksAnswers[K]['progress']) => void = () => undefined,
): Running<WeeksAnswers[K]> => send<WeeksAnswers[K]>({ weeks: job }, onProgress)
