import { CAUTION } from '../caution'
import { constants, house as estimate, memory, practice } from '../constants'
import type { DayProblem, DaySchedule } from '../day'
import { said, type Code, type Said } from '../said'
import type { DayFacts, SeatPlan } from './assemble'
import type { DayRun, SeatRun } from './run'

/** From where on something in a day is said. */
export const DAY_LIMITS = constants({
  wait: estimate(90, 'min', [45, 180]),
  waitYoung: estimate(45, 'min', [20, 90]),
  tankLow: estimate(0.1, 'share of a full tank', [0.05, 0.2]),
  dose: memory(100, '% of a day', 'NIOSH 98-126 (1998)'),
  doseWatch: memory(50, '% of a day', 'NIOSH 98-126 (1998), action level'),
  humid: practice(75, '%', [70, 85]),
  dryLonger: estimate(2, 'min', [1, 5]),
})

declare module '../said' {
  interface Codes {
    'found.late': { name: string; minutes: number; ready: number; pickup: number; fleas: boolean }
    'found.water': { name: string; at: number; coldestC: number }
    'found.lowWater': { litres: number; full: number; at: number }
    'found.circuit': { circuit: string; at: number; watts: number; limit: number }
    'found.load': { circuit: string; at: number; watts: number; limit: number }
    'found.noise': { dose: number; over: boolean; at: number }
    'found.dryLonger': { name: string; minutes: number; humidity: number }
    'found.humid': { humidity: number; worstAt: number; limit: number; at: number }
    'found.towels': { short: number; at: number }
    'found.crates': { short: number; at: number; names: string[] }
    'found.wait': { name: string; minutes: number; arrive: number; ready: number; most: number }
    'found.wetWait': { name: string; minutes: number; from: number; most: number }
    'found.hours': { end: number; over: number; closing: number }
  }
}

/** What kind of thing does not hold. */
export type FindingKind =
  | 'late'
  | 'water'
  | 'low water'
  | 'circuit'
  | 'load'
  | 'noise'
  | 'humid'
  | 'dry longer'
  | 'towels'
  | 'crates'
  | 'wait'
  | 'wet wait'
  | 'hours'

/** What the day says of a finding. */
export type FoundCode = Extract<Code, `found.${string}`>

/** Something in a day that does not hold, or asks for care: for whom, when, how much. `words/` says it. */
export type DayFinding = Said<FoundCode> & {
  id: string
  kind: FindingKind
  level: 'stop' | 'watch'
  seat?: string
  /** A minute of the clock. */
  at?: number
  /** How bad, in the finding's own unit: minutes late, watts over, towels short. */
  amount: number
}

interface Judged {
  seats: readonly SeatPlan[]
  whole: DayProblem
  problem: DayProblem
  schedule: DaySchedule
  run: DayRun
}

const nameOf = (seats: readonly SeatPlan[], id: string) => seats.find((s) => s.seat.id === id)?.dog.name ?? id

/** First minute of the clock at which a line is past a limit, and its furthest value; undefined when it never is. */
function crossing({ from }: DayRun, line: readonly number[], past: (value: number) => boolean, most = Math.max) {
  const first = line.findIndex(past)
  if (first < 0) return undefined
  const worst = line.reduce((a, b) => most(a, b), line[0]!)
  return { at: from + first, worst, worstAt: from + line.indexOf(worst) }
}

function lateness(judged: Judged): DayFinding[] {
  const { seats, run } = judged
  return run.seats
    .filter((s) => s.late > 0)
    .map((s) => {
      const seat = seats.find((p) => p.seat.id === s.id)!
      return {
        id: `late ${s.id}`,
        kind: 'late',
        level: 'stop',
        seat: s.id,
        at: s.ready,
        amount: s.late,
        ...said('found.late', {
          name: seat.dog.name,
          minutes: s.late,
          ready: s.ready,
          pickup: s.pickup,
          fleas: seat.today.fleas && seats.length > 1,
        }),
      }
    })
}

