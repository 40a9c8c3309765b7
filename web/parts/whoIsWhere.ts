import type { TubDay } from '@contract'
import { readyIn, visitRecord, whereabouts, type VisitRecord, type Whereabouts } from '@core/tubside'
import { readKept } from '../api/taps'

/** One dog of a day: where it is, when it will be ready (minutes of the clock; null while that isn't known), and how late that is. */
export interface DogNow {
  dogId: string
  name: string
  colour: number | null
  visitId: string | null
  state: Whereabouts
  record: VisitRecord | undefined
  arrive: number | null
  pickup: number | null
  ready: number | null
  /** By when 9 in 10 like it are ready. */
  readyBy: number | null
  /** Minutes past its pick-up that it is likely ready, 0 when in time. */
  late: number
}

const minuteOf = (ms: number) => {
  const at = new Date(ms)
  return at.getHours() * 60 + at.getMinutes()
}

/** All dogs of a day in the order of its plan, visits outside it last; what this device tapped and hasn't sent counts. */
export function whoIsWhere(day: TubDay, now: number): DogNow[] {
  const one = (
    dogId: string,
    name: string,
    colour: number | null,
    times?: { arrive: number; pickup: number },
  ): DogNow => {
    const visit = day.visits.find((v) => v.dogId === dogId)
    const record = visit && visitRecord([...visit.events, ...readKept(visit.visitId).events], now)
    const state = whereabouts(record, visit?.steps ?? [])
    const begun = record?.began !== undefined && record.ended === undefined
    const left = record && begun ? readyIn(record, visit!.steps) : undefined
    const over = record?.ended !== undefined
    const ready = over ? minuteOf(record.ended!) : left ? minuteOf(now) + left.minutes : null
    return {
      dogId,
      name,
      colour,
      visitId: visit?.visitId ?? null,
      state,
      record,
      arrive: times?.arrive ?? null,
      pickup: times?.pickup ?? null,
      ready,
      readyBy: over ? ready : left ? minuteOf(now) + left.band[1] : null,
      late: times && ready !== null && state !== 'gone' ? Math.max(0, ready - times.pickup) : 0,
    }
  }
  const outside = day.visits.filter((v) => !day.seats.some((s) => s.dogId === v.dogId))
  return [
    ...day.seats.map((s) => one(s.dogId, s.name, s.colour, s)),
    ...outside.map((v) => one(v.dogId, v.name, v.colour)),
  ]
}
