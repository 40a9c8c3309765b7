import { constants, practice } from '../constants'
import type { DayDog, DayTask } from '../day'
import type { CoatType } from '../dog'
import { dryerWatts } from '../drying'
import { isLoud } from '../groomer'
import { circuitOf, type House } from '../house'
import { dryerUse, type Plan, type Step, type StepKind } from '../visit'
import { withDog, type Part } from './schema'

/** How long a dog may wait between the steps of a day, minutes. */
export const DAY_GAPS = constants({
  toShake: practice(2, 'min', [1, 5]),
  toTowel: practice(5, 'min', [2, 10]),
  curlyToDry: practice(15, 'min', [5, 20]),
  toDry: practice(30, 'min', [15, 45]),
  toClean: practice(5, 'min', [0, 15]),
})

/** A step inside its part: when it begins and ends there, minutes. */
export interface PlacedStep {
  step: Step
  from: number
  to: number
}

/** Steps that are placed in a day as one: whole minutes, rounded up. `key` tells the parts of a visit apart. */
export interface VisitPart {
  part: Part
  key: string
  minutes: number
  steps: PlacedStep[]
}

const AFTER: readonly StepKind[] = [
  'earClean',
  'nails',
  'comb',
  'topknot',
  'deShed',
  'clip',
  'tidy',
  'teeth',
  'glands',
  'finish',
  'own',
  'handOver',
]

function partOf(step: Step, bathed: boolean, liftApart: boolean): Part {
  if (!step.withDog) return step.kind === 'clean' ? 'clean' : 'away'
  if (step.kind === 'liftIn' || step.kind === 'liftOut') return liftApart ? 'lift' : 'bath'
  if (step.place === 'tub') return 'bath'
  if (step.kind === 'own' && !step.hands) return 'rest'
  if (step.kind === 'shake') return step.hands ? 'towel' : 'rest'
  if (step.kind === 'dry') return step.hands ? 'dry' : 'alone'
  if (bathed && AFTER.includes(step.kind)) return 'finish'
  return bathed ? 'towel' : 'prepare'
}

/** Minutes that a step is given in a day: the planning quantile once the log knows it, the model's until then. */
export const plannedMinutes = (step: Step): number => step.likely?.plan ?? step.minutes.value

/** A plan's steps gathered into the parts of a day, in order. `liftApart`: two people lift, for a minute of the second. */
export function partsOf(plan: Plan, liftApart = false): VisitPart[] {
  const parts: (Omit<VisitPart, 'key'> & { sum: number })[] = []
  let bathed = false
  for (const step of plan.steps) {
    const part = partOf(step, bathed, liftApart)
    bathed ||= part === 'bath'
    let last = parts[parts.length - 1]
    if (last?.part !== part) {
      last = { part, minutes: 0, sum: 0, steps: [] }
      parts.push(last)
    }
    last.steps.push({ step, from: last.sum, to: last.sum + plannedMinutes(step) })
    last.sum += plannedMinutes(step)
  }
  const seen = new Map<Part, number>()
  return parts.map(({ part, sum, steps }) => {
    const count = (seen.get(part) ?? 0) + 1
    seen.set(part, count)
    return { part, key: count > 1 ? `${part}${count}` : part, minutes: Math.max(1, Math.ceil(sum - 1e-9)), steps }
  })
}

export const dryerKey = (name: string) => `dryer: ${name}`
export const circuitKey = (name: string) => `circuit: ${name}`
export const crateKey = (kg: number) => `crate over ${kg} kg`

/** The crates a dog of `kg` takes from: the smallest size that holds it and every larger one, as nested counts. Empty when none holds it. */
export function cratesFor(kg: number, house: House): Record<string, number> {
  const sizes = house.crates.filter((c) => c.count > 0).sort((a, b) => a.maxKg - b.maxKg)
  const own = sizes.findIndex((c) => c.maxKg >= kg)
  if (own < 0) return {}
  const smaller = [0, ...sizes.slice(0, own).map((c) => c.maxKg)]
  return Object.fromEntries(smaller.map((over) => [crateKey(over), 1]))
}

/** What the day has of every resource. `pairs`: pairs of hands at the most. */
export function resourcesOf(house: House, pairs: number): Record<string, number> {
  const sizes = house.crates.filter((c) => c.count > 0).sort((a, b) => a.maxKg - b.maxKg)
  const nested = sizes.map((_, i) => [
    crateKey(i === 0 ? 0 : sizes[i - 1]!.maxKg),
    sizes.slice(i).reduce((sum, c) => sum + c.count, 0),
  ])
  return {
    hands: pairs,
    tub: house.tubs,
    table: house.tables,
    ...Object.fromEntries(nested),
    fan: house.dryers.filter((d) => d.kind === 'fan').length,
    ...Object.fromEntries(
      house.circuits.map((c) => [circuitKey(c.name), Math.max(0, Math.floor(c.volts * c.amps - c.otherW))]),
    ),
    ...Object.fromEntries(house.dryers.filter((d) => d.kind !== 'fan').map((d) => [dryerKey(d.name), 1])),
  }
}

/** The most watts of some dryers on each circuit: two in one hand never run together. */
function wattsOf(house: House, uses: readonly { watts: number; circuit: string }[]): Record<string, number> {
  const most: Record<string, number> = {}
  for (const { watts, circuit } of uses) {
    const key = circuitKey(circuitOf(house, circuit).name)
    most[key] = Math.max(most[key] ?? 0, Math.ceil(watts))
  }
  return most
}

