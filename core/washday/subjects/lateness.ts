import { said } from '../../said'
import type { DayFacts } from '../assemble'
import type { DayFinding, Judged } from '../finding'
import { HABITS } from '../habits'
import { withSeat, type Offers, type Remedies } from '../offers'

declare module '../../said' {
  interface Codes {
    'found.late': { name: string; minutes: number; ready: number; pickup: number; fleas: boolean }
    'found.hours': { end: number; over: number; closing: number }
    'do.comesAt': { name: string; at: number }
    'do.fetchedAt': { name: string; at: number }
  }
}

/** The last minute of a day of the clock. */
const MIDNIGHT = 1439

function lateness(judged: Judged): DayFinding[] {
  const { seats, run } = judged
  return run.seats
    .filter((s) => s.late > 0)
    .map((s) => {
      const seat = seats.find((p) => p.seat.id === s.id)!
      return {
        id: `late ${s.id}`,
        kind: 'late',
        level: 'stop',
        seat: s.id,
        at: s.ready,
        amount: s.late,
        ...said('found.late', {
          name: seat.dog.name,
          minutes: s.late,
          ready: s.ready,
          pickup: s.pickup,
          fleas: seat.today.fleas && seats.length > 1,
        }),
      }
    })
}

function hours({ day }: DayFacts, { run }: Judged): DayFinding[] {
  const over = run.dayEnd - day.hours.to
  if (over <= 0) return []
  return [
    {
      id: 'hours',
      kind: 'hours',
      level: 'watch',
      at: day.hours.to,
      amount: over,
      ...said('found.hours', { end: run.dayEnd, over, closing: day.hours.to }),
    },
  ]
}

function comeEarlier({ own, day, offer }: Offers) {
  if (!own || own.seat.arrive <= day.hours.from) return
  const at = day.hours.from
  offer(
    `early-${own.seat.id}`,
    said('do.comesAt', { name: own.dog.name, at }),
    withSeat(day, own.seat.id, { arrive: at }),
  )
}

function fetchLater({ own, day, state, offer }: Offers) {
  const run = state.run?.seats.find((s) => s.id === own?.seat.id)
  if (!own || !run) return
  const step = HABITS.askInSteps.value
  const pickup = Math.min(MIDNIGHT, Math.ceil(run.ready / step) * step)
  offer(
    `fetch-${own.seat.id}`,
    said('do.fetchedAt', { name: own.dog.name, at: pickup }),
    withSeat(day, own.seat.id, { pickup }),
  )
}

function startEarlier(o: Offers) {
  o.earlier(HABITS.startEarlier.value)
  o.earlier(2 * HABITS.startEarlier.value)
}

/** Dogs that are late for their pick-up, and work beyond closing. */
export const judgeLateness = (facts: DayFacts, judged: Judged) => [...lateness(judged), ...hours(facts, judged)]

export const lateRemedies: Remedies<'late' | 'hours'> = {
  late(o) {
    o.arrangeAgain()
    o.unpin()
    comeEarlier(o)
    o.helper()
    startEarlier(o)
    fetchLater(o)
    o.shorter({ anyone: true })
    o.leaveOut()
  },
  hours(o) {
    o.arrangeAgain()
    o.helper()
    startEarlier(o)
    o.shorter({ anyone: true })
    o.leaveOut()
  },
}
