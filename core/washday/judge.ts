import { CAUTION } from '../caution'
import { constants, house as estimate, memory, practice } from '../constants'
import type { DayProblem, DaySchedule } from '../day'
import { capital, list, minutesText, say } from '../units'
import type { DayFacts, SeatPlan } from './assemble'
import type { DayRun, SeatRun } from './run'
import { clockText } from './schema'

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

/** Something in a day that does not hold, or asks for care: for whom, when, how much, in plain words. */
export interface DayFinding {
  id: string
  kind: FindingKind
  level: 'stop' | 'watch'
  seat?: string
  /** A minute of the clock. */
  at?: number
  /** How bad, in the finding's own unit: minutes late, watts over, towels short. */
  amount: number
  title: string
  text: string
}

interface Judged {
  seats: readonly SeatPlan[]
  whole: DayProblem
  problem: DayProblem
  schedule: DaySchedule
  run: DayRun
}

const nameOf = (seats: readonly SeatPlan[], id: string) => seats.find((s) => s.seat.id === id)?.dog.name ?? id
const verb = (n: number, word: string) => `${n} ${word}${n === 1 ? '' : 's'}`

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
      const fleas = seat.today.fleas && seats.length > 1
      const why = fleas ? ' Fleas put this dog last in the tub, and that pick-up is too early for it.' : ''
      return {
        id: `late ${s.id}`,
        kind: 'late',
        level: 'stop',
        seat: s.id,
        at: s.ready,
        amount: s.late,
        title: `${seat.dog.name} is ${minutesText(s.late)} late`,
        text: `Ready at ${clockText(s.ready)}, fetched at ${clockText(s.pickup)}.${why}`,
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
        title: `Hot water runs short for ${name}`,
        text: `The tank is empty at ${clockText(at)}; the shower falls to ${say(coldest, 0)} °C while ${name} is under it.`,
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
      title: `Only ${say(litres, 0)} L of hot water left at ${clockText(at)}`,
      text: `It holds, with ${say(litres, 0)} of ${say(run.hotFull, 0)} L to spare. A longer rinse would run it dry.`,
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
          title: `${name} would trip at ${clockText(over.at)}`,
          text: `${say(over.worst, 0)} W on a circuit of ${say(limit, 0)} W.`,
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
        title: `${name} at ${say((100 * load.worst) / limit, 0)} %`,
        text: `${say(load.worst, 0)} of ${say(limit, 0)} W from ${clockText(load.at)}. Nothing else on it then. The local code rules.`,
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
      title: over
        ? `Too loud a day: ${say(total, 0)} % of your noise dose`
        : `${say(total, 0)} % of a day’s noise dose`,
      text: over
        ? `It is full at ${clockText(run.from + first)}.`
        : 'Wear ear protection; a hood or band for the dogs.',
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
    title: `${nameOf(seats, s.id)} dries ${minutesText(s.dryLonger)} longer`,
    text: `The room’s air is ${say(s.air!.humidity, 0)} % humid by then, from the dogs dried before.`,
  }))
  if (humid)
    findings.push({
      id: 'humid',
      kind: 'humid',
      level: 'watch',
      at: humid.at,
      amount: humid.worst - DAY_LIMITS.humid.value,
      title: `The room gets damp: ${say(humid.worst, 0)} % at ${clockText(humid.worstAt)}`,
      text: `Over ${DAY_LIMITS.humid.value} % from ${clockText(humid.at)}: coats dry slowly, walls get wet.`,
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
      title: `${verb(short, 'towel')} short`,
      text: `The shelf is empty at ${clockText(out.at)}. Lay out more, or wash between.`,
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
      title: `${verb(worst.short, 'crate')} short at ${clockText(worst.at)}`,
      text: `${list(worst.names)} wait or rest at once.`,
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
        title: `${dog.name} waits ${minutesText(s.longestWait)} in one go`,
        text: `Comes at ${clockText(s.arrive)} and is ready at ${clockText(s.ready)}. More than ${minutesText(most)} in a crate is long.`,
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
            title: `${name} stands wet for ${minutesText(gap)}`,
            text: `From ${clockText(end + day.hours.from)}; ${minutesText(p.maxGap)} is what this coat may.`,
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
      title: `You finish at ${clockText(run.dayEnd)}`,
      text: `${capital(minutesText(over))} after your hours, which end at ${clockText(day.hours.to)}.`,
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
