import { constants, house } from '../constants'
import { anySkin, skinMap, type EarSign, type Mood, type Zone } from '../dog'
import { turnMinutes } from '../drying'
import { paceFactor } from '../groomer'
import { UNKNOWN_SPREAD, type AsideWhy, type Done } from '../learn'
import type { Notice } from '../caution'
import type { Form, ShelvedProduct } from '../mix'
import { litresOf, toolOf } from '../rinse'
import { said } from '../said'
import { kindOf, TOWEL_WATER, zoneKind } from '../visit'
import type { Plan, Step, StepName, Today, Used } from '../visit'
import type { Happening, Settled, Stressor, Went } from '../handling'
import type { TubEvent } from './events'
import { visitRecord, type VisitRecord } from './record'

declare module '../said' {
  interface Codes {
    'aside.together': None
    'aside.catchingUp': None
    'aside.ticked': { ticked: number; of: number }
    'aside.leftOut': { why: string }
    'step.added': None
  }
}

/** A number that was put right afterwards: what it was, and why. */
export interface Corrected {
  was: number
  why: string
}

/** How one step went. `model`: minutes before the log's say; `planned`: with it; `actual`: on the clock or as corrected. */
export interface StepOutcome {
  id: string
  kind?: string
  step: StepName
  model: number
  planned: number
  /** Spread of the logarithm of its minutes as they were predicted; none for waits, which are set. */
  spread?: number
  actual: number
  state: 'done' | 'skipped' | 'not reached'
  why?: string
  disturbed?: AsideWhy
  corrected?: Corrected
}

/** How one zone's drying by hand went; `aside` says why its minutes are no guide. */
export interface ZoneOutcome {
  zone: Zone
  model: number
  actual: number
  aside?: AsideWhy
  corrected?: Corrected
}

/** A product used, mL of the concentrate (a bar: g). */
export interface UsedProduct {
  /** Of the product; old records have only its name. */
  id?: string
  name: string
  /** Parts of water to one of product as it was mixed; in words where an old record has it so. */
  ratio: number | string
  form: Form
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
  /** What went into the ears and what stayed on the coat. */
  others?: UsedProduct[]
  litres: { actual: number; planned: number; corrected?: Corrected }
  towels: { actual: number; planned: number; corrected?: Corrected }
  /** Grams of water that the towels took, by weighing them. */
  towelWater: { measured: number; planned: number } | null
  damp: Zone[]
  happened: { what: Happening; text: string; step?: string }[]
  found: VisitRecord['found']
  /** Passes of the last rinse, what the fingers felt at its end (null: not said) and where it was slippery before. */
  rinse: { passes: number; planned: number; fingers: 'clean' | Zone | null; slippery: Zone[] }
  /** Rounds of cotton at each ear, whether the last came away clean, and stop signs that were found at the table. */
  ears: Record<'left' | 'right', { rounds: number; clean: boolean; signs?: EarSign[]; thinned?: true }>
  notes: string[]
  /** The notes again that are about a step or a zone; older records have none. */
  pinned?: { text: string; step?: StepName; zone?: Zone }[]
  settled: Partial<Record<Stressor, { went: Went; settled: Settled }>>
  /** What was paid and how; visits before it was asked don't say. */
  paid?: VisitRecord['paid']
  noise: { level: number; minutes: number }[]
  skin: string[]
  stops: Notice['id'][]
  /** How many steps were ticked through in a fraction of their plan, of how many done; whether the visit is learned from all the same, null while nobody has said. */
  quick: { ticked: number; of: number; learn: boolean | null }
  stoppedEarly: string | null
  leftOut: string | null
}

/** Each product of a plan's washes once, with what of it went on the dog: of the washes that were done. */
function amountsOf(plan: Plan, done: (stepId: string) => boolean): UsedProduct[] {
  const used = new Map<string, UsedProduct>()
  const put = (product: Used, ratio: number, mL: number) => {
    const amount = (used.get(product.name)?.amount ?? 0) + mL
    used.set(product.name, { id: product.id, name: product.name, ratio, form: product.form, amount })
  }
  const { passes, conditioner } = plan.mix
  const mixes = [
    ...passes.flatMap((pass, i) => (done(`lather-${i + 1}`) ? pass.mixes : [])),
    ...(conditioner && done('condition') ? [conditioner] : []),
  ]
  for (const { product, ratio, productMl, blend } of mixes) {
    put(product, ratio.value, productMl)
    if (blend) put(blend.product, blend.ratio, blend.productMl)
  }
  return [...used.values()]
}

