import { constants, house as estimate } from '../../constants'
import { said } from '../../said'
import type { DayFacts } from '../assemble'
import { nameOf, type DayFinding, type Judged } from '../finding'
import { HABITS } from '../habits'
import { withSeat, type Offers, type Remedies } from '../offers'
import type { SeatRun } from '../run'
import type { Seat } from '../schema'

/** How long a dog may wait before it is said. */
export const WAIT_LIMITS = constants({
  wait: estimate(90, 'min', [45, 180]),
  waitYoung: estimate(45, 'min', [20, 90]),
})

declare module '../../said' {
  interface Codes {
    'found.crates': { short: number; at: number; names: string[]; crates: number }
    'found.wait': { name: string; minutes: number; arrive: number; ready: number; most: number }
    'found.wetWait': { name: string; minutes: number; from: number; most: number }
    'do.inTurn': { dogs: number }
  }
}

/** The worst moment at which more dogs wait than crates hold, over sizes: dogs over a size need the crates over it. */
function crateNeed({ house }: DayFacts, { seats, run }: Judged) {
  const sizes = house.crates.filter((c) => c.count > 0).sort((a, b) => a.maxKg - b.maxKg)
  const largest = sizes.at(-1)?.maxKg ?? 0
  const fitting = run.seats
    .map((s) => ({ ...s, kg: seats.find((p) => p.seat.id === s.id)!.kg }))
    .filter((s) => s.kg <= largest)
  let worst: { at: number; short: number; names: string[]; crates: number } | undefined
  const moments = [...new Set(fitting.flatMap((s) => s.rests.map((r) => r.from)))].sort((a, b) => a - b)
  for (const at of moments) {
    const here = fitting.filter((s) => s.rests.some((r) => r.from <= at && at < r.to))
    for (let i = 0; i < sizes.length; i++) {
      const over = i === 0 ? 0 : sizes[i - 1]!.maxKg
      const need = here.filter((s) => s.kg > over)
      const crates = sizes.slice(i).reduce((sum, c) => sum + c.count, 0)
      const short = need.length - crates
      if (short > (worst?.short ?? 0)) worst = { at, short, names: need.map((s) => nameOf(seats, s.id)), crates }
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
      ...said('found.crates', { short: worst.short, at: worst.at, names: worst.names, crates: worst.crates }),
    },
  ]
}

function waits({ seats, run }: Judged): DayFinding[] {
  return run.seats.flatMap((s: SeatRun): DayFinding[] => {
    const { young, dog } = seats.find((p) => p.seat.id === s.id)!
    const most = young ? WAIT_LIMITS.waitYoung.value : WAIT_LIMITS.wait.value
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

/** When a dog need not be there earlier: shortly before its first step. Undefined when it hardly waits for that. */
function turnOf({ state, day }: Offers, seat: Seat): number | undefined {
  const tasks = state.problem.dogs.find((d) => d.id === seat.id)?.tasks ?? []
  const begins = day.hours.from + Math.min(...tasks.map((t) => state.schedule?.tasks[t.id] ?? Infinity))
  const step = HABITS.askInSteps.value
  // nobody is asked to have come already
  const soonest = Math.ceil((day.progress?.now ?? 0) / step) * step
  const arrive = Math.max(soonest, Math.floor(begins / step) * step)
  const worth = arrive <= begins && begins - seat.arrive >= HABITS.worthComingLater.value
  return worth && Number.isFinite(arrive) && arrive > seat.arrive && arrive < seat.pickup ? arrive : undefined
}

function comeLater(o: Offers, seat: Seat) {
  const arrive = turnOf(o, seat)
  if (arrive === undefined) return
  o.offer(
    `come-${seat.id}`,
    said('do.comesAt', { name: o.nameOf(seat.id), at: arrive }),
    withSeat(o.day, seat.id, { arrive }),
  )
}

/** Every dog that has to wait for its first step comes when its turn is near. */
function allInTurn(o: Offers) {
  const { day } = o
  if (day.progress) return
  const seats = day.seats.map((s) => ({ ...s, arrive: turnOf(o, s) ?? s.arrive }))
  const moved = seats.filter((s, i) => s.arrive !== day.seats[i]!.arrive).length
  if (moved > 1) o.offer('in-turn', said('do.inTurn', { dogs: moved }), { ...day, seats })
}

/** More dogs than crates, and dogs that wait too long, dry or wet. */
export const judgeWaiting = (facts: DayFacts, judged: Judged) => [
  ...crates(facts, judged),
  ...waits(judged),
  ...wetWaits(facts, judged),
]

function shorter(o: Offers) {
  allInTurn(o)
  for (const seat of o.own ? [o.own.seat] : o.day.seats) comeLater(o, seat)
  o.arrangeAgain()
}
export const waitRemedies: Remedies<'crates' | 'wait' | 'wet wait'> = {
  crates: shorter,
  wait: shorter,
  'wet wait'(o) {
    o.arrangeAgain()
    o.helper()
    o.byFan()
  },
}
