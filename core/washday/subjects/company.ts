import { mayBite } from '../../dog'
import { said } from '../../said'
import type { DayFacts } from '../assemble'
import type { DayFinding, Judged } from '../finding'
import { withSeat, type Remedies } from '../offers'

declare module '../../said' {
  interface Codes {
    'found.bites': { name: string; helper: string | null; at: number; until: number }
  }
}

/** Dogs that may bite and are handled while no second person is there. */
export function judgeCompany({ day }: DayFacts, { seats, problem, schedule }: Judged): DayFinding[] {
  const { helper, hours } = day
  // one that comes biting with nobody to help isn't begun at all: its plan stops
  const handledAnyway = seats.filter(
    (s) => mayBite(s.dog, s.today) && !s.plan.stops.some((stop) => stop.code === 'stop.bite'),
  )
  return handledAnyway.flatMap((seat): DayFinding[] => {
    const id = seat.seat.id
    const tasks = problem.dogs.find((d) => d.id === id)?.tasks ?? []
    const handled = tasks
      .filter((t) => t.needsDog && (t.uses.hands ?? 0) > 0)
      .map((t) => ({ from: schedule.tasks[t.id]! + hours.from, to: schedule.tasks[t.id]! + hours.from + t.dur }))
    const alone = handled.filter(({ from, to }) => !helper || from < helper.from || to > helper.to)
    if (alone.length === 0) return []
    const at = Math.min(...alone.map(({ from }) => from))
    const until = Math.max(...alone.map(({ to }) => to))
    return [
      {
        id: `bites ${id}`,
        kind: 'bites',
        level: 'watch',
        seat: id,
        at,
        amount: alone.reduce((sum, { from, to }) => sum + to - from, 0),
        ...said('found.bites', { name: seat.dog.name, helper: helper ? helper.name : null, at, until }),
      },
    ]
  })
}

export const companyRemedies: Remedies<'bites'> = {
  bites({ day, facts: { house }, finding, own, offer }) {
    if (finding.code !== 'found.bites') return
    const { at, until, name } = finding.facts
    const there = day.helper ?? { name: house.helper.name, from: at, to: until }
    const helper = { ...there, from: Math.min(there.from, at), to: Math.max(there.to, until) }
    offer('helper', said('do.helper', helper), { ...day, helper })
    // or the dog comes once the helper is there
    const from = day.helper?.from
    if (own && from !== undefined && from > own.seat.arrive && from < own.seat.pickup)
      offer('with-helper', said('do.comesAt', { name, at: from }), withSeat(day, own.seat.id, { arrive: from }))
  },
}