function water(facts: DayFacts, { seats, run }: Judged): DayFinding[] {
  if (run.short) {
    const { at, seat, coldest } = run.short
    const name = nameOf(seats, seat)
    return [
      {
        id: 'water',
        kind: 'water',
        level: 'stop',
        seat,
        at,
        amount: Math.max(1, run.hot.filter((h) => h <= 1e-6).length),
        ...said('found.water', { name, at, coldestC: coldest }),
      },
    ]
  }
  const floor = DAY_LIMITS.tankLow.value * run.hotFull
  if (facts.house.water.heater === 'tankless' || run.lowest.litres >= floor) return []
  const { litres, at } = run.lowest
  return [
    {
      id: 'low water',
      kind: 'low water',
      level: 'watch',
      at,
      amount: floor - litres,
      ...said('found.lowWater', { litres, full: run.hotFull, at }),
    },
  ]
}

function power({ run }: Judged): DayFinding[] {
  return run.circuits.flatMap(({ name, limit, watts }): DayFinding[] => {
    const over = crossing(run, watts, (w) => w > limit + 1e-6)
    if (over)
      return [
        {
          id: `circuit ${name}`,
          kind: 'circuit',
          level: 'stop',
          at: over.at,
          amount: over.worst - limit,
          ...said('found.circuit', { circuit: name, at: over.at, watts: over.worst, limit }),
        },
      ]
    const load = crossing(run, watts, (w) => w > CAUTION.load.value * limit)
    if (!load) return []
    return [
      {
        id: `load ${name}`,
        kind: 'load',
        level: 'watch',
        at: load.at,
        amount: load.worst - CAUTION.load.value * limit,
        ...said('found.load', { circuit: name, at: load.at, watts: load.worst, limit }),
      },
    ]
  })
}

function noise({ run }: Judged): DayFinding[] {
  const total = run.dose.at(-1) ?? 0
  const over = total > DAY_LIMITS.dose.value
  if (!over && total < DAY_LIMITS.doseWatch.value) return []
  const first = run.dose.findIndex((d) => d > (over ? DAY_LIMITS.dose : DAY_LIMITS.doseWatch).value)
  return [
    {
      id: 'noise',
      kind: 'noise',
      level: over ? 'stop' : 'watch',
      at: run.from + first,
      amount: total - DAY_LIMITS.doseWatch.value,
      ...said('found.noise', { dose: total, over, at: run.from + first }),
    },
  ]
}

function air({ seats, run }: Judged): DayFinding[] {
  const humid = crossing(run, run.humidity, (h) => h >= DAY_LIMITS.humid.value)
  const longer = run.seats.filter((s) => s.dryLonger >= DAY_LIMITS.dryLonger.value)
  const findings: DayFinding[] = longer.map((s) => ({
    id: `dry longer ${s.id}`,
    kind: 'dry longer',
    level: 'watch',
    seat: s.id,
    amount: s.dryLonger,
    ...said('found.dryLonger', { name: nameOf(seats, s.id), minutes: s.dryLonger, humidity: s.air!.humidity }),
  }))
  if (humid)
    findings.push({
      id: 'humid',
      kind: 'humid',
      level: 'watch',
      at: humid.at,
      amount: humid.worst - DAY_LIMITS.humid.value,
      ...said('found.humid', {
        humidity: humid.worst,
        worstAt: humid.worstAt,
        limit: DAY_LIMITS.humid.value,
        at: humid.at,
      }),
    })
  return findings
}

function towels({ run }: Judged): DayFinding[] {
  const out = crossing(run, run.towels, (t) => t < 0, Math.min)
  if (!out) return []
  const short = Math.ceil(-out.worst)
  return [
    {
      id: 'towels',
      kind: 'towels',
      level: 'stop',
      at: out.at,
      amount: short,
      ...said('found.towels', { short, at: out.at }),
    },
  ]
}

