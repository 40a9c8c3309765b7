import type { Mood, Zone } from '../dog'
import { CURVE } from '../drying'
import { paceFactor } from '../groomer'
import { UNKNOWN_SPREAD, type Done } from '../learn'
import type { Notice } from '../caution'
import { kindOf, mixesOf, TOWEL_WATER, zoneKind, type Plan, type Step, type Today } from '../visit'
import type { Happening, Settled, Stressor, Went } from '../handling'
import type { TubEvent } from './events'
import { visitRecord, type VisitRecord } from './record'

/** A number that was put right afterwards: what it was, and why. */
export interface Corrected {
  was: number
  why: string
}

/** How one step went. `model`: minutes before the log's say; `planned`: with it; `actual`: on the clock or as corrected. */
export interface StepOutcome {
  id: string
  kind?: string
  title: string
  model: number
  planned: number
  /** Spread of the logarithm of its minutes as they were predicted; none for waits, which are set. */
  spread?: number
  actual: number
  state: 'done' | 'skipped' | 'not reached'
  why?: string
  disturbed?: string
  corrected?: Corrected
}

/** How one zone's drying by hand went; `aside` says why its minutes are no guide. */
export interface ZoneOutcome {
  zone: Zone
  model: number
  actual: number
  aside?: string
  corrected?: Corrected
}

/** A product used, mL of the concentrate (a bar: g). */
export interface UsedProduct {
  name: string
  ratio: string
  amount: number
  corrected?: Corrected
}

/** A visit as it went, from its plan and its events. Times in ms since 1970, minutes, litres, grams, dBA. */
export interface Outcome {
  began: number
  ended: number
  minutes: number
  planned: number
  steps: StepOutcome[]
  zones: ZoneOutcome[]
  dryer: string | null
  /** Whose hands did most steps; empty for who usually works here. */
  by: string
  used: UsedProduct[]
  litres: { actual: number; planned: number; corrected?: Corrected }
  towels: { actual: number; planned: number; corrected?: Corrected }
  /** Grams of water that the towels took, by weighing them. */
  towelWater: { measured: number; planned: number } | null
  damp: Zone[]
  happened: { what: Happening; text: string; step?: string }[]
  found: VisitRecord['found']
  /** Passes of the last rinse, what the fingers felt at its end (null: not said) and where it was slippery before. */
  rinse: { passes: number; planned: number; fingers: 'clean' | Zone | null; slippery: Zone[] }
  /** Rounds of cotton at each ear, and whether the last came away clean. */
  ears: VisitRecord['ears']
  notes: string[]
  settled: Partial<Record<Stressor, { went: Went; settled: Settled }>>
  noise: { level: number; minutes: number }[]
  skin: string[]
  stops: Notice['id'][]
  stoppedEarly: string | null
  leftOut: string | null
}

/** Each product of a plan once, with all of it that goes on the dog. */
function amountsOf(plan: Plan): UsedProduct[] {
  const used = new Map<string, UsedProduct>()
  for (const { product, spelled, productMl } of mixesOf(plan)) {
    const amount = (used.get(product.name)?.amount ?? 0) + productMl
    used.set(product.name, { name: product.name, ratio: spelled, amount })
  }
  return [...used.values()]
}

const WATER_STEPS = /^(wet|rinse)/

function put(record: VisitRecord, field: string, was: number): { value: number; corrected?: Corrected } {
  const last = record.corrections.findLast((c) => c.field === field)
  return last ? { value: last.value, corrected: { was, why: last.why } } : { value: was }
}

function stepOutcome(step: Step, record: VisitRecord): StepOutcome {
  const own = record.steps[step.id]
  const kind = kindOf(step)
  const { value, corrected } = put(record, `minutes: ${step.id}`, own?.minutes ?? 0)
  return {
    id: step.id,
    kind,
    title: step.title,
    model: step.model ?? step.minutes.value,
    planned: step.minutes.value,
    ...(kind === undefined ? {} : { spread: step.likely?.spread ?? UNKNOWN_SPREAD }),
    actual: value,
    state: own === undefined ? 'not reached' : own.state === 'skipped' ? 'skipped' : 'done',
    ...(own?.why === undefined ? {} : { why: own.why }),
    ...(own?.disturbed === undefined || corrected ? {} : { disturbed: own.disturbed }),
    ...(corrected ? { corrected } : {}),
  }
}

/** Minutes of every zone's drying by hand as the model has them, in order: moving there from the one before counts in. */
export function zoneMinutes({ drying }: Plan, pace: number): { zone: Zone; minutes: number }[] {
  return drying.zones.map((z, i) => ({
    zone: z.zone,
    minutes: ((z.model ?? z.minutes) + (i === 0 ? 0 : CURVE.zoneChange.value)) * pace,
  }))
}