/** The dryer that blows a coat out before the bath: the drying's own, else the house's. */
const blower = (plan: Plan, house: House) =>
  plan.drying.choice.velocity ?? house.dryers.find((d) => d.kind === 'velocity')

/** Whether a dryer runs in a part that is heard as loud. */
function isLoudWork({ part, steps }: VisitPart, plan: Plan, house: House): boolean {
  const { velocity, warm } = plan.drying.choice
  const dryers =
    part === 'dry'
      ? [velocity, warm]
      : part === 'prepare' && steps.some((s) => s.step.kind === 'blowOut')
        ? [blower(plan, house)]
        : []
  return dryers.some((d) => d && isLoud(d.level))
}

/** What a part holds while it runs. */
function usesOf({ part, steps }: VisitPart, plan: Plan, house: House, kg: number): Record<string, number> {
  const { choice } = plan.drying
  switch (part) {
    case 'lift':
      return { hands: 2, tub: 1 }
    case 'bath':
    case 'clean':
      return { hands: 1, tub: 1 }
    case 'rest':
      return cratesFor(kg, house)
    case 'alone': {
      if (!choice.fan) return cratesFor(kg, house)
      const fan = dryerUse(plan.drying).filter((d) => d.name === choice.fan!.name || d.name === choice.second?.name)
      return { fan: choice.second ? 2 : 1, ...cratesFor(kg, house), ...wattsOf(house, fan) }
    }
    case 'dry': {
      const names = [choice.velocity?.name, choice.warm?.name].filter((n): n is string => n !== undefined)
      const held = Object.fromEntries(names.map((n) => [dryerKey(n), 1]))
      const uses = dryerUse(plan.drying).filter((d) => names.includes(d.name))
      return { hands: 1, table: 1, ...wattsOf(house, uses), ...held }
    }
    case 'prepare': {
      const velocity = steps.some((s) => s.step.kind === 'blowOut') ? blower(plan, house) : undefined
      if (!velocity) return { hands: 1, table: 1 }
      const watts = dryerWatts(velocity, velocity.settings.find((s) => s.heatW === 0) ?? velocity.settings[0]!)
      return {
        hands: 1,
        table: 1,
        [dryerKey(velocity.name)]: 1,
        ...wattsOf(house, [{ watts, circuit: velocity.circuit }]),
      }
    }
    case 'away':
      return { hands: 1 }
    default:
      return { hands: 1, table: 1 }
  }
}

/** The same with the groomer's own hands, of which there is one pair. */
const byGroomer = (part: Part, uses: Record<string, number>): Record<string, number> =>
  withDog(part) && (uses.hands ?? 0) > 0 ? { ...uses, groomer: 1 } : uses

/** The longest a part may be put off after the one before it; null: as long as it likes. */
function gapTo(part: Part, before: Part | undefined, coat: CoatType): number | null {
  if (part === 'clean') return DAY_GAPS.toClean.value
  if (before === 'lift' && part === 'bath') return 0
  if (part === 'lift' && before === 'bath') return 0
  if ((before === 'bath' || before === 'lift') && part !== 'finish') return DAY_GAPS.toShake.value
  if (part === 'towel' && before === 'rest') return DAY_GAPS.toTowel.value
  if (part === 'dry' || part === 'alone') return coat === 'curly' ? DAY_GAPS.curlyToDry.value : DAY_GAPS.toDry.value
  return null
}

/** What turns a visit into a dog of the day's problem: minutes count from the start of the day. */
export interface VisitFacts {
  id: string
  coat: CoatType
  kg: number
  plan: Plan
  arrive: number
  pickup: number
  lastInTub: boolean
  tender: boolean
  liftApart: boolean
  /** It is handled by the groomer, alone or together, never by the helper alone. */
  groomers: boolean
  pins: Record<string, number>
}

/** A visit as a dog of the scheduling problem: its parts as tasks, with what they hold and how long they may wait. */
export function dogOfVisit(visit: VisitFacts, house: House): DayDog {
  const { id, plan, coat, kg, pins } = visit
  const tasks: DayTask[] = []
  let before: { id: string; part: Part } | undefined
  let tub: string | undefined
  let ready: string | undefined
  for (const made of partsOf(plan, visit.liftApart)) {
    const { part, key, minutes } = made
    const own = `${id}.${key}`
    const after = part === 'clean' ? tub : before?.id
    const pin = pins[key]
    tasks.push({
      id: own,
      kind: part,
      dur: minutes,
      uses: visit.groomers ? byGroomer(part, usesOf(made, plan, house, kg)) : usesOf(made, plan, house, kg),
      hotDl: key === 'bath' ? Math.round(plan.water.hotLitres * 10) : 0,
      needsDog: withDog(part),
      ...(isLoudWork(made, plan, house) ? { loud: true } : {}),
      preds: after ? [{ task: after, minGap: 0, maxGap: gapTo(part, before?.part, coat) }] : [],
      ...(pin === undefined ? {} : { earliest: pin, latest: pin }),
    })
    if (part === 'bath' || part === 'lift') tub = own
    if (part !== 'clean') before = { id: own, part }
    if (withDog(part)) ready = own
  }
  return {
    id,
    arrive: visit.arrive,
    pickup: visit.pickup,
    lastInTub: visit.lastInTub,
    ...(visit.tender ? { tender: true } : {}),
    readyTask: ready!,
    tasks,
  }
}
