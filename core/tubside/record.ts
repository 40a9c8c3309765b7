import { constants, house } from '../constants'
import { ZONE_NAMES, ZONES, type Zone } from '../dog'
import type { Done } from '../learn'
import { list } from '../units'
import type { Step } from '../visit'
import type { Happening, TubEvent } from './events'

/** How one step went: minutes without pauses, how many times it was taken up, and what makes its minutes no guide. */
export interface StepRecord {
  state: 'now' | 'done' | 'skipped'
  minutes: number
  why?: string
  disturbed?: string
}

/** A visit as its events tell it. Times in milliseconds since 1970. */
export interface VisitRecord {
  began?: number
  ended?: number
  current?: string
  paused: boolean
  steps: Record<string, StepRecord>
  /** Plugs that are in now, by set: for the water, and against the dryer's noise. */
  plugs: { water: { left: boolean; right: boolean }; noise: { left: boolean; right: boolean } }
  /** For every pass the zones lathered, with when. */
  lathered: Record<number, Partial<Record<Zone, number>>>
  rinses: number
  towels: number
  damp: Zone[]
  dry: Zone[]
  notes: { at: number; text: string }[]
  happened: { at: number; what: Happening; text: string; step?: string }[]
  stoppedEarly?: string
}

/** From where on a pause makes a step's minutes no guide for the next. */
export const TUBSIDE = constants({ longPause: house(2, 'min', [1, 5]) })

/** Events once each, in the order of their times (then ids), without those that were undone. An undo may itself be undone. */
export function standing(events: readonly TubEvent[]): TubEvent[] {
  const once = [...new Map(events.map((e) => [e.id, e])).values()]
  const sorted = once.sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))
  const undone = new Set<string>()
  for (const e of [...sorted].reverse()) if (e.kind === 'undo' && !undone.has(e.id)) undone.add(e.event)
  return sorted.filter((e) => e.kind !== 'undo' && !undone.has(e.id))
}

const fresh = (): VisitRecord => ({
  paused: false,
  steps: {},
  plugs: { water: { left: false, right: false }, noise: { left: false, right: false } },
  lathered: {},
  rinses: 0,
  towels: 0,
  damp: [],
  dry: [],
  notes: [],
  happened: [],
})

/**
 * A visit's record from its events, in whatever order and however often they came: the same events always
 * tell the same visit. `now` counts the minutes of the step that goes on.
 */
export function visitRecord(events: readonly TubEvent[], now?: number): VisitRecord {
  const record = fresh()
  let running: { step: string; since: number } | undefined
  let pausedAt: number | undefined
  const stepOf = (id: string) => (record.steps[id] ??= { state: 'now', minutes: 0 })
  const count = (until: number) => {
    if (running && pausedAt === undefined) stepOf(running.step).minutes += Math.max(0, until - running.since) / 60_000
    if (running) running.since = until
  }
  const goOn = (at: number) => {
    if (pausedAt === undefined) return
    const minutes = (at - pausedAt) / 60_000
    if (running) {
      if (minutes > TUBSIDE.longPause.value) stepOf(running.step).disturbed = 'a long pause'
      running.since = at
    }
    pausedAt = undefined
    record.paused = false
  }
  for (const e of standing(events)) {
    record.began ??= e.at
    switch (e.kind) {
      case 'step':
        count(e.at)
        goOn(e.at)
        if (running && stepOf(running.step).state === 'now') stepOf(running.step).state = 'done'
        running = { step: e.step, since: e.at }
        stepOf(e.step).state = 'now'
        record.current = e.step
        break
      case 'done':
      case 'skip': {
        count(e.at)
        goOn(e.at)
        const step = stepOf(e.step)
        step.state = e.kind === 'done' ? 'done' : 'skipped'
        if (e.kind === 'skip') step.why = e.why
        if (running?.step === e.step) {
          running = undefined
          record.current = undefined
        }
        break
      }
      case 'pause':
        count(e.at)
        pausedAt ??= e.at
        record.paused = true
        break
      case 'resume':
        goOn(e.at)
        break
      case 'plug':
        record.plugs[e.set][e.side] = e.way === 'in'
        break
      case 'lathered':
        ;(record.lathered[e.pass] ??= {})[e.zone] = e.at
        break
      case 'rinsed':
        record.rinses++
        break
      case 'towel':
        record.towels++
        break
      case 'damp':
        record.damp = [...record.damp.filter((z) => z !== e.zone), e.zone]
        record.dry = record.dry.filter((z) => z !== e.zone)
        break
      case 'dry':
        record.dry = [...record.dry.filter((z) => z !== e.zone), e.zone]
        break
      case 'note':
        record.notes.push({ at: e.at, text: e.text })
        break
      case 'happened':
        record.happened.push({ at: e.at, what: e.what, text: e.text, step: running?.step })
        if (running) stepOf(running.step).disturbed = e.what
        break
      case 'stop early':
        record.stoppedEarly = e.why
        break
      case 'finish':
        count(e.at)
        if (running && stepOf(running.step).state === 'now') stepOf(running.step).state = 'done'
        running = undefined
        record.current = undefined
        record.ended = e.at
        break
    }
  }
  if (now !== undefined && record.ended === undefined) count(now)
  return record
}

/** What still stands in the way of closing a visit, in words; empty when it can be closed. Plugs out always; every zone dry unless it was stopped early. */
export function notYet(record: VisitRecord, bathed: boolean): string[] {
  const plugs = (['water', 'noise'] as const).flatMap((set) =>
    (['left', 'right'] as const)
      .filter((side) => record.plugs[set][side])
      .map((side) => `the ${side} ${set === 'water' ? 'plug' : 'noise plug'}`),
  )
  const unchecked = ZONES.filter((z) => !record.dry.includes(z))
  return [
    ...(plugs.length > 0 ? [`${list(plugs)} ${plugs.length === 1 ? 'is' : 'are'} still in`] : []),
    ...(bathed && record.stoppedEarly === undefined && unchecked.length > 0
      ? [`not felt dry yet: ${list(unchecked.map((z) => ZONE_NAMES[z]))}`]
      : []),
  ]
}

/** One product's wait: from the last of its zones lathered, ms since 1970; undefined while none is. First zones have had longer. */
export function contactClock(record: VisitRecord, pass: number, zones: readonly Zone[], minutes: number) {
  const times = zones.map((z) => record.lathered[pass]?.[z]).filter((t): t is number => t !== undefined)
  if (times.length === 0) return undefined
  const last = Math.max(...times)
  return {
    from: last,
    until: last + minutes * 60_000,
    first: Math.min(...times),
    zones: times.length,
    all: times.length === zones.length,
  }
}

/** Steps done as the log learns from them: the plan's minutes and the real ones; disturbed ones with why they don't count. */
export function stepsDone(
  record: VisitRecord,
  steps: readonly Step[],
  dog: string,
  coat: string,
): Record<string, Done> {
  return Object.fromEntries(
    steps.flatMap((s) => {
      const own = record.steps[s.id]
      if (own?.state !== 'done') return []
      return [
        [s.id, { dog, coat, model: s.minutes.value, actual: own.minutes, setAside: own.disturbed } satisfies Done],
      ]
    }),
  )
}
