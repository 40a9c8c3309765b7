import { constants, house, practice } from '../constants'
import type { EarSign, Finding, Zone } from '../dog'
import type { Happening, Settled, Stressor, Went } from '../handling'
import type { AsideWhy } from '../learn'
import { said, type Code, type Said } from '../said'
import type { Plan } from '../visit'
import type { EarDeed } from './earDeeds'
import type { TubEvent } from './events'
import { paidAfter, type Paid } from './paid'

declare module '../said' {
  interface Codes {
    'aside.longPause': None
    'aside.handsAway': None
    'aside.happened': { what: Happening }
    'notYet.plugs': { plugs: PlugIn[] }
    'notYet.dry': { zones: Zone[] }
  }
}

/** How one step went: minutes without pauses, how many times it was taken up, and what makes its minutes no guide. */
export interface StepRecord {
  state: 'now' | 'done' | 'skipped'
  minutes: number
  /** When it was first taken up, ms. */
  from?: number
  why?: string
  disturbed?: AsideWhy
}

/** What was put right afterwards, with the reason; earlier values stay in the log. */
export interface Correction {
  at: number
  field: string
  value: number
  why: string
}

/** A visit as its events tell it. Times in milliseconds since 1970. */
export interface VisitRecord {
  /** When it came and when it went home, where that was tapped. */
  arrived?: number
  gone?: number
  began?: number
  ended?: number
  current?: string
  paused: boolean
  /** The clock stands because the hands went to another dog. */
  handsAway: boolean
  steps: Record<string, StepRecord>
  /** By whom steps were taken up, how many each; the empty name is who usually works here. */
  hands: Record<string, number>
  /** Plugs that are in now, by set: for the water, and against the dryer's noise. */
  plugs: { water: { left: boolean; right: boolean }; noise: { left: boolean; right: boolean } }
  /** For every pass the zones lathered, with when. */
  lathered: Record<number, Partial<Record<Zone, number>>>
  rinses: number
  /** What the fingers felt after the last pass: nothing slippery, or where; undefined while it has to be felt (again). */
  fingers?: 'clean' | Zone
  /** Every place that the fingers found slippery, in order. */
  slippery: Zone[]
  towels: number
  damp: Zone[]
  dry: Zone[]
  /** Minutes that each zone's drying took, from tap to tap; those tapped together can't be told apart. */
  zones: Partial<Record<Zone, { minutes: number; together: boolean }>>
  added: { id: string; title: string; minutes: number; after: string }[]
  found: (Pick<Finding, 'kind' | 'view' | 'zone' | 'x' | 'y'> & { at: number; sizeMm?: number })[]
  /** Grams of the towels before and after, summed over weighings. */
  weighed: { dry?: number; wet?: number }
  noise: { level: number; minutes: number; by?: string }[]
  /** Whose hands it is in, or was last; empty for those that usually work here. */
  by: string
  /** Rounds of each ear, whether the last cotton came away clean, stop signs found at the table, and when each deed was done. */
  ears: Record<
    'left' | 'right',
    { rounds: number; clean: boolean; signs: EarSign[]; did: Partial<Record<EarDeed, number>> }
  >
  settled: Partial<Record<Stressor, { went: Went; settled: Settled }>>
  /** What was paid and how, as it was said last. */
  paid?: Paid
  corrections: Correction[]
  leftOut?: string
  /** Notes, with the step or the zone that they are about. */
  notes: { at: number; text: string; step?: string; zone?: Zone }[]
  happened: { at: number; what: Happening; text: string; step?: string }[]
  stoppedEarly?: string
  /** What was answered when the visit asked whether to learn from steps that were ticked through. */
  learn?: boolean
}

/** From when on a dog has stood long, on the table; from where on a pause makes a step's minutes no guide for the next; zones felt dry closer together than this weren't timed. */
export const TUBSIDE = constants({
  longPause: house(2, 'min', [1, 5]),
  longStand: practice(15, 'min on the table', [10, 30]),
  together: house(0.1, 'min', [0.03, 0.2]),
})