/** Ear cleaner by the rounds that were tapped, and what steps of the groomer's own put on the coat. */
function othersOf(
  { plan, shelf = [] }: Planned,
  record: VisitRecord,
  done: (stepId: string) => boolean,
): UsedProduct[] {
  const used = new Map<string, UsedProduct>()
  const add = (id: string, name: string, form: Form, mL: number) =>
    used.set(id, { id, name, ratio: 0, form, amount: (used.get(id)?.amount ?? 0) + mL })
  for (const side of ['left', 'right'] as const) {
    const { product, millilitres } = plan.ears[side]
    const found = shelf.find((p) => p.name === product)
    const { rounds } = record.ears[side]
    if (found && millilitres && rounds > 0) add(found.id, found.name, found.form, millilitres.value * rounds)
  }
  for (const { step, id, name, mL } of plan.course?.applied ?? [])
    if (done(step)) add(id, name, shelf.find((p) => p.id === id)?.form ?? 'spray', mL)
  return [...used.values()]
}

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
    step: { kind: step.kind, role: step.role, name: step.name },
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
  const moving = drying.minutes.because.find((r) => r.code === 'dry.movingOn')?.effect ?? 0
  const change = moving / Math.max(1, drying.zones.length - 1)
  return drying.zones.map((z, i) => ({
    zone: z.zone,
    minutes: (turnMinutes({ ...z, minutes: z.model ?? z.minutes }, drying.turns) + (i === 0 ? 0 : change)) * pace,
  }))
}

