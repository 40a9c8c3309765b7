import {
  adviseTimes,
  arrangeWashDay,
  byWorth,
  joinTimes,
  dayOdds,
  firstJoinTime,
  holdPart,
  homesFor,
  loadsOf,
  middlesOf,
  priceOf,
  proveWashDay,
  planSeats,
  relieve,
  spreadDogs,
  standLoosely,
  standFrom,
  tradesOf,
  tryWay,
  waysFor,
  type AdvisedTimes,
  type ArrangedDay,
  type ArrangeOutcome,
  type DayFacts,
  type DayFinding,
  type DayOdds,
  type DayLoad,
  type DayProof,
  type DayState,
  type JoinFit,
  type JoinTime,
  type HeldDay,
  type HoldWish,
  type Home,
  type Relief,
  type Seat,
  type SeatPlan,
  type Spread,
  type Trade,
  type TriedWay,
  type WashDay,
  type WeeksFacts,
  type Wish,
  type WishPrice,
} from '@core/washday'
import type { Peer, Temper, Told } from '@core/day'
import { inTurns, until } from '@core/turns'

/** What the day's worker can be asked of the facts that it holds. */
export type DayJob =
  /** `temper`: it is one of two searches, which tell each other what they find. */
  | { kind: 'arrange'; budgetMs: number; seed: number; temper?: Temper }
  | { kind: 'prove'; budgetMs: number }
  | { kind: 'odds' }
  | { kind: 'ways'; finding: DayFinding }
  /** `now`: the minute of the clock on the day itself. */
  | { kind: 'fits'; dogIds: string[]; now?: number }
  | { kind: 'joinTimes'; dogId: string; now?: number }
  | { kind: 'hold'; wish: HoldWish }
  | { kind: 'relieve'; budgetMs: number }
  | { kind: 'times'; seatIds: string[] }
  | { kind: 'trades' }
  | { kind: 'price'; wish: Wish }

/** The facts of a day, and what is reckoned from them alone: once, however many jobs ask for it. */
export class HeldFacts {
  private planned?: SeatPlan[]
  private stands?: DayState
  constructor(readonly facts: DayFacts) {}
  get seats(): SeatPlan[] {
    return (this.planned ??= planSeats(this.facts))
  }
  get state(): DayState {
    return (this.stands ??= standLoosely(this.facts, this.seats))
  }
}

/** What each kind of job answers in the end, and on the way. */
export interface DayAnswers {
  arrange: {
    /** `stand`: the day with its best plan so far and how it stands, when that is a new one. */
    progress: { share: number; best?: ArrangedDay; stand?: { day: WashDay; state: DayState } } | { told: Told }
    result: ArrangeOutcome & { seats?: SeatPlan[] }
  }
  /** What can be done about a day that can't be arranged. */
  relieve: { progress: Relief; result: Relief }
  /** Null: the day isn't arranged. */
  prove: { progress: { share: number }; result: DayProof | null }
  odds: { progress: never; result: DayOdds | null }
  ways: { progress: TriedWay; result: TriedWay[] }
  fits: { progress: JoinFit; result: JoinFit[] }
  joinTimes: { progress: JoinTime; result: JoinTime[] }
  /** Null: it can't begin then. */
  hold: { progress: never; result: HeldDay | null }
  /** Null: the day has begun, or can't be arranged. */
  times: { progress: never; result: AdvisedTimes | null }
  trades: { progress: Trade; result: Trade[] }
  /** Null: the day isn't arranged, or can't be then. */
  price: { progress: never; result: WishPrice | null }
}

/** How a job tells of its progress, and lets others speak: `pause` answers false when the job was cancelled. */
export interface JobHost {
  progress: (value: unknown) => void
  pause: () => Promise<boolean>
  now: () => number
  /** What was told to the job since it was last asked, in turn. */
  told: () => readonly unknown[]
}

const TURN_MS = 30
/** A turn of what goes on behind other work. */
const BEHIND_MS = 8
const REPORT_MS = 200
/** The share of the time after which the air is reckoned in and the second search begins. */
const FIRST_SHARE = 0.7

