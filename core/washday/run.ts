import type { DayProblem, DaySchedule } from '../day'
import { dryerWatts, type Dryer, type RoomAir } from '../drying'
import { noiseDose, protection } from '../groomer'
import { circuitOf, type House } from '../house'
import { dryerUse, planVisit, type Plan } from '../visit'
import { emptyTankTemperature } from '../water'
import { roomOverDay, type Vapour } from './air'
import { heaterLitres, tankAtStart, type DayFacts, type SeatPlan } from './assemble'
import { HABITS } from './habits'
import { spread, type Stretch } from './minutes'
import { withDog } from './schema'
import { partsOf, type PlacedStep } from './tasks'

/** One dog's day: minutes of the clock, waits in minutes, the air it was dried in and what that adds. */
export interface SeatRun {
  id: string
  arrive: number
  ready: number
  pickup: number
  late: number
  waiting: number
  longestWait: number
  crate: number
  /** When it waits or rests, minutes of the clock. */
  rests: { from: number; to: number }[]
  air?: RoomAir
  dryLonger: number
}

/** Where the shower would run cold: from a minute of the clock, for whom, down to what temperature, °C. */
export interface ShortWater {
  at: number
  seat: string
  coldest: number
}

/** A day minute by minute from its opening, and what it comes to. Minutes of the clock unless an index. */
export interface DayRun {
  from: number
  length: number
  /** Litres of hot water left at each minute's end, and the most the tank holds. */
  hot: number[]
  hotFull: number
  hotUsed: number
  lowest: { litres: number; at: number }
  short?: ShortWater
  circuits: { name: string; limit: number; watts: number[] }[]
  /** Percent of the groomer's daily noise so far. */
  dose: number[]
  /** Relative humidity at the room's own temperature, %, and the room's warmth, °C. */
  humidity: number[]
  celsius: number[]
  /** Towels left on the shelf. */
  towels: number[]
  seats: SeatRun[]
  dayEnd: number
  handMinutes: number
}

/** One step of a visit in the day, with what it asks of the room. */
interface DayStep extends Stretch {
  seat: SeatPlan
  placed: PlacedStep
}

/** Whether the shower runs in a step. */
const isShower = ({ placed }: DayStep) => placed.step.kind === 'wet' || placed.step.kind === 'rinse'

/** Every step of every visit where the schedule puts it; a part that takes longer stretches its steps. */
function stepsOfDay(seats: readonly SeatPlan[], problem: DayProblem, schedule: DaySchedule): DayStep[] {
  const tasks = new Map(problem.dogs.flatMap((d) => d.tasks.map((t) => [t.id, t])))
  return seats.flatMap((seat) =>
    partsOf(seat.plan, seat.liftApart).flatMap((part) => {
      const id = `${seat.seat.id}.${part.key}`
      const task = tasks.get(id)
      const at = schedule.tasks[id]
      if (!task || at === undefined) return []
      const stretch = task.dur / part.minutes
      return part.steps.map((placed) => ({
        seat,
        placed,
        from: at + placed.from * stretch,
        to: at + placed.to * stretch,
      }))
    }),
  )
}

/** A dryer at work: watts on a circuit, sound, and grams of water it carries into the air in that time. */
interface Running extends Stretch {
  seat: SeatPlan
  circuit: string
  watts: number
  level: number
  grams: number
}