/** Events once each, in the order of their times (then ids), without those that were undone. An undo may itself be undone. */
export function standing(events: readonly TubEvent[]): TubEvent[] {
  const once = [...new Map(events.map((e) => [e.id, e])).values()]
  const sorted = once.sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))
  const undone = new Set<string>()
  for (const e of [...sorted].reverse()) if (e.kind === 'undo' && !undone.has(e.id)) undone.add(e.event)
  return sorted.filter((e) => e.kind !== 'undo' && !undone.has(e.id))
}

/** Words put in when the visit may be long over: they don't make it begin. */
const AFTERWARDS = new Set<TubEvent['kind']>([
  'correct',
  'leave out',
  'settled',
  'weighed',
  'note',
  'learn',
  'arrived',
  'gone',
  'paid',
])

const untouched = (): VisitRecord['ears']['left'] => ({ rounds: 0, clean: false, signs: [], did: {} })

const fresh = (): VisitRecord => ({
  paused: false,
  handsAway: false,
  steps: {},
  hands: {},
  plugs: { water: { left: false, right: false }, noise: { left: false, right: false } },
  lathered: {},
  rinses: 0,
  slippery: [],
  towels: 0,
  damp: [],
  dry: [],
  zones: {},
  added: [],
  found: [],
  weighed: {},
  noise: [],
  by: '',
  ears: { left: untouched(), right: untouched() },
  settled: {},
  corrections: [],
  notes: [],
  happened: [],
})

/** A round ends with its cotton: the next one is filled anew. */
function roundOver(ear: VisitRecord['ears']['left'], clean: boolean) {
  ear.rounds++
  ear.clean = clean
  delete ear.did.filled
}

/**
 * A visit's record from its events, in whatever order and however often they came: the same events always
 * tell the same visit. `now` counts the minutes of the step that goes on.
 */
