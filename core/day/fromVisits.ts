import { constants, practice } from '../constants'
import type { CoatType } from '../dog'
import type { House } from '../house'
import { dryerUse, type Plan, type Step } from '../visit'
import { recovery, SUPPLY } from '../water'
import type { DayDog, DayProblem, DayTask } from './problem'

/** How long a dog may wait between the steps of a day, minutes. */
export const DAY_GAPS = constants({
  toShake: practice(2, 'min', [1, 5]),
  toTowel: practice(5, 'min', [2, 10]),
  curlyToDry: practice(15, 'min', [5, 20]),
  toDry: practice(30, 'min', [15, 45]),
  toClean: practice(5, 'min', [0, 15]),
})

/** One visit of a day: its plan, when the dog comes and should be ready (minutes from the start of the day). */
export interface DayVisit {
  id: string
  coat: CoatType
  plan: Plan
  arrive: number
  pickup: number
  lastInTub: boolean
}

/** The day around the visits: the house, whether a helper is there, how long the day may be, and its pauses. */
export interface DaySetting {
  house: House
  helper: boolean
  horizon: number
  breaks: DayProblem['breaks']
}

type Part = 'prepare' | 'bath' | 'rest' | 'towel' | 'alone' | 'dry' | 'finish' | 'clean'

const BATH = new Set(['lift-in', 'lift-out'])
const AFTER = new Set(['ears', 'nails', 'comb', 'topknot', 'hand-over'])

/** Which part of the day a step belongs to. `bathed`: the dog has been in the tub already. */
function partOf(step: Step, bathed: boolean): Part {
  if (!step.withDog) return 'clean'
  if (BATH.has(step.id) || step.place === 'tub') return 'bath'
  if (step.id === 'shake') return step.hands ? 'towel' : 'rest'
  if (step.id === 'dry-fan') return 'alone'
  if (step.id === 'dry') return step.hands ? 'dry' : 'alone'
  if (bathed && AFTER.has(step.id)) return 'finish'
  return bathed ? 'towel' : 'prepare'
}

/** Steps gathered into the parts that are placed as one, in order; whole minutes, rounded up. */
function gatherParts(plan: Plan): { part: Part; minutes: number }[] {
  const parts: { part: Part; minutes: number }[] = []
  let bathed = false
  for (const step of plan.steps) {
    const part = partOf(step, bathed)
    bathed ||= part === 'bath'
    const last = parts[parts.length - 1]
    if (last && last.part === part) last.minutes += step.minutes.value
    else parts.push({ part, minutes: step.minutes.value })
  }
  return parts.map(({ part, minutes }) => ({ part, minutes: Math.max(1, Math.ceil(minutes - 1e-9)) }))
}

const dryerKey = (name: string) => `dryer: ${name}`

/** What a part holds while it runs. */
function usesOf(part: Part, plan: Plan): Record<string, number> {
  const { choice } = plan.drying
  const used = dryerUse(plan.drying)
  const watts = (names: readonly (string | undefined)[]) =>
    Math.ceil(Math.max(0, ...used.filter((d) => names.includes(d.name)).map((d) => d.watts)))
  switch (part) {
    case 'bath':
    case 'clean':
      return { hands: 1, tub: 1 }
    case 'rest':
      return { crate: 1 }
    case 'alone':
      return choice.fan ? { fan: 1, crate: 1, circuit: Math.ceil(choice.fan.motorW) } : { crate: 1 }
    case 'dry': {
      const names = [choice.velocity?.name, choice.warm?.name].filter((n): n is string => n !== undefined)
      return { hands: 1, table: 1, circuit: watts(names), ...Object.fromEntries(names.map((n) => [dryerKey(n), 1])) }
    }
    default:
      return { hands: 1, table: 1 }
  }
}

/** The longest a part may be put off after the one before it; null: as long as it likes. */
function gapTo(part: Part, before: Part | undefined, coat: CoatType): number | null {
  if (part === 'clean') return DAY_GAPS.toClean.value
  if (before === 'bath' && part !== 'finish') return DAY_GAPS.toShake.value
  if (part === 'towel' && before === 'rest') return DAY_GAPS.toTowel.value
  if (part === 'dry' || part === 'alone') return coat === 'curly' ? DAY_GAPS.curlyToDry.value : DAY_GAPS.toDry.value
  return null
}

function dogOf(visit: DayVisit): DayDog {
  const tasks: DayTask[] = []
  let before: { id: string; part: Part } | undefined
  let bath: string | undefined
  const seen = new Map<Part, number>()
  for (const { part, minutes } of gatherParts(visit.plan)) {
    const count = (seen.get(part) ?? 0) + 1
    seen.set(part, count)
    const id = `${visit.id}.${part}${count > 1 ? count : ''}`
    const after = part === 'clean' ? bath : before?.id
    tasks.push({
      id,
      kind: part,
      dur: minutes,
      uses: usesOf(part, visit.plan),
      hotDl: part === 'bath' && count === 1 ? Math.round(visit.plan.water.hotLitres * 10) : 0,
      needsDog: part !== 'clean',
      preds: after ? [{ task: after, minGap: 0, maxGap: gapTo(part, before?.part, visit.coat) }] : [],
    })
    if (part === 'bath') bath = id
    if (part !== 'clean') before = { id, part }
  }
  return {
    id: visit.id,
    arrive: visit.arrive,
    pickup: visit.pickup,
    lastInTub: visit.lastInTub,
    readyTask: before!.id,
    tasks,
  }
}

/** The tank as decilitres: what is usable of it, and what the heater adds a minute; a tankless heater only adds. */
function tankOf({ water }: House): DayProblem['tank'] {
  const recoveryDlPerMin = Math.floor(10 * recovery(water.heaterKw, water.hotC - water.coldC, SUPPLY.efficiency.value))
  if (water.heater === 'tankless') return { capacityDl: 0, initialDl: 0, recoveryDlPerMin }
  const usable = Math.floor(10 * SUPPLY.usable.value * water.tankL)
  return { capacityDl: usable, initialDl: usable, recoveryDlPerMin }
}

/**
 * The scheduling problem of a day's visits: each plan's steps gathered into tasks with what they hold and
 * how long the dog may wait between them, over the house's hands, tub, table, crates, fans, dryers, circuit
 * and hot water. Visits marked so (fleas, anything infectious) come last in the tub.
 */
export function dayFromVisits(visits: readonly DayVisit[], { house, helper, horizon, breaks }: DaySetting): DayProblem {
  const fans = house.dryers.filter((d) => d.kind === 'fan').length
  const dryers = house.dryers.filter((d) => d.kind !== 'fan').map((d) => [dryerKey(d.name), 1])
  return {
    name: 'day',
    seed: 1,
    horizon,
    resources: {
      hands: helper ? 2 : 1,
      tub: 1,
      table: 1,
      crate: house.crates,
      fan: fans,
      circuit: Math.floor(house.circuit.volts * house.circuit.amps),
      ...Object.fromEntries(dryers),
    },
    tank: tankOf(house),
    breaks,
    dogs: visits.map(dogOf),
  }
}