/** Dryers of one drying step in turn: a fan alone; by hand fast air first, then warm; nothing but the dog's warmth. */
function dryersOf({ seat, placed, from, to }: DayStep, house: House): Running[] {
  const { plan } = seat
  const { choice, zones, minutes } = plan.drying
  const total = (of: (z: Plan['drying']['zones'][number]) => number) => zones.reduce((sum, z) => sum + of(z), 0)
  const uses = dryerUse(plan.drying)
  const on = (dryer: Dryer, stretch: Stretch, grams: number): Running => {
    const use = uses.find((u) => u.name === dryer.name)
    const cold = dryer.settings.find((s) => s.heatW === 0) ?? dryer.settings[0]!
    return {
      ...stretch,
      seat,
      circuit: circuitOf(house, dryer.circuit).name,
      watts: use?.watts ?? dryerWatts(dryer, cold),
      level: dryer.level,
      grams,
    }
  }
  const { kind, role, hands } = placed.step
  if (kind === 'blowOut') {
    const blower = choice.velocity ?? house.dryers.find((d) => d.kind === 'velocity')
    return blower ? [on(blower, { from, to }, 0)] : []
  }
  if (kind !== 'dry') return []
  const all = total((z) => z.evaporates)
  const byFan = total((z) => z.evaporatesFan ?? 0)
  const wrapped = minutes.because.flatMap((r) => (r.code === 'dry.thenWarmth' ? [r.facts.grams] : []))[0] ?? 0
  const still = (grams: number): Running => ({ from, to, seat, circuit: '', watts: 0, level: 0, grams })
  if (role === 'wrapped') return [still(wrapped)]
  const fans = [choice.fan, choice.second].filter((f) => f !== undefined)
  const byFans = (grams: number) => fans.map((f) => on(f, { from, to }, grams / fans.length))
  if (role === 'fan') return byFans(byFan)
  if (!hands) return fans.length > 0 ? byFans(all) : [still(all)]
  if (role === 'fast') return choice.velocity ? [on(choice.velocity, { from, to }, 0)] : []
  const split = plan.steps.some((s) => s.kind === 'dry' && s.role === 'fan')
  const blown = plan.steps.some((s) => s.kind === 'dry' && s.role === 'fast')
  const grams = Math.max(0, all - wrapped + (split ? 0 : byFan))
  const [fast, warm] = [blown ? 0 : total((z) => z.velocity), total((z) => z.warm)]
  const turn = choice.velocity && choice.warm ? from + (to - from) * (fast / Math.max(1e-9, fast + warm)) : from
  return [
    ...(choice.velocity && fast > 0 && choice.warm ? [on(choice.velocity, { from, to: turn }, 0)] : []),
    ...(choice.warm ? [on(choice.warm, { from: turn, to }, grams)] : []),
    ...(choice.velocity && !choice.warm ? [on(choice.velocity, { from, to }, grams)] : []),
  ]
}

/** Hot litres through the day: a hot layer over a cold one, dH/dt = R − hot flow, between nothing and full. */
function tankOverDay(facts: DayFacts, steps: readonly DayStep[], length: number) {
  const { house, day } = facts
  const { full, start } = tankAtStart(facts)
  const made = heaterLitres(house)
  const draw = new Array<number>(length).fill(0)
  for (const step of steps) if (isShower(step)) spread(draw, step, step.seat.plan.water.hotFlow)
  const hot: number[] = []
  let [level, used] = [start, 0]
  let short: ShortWater | undefined
  let lowest = { litres: start, at: day.hours.from }
  const tankless = house.water.heater === 'tankless'
  for (let m = 0; m < length; m++) {
    const wanted = draw[m]!
    used += wanted
    const free = level + made - wanted
    if (free < -1e-6 && wanted > 0) {
      const seat = steps.find((s) => isShower(s) && s.from < m + 1 && s.to > m)!.seat.seat.id
      const coldest = emptyTankTemperature(house.water)
      short ??= { at: day.hours.from + m, seat, coldest }
    }
    level = Math.min(full, Math.max(0, free))
    if (!tankless && level < lowest.litres - 1e-9) lowest = { litres: level, at: day.hours.from + m + 1 }
    hot.push(tankless ? Math.max(0, made - wanted) : level)
  }
  return { hot, hotFull: tankless ? made : full, hotUsed: used, lowest, short }
}

/** Percent of a day's noise, minute by minute: dryers that run together add as energy, the protector takes its decibels off. */
function doseOverDay(running: readonly Running[], off: number, length: number): number[] {
  const energy = new Array<number>(length).fill(0)
  for (const r of running) if (r.level > 0) spread(energy, r, 10 ** (r.level / 10))
  let sum = 0
  return energy.map((e) => {
    if (e > 0) sum += noiseDose([{ level: 10 * Math.log10(e) - off, minutes: 1 }])
    return sum
  })
}

/** A dog's waits between arrival and hand-over, minutes, and all its minutes in a crate. */
function waitsOf(problem: DayProblem, schedule: DaySchedule, id: string) {
  const dog = problem.dogs.find((d) => d.id === id)!
  const busy = dog.tasks
    .filter((t) => withDog(t.kind))
    .map((t) => ({ from: schedule.tasks[t.id]!, to: schedule.tasks[t.id]! + t.dur, kind: t.kind }))
    .sort((a, b) => a.from - b.from)
  const waits: Stretch[] = []
  let at = dog.arrive
  for (const task of busy) {
    if (task.from > at) waits.push({ from: at, to: task.from })
    at = Math.max(at, task.to)
  }
  const alone = busy.filter((t) => t.kind === 'rest' || t.kind === 'alone')
  return { dog, waits, alone, ready: at }
}

const minutesIn = (stretches: readonly Stretch[]) => stretches.reduce((sum, s) => sum + s.to - s.from, 0)

