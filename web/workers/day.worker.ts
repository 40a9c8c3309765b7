import type { DayFacts } from '@core/washday'
import { doDayJob, HeldFacts, type DayJob } from './jobs'

/** What the page sends: parts of the facts that are others now, a job with a number of its own, or the wish that one be cancelled. */
type Ask = { facts: Partial<DayFacts> } | { id: number; job: DayJob } | { id: number; cancel: true }

let held: HeldFacts | undefined

const cancelled = new Set<number>()
const channel = new MessageChannel()
const waiting: (() => void)[] = []
channel.port1.onmessage = () => waiting.shift()?.()

/** Lets messages in; timers would be slowed down in the background. */
const breathe = () =>
  new Promise<void>((resolve) => {
    waiting.push(resolve)
    channel.port2.postMessage(0)
  })

async function work(id: number, of: HeldFacts, job: DayJob) {
  try {
    const result = await doDayJob(of, job, {
      progress: (value) => postMessage({ id, progress: value }),
      pause: async () => {
        await breathe()
        return !cancelled.has(id)
      },
      now: () => performance.now(),
    })
    postMessage(cancelled.has(id) ? { id, cancelled: true } : { id, result })
  } catch (error) {
    postMessage({ id, error: error instanceof Error ? error.message : String(error) })
  } finally {
    cancelled.delete(id)
  }
}

addEventListener('message', ({ data }: MessageEvent<Ask>) => {
  if ('facts' in data) held = new HeldFacts({ ...held?.facts, ...data.facts } as DayFacts)
  else if ('cancel' in data) cancelled.add(data.id)
  else void work(data.id, held!, data.job)
})
