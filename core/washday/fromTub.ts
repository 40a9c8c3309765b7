import type { VisitRecord } from '../tubside'
import type { SeatPlan } from './assemble'
import type { Progress } from './schema'
import { partsOf } from './tasks'

const OVER = new Set(['done', 'skipped'])

/**
 * How far a day is as the taps at the tub tell it: each part of a visit that was begun, with its end once all
 * its steps are over. `records` by seat; `minuteOf` turns a time (ms) into a minute of the clock.
 */
export function progressFromTub(
  seats: readonly SeatPlan[],
  records: Readonly<Record<string, VisitRecord>>,
  minuteOf: (ms: number) => number,
): Progress['tasks'] {
  const tasks: Progress['tasks'] = {}
  for (const { seat, plan, liftApart } of seats) {
    const record = records[seat.id]
    if (!record) continue
    for (const { key, steps } of partsOf(plan, liftApart)) {
      const own = steps.flatMap(({ step }) => (record.steps[step.id] ? [record.steps[step.id]!] : []))
      const worked = own.filter((s) => s.from !== undefined)
      if (worked.length === 0) continue
      const start = minuteOf(Math.min(...worked.map((s) => s.from!)))
      const until = minuteOf(Math.max(...worked.map((s) => s.from! + s.minutes * 60_000)))
      const over = record.ended !== undefined || (own.length === steps.length && own.every((s) => OVER.has(s.state)))
      tasks[`${seat.id}.${key}`] = { start, end: over ? Math.max(start + 1, until) : null }
    }
  }
  return tasks
}
