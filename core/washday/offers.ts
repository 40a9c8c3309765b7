import { said, type Code, type Said } from '../said'
import type { Service } from '../dog'
import { planSeats, type DayFacts } from './assemble'
import type { DayFinding, DayState, FindingKind } from './finding'
import { HABITS } from './habits'
import type { Seat, WashDay } from './schema'

declare module '../said' {
  interface Codes {
    'do.startEarlier': { minutes: number; at: number }
    'do.helper': { name: string; from: number; to: number }
    'do.unpin': None
    'do.again': None
    'do.leaveOut': { name: string; minutes: number }
    'do.fan': { name: string }
    'do.shorter': { name: string; service: Service; minutes: number }
  }
}

/** A change of a day that may mend something: what to do, and the day with it done. */
export interface Way {
  id: string
  what: Said<Extract<Code, `do.${string}`>>
  day: WashDay
}

/** What a dog may come for less than. */
const SHORTENED: readonly Service[] = ['bathAndTidy', 'deShed', 'fullClip']

export const withSeat = (day: WashDay, id: string, change: Partial<Seat>): WashDay => ({
  ...day,
  seats: day.seats.map((s) => (s.id === id ? { ...s, ...change } : s)),
})

/** What may mend a finding, collected: the moves that several subjects make, and `offer` for those of one. */
export type Offers = ReturnType<typeof offersFor>

/** What a subject offers against each kind of its findings. */
export type Remedies<K extends FindingKind> = Record<K, (offers: Offers) => void>

export function offersFor(facts: DayFacts, state: DayState, finding: DayFinding) {
  const { day, house } = facts
  const ways: Way[] = []
  const offer = (id: string, what: Way['what'], changed: WashDay) => void ways.push({ id, what, day: changed })
  const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id)?.dog.name ?? id
  /** The dog that the finding is about. */
  const own = state.seats.find((s) => s.seat.id === finding.seat)

  return {
    facts,
    state,
    finding,
    day,
    own,
    ways,
    offer,
    nameOf,
    earlier(by: number) {
      const from = day.hours.from - by
      if (from < 0 || day.progress) return
      const seats = day.seats.map((s) => (s.arrive === day.hours.from ? { ...s, arrive: from } : s))
      offer(`start-${by}`, said('do.startEarlier', { minutes: by, at: from }), {
        ...day,
        hours: { ...day.hours, from },
        seats,
      })
    },
    helper() {
      if (day.helper || day.progress) return
      const from = Math.max(day.hours.from, house.helper.from)
      if (from >= house.helper.to) return
      offer('helper', said('do.helper', { name: house.helper.name, from, to: house.helper.to }), {
        ...day,
        helper: { ...house.helper, from },
      })
    },
    /** The helper is there all day. */
    longerHelper() {
      const { helper } = day
      if (!helper || day.progress) return
      const { from, to } = day.hours
      if (helper.from <= from && helper.to >= to) return
      const changed = { ...helper, from: Math.min(helper.from, from), to: Math.max(helper.to, to) }
      offer('helper', said('do.helper', { name: helper.name, from: changed.from, to: changed.to }), {
        ...day,
        helper: changed,
      })
    },
    unpin() {
      if (!day.seats.some((s) => Object.keys(s.pins).length > 0)) return
      offer('unpin', said('do.unpin'), { ...day, seats: day.seats.map((s) => ({ ...s, pins: {} })) })
    },
    /** Dogs that come for more than a bath come for a bath alone; those it spares most, and no recipe is kept for. `anyone`: whoever the finding is about. */
    shorter({ anyone = false } = {}) {
      if (day.progress) return
      const less = state.seats.flatMap((s) => {
        if (!SHORTENED.includes(s.today.service) || (!anyone && own && s.seat.id !== own.seat.id)) return []
        // the tub goes by a recipe that is kept
        if (facts.dogs[s.seat.dogId]?.kept) return []
        const changed = withSeat(day, s.seat.id, { service: 'bath' })
        const plan = planSeats({ ...facts, day: changed }).find((p) => p.seat.id === s.seat.id)?.plan
        const minutes = plan ? s.plan.handMinutes.value - plan.handMinutes.value : 0
        return minutes > 0 ? [{ s, changed, minutes }] : []
      })
      for (const { s, changed, minutes } of less.sort((a, b) => b.minutes - a.minutes).slice(0, HABITS.mostNamed.value))
        offer(
          `shorter-${s.seat.id}`,
          said('do.shorter', { name: s.dog.name, service: s.today.service, minutes }),
          changed,
        )
    },
    arrangeAgain: () => offer('again', said('do.again'), day),
    leaveOut() {
      if (day.seats.length < 2) return
      const most = [...state.seats].sort((a, b) => b.plan.handMinutes.value - a.plan.handMinutes.value)
      for (const { seat, plan } of most.slice(0, HABITS.mostNamed.value))
        offer(`out-${seat.id}`, said('do.leaveOut', { name: nameOf(seat.id), minutes: plan.handMinutes.value }), {
          ...day,
          seats: day.seats.filter((s) => s.id !== seat.id),
        })
    },
    /** The loudest dogs dry by the fan first; of a finding of one dog, that one. `anyone`: whoever it is about. */
    byFan({ anyone = false } = {}) {
      const loud = [...state.seats]
        .filter((s) => s.plan.drying.aloneMinutes === 0 && s.plan.drying.handMinutes > 0)
        .filter((s) => anyone || !own || s.seat.id === own.seat.id)
        .sort((a, b) => b.plan.groomer.dose.value - a.plan.groomer.dose.value)
      for (const { seat, dog } of loud.slice(0, HABITS.mostNamed.value))
        offer(
          `fan-${seat.id}`,
          said('do.fan', { name: dog.name }),
          withSeat(day, seat.id, { technique: 'fan, then brush' }),
        )
    },
  }
}
