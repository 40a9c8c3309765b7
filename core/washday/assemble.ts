import type { DayProblem, DaySchedule } from '../day'
import { mayBite, stageOn, type Dog } from '../dog'
import type { RoomAir } from '../drying'
import { HANDWORK } from '../groomer'
import type { House } from '../house'
import type { ShelvedProduct } from '../mix'
import { NOTHING_KNOWN, planVisit, todayFromRecord, type Memory, type Plan, type Today } from '../visit'
import { recovery, SUPPLY } from '../water'
import type { Seat, WashDay } from './schema'
import { dogOfVisit, resourcesOf } from './tasks'
import { wishesOf } from './wishes'

/** A dog of a day: its record, how it is that day (by a recipe that is kept, if it is), and what the log knows of it. */
export interface DayDogFacts {
  dog: Dog
  today: Today
  kept?: boolean
  memory: Memory
}

/** What a day is reckoned from: the day, its dogs by id, the shelf and the house. */
export interface DayFacts {
  day: WashDay
  dogs: Record<string, DayDogFacts>
  shelf: readonly ShelvedProduct[]
  house: House
}

/** A seat with its dog and the dog's plan. `kg`: as weighed that day, or the record's. */
export interface SeatPlan {
  seat: Seat
  dog: Dog
  today: Today
  memory: Memory
  plan: Plan
  kg: number
  young: boolean
  /** The air its drying is reckoned in. */
  air: RoomAir
  /** Two people lift this dog, and there are two that day. */
  liftApart: boolean
}

/** A dog as it is on a date: by its kept recipe when there is one, else as its record expects it. */
export function dogOn(dog: Dog, date: string, kept?: Today, memory = NOTHING_KNOWN): DayDogFacts {
  return { dog, today: kept ?? todayFromRecord(dog, date), kept: kept !== undefined, memory }
}

/** The house as it is on the day: its protector and its air may be the day's own. */
function houseOn({ day, house }: DayFacts, air?: RoomAir): House {
  return { ...house, room: air ?? house.room, protector: day.protector ?? house.protector }
}

/**
 * Every seat's plan; seats whose dog is not there any more are left out. `air`: the room's air in which a
 * seat is dried, by seat, where it is known better than the house's own; the plan's unless given.
 */
export function planSeats(facts: DayFacts, air = facts.day.plan?.air ?? {}): SeatPlan[] {
  const { day, dogs, shelf } = facts
  return day.seats.flatMap((seat) => {
    const found = dogs[seat.dogId]
    if (!found) return []
    const helper = found.today.helper || day.helper !== null
    const technique = seat.technique ?? found.today.technique
    const service = seat.service ?? found.today.service
    const clipCm = seat.clipCm ?? found.today.clipCm
    const today = { ...found.today, date: day.date, helper, technique, service, clipCm }
    const plan = planVisit(found.dog, today, shelf, houseOn(facts, air[seat.id]), found.memory)
    const kg = today.weightKg ?? found.dog.weightKg
    return [
      {
        seat,
        dog: found.dog,
        today,
        memory: found.memory,
        plan,
        kg,
        air: air[seat.id] ?? facts.house.room,
        young: stageOn({ ...found.dog, weightKg: kg }, day.date) !== 'adult',
        liftApart: day.helper !== null && plan.go && plan.groomer.lift.people > 1 && kg > HANDWORK.heavy.value,
      },
    ]
  })
}

/** Litres a minute that the heater makes. */
export function heaterLitres({ water }: House): number {
  return recovery(water.heaterKw, water.hotC - water.coldC, SUPPLY.efficiency.value)
}

/** Litres of hot water the tank can hold, and holds when the day begins: all of it unless the heater goes on by a timer. */
export function tankAtStart({ day, house }: Pick<DayFacts, 'day' | 'house'>): { full: number; start: number } {
  if (house.water.heater === 'tankless') return { full: 0, start: 0 }
  const full = SUPPLY.usable.value * house.water.tankL
  if (day.heaterFrom === null) return { full, start: full }
  const minutes = Math.max(0, day.hours.from - day.heaterFrom)
  return { full, start: Math.min(full, heaterLitres(house) * minutes) }
}