/** The worst moment at which more dogs wait than crates hold, over sizes: dogs over a size need the crates over it. */
function crateNeed({ house }: DayFacts, { seats, run }: Judged) {
  const sizes = house.crates.filter((c) => c.count > 0).sort((a, b) => a.maxKg - b.maxKg)
  const largest = sizes.at(-1)?.maxKg ?? 0
  const fitting = run.seats
    .map((s) => ({ ...s, kg: seats.find((p) => p.seat.id === s.id)!.kg }))
    .filter((s) => s.kg <= largest)
  let worst: { at: number; short: number; names: string[] } | undefined
  const moments = [...new Set(fitting.flatMap((s) => s.rests.map((r) => r.from)))].sort((a, b) => a - b)
  for (const at of moments) {
    const here = fitting.filter((s) => s.rests.some((r) => r.from <= at && at < r.to))
    for (let i = 0; i < sizes.length; i++) {
      const over = i === 0 ? 0 : sizes[i - 1]!.maxKg
      const need = here.filter((s) => s.kg > over)
      const short = need.length - sizes.slice(i).reduce((sum, c) => sum + c.count, 0)
      if (short > (worst?.short ?? 0)) worst = { at, short, names: need.map((s) => nameOf(seats, s.id)) }
    }
  }
  return worst
}

function crates(facts: DayFacts, judged: Judged): DayFinding[] {
  const worst = crateNeed(facts, judged)
  if (!worst) return []
  return [
    {
      id: 'crates',
      kind: 'crates',
      level: 'watch',
      at: worst.at,
      amount: worst.short,
      ...said('found.crates', { short: worst.short, at: worst.at, names: worst.names }),
    },
  ]
}

function waits({ seats, run }: Judged): DayFinding[] {
  return run.seats.flatMap((s: SeatRun): DayFinding[] => {
    const { young, dog } = seats.find((p) => p.seat.id === s.id)!
    const most = young ? DAY_LIMITS.waitYoung.value : DAY_LIMITS.wait.value
    if (s.longestWait <= most) return []
    return [
      {
        id: `wait ${s.id}`,
        kind: 'wait',
        level: 'watch',
        seat: s.id,
        at: s.arrive,
        amount: s.longestWait - most,
        ...said('found.wait', {
          name: dog.name,
          minutes: s.longestWait,
          arrive: s.arrive,
          ready: s.ready,
          most,
        }),
      },
    ]
  })
}

/** Wet dogs that wait longer than their coat may. */
function wetWaits({ day }: DayFacts, { seats, whole, problem, schedule }: Judged): DayFinding[] {
  const now = new Map(problem.dogs.flatMap((d) => d.tasks.map((t) => [t.id, t])))
  return whole.dogs.flatMap((dog) =>
    dog.tasks.flatMap((task) =>
      task.preds.flatMap((p): DayFinding[] => {
        const end = schedule.tasks[p.task]! + now.get(p.task)!.dur
        const gap = schedule.tasks[task.id]! - end
        if (p.maxGap === null || gap <= p.maxGap || task.kind === 'clean') return []
        const name = nameOf(seats, dog.id)
        return [
          {
            id: `wet ${task.id}`,
            kind: 'wet wait',
            level: 'watch',
            seat: dog.id,
            at: end + day.hours.from,
            amount: gap - p.maxGap,
            ...said('found.wetWait', { name, minutes: gap, from: end + day.hours.from, most: p.maxGap }),
          },
        ]
      }),
    ),
  )
}

function hours({ day }: DayFacts, { run }: Judged): DayFinding[] {
  const over = run.dayEnd - day.hours.to
  if (over <= 0) return []
  return [
    {
      id: 'hours',
      kind: 'hours',
      level: 'watch',
      at: day.hours.to,
      amount: over,
      ...said('found.hours', { end: run.dayEnd, over, closing: day.hours.to }),
    },
  ]
}

const ORDER: readonly FindingKind[] = [
  'water',
  'circuit',
  'late',
  'towels',
  'noise',
  'wet wait',
  'crates',
  'wait',
  'hours',
  'low water',
  'load',
  'dry longer',
  'humid',
]

/** What of a day does not hold or asks for care, the worst first. */
export function judgeDay(facts: DayFacts, judged: Judged): DayFinding[] {
  const all = [
    ...lateness(judged),
    ...water(facts, judged),
    ...power(judged),
    ...noise(judged),
    ...air(judged),
    ...towels(judged),
    ...crates(facts, judged),
    ...waits(judged),
    ...wetWaits(facts, judged),
    ...hours(facts, judged),
  ]
  const rank = (f: DayFinding) => (f.level === 'stop' ? 0 : 100) + ORDER.indexOf(f.kind)
  return all.sort((a, b) => rank(a) - rank(b) || b.amount - a.amount)
}
