import type { CoatType, EarSign, Way, Zone } from '../dog'
import type { Happening } from '../handling'
import type { House } from '../house'
import { bandOfSum } from '../learn'
import type { ShelvedProduct } from '../mix'
import { earSignsOf, minutesDone, type Outcome } from '../tubside'
import { Care, dryerUse, type Plan, type StepName } from '../visit'
import { SUPPLY } from '../water'
import { HEAT } from './constants'

/** What a visit used up, and what that cost in the house's currency; null where a price isn't known. */
export interface Cost {
  productMl: number
  product: number | null
  water: number | null
  heat: number | null
  drying: number | null
}

/** An ended visit in brief, as lists and charts read it. Minutes, litres; bands hold half and four fifths of what was likely. */
export interface Brief {
  visitId: string
  dogId: string
  dog: string
  colour: number | null
  coat: CoatType
  date: string
  began: number
  ended: number
  minutes: number
  planned: number
  half: [number, number]
  most: [number, number]
  /** Whose hands did most of it; empty for who usually works. */
  by: string
  drying: { actual: number; planned: number; dryer: string } | null
  used: { name: string; amount: number }[]
  cost: Cost
  litres: number
  towels: number
  damp: Zone[]
  found: string[]
  happened: { what: Happening; step: StepName | null }[]
  /** Stop signs that were found in an ear at the table; nothing where none were. */
  earSigns?: { side: 'left' | 'right'; signs: EarSign[] }[]
  /** Notes about a step or a zone; older ones have none. */
  pinned?: Outcome['pinned']
  /** What was done that has an interval of its own; older ones don't say. */
  cared?: Care[]
  /** With what each zone was cut. */
  cut?: Way['cut']
  settled: Outcome['settled']
  skin: string[]
  skipped: StepName[]
  next: string
  leftOut: string | null
  stoppedEarly: string | null
  /** Minutes of the clock at which the day's plan had it begin and end; null for a visit outside any plan. */
  slot: [number, number] | null
}

/** What one visit cost: products by the litre, water by the cubic metre, heat and dryers by the kilowatt-hour. */
export function costOf(
  outcome: Pick<Outcome, 'used' | 'others' | 'litres' | 'steps'>,
  plan: Plan,
  shelf: readonly ShelvedProduct[],
  { water, prices }: Pick<House, 'water' | 'prices'>,
): Cost {
  const { used, others = [], litres, steps } = outcome
  const priced = [...used, ...others].map(({ name, amount }) => ({
    amount,
    price: shelf.find((p) => p.name === name)?.pricePerLitre ?? null,
  }))
  const rise = Math.max(0, plan.water.target.value - water.coldC)
  const heatKwh = (litres.actual * rise * SUPPLY.heatCapacity.value) / HEAT.kJInKwh.value
  const dry = steps.filter((s) => s.kind === 'dry' && s.state === 'done')
  const longer =
    dry.reduce((sum, s) => sum + s.actual, 0) /
    Math.max(
      1,
      dry.reduce((sum, s) => sum + s.planned, 0),
    )
  const dryKwh = dryerUse(plan.drying).reduce((sum, d) => sum + (d.watts * d.minutes * longer) / 60_000, 0)
  return {
    productMl: priced.reduce((sum, p) => sum + p.amount, 0),
    product: priced.some((p) => p.price === null)
      ? null
      : priced.reduce((sum, p) => sum + (p.amount * p.price!) / 1000, 0),
    water: prices.waterM3 === null ? null : (litres.actual * prices.waterM3) / 1000,
    heat: prices.kWh === null ? null : heatKwh * prices.kWh,
    drying: prices.kWh === null ? null : dryKwh * prices.kWh,
  }
}

/** The sum of what is known of a cost; null when nothing is. */
export function totalCost({ product, water, heat, drying }: Cost): number | null {
  const known = [product, water, heat, drying].filter((c): c is number => c !== null)
  return known.length === 0 ? null : known.reduce((sum, c) => sum + c, 0)
}

/** What a visit in brief is told from, beside its outcome. */
export interface BriefFacts {
  visitId: string
  dogId: string
  dog: { name: string; colour: number | null; coat: CoatType }
  date: string
  plan: Plan
  shelf: readonly ShelvedProduct[]
  house: Pick<House, 'water' | 'prices'>
  slot: [number, number] | null
  /** What each zone was to be cut with. */
  cut: Way['cut']
}

/** Whether something that has an interval of its own was done. */
function caredFor(care: Care, { ears }: Pick<Outcome, 'ears'>, done: Outcome['steps']): boolean {
  if (care === 'earHair') return ears.left.thinned === true || ears.right.thinned === true
  return done.some(({ step }) => step.kind === care)
}

/** An ended visit in brief. */
export function briefOf(outcome: Outcome, facts: BriefFacts): Brief {
  const { plan, dog } = facts
  const done = outcome.steps.filter((s) => s.state === 'done')
  const dry = done.filter((s) => s.kind === 'dry')
  const signs = earSignsOf(outcome)
  return {
    visitId: facts.visitId,
    dogId: facts.dogId,
    dog: dog.name,
    colour: dog.colour,
    coat: dog.coat,
    date: facts.date,
    began: outcome.began,
    ended: outcome.ended,
    ...minutesDone(outcome.steps),
    ...bandOfSum(done.map((s) => ({ middle: s.planned, spread: s.spread }))),
    by: outcome.by,
    drying:
      dry.length > 0 && outcome.dryer !== null
        ? {
            actual: dry.reduce((sum, s) => sum + s.actual, 0),
            planned: dry.reduce((sum, s) => sum + s.model, 0),
            dryer: outcome.dryer,
          }
        : null,
    used: outcome.used.map(({ name, amount }) => ({ name, amount })),
    cost: costOf(outcome, plan, facts.shelf, facts.house),
    litres: outcome.litres.actual,
    towels: outcome.towels.actual,
    damp: outcome.damp,
    found: outcome.found.map((f) => f.kind),
    happened: outcome.happened.map(({ what, step }) => ({
      what,
      step: outcome.steps.find((s) => s.id === step)?.step ?? null,
    })),
    ...(signs.length > 0 && { earSigns: signs }),
    ...(outcome.pinned && { pinned: outcome.pinned }),
    cared: Care.options.filter((care) => caredFor(care, outcome, done)),
    ...(Object.keys(facts.cut).length > 0 && done.some((s) => s.kind === 'clip') && { cut: facts.cut }),
    settled: outcome.settled,
    skin: outcome.skin,
    skipped: outcome.steps.filter((s) => s.state === 'skipped').map((s) => s.step),
    next: plan.next.date,
    leftOut: outcome.leftOut,
    stoppedEarly: outcome.stoppedEarly,
    slot: facts.slot,
  }
}