export function visitRecord(events: readonly TubEvent[], now?: number): VisitRecord {
  const record = fresh()
  let running: { step: string; since: number } | undefined
  let pausedAt: number | undefined
  let marked: { minutes: number; zone?: Zone } = { minutes: 0 }
  const stepOf = (id: string) => (record.steps[id] ??= { state: 'now', minutes: 0 })
  const count = (until: number) => {
    if (running && pausedAt === undefined) stepOf(running.step).minutes += Math.max(0, until - running.since) / 60_000
    if (running) running.since = until
  }
  const goOn = (at: number) => {
    if (pausedAt === undefined) return
    const minutes = (at - pausedAt) / 60_000
    if (running) {
      if (minutes > TUBSIDE.longPause.value)
        stepOf(running.step).disturbed = said(record.handsAway ? 'aside.handsAway' : 'aside.longPause')
      running.since = at
    }
    pausedAt = undefined
    record.paused = false
    record.handsAway = false
  }
  /** A zone felt dry: its minutes are those since the one before. */
  const markZone = (zone: Zone, at: number) => {
    if (running?.step !== 'dry') return
    count(at)
    const minutes = stepOf('dry').minutes
    const took = minutes - marked.minutes
    const together = took < TUBSIDE.together.value
    const before = marked.zone && record.zones[marked.zone]
    if (together && before && marked.zone !== zone) before.together = true
    const own = record.zones[zone]
    record.zones[zone] = { minutes: (own?.minutes ?? 0) + took, together: together || (own?.together ?? false) }
    marked = { minutes, zone }
  }
  for (const e of standing(events)) {
    if (!AFTERWARDS.has(e.kind)) record.began ??= e.at
    switch (e.kind) {
      case 'step':
        count(e.at)
        goOn(e.at)
        if (running && stepOf(running.step).state === 'now') stepOf(running.step).state = 'done'
        running = { step: e.step, since: e.at }
        stepOf(e.step).state = 'now'
        stepOf(e.step).from ??= e.at
        record.current = e.step
        record.by = e.by ?? ''
        record.hands[record.by] = (record.hands[record.by] ?? 0) + 1
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
        if (pausedAt === undefined) record.handsAway = e.why !== undefined
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
        if (record.fingers !== 'clean') record.fingers = undefined
        break
      case 'fingers':
        record.fingers = e.slippery ?? 'clean'
        if (e.slippery !== null) record.slippery.push(e.slippery)
        break
      case 'towel':
        record.towels++
        break
      case 'damp':
        record.damp = [...record.damp.filter((z) => z !== e.zone), e.zone]
        record.dry = record.dry.filter((z) => z !== e.zone)
        break
      case 'dry':
        markZone(e.zone, e.at)
        record.dry = [...record.dry.filter((z) => z !== e.zone), e.zone]
        break
      case 'note':
        record.notes.push({
          at: e.at,
          text: e.text,
          ...(e.step !== undefined && { step: e.step }),
          ...(e.zone !== undefined && { zone: e.zone }),
        })
        break
      case 'happened':
        record.happened.push({ at: e.at, what: e.what, text: e.text, step: running?.step })
        if (running) stepOf(running.step).disturbed = said('aside.happened', { what: e.what })
        break
      case 'add':
        record.added.push({ id: e.step, title: e.title, minutes: e.minutes, after: e.after })
        break
      case 'found':
        record.found.push({
          kind: e.what,
          view: e.view,
          zone: e.zone,
          x: e.x,
          y: e.y,
          at: e.at,
          ...(e.sizeMm !== undefined && { sizeMm: e.sizeMm }),
        })
        break
      case 'weighed':
        record.weighed[e.what] = (record.weighed[e.what] ?? 0) + e.grams
        break
      case 'ear':
        roundOver(record.ears[e.side], e.cotton === 'clean')
        break
      case 'earDid':
        record.ears[e.side].did[e.did] = e.at
        break
      case 'earSigns':
        record.ears[e.side].signs = [...e.signs]
        break
      case 'noise':
        record.noise.push({ level: e.level, minutes: e.minutes, ...(e.by !== undefined && { by: e.by }) })
        break
      case 'settled':
        record.settled[e.stressor] = { went: e.went, settled: e.settled }
        break
      case 'paid':
        record.paid = paidAfter(record.paid, e)
        break
      case 'correct':
        record.corrections.push({ at: e.at, field: e.field, value: e.value, why: e.why })
        break
      case 'leave out':
        record.leftOut = e.why
        break
      case 'stop early':
        record.stoppedEarly = e.why
        break
      case 'learn':
        record.learn = e.from
        break
      case 'arrived':
        record.arrived ??= e.at
        break
      case 'gone':
        record.gone ??= e.at
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

/** A plug that is in: in which ear, and against what. */
export interface PlugIn {
  side: 'left' | 'right'
  set: 'water' | 'noise'
}

/** What stands in the way of closing a visit. */
export type NotYet = Said<Extract<Code, `notYet.${string}`>>

/** The zones that must be felt dry before a dog goes home: all that are dried, but those left damp on purpose. */
export function zonesToFeel({ go, drying }: Pick<Plan, 'go' | 'drying'>): Zone[] {
  if (!go) return []
  return drying.zones.filter((z) => z.damp === undefined).map((z) => z.zone)
}

/**
 * What still stands in the way of closing a visit; empty when it can be closed. Plugs out always; every zone dry
 * unless it was stopped early or is left damp on purpose.
 */
export function notYet(record: VisitRecord, plan: Pick<Plan, 'go' | 'drying'>): NotYet[] {
  const plugs = (['water', 'noise'] as const).flatMap((set) =>
    (['left', 'right'] as const).filter((side) => record.plugs[set][side]).map((side): PlugIn => ({ side, set })),
  )
  const zones = zonesToFeel(plan).filter((z) => !record.dry.includes(z))
  return [
    ...(plugs.length > 0 ? [said('notYet.plugs', { plugs })] : []),
    ...(record.stoppedEarly === undefined && zones.length > 0 ? [said('notYet.dry', { zones })] : []),
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