/** The plans of a day's seats with a plan's own air. */
const seatsWith = (facts: DayFacts, { plan }: ArrangedDay) => planSeats({ ...facts, day: { ...facts.day, plan } })

/** The day with a plan, and how it then stands. */
function standWith(facts: DayFacts, found: ArrangedDay) {
  const day = { ...facts.day, plan: found.plan }
  return { day, state: standFrom({ ...facts, day }, seatsWith(facts, found)) }
}

/** The other of two searches, as the page passes on what they find. */
const peerOf = (host: JobHost): Peer => ({
  tell: (told) => host.progress({ told } satisfies { told: Told }),
  told() {
    const all = host.told() as readonly Told[]
    if (all.length === 0) return undefined
    return { schedules: all.flatMap((t) => t.schedules), bound: Math.max(...all.map((t) => t.bound)) }
  },
})

async function arrange(
  facts: DayFacts,
  { budgetMs, seed, temper }: Extract<DayJob, { kind: 'arrange' }>,
  host: JobHost,
) {
  const began = host.now()
  const share = () => (host.now() - began) / budgetMs
  const shared = temper && { temper, peer: peerOf(host) }
  const search = arrangeWashDay(facts, { seed, stopFirst: () => share() > FIRST_SHARE, ...shared })
  let reported = began
  let told: number | undefined
  const onTurn = (best: ArrangedDay | undefined) => {
    const now = host.now()
    if (now - reported < REPORT_MS) return
    const stand = best && best.objective !== told ? standWith(facts, best) : undefined
    host.progress({ share: Math.min(1, share()), best, stand })
    told = best?.objective
    reported = now
  }
  const outcome = await inTurns(search, { now: host.now, turnMs: TURN_MS, pause: host.pause, onTurn })
  if (!outcome) return undefined
  if (outcome.ok) return { ...outcome, seats: seatsWith(facts, outcome.day) }
  return outcome
}

/** What can be done about a day that can't be arranged, as far as its time goes. */
async function relief({ facts }: HeldFacts, { budgetMs }: Extract<DayJob, { kind: 'relieve' }>, host: JobHost) {
  const began = host.now()
  let told = 0
  return inTurns(
    until(relieve(facts), () => host.now() - began > budgetMs),
    {
      now: host.now,
      turnMs: TURN_MS,
      pause: host.pause,
      onTurn(found) {
        if (found.ways.length > told) host.progress(found)
        told = found.ways.length
      },
    },
  )
}

/** Goes on from the day as it stands, behind all else, until no better order exists or its time is up. */
async function prove({ facts }: HeldFacts, { budgetMs }: Extract<DayJob, { kind: 'prove' }>, host: JobHost) {
  const began = host.now()
  let told = began
  let gone = false
  const search = until(proveWashDay(facts), () => host.now() - began > budgetMs)
  const proof = await inTurns(search, {
    now: host.now,
    turnMs: BEHIND_MS,
    async pause() {
      const now = host.now()
      if (now - told > REPORT_MS) {
        told = now
        host.progress({ share: Math.min(1, (now - began) / budgetMs) })
      }
      return (gone = !(await host.pause())) === false
    },
  })
  return proof ?? (gone ? undefined : null)
}

function odds({ facts, state }: HeldFacts) {
  const { problem, schedule, seats } = state
  if (!schedule) return null
  const { hours, progress } = facts.day
  const done = new Set(Object.entries(progress?.tasks ?? {}).flatMap(([id, t]) => (t.end === null ? [] : [id])))
  return dayOdds(problem, schedule, { closing: hours.to - hours.from, done, middles: middlesOf(seats) })
}

async function ways({ facts, state }: HeldFacts, { finding }: Extract<DayJob, { kind: 'ways' }>, host: JobHost) {
  const tried: TriedWay[] = []
  for (const way of waysFor(facts, state, finding)) {
    const worth = tryWay(facts, state, finding, way)
    if (worth) {
      tried.push(worth)
      host.progress(worth)
    }
    if (!(await host.pause())) return undefined
  }
  return tried.sort(byWorth)
}