function zoneOutcomes({ plan, today, mood }: Planned, record: VisitRecord): ZoneOutcome[] {
  const pace = paceFactor(today.mood ?? mood)
  const disturbed = record.steps.dry?.disturbed
  return zoneMinutes(plan, pace).flatMap((z): ZoneOutcome[] => {
    const own = record.zones[z.zone]
    if (!own) return []
    const { value, corrected } = put(record, `zone: ${z.zone}`, own.minutes)
    const aside = corrected ? undefined : own.together ? said('aside.together') : disturbed
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
  /** The shelf of that day. */
  shelf?: readonly ShelvedProduct[]
}

/** A step put in on the way, by its own name. */
export function ownStep({ id, title, minutes }: VisitRecord['added'][number], place: Step['place'] = 'table'): Step {
  return {
    id,
    kind: 'own',
    name: title,
    detail: [said('step.added')],
    minutes: { value: minutes, unit: 'min', because: [] },
    place,
    hands: true,
    withDog: true,
    zones: [],
  }
}

/** From where on a step was ticked through, not worked, and a visit asks about it. */
export const CATCHING_UP = constants({
  fraction: house(1 / 3, 'share of the planned minutes', [0.2, 0.5]),
  planned: house(1, 'min', [0.5, 3]),
  askFrom: house(4, 'steps', [3, 8]),
  askShare: house(0.4, 'share of the steps done', [0.25, 0.7]),
})

/**
 * Steps with those set aside that took less than a third of their plan: they were ticked when the work was over. Of
 * a visit in which many were, nothing is learned unless its groomer says so.
 */
function caughtUp(steps: readonly StepOutcome[], learn: boolean | null) {
  const { fraction, planned, askFrom, askShare } = CATCHING_UP
  const worked = steps.filter((s) => s.state === 'done' && s.kind !== undefined && s.planned >= planned.value)
  const isQuick = (s: StepOutcome) =>
    worked.includes(s) && s.corrected === undefined && s.actual < fraction.value * s.planned
  const ticked = worked.filter(isQuick).length
  const asks = ticked >= askFrom.value && ticked >= askShare.value * worked.length
  return {
    steps: steps.map((s): StepOutcome =>
      isQuick(s) && s.disturbed === undefined && learn !== true ? { ...s, disturbed: said('aside.catchingUp') } : s,
    ),
    quick: { ticked, of: worked.length, learn: asks ? learn : true },
  }
}

/** Why nothing of a visit is learned: its steps were ticked through, and nobody said that they count. */
const unlearned = ({ quick }: Outcome): AsideWhy | undefined =>
  quick.learn === true ? undefined : said('aside.ticked', { ticked: quick.ticked, of: quick.of })

/** Minutes that a visit's work took, and what was planned for the same work: its steps that were done, no others. */
export function minutesDone(steps: readonly Pick<StepOutcome, 'state' | 'actual' | 'planned'>[]) {
  const done = steps.filter((s) => s.state === 'done')
  return {
    minutes: done.reduce((sum, s) => sum + s.actual, 0),
    planned: done.reduce((sum, s) => sum + s.planned, 0),
  }
}

/** Notes with what they are about; nothing where none is about anything but the dog. */
function pinnedNotes({ notes }: VisitRecord, steps: readonly Step[]): Pick<Outcome, 'pinned'> {
  const pinned = notes.flatMap(({ text, step: id, zone }) => {
    const of = steps.find((s) => s.id === id)
    if (!of && zone === undefined) return []
    const { kind, role, name } = of ?? {}
    const step = kind && { kind, ...(role && { role }), ...(name && { name }) }
    return [{ text, ...(step && { step }), ...(zone !== undefined && { zone }) }]
  })
  return pinned.length > 0 ? { pinned } : {}
}

/** From when on a step is told of because it took another time than planned. */
export const DIFFERED = constants({
  minutes: house(4, 'min', [2, 10]),
  share: house(0.25, 'share of the plan', [0.1, 0.5]),
})

/** Steps that were done and took so much longer or less than planned that it is worth telling. */
export const differed = ({ steps }: Pick<Outcome, 'steps'>): StepOutcome[] =>
  steps.filter(
    (s) =>
      s.state === 'done' &&
      Math.abs(s.actual - s.planned) > Math.max(DIFFERED.minutes.value, DIFFERED.share.value * s.planned),
  )

/** Stop signs that were found at the table, ear by ear; nothing where none were. */
export const earSignsOf = ({ ears }: Pick<Outcome, 'ears'>): { side: 'left' | 'right'; signs: EarSign[] }[] =>
  (['left', 'right'] as const).flatMap((side) => {
    const signs = ears[side].signs ?? []
    return signs.length > 0 ? [{ side, signs }] : []
  })

const earOutcome = ({ rounds, clean, signs, did }: VisitRecord['ears']['left']) => ({
  rounds,
  clean,
  ...(signs.length > 0 ? { signs } : {}),
  ...(did.thinned === undefined ? {} : { thinned: true as const }),
})

/** A visit as it went; undefined while it hasn't ended. Corrections put numbers right and stay visible. */
export function outcomeOf(planned: Planned, events: readonly TubEvent[], flow: number): Outcome | undefined {
  const record = visitRecord(events)
  if (record.began === undefined || record.ended === undefined) return undefined
  const { plan, today } = planned
  const added = record.added.map((a): Step => ownStep(a))
  const { steps, quick } = caughtUp(
    [...plan.steps, ...added].map((s) => stepOutcome(s, record)),
    record.learn ?? null,
  )
  const water = steps.filter((s) => (s.step.kind === 'wet' || s.step.kind === 'rinse') && s.state === 'done')
  const minutesOfWater = water.reduce((sum, s) => sum + s.actual, 0)
  const litres = put(record, 'litres', litresOf(toolOf(plan.rinse.tool, flow), minutesOfWater))
  const towels = put(record, 'towels', record.towels)
  const { dry, wet } = record.weighed
  const done = (id: string) => steps.some((s) => s.id === id && s.state === 'done')
  const corrected = (used: UsedProduct): UsedProduct => {
    const { value, corrected } = put(record, `used: ${used.name}`, used.amount)
    return { ...used, amount: value, ...(corrected ? { corrected } : {}) }
  }
  return {
    began: record.began,
    ended: record.ended,
    ...minutesDone(steps),
    steps,
    zones: zoneOutcomes(planned, record),
    dryer: plan.drying.choice.warm?.name ?? null,
    by: Object.entries(record.hands).sort((a, b) => b[1] - a[1])[0]?.[0] ?? '',
    used: amountsOf(plan, done).map(corrected),
    others: othersOf(planned, record, done).map(corrected),
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
    ears: { left: earOutcome(record.ears.left), right: earOutcome(record.ears.right) },
    notes: record.notes.map((n) => n.text),
    ...pinnedNotes(record, [...plan.steps, ...added]),
    settled: record.settled,
    ...(record.paid ? { paid: record.paid } : {}),
    noise: record.noise,
    skin: anySkin(skinMap(today)),
    stops: plan.stops.map((s) => s.id),
    quick,
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
  const left: AsideWhy | undefined =
    outcome.leftOut === null ? undefined : said('aside.leftOut', { why: outcome.leftOut })
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
      setAside: left ?? before?.setAside ?? s.disturbed ?? (s.corrected ? undefined : unlearned(outcome)),
    }
  }
  for (const z of outcome.zones)
    done[zoneKind(z.zone)] = {
      dog,
      coat,
      ...person,
      model: z.model,
      actual: z.actual,
      setAside: left ?? z.aside ?? unlearned(outcome),
    }
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