/** The mean air between two minutes of the day. */
function meanAir(celsius: readonly number[], humidity: readonly number[], { from, to }: Stretch): RoomAir {
  const first = Math.min(celsius.length - 1, Math.floor(from))
  const last = Math.max(first + 1, Math.min(celsius.length, Math.ceil(to)))
  const mean = (line: readonly number[]) => line.slice(first, last).reduce((a, b) => a + b, 0) / (last - first)
  return { celsius: mean(celsius), humidity: mean(humidity) }
}

/**
 * A day run through minute by minute as its schedule has it: hot water from real draws at the mixed
 * temperature, watts on every circuit, the groomer's noise with the protector, the room's air (which feeds
 * back into the drying minutes), towels, and every dog's time in the building.
 */
export function runDay(
  facts: DayFacts,
  seats: readonly SeatPlan[],
  problem: DayProblem,
  schedule: DaySchedule,
): DayRun {
  const { day, house } = facts
  const { from } = day.hours
  const ends = problem.dogs.flatMap((d) => d.tasks.map((t) => schedule.tasks[t.id]! + t.dur))
  const length = Math.max(day.hours.to - from, ...ends, 1)
  const steps = stepsOfDay(seats, problem, schedule)
  const running = steps.flatMap((s) => dryersOf(s, house))
  const circuits = house.circuits.map((c) => {
    const watts = new Array<number>(length).fill(c.otherW)
    for (const r of running) if (r.circuit === c.name) spread(watts, r, r.watts)
    return { name: c.name, limit: c.volts * c.amps, watts }
  })
  const vapour: Vapour[] = running.map((r) => ({ from: r.from, to: r.to, grams: r.grams, watts: r.watts }))
  const air = roomOverDay(house, day.windowOpen, vapour, length)

  const towels = new Array<number>(length).fill(house.towels + day.extraTowels)
  for (const s of steps) {
    if (s.placed.step.kind !== 'towel') continue
    for (let m = Math.floor(s.from); m < length; m++) towels[m] = towels[m]! - s.seat.plan.towels.value
  }
  const runs = seats.map((seat): SeatRun => {
    const { dog, waits, alone, ready } = waitsOf(problem, schedule, seat.seat.id)
    const drying = running.filter((r) => r.seat === seat && r.grams > 0)
    const own = drying[0] && meanAir(air.celsius, air.humidity, { from: drying[0].from, to: drying.at(-1)!.to })
    return {
      id: seat.seat.id,
      arrive: dog.arrive + from,
      ready: ready + from,
      pickup: seat.seat.pickup,
      late: Math.max(0, ready + from - seat.seat.pickup),
      waiting: minutesIn(waits),
      longestWait: Math.max(0, ...waits.map((w) => w.to - w.from)),
      crate: minutesIn(waits) + minutesIn(alone),
      rests: [...waits, ...alone]
        .map((s) => ({ from: s.from + from, to: s.to + from }))
        .sort((a, b) => a.from - b.from),
      air: own,
      dryLonger: own ? dryLonger(facts, seat, own) : 0,
    }
  })
  const hands = problem.dogs.flatMap((d) => d.tasks.filter((t) => (t.uses.hands ?? 0) > 0 || partNeedsHands(t.kind)))
  return {
    from,
    length,
    ...tankOverDay(facts, steps, length),
    circuits,
    dose: doseOverDay(running, protection(day.protector ?? house.protector), length),
    humidity: air.atRoom,
    celsius: air.celsius,
    towels,
    seats: runs,
    dayEnd: from + Math.max(0, ...hands.map((t) => schedule.tasks[t.id]! + t.dur)),
    handMinutes: hands.reduce((sum, t) => sum + t.dur * Math.max(1, t.uses.hands ?? 1), 0),
  }
}

const partNeedsHands = (kind: string) => kind !== 'rest' && kind !== 'alone'

/** Minutes that drying takes longer (or shorter, negative) in the air the day gives it than in the house's own. */
function dryLonger(facts: DayFacts, { dog, today, memory, plan, air: planned }: SeatPlan, air: RoomAir): number {
  const { house, shelf } = facts
  const near = (a: RoomAir, b: RoomAir) =>
    Math.abs(a.celsius - b.celsius) < HABITS.sameAirC.value &&
    Math.abs(a.humidity - b.humidity) < HABITS.sameAirHumidity.value
  const minutesIn = (room: RoomAir) =>
    near(room, planned)
      ? plan.drying.minutes.value
      : planVisit(dog, today, shelf, { ...house, room }, memory).drying.minutes.value
  return near(air, house.room) ? 0 : minutesIn(air) - minutesIn(house.room)
}