async function fits({ facts, state }: HeldFacts, job: Extract<DayJob, { kind: 'fits' }>, host: JobHost) {
  const found: JoinFit[] = []
  for (const dogId of job.dogIds) {
    const fit = firstJoinTime(facts, state, dogId, job.now)
    found.push(fit)
    host.progress(fit)
    if (!(await host.pause())) return undefined
  }
  return found
}

/** When one more dog may come. */
async function findTimes({ facts, state }: HeldFacts, job: Extract<DayJob, { kind: 'joinTimes' }>, host: JobHost) {
  const found: JoinTime[] = []
  for (const time of joinTimes(facts, state, job.dogId, job.now)) {
    found.push(time)
    host.progress(time)
    if (!(await host.pause())) return undefined
  }
  return found
}

/** When the owners of some dogs best come and fetch them. */
async function times({ facts }: HeldFacts, { seatIds }: Extract<DayJob, { kind: 'times' }>, host: JobHost) {
  let gone = false
  const found = await inTurns(adviseTimes(facts, seatIds), {
    now: host.now,
    turnMs: TURN_MS,
    pause: async () => (gone = !(await host.pause())) === false,
  })
  return found ?? (gone ? undefined : null)
}

/** What the day gave up; each is told when it is found. */
const trades = ({ facts, state }: HeldFacts, host: JobHost) =>
  inTurns(told(tradesOf(facts, state), host), { now: host.now, turnMs: TURN_MS, pause: host.pause })

/** What the worker can be asked of some weeks, with all that they are reckoned from. */
export type WeeksJob =
  | { kind: 'loads'; weeks: WeeksFacts }
  | { kind: 'spread'; weeks: WeeksFacts }
  | { kind: 'homes'; weeks: WeeksFacts; date: string; seats: Seat[] }

/** What each of these answers in the end, and on the way. */
export interface WeeksAnswers {
  loads: { progress: DayLoad; result: true }
  spread: { progress: { done: number; of: number }; result: Spread }
  homes: { progress: Home; result: Home[] }
}

/** Does one job over weeks; undefined when it was cancelled on the way. What it finds is told as it is found. */
export async function doWeeksJob(job: WeeksJob, host: JobHost): Promise<unknown> {
  const turns = { now: host.now, turnMs: TURN_MS, pause: host.pause }
  switch (job.kind) {
    case 'loads':
      return inTurns(ending(told(loadsOf(job.weeks), host)), turns)
    case 'spread':
      return inTurns(spreadDogs(job.weeks), { ...turns, onTurn: host.progress })
    case 'homes':
      return inTurns(told(homesFor(job.weeks, job.date, job.seats), host), turns)
  }
}

/** A search whose findings are told as they come. */
function* told<Y, R>(search: Generator<Y, R>, host: JobHost): Generator<Y, R> {
  for (;;) {
    const step = search.next()
    if (step.done) return step.value
    if (step.value !== undefined) host.progress(step.value)
    yield step.value
  }
}
/** A search that answers nothing, answering that it is over. */
function* ending<Y>(search: Generator<Y, void>): Generator<Y, true> {
  yield* search
  return true
}

/** Does one job; undefined when it was cancelled on the way. */
export async function doDayJob(held: HeldFacts, job: DayJob, host: JobHost): Promise<unknown> {
  switch (job.kind) {
    case 'arrange':
      return arrange(held.facts, job, host)
    case 'prove':
      return prove(held, job, host)
    case 'odds':
      return odds(held)
    case 'ways':
      return ways(held, job, host)
    case 'fits':
      return fits(held, job, host)
    case 'joinTimes':
      return findTimes(held, job, host)
    case 'hold':
      return holdPart(held.facts, held.state, job.wish) ?? null
    case 'relieve':
      return relief(held, job, host)
    case 'times':
      return times(held, job, host)
    case 'trades':
      return trades(held, host)
    case 'price':
      return priceOf(held.facts, held.state, job.wish) ?? null
  }
}
