import { planOfSchedule, planSeats, type DayFacts } from './assemble'
import type { DayFinding, DayState } from './finding'
import { HABITS } from './habits'
import { offersFor, type Way } from './offers'
import { standFrom } from './stand'
import { heaterEarlier } from './subjects/water'
import { effectsOf, tryDay, type TriedWay } from './ways'

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

/** Dogs left out together at the most, where leaving fewer is looked for. */
const FEWEST = 2

/** Groups of so many of some things, those of the last first. */
function* groupsOf<T>(all: readonly T[], size: number): Generator<T[]> {
  if (size === 0) yield []
  else
    for (let i = all.length - 1; i >= size - 1; i--)
      for (const rest of groupsOf(all.slice(0, i), size - 1)) yield [...rest, all[i]!]
}

/** Groups tried of each size, where more dogs must be left out. */
const GROUPS = 8

/** Groups of so many, first those with the least work: the least of all, and those that differ by one. */
function leastWork(ids: readonly string[], size: number, hands: ReadonlyMap<string, number>): string[][] {
  const work = (id: string) => hands.get(id) ?? 0
  const sorted = [...ids].sort((a, b) => work(a) - work(b))
  const least = sorted.slice(0, size)
  const others = sorted
    .slice(size)
    .flatMap((other) =>
      least.map((one) => ({ more: work(other) - work(one), group: least.map((id) => (id === one ? other : id)) })),
    )
    .sort((a, b) => a.more - b.more)
  return [least, ...others.map(({ group }) => group)].slice(0, GROUPS)
}

/**
 * What a day takes of its dogs: the fewest are left out that leave it done by closing, of as few those that come last.
 * Where it would take more than two, the dogs as they come, one after the other: each that still leaves it done
 * by closing stays; or more of them, those with less work. Where not even one does, the first that can be done at all.
 * Undefined when none can. Yields after each try.
 */
export function* partThatFits(facts: DayFacts): Generator<undefined, DayPart | undefined> {
  const { day } = facts
  const seats = [...day.seats].sort((a, b) => a.arrive - b.arrive)
  const stands = (ids: readonly string[]) =>
    tryDay({ ...facts, day: { ...day, plan: null, seats: seats.filter((s) => ids.includes(s.id)) } }, undefined, TRIES)
  const doneInTime = ({ run }: DayState) => run !== undefined && run.dayEnd <= day.hours.to
  let keep: string[] = []
  let best: DayState | undefined
  let late: { id: string; state: DayState } | undefined
  const hands = new Map<string, number>()
  for (const { id } of seats) {
    const state = stands([...keep, id])
    hands.set(id, state.seats.find((s) => s.seat.id === id)?.plan.handMinutes.value ?? 0)
    if (doneInTime(state)) [keep, best] = [[...keep, id], state]
    else if (state.run && keep.length === 0) late ??= { id, state }
    yield
  }
  const ids = seats.map((s) => s.id)
  /** The first of some groups with which the day is done in time, kept. */
  function* first(groups: Iterable<readonly string[]>): Generator<undefined, boolean> {
    for (const group of groups) {
      const state = stands(group)
      yield
      if (!doneInTime(state)) continue
      keep = ids.filter((id) => group.includes(id))
      best = state
      return true
    }
    return false
  }
  let fewest = false
  for (let size = 1; !fewest && size <= FEWEST && size < ids.length - keep.length; size++) {
    const without = [...groupsOf(ids, size)].map((out) => ids.filter((id) => !out.includes(id)))
    fewest = yield* first(without)
  }
  while (!fewest && ids.length - keep.length > FEWEST + 1)
    if (!(yield* first(leastWork(ids, keep.length + 1, hands)))) break
  if (!best && late) [keep, best] = [[late.id], late.state]
  if (!best?.run) return undefined
  return {
    keep,
    leave: ids.filter((id) => !keep.includes(id)),
    ends: best.run.dayEnd,
    hands: [...hands.values()].reduce((sum, n) => sum + n, 0),
    open: day.hours.to - day.hours.from,
  }
}

/** A day that can't be arranged has no finding to mend: that it be done by closing is what is wanted. */
const BY_CLOSING = { id: 'hours', kind: 'hours', level: 'stop', amount: Infinity } as DayFinding

/** Changes with which a day may hold all of its dogs; not yet tried. */
function reliefs(facts: DayFacts): Way[] {
  const state = standFrom(facts, planSeats(facts))
  const offers = offersFor(facts, state, BY_CLOSING)
  offers.unpin()
  offers.helper()
  offers.longerHelper()
  offers.earlier(HABITS.startEarlier.value)
  offers.earlier(2 * HABITS.startEarlier.value)
  heaterEarlier(offers)
  offers.shorter({ anyone: true })
  offers.byFan({ anyone: true })
  return offers.ways
}

/** What no day may have; that towels or quiet run short is mended once it is arranged. */
const breaks = ({ level, kind }: DayFinding) => level === 'stop' && ['late', 'water', 'circuit'].includes(kind)

/** What could be done about a day that can't be arranged: a change with which all of it holds, or what of it does. */
export interface Relief {
  part?: DayPart
  ways: TriedWay[]
}

/**
 * What can be done about a day that can't be arranged: single changes with which all of its dogs are done by closing,
 * each tried; and how many of its dogs it takes as it is. Yields what is found so far, after each try.
 */
export function* relieve(facts: DayFacts): Generator<Relief, Relief> {
  const found: Relief = { ways: [] }
  const before = standFrom({ ...facts, day: { ...facts.day, plan: null } }, planSeats(facts))
  for (const way of reliefs(facts)) {
    const after = tryDay({ ...facts, day: { ...way.day, plan: null } }, undefined, TRIES)
    const holds = after.run && after.run.dayEnd <= way.day.hours.to && !after.findings.some(breaks)
    if (holds)
      found.ways.push({
        id: way.id,
        what: way.what,
        day: { ...way.day, plan: planOfSchedule(way.day, after.schedule!, way.day.plan?.air) },
        gone: true,
        effects: effectsOf(before, after),
        cost: after.run!.dayEnd,
      })
    yield { ...found, ways: [...found.ways] }
  }
  const part = partThatFits(facts)
  for (let step = part.next(); ; step = part.next()) {
    if (step.done) return { ways: found.ways, part: step.value }
    yield found
  }
}
