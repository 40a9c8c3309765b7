import { planOfSchedule, type DayFacts, type SeatPlan } from './assemble'
import type { DayState } from './finding'
import type { Seat, WashDay } from './schema'
import { inSomeOrder, standLoosely } from './stand'

/** A part of a visit that is to begin at a minute of the clock. */
export interface HoldWish {
  seatId: string
  part: string
  at: number
}

/** A day with a part held: what of its record changes, and what of how it stands. */
export interface HeldDay extends Pick<DayState, 'schedule' | 'run' | 'findings' | 'lost'> {
  seats: Seat[]
  plan: WashDay['plan']
}

/** The plans of a day's dogs with its seats as they are now. */
const planned = (plans: readonly SeatPlan[], seats: readonly Seat[]): SeatPlan[] => {
  const bySeat = new Map(seats.map((s) => [s.id, s]))
  return plans.map((p) => ({ ...p, seat: bySeat.get(p.seat.id) ?? p.seat }))
}

/**
 * How a day would stand with a part of a visit held to a minute of the clock, the others after it in their order;
 * undefined when it can't be there. `standing`: how it stands now, from the same facts; pins that it has lost already
 * stand in nobody's way.
 */
export function holdPart(facts: DayFacts, standing: DayState, { seatId, part, at }: HoldWish): HeldDay | undefined {
  const seats = facts.day.seats.map((s) => (s.id === seatId ? { ...s, pins: { ...s.pins, [part]: at } } : s))
  const day = { ...facts.day, seats }
  const stand = standing.lost ? standLoosely : inSomeOrder
  const state = stand({ ...facts, day }, planned(standing.seats, seats))
  if (!state) return undefined
  const { schedule, run, findings, lost } = state
  if (!schedule || schedule.tasks[`${seatId}.${part}`] !== at - day.hours.from) return undefined
  return { seats, plan: planOfSchedule(day, schedule, day.plan?.air), schedule, run, findings, lost }
}

/** How the day stands with a part held, from how it stood before. */
export function stateHeld(standing: DayState, { seats, plan: _, ...held }: HeldDay): DayState {
  return { ...standing, ...held, seats: planned(standing.seats, seats) }
}
