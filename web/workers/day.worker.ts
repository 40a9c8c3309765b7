import type { DayFacts } from '@core/washday'
import { doDayJob, doWeeksJob, HeldFacts, type DayJob, type JobHost, type WeeksJob } from './jobs'

/** What the page sends: parts of the facts that are others now, a job with a number of its own, the wish that one be cancelled, or what one is told. */
type Ask =
  | { facts: Partial<DayFacts> }
  | { id: number; job: DayJob }
  | { id: number; weeks: WeeksJob }
  | { id: number; cancel: true }
  | { id: number; told: unknown }

let held: HeldFacts | undefined

const cancelled = new Set<number>()
/** What the jobs under way were told. */
const told = new Map<number, unknown[]>()
const channel = new MessageChannel()
const waiting: (() => void)[] = []
channel.port1.onmessage = () => waiting.shift()?.()

/** Lets messages in; timers would be slowed down in the background. */
const breathe = () =>
  new Promise<void>((resolve) => {
    waiting.push(resolve)
    channel.port2.postMessage(0)
  })

async function work(id: number, does: (host: JobHost) => Promise<unknown>) {
  told.set(id, [])
  try {
    const result = await does({
      progress: (value) => postMessage({ id, progress: value }),
      pause: async () => {
        await breathe()
        return !cancelled.has(id)
      },
      now: () => performance.now(),
      told: () => told.get(id)!.splice(0),
    })
    postMessage(cancelled.has(id) ? { id, cancelled: true } : { id, result })
  } catch (error) {
    postMessage({ id, error: error instanceof Error ? error.message : String(error) })
  } finally {
    cancelled.delete(id)
    told.delete(id)
  }
}

addEventListener('message', ({ data }: MessageEvent<Ask>) => {
  if ('facts' in data) held = new HeldFacts({ ...held?.facts, ...data.facts } as DayFacts)
  else if ('cancel' in data) cancelled.add(data.id)
  else if ('told' in data) told.get(data.id)?.push(data.told)
  else if ('weeks' in data) void work(data.id, (host) => doWeeksJob(data.weeks, host))
  else void work(data.id, (host) => doDayJob(held!, data.job, host))
})
