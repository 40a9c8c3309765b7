import type { JOBS, ServerWork } from '../work/jobs'

/** What a day may take beyond its budget, ms: for its first try, and for saying what stands in the way. */
const BEYOND_MS = 8000

/** Arranges a day within its budget, in a thread; refused where even one try takes longer than it may. */
export const arrangeWithin = (work: ServerWork, day: Parameters<typeof JOBS.arrange>[0]) =>
  work.do('arrange', day, {
    deadlineMs: day.budgetMs + BEYOND_MS,
    tooMuch: 'Give it fewer dogs, tasks or resources.',
  })
