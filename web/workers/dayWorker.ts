import { seedBeside } from '@core/day'
import type { DayFacts } from '@core/washday'
import type { DayAnswers, DayJob, WeeksAnswers, WeeksJob } from './jobs'

/** A job under way: its answer (undefined when cancelled), how to cancel it, and how to tell it something. */
export interface Running<A extends { result: unknown }> {
  answer: Promise<A['result'] | undefined>
  cancel: () => void
  tell: (what: unknown) => void
}

interface Heard {
  id: number
  progress?: unknown
  result?: unknown
  cancelled?: true
  error?: string
}

let newest = 0
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** A thread for days, made when it is first needed, and made anew when it failed. */
function makeThread(name: string) {
  let worker: Worker | undefined
  /** The facts that it holds. */
  let held: Partial<DayFacts> = {}
  const open = new Map<number, (heard: Heard) => void>()

  function theWorker(): Worker {
    if (worker) return worker
    worker = new Worker(new URL('./day.worker.ts', import.meta.url), { type: 'module', name })
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

  return {
    /** Tells it the facts that it goes by from now on: the parts of them that are others than it holds. */
    hold(facts: DayFacts) {
      const keys = Object.keys(facts) as (keyof DayFacts)[]
      const others = keys.filter((k) => facts[k] !== held[k])
      if (others.length === 0) return
      theWorker().postMessage({ facts: plain(Object.fromEntries(others.map((k) => [k, facts[k]]))) })
      held = { ...facts }
    },
    /** Sends a job under a number of its own; what it finds on the way comes to `onProgress`. */
    send<A extends { progress: unknown; result: unknown }>(
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
      const say = (message: object) => open.has(id) && theWorker().postMessage({ id, ...message })
      return { answer, cancel: () => say({ cancel: true }), tell: (what) => say({ told: what }) }
    },
  }
}

/** What a hand waits for is done in one, what takes longer in the other. */
const AT_HAND = makeThread('day')
const BEHIND = makeThread('day, behind')
const LONG: readonly DayJob['kind'][] = ['prove', 'relieve', 'times', 'trades', 'price']

/** Gives a thread of the day's a job over some facts; what it finds on the way comes to `onProgress`. */
export function askDay<K extends DayJob['kind']>(
  facts: DayFacts,
  job: Extract<DayJob, { kind: K }>,
  onProgress: (value: DayAnswers[K]['progress']) => void = () => undefined,
): Running<DayAnswers[K]> {
  const thread = LONG.includes(job.kind) ? BEHIND : AT_HAND
  thread.hold(facts)
  return thread.send<DayAnswers[K]>({ job }, onProgress)
}

/** Gives a job over some weeks, which come along. */
export const askWeeks = <K extends WeeksJob['kind']>(
  job: Extract<WeeksJob, { kind: K }>,
  onProgress: (value: WeeksAnswers[K]['progress']) => void = () => undefined,
): Running<WeeksAnswers[K]> => BEHIND.send<WeeksAnswers[K]>({ weeks: job }, onProgress)

type Arranged = DayAnswers['arrange']

/** The better of two ends of arranging, the first where they are alike. */
function better(a: Arranged['result'], b: Arranged['result']): Arranged['result'] {
  if (!a.ok || !b.ok) return a.ok ? a : b
  return b.day.objective < a.day.objective ? b : a
}

/** What is shown of arranging: how far it is, and the best so far. */
type Shown = Exclude<Arranged['progress'], { told: unknown }>

/**
 * Arranges a day in both threads where the device has the cores for it: each by a chance of its own, one near good days
 * and one over all, telling each other what they find. The best of either is shown and answered.
 */
export function arrangeDayTwice(
  facts: DayFacts,
  job: Extract<DayJob, { kind: 'arrange' }>,
  onProgress: (value: Shown) => void,
): Running<Arranged> {
  let shown = Infinity
  /** Tells the other search what one finds; shows the first one's progress, and of either what is better than all before. */
  const hear =
    (first: boolean, other: () => Running<Arranged> | undefined) =>
    (heard: Arranged['progress']): void => {
      if ('told' in heard) return other()?.tell(heard.told)
      const { share, best, stand } = heard
      const leads = best !== undefined && best.objective <= shown
      if (leads) shown = best.objective
      if (leads) onProgress({ share, best, stand })
      else if (first) onProgress({ share })
    }
  let second: Running<Arranged> | undefined
  const twice = navigator.hardwareConcurrency >= 2
  const main = askDay<'arrange'>(
    facts,
    twice ? { ...job, temper: 'near' } : job,
    hear(true, () => second),
  )
  if (!twice) return main
  BEHIND.hold(facts)
  const beside = { ...job, seed: seedBeside(job.seed), temper: 'whole' as const }
  const running = (second = BEHIND.send<Arranged>(
    { job: beside },
    hear(false, () => main),
  ))
  return {
    answer: Promise.all([main.answer, running.answer]).then(([a, b]) => a && b && better(a, b)),
    cancel() {
      main.cancel()
      running.cancel()
    },
    tell: main.tell,
  }
}