/** Minutes of the clock when the helper isn't there, as stretches of the day that starts at `from`. */
function awayOf({ helper }: WashDay, from: number, horizon: number): DayProblem['away'] {
  if (!helper) return []
  const stretches = [
    { uses: { hands: 1 }, from: 0, to: Math.max(0, helper.from - from) },
    { uses: { hands: 1 }, from: Math.max(0, helper.to - from), to: horizon },
  ]
  return stretches.filter((s) => s.to > s.from)
}

const END_OF_DAY = 1440

/**
 * The scheduling problem of a day: every plan's steps gathered into tasks over the house's hands (the
 * helper's by the hour), tubs, tables, crates by size, fans, dryers, circuits and hot water. Minute 0 is the
 * day's opening. Dogs with fleas come last in the tub; pins hold.
 */
export function problemOfDay(facts: DayFacts, seats: readonly SeatPlan[]): DayProblem {
  const { day, house } = facts
  const { from } = day.hours
  const horizon = END_OF_DAY - from
  const since = (clock: number) => Math.max(0, clock - from)
  const { full, start } = tankAtStart(facts)
  // what a helper may not do alone is told apart only where there is a helper
  const groomers = day.helper !== null && seats.some((s) => mayBite(s.dog, s.today))
  return {
    name: day.date,
    seed: 1,
    horizon,
    resources: { ...resourcesOf(house, day.helper ? 2 : 1), ...(groomers ? { groomer: 1 } : {}) },
    tank: {
      capacityDl: Math.floor(10 * full),
      initialDl: Math.floor(10 * start),
      recoveryDlPerMin: Math.floor(10 * heaterLitres(house)),
    },
    breaks: day.pauses.map((p) => ({
      id: p.id,
      dur: p.minutes,
      earliest: since(p.earliest),
      latest: since(p.latest),
      uses: { hands: 1, ...(groomers && { groomer: 1 }) } satisfies Record<string, number>,
    })),
    away: awayOf(day, from, horizon),
    wishes: wishesOf(house),
    dogs: seats.map(({ seat, dog, today, plan, kg, young, liftApart }) =>
      dogOfVisit(
        {
          id: seat.id,
          coat: dog.coat,
          kg,
          plan,
          arrive: since(seat.arrive),
          pickup: since(seat.pickup),
          lastInTub: today.fleas,
          tender: young || (today.mood ?? dog.mood) === 'anxious' || dog.heart || dog.joints || dog.pregnant,
          liftApart,
          groomers: groomers && mayBite(dog, today),
          pins: Object.fromEntries(Object.entries(seat.pins).map(([part, at]) => [part, since(at)])),
        },
        house,
      ),
    ),
  }
}

const shifted = (starts: Record<string, number>, by: number) =>
  Object.fromEntries(Object.entries(starts).map(([id, at]) => [id, at + by]))

/** A schedule in minutes from the opening, as a day's plan in minutes of the clock. */
export function planOfSchedule(
  { hours }: WashDay,
  { tasks, breaks }: DaySchedule,
  air: Record<string, RoomAir> = {},
): NonNullable<WashDay['plan']> {
  return { tasks: shifted(tasks, hours.from), breaks: shifted(breaks, hours.from), air }
}

/** A day's plan as a schedule in minutes from the opening, if it places every task and pause of the problem. */
export function scheduleOfPlan({ hours, plan }: WashDay, problem: DayProblem): DaySchedule | undefined {
  if (!plan) return undefined
  const whole =
    problem.dogs.every((d) => d.tasks.every((t) => t.id in plan.tasks)) &&
    problem.breaks.every((b) => b.id in plan.breaks)
  if (!whole) return undefined
  const known = new Set(problem.dogs.flatMap((d) => d.tasks.map((t) => t.id)))
  const tasks = Object.fromEntries(Object.entries(plan.tasks).filter(([id]) => known.has(id)))
  const breaks = Object.fromEntries(problem.breaks.map((b) => [b.id, plan.breaks[b.id]!]))
  return { tasks: shifted(tasks, -hours.from), breaks: shifted(breaks, -hours.from) }
}
