import type { DayFacts } from './assemble'
import type { DayState } from './finding'
import { tryDay } from './ways'

/** What of a day that can't be arranged whole can be done: which seats, which not, and when it then ends (a minute of the clock). */
export interface DayPart {
  keep: string[]
  leave: string[]
  ends: number
  /** Minutes of hands that all of them need, and minutes from opening to closing. */
  hands: number
  open: number
}

const TRIES = 150

/**
 * The dogs that a day takes, one after the other as they come: each that still leaves it done by closing stays.
 * Where not even one does, the first that can be done at all. Undefined when none can. Yields after each dog.
 */
export function* partThatFits(facts: DayFacts): Generator<undefined, DayPart | undefined> {
  const { day } = facts
  const seats = [...day.seats].sort((a, b) => a.arrive - b.arrive)
  const stands = (ids: readonly string[]) =>
    tryDay({ ...facts, day: { ...day, plan: null, seats: seats.filter((s) => ids.includes(s.id)) } }, undefined, TRIES)
  let keep: string[] = []
  let best: DayState | undefined
  let late: { id: string; state: DayState } | undefined
  const handsOf: Record<string, number> = {}
  for (const { id } of seats) {
    const state = stands([...keep, id])
    handsOf[id] = state.seats.find((s) => s.seat.id === id)?.plan.handMinutes.value ?? 0
    if (state.run && state.run.dayEnd <= day.hours.to) [keep, best] = [[...keep, id], state]
    else if (state.run && keep.length === 0) late ??= { id, state }
    yield
  }
  if (!best && late) [keep, best] = [[late.id], late.state]
  if (!best?.run) return undefined
  return {
    keep,
    leave: seats.map((s) => s.id).filter((id) => !keep.includes(id)),
    ends: best.run.dayEnd,
    hands: Object.values(handsOf).reduce((sum, n) => sum + n, 0),
    open: day.hours.to - day.hours.from,
  }
}
