import { availableParallelism } from 'node:os'
import { MessageChannel } from 'node:worker_threads'
import { seedBeside, type Arrangement, type NoArrangement } from '@core/day'
import type { JOBS, ServerWork } from '../work/jobs'

/** What a day may take beyond its budget, ms: for its first try, and for saying what stands in the way. */
const BEYOND_MS = 8000
/** The shortest budget for a second search, ms: below that it takes more from the first, on cores that share, than it finds. */
const BESIDE_FROM_MS = 500
/** Threads that must be at nothing for a second search, so that one is left for others. */
const ENOUGH_IDLE = 3

type Arranged = Arrangement | NoArrangement
type Day = Omit<Parameters<typeof JOBS.arrange>[0], 'port'>

/** The better of two searches, the first where they are alike, with what both proved. */
function better(first: Arranged, second: Arrangement | undefined): Arranged {
  if (!second) return first
  if (!first.feasible) return second
  const best = second.objective < first.objective ? second : first
  const lowerBound = Math.min(best.objective, Math.max(first.lowerBound, second.lowerBound))
  return { ...best, lowerBound, proven: lowerBound >= best.objective }
}

/**
 * Arranges a day within its budget, in a thread; refused where even one try takes longer than it may. Where another
 * thread and a core for it are idle, and there is time, a second search goes on beside, by another chance and temper; they
 * tell each other what they find, and the better day is answered.
 */
export async function arrangeWithin(work: ServerWork, day: Day): Promise<Arranged> {
  const limits = { deadlineMs: day.budgetMs + BEYOND_MS, tooMuch: 'Give it fewer dogs, tasks or resources.' }
  const room = availableParallelism() > 1 && work.idle() >= ENOUGH_IDLE
  if (!room || day.budgetMs < BESIDE_FROM_MS) return work.do('arrange', day, limits)
  const { port1, port2 } = new MessageChannel()
  const beside = { ...day, seed: seedBeside(day.seed), port: port2 }
  const [first, second] = await Promise.allSettled([
    work.do('arrange', { ...day, port: port1 }, { ...limits, moved: [port1] }),
    work.do('arrangeBeside', beside, { ...limits, moved: [port2] }),
  ])
  const also = second.status === 'fulfilled' ? second.value : undefined
  if (first.status === 'fulfilled') return better(first.value, also)
  if (also) return also
  throw first.reason
}