function zoneOutcomes({ plan, today, mood }: Planned, record: VisitRecord): ZoneOutcome[] {
  const pace = paceFactor(today.mood ?? mood)
  const disturbed = record.steps.dry?.disturbed
  return zoneMinutes(plan, pace).flatMap((z): ZoneOutcome[] => {
    const own = record.zones[z.zone]
    if (!own) return []
    const { value, corrected } = put(record, `zone: ${z.zone}`, own.minutes)
    const aside = corrected ? undefined : own.together ? 'felt dry together with others' : disturbed
    return [
      {
        zone: z.zone,
        model: z.minutes,
        actual: value,
        ...(aside === undefined ? {} : { aside }),
        ...(corrected ? { corrected } : {}),
      },
    ]
  })
}

/** What a visit was planned as: its plan, how the dog was that day, and the mood its record names. */
export interface Planned {
  plan: Plan
  today: Today
  mood: Mood
}

/** A visit as it went; undefined while it hasn't ended. Corrections put numbers right and stay visible. */
export function outcomeOf(planned: Planned, events: readonly TubEvent[], flow: number): Outcome | undefined {
  const record = visitRecord(events)
  if (record.began === undefined || record.ended === undefined) return undefined
  const { plan, today } = planned
  const added = record.added.map((a): Step => ({
    id: a.id,
    title: a.title,
    detail: '',
    minutes: { value: a.minutes, unit: 'min', because: [] },
    place: 'table',
    hands: true,
    withDog: true,
    zones: [],
  }))
  const steps = [...plan.steps, ...added].map((s) => ({ ...stepOutcome(s, record) }))
  for (const s of steps) if (added.some((a) => a.id === s.id)) delete s.kind
  const water = steps.filter((s) => WATER_STEPS.test(s.id) && s.state === 'done')
  const litres = put(record, 'litres', water.reduce((sum, s) => sum + s.actual, 0) * flow)
  const towels = put(record, 'towels', record.towels)
  const { dry, wet } = record.weighed
  const washed = steps.some((s) => s.kind === 'lather' && s.state === 'done')
  return {
    began: record.began,
    ended: record.ended,
    minutes: steps.reduce((sum, s) => sum + s.actual, 0),
    planned: plan.minutes.value,
    steps,
    zones: zoneOutcomes(planned, record),
    dryer: plan.drying.choice.warm?.name ?? null,
    by: Object.entries(record.hands).sort((a, b) => b[1] - a[1])[0]?.[0] ?? '',
    used: washed
      ? amountsOf(plan).map((used): UsedProduct => {
          const { value, corrected } = put(record, `used: ${used.name}`, used.amount)
          return { ...used, amount: value, ...(corrected ? { corrected } : {}) }
        })
      : [],
    litres: { actual: litres.value, planned: plan.water.litres.value, corrected: litres.corrected },
    towels: { actual: towels.value, planned: plan.drying.towels, corrected: towels.corrected },
    towelWater:
      dry !== undefined && wet !== undefined && wet > dry ? { measured: wet - dry, planned: towelGrams(plan) } : null,
    damp: record.damp,
    happened: record.happened.map(({ what, text, step }) => ({ what, text, step })),
    found: record.found,
    rinse: {
      passes: record.rinses,
      planned: plan.rinse.last.passes,
      fingers: record.fingers ?? null,
      slippery: record.slippery,
    },
    ears: record.ears,
    notes: record.notes.map((n) => n.text),
    settled: record.settled,
    noise: record.noise,
    skin: today.skin,
    stops: plan.stops.map((s) => s.id),
    stoppedEarly: record.stoppedEarly ?? null,
    leftOut: record.leftOut ?? null,
  }
}

/** Grams that the tables expect the towels to take: what is left before them less what is left after. */
function towelGrams({ drying: { stages, held = 1 } }: Plan): number {
  const before = stages.findLast((s) => s.after !== 'towels')
  return Math.max(0, (before?.grams ?? 0) - (stages.at(-1)?.grams ?? 0)) / held
}

/** The steps and zones of a visit as the log learns from them, one for each kind; those that don't count with why. */
export function doneOf(outcome: Outcome, dog: string, coat: string): Record<string, Done> {
  const left = outcome.leftOut === null ? undefined : `left out: ${outcome.leftOut}`
  const person = outcome.by === '' ? {} : { person: outcome.by }
  const done: Record<string, Done> = {}
  for (const s of outcome.steps) {
    if (s.kind === undefined || s.state !== 'done') continue
    const before = done[s.kind]
    done[s.kind] = {
      dog,
      coat,
      ...person,
      model: (before?.model ?? 0) + s.model,
      actual: (before?.actual ?? 0) + s.actual,
      setAside: left ?? before?.setAside ?? s.disturbed,
    }
  }
  for (const z of outcome.zones)
    done[zoneKind(z.zone)] = { dog, coat, ...person, model: z.model, actual: z.actual, setAside: left ?? z.aside }
  if (outcome.towelWater)
    done[TOWEL_WATER] = {
      dog,
      coat,
      model: outcome.towelWater.planned,
      actual: outcome.towelWater.measured,
      setAside: left,
    }
  return done
}
